import { VARIETY_FIGURES, type VarietyFigures } from '../core/varietyFigures.ts';
import { EXPOSURES } from '../core/climate/siteWind.ts';
import { z } from 'zod';
import { dayFromIso, weekdayOf } from '../core/calendar/dayNumber.ts';
import { countFault } from '../core/germination/indices.ts';
import { LEAST_SURE_frac, MOST_SURE_frac } from '../core/placement/planning.ts';
import { USUAL_WEIGHTS } from '../core/placement/instance.ts';
import { bandFaults, bandsOf, type BandFigures } from '../core/growth/bands.ts';
import { ALL_STAGES, CONTAINER_KINDS, CROP_KINDS, PRETREATMENTS, SOWN_IN } from '../core/model.ts';
import { TREATMENTS } from './records.ts';
import { potShape } from './potShape.ts';
import {
  figure,
  freeText,
  isoDay,
  monthDay,
  recordId,
  shortText,
  temperature_C,
  version,
  wholeNumber,
} from './fields.ts';
import { placeTemperature } from './warmth.ts';

const emergencePoint = z.strictObject({
  temperature_C: temperature_C('table temperature'),
  days: z.union([figure('days to emerge', 0.1, 400), z.literal('none')]).nullable(),
  percent: figure('percent up', 0, 300).nullable(),
});

const bandFigures = z
  .strictObject({
    bearsLow_C: temperature_C('coldest it bears'),
    bearsHigh_C: temperature_C('warmest it bears'),
    comfortLow_C: temperature_C('comfortable night'),
    comfortHigh_C: temperature_C('comfortable day'),
    checkNight_C: temperature_C('night that checks it').nullable(),
  })
  .partial();
const ownBands = z
  .strictObject({
    germinate: bandFigures,
    grow: bandFigures,
    pot: bandFigures,
    space: bandFigures,
    harden: bandFigures,
  })
  .partial();

const cropShape = z.strictObject({
  name: shortText('name', 80),
  synonyms: freeText('other names', 300).default(''),
  botanical: freeText('botanical name', 120).default(''),
  family: freeText('family', 60).default(''),
  kind: z.enum(CROP_KINDS).default('vegetable'),
  group: z.enum(['warm', 'cool']),
  light: z.enum(['light', 'dark', 'neutral']),
  depth_mm: figure('depth', 0, 200),
  germMin_C: temperature_C('least to sow at'),
  germBest_C: temperature_C('best to sow at'),
  germMax_C: temperature_C('most to sow at'),
  germBase_C: temperature_C('germination base'),
  germCeiling_C: temperature_C('germination ceiling'),
  germBest_days: figure('days to half up at best', 0.5, 200),
  emergence: z.array(emergencePoint).max(24, { error: 'table: at most 24 temperatures' }),
  germUsual_frac: figure('usual germination', 0.01, 1).default(0.85),
  thousandSeed_g: figure('weight of a thousand seeds', 0.001, 100_000).nullable().default(null),
  storage_years: figure('life of the seed', 0.1, 50).default(3),
  pretreat: z.enum(PRETREATMENTS).default('none'),
  chill_weeks: figure('weeks of chilling', 0, 52).default(0),
  sowIn: z.enum(SOWN_IN).default('cells'),
  cellsUsual_count: wholeNumber('cells to a tray', 1, 2000).default(60),
  potUsual_cm: figure('usual pot', 1, 60).nullable().default(null),
  growDay_C: temperature_C('growing by day'),
  growNight_C: temperature_C('growing by night'),
  base_C: temperature_C('growth base'),
  growOptimum_C: temperature_C('growth optimum'),
  growCeiling_C: temperature_C('growth ceiling'),
  checkNight_C: temperature_C('night that checks it').nullable().default(null),
  boltCold_C: temperature_C('cold that makes it flower').nullable().default(null),
  boltCold_days: wholeNumber('days of such cold', 1, 200).nullable().default(null),
  boltWarm_C: figure('warmth that makes it flower', 5, 50).nullable().default(null),
  boltWarm_days: wholeNumber('days of such warmth', 1, 200).nullable().default(null),
  boltDay_h: figure('length of day that makes it flower', 8, 24).nullable().default(null),
  comfortNight_C: temperature_C('comfortable night'),
  comfortDay_C: temperature_C('comfortable day'),
  dliLeast: figure('least daily light', 0.1, 60),
  dliGood: figure('good daily light', 0.2, 60),
  bands: ownBands.default({}),
  openAirFrom: z.enum(ALL_STAGES, { error: 'open air from: a stage' }).nullable().default(null),
  weeksLow: figure('weeks, short end', 1, 60),
  weeksHigh: figure('weeks, long end', 1, 60),
  potAt_frac: figure('share of growth at potting', 0.05, 0.95),
  potted: z.boolean(),
  hardening_days: wholeNumber('hardening days', 0, 60),
  hardiness: z.enum(['hardy', 'half-hardy', 'tender', 'tropical']),
  hardyTo_C: temperature_C('harmed at'),
  plantSoilMin_C: temperature_C('soil to plant in'),
  plantNightMin_C: temperature_C('nights to plant in'),
  weeksFromLastFrost: figure('weeks from last frost', -20, 20),
  inRow_cm: figure('distance in the row', 0.5, 2000).default(30),
  rows_cm: figure('distance of rows', 0.5, 2000).default(40),
  caution: freeText('caution', 200).default(''),
  source: freeText('source', 400),
  seedBalls: z.boolean().optional(),
});

