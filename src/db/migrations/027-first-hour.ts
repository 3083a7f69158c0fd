import type { Sequelize } from 'sequelize';

/**
 * Where the usual temperatures outside come from (typed, or a rough guess by latitude, height and sea), with what the guess goes by.
 */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`ALTER TABLE nursery
    ADD COLUMN outside_by text NOT NULL DEFAULT 'typed' CHECK (outside_by IN ('typed', 'guess')),
    ADD COLUMN height_m double precision CHECK (height_m BETWEEN -450 AND 6000),
    ADD COLUMN by_the_sea boolean;`);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('ALTER TABLE nursery DROP COLUMN outside_by, DROP COLUMN height_m, DROP COLUMN by_the_sea;');
}
