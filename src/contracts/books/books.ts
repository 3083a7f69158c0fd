import { z } from 'zod';
import { dayFromIso, weekdayOf } from '../../core/calendar/dayNumber.ts';
import { countFault } from '../../core/germination/indices.ts';
import { CONTAINER_KINDS } from '../../core/books/container.ts';
import { TREATMENTS } from '../../core/books/records.ts';
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
} from '../fields.ts';
import { placeTemperature } from '../heat/warmth.ts';

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

/** A line is retired, or brought back, if it still is as it was read. */
export const retireInput = z.strictObject({
  version,
  retired: z.boolean({ error: 'retired: true to retire it, false to bring it back' }),
});
