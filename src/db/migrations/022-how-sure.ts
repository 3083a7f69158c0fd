import type { Sequelize } from 'sequelize';

/** How sure a batch is to be ready in its days, where it is otherwise than the house has it. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`ALTER TABLE batches ADD COLUMN sure_frac double precision CHECK (sure_frac BETWEEN 0.5 AND 0.9)`);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('ALTER TABLE batches DROP COLUMN sure_frac');
}
