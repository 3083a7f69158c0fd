import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import { requireDay } from '../core/calendar/dayNumber.ts';
import { morningOf } from './clock.ts';

describe('eight in the morning', () => {
  it('is eight by the wall on every day of a year, clock changes too (against luxon)', () => {
    for (const zone of ['Europe/London', 'Pacific/Auckland', 'America/St_Johns', 'Asia/Kathmandu']) {
      for (let i = 0; i < 366; i++) {
        const local = DateTime.fromMillis(morningOf(requireDay('2027-01-01') + i, zone), { zone });
        expect([local.hour, local.minute, local.ordinal]).toEqual([8, 0, (i % 365) + 1]);
      }
    }
  });
});
