import { requireDay, civilFromDay, dayFromCivil } from '../../src/core/calendar/dayNumber.ts';
import type { BatchPlan } from '../../src/core/plan/batchPlan.ts';
import type { Place, PlaceLight, PlaceTemperature } from '../../src/core/books/place.ts';
import { below, seededRandom } from '../../src/core/numerics/random.ts';
import { UNSOWN } from '../../src/core/batch/reduce.ts';
import { climateStart } from '../../src/core/plan/schedule/placeClimate.ts';
import type { MonthNormal } from '../../src/core/plan/schedule/outsideClimate.ts';
import type { SeasonSent } from '../../src/contracts/plan/planner.ts';
import type { SeasonBatch } from '../../src/contracts/plan/seasonData.ts';
import { demoHouse } from './demoHouse.ts';

/** Climates the nurseries lie in. Normals are made up; latitude and season are those of the name. */
export const CLIMATES = ['52 north', '42 south', '59 north with lamps'] as const;

const NORMALS: readonly (readonly (readonly [number, number])[])[] = [
  [
    [7, 1],
    [8, 1],
    [11, 3],
    [14, 5],
    [17, 8],
    [20, 11],
    [22, 13],
    [22, 12],
    [19, 10],
    [14, 7],
    [10, 4],
    [8, 2],
  ],
  [
    [22, 12],
    [22, 12],
    [19, 10],
    [16, 8],
    [12, 5],
    [9, 3],
    [9, 2],
    [11, 3],
    [13, 5],
    [16, 7],
    [18, 9],
    [20, 11],
  ],
  [
    [1, -4],
    [1, -4],
    [4, -2],
    [10, 2],
    [16, 6],
    [20, 10],
    [22, 12],
    [20, 11],
    [15, 8],
    [9, 4],
    [5, 1],
    [2, -3],
  ],
];
const LATITUDES = [52, -42, 59];
const LAST_FROST = ['05-01', '10-20', '05-20'];
const TODAY = ['2027-01-11', '2027-07-12', '2027-01-25'];

/** Crops of the trade whose weeks are checked. */
export const TRADE_CROPS = [
  'tomato',
  'pepper',
  'aubergine',
  'cucumber',
  'courgette',
  'pumpkin',
  'basil',
  'sweet corn',
  'melon',
  'chilli',
  'lettuce',
  'celery',
  'celeriac',
  'leek',
  'onion',
  'cabbage',
  'broccoli',
  'cauliflower',
  'kale',
  'beetroot',
  'chard',
  'parsley',
  'pak choi',
  'fennel (florence)',
  'snapdragon',
  'petunia',
  'zinnia',
  'cosmos',
  'pansy',
  'sweet pea',
] as const;

const lampsOn: PlaceLight = { through_frac: 0.65, secondFilm: false, shade_frac: 0, lamps_umol_m2_s: 150, lamps_h: 16 };

/** A made-up nursery with 20 to 26 batches of the trade's crops, none sown yet. */
export function qualityNursery(seed: number): SeasonSent {
  const random = seededRandom(seed);
  const between = (low: number, high: number) => low + below(random, high - low + 1);
  const climate = seed % 3;
  const base = demoHouse();
  const today = requireDay(TODAY[climate]!);
  const outside: MonthNormal[] = NORMALS[climate]!.map(([day_C, night_C]) => ({ day_C, night_C }));
  const held = (levels_C: number[], usual_C: number, drop: number, plus: number, loss: number): PlaceTemperature => ({
    kind: 'set-point',
    levels_C,
    usual_C,
    nightDrop_K: drop,
    unheatedPlus_K: plus,
    loss_W_per_K: loss,
  });
  const place = (
    id: number,
    name: string,
    kind: Place['kind'],
    room: number,
    temperature: PlaceTemperature,
    light?: PlaceLight,
  ) => ({
    id,
    name,
    kind,
    lit: kind !== 'dark-chamber',
    room_trays: room,
    walkOrder: id,
    periods: [],
    temperature,
    version: 1,
    ...(light ? { light } : {}),
  });
  const lamps = climate === 2 || random() < 0.5 ? lampsOn : undefined;
  const places = [
    place(1, 'Dark chamber', 'dark-chamber', between(12, 24), held([20, 22, 24, 26, 28], 24, 0, 8, 2.5)),
    place(2, 'Lit chamber', 'lit-chamber', between(14, 28), held([15, 18, 20, 22], 20, 2, 6, 3.5), {
      ...lampsOn,
      through_frac: 0,
    }),
    place(3, 'Warm bench', 'bench', between(60, 110), held([16, 18, 20, 22, 24], 20, 3, 5, 16), lamps),
    place(4, 'Bench', 'bench', between(60, 110), held([10, 12, 15, 18, 20], 15, 4, 5, 16), lamps),
    place(5, 'Cool house', 'house', between(100, 180), held([5, 8, 10, 12], 8, 2, 3, 60)),
    place(6, 'Frames', 'frame', between(120, 220), { kind: 'outside', plusDay_K: 3, plusNight_K: 3 }),
    place(7, 'Standing ground', 'ground', between(120, 220), { kind: 'outside', plusDay_K: 0, plusNight_K: 0 }),
  ];
  const house = {
    ...base.house,
    today,
    tablesFrom: climateStart(today),
    outside,
    latitude_deg: LATITUDES[climate]!,
    lastFrost: LAST_FROST[climate]!,
    places,
  };
  const { year } = civilFromDay(today);
  const frost = dayFromCivil(year, Number(LAST_FROST[climate]!.slice(0, 2)), Number(LAST_FROST[climate]!.slice(3)));
  const batches = Array.from({ length: between(20, 26) }, (_, i): SeasonBatch => {
    const name = TRADE_CROPS[below(random, TRADE_CROPS.length)];
    const crop = house.crops.find((c) => c.name === name)!;
    const plan: BatchPlan = {
      plantsWanted: between(60, 400),
      spare_frac: 0.15,
      // No sooner than there is time for it, by its own weeks.
      transplantOn: Math.max(
        frost + Math.round(7 * crop.weeksFromLastFrost) + between(0, 35),
        today + Math.round(7 * crop.weeksHigh) + crop.hardening_days + 14,
      ),
      hardening_days: crop.hardening_days,
      places: { germinate: null, grow: null, pot: null, harden: null },
      sowContainerId: between(1, 3),
      potContainerId: crop.potted ? 5 : null,
    };
    return {
      id: i + 1,
      version: 1,
      code: `B${i + 1}`,
      name: `${crop.name} ${i + 1}`,
      varietyId: null,
      cropId: crop.id,
      plan,
      pinned: false,
      familyId: null,
      seasonId: 1,
      state: UNSOWN,
      coming_frac: 0.85,
      weather: null,
    };
  });
  return { house, batches };
}
