import type { Sequelize } from 'sequelize';

/**
 * Photo notes of a batch, a place or an alarm. Like the logs they only grow, but for one change: the picture of one can be taken out,
 * which leaves the line with who did it and when.
 */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    CREATE TABLE photos (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      idempotency_key text NOT NULL UNIQUE CHECK (length(idempotency_key) BETWEEN 8 AND 64),
      request_hash text NOT NULL,
      batch_id integer REFERENCES batches,
      place_id integer REFERENCES places,
      alarm_id integer REFERENCES alarms,
      on_day date NOT NULL CHECK (on_day BETWEEN '1900-01-01' AND '2199-12-31'),
      note text NOT NULL DEFAULT '' CHECK (length(note) <= 500),
      width integer NOT NULL CHECK (width BETWEEN 1 AND 4000),
      height integer NOT NULL CHECK (height BETWEEN 1 AND 4000),
      jpeg bytea CHECK (length(jpeg) BETWEEN 100 AND 1500000),
      recorded_at timestamptz NOT NULL DEFAULT now(),
      author_id integer DEFAULT writing_person() REFERENCES people,
      waited boolean NOT NULL DEFAULT false,
      tapped_at timestamptz,
      removed_at timestamptz,
      removed_by integer REFERENCES people,
      CONSTRAINT photos_of_one CHECK (num_nonnulls(batch_id, place_id, alarm_id) = 1),
      CONSTRAINT photos_tapped CHECK (waited OR tapped_at IS NULL),
      CONSTRAINT photos_removed CHECK ((jpeg IS NULL) = (removed_at IS NOT NULL) AND (removed_by IS NULL OR removed_at IS NOT NULL))
    );
    CREATE INDEX photos_batch ON photos (batch_id, on_day);
    CREATE INDEX photos_place ON photos (place_id, on_day);
    CREATE INDEX photos_alarm ON photos (alarm_id);
    CREATE FUNCTION photos_only_removed() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'DELETE' OR OLD.jpeg IS NULL OR NEW.jpeg IS NOT NULL
          OR (to_jsonb(OLD) - 'jpeg' - 'removed_at' - 'removed_by') IS DISTINCT FROM (to_jsonb(NEW) - 'jpeg' - 'removed_at' - 'removed_by')
        THEN RAISE EXCEPTION 'of a photo only the picture can be taken out';
        END IF;
        RETURN NEW;
      END $$;
    CREATE TRIGGER photos_only_removed BEFORE UPDATE OR DELETE ON photos
      FOR EACH ROW EXECUTE FUNCTION photos_only_removed();
    CREATE TRIGGER photos_revision AFTER INSERT OR UPDATE ON photos
      FOR EACH STATEMENT EXECUTE FUNCTION bump_round();
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('DROP TABLE photos; DROP FUNCTION photos_only_removed();');
}
