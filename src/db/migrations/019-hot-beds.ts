import type { Sequelize } from 'sequelize';

/** Places on a mat or a hot bed; what was done to a hot bed and read of it by a stick thermometer: append-only, with who did it. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE places
      DROP CONSTRAINT places_temperature_check,
      ADD CONSTRAINT places_temperature_check
        CHECK (temperature->>'kind' IN ('written', 'set-point', 'outside', 'mat', 'hot-bed'));
    CREATE TABLE hot_bed_log (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      idempotency_key text NOT NULL UNIQUE CHECK (length(idempotency_key) BETWEEN 8 AND 100),
      request_hash text NOT NULL,
      place_id integer NOT NULL REFERENCES places ON DELETE CASCADE,
      kind text NOT NULL CHECK (kind IN ('built', 'turned', 'read', 'withdrawn')),
      on_day date NOT NULL,
      medium_c double precision CHECK (medium_c BETWEEN -30 AND 90),
      spot text NOT NULL DEFAULT 'middle' CHECK (spot IN ('middle', 'edge', 'hottest')),
      by_whom text NOT NULL CHECK (length(by_whom) BETWEEN 1 AND 60),
      corrects_id integer UNIQUE REFERENCES hot_bed_log,
      recorded_at timestamptz NOT NULL DEFAULT now(),
      CHECK ((kind = 'read') = (medium_c IS NOT NULL)),
      CHECK ((kind = 'withdrawn') = (corrects_id IS NOT NULL))
    );
    CREATE INDEX hot_bed_log_place ON hot_bed_log (place_id, on_day);
    CREATE TRIGGER hot_bed_log_append_only BEFORE UPDATE OR DELETE ON hot_bed_log
      FOR EACH ROW EXECUTE FUNCTION log_is_append_only();
    CREATE TRIGGER hot_bed_log_revision AFTER INSERT OR UPDATE OR DELETE OR TRUNCATE ON hot_bed_log
      FOR EACH STATEMENT EXECUTE FUNCTION bump_revision();
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(`
    DROP TABLE hot_bed_log;
    UPDATE places SET temperature = '{"kind": "written"}' WHERE temperature->>'kind' IN ('mat', 'hot-bed');
    ALTER TABLE places
      DROP CONSTRAINT places_temperature_check,
      ADD CONSTRAINT places_temperature_check CHECK (temperature->>'kind' IN ('written', 'set-point', 'outside'));
  `);
}
