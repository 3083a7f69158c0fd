import type { Sequelize } from 'sequelize';
import type { BatchRecord } from '../../core/batch/record.ts';
import { batchRecord } from '../house/world.ts';
import { ms, rows } from '../sql.ts';
import { BatchModel } from './models.ts';

/** A plan of a batch as it stood from an instant on. */
export interface PlanVersion {
  readonly version: number;
  readonly from_ms: number;
  readonly batch: BatchRecord;
  /** Person who wrote it; null: nobody said. */
  readonly authorId: number | null;
}

/** Every version of a batch's plan, the first first. What a column did not hold yet is as it usually is. */
export async function readPlanVersions(db: Sequelize, batchId: number): Promise<PlanVersion[]> {
  const found = await rows(
    db,
    'SELECT version, plan, at, author_id FROM plan_versions WHERE batch_id = $1 ORDER BY id',
    [batchId],
  );
  return found.map((row) => ({
    version: row['version'] as number,
    from_ms: ms(row['at'])!,
    authorId: row['author_id'] as number | null,
    batch: recordOf(row['plan'] as Readonly<Record<string, unknown>>),
  }));
}

/** A batch's row, kept by its column names, as a plain record. */
function recordOf(plan: Readonly<Record<string, unknown>>): BatchRecord {
  const values = Object.entries(BatchModel.getAttributes()).map(([name, { field, defaultValue }]) => {
    const value = plan[field ?? name];
    return [name, value ?? defaultValue ?? null] as const;
  });
  return batchRecord(Object.fromEntries(values) as unknown as BatchModel);
}
