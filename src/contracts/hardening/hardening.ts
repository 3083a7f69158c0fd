import { z } from 'zod';
import {
  LEAST_FLOOR_C,
  leastDays,
  MOST_FLOOR_C,
  PROGRAMME_KINDS,
  RUNG_COVERS,
  type Rung,
} from '../../core/hardening/programme.ts';
import { GLAZINGS, NIGHT_COVERS, STRUCTURE_KINDS } from '../../core/heat/structure.ts';
import { LID_SCHOOLS } from '../../core/heat/lid.ts';
import { GATE_KEYS, GATE_MODES } from '../../core/planting/gates.ts';
import { figure, freeText, recordId, shortText, temperature_C, version, wholeNumber } from '../fields.ts';
import type { CoverRecord } from '../../core/hardening/records.ts';
import { WORDS } from '../../words/en/hardening/hardening.ts';

const share = (name: string) => figure(name, 0, 1);

/** A frame, tunnel or small house as it is built. */
export const structureInput = z
  .strictObject({
    kind: z.enum(STRUCTURE_KINDS),
    length_m: figure(WORDS.lengthInM, 0.3, 200),
    width_m: figure(WORDS.widthInM, 0.3, 50),
    height_m: figure(WORDS.meanHeightInM, 0.1, 8),
    glazing: z.enum(GLAZINGS),
    sidesGlazed_frac: share(WORDS.shareOfTheSidesGlazed),
    water_L: figure(WORDS.waterInLitres, 0, 100_000),
    bricks_kg: figure(WORDS.bricksInKg, 0, 100_000),
    hotBed_W_m2: figure(WORDS.hotBedInWPer, 0, 200),
    steps: z
      .array(z.strictObject({ name: shortText(WORDS.nameOfTheStep, 40), open_frac: share(WORDS.shareOpen) }))
      .min(2, { error: WORDS.stepsShutAndAtLeast })
      .max(8, { error: WORDS.stepsAtMost8 })
      .refine((steps) => steps.every((s, i) => (i === 0 ? s.open_frac === 0 : s.open_frac > steps[i - 1]!.open_frac)), {
        error: WORDS.stepsTheFirstIsShut,
      }),
    opening_m2: figure(WORDS.wholeOpeningInM2, 0.01, 2000),
    night: z.enum(NIGHT_COVERS),
    heater: z
      .strictObject({ power_W: figure(WORDS.heaterInW, 10, 200_000), set_C: temperature_C(WORDS.heaterSet) })
      .nullable(),
    fan: z
      .strictObject({ flow_m3_h: figure(WORDS.fanInM3AnHour, 10, 500_000), set_C: temperature_C(WORDS.fanSet) })
      .nullable(),
    shade_frac: figure('shade', 0, 0.95),
  })
  .superRefine((spec, ctx) => {
    if (spec.opening_m2 > 3 * spec.length_m * spec.width_m)
      ctx.addIssue({
        code: 'custom',
        path: ['opening_m2'],
        message: WORDS.wholeOpeningMoreThanThree,
      });
  });

export const coverInput = z
  .strictObject({
    name: shortText('name', 80),
    layers: wholeNumber('layers', 1, 4),
    worth_K: figure(WORDS.worthOnTheNightIn, -2, 20),
    /** Soil at 10 cm under it is warmer by so much when it has lain for a fortnight. */
    soil_K: figure(WORDS.soilWarmerByInDegrees, 0, 15).default(0),
    toHand_m2: figure(WORDS.toHandInM2, 0, 100_000),
    placeId: recordId('place').nullable(),
    structure: structureInput.nullable(),
    note: freeText('note', 500),
  })
  .superRefine((cover, ctx) => {
    if (cover.structure && cover.placeId === null)
      ctx.addIssue({
        code: 'custom',
        path: ['placeId'],
        message: WORDS.placeSayWhichPlaceOf,
      });
  });
export type CoverInput = z.infer<typeof coverInput>;
/** A cover of a seed, its place by the seed's number. */
export interface SeedCover extends Omit<CoverRecord, 'version' | 'placeId'> {
  readonly place: number | null;
}

