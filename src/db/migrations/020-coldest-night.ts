import type { Sequelize } from 'sequelize';

/** The coldest night of a usual year, from which the spread of nights is taken where there are only normals; null: not said. */
export async function up(db: Sequelize): Promise<void> {
  await db.query('ALTER TABLE nursery ADD COLUMN coldest_c double precision CHECK (coldest_c BETWEEN -60 AND 25);');
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('ALTER TABLE nursery DROP COLUMN coldest_c;');
}
