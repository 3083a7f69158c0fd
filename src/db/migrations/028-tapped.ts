import type { Sequelize } from 'sequelize';

/**
 * Lines that waited on a device for a network: when they were tapped, by the device's own reckoning of how long ago that was; nothing
 * where its clock is not to be trusted.
 */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`ALTER TABLE batch_events
    ADD COLUMN waited boolean NOT NULL DEFAULT false,
    ADD COLUMN tapped_at timestamptz,
    ADD CONSTRAINT batch_events_tapped CHECK (waited OR tapped_at IS NULL);`);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(
    'ALTER TABLE batch_events DROP CONSTRAINT batch_events_tapped, DROP COLUMN tapped_at, DROP COLUMN waited;',
  );
}
