import { readFile } from 'node:fs/promises';
import Papa from 'papaparse';
import { QueryTypes, type Sequelize } from 'sequelize';

/**
 * The wider crop library: bands, light, ceiling, pre-treatment and the rest for every crop, and the crops that were not
 * there. A figure that a grower has changed stays as it is; a crop of the grower's own gets what is usual of its group.
 */
export async function up(db: Sequelize): Promise<void> {
  await db.query(`
    ALTER TABLE crops
      ADD COLUMN synonyms text NOT NULL DEFAULT '' CHECK (length(synonyms) <= 300),
      ADD COLUMN botanical text NOT NULL DEFAULT '' CHECK (length(botanical) <= 120),
      ADD COLUMN family text NOT NULL DEFAULT '' CHECK (length(family) <= 60),
      ADD COLUMN crop_kind text NOT NULL DEFAULT 'vegetable' CHECK (crop_kind IN ('vegetable', 'herb', 'flower', 'shrub')),
      ADD COLUMN germ_usual_frac double precision NOT NULL DEFAULT 0.85 CHECK (germ_usual_frac > 0 AND germ_usual_frac <= 1),
      ADD COLUMN thousand_seed_g double precision CHECK (thousand_seed_g > 0),
      ADD COLUMN storage_years double precision NOT NULL DEFAULT 3 CHECK (storage_years > 0),
      ADD COLUMN pretreat text NOT NULL DEFAULT 'none' CHECK (pretreat IN ('none', 'soak', 'scarify', 'chill')),
      ADD COLUMN chill_weeks double precision NOT NULL DEFAULT 0 CHECK (chill_weeks BETWEEN 0 AND 52),
      ADD COLUMN sow_in text NOT NULL DEFAULT 'cells' CHECK (sow_in IN ('cells', 'pan', 'block', 'pot')),
      ADD COLUMN cells_usual integer NOT NULL DEFAULT 60 CHECK (cells_usual BETWEEN 1 AND 2000),
      ADD COLUMN pot_usual_cm double precision CHECK (pot_usual_cm > 0),
      ADD COLUMN grow_ceiling_c double precision,
      ADD COLUMN check_night_c double precision,
      ADD COLUMN comfort_night_c double precision,
      ADD COLUMN comfort_day_c double precision,
      ADD COLUMN dli_least double precision,
      ADD COLUMN dli_good double precision,
      ADD COLUMN hardy_to_c double precision,
      ADD COLUMN in_row_cm double precision NOT NULL DEFAULT 30 CHECK (in_row_cm > 0),
      ADD COLUMN rows_cm double precision NOT NULL DEFAULT 40 CHECK (rows_cm > 0),
      ADD COLUMN caution text NOT NULL DEFAULT '' CHECK (length(caution) <= 200);
  `);
  const [{ count } = { count: 0 }] = await db.query<{ count: number }>('SELECT count(*)::int AS count FROM crops', {
    type: QueryTypes.SELECT,
  });
  if (count > 0) await bringIn(db);
  // What is usual of the group, for a crop that no library knows. Common practice, no source.
  await db.query(`
    UPDATE crops SET
      grow_ceiling_c = coalesce(grow_ceiling_c, greatest(grow_optimum_c + 12, grow_day_c + 4)),
      comfort_night_c = coalesce(comfort_night_c, CASE crop_group WHEN 'warm' THEN 12 ELSE 5 END),
      comfort_day_c = coalesce(comfort_day_c, CASE crop_group WHEN 'warm' THEN 32 ELSE 25 END),
      dli_least = coalesce(dli_least, CASE crop_group WHEN 'warm' THEN 8 ELSE 7 END),
      dli_good = coalesce(dli_good, CASE crop_group WHEN 'warm' THEN 14 ELSE 12 END),
      hardy_to_c = coalesce(hardy_to_c, CASE hardiness WHEN 'hardy' THEN -4 WHEN 'half-hardy' THEN -1 WHEN 'tender' THEN 1 ELSE 5 END);
    ALTER TABLE crops
      ALTER COLUMN grow_ceiling_c SET NOT NULL,
      ALTER COLUMN comfort_night_c SET NOT NULL,
      ALTER COLUMN comfort_day_c SET NOT NULL,
      ALTER COLUMN dli_least SET NOT NULL,
      ALTER COLUMN dli_good SET NOT NULL,
      ALTER COLUMN hardy_to_c SET NOT NULL,
      ADD CONSTRAINT crops_growth_rises CHECK (grow_optimum_c < grow_ceiling_c AND grow_day_c < grow_ceiling_c),
      ADD CONSTRAINT crops_comfort_rises CHECK (comfort_night_c < comfort_day_c),
      ADD CONSTRAINT crops_light_rises CHECK (dli_least > 0 AND dli_least < dli_good),
      ADD CONSTRAINT crops_chilled CHECK ((pretreat = 'chill') = (chill_weeks > 0));
  `);
}

