import { z } from 'zod';
import type { Finding } from '../../core/heat/watch.ts';
import type { AlarmKind, Quiet } from '../../core/heat/alarms.ts';
import type { Sizing } from '../../core/heat/sizing.ts';
import type { Override } from '../../core/heat/setPoint.ts';
import type { Tariff } from '../../core/heat/cost.ts';
import { COVERS, HEATERS, type ZoneSpec } from '../../core/heat/zone.ts';
import { figure, freeText, recordId, shortText, version, wholeNumber } from '../fields.ts';
import { layerInput } from './warmth.ts';
import { WORDS } from '../../words/en/heat/heat.ts';

const cover = z.enum(COVERS as ['none', ...('fleece' | 'single' | 'double')[]], { error: WORDS.coverChooseOne });

/** A zone as it is built, as it crosses the edge. */
export const zoneSpec = z.strictObject({
  length_m: figure(WORDS.lengthInMetres, 0.1, 60),
  width_m: figure(WORDS.widthInMetres, 0.1, 20),
  heater: z.strictObject({
    kind: z.enum(HEATERS as ['mat', ...('cable' | 'slab' | 'water' | 'hot-bed')[]], { error: WORDS.heaterChooseOne }),
    power_W: figure(WORDS.powerInWatts, 1, 100_000),
  }),
  bed: layerInput,
  below: z.array(layerInput).max(8, { error: WORDS.atMost8Layers }),
  medium_m: figure(WORDS.depthOfTheMediumIn, 0.005, 0.5),
  air_m: figure(WORDS.heightOfTheAirIn, 0.02, 5),
  sides_m2K_W: figure(WORDS.resistanceOfTheSides, 0.05, 20),
  cover: z.strictObject({ day: cover, night: cover }),
  around: z.strictObject({
    plusDay_K: figure(WORDS.warmerThanOutsideByDay, -5, 40),
    plusNight_K: figure(WORDS.warmerThanOutsideByNight, -5, 40),
  }),
  sun_frac: figure(WORDS.shareOfTheSun, 0, 1),
  sensor: z.enum(['medium', 'bed', 'air'], { error: WORDS.sensorChooseOne }),
  thermostat: z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('on-off'),
      differential_K: figure('differential', 0.1, 10),
      minOn_s: wholeNumber(WORDS.leastTimeOn, 0, 3600),
      minOff_s: wholeNumber(WORDS.leastTimeOff, 0, 3600),
    }),
    z.strictObject({
      kind: z.literal('pi'),
      band_K: figure(WORDS.proportionalBand, 0.2, 20),
      reset_s: wholeNumber(WORDS.resetTime, 60, 86_400),
      cycle_s: wholeNumber('cycle', 60, 7200),
    }),
  ]),
  mostSet_C: figure(WORDS.highestSetPoint, 5, 45),
  cutOut_C: figure('cut-out', 10, 60),
  fit: z.strictObject({
    loss_factor: figure(WORDS.lossFactor, 0.1, 10),
    capacity_factor: figure(WORDS.capacityFactor, 0.1, 10),
  }),
});

export const zoneInput = z.strictObject({
  placeId: recordId('place'),
  /** null: no controller; run by the plan and by readings taken by hand. */
  device: z
    .string()
    .regex(/^[a-z0-9-]{1,40}$/, { error: WORDS.deviceSmallLettersFiguresAnd })
    .nullable(),
  spec: zoneSpec.refine((s) => s.cutOut_C > s.mostSet_C, {
    path: ['cutOut_C'],
    error: WORDS.cutOutAboveTheHighest,
  }),
});
export type ZoneInput = z.infer<typeof zoneInput>;
export const zonePatch = z.strictObject({ version, zone: zoneInput });

export const overrideInput = z.strictObject({
  idempotencyKey: z.uuid({ error: 'key: a UUID' }),
  /** null = off. */
  set_C: figure(WORDS.setPointInDegreesC, -10, 45).nullable(),
  hours: figure('hours', 0.25, 24 * 14),
  by: shortText('who', 60),
  why: freeText('why', 200),
});
export type OverrideInput = z.infer<typeof overrideInput>;

