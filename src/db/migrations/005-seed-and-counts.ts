import type { Sequelize } from 'sequelize';

const KINDS_BEFORE = `'sown', 'arrived', 'counted', 'emerged', 'off-heat', 'potted', 'spaced', 'hardening-started', 'rung',
  'planted-out', 'moved', 'lost', 'held', 'note', 'split-out', 'split-in', 'edited', 'ended', 'withdrawn'`;

/** What is known of a lot; counts by tray and the cover in the log; the rule off the heat by group and batch; learning. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE crops ADD COLUMN seed_balls boolean NOT NULL DEFAULT false;
    ALTER TABLE lots DROP CONSTRAINT lots_germination_percent_check;
    ALTER TABLE lots
      ADD CONSTRAINT lots_germination_percent_check CHECK (germination_percent BETWEEN 0 AND 300),
      ADD COLUMN thousand_seed_g double precision CHECK (thousand_seed_g > 0 AND thousand_seed_g <= 5000),
      ADD COLUMN weight_g double precision CHECK (weight_g >= 0),
      ADD COLUMN packet_seeds integer CHECK (packet_seeds >= 1),
      ADD COLUMN packet_price double precision CHECK (packet_price >= 0),
      ADD COLUMN light text CHECK (light IN ('light', 'dark', 'neutral')),
      ADD COLUMN depth_mm double precision CHECK (depth_mm BETWEEN 0 AND 200),
      ADD COLUMN treatment text NOT NULL DEFAULT 'none' CHECK (treatment IN ('none', 'primed', 'pelleted', 'coated', 'dressed')),
      ADD COLUMN storage_c double precision CHECK (storage_c BETWEEN -40 AND 60),
      ADD COLUMN moisture_percent double precision CHECK (moisture_percent BETWEEN 2 AND 25),
      ADD COLUMN tests jsonb NOT NULL DEFAULT '[]' CHECK (jsonb_typeof(tests) = 'array'),
      ADD COLUMN note text NOT NULL DEFAULT '' CHECK (length(note) <= 500);
    ALTER TABLE nursery
      ADD COLUMN learning boolean NOT NULL DEFAULT true,
      ADD COLUMN off_heat_cool jsonb CHECK (off_heat_cool IS NULL OR jsonb_typeof(off_heat_cool) = 'object');
    ALTER TABLE batches
      ADD COLUMN off_heat jsonb CHECK (off_heat IS NULL OR jsonb_typeof(off_heat) = 'object'),
      ADD COLUMN resown_from_id integer REFERENCES batches;
    ALTER TABLE batch_events ADD COLUMN tray integer CHECK (tray BETWEEN 1 AND 2000);
    ALTER TABLE batch_events ADD CONSTRAINT batch_events_tray_check1 CHECK (tray IS NULL OR kind IN ('counted', 'note'));
    ALTER TABLE batch_events DROP CONSTRAINT batch_events_kind_check;
    ALTER TABLE batch_events ADD CONSTRAINT batch_events_kind_check CHECK (kind IN (${KINDS_BEFORE}, 'cover'));
    UPDATE crops SET seed_balls = true WHERE name IN ('beetroot', 'chard');
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE batch_events DISABLE TRIGGER batch_events_append_only;
    DELETE FROM batch_events WHERE kind = 'cover' OR corrects_id IN (SELECT id FROM batch_events WHERE kind = 'cover');
    ALTER TABLE batch_events ENABLE TRIGGER batch_events_append_only;
    ALTER TABLE batch_events DROP CONSTRAINT batch_events_kind_check;
    ALTER TABLE batch_events ADD CONSTRAINT batch_events_kind_check CHECK (kind IN (${KINDS_BEFORE}));
    ALTER TABLE batch_events DROP COLUMN tray;
    ALTER TABLE batches DROP COLUMN off_heat, DROP COLUMN resown_from_id;
    ALTER TABLE nursery DROP COLUMN learning, DROP COLUMN off_heat_cool;
    ALTER TABLE lots DROP COLUMN thousand_seed_g, DROP COLUMN weight_g, DROP COLUMN packet_seeds, DROP COLUMN packet_price,
      DROP COLUMN light, DROP COLUMN depth_mm, DROP COLUMN treatment, DROP COLUMN storage_c, DROP COLUMN moisture_percent,
      DROP COLUMN tests, DROP COLUMN note;
    UPDATE lots SET germination_percent = 100 WHERE germination_percent > 100;
    ALTER TABLE lots DROP CONSTRAINT lots_germination_percent_check;
    ALTER TABLE lots ADD CONSTRAINT lots_germination_percent_check CHECK (germination_percent BETWEEN 0 AND 100);
    ALTER TABLE crops DROP COLUMN seed_balls;
  `);
}
