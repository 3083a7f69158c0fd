import type { Sequelize } from 'sequelize';

/** Daily weather of the site, and at which risk its frosts are taken. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    CREATE TABLE weather_days (
      on_day date PRIMARY KEY CHECK (on_day BETWEEN '1700-01-01' AND '2199-12-31'),
      least_c real CHECK (least_c BETWEEN -90 AND 60),
      most_c real CHECK (most_c BETWEEN -90 AND 60),
      rain_mm real CHECK (rain_mm BETWEEN 0 AND 2000),
      source text NOT NULL CHECK (length(source) BETWEEN 1 AND 120),
      CHECK (least_c <= most_c)
    );
    ALTER TABLE nursery ADD COLUMN frost jsonb CHECK (frost IS NULL OR jsonb_typeof(frost) = 'object');
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('DROP TABLE weather_days; ALTER TABLE nursery DROP COLUMN frost;');
}
