import type { z } from 'zod';
import { isInUse } from '../../core/books/inUse.ts';
import { isOver } from '../../core/batch/event.ts';
import { shareByWeight, WEIGHTS } from '../../core/watering/trayWater.ts';
import { SAME_WATERING_ms, standingLines } from '../../core/watering/waterLine.ts';
import { fieldProblem, ProblemError } from '../../contracts/problem.ts';
import type { waterInput } from '../../contracts/watering/water.ts';
import { ageOfWrite_ms, inTransaction } from '../../db/inTransaction.ts';
import {
  insertWaterLines,
  lockWater,
  waterLine,
  waterLinesByKey,
  waterLinesOf,
  type NewWaterLine,
} from '../../db/watering/water.ts';
import type { In } from '../../db/sql.ts';
import { insertStockMoves, stockOfWater } from '../../db/potting/potting.ts';
import type { Season } from '../../core/plan/season.ts';
import { WORDS } from '../../words/en/watering/logWater.ts';
import { feedGiven, feedItem } from './feeding.ts';
import { tappedAt, tappedOrNow } from '../batch/changeBatches.ts';
import { database } from '../database.ts';
import { readForLog, readSeason } from '../plan/season.ts';
import { hashOf } from '../requestHash.ts';
import { waterNow } from './waterNow.ts';

const MINUTE_ms = 60_000;

/** What became of a line of water. */
export interface WaterLogged {
  readonly lineIds: readonly number[];
  /** Batches left out: watered within the last minutes, by whomever. */
  readonly skipped: readonly number[];
  readonly repeated: boolean;
}

/** Writes water, looks, a weight or a reading, for each batch named. The same key twice writes once. */
export async function logWater(input: z.output<typeof waterInput>): Promise<WaterLogged> {
  // A weight is held against the last one, which may have been written a moment ago.
  const season = await (input.kind === 'weighed' ? readSeason() : readForLog());
  const { world, now } = season;
  const requestHash = hashOf(input);
  const views = input.batchIds.map((id, i) => {
    const view = season.batches.find(({ batch }) => batch.id === id);
    if (!view) throw fieldProblem(`batchIds.${i}`, WORDS.noSuchBatch(id));
    if (view.state.phase === 'planned') throw fieldProblem(`batchIds.${i}`, WORDS.notSownYet(view.batch.code));
    if (isOver(view.state.phase)) throw fieldProblem(`batchIds.${i}`, WORDS.isOver(view.batch.code));
    return view;
  });
  const place = world.places.find(({ id }) => id === input.placeId);
  if (input.placeId !== null && !(place && isInUse(place))) throw fieldProblem('placeId', WORDS.noSuchPlace);
  if (input.minute !== null && input.minute > now.minute) throw fieldProblem('minute', WORDS.stillToCome);
  const at_ms =
    input.minute === null ? tappedOrNow(now.instant_ms) : now.instant_ms - (now.minute - input.minute) * MINUTE_ms;
  if (input.kind === 'weighed') requireWeight(season, input);
  return inTransaction(database(), async (transaction) => {
    await lockWater(database(), transaction);
    const known = await waterLinesByKey(input.idempotencyKey, transaction);
    if (known.length > 0) {
      if (known[0]!.requestHash !== requestHash) throw fieldProblem('idempotencyKey', WORDS.keyUsed);
      return { lineIds: known.map(({ id }) => id), skipped: [], repeated: true };
    }
    const { batchIds: _ids, fedIds, minute: _minute, ...line } = input;
    const one: Omit<NewWaterLine, 'batchId'> = {
      ...line,
      fed: false,
      scaleId: null,
      requestHash,
      at_ms,
      waited: 'tappedAt_ms' in tappedAt(ageOfWrite_ms(), now.instant_ms),
    };
    if (input.kind === 'withdrawn') {
      const of = await waterLine(input.correctsId!, transaction);
      if (!of || of.withdrawn || of.line.kind === 'withdrawn') throw fieldProblem('correctsId', WORDS.noSuchLine);
      const back = { ...one, batchId: of.line.batchId, placeId: of.line.placeId };
      // Feed that was not given after all is in the stock again.
      await insertStockMoves(
        database(),
        (await stockOfWater(database(), of.line.id, transaction)).map(({ itemId, amount }) => ({
          ...{ itemId, amount: -amount, kind: 'corrected' as const, day: now.today, note: '', eventId: null },
          ...{ key: `water ${of.line.id} back ${itemId}`, waterLineId: of.line.id },
        })),
        transaction,
      );
      return { lineIds: await insertWaterLines([back], transaction), skipped: [], repeated: false };
    }
    if (input.kind === 'air')
      return {
        lineIds: await insertWaterLines([{ ...one, batchId: null }], transaction),
        skipped: [],
        repeated: false,
      };
    const just = new Set(
      input.kind !== 'watered'
        ? []
        : standingLines(await waterLinesOf(input.batchIds, at_ms - SAME_WATERING_ms, transaction))
            .filter(({ kind, at_ms: when }) => kind === 'watered' && Math.abs(when - at_ms) <= SAME_WATERING_ms)
            .map(({ batchId }) => batchId!),
    );
    const kept = [...new Set(views.map(({ batch }) => batch.id))].filter((id) => !just.has(id));
    if (kept.length === 0) throw new ProblemError(409, WORDS.wateredAlready, WORDS.wateredJustNow);
    const trays = new Map(views.map((view) => [view.batch.id, traysOf(season, view.batch.id)]));
    const all = kept.reduce((sum, id) => sum + trays.get(id)!, 0);
    const lineIds = await insertWaterLines(
      kept.map((batchId) => ({
        ...one,
        batchId,
        placeId: null,
        fed: fedIds.includes(batchId),
        // What was given to all is shared out by trays.
        litres: input.litres === null ? null : (input.litres * trays.get(batchId)!) / all,
      })),
      transaction,
    );
    if (input.kind === 'watered')
      await takeFeed(
        season,
        kept.flatMap((batchId, i) =>
          fedIds.includes(batchId)
            ? [{ batchId, lineId: lineIds[i]!, litres: input.litres && (input.litres * trays.get(batchId)!) / all }]
            : [],
        ),
        transaction,
      );
    return { lineIds, skipped: [...just], repeated: false };
  });
}

