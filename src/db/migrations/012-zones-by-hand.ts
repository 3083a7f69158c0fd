import type { Sequelize } from 'sequelize';

/** Heated zones without a controller, and temperatures of zones read by hand. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE heat_zones ALTER COLUMN device DROP NOT NULL;
    CREATE TABLE zone_hand_readings (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      idempotency_key text NOT NULL UNIQUE CHECK (length(idempotency_key) BETWEEN 8 AND 100),
      request_hash text NOT NULL,
      zone_id integer NOT NULL REFERENCES heat_zones ON DELETE CASCADE,
      at timestamptz NOT NULL,
      medium_c double precision CHECK (medium_c BETWEEN -30 AND 70),
      air_c double precision CHECK (air_c BETWEEN -30 AND 70),
      by_whom text NOT NULL CHECK (length(by_whom) BETWEEN 1 AND 60),
      corrects_id integer UNIQUE REFERENCES zone_hand_readings,
      recorded_at timestamptz NOT NULL,
      CHECK (medium_c IS NOT NULL OR air_c IS NOT NULL OR corrects_id IS NOT NULL)
    );
    CREATE INDEX zone_hand_readings_zone ON zone_hand_readings (zone_id, at);
    CREATE TRIGGER zone_hand_readings_append_only BEFORE UPDATE OR DELETE ON zone_hand_readings
      FOR EACH ROW EXECUTE FUNCTION log_is_append_only();
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(`
    DROP TABLE zone_hand_readings;
    UPDATE heat_zones SET device = 'by-hand-' || id WHERE device IS NULL;
    ALTER TABLE heat_zones ALTER COLUMN device SET NOT NULL;
  `);
}