export const cropInput = cropShape.superRefine((crop, ctx) => {
  for (const stage of ALL_STAGES) {
    const own = crop.bands[stage];
    if (!own) continue;
    for (const { figure: name, text } of bandFaults(bandsOf(crop as BandFigures, stage)))
      ctx.addIssue({ code: 'custom', path: ['bands', stage, name], message: text });
  }
  const rising: [keyof typeof crop, keyof typeof crop, string][] = [
    ['germMin_C', 'germBest_C', 'best to sow at must be above the least'],
    ['germBest_C', 'germMax_C', 'most to sow at must be above the best'],
    ['germBase_C', 'germBest_C', 'best to sow at must be above the base'],
    ['germBest_C', 'germCeiling_C', 'the ceiling must be above the best'],
    ['base_C', 'growOptimum_C', 'the growth optimum must be above the base'],
    ['growOptimum_C', 'growCeiling_C', 'the growth ceiling must be above the optimum'],
    ['comfortNight_C', 'comfortDay_C', 'the comfortable day must be above the comfortable night'],
    ['dliLeast', 'dliGood', 'good light must be above the least'],
  ];
  for (const [low, high, message] of rising) {
    if (!((crop[low] as number) < (crop[high] as number))) ctx.addIssue({ code: 'custom', path: [high], message });
  }
  if (crop.weeksHigh < crop.weeksLow) {
    ctx.addIssue({
      code: 'custom',
      path: ['weeksHigh'],
      message: 'the long end must not be below the short end',
    });
  }
  if ((crop.pretreat === 'chill') !== crop.chill_weeks > 0) {
    ctx.addIssue({
      code: 'custom',
      path: ['chill_weeks'],
      message: 'a crop that is chilled has weeks of it, one that is not has none',
    });
  }
  for (const kind of ['boltCold', 'boltWarm'] as const)
    if ((crop[`${kind}_C`] === null) !== (crop[`${kind}_days`] === null))
      ctx.addIssue({
        code: 'custom',
        path: [`${kind}_days`],
        message: 'bolting: both the temperature and its days, or neither',
      });
  if (crop.growDay_C >= crop.growCeiling_C) {
    ctx.addIssue({
      code: 'custom',
      path: ['growCeiling_C'],
      message: 'the growth ceiling must be above growing by day',
    });
  }
  if (!((crop.growDay_C + crop.growNight_C) / 2 > crop.base_C)) {
    ctx.addIssue({
      code: 'custom',
      path: ['base_C'],
      message: 'the base must lie below the mean of growing day and night',
    });
  }
  const seen = new Set<number>();
  crop.emergence.forEach((point, i) => {
    if (seen.has(point.temperature_C)) {
      ctx.addIssue({
        code: 'custom',
        path: ['emergence', i, 'temperature_C'],
        message: 'this temperature is in the table twice',
      });
    }
    seen.add(point.temperature_C);
  });
});
export type CropInput = z.infer<typeof cropInput>;

const pickOf = Object.fromEntries(VARIETY_FIGURES.map((key) => [key, true])) as {
  [K in (typeof VARIETY_FIGURES)[number]]: true;
};
/** Any of a crop's figures that a variety may have otherwise, by the crop's own bounds. */
const varietyFigures = withoutDefaults(cropShape.pick(pickOf));

