import type { Sequelize } from 'sequelize';

/** Imports done once (a repeated send is answered from here), and the secret part of the calendar feed's address. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    CREATE TABLE imports (
      idempotency_key text PRIMARY KEY CHECK (length(idempotency_key) BETWEEN 8 AND 100),
      request_hash text NOT NULL,
      batches_count integer NOT NULL CHECK (batches_count >= 0),
      done_at timestamptz NOT NULL DEFAULT now()
    );
    ALTER TABLE nursery ADD COLUMN feed_key text NOT NULL DEFAULT replace(gen_random_uuid()::text, '-', '');
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('ALTER TABLE nursery DROP COLUMN feed_key; DROP TABLE imports;');
}
