import type { Sequelize } from 'sequelize';

/** What is written of water: given, looked at, weighed; air and water read at a place. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    CREATE TABLE water_lines (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      idempotency_key text NOT NULL CHECK (length(idempotency_key) BETWEEN 8 AND 64),
      request_hash text NOT NULL,
      kind text NOT NULL CHECK (kind IN ('watered', 'looked', 'weighed', 'air', 'withdrawn')),
      batch_id integer REFERENCES batches,
      place_id integer REFERENCES places,
      at timestamptz NOT NULL CHECK (at BETWEEN '1900-01-01' AND '2200-01-01'),
      look text CHECK (look IN ('dry', 'moist', 'wet')),
      weight_g double precision CHECK (weight_g BETWEEN 1 AND 100000),
      way text CHECK (way IN ('below', 'mist', 'rose', 'flood', 'line')),
      litres double precision CHECK (litres BETWEEN 0 AND 100000),
      fed boolean NOT NULL DEFAULT false,
      water_c double precision CHECK (water_c BETWEEN 0 AND 60),
      air_c double precision CHECK (air_c BETWEEN -40 AND 70),
      humidity_frac double precision CHECK (humidity_frac BETWEEN 0 AND 1),
      note text NOT NULL DEFAULT '' CHECK (length(note) <= 2000),
      corrects_id integer UNIQUE REFERENCES water_lines,
      recorded_at timestamptz NOT NULL DEFAULT now(),
      author_id integer DEFAULT writing_person() REFERENCES people,
      waited boolean NOT NULL DEFAULT false,
      CONSTRAINT water_lines_withdrawn CHECK ((kind = 'withdrawn') = (corrects_id IS NOT NULL)),
      CONSTRAINT water_lines_looked CHECK (kind <> 'looked' OR look IS NOT NULL),
      CONSTRAINT water_lines_weighed CHECK (kind <> 'weighed' OR weight_g IS NOT NULL),
      CONSTRAINT water_lines_air CHECK (kind <> 'air' OR water_c IS NOT NULL OR (air_c IS NOT NULL AND humidity_frac IS NOT NULL)),
      CONSTRAINT water_lines_of CHECK (kind = 'withdrawn' OR num_nonnulls(batch_id, place_id) = 1)
    );
    CREATE UNIQUE INDEX water_lines_key ON water_lines (idempotency_key, coalesce(batch_id, 0));
    CREATE INDEX water_lines_at ON water_lines (at);
    CREATE INDEX water_lines_batch ON water_lines (batch_id, at);
    CREATE TRIGGER water_lines_append_only BEFORE UPDATE OR DELETE ON water_lines
      FOR EACH ROW EXECUTE FUNCTION log_is_append_only();
    CREATE TRIGGER water_lines_revision AFTER INSERT OR UPDATE OR DELETE OR TRUNCATE ON water_lines
      FOR EACH STATEMENT EXECUTE FUNCTION bump_round();
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('DROP TABLE water_lines;');
}