/** Each field of an object optional, and left out where it is: a default would set the variety where nothing was said. */
function withoutDefaults<S extends z.ZodObject>(shape: S) {
  const fields = Object.entries(shape.shape).map(([key, field]) => [
    key,
    (field instanceof z.ZodDefault ? (field.unwrap() as z.ZodType) : (field as z.ZodType)).optional(),
  ]);
  return z.strictObject(
    Object.fromEntries(fields) as Record<string, z.ZodType>,
  ) as unknown as z.ZodType<VarietyFigures>;
}

export const varietyInput = z.strictObject({
  cropId: recordId('crop'),
  name: shortText('name', 80),
  note: freeText('note', 500),
  /** What the variety has otherwise than its crop; what is absent is the crop's. */
  figures: varietyFigures.default({}),
});
export type VarietyInput = z.infer<typeof varietyInput>;

/** A germination test; counts are in all, by days after it was laid out, and do not fall. */
export const lotTest = z
  .strictObject({
    on: isoDay('day of the test'),
    method: shortText('how it was tested', 60),
    seeds: wholeNumber('seeds laid out', 1, 100_000),
    counts: z
      .array(z.strictObject({ day: wholeNumber('day', 0, 200), up: wholeNumber('up', 0, 100_000) }))
      .min(1, { error: 'counts: one at least' })
      .max(60, { error: 'counts: at most 60' }),
  })
  .superRefine((test, ctx) => {
    const fault = countFault(test.counts, test.seeds);
    if (fault) ctx.addIssue({ code: 'custom', path: ['counts', fault.at, 'up'], message: fault.reason });
  });

export const lotInput = z.strictObject({
  varietyId: recordId('variety'),
  code: shortText('lot number', 60),
  receivedOn: isoDay('received').nullable(),
  germination_percent: figure('germination', 0, 300).nullable(),
  testedOn: isoDay('tested').nullable(),
  seeds_count: wholeNumber('seeds', 0, 100_000_000).nullable(),
  thousandSeed_g: figure('weight of a thousand seeds', 0.001, 5000).nullable().default(null),
  weight_g: figure('weight in hand', 0, 1_000_000).nullable().default(null),
  packet_seeds: wholeNumber('seeds to a packet', 1, 10_000_000).nullable().default(null),
  packet_price: figure('price of a packet', 0, 100_000).nullable().default(null),
  light: z.enum(['light', 'dark', 'neutral']).nullable().default(null),
  depth_mm: figure('depth', 0, 200).nullable().default(null),
  treatment: z.enum(TREATMENTS).default('none'),
  storage_C: temperature_C('store').nullable().default(null),
  moisture_percent: figure('seed moisture', 2, 25).nullable().default(null),
  tests: z.array(lotTest).max(60, { error: 'tests: at most 60' }).default([]),
  note: freeText('note', 500),
});
export type LotInput = z.infer<typeof lotInput>;

const period = z.strictObject({
  from: monthDay('from'),
  day_C: temperature_C('day'),
  night_C: temperature_C('night'),
});

export const PLACE_KINDS = ['dark-chamber', 'lit-chamber', 'bench', 'house', 'frame', 'ground'] as const;

const week = isoDay('week').refine((iso) => weekdayOf(dayFromIso(iso) ?? 0) === 1, {
  error: 'week: name it by its Monday',
});

const placeSize = z.strictObject({
  x_m: figure('metres from the left', 0, 500),
  y_m: figure('metres from the back', 0, 500),
  width_m: figure('width', 0.1, 200),
  depth_m: figure('depth', 0.1, 200),
  shelves: wholeNumber('shelves', 1, 20),
});

const placeLight = z.strictObject({
  through_frac: figure('daylight through the glazing', 0, 1),
  secondFilm: z.boolean(),
  shade_frac: figure('kept out by shade', 0, 1),
  lamps_umol_m2_s: figure('lamps', 0, 3000),
  lamps_h: figure('hours of lamps', 0, 24),
});

