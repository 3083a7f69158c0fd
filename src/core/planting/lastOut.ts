import { dayFromCivil, dayOfYear } from '../calendar/dayNumber.ts';
import { dayLength_h } from '../weather/sun.ts';
import type { Crop } from '../books/crop.ts';
import { OUT_HARM_C } from './outDates.ts';

/** Weeks a plant set out in autumn needs to root in before harm or darkness. Common practice, no source. */
export const ROOT_IN_days = 28;
/** Under so many hours of day hardly anything grows. Common practice, no source. */
export const DARK_h = 10;

export interface LastOut {
  /** Days into the season; null: nothing ends it there. */
  readonly offset: number | null;
  readonly by: 'frost' | 'light';
}

/** The first day of the autumn half with less than ten hours from sunrise to sunset, days into the season; null: none is so short. */
export function darkFrom(latitude_deg: number): number | null {
  const south = latitude_deg < 0;
  const start = dayFromCivil(2001, south ? 7 : 1, 1);
  // The sun's upper rim is seen 0.83 degrees before and after its middle is level (usual refraction): 2 x 0.83 / 15 h, slanting.
  const refraction_h = (2 * 0.83) / 15 / Math.max(0.2, Math.cos((latitude_deg * Math.PI) / 180));
  for (let offset = 172; offset < 365; offset++)
    if (dayLength_h(latitude_deg, dayOfYear(start + offset)) + refraction_h < DARK_h) return offset;
  return null;
}

/**
 * The last day a crop may be set out for autumn and winter: counted back by the weeks it needs to root in from the first night
 * that harms it at the grower's risk, or from the day the light falls under ten hours, whichever comes first.
 * @param riskOffset as of `riskOffsets` for the autumn; null: no years to say
 * @param cover_K what the cover is worth on the night
 * @source common practice, no source
 */
export function lastOut(
  crop: Pick<Crop, 'hardiness'>,
  riskOffset: ((threshold_C: number) => number | null) | null,
  latitude_deg: number,
  cover_K = 0,
): LastOut {
  const frost = riskOffset?.(OUT_HARM_C[crop.hardiness] - cover_K) ?? Infinity;
  const dark = darkFrom(latitude_deg) ?? Infinity;
  const end = Math.min(frost, dark);
  return {
    offset: Number.isFinite(end) ? Math.max(0, Math.floor(end) - ROOT_IN_days) : null,
    by: frost <= dark ? 'frost' : 'light',
  };
}