/** What was given with the water is taken from the stock: by the litres typed, or those it was worked out to want. */
async function takeFeed(
  season: Season,
  fed: readonly { readonly batchId: number; readonly lineId: number; readonly litres: number | null }[],
  transaction: In,
): Promise<void> {
  const itemId = feedItem(season);
  if (itemId === null) return;
  const moves = fed.flatMap(({ batchId, lineId, litres }) => {
    const given = feedGiven(season, litres ?? waterNow(season).trays.get(batchId)?.litres ?? 0);
    if (!given) return [];
    const code = season.batches.find(({ batch }) => batch.id === batchId)?.batch.code ?? '';
    return [
      {
        ...{ itemId, kind: 'used' as const, amount: -given.amount, day: season.now.today, eventId: null },
        ...{ note: WORDS.fedWithWater(code), key: `water ${lineId} feed`, waterLineId: lineId },
      },
    ];
  });
  await insertStockMoves(database(), moves, transaction);
}

const traysOf = (season: Awaited<ReturnType<typeof readForLog>>, batchId: number): number =>
  waterNow(season).trays.get(batchId)?.tray.trays ?? 1;

/** @throws ProblemError for a weight that no tray of this batch can have */
function requireWeight(
  season: Awaited<ReturnType<typeof readForLog>>,
  { batchIds, weight_g }: z.output<typeof waterInput>,
): void {
  const tray = waterNow(season).trays.get(batchIds[0]!)?.tray;
  if (!tray || tray.full_g === null) return;
  const share = shareByWeight(weight_g!, tray.full_g, tray.holding.water_L);
  const empty_g = Math.round(tray.full_g - 1000 * tray.holding.water_L);
  if (share < WEIGHTS.least) throw fieldProblem('weight_g', WORDS.lighterThanEmpty(empty_g, Math.round(tray.full_g)));
  if (share > WEIGHTS.most) throw fieldProblem('weight_g', WORDS.heavierThanFull(Math.round(tray.full_g)));
}