export const placeInput = z
  .strictObject({
    name: shortText('name', 60),
    kind: z.enum(PLACE_KINDS),
    lit: z.boolean(),
    room_trays: figure('room', 0, 100_000),
    walkOrder: wholeNumber('walking order', 1, 999),
    periods: z
      .array(period)
      .min(1, { error: 'temperature: give at least one period' })
      .max(60, { error: 'temperature: at most 60 periods' }),
    temperature: placeTemperature.default({ kind: 'written' }),
    setPoints: z
      .array(z.strictObject({ week, setPoint_C: temperature_C('set-point').nullable() }))
      .max(520, { error: 'set-points: at most ten years of weeks' })
      .default([]),
    closed: z
      .array(z.strictObject({ from: isoDay('closed from'), to: isoDay('closed to') }))
      .max(60, { error: 'closed days: at most 60 runs' })
      .default([]),
    size: placeSize.nullable().default(null),
    light: placeLight.nullable().default(null),
    wet_K: figure('how much cooler a wet tray is', 0, 12).nullable().default(null),
  })
  .superRefine((place, ctx) => {
    const seen = new Set<string>();
    place.periods.forEach((p, i) => {
      if (seen.has(p.from))
        ctx.addIssue({
          code: 'custom',
          path: ['periods', i, 'from'],
          message: 'two periods begin on this day',
        });
      seen.add(p.from);
    });
    const { temperature } = place;
    if (temperature.kind === 'set-point') {
      const rising = temperature.levels_C.every((t, i) => i === 0 || t > temperature.levels_C[i - 1]!);
      if (!rising)
        ctx.addIssue({
          code: 'custom',
          path: ['temperature', 'levels_C'],
          message: 'write set-points rising, each once',
        });
      if (temperature.usual_C !== null && !temperature.levels_C.includes(temperature.usual_C)) {
        ctx.addIssue({
          code: 'custom',
          path: ['temperature', 'usual_C'],
          message: 'the usual set-point must be one of those it may be set to',
        });
      }
      place.setPoints.forEach(({ setPoint_C }, i) => {
        if (setPoint_C !== null && !temperature.levels_C.includes(setPoint_C))
          ctx.addIssue({
            code: 'custom',
            path: ['setPoints', i, 'setPoint_C'],
            message: 'this set-point is not one it may be set to',
          });
      });
    }
    place.closed.forEach(({ from, to }, i) => {
      if (to < from)
        ctx.addIssue({ code: 'custom', path: ['closed', i, 'to'], message: 'closed to: not before the first day' });
    });
    if (place.kind === 'dark-chamber' && place.lit) {
      ctx.addIssue({
        code: 'custom',
        path: ['lit'],
        message: 'a dark chamber has no light; choose a lit chamber instead',
      });
    }
  });
export type PlaceInput = z.infer<typeof placeInput>;

export const containerInput = z.strictObject({
  name: shortText('name', 60),
  kind: z.enum(CONTAINER_KINDS),
  cells: wholeNumber('cells', 1, 2000),
  perCarryingTray: wholeNumber('pots to a carrying tray', 1, 500),
  footprint_slots: figure('room in trays', 0.05, 20),
  volume_L: figure('litres', 0, 200),
  shape: potShape.default(null),
});
export type ContainerInput = z.infer<typeof containerInput>;

export const offHeatInput = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('half-up') }),
  z.strictObject({ kind: z.literal('all-up') }),
  z.strictObject({ kind: z.literal('share'), share_frac: figure('share of those expected', 0.5, 0.95) }),
  z.strictObject({
    kind: z.literal('days-after'),
    days: wholeNumber('days after half up', 1, 30),
  }),
]);

const timeZone = z.string().refine(
  (zone) => {
    try {
      new Intl.DateTimeFormat('en', { timeZone: zone });
      return zone.length <= 60;
    } catch {
      return false;
    }
  },
  { error: 'time zone: a name such as Europe/London' },
);

const price = (name: string) => figure(name, 0, 1000);

/** What things cost when a season is planned, in the nursery's money. */
export const weightsInput = z.strictObject({
  late_perTrayDay: price('a tray a day late'),
  early_perTrayDay: price('a tray a day early'),
  wait_perTrayDay: price('a tray a day waiting'),
  discomfort_perTrayKelvin: price('a tray a day outside its comfort, by kelvin').default(
    USUAL_WEIGHTS.discomfort_perTrayKelvin,
  ),
  ageing_perTrayDay: price('a tray a day older than is fair').default(USUAL_WEIGHTS.ageing_perTrayDay),
  overtime_perHour: price('an hour beyond the hands').default(USUAL_WEIGHTS.overtime_perHour),
  move_perTray: price('moving a tray'),
  setPointChange: price('changing a set-point'),
  // Both follow from the tariff of heat; what is sent of them is not kept.
  heat_perkWh: price('a kWh of heat'),
  heatNight_factor: figure('price of the night', 0, 2).optional(),
  unplaced_perTray: price('a tray left out'),
  mostLate_days: wholeNumber('most days late', 0, 90),
  mostEarly_days: wholeNumber('most days early', 0, 60),
});

