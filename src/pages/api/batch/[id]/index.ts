import { isoFromDay } from '../../../../core/calendar/dayNumber.ts';
import { batchPatch } from '../../../../contracts/batch/batches.ts';
import type { EventRecord } from '../../../../core/batch/record.ts';
import { batchAnswer } from '../../../../server/batch/batchAnswer.ts';
import { patchBatch } from '../../../../server/batch/changeBatches.ts';
import { keptPageData } from '../../../../server/batch/keptPageData.ts';
import { body, endpoint, idParam, json } from '../../../../server/edge.ts';
import { voidedPageData } from '../../../../server/batch/voidedPageData.ts';
import { batchIn, readSeason } from '../../../../server/plan/season.ts';

const logOf = (events: readonly EventRecord[]) =>
  events.map(({ day, recordedAt_ms, snapshot: _snapshot, ...event }) => ({
    ...event,
    day: isoFromDay(day),
    recordedAt: new Date(recordedAt_ms).toISOString(),
  }));

export const GET = endpoint(async (context) => {
  const season = await readSeason();
  const id = idParam(context);
  const closed = await keptPageData(season, String(id));
  if (closed) return json({ ...closed, events: undefined, log: logOf(closed.events) });
  const voided = await voidedPageData(season, String(id));
  if (voided) return json({ ...voided, events: undefined, log: logOf(voided.events) });
  const view = batchIn(season, id);
  return json({ ...batchAnswer(view), log: logOf(view.events) });
});

export const PATCH = endpoint(async (context) => {
  const batch = await patchBatch(idParam(context), await body(context, batchPatch));
  return json({ id: batch.id, version: batch.version });
});
