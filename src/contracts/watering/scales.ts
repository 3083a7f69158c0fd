import { z } from 'zod';
import { WORDS } from '../../words/en/watering/scales.ts';
import { figure, recordId, shortText, wholeNumber } from '../fields.ts';

/** A scale under trays of a batch. */
export const scaleInput = z.strictObject({
  name: shortText(WORDS.name, 60),
  device: z
    .string()
    .trim()
    .regex(/^[a-z0-9-]{1,40}$/, { error: WORDS.deviceLike }),
  batchId: recordId(WORDS.batch).nullable(),
  trays: wholeNumber(WORDS.trays, 1, 40),
  tare_g: figure(WORDS.tare, 0, 200_000),
});
export type ScaleInput = z.infer<typeof scaleInput>;

/** What a scale sends over MQTT (docs/DEVICES.md). */
export const weightMessage = z.object({
  seq: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER).optional(),
  at: z.iso.datetime({ offset: true }),
  weight_g: z.number().min(-1_000_000).max(1_000_000),
});
