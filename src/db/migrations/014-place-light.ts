import type { Sequelize } from 'sequelize';

/** What light reaches the plants of a place: glazing, second film, shade, lamps; null: the usual of its kind. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE places ADD COLUMN light jsonb CHECK (
      light IS NULL OR (
        jsonb_typeof(light) = 'object'
        AND (light->>'through_frac')::double precision BETWEEN 0 AND 1
        AND (light->>'shade_frac')::double precision BETWEEN 0 AND 1
        AND (light->>'lamps_umol_m2_s')::double precision BETWEEN 0 AND 3000
        AND (light->>'lamps_h')::double precision BETWEEN 0 AND 24
      )
    );
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('ALTER TABLE places DROP COLUMN light');
}
