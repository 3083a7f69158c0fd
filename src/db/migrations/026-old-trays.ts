import type { Sequelize } from 'sequelize';

/** Trays counted in years before the nursery was kept here, read from files, for what they teach of coming up. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    CREATE TABLE old_tray_files (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      idempotency_key text NOT NULL UNIQUE CHECK (length(idempotency_key) BETWEEN 8 AND 64),
      request_hash text NOT NULL,
      name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
      taken_at timestamptz NOT NULL DEFAULT now(),
      author_id integer DEFAULT writing_person() REFERENCES people,
      left_out boolean NOT NULL DEFAULT false
    );
    CREATE TABLE old_trays (
      id integer GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
      file_id integer NOT NULL REFERENCES old_tray_files,
      crop_id integer NOT NULL REFERENCES crops,
      variety_id integer REFERENCES varieties,
      lot_id integer REFERENCES lots,
      tray text NOT NULL CHECK (length(tray) BETWEEN 1 AND 80),
      sown_on date NOT NULL CHECK (sown_on BETWEEN '1900-01-01' AND '2199-12-31'),
      seeds_count integer NOT NULL CHECK (seeds_count BETWEEN 1 AND 1000000),
      temperature_c double precision NOT NULL CHECK (temperature_c BETWEEN -5 AND 50),
      counts jsonb NOT NULL CHECK (jsonb_typeof(counts) = 'array'),
      estimate jsonb NOT NULL CHECK (jsonb_typeof(estimate) = 'object')
    );
    CREATE INDEX old_trays_file ON old_trays (file_id);
    CREATE INDEX old_trays_crop ON old_trays (crop_id);
    CREATE UNIQUE INDEX old_trays_once ON old_trays (crop_id, coalesce(variety_id, 0), lower(tray), sown_on);
    CREATE TRIGGER old_trays_append_only BEFORE UPDATE OR DELETE ON old_trays
      FOR EACH ROW EXECUTE FUNCTION log_is_append_only();
  `);
  for (const table of ['old_tray_files', 'old_trays'])
    await db.query(
      `CREATE TRIGGER ${table}_revision AFTER INSERT OR UPDATE OR DELETE OR TRUNCATE ON ${table}
         FOR EACH STATEMENT EXECUTE FUNCTION bump_revision();
       CREATE TRIGGER ${table}_kept AFTER INSERT OR UPDATE OR DELETE OR TRUNCATE ON ${table}
         FOR EACH STATEMENT EXECUTE FUNCTION bump_kept();`,
    );
}

export async function down(db: Sequelize): Promise<void> {
  await db.query('DROP TABLE old_trays, old_tray_files');
}
