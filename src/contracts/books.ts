import { z } from 'zod';
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

const emergencePoint = z.strictObject({
  temperature_C: temperature_C('table temperature'),
  days: z.union([figure('days to emerge', 0.1, 400), z.literal('none')]).nullable(),
  percent: figure('percent up', 0, 300).nullable(),
});

export const cropInput = z
  .strictObject({
    name: shortText('name', 80),
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
    growDay_C: temperature_C('growing by day'),
    growNight_C: temperature_C('growing by night'),
    base_C: temperature_C('growth base'),
    growOptimum_C: temperature_C('growth optimum'),
    weeksLow: figure('weeks, short end', 1, 60),
    weeksHigh: figure('weeks, long end', 1, 60),
    potAt_frac: figure('share of growth at potting', 0.05, 0.95),
    potted: z.boolean(),
    hardening_days: wholeNumber('hardening days', 0, 60),
    hardiness: z.enum(['hardy', 'half-hardy', 'tender', 'tropical']),
    plantSoilMin_C: temperature_C('soil to plant in'),
    plantNightMin_C: temperature_C('nights to plant in'),
    weeksFromLastFrost: figure('weeks from last frost', -20, 20),
    source: freeText('source', 400),
  })
  .superRefine((crop, ctx) => {
    const rising: [keyof typeof crop, keyof typeof crop, string][] = [
      ['germMin_C', 'germBest_C', 'best to sow at must be above the least'],
      ['germBest_C', 'germMax_C', 'most to sow at must be above the best'],
      ['germBase_C', 'germBest_C', 'best to sow at must be above the base'],
      ['germBest_C', 'germCeiling_C', 'the ceiling must be above the best'],
      ['base_C', 'growOptimum_C', 'the growth optimum must be above the base'],
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

export const varietyInput = z.strictObject({
  cropId: recordId('crop'),
  name: shortText('name', 80),
  note: freeText('note', 500),
});
export type VarietyInput = z.infer<typeof varietyInput>;

export const lotInput = z.strictObject({
  varietyId: recordId('variety'),
  code: shortText('lot number', 60),
  receivedOn: isoDay('received').nullable(),
  germination_percent: figure('germination', 0, 100).nullable(),
  testedOn: isoDay('tested').nullable(),
  seeds_count: wholeNumber('seeds', 0, 100_000_000).nullable(),
});
export type LotInput = z.infer<typeof lotInput>;

const period = z.strictObject({
  from: monthDay('from'),
  day_C: temperature_C('day'),
  night_C: temperature_C('night'),
});

export const PLACE_KINDS = ['dark-chamber', 'lit-chamber', 'bench', 'house', 'frame', 'ground'] as const;

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
  kind: z.enum(['seed-tray', 'cell-tray', 'pot']),
  cells: wholeNumber('cells', 1, 2000),
  perCarryingTray: wholeNumber('pots to a carrying tray', 1, 500),
  footprint_slots: figure('room in trays', 0.05, 20),
  volume_L: figure('litres', 0, 200),
});
export type ContainerInput = z.infer<typeof containerInput>;

export const offHeatInput = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('half-up') }),
  z.strictObject({ kind: z.literal('all-up') }),
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

export const nurseryInput = z.strictObject({
  version,
  name: shortText('name', 80),
  placeName: freeText('place', 80),
  latitude_deg: figure('latitude', -90, 90),
  longitude_deg: figure('longitude', -180, 180),
  timeZone,
  temperatureUnit: z.enum(['C', 'F']),
  lengthUnit: z.enum(['cm', 'in']),
  firstWeekday: wholeNumber('first weekday', 1, 7),
  lastFrost: monthDay('mean last frost'),
  firstFrost: monthDay('mean first frost'),
  spare_frac: figure('spare share', 0, 3),
  offHeat: offHeatInput,
});
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
