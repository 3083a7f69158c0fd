import { ForeignKeyConstraintError, type Sequelize, type Transaction } from 'sequelize';
import { inTransaction } from '../inTransaction.ts';
import { rows } from '../sql.ts';
import { MODELS, type BookName, type BookWrite } from './books.ts';
import { PlacePeriodModel, PlaceSetPointModel } from './models.ts';
import { WORDS } from '../../words/en/books/retire.ts';

/** Retires a line from a day on (YYYY-MM-DD), or brings it back (null), if it still has the version it was read at. */
export async function retireLine(
  db: Sequelize,
  book: BookName,
  id: number,
  version: number,
  retiredOn: string | null,
): Promise<BookWrite> {
  return inTransaction(db, async (transaction) => {
    const [changed] = await MODELS[book].update(
      { retiredOn, version: version + 1 },
      { where: { id, version }, transaction },
    );
    if (changed === 1) return { kind: 'written', id, version: version + 1 };
    return { kind: (await MODELS[book].count({ where: { id }, transaction })) ? 'stale' : 'missing' };
  });
}

/** What holds on to a line of a book, in words with how often; empty: nothing does. */
async function usesOfLine(
  db: Sequelize,
  book: BookName,
  id: number,
  transaction: Transaction,
): Promise<readonly string[]> {
  const uses: string[] = [];
  for (const [one, several, sql] of USES[book]) {
    const [row] = await rows(db, `SELECT count(*)::integer AS n FROM ${sql}`, [id], transaction);
    const n = row!['n'] as number;
    if (n > 0) uses.push(`${n} ${n === 1 ? one : several}`);
  }
  return uses;
}

/** How deleting a line ended. */
export type LineDeleted = BookWrite | { readonly kind: 'used'; readonly by: readonly string[] };

/** Deletes a line that nothing holds on to, if it still has the version it was read at. */
export async function deleteLine(db: Sequelize, book: BookName, id: number, version: number): Promise<LineDeleted> {
  return inTransaction<LineDeleted>(db, async (transaction) => {
    const line = await MODELS[book].findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
    if (!line) return { kind: 'missing' };
    if (line.version !== version) return { kind: 'stale' };
    const by = await usesOfLine(db, book, id, transaction);
    if (by.length > 0) return { kind: 'used', by };
    if (book === 'places') {
      await PlacePeriodModel.destroy({ where: { placeId: id }, transaction });
      await PlaceSetPointModel.destroy({ where: { placeId: id }, transaction });
    }
    await line.destroy({ transaction });
    return { kind: 'written', id, version };
  }).catch((error: unknown): LineDeleted => {
    // Somebody named it between the count and the deletion.
    if (error instanceof ForeignKeyConstraintError) return { kind: 'used', by: [WORDS.linesJustWritten] };
    throw error;
  });
}

/** Tables that say who wrote each line, and what one line and several are called. */
const AUTHORED = [
  ['line of a log', 'lines of logs', 'batch_events'],
  ['change of the season’s plan', 'changes of the season’s plan', 'plan_changes'],
  ['version of a plan', 'versions of plans', 'plan_versions'],
  ['tap of a potting timer', 'taps of a potting timer', 'potting_marks'],
  ['line of the stock’s log', 'lines of the stock’s log', 'stock_moves'],
  ['reading of the site', 'readings of the site', 'site_readings'],
  ['change of a set-point', 'changes of set-points', 'set_point_log'],
  ['set-point by hand', 'set-points by hand', 'heat_overrides'],
  ['check of a sensor', 'checks of sensors', 'calibrations'],
  ['reading of a zone', 'readings of zones', 'zone_hand_readings'],
  ['line of a hot bed', 'lines of hot beds', 'hot_bed_log'],
  ['file of trays of years before', 'files of trays of years before', 'old_tray_files'],
  ['count from a photo', 'counts from photos', 'photo_counts'],
] as const;

const inPlans = (columns: readonly string[]) =>
  `(SELECT DISTINCT batch_id FROM plan_versions WHERE $1::text IN (${columns.map((c) => `plan->>'${c}'`).join(', ')})) AS plans`;
const inSessions = (...keys: readonly string[]) =>
  `potting_sessions WHERE EXISTS (SELECT 1 FROM jsonb_array_elements(lines) AS l WHERE $1::text IN (${keys.map((k) => `l->>'${k}'`).join(', ')}))`;
const inSettings = (...keys: readonly string[]) =>
  `nursery WHERE $1::text IN (${keys.map((k) => `potting->>'${k}'`).join(', ')})`;

