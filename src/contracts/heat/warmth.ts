import { z } from 'zod';
import { HEAPS, MOISTURES, SPOTS } from '../../core/heat/hotBed.ts';
import { MATERIAL_KEYS, type MaterialKey } from '../../core/heat/materials.ts';
import { figure, isoDay, monthDay, recordId, shortText, temperature_C } from '../fields.ts';

/** A layer of a bench or under a mat. */
export const layerInput = z.strictObject({
  material: z.enum(MATERIAL_KEYS as [MaterialKey, ...MaterialKey[]], { error: 'material: choose one' }),
  thickness_m: figure('thickness in metres', 0.0005, 2),
});

const matRoom = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('kept'),
    day_C: temperature_C('room by day'),
    night_C: temperature_C('room by night'),
  }),
  z.strictObject({
    kind: z.literal('outside'),
    plusDay_K: figure('above outside by day', -10, 30),
    plusNight_K: figure('above outside by night', -10, 30),
  }),
]);

export const placeMatInput = z.strictObject({
  power_W: figure('watts of the mat', 1, 5000),
  length_m: figure('length of the mat', 0.1, 20),
  width_m: figure('width of the mat', 0.1, 5),
  under_frac: figure('share of the trays over the mat', 0.1, 1),
  below: z.array(layerInput).max(4, { error: 'at most 4 layers' }),
  rack_mm: figure('rack', 0, 100),
  covered: z.boolean(),
  measured_K: figure('medium above the room as measured', 0, 40).nullable(),
  room: matRoom,
});

export const placeBedInput = z.strictObject({
  buildOn: monthDay('built on'),
  length_m: figure('length of the bed', 0.3, 60),
  width_m: figure('width of the bed', 0.3, 20),
  height_m: figure('depth of the heap', 0.1, 2),
  made: z.enum(HEAPS, { error: 'made of: choose one' }),
  moisture: z.enum(MOISTURES, { error: 'wetness: choose one' }),
  plusDay_K: figure('above outside by day', -5, 30),
  plusNight_K: figure('above outside by night', -5, 30),
  backup_C: temperature_C('cable holds').nullable(),
});

/** How a place comes by its temperature, as it crosses the edge. */
export const placeTemperature = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('written') }),
  z.strictObject({
    kind: z.literal('set-point'),
    levels_C: z
      .array(temperature_C('set-point'))
      .min(1, { error: 'set-points: give at least one it may be set to' })
      .max(12, { error: 'set-points: at most 12' }),
    usual_C: temperature_C('usual set-point').nullable(),
    nightDrop_K: figure('cooler by night', 0, 20),
    unheatedPlus_K: figure('above outside when not heated', -5, 25),
    loss_W_per_K: figure('heat lost for each degree', 0, 5000),
  }),
  z.strictObject({
    kind: z.literal('outside'),
    plusDay_K: figure('above outside by day', -10, 30),
    plusNight_K: figure('above outside by night', -10, 30),
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
    medium_C: figure('medium in degrees C', -30, 90),
    spot: z.enum(SPOTS).default('middle'),
  }),
  z.strictObject({ kind: z.literal('withdrawn'), ...lineOf(), correctsId: recordId('line') }),
]);
export type HotBedLineInput = z.infer<typeof hotBedLineInput>;

function lineOf() {
  return { idempotencyKey: z.uuid({ error: 'key: a UUID' }), on: isoDay('day'), by: shortText('who', 60) };
}
