import type { Sequelize } from 'sequelize';

/** What is being worked into tiers is marked apart, so that readings coming in never wait for that work. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE readings_dirty ADD COLUMN taken boolean NOT NULL DEFAULT false;
    ALTER TABLE readings_dirty DROP CONSTRAINT readings_dirty_pkey;
    ALTER TABLE readings_dirty ADD PRIMARY KEY (sensor_id, at, taken);
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(`
    INSERT INTO readings_dirty (sensor_id, at) SELECT sensor_id, at FROM readings_dirty WHERE taken ON CONFLICT DO NOTHING;
    DELETE FROM readings_dirty WHERE taken;
    ALTER TABLE readings_dirty DROP CONSTRAINT readings_dirty_pkey;
    ALTER TABLE readings_dirty DROP COLUMN taken;
    ALTER TABLE readings_dirty ADD PRIMARY KEY (sensor_id, at);
  `);
}