/** Temperatures of a zone read by hand; with correctsId they take that reading's place, without figures they withdraw it. */
export const handReadingInput = z
  .strictObject({
    idempotencyKey: z.uuid({ error: 'key: a UUID' }),
    /** Minutes before it is sent. */
    ago_min: wholeNumber(WORDS.minutesAgo, 0, 31 * 24 * 60),
    medium_C: figure(WORDS.mediumInDegreesC, -30, 70).nullable(),
    air_C: figure(WORDS.airInDegreesC, -30, 70).nullable(),
    by: shortText('who', 60),
    correctsId: recordId('reading').nullable().default(null),
  })
  .refine((r) => r.medium_C !== null || r.air_C !== null || r.correctsId !== null, {
    path: ['medium_C'],
    error: WORDS.mediumOrAirTypeAt,
  });
export type HandReadingInput = z.infer<typeof handReadingInput>;
export interface HandReading {
  readonly id: number;
  readonly zoneId: number;
  readonly at_ms: number;
  readonly medium_C: number | null;
  readonly air_C: number | null;
  readonly by: string;
}

export const takeInput = z.strictObject({ by: shortText('who', 60) });
export const calibrationInput = z.strictObject({
  method: z.enum(['ice', 'compare']),
  offset_K: figure(WORDS.offsetInKelvin, -10, 10),
  spread_K: figure(WORDS.spreadInKelvin, 0, 10),
  by: shortText('who', 60),
});
export type CalibrationInput = z.infer<typeof calibrationInput>;

/** Things of a simulated bench that can be broken. */
export const breakInput = z.strictObject({
  sensorOut: z.boolean().optional(),
  sensorStuck: z.boolean().optional(),
  heaterOpen: z.boolean().optional(),
  relayStuck: z.boolean().optional(),
  powerOff: z.boolean().optional(),
  lidOpen: z.boolean().optional(),
  lidShut: z.boolean().optional(),
  silent: z.boolean().optional(),
  inIce: z.boolean().optional(),
});
export type BreakInput = z.infer<typeof breakInput>;

export const heatSettingsInput = z.strictObject({
  version,
  tariff: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('flat'), price_kWh: figure(WORDS.priceOfAKwh, 0, 100) }),
    z.strictObject({
      kind: z.literal('day-night'),
      day_kWh: figure(WORDS.priceByDay, 0, 100),
      night_kWh: figure(WORDS.priceByNight, 0, 100),
      from_h: wholeNumber(WORDS.cheapFrom, 0, 23),
      to_h: wholeNumber(WORDS.cheapTo, 0, 23),
    }),
  ]),
  co2_kg_kWh: figure(WORDS.kgCo2AKwh, 0, 5),
  quiet: z.strictObject({
    from_h: wholeNumber(WORDS.quietFrom, 0, 23).nullable(),
    to_h: wholeNumber(WORDS.quietTo, 0, 23),
    repeat_min: wholeNumber(WORDS.repeatEvery, 1, 240),
  }),
  keep_months: wholeNumber(WORDS.monthsKept, 1, 240),
});

const seriesRole = z.enum(['medium', 'bed', 'air', 'heater', 'set']);
/** A reading on its way in: anything a device might send; what is not a temperature is sorted out later. */
const value = z.union([z.number(), z.null(), z.string().max(20)]);

/** What a controller sends about once a minute, docs/DEVICES.md. */
export const readingsMessage = z.object({
  seq: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER),
  at: z.iso.datetime({ offset: true }),
  values: z.partialRecord(z.union([seriesRole, z.literal('outside')]), value),
  mains: z.boolean().nullable().optional(),
  battery: z.number().min(0).max(1).nullable().optional(),
});
export type ReadingsMessage = z.infer<typeof readingsMessage>;

export const stateMessage = z.object({ online: z.boolean(), at: z.iso.datetime({ offset: true }).optional() });

/** What a controller is told, retained: it holds to the last it was told when it loses touch. */
export interface DeviceConfig {
  readonly seq: number;
  readonly set_C: number | null;
  /** Most share of the time the heater may be on, when its sensor is not believed here or by itself. */
  readonly safeDuty: number;
  readonly believe: boolean;
  readonly cutOut_C: number;
  readonly offset_K: number;
  readonly thermostat: ZoneSpec['thermostat'];
}

export const readingsImport = z.strictObject({
  csv: z.string().max(3_000_000),
  zoneId: recordId('zone'),
  timeColumn: z.string().max(100),
  timeZone: z.string().max(60),
  columns: z
    .array(
      z.strictObject({
        column: z.string().max(100),
        role: z.union([seriesRole, z.literal('outside')]),
        unit: z.enum(['C', 'F', 'share', 'percent']),
      }),
    )
    .min(1, { error: WORDS.columnsMatchAtLeastOne })
    .max(6),
  try: z.boolean(),
});
export type ReadingsImport = z.infer<typeof readingsImport>;

