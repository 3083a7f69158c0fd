import { z } from 'zod';
import { HEAPS, MOISTURES, SPOTS } from '../../core/heat/hotBed.ts';
import { MATERIAL_KEYS, type MaterialKey } from '../../core/heat/materials.ts';
import { figure, isoDay, monthDay, recordId, shortText, temperature_C } from '../fields.ts';
import { WORDS } from '../../words/en/heat/warmth.ts';

/** A layer of a bench or under a mat. */
export const layerInput = z.strictObject({
  material: z.enum(MATERIAL_KEYS as [MaterialKey, ...MaterialKey[]], { error: WORDS.materialChooseOne }),
  thickness_m: figure(WORDS.thicknessInMetres, 0.0005, 2),
});

const matRoom = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('kept'),
    day_C: temperature_C(WORDS.roomByDay),
    night_C: temperature_C(WORDS.roomByNight),
  }),
  z.strictObject({
    kind: z.literal('outside'),
    plusDay_K: figure(WORDS.aboveOutsideByDay, -10, 30),
    plusNight_K: figure(WORDS.aboveOutsideByNight, -10, 30),
  }),
]);

export const placeMatInput = z.strictObject({
  power_W: figure(WORDS.wattsOfTheMat, 1, 5000),
  length_m: figure(WORDS.lengthOfTheMat, 0.1, 20),
  width_m: figure(WORDS.widthOfTheMat, 0.1, 5),
  under_frac: figure(WORDS.shareOfTheTraysOver, 0.1, 1),
  below: z.array(layerInput).max(4, { error: WORDS.atMost4Layers }),
  rack_mm: figure('rack', 0, 100),
  covered: z.boolean(),
  measured_K: figure(WORDS.mediumAboveTheRoomAs, 0, 40).nullable(),
  room: matRoom,
});

export const placeBedInput = z.strictObject({
  buildOn: monthDay(WORDS.builtOn),
  length_m: figure(WORDS.lengthOfTheBed, 0.3, 60),
  width_m: figure(WORDS.widthOfTheBed, 0.3, 20),
  height_m: figure(WORDS.depthOfTheHeap, 0.1, 2),
  made: z.enum(HEAPS, { error: WORDS.madeOfChooseOne }),
  moisture: z.enum(MOISTURES, { error: WORDS.wetnessChooseOne }),
  plusDay_K: figure(WORDS.aboveOutsideByDay, -5, 30),
  plusNight_K: figure(WORDS.aboveOutsideByNight, -5, 30),
  backup_C: temperature_C(WORDS.cableHolds).nullable(),
});

/** How a place comes by its temperature, as it crosses the edge. */
export const placeTemperature = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('written') }),
  z.strictObject({
    kind: z.literal('set-point'),
    levels_C: z
      .array(temperature_C('set-point'))
      .min(1, { error: WORDS.setPointsGiveAtLeast })
      .max(12, { error: WORDS.setPointsAtMost12 }),
    usual_C: temperature_C(WORDS.usualSetPoint).nullable(),
    nightDrop_K: figure(WORDS.coolerByNight, 0, 20),
    unheatedPlus_K: figure(WORDS.aboveOutsideWhenNotHeated, -5, 25),
    loss_W_per_K: figure(WORDS.heatLostForEachDegree, 0, 5000),
  }),
  z.strictObject({
    kind: z.literal('outside'),
    plusDay_K: figure(WORDS.aboveOutsideByDay, -10, 30),
    plusNight_K: figure(WORDS.aboveOutsideByNight, -10, 30),
  }),
  z.strictObject({ kind: z.literal('mat'), mat: placeMatInput }),
  z.strictObject({ kind: z.literal('hot-bed'), bed: placeBedInput }),
]);

/** A line of a hot bed's log. */
export const hotBedLineInput = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.enum(['built', 'turned']), ...lineOf() }),
  z.strictObject({
    kind: z.literal('read'),
    ...lineOf(),
    medium_C: figure(WORDS.mediumInDegreesC, -30, 90),
    spot: z.enum(SPOTS).default('middle'),
  }),
  z.strictObject({ kind: z.literal('withdrawn'), ...lineOf(), correctsId: recordId('line') }),
]);
export type HotBedLineInput = z.infer<typeof hotBedLineInput>;

function lineOf() {
  return { idempotencyKey: z.uuid({ error: 'key: a UUID' }), on: isoDay('day'), by: shortText('who', 60) };
}
