import type { QueryOptions, Sequelize } from 'sequelize';
import { Umzug, type UmzugStorage } from 'umzug';
import * as books from './migrations/001-books.ts';
import * as batches from './migrations/002-batches.ts';
import * as imports from './migrations/003-imports-and-feed.ts';
import * as plans from './migrations/004-places-and-plans.ts';
import * as seed from './migrations/005-seed-and-counts.ts';
import * as heat from './migrations/006-heat.ts';
import * as dirty from './migrations/007-dirty-taken.ts';
import * as potting from './migrations/008-potting.ts';
import * as weather from './migrations/009-weather.ts';
import * as hardening from './migrations/010-hardening.ts';
import * as oneTruth from './migrations/011-one-truth.ts';
import * as zonesByHand from './migrations/012-zones-by-hand.ts';
import * as cropLibrary from './migrations/013-crop-library.ts';
import * as placeLight from './migrations/014-place-light.ts';
import * as leftOut from './migrations/015-left-out.ts';
import * as siteWind from './migrations/016-site-wind.ts';
import * as bolting from './migrations/017-bolting.ts';
import * as wetTrays from './migrations/018-wet-trays.ts';
import * as hotBeds from './migrations/019-hot-beds.ts';
import * as coldestNight from './migrations/020-coldest-night.ts';
import * as bandsAndPlanning from './migrations/021-bands-and-planning.ts';
import * as howSure from './migrations/022-how-sure.ts';
import * as seasons from './migrations/023-seasons.ts';
import * as people from './migrations/024-people.ts';
import * as marks from './migrations/025-marks.ts';
import * as oldTrays from './migrations/026-old-trays.ts';
import * as firstHour from './migrations/027-first-hour.ts';
import * as tapped from './migrations/028-tapped.ts';
import * as round from './migrations/029-round.ts';
import * as photos from './migrations/030-photos.ts';
import * as water from './migrations/031-water.ts';
import * as scales from './migrations/032-scales.ts';
import * as access from './migrations/033-access.ts';
import { LOCKS } from './locks.ts';

interface Step {
  up(db: Sequelize): Promise<void>;
  down(db: Sequelize): Promise<void>;
}

const STEPS: readonly [string, Step][] = [
  ['001-books', books],
  ['002-batches', batches],
  ['003-imports-and-feed', imports],
  ['004-places-and-plans', plans],
  ['005-seed-and-counts', seed],
  ['006-heat', heat],
  ['007-dirty-taken', dirty],
  ['008-potting', potting],
  ['009-weather', weather],
  ['010-hardening', hardening],
  ['011-one-truth', oneTruth],
  ['012-zones-by-hand', zonesByHand],
  ['013-crop-library', cropLibrary],
  ['014-place-light', placeLight],
  ['015-left-out', leftOut],
  ['016-site-wind', siteWind],
  ['017-bolting', bolting],
  ['018-wet-trays', wetTrays],
  ['019-hot-beds', hotBeds],
  ['020-coldest-night', coldestNight],
  ['021-bands-and-planning', bandsAndPlanning],
  ['022-how-sure', howSure],
  ['023-seasons', seasons],
  ['024-people', people],
  ['025-marks', marks],
  ['026-old-trays', oldTrays],
  ['027-first-hour', firstHour],
  ['028-tapped', tapped],
  ['029-round', round],
  ['030-photos', photos],
  ['031-water', water],
  ['032-scales', scales],
  ['033-access', access],
];

export const MIGRATION_NAMES = STEPS.map(([name]) => name);

function umzugFor(db: Sequelize): Umzug<Sequelize> {
  const storage: UmzugStorage<Sequelize> = {
    async executed() {
      await db.query(
        'CREATE TABLE IF NOT EXISTS migrations (name text PRIMARY KEY, at timestamptz NOT NULL DEFAULT now())',
      );
      const [rows] = await db.query('SELECT name FROM migrations ORDER BY name');
      return (rows as { name: string }[]).map((row) => row.name);
    },
    // Written inside the step's own transaction, below.
    async logMigration() {},
    async unlogMigration() {},
  };
  return new Umzug<Sequelize>({
    context: db,
    logger: undefined,
    storage,
    migrations: STEPS.map(([name, step]) => ({
      name,
      up: () => inTransaction(db, (one) => step.up(one), `INSERT INTO migrations (name) VALUES ('${name}')`),
      down: () => inTransaction(db, (one) => step.down(one), `DELETE FROM migrations WHERE name = '${name}'`),
    })),
  });
}

/** Brings the database to the newest form. Safe when two start at once: the second waits, then finds nothing to do. */
export async function migrateUp(db: Sequelize): Promise<string[]> {
  return underLock(db, async () => (await umzugFor(db).up()).map((done) => done.name));
}

/** Takes migrations back until only those up to and including `keep` remain ('' for none). Data they hold is lost. */
export async function migrateDown(db: Sequelize, keep: string): Promise<string[]> {
  return underLock(db, async () => {
    const undone: string[] = [];
    for (const name of (await umzugFor(db).executed()).map((m) => m.name).reverse()) {
      if (keep !== '' && name <= keep) break;
      await umzugFor(db).down({ migrations: [name] });
      undone.push(name);
    }
    return undone;
  });
}

/** Names still to be run. */
export async function pendingMigrations(db: Sequelize): Promise<string[]> {
  const [rows] = await db.query("SELECT to_regclass('migrations') IS NOT NULL AS there");
  if (!(rows as { there: boolean }[])[0]!.there) return [...MIGRATION_NAMES];
  const [done] = await db.query('SELECT name FROM migrations');
  const names = new Set((done as { name: string }[]).map((row) => row.name));
  return MIGRATION_NAMES.filter((name) => !names.has(name));
}

async function underLock<T>(db: Sequelize, work: () => Promise<T>): Promise<T> {
  return db.transaction(async (transaction) => {
    await db.query(`SELECT pg_advisory_xact_lock(${LOCKS.migrate})`, {
      transaction,
    });
    return work();
  });
}

/** Runs a step on one connection inside one transaction, with its mark in the same. */
async function inTransaction(db: Sequelize, step: (one: Sequelize) => Promise<void>, mark: string): Promise<void> {
  await db.transaction(async (transaction) => {
    const one = new Proxy(db, {
      get(target, key, receiver) {
        if (key === 'query')
          return (sql: string, more: QueryOptions = {}) => target.query(sql, { ...more, transaction });
        return Reflect.get(target, key, receiver) as unknown;
      },
    });
    await step(one);
    await db.query(mark, { transaction });
  });
}
