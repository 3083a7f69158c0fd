import type { Sequelize } from 'sequelize';

const KINDS_BEFORE = `'sown', 'arrived', 'counted', 'emerged', 'off-heat', 'potted', 'spaced', 'hardening-started', 'rung',
  'planted-out', 'moved', 'lost', 'held', 'note', 'split-out', 'split-in', 'edited', 'ended', 'withdrawn', 'cover',
  'moved-on', 'sign', 'watered', 'stood'`;

/** A batch or a tray may be left out of what the house learns, with its reason; a variety may have figures of its own. */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE batch_events
      DROP CONSTRAINT batch_events_kind_check,
      ADD CONSTRAINT batch_events_kind_check CHECK (kind IN (${KINDS_BEFORE}, 'left-out')),
      DROP CONSTRAINT batch_events_tray_check1,
      ADD CONSTRAINT batch_events_tray_check1 CHECK (tray IS NULL OR kind IN ('counted', 'note', 'left-out')),
      ADD CONSTRAINT batch_events_left_out_check CHECK (kind <> 'left-out' OR cause <> '');
    ALTER TABLE varieties
      ADD COLUMN figures jsonb NOT NULL DEFAULT '{}' CHECK (jsonb_typeof(figures) = 'object');
  `);
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE varieties DROP COLUMN figures;
    ALTER TABLE batch_events DISABLE TRIGGER batch_events_append_only;
    DELETE FROM batch_events WHERE corrects_id IN (SELECT id FROM batch_events WHERE kind = 'left-out');
    DELETE FROM batch_events WHERE kind = 'left-out';
    ALTER TABLE batch_events ENABLE TRIGGER batch_events_append_only;
    ALTER TABLE batch_events
      DROP CONSTRAINT batch_events_left_out_check,
      DROP CONSTRAINT batch_events_tray_check1,
      ADD CONSTRAINT batch_events_tray_check1 CHECK (tray IS NULL OR kind IN ('counted', 'note')),
      DROP CONSTRAINT batch_events_kind_check,
      ADD CONSTRAINT batch_events_kind_check CHECK (kind IN (${KINDS_BEFORE}));
  `);
}
