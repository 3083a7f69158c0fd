import type { Sequelize } from 'sequelize';

/** Crop, mean below, days of it; highest above, days of it; longest day. Common practice from memory. */
const USUAL: readonly (readonly [string, number | null, number | null, number | null, number | null, number | null])[] =
  [
    ['beetroot', 9, 14, null, null, null],
    ['broccoli', 8, 14, null, null, null],
    ['cabbage', 7, 35, null, null, null],
    ['cauliflower', 8, 14, 27, 10, null],
    ['celeriac', 11, 12, null, null, null],
    ['celery', 11, 12, null, null, null],
    ['chard', 9, 21, null, null, null],
    ['chervil', null, null, 24, 8, 14],
    ['chicory (radicchio)', 10, 12, 27, 10, 15],
    ['chicory (sugarloaf)', 10, 12, 27, 10, 15],
    ['chinese cabbage', 13, 8, null, null, 14.5],
    ['choy sum', 11, 10, 28, 10, null],
    ['coriander', null, null, 25, 8, 14],
    ['dill', null, null, 28, 10, 15],
    ['endive', 10, 12, 27, 10, 15],
    ['fennel (florence)', 10, 12, 28, 10, 15],
    ['kohlrabi', 9, 10, null, null, null],
    ['komatsuna', 10, 14, null, null, 14.5],
    ['leek', 6, 45, null, null, null],
    ['lettuce', null, null, 27, 10, null],
    ['mizuna', 10, 14, 27, 10, 14.5],
    ['mustard (leaf)', 10, 14, 27, 10, 14.5],
    ['onion', 8, 35, null, null, null],
    ['onion (bunching)', 6, 45, null, null, null],
    ['pak choi', 12, 8, 28, 10, 14.5],
    ['parsley', 7, 35, null, null, null],
    ['perpetual spinach', 9, 21, null, null, null],
    ['radish', 9, 14, 26, 8, 14.5],
    ['radish (winter)', 9, 10, null, null, 14.5],
    ['rocket', 9, 14, 25, 8, 14],
    ['shallot', 8, 35, null, null, null],
    ['spinach', 9, 14, 24, 8, 13.5],
    ['swede', 8, 21, null, null, null],
    ['tatsoi', 10, 14, 27, 10, 14.5],
    ['turnip', 9, 14, null, null, null],
  ];

const KINDS_BEFORE = `'sown', 'arrived', 'counted', 'emerged', 'off-heat', 'potted', 'spaced', 'hardening-started', 'rung',
  'planted-out', 'moved', 'lost', 'held', 'note', 'split-out', 'split-in', 'edited', 'ended', 'withdrawn', 'cover',
  'moved-on', 'sign', 'watered', 'stood', 'left-out'`;

/**
 * When crops run to flower: figures of the book of crops, for those the library knows by name. The treatment of seed before
 * it is sown is logged.
 */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE crops
      ADD COLUMN bolt_cold_c double precision CHECK (bolt_cold_c BETWEEN -10 AND 30),
      ADD COLUMN bolt_cold_days integer CHECK (bolt_cold_days BETWEEN 1 AND 200),
      ADD COLUMN bolt_warm_c double precision CHECK (bolt_warm_c BETWEEN 5 AND 50),
      ADD COLUMN bolt_warm_days integer CHECK (bolt_warm_days BETWEEN 1 AND 200),
      ADD COLUMN bolt_day_h double precision CHECK (bolt_day_h BETWEEN 8 AND 24),
      ADD CONSTRAINT crops_bolt_cold CHECK ((bolt_cold_c IS NULL) = (bolt_cold_days IS NULL)),
      ADD CONSTRAINT crops_bolt_warm CHECK ((bolt_warm_c IS NULL) = (bolt_warm_days IS NULL));
  `);
  await db.query(`
    ALTER TABLE batch_events
      DROP CONSTRAINT batch_events_kind_check,
      ADD CONSTRAINT batch_events_kind_check CHECK (kind IN (${KINDS_BEFORE}, 'treated'));
  `);
  for (const bind of USUAL)
    await db.query(
      `UPDATE crops SET bolt_cold_c = $2, bolt_cold_days = $3, bolt_warm_c = $4, bolt_warm_days = $5, bolt_day_h = $6
       WHERE lower(name) = $1`,
      { bind: [...bind] },
    );
}

export async function down(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE batch_events DISABLE TRIGGER batch_events_append_only;
    DELETE FROM batch_events WHERE corrects_id IN (SELECT id FROM batch_events WHERE kind = 'treated');
    DELETE FROM batch_events WHERE kind = 'treated';
    ALTER TABLE batch_events ENABLE TRIGGER batch_events_append_only;
    ALTER TABLE batch_events
      DROP CONSTRAINT batch_events_kind_check,
      ADD CONSTRAINT batch_events_kind_check CHECK (kind IN (${KINDS_BEFORE}));
  `);
  await db.query(`
    ALTER TABLE crops DROP COLUMN bolt_cold_c, DROP COLUMN bolt_cold_days, DROP COLUMN bolt_warm_c,
      DROP COLUMN bolt_warm_days, DROP COLUMN bolt_day_h;
  `);
}
