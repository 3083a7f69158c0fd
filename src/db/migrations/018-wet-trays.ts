import type { Sequelize } from 'sequelize';

/** How much cooler the medium of a wet tray is than the air of a place that is not heated; null: the usual of its kind. */
export async function up(db: Sequelize): Promise<void> {
  await db.query('ALTER TABLE places ADD COLUMN wet_k double precision CHECK (wet_k BETWEEN 0 AND 12);');
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('ALTER TABLE places DROP COLUMN wet_k;');
}
