import type { Sequelize, Transaction } from 'sequelize';
import { fieldProblem } from '../../contracts/problem.ts';

/**
 * Whether batches sent under a key are sent for the first time; sent again they count once.
 * @throws ProblemError 422 when the key was used for something else
 */
export async function firstTime(
  db: Sequelize,
  sent: { readonly key: string; readonly hash: string; readonly batches_count: number },
  transaction: Transaction,
): Promise<boolean> {
  const [rows] = await db.query(
    `INSERT INTO imports (idempotency_key, request_hash, batches_count) VALUES ($1, $2, $3)
     ON CONFLICT DO NOTHING RETURNING idempotency_key`,
    { bind: [sent.key, sent.hash, sent.batches_count], transaction },
  );
  if (rows.length > 0) return true;
  const [known] = await db.query('SELECT request_hash FROM imports WHERE idempotency_key = $1', {
    bind: [sent.key],
    transaction,
  });
  if ((known as { request_hash: string }[])[0]?.request_hash !== sent.hash)
    throw fieldProblem('idempotencyKey', 'This key was used for something else; use a fresh one.');
  return false;
}
