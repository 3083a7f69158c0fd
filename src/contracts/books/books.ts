import { z } from 'zod';
import { dayFromIso, weekdayOf } from '../../core/calendar/dayNumber.ts';
import { countFault } from '../../core/germination/indices.ts';
import { WATER_BY } from '../../core/books/place.ts';
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
import { WORDS } from '../../words/en/books/books.ts';

/** A germination test; counts are in all, by days after it was laid out, and do not fall. */
export const lotTest = z
  .strictObject({
    on: isoDay(WORDS.dayOfTheTest),
    method: shortText(WORDS.howItWasTested, 60),
    seeds: wholeNumber(WORDS.seedsLaidOut, 1, 100_000),
    counts: z
      .array(z.strictObject({ day: wholeNumber('day', 0, 200), up: wholeNumber('up', 0, 100_000) }))
      .min(1, { error: WORDS.countsOneAtLeast })
      .max(60, { error: WORDS.countsAtMost60 }),
  })
  .superRefine((test, ctx) => {
    const fault = countFault(test.counts, test.seeds);
    if (fault) ctx.addIssue({ code: 'custom', path: ['counts', fault.at, 'up'], message: fault.reason });
  });

export const lotInput = z.strictObject({
  varietyId: recordId('variety'),
  code: shortText(WORDS.lotNumber, 60),
  receivedOn: isoDay('received').nullable(),
  germination_percent: figure('germination', 0, 300).nullable(),
  testedOn: isoDay('tested').nullable(),
  seeds_count: wholeNumber('seeds', 0, 100_000_000).nullable(),
  thousandSeed_g: figure(WORDS.weightOfAThousandSeeds, 0.001, 5000).nullable().default(null),
  weight_g: figure(WORDS.weightInHand, 0, 1_000_000).nullable().default(null),
  packet_seeds: wholeNumber(WORDS.seedsToAPacket, 1, 10_000_000).nullable().default(null),
  packet_price: figure(WORDS.priceOfAPacket, 0, 100_000).nullable().default(null),
  light: z.enum(['light', 'dark', 'neutral']).nullable().default(null),
  depth_mm: figure('depth', 0, 200).nullable().default(null),
  treatment: z.enum(TREATMENTS).default('none'),
  storage_C: temperature_C('store').nullable().default(null),
  moisture_percent: figure(WORDS.seedMoisture, 2, 25).nullable().default(null),
  tests: z.array(lotTest).max(60, { error: WORDS.testsAtMost60 }).default([]),
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
  error: WORDS.weekNameItByIts,
});

const placeSize = z.strictObject({
  x_m: figure(WORDS.metresFromTheLeft, 0, 500),
  y_m: figure(WORDS.metresFromTheBack, 0, 500),
  width_m: figure('width', 0.1, 200),
  depth_m: figure('depth', 0.1, 200),
  shelves: wholeNumber('shelves', 1, 20),
});

const placeLight = z.strictObject({
  through_frac: figure(WORDS.daylightThroughTheGlazing, 0, 1),
  secondFilm: z.boolean(),
  shade_frac: figure(WORDS.keptOutByShade, 0, 1),
  lamps_umol_m2_s: figure('lamps', 0, 3000),
  lamps_h: figure(WORDS.hoursOfLamps, 0, 24),
});

export const placeInput = z
  .strictObject({
    name: shortText('name', 60),
    kind: z.enum(PLACE_KINDS),
    lit: z.boolean(),
    room_trays: figure('room', 0, 100_000),
    walkOrder: wholeNumber(WORDS.walkingOrder, 1, 999),
    door: freeText('door', 40).optional(),
    level: wholeNumber('level', -5, 20).optional(),
    periods: z
      .array(period)
      .min(1, { error: WORDS.temperatureGiveAtLeastOne })
      .max(60, { error: WORDS.temperatureAtMost60Periods }),
    temperature: placeTemperature.default({ kind: 'written' }),
    setPoints: z
      .array(z.strictObject({ week, setPoint_C: temperature_C('set-point').nullable() }))
      .max(520, { error: WORDS.setPointsAtMostTen })
      .default([]),
    closed: z
      .array(z.strictObject({ from: isoDay(WORDS.closedFrom), to: isoDay(WORDS.closedTo) }))
      .max(60, { error: WORDS.closedDaysAtMost60 })
      .default([]),
    size: placeSize.nullable().default(null),
    light: placeLight.nullable().default(null),
    wet_K: figure(WORDS.howMuchCoolerAWet, 0, 12).nullable().default(null),
    waterBy: z.enum(WATER_BY).default('hand'),
  })
  .superRefine((place, ctx) => {
    const seen = new Set<string>();
    place.periods.forEach((p, i) => {
      if (seen.has(p.from))
        ctx.addIssue({
          code: 'custom',
          path: ['periods', i, 'from'],
          message: WORDS.twoPeriodsBeginOnThis,
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
          message: WORDS.writeSetPointsRisingEach,
        });
      if (temperature.usual_C !== null && !temperature.levels_C.includes(temperature.usual_C)) {
        ctx.addIssue({
          code: 'custom',
          path: ['temperature', 'usual_C'],
          message: WORDS.theUsualSetPointMust,
        });
      }
      place.setPoints.forEach(({ setPoint_C }, i) => {
        if (setPoint_C !== null && !temperature.levels_C.includes(setPoint_C))
          ctx.addIssue({
            code: 'custom',
            path: ['setPoints', i, 'setPoint_C'],
            message: WORDS.thisSetPointIsNot,
          });
      });
    }
    place.closed.forEach(({ from, to }, i) => {
      if (to < from) ctx.addIssue({ code: 'custom', path: ['closed', i, 'to'], message: WORDS.closedToNotBeforeThe });
    });
    if (place.kind === 'dark-chamber' && place.lit) {
      ctx.addIssue({
        code: 'custom',
        path: ['lit'],
        message: WORDS.aDarkChamberHasNo,
      });
    }
  });
export type PlaceInput = z.infer<typeof placeInput>;

export const containerInput = z
  .strictObject({
    name: shortText('name', 60),
    kind: z.enum(CONTAINER_KINDS),
    cells: wholeNumber('cells', 1, 2000),
    rows: wholeNumber(WORDS.rowsOfCells, 1, 200).nullable().default(null),
    perCarryingTray: wholeNumber(WORDS.potsToACarryingTray, 1, 500),
    footprint_slots: figure(WORDS.roomInTrays, 0.05, 20),
    volume_L: figure('litres', 0, 200),
    shape: potShape.default(null),
  })
  .refine(({ cells, rows }) => rows === null || cells % rows === 0, {
    path: ['rows'],
    error: WORDS.rowsOfCellsDoNotDivide,
  });
export type ContainerInput = z.infer<typeof containerInput>;

/** A line is retired, or brought back, if it still is as it was read. */
export const retireInput = z.strictObject({
  version,
  retired: z.boolean({ error: WORDS.retiredTrueToRetireIt }),
});
