import type { Sequelize, Transaction } from 'sequelize';
import { SAME_WATERING_ms, standingLines } from '../../core/watering/waterLine.ts';
import type { ScaleState } from '../../core/watering/scale.ts';
import { inTransaction } from '../inTransaction.ts';
import { rows } from '../sql.ts';
import { insertWaterLines, lockWater, waterLinesByKey, waterLinesOf, type NewWaterLine } from './water.ts';

/** The last weight of a scale. */
export interface ScaleWeight {
  readonly at_ms: number;
  readonly gross_g: number;
  readonly state: ScaleState;
}

/** The last weight of each scale that was ever heard. */
export async function readScaleWeights(db: Sequelize): Promise<ReadonlyMap<number, ScaleWeight>> {
  const found = await rows(db, 'SELECT scale_id, at, gross_g, state FROM scale_weights', []);
  return new Map(
    found.map((row) => [
      row['scale_id'] as number,
      {
        at_ms: new Date(row['at'] as string).getTime(),
        gross_g: row['gross_g'] as number,
        state: row['state'] as ScaleState,
      },
    ]),
  );
}

/**
 * Takes a weight: what it comes to is worked out from the last one and written with it, all or nothing. The same reading twice writes once,
 * and a watering that a hand has written within the last minutes is not written again.
 * @param say what is to be written, by what was kept
 */
export async function takeWeight(
  db: Sequelize,
  scaleId: number,
  { at_ms, gross_g }: { readonly at_ms: number; readonly gross_g: number },
  say: (before: ScaleState | null) => { readonly state: ScaleState; readonly lines: readonly NewWaterLine[] },
): Promise<void> {
  await inTransaction(db, async (transaction) => {
    await lockWater(db, transaction);
    const [row] = await rows(
      db,
      'SELECT state FROM scale_weights WHERE scale_id = $1 FOR UPDATE',
      [scaleId],
      transaction,
    );
    const { state, lines } = say((row?.['state'] as ScaleState | undefined) ?? null);
    // Nothing newer than what is kept.
    if (state.at_ms !== at_ms) return;
    await db.query(
      `INSERT INTO scale_weights (scale_id, at, gross_g, state) VALUES ($1, $2, $3, $4)
       ON CONFLICT (scale_id) DO UPDATE SET at = excluded.at, gross_g = excluded.gross_g, state = excluded.state`,
      { bind: [scaleId, new Date(at_ms), gross_g, JSON.stringify(state)], transaction },
    );
    for (const line of lines) {
      if ((await waterLinesByKey(line.idempotencyKey, transaction)).length > 0) continue;
      if (line.kind === 'watered' && (await wateredBy(line, transaction))) continue;
      await insertWaterLines([line], transaction);
    }
  });
}

async function wateredBy({ batchId, at_ms }: NewWaterLine, transaction: Transaction): Promise<boolean> {
  const lines = standingLines(await waterLinesOf([batchId!], at_ms - SAME_WATERING_ms, transaction));
  return lines.some((line) => line.kind === 'watered' && Math.abs(line.at_ms - at_ms) <= SAME_WATERING_ms);
}
