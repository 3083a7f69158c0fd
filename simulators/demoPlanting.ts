import { isoFromDay, requireDay } from '../src/core/calendar/dayNumber.ts';
import { USUAL_FRAME } from '../src/core/heat/structure.ts';
import type { SeedCover } from '../src/contracts/hardening/hardening.ts';
import type { SiteReadingInput } from '../src/contracts/weather/siteReadings.ts';
import { DEMO_TODAY } from './demoBooks.ts';
import { trueDays } from './demoWeather.ts';

const cover = (
  id: number,
  name: string,
  layers: number,
  worth_K: number,
  soil_K: number,
  toHand_m2: number,
  note = '',
): SeedCover => ({ id, name, layers, worth_K, soil_K, toHand_m2, place: null, structure: null, note });

/** Covers a nursery usually has, worth by caution. Common practice, no source. */
export const USUAL_COVERS: readonly SeedCover[] = [
  cover(1, 'Fleece', 1, 2, 0.5, 0),
  cover(2, 'Low tunnel', 1, 3, 2.5, 0),
  cover(3, 'Fleece in a low tunnel', 2, 5, 3, 0),
];

/** Of the demo; invented. */
export const DEMO_COVERS: readonly SeedCover[] = [
  cover(1, 'Fleece', 1, 2, 0.5, 140),
  cover(2, 'Low tunnel', 1, 3, 2.5, 60, 'hoops of 6 mm, film of two years'),
  cover(3, 'Fleece in a low tunnel', 2, 5, 3, 60),
  cover(6, 'Walk-in tunnel', 1, 3.5, 4.5, 420, 'single film, doors at both ends'),
  {
    id: 4,
    name: 'Frames',
    layers: 1,
    worth_K: 2.5,
    soil_K: 3,
    toHand_m2: 0,
    place: 6,
    structure: {
      ...USUAL_FRAME,
      length_m: 14.5,
      width_m: 1.3,
      glazing: 'single-glass',
      opening_m2: 16,
      sidesGlazed_frac: 0,
    },
    note: 'lights of old glass on boards, facing south',
  },
  {
    id: 5,
    name: 'Cool bay',
    layers: 1,
    worth_K: 4,
    soil_K: 4,
    toHand_m2: 0,
    place: 5,
    structure: {
      ...USUAL_FRAME,
      kind: 'house',
      length_m: 6.3,
      width_m: 3.8,
      height_m: 2.2,
      glazing: 'double-film',
      sidesGlazed_frac: 0.7,
      water_L: 400,
      steps: [
        { name: 'shut', open_frac: 0 },
        { name: 'ajar', open_frac: 0.1 },
        { name: 'one door', open_frac: 0.5 },
        { name: 'both doors', open_frac: 1 },
      ],
      opening_m2: 5.5,
      heater: { power_W: 2000, set_C: 4 },
      fan: { flow_m3_h: 900, set_C: 24 },
    },
    note: '',
  },
];

/** Readings of the last nights: the screen outside, the frame's own thermometer, the soil. Invented. */
export function demoReadings(): Omit<SiteReadingInput, 'idempotencyKey'>[] {
  const today = requireDay(DEMO_TODAY);
  const made: Omit<SiteReadingInput, 'idempotencyKey'>[] = [];
  const empty = {
    coverId: null,
    least_C: null,
    most_C: null,
    gust_m_s: null,
    soil_C: null,
    offset_K: 0,
    note: '',
    correctsId: null,
  } as const;
  const tenth = (t: number) => Math.round(10 * t) / 10;
  for (let n = 9; n >= 0; n--) {
    const day = isoFromDay(today - n);
    const { least_C } = trueDays().get(today - n)!;
    made.push({ ...empty, kind: 'max-min', day, least_C: tenth(least_C + 0.1 * ((n % 3) - 1)) });
    const gain = 1.6 + 0.7 * Math.sin(2.4 * n);
    if (n % 4 !== 3) made.push({ ...empty, kind: 'max-min', day, coverId: 4, least_C: tenth(least_C + gain) });
  }
  for (const [n, soil_C] of [
    [9, 7.9],
    [5, 9.6],
    [1, 9.3],
  ] as const)
    made.push({
      ...empty,
      kind: 'soil',
      day: isoFromDay(today - n),
      soil_C: soil_C + 0.3,
      offset_K: 0.3,
      note: 'two minutes, 10 cm',
    });
  return made;
}
