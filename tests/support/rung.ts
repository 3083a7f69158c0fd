import type { Rung } from '../../src/core/hardening/programme.ts';

/** A rung out in the open, day and night, for two days. */
export const OPEN_RUNG: Rung = {
  words: 'out',
  placeId: null,
  hours_h: 24,
  sun_frac: 1,
  lid_frac: null,
  floor_C: 5,
  gust_m_s: 12,
  cover: 'none',
  days: 2,
};
