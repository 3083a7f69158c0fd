import type { Sequelize } from 'sequelize';

/**
 * Bands of a crop's stages that are set otherwise than they follow from the rest, the stage from which it may stand in the
 * open air, and how the house wants its seasons planned.
 */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE crops
      ADD COLUMN bands jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(bands) = 'object'),
      ADD COLUMN open_air_from text CHECK (open_air_from IN ('germinate', 'grow', 'pot', 'space', 'harden'));
    ALTER TABLE nursery
      ADD COLUMN planning jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(planning) = 'object');
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE crops DROP COLUMN bands, DROP COLUMN open_air_from;
    ALTER TABLE nursery DROP COLUMN planning;
  `);
}
