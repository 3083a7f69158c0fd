import { isoFromDay } from '../../../../core/calendar/dayNumber.ts';
import { batchPatch } from '../../../../contracts/batch/batches.ts';
import { batchAnswer } from '../../../../server/batch/batchAnswer.ts';
import { patchBatch } from '../../../../server/batch/changeBatches.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { batchIn, readSeason } from '../../../../server/plan/season.ts';

export const GET = endpoint(async (context) => {
  const view = batchIn(await readSeason(), idParam(context));
  const log = view.events.map(({ day, recordedAt_ms, snapshot: _snapshot, ...event }) => ({
    ...event,
    day: isoFromDay(day),
    recordedAt: new Date(recordedAt_ms).toISOString(),
  }));
  return json({ ...batchAnswer(view), log });
});

export const PATCH = endpoint(async (context) => {
  const batch = await patchBatch(idParam(context), await body(context, batchPatch));
  return json({ id: batch.id, version: batch.version });
});