/** How the house wants its seasons planned. */
export const planningInput = z.strictObject({
  sure_frac: figure('how sure', LEAST_SURE_frac, MOST_SURE_frac),
  hands_h: figure('hours of a usual week', 0, 2000).nullable(),
  handsBy: z
    .array(
      z.strictObject({
        week: isoDay('week').refine((iso) => weekdayOf(dayFromIso(iso) ?? 3) === 1, {
          error: 'week: the date of its Monday',
        }),
        hours: figure('hours of that week', 0, 2000),
        why: freeText('why', 80),
      }),
    )
    .max(200, { error: 'weeks: at most 200' })
    .refine((list) => new Set(list.map((one) => one.week)).size === list.length, {
      error: 'weeks: a week is there twice',
    }),
  idle_C: temperature_C('kept at when empty').nullable(),
  sow_minPerTray: figure('minutes to sow a tray', 0, 600),
  plant_minPerTray: figure('minutes to plant a tray', 0, 600),
});

const nurseryShape = z.strictObject({
  version,
  name: shortText('name', 80),
  placeName: freeText('place', 80),
  latitude_deg: figure('latitude', -90, 90),
  longitude_deg: figure('longitude', -180, 180),
  timeZone,
  temperatureUnit: z.enum(['C', 'F']),
  lengthUnit: z.enum(['cm', 'in']),
  currency: z
    .string({ error: 'currency: three letters such as EUR' })
    .regex(/^[A-Z]{3}$/, { error: 'currency: three capital letters such as EUR' })
    .optional(),
  firstWeekday: wholeNumber('first weekday', 1, 7),
  lastFrost: monthDay('mean last frost'),
  firstFrost: monthDay('mean first frost'),
  spare_frac: figure('spare share', 0, 3),
  offHeat: offHeatInput,
  outside: z
    .array(z.strictObject({ day_C: temperature_C('usual day outside'), night_C: temperature_C('usual night outside') }))
    .length(12, { error: 'outside: twelve months' })
    .nullish(),
  coolSchool: z.enum(['none', 'gentle', 'same']).optional(),
  coolMost_C: temperature_C('most for cool crops').optional(),
  weights: weightsInput.optional(),
  planning: planningInput.optional(),
  learning: z.boolean().optional(),
  exposure: z.enum(EXPOSURES, { error: 'wind: sheltered, open or exposed' }).nullable().optional(),
  coldest_C: figure('coldest night of a usual year', -60, 25).nullable().optional(),
  climateYears: wholeNumber('years gone by', 5, 60).nullable().optional(),
  offHeatCool: offHeatInput.nullable().optional(),
});
type NurseryShape = z.infer<typeof nurseryShape>;

/** Months in which the last frost of spring and the first of autumn can fall, north of the tropics; in the south half a year on. */
const SPRING_MONTHS = [12, 1, 2, 3, 4, 5, 6, 7];
const AUTUMN_MONTHS = [8, 9, 10, 11, 12, 1];

/** Frost dates that belong to the other half of the earth: a slip worth asking about. */
function questionFrosts(nursery: NurseryShape, ctx: z.RefinementCtx): void {
  const { latitude_deg } = nursery;
  if (Math.abs(latitude_deg) < 23.5) return;
  const south = latitude_deg < 0;
  const half = south ? 'south' : 'north';
  const check = (key: 'lastFrost' | 'firstFrost', months: readonly number[], words: string) => {
    const month = Number(nursery[key].slice(0, 2));
    const inNorth = south ? ((month + 5) % 12) + 1 : month;
    if (!months.includes(inNorth))
      ctx.addIssue({
        code: 'custom',
        path: [key],
        message: `${words} on ${nursery[key]} is no spring or autumn of the ${half}: is the latitude right, or are the two dates those of the other half of the earth?`,
      });
  };
  check('lastFrost', SPRING_MONTHS, 'mean last frost: a last frost');
  check('firstFrost', AUTUMN_MONTHS, 'mean first frost: a first frost');
}

export const nurseryInput = nurseryShape.superRefine(questionFrosts);
export type NurseryInput = z.infer<typeof nurseryInput>;

export const clockInput = z.strictObject({
  /** Local day to set the demo's clock to, at eight in the morning. */
  setTo: isoDay('day').optional(),
  running: z.boolean().optional(),
  rate: z
    .union([z.literal(1), z.literal(60), z.literal(3600), z.literal(86_400)], {
      error: 'speed: 1, 60, 3600 or 86400',
    })
    .optional(),
});
export type ClockInput = z.infer<typeof clockInput>;