/** Where each book's lines are named: what one is and several are called, and the rows that name line $1. Past plans and the log count: they must go on reading. */
const USES: Readonly<Record<BookName, readonly (readonly [string, string, string])[]>> = {
  crops: [
    ['variety', 'varieties', 'varieties WHERE crop_id = $1'],
    ['batch', 'batches', 'batches WHERE crop_id = $1'],
    [WORDS.trayOfYearsBefore, WORDS.traysOfYearsBefore, 'old_trays WHERE crop_id = $1'],
    [WORDS.jobOfTheHouse, WORDS.jobsOfTheHouse, 'house_jobs WHERE crop_id = $1'],
    [WORDS.countFromAPhoto, WORDS.countsFromPhotos, 'photo_counts WHERE crop_id = $1'],
  ],
  varieties: [
    ['lot', 'lots', 'lots WHERE variety_id = $1'],
    ['batch', 'batches', 'batches WHERE variety_id = $1'],
    [WORDS.trayOfYearsBefore, WORDS.traysOfYearsBefore, 'old_trays WHERE variety_id = $1'],
  ],
  lots: [
    ['batch', 'batches', 'batches WHERE lot_id = $1'],
    [WORDS.trayOfYearsBefore, WORDS.traysOfYearsBefore, 'old_trays WHERE lot_id = $1'],
  ],
  places: [
    [
      WORDS.batchByItsPlan,
      WORDS.batchesByTheirPlans,
      inPlans(['germinate_place_id', 'grow_place_id', 'pot_place_id', 'harden_place_id', 'space_place_id']),
    ],
    [WORDS.lineOfALog, WORDS.linesOfLogs, 'batch_events WHERE place_id = $1'],
    [WORDS.heatedZone, WORDS.heatedZones, 'heat_zones WHERE place_id = $1'],
    [WORDS.structureOrCover, WORDS.structuresOrCovers, 'covers WHERE place_id = $1'],
    [WORDS.lineOfItsHotBed, WORDS.linesOfItsHotBed, 'hot_bed_log WHERE place_id = $1'],
    [
      'programme',
      'programmes',
      `programmes WHERE EXISTS (SELECT 1 FROM jsonb_array_elements(rungs) AS r WHERE r->>'placeId' = $1::text)`,
    ],
    [WORDS.pottingSession, WORDS.pottingSessions, inSessions('placeId')],
    [WORDS.jobOfTheHouse, WORDS.jobsOfTheHouse, 'house_jobs WHERE place_id = $1'],
    [WORDS.lineOfWater, WORDS.linesOfWater, 'water_lines WHERE place_id = $1'],
  ],
  containers: [
    [WORDS.batchByItsPlan, WORDS.batchesByTheirPlans, inPlans(['sow_container_id', 'pot_container_id'])],
    ['potting', 'pottings', `batch_events WHERE details->>'containerId' = $1::text`],
    [WORDS.thingInTheStock, WORDS.thingsInTheStock, 'stock_items WHERE container_id = $1'],
    [WORDS.pottingSession, WORDS.pottingSessions, inSessions('containerId')],
  ],
  mixes: [
    [WORDS.pottingSession, WORDS.pottingSessions, inSessions('mixId', 'baseMixId')],
    [WORDS.settingOfHowTheHouse, WORDS.settingsOfHowTheHouse, inSettings('mixId', 'baseMixId', 'sowMixId')],
  ],
  feeds: [
    [WORDS.thingInTheStock, WORDS.thingsInTheStock, 'stock_items WHERE feed_id = $1'],
    [WORDS.settingOfHowTheHouse, WORDS.settingsOfHowTheHouse, inSettings('feedId')],
  ],
  stock: [
    [
      'mix',
      'mixes',
      `mixes WHERE EXISTS (SELECT 1 FROM jsonb_array_elements(parts) AS p WHERE p->>'itemId' = $1::text)`,
    ],
    [WORDS.lineOfTheStocksLog, WORDS.linesOfTheStocksLog, 'stock_moves WHERE item_id = $1'],
  ],
  covers: [
    [WORDS.batchByItsPlan, WORDS.batchesByTheirPlans, inPlans(['cover_id'])],
    ['reading', 'readings', 'site_readings WHERE cover_id = $1'],
    [WORDS.plantingOut, WORDS.plantingsOut, `batch_events WHERE planting->>'coverId' = $1::text`],
  ],
  programmes: [[WORDS.batchByItsPlan, WORDS.batchesByTheirPlans, inPlans(['programme_id'])]],
  people: [
    ...AUTHORED.map(([one, several, table]) => [one, several, `${table} WHERE author_id = $1`] as const),
    [WORDS.lineOfTheRound, WORDS.linesOfTheRound, 'round_lines WHERE $1 IN (author_id, for_person_id)'],
    [WORDS.jobOfTheHouse, WORDS.jobsOfTheHouse, 'house_jobs WHERE person_id = $1'],
    [WORDS.lineOfWater, WORDS.linesOfWater, 'water_lines WHERE author_id = $1'],
  ],
  scales: [[WORDS.lineOfWater, WORDS.linesOfWater, 'water_lines WHERE scale_id = $1']],
  jobs: [[WORDS.lineOfTheRound, WORDS.linesOfTheRound, 'round_lines WHERE house_job_id = $1']],
};