export const rungInput = z.strictObject({
  words: shortText('words', 120),
  placeId: recordId('place').nullable(),
  hours_h: figure(WORDS.hoursOut, 0.5, 24),
  sun_frac: share(WORDS.shareOfSun),
  lid_frac: share(WORDS.shareOfTheLid).nullable(),
  floor_C: figure(WORDS.lowestTemperatureInDegreesC, LEAST_FLOOR_C, MOST_FLOOR_C),
  gust_m_s: figure(WORDS.strongestGustInMS, 3, 40),
  cover: z.enum(RUNG_COVERS),
  days: wholeNumber('days', 1, 30),
});

const MOST_DAYS = 90;
export const programmeInput = z.strictObject({
  name: shortText('name', 80),
  kind: z.enum(PROGRAMME_KINDS),
  rungs: z
    .array(rungInput)
    .min(1, { error: WORDS.stepsAtLeastOne })
    .max(30, { error: WORDS.stepsAtMost30 })
    .refine((rungs) => leastDays(rungs as readonly Rung[]) <= MOST_DAYS, {
      error: WORDS.stepsTogetherMoreThanDays(MOST_DAYS),
    }),
});
export type ProgrammeInput = z.infer<typeof programmeInput>;
const gateMode = z.enum(GATE_MODES, { error: WORDS.gateOneOf(GATE_MODES.join(', ')) });
export const gateModes = z.strictObject(
  Object.fromEntries(GATE_KEYS.map((key) => [key, gateMode])) as Record<(typeof GATE_KEYS)[number], typeof gateMode>,
);
const distance = z.strictObject({
  plant_cm: figure(WORDS.betweenPlantsInCm, 1, 1000),
  row_cm: figure(WORDS.betweenRowsInCm, 1, 1000),
});

/** How the house hardens and plants out. */
export const plantingSettingsInput = z.strictObject({
  /** Of the nursery's settings. */
  version,
  modes: gateModes,
  rules: z.strictObject({
    nights: wholeNumber(WORDS.nightsInARow, 1, 30),
    soil_days: wholeNumber(WORDS.daysTheSoilIsWarm, 1, 30),
    frost_frac: figure(WORDS.oddsOfFrost, 0.01, 0.9),
    ahead_days: wholeNumber(WORDS.daysLookedAheadForFrost, 1, 10),
    storm_days: wholeNumber(WORDS.daysLookedAheadForStorms, 1, 10),
    storm_m_s: figure(WORDS.strongestGustInMS, 5, 40),
  }),
  home: z
    .strictObject({ from_h: wholeNumber(WORDS.homeFrom, 0, 23), to_h: wholeNumber(WORDS.homeTo, 1, 24) })
    .refine((home) => home.to_h > home.from_h, { error: WORDS.homeToAfterHomeFrom, path: ['to_h'] }),
  carrying: z.strictObject({
    trays_per_trip: wholeNumber(WORDS.traysPerTrip, 1, 200),
    trip_min: figure(WORDS.minutesPerTrip, 0.1, 60),
  }),
  caution: figure('caution', 0, 2),
  layerSchool: z.enum(['degrees', 'weeks']),
  layer_weeks: figure(WORDS.weeksOfALayer, 0, 10),
  lidSchool: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal(LID_SCHOOLS[0]) }),
    z.strictObject({ kind: z.literal(LID_SCHOOLS[1]), at_C: temperature_C(WORDS.openAboveOutside) }),
    z.strictObject({ kind: z.literal(LID_SCHOOLS[2]), at_C: temperature_C(WORDS.openAboveInside) }),
  ]),
  unlikely_frac: figure(WORDS.unlikelyBelow, 0.05, 0.9),
  spacing: z.record(z.string().max(80), distance).refine((all) => Object.keys(all).length <= 300, {
    error: WORDS.spacingAtMost300Crops,
  }),
});
export type PlantingSettingsInput = z.infer<typeof plantingSettingsInput>;
