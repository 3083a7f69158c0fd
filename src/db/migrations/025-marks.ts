import type { Sequelize } from 'sequelize';

/** Marks by what was written: a line of the log leaves the books and the plans as they were read. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE revision ADD COLUMN books bigint NOT NULL DEFAULT 0, ADD COLUMN batches bigint NOT NULL DEFAULT 0,
      ADD COLUMN kept bigint NOT NULL DEFAULT 0;
    CREATE OR REPLACE FUNCTION bump_revision() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      UPDATE revision SET n = n + 1,
        books = books + CASE WHEN TG_TABLE_NAME IN ('batches', 'batch_events', 'kept_batches') THEN 0 ELSE 1 END,
        batches = batches + CASE WHEN TG_TABLE_NAME = 'batches' THEN 1 ELSE 0 END;
      RETURN NULL;
    END $$;
    CREATE FUNCTION bump_kept() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN UPDATE revision SET kept = kept + 1; RETURN NULL; END $$;
    CREATE TRIGGER kept_estimates_kept AFTER INSERT OR UPDATE OR DELETE OR TRUNCATE ON kept_estimates
      FOR EACH STATEMENT EXECUTE FUNCTION bump_kept();
    CREATE INDEX batches_voided ON batches (voided_at) WHERE voided_at IS NOT NULL;
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(`
    CREATE OR REPLACE FUNCTION bump_revision() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN UPDATE revision SET n = n + 1; RETURN NULL; END $$;
    DROP INDEX batches_voided;
    DROP TRIGGER kept_estimates_kept ON kept_estimates;
    DROP FUNCTION bump_kept();
    ALTER TABLE revision DROP COLUMN books, DROP COLUMN batches, DROP COLUMN kept;
  `);
}