type Row = Readonly<Record<string, string>>;

async function rowsOf(name: string): Promise<Row[]> {
  const text = await readFile(new URL(`./013-crop-library/${name}.csv`, import.meta.url), 'utf8');
  return Papa.parse<Row>(text, { header: true, skipEmptyLines: true }).data;
}

/** Figures of before that nobody touched become the new ones; columns that are new are filled; crops that lack are added. */
async function bringIn(db: Sequelize): Promise<void> {
  const before = await rowsOf('before');
  const first = new Set(Object.keys(before[0]!));
  const there = await db.query<Record<string, unknown>>('SELECT * FROM crops', { type: QueryTypes.SELECT });
  for (const row of await rowsOf('library')) {
    const crop = there.find((c) => c['name'] === row['name']);
    const was = before.find((b) => b['name'] === row['name']);
    const isNew = (column: string) => !first.has(column) && !AS_THEY_ARE.has(column);
    const free = Object.keys(row).filter((column) => isNew(column) && column !== 'grow_ceiling_c');
    // Of what there was, only what nobody changed.
    const all = Object.keys(row).filter(
      (column) => isNew(column) || (first.has(column) && was !== undefined && String(crop?.[column]) === was[column]),
    );
    const columns = !crop ? Object.keys(row) : fits({ ...crop, ...pick(row, all) }) ? all : free;
    const values = columns.map((column) => (row[column] === '' && MAY_BE_NULL.has(column) ? null : row[column]!));
    await db.query(
      crop
        ? `UPDATE crops SET ${columns.map((c, i) => `${c} = $${i + 1}`).join(', ')} WHERE id = ${Number(crop['id'])}`
        : `INSERT INTO crops (pot_at_frac, ${columns.join(', ')})
           VALUES (0.4, ${columns.map((_, i) => `$${i + 1}`).join(', ')})`,
      { bind: values },
    );
  }
}

const MAY_BE_NULL = new Set(['pot_usual_cm', 'check_night_c', 'thousand_seed_g']);
/** The emergence table of a crop that is there, its source and its kind of seed stay. */
const AS_THEY_ARE = new Set(['name', 'emergence', 'source', 'seed_balls']);

function pick(row: Row, columns: readonly string[]): Record<string, string> {
  return Object.fromEntries(columns.map((column) => [column, row[column]!]));
}

/** Whether the figures of a crop rise as they must, with new ones among those the grower has changed. */
function fits(crop: Readonly<Record<string, unknown>>): boolean {
  const n = (column: string) => Number(crop[column]);
  return (
    n('germ_min_c') < n('germ_best_c') &&
    n('germ_best_c') < n('germ_max_c') &&
    n('germ_base_c') < n('germ_best_c') &&
    n('germ_best_c') < n('germ_ceiling_c') &&
    n('base_c') < n('grow_optimum_c') &&
    n('grow_optimum_c') < n('grow_ceiling_c') &&
    n('grow_day_c') < n('grow_ceiling_c') &&
    n('weeks_low') <= n('weeks_high')
  );
}

export async function down(db: Sequelize): Promise<void> {
  const before = new Set((await rowsOf('before')).map((row) => row['name']!));
  const added = (await rowsOf('library')).map((row) => row['name']!).filter((name) => !before.has(name));
  await db.query(
    `DELETE FROM crops WHERE name = ANY ($1) AND version = 1
       AND NOT EXISTS (SELECT 1 FROM varieties WHERE crop_id = crops.id)
       AND NOT EXISTS (SELECT 1 FROM batches WHERE crop_id = crops.id)`,
    { bind: [added] },
  );
  await db.query(`
    ALTER TABLE crops
      DROP CONSTRAINT crops_growth_rises,
      DROP CONSTRAINT crops_comfort_rises,
      DROP CONSTRAINT crops_light_rises,
      DROP CONSTRAINT crops_chilled,
      DROP COLUMN synonyms, DROP COLUMN botanical, DROP COLUMN family, DROP COLUMN crop_kind,
      DROP COLUMN germ_usual_frac, DROP COLUMN thousand_seed_g, DROP COLUMN storage_years, DROP COLUMN pretreat,
      DROP COLUMN chill_weeks, DROP COLUMN sow_in, DROP COLUMN cells_usual, DROP COLUMN pot_usual_cm,
      DROP COLUMN grow_ceiling_c, DROP COLUMN check_night_c, DROP COLUMN comfort_night_c, DROP COLUMN comfort_day_c,
      DROP COLUMN dli_least, DROP COLUMN dli_good, DROP COLUMN hardy_to_c, DROP COLUMN in_row_cm, DROP COLUMN rows_cm,
      DROP COLUMN caution;
  `);
}