export type SeriesRole = z.infer<typeof seriesRole> | 'outside';

export interface ZoneRecord {
  readonly id: number;
  readonly version: number;
  readonly placeId: number;
  readonly device: string | null;
  readonly spec: ZoneSpec;
  readonly fitted: FittedRecord | null;
}
export interface FittedRecord {
  readonly loss_factor: number;
  readonly capacity_factor: number;
  readonly residual_K: number;
  readonly before_K: number;
  readonly hours: number;
  readonly words: string;
  /** Some of the nights: hours from the first, measured and predicted. */
  readonly trace?: readonly (readonly [hour: number, measured_C: number, predicted_C: number])[];
}
export interface SensorRecord {
  readonly id: number;
  readonly zoneId: number | null;
  readonly role: SeriesRole;
  readonly offset_K: number;
  readonly checkedOn: string | null;
  readonly dueOn: string | null;
}
export interface AlarmRecord {
  readonly id: number;
  readonly zoneId: number | null;
  readonly kind: AlarmKind;
  readonly raised_ms: number;
  readonly cleared_ms: number | null;
  readonly taken_ms: number | null;
  readonly takenBy: string | null;
  readonly sounded_ms: number | null;
  readonly evidence: Finding['evidence'];
}
export interface HeatSettings {
  readonly version: number;
  readonly tariff: Tariff;
  readonly co2_kg_kWh: number;
  readonly quiet: Quiet;
  readonly keep_months: number;
}
/** What the watch last said of a zone. */
export interface ZoneStatus {
  readonly at_ms: number;
  readonly x: readonly [bed_C: number, medium_C: number, air_C: number];
  readonly read: { readonly medium: number | null; readonly bed: number | null; readonly air: number | null };
  readonly around_C: number;
  readonly outside_C: number | null;
  readonly duty: number;
  readonly set_C: number | null;
  readonly believed: boolean;
  readonly mains: boolean | null;
  readonly night: boolean;
  readonly floor_C: number;
  readonly safeDuty: number | null;
}

/** One batch in a zone with its heat gone: hours until its medium is so cold that it is hurt; null = not in three days. */
export interface HarmLine {
  readonly batchId: number;
  readonly name: string;
  readonly harm_C: number;
  readonly bare_h: number | null;
  readonly hours: number | null;
  readonly more_h: number | null;
}
export interface HeatTotals {
  readonly kWh: number;
  readonly money: number;
  readonly co2_kg: number;
  /** Hours with readings. */
  readonly hours: number;
}
export interface ZoneCard {
  readonly id: number;
  readonly name: string;
  readonly placeId: number;
  readonly status: ZoneStatus | null;
  readonly set_C: number | null;
  readonly setWhy: string;
  readonly setFrom: 'override' | 'plan' | 'off';
  readonly alarms: readonly AlarmKind[];
  /** It has no controller: what is shown of it was read by hand. */
  readonly byHand: boolean;
  /** Its steering sensor was never checked. */
  readonly unverified: boolean;
}
export interface ZoneView {
  readonly zone: ZoneRecord;
  readonly card: ZoneCard;
  readonly sizing: Sizing;
  readonly flows: { readonly up_W: number; readonly down_W: number } | null;
  readonly harm: readonly HarmLine[];
  readonly alarms: readonly AlarmRecord[];
  readonly totals: { readonly today: HeatTotals; readonly month: HeatTotals; readonly season: HeatTotals };
  readonly onToday: number | null;
  /** Read by hand, the newest first. */
  readonly hand: readonly HandReading[];
  readonly sensors: readonly SensorRecord[];
  readonly log: readonly {
    readonly at_ms: number;
    readonly set_C: number | null;
    readonly from: string;
    readonly by: string;
    readonly why: string;
  }[];
  readonly override: (Override & { readonly id: number }) | null;
  readonly whatIf: readonly {
    readonly words: string;
    readonly change_frac: number;
    readonly holds: boolean;
    readonly holdsTo_C: number;
  }[];
  readonly batches: readonly { readonly id: number; readonly name: string }[];
}

/** What came of a logger's file. */
export interface ReadingsReport {
  readonly lines: number;
  readonly readings: number;
  readonly written: number;
  readonly already: number;
  readonly from_ms: number | null;
  readonly to_ms: number | null;
  /** First lines that were left out, with the reason. */
  readonly left: readonly { readonly line: number; readonly why: string }[];
  readonly leftCount: number;
}
