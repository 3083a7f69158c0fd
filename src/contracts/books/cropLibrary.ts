import Papa from 'papaparse';
import type { Crop, EmergencePoint, Hardiness, SeedLight } from '../../core/books/crop.ts';
import { WORDS } from '../../words/en/books/cropLibrary.ts';

/** The texts of the library's files as they stand in src/stores. */
export interface LibraryTexts {
  readonly crops: string;
  readonly tables: string;
  readonly bolting: string;
  readonly emergenceDays: string;
  readonly emergencePercent: string;
}

export const TABLE_SOURCE =
  'Harrington & Minges 1954, Vegetable Seed Germination, University of California Agricultural Extension Service; written down from memory';
const MEMORY_SOURCE = 'common practice from memory, not published data';
/** Cardinal base and ceiling lie this far outside the range a grower would sow in. Common practice, no source. */
const CARDINAL_MARGIN_K = 4;
const POT_AT_frac = 0.4;

type Row = Record<string, string>;

/** Emergence table of each tabled crop, by the table's own crop name. Columns are degrees Celsius. */
export function emergenceTables(
  texts: Pick<LibraryTexts, 'emergenceDays' | 'emergencePercent'>,
): Map<string, EmergencePoint[]> {
  const percents = new Map(rowsOf(texts.emergencePercent).map((row) => [row['crop']!, row]));
  const tables = new Map<string, EmergencePoint[]>();
  for (const row of rowsOf(texts.emergenceDays)) {
    const name = row['crop']!;
    const points: EmergencePoint[] = [];
    for (const column of Object.keys(row).filter((key) => key !== 'crop')) {
      const days = row[column]!;
      const percent = percents.get(name)?.[column] ?? '';
      if (days === '' && percent === '') continue;
      points.push({
        temperature_C: Number(column),
        // "No germination" and 0% say the same, whichever of the two tables has it.
        days: days === 'NG' || (days === '' && percent === '0') ? 'none' : days === '' ? null : Number(days),
        percent: percent === '' ? (days === 'NG' ? 0 : null) : Number(percent),
      });
    }
    tables.set(name, points);
  }
  return tables;
}

/** The crops of the library, numbered from 1 in the order of the file. */
export function cropsFromLibrary(texts: LibraryTexts): Crop[] {
  const tables = emergenceTables(texts);
  const tableOf = new Map(rowsOf(texts.tables).map((row) => [row['crop']!, row['table']!]));
  const boltOf = new Map(rowsOf(texts.bolting).map((row) => [row['crop']!, row]));
  return rowsOf(texts.crops).map((row, i) => {
    const name = row['crop']!;
    const table = tableOf.get(name);
    const n = (column: string): number => Number(row[column]);
    const orNull = (column: string): number | null => (row[column] === '' ? null : n(column));
    const bolt = (column: string): number | null => {
      const text = boltOf.get(name)?.[column] ?? '';
      return text === '' ? null : Number(text);
    };
    const [pretreat, chill] = row['pretreat']!.split(':') as [Crop['pretreat'], string?];
    return {
      id: i + 1,
      name,
      synonyms: row['synonyms']!,
      botanical: row['botanical']!,
      family: row['family']!,
      kind: row['kind'] as Crop['kind'],
      group: row['group'] as 'warm' | 'cool',
      light: ({ L: 'light', D: 'dark', N: 'neutral' } as Record<string, SeedLight>)[row['light']!]!,
      depth_mm: n('depth_mm'),
      germMin_C: n('germ_min_C'),
      germBest_C: n('germ_best_C'),
      germMax_C: n('germ_max_C'),
      germBase_C: n('germ_min_C') - CARDINAL_MARGIN_K,
      germCeiling_C: n('germ_max_C') + CARDINAL_MARGIN_K,
      germBest_days: n('emerge_days_best'),
      emergence: table === undefined ? [] : (tables.get(table) ?? []),
      germUsual_frac: n('germ_percent_usual') / 100,
      thousandSeed_g: orNull('tsw_g'),
      storage_years: n('storage_years'),
      pretreat,
      chill_weeks: chill === undefined ? 0 : Number.parseFloat(chill),
      sowIn: row['sow_in'] as Crop['sowIn'],
      cellsUsual_count: n('cells_usual'),
      potUsual_cm: orNull('pot_cm_usual'),
      growDay_C: n('grow_day_C'),
      growNight_C: n('grow_night_C'),
      base_C: n('base_C'),
      growOptimum_C: n('grow_opt_C'),
      growCeiling_C: n('grow_ceiling_C'),
      checkNight_C: orNull('check_night_C'),
      boltCold_C: bolt('cold_C'),
      boltCold_days: bolt('cold_days'),
      boltWarm_C: bolt('warm_C'),
      boltWarm_days: bolt('warm_days'),
      boltDay_h: bolt('day_h'),
      comfortNight_C: n('comfort_night_low_C'),
      comfortDay_C: n('comfort_day_high_C'),
      dliLeast: n('dli_min'),
      dliGood: n('dli_good'),
      weeksLow: n('weeks_low'),
      weeksHigh: n('weeks_high'),
      potAt_frac: POT_AT_frac,
      potted: row['potted'] === 'yes',
      hardening_days: n('hardening_days'),
      hardiness: row['hardiness'] as Hardiness,
      hardyTo_C: n('hardy_to_C'),
      plantSoilMin_C: n('plant_soil_min_C'),
      plantNightMin_C: n('plant_night_min_C'),
      weeksFromLastFrost: n('weeks_from_last_frost'),
      inRow_cm: n('spacing_in_row_cm'),
      rows_cm: n('spacing_rows_cm'),
      caution: row['caution']!,
      seedBalls: row['seed_balls'] === 'yes',
      source: table === undefined ? MEMORY_SOURCE : tableSource(name, table),
    };
  });
}

const SAME: Readonly<Record<string, string>> = {
  aubergine: 'eggplant',
  'bean (climbing)': WORDS.beanSnap,
  'bean (dwarf french)': WORDS.beanSnap,
  beetroot: 'beet',
  melon: 'muskmelon',
  'sweet corn': WORDS.cornSweet,
};

function tableSource(crop: string, table: string): string {
  return crop === table || SAME[crop] === table ? TABLE_SOURCE : `${TABLE_SOURCE}; table of ${table}, a near relative`;
}

function rowsOf(text: string): Row[] {
  return Papa.parse<Row>(text, {
    header: true,
    comments: '#',
    skipEmptyLines: true,
  }).data;
}
