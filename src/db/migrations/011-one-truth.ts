import type { Sequelize } from 'sequelize';

/** Keys of batches made by call, the dates planned when a batch was sown, the currency of the house. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE batches
      ADD COLUMN idempotency_key text UNIQUE CHECK (length(idempotency_key) BETWEEN 8 AND 100),
      ADD COLUMN request_hash text,
      ADD COLUMN planned jsonb CHECK (planned IS NULL OR jsonb_typeof(planned) = 'object');
    CREATE TRIGGER heat_settings_revision AFTER INSERT OR UPDATE OR DELETE OR TRUNCATE ON heat_settings
      FOR EACH STATEMENT EXECUTE FUNCTION bump_revision();
    ALTER TABLE nursery ADD COLUMN currency text NOT NULL DEFAULT 'EUR' CHECK (currency ~ '^[A-Z]{3}$');
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE batches DROP COLUMN idempotency_key, DROP COLUMN request_hash, DROP COLUMN planned;
    DROP TRIGGER heat_settings_revision ON heat_settings;
    ALTER TABLE nursery DROP COLUMN currency;
  `);
}
