import type { Sequelize } from 'sequelize';

/** How the site lies in the wind, and how many of its last years are gone by (null: all). */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE nursery
      ADD COLUMN exposure text CHECK (exposure IN ('sheltered', 'open', 'exposed')),
      ADD COLUMN climate_years integer CHECK (climate_years BETWEEN 5 AND 60);
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('ALTER TABLE nursery DROP COLUMN exposure, DROP COLUMN climate_years;');
}
