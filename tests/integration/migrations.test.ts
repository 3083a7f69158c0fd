import type { Sequelize } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { emptySeed, demoSeed } from '../../bin/seeds.ts';
import { connect } from '../../src/db/connect.ts';
import { MIGRATION_NAMES, migrateDown, migrateUp, pendingMigrations } from '../../src/db/migrate.ts';
import { readWorld, type World } from '../../src/db/world.ts';
import { setUp, whatIsThere } from '../../src/server/setup.ts';
import { newDatabase } from '../support/app.ts';

let db: Sequelize;
beforeAll(async () => {
  db = connect(await newDatabase());
});
afterAll(() => db.close());

const tables = async (): Promise<string[]> => {
  const [rows] = await db.query(`SELECT tablename FROM pg_tables WHERE schemaname = 'public' ORDER BY 1`);
  return (rows as { tablename: string }[]).map((row) => row.tablename);
};

describe('migrations', () => {
  it('go up, take the demo season, and say what is pending', async () => {
    expect(await pendingMigrations(db)).toEqual(MIGRATION_NAMES);
    expect(await migrateUp(db)).toEqual(MIGRATION_NAMES);
    expect(await pendingMigrations(db)).toEqual([]);
    expect(await migrateUp(db)).toEqual([]);
    await setUp(db, await demoSeed(), 0);
    const world = (await readWorld(db))!;
    expect(world.batches.length).toBeGreaterThanOrEqual(40);
    expect(world.crops).toHaveLength(36);
  });

  it('go down and up again with rows in, and keep them', async () => {
    const before = (await readWorld(db))!;
    expect(await migrateDown(db, '003-imports-and-feed')).toEqual([
      '012-zones-by-hand',
      '011-one-truth',
      '010-hardening',
      '009-weather',
      '008-potting',
      '007-dirty-taken',
      '006-heat',
      '005-seed-and-counts',
      '004-places-and-plans',
    ]);
    expect(await tables()).not.toContain('scenarios');
    expect(await migrateUp(db)).toEqual([
      '004-places-and-plans',
      '005-seed-and-counts',
      '006-heat',
      '007-dirty-taken',
      '008-potting',
      '009-weather',
      '010-hardening',
      '011-one-truth',
      '012-zones-by-hand',
    ]);
    // What the step added is lost by taking it back; what was there before it is kept.
    const once = (await readWorld(db))!;
    expect(once.batches.map((b) => b.plan.transplantOn)).toEqual(before.batches.map((b) => b.plan.transplantOn));
    expect(once.places.every((place) => place.temperature?.kind === 'written')).toBe(true);
    expect(await migrateDown(db, '002-batches')).toEqual([
      '012-zones-by-hand',
      '011-one-truth',
      '010-hardening',
      '009-weather',
      '008-potting',
      '007-dirty-taken',
      '006-heat',
      '005-seed-and-counts',
      '004-places-and-plans',
      '003-imports-and-feed',
    ]);
    expect(await tables()).not.toContain('imports');
    expect(await migrateUp(db)).toEqual(MIGRATION_NAMES.slice(2));
    const after = (await readWorld(db))!;
    expect(after.batches).toEqual(once.batches);
    const kept = (world: World) =>
      [...world.events.values()]
        .flat()
        .filter((e) => e.kind !== 'watered')
        .map((e) => ({ ...e, details: null, planting: null }));
    expect(kept(after)).toEqual(kept(before));
  });

  it('go all the way down, leave nothing, and come up again', async () => {
    expect(await migrateDown(db, '')).toEqual([...MIGRATION_NAMES].reverse());
    expect(await tables()).toEqual(['migrations']);
    expect(await migrateUp(db)).toEqual(MIGRATION_NAMES);
    await setUp(db, emptySeed(), 0);
    expect(await whatIsThere()).toBe('nursery');
  });

  it('are run once when two start at the same time', async () => {
    const url = await newDatabase();
    const [one, two] = [connect(url), connect(url)];
    const done = await Promise.all([migrateUp(one), migrateUp(two)]);
    expect(done.map((names) => names.length).sort()).toEqual([0, MIGRATION_NAMES.length]);
    await Promise.all([one.close(), two.close()]);
    // The models are bound to the last connection made; give them back to this file's.
    await db.close();
    db = connect(urlOf(db));
  });

  it('a real nursery is never overwritten', async () => {
    await expect(setUp(db, await demoSeed(), 0)).rejects.toThrow(/never overwritten/);
  });
});

describe('the database itself refuses', () => {
  const refuses = (sql: string) => expect(db.query(sql)).rejects.toThrow();
  beforeAll(async () => {
    await db.query(`INSERT INTO batches (code, letter, crop_id, plants_wanted, spare_frac, transplant_on, hardening_days, sow_container_id)
      VALUES ('ABC', 'A', 1, 10, 0.1, '2027-05-20', 7, 1)`);
    await db.query(`INSERT INTO batch_events (batch_id, kind, on_day, count, idempotency_key, request_hash)
      VALUES (1, 'sown', '2027-04-01', 10, 'key-00001', 'h')`);
  });

  it('a changed or deleted line of the log', async () => {
    await refuses('UPDATE batch_events SET count = 3');
    await refuses('DELETE FROM batch_events');
  });
  it('plants, days, codes and counts out of bounds', async () => {
    await refuses('UPDATE batches SET plants_wanted = 0');
    await refuses('UPDATE batches SET plants_wanted = 1000000000');
    await refuses(`UPDATE batches SET transplant_on = '2027-02-29'`);
    await refuses(`UPDATE batches SET transplant_on = '1600-01-01'`);
    await refuses(`UPDATE batches SET code = 'O01'`);
    await refuses(`INSERT INTO places (name, kind, lit, room_trays, walk_order) VALUES ('x', 'bench', true, -1, 1)`);
  });
  it('a lot of another variety, a second correction of a line, a key used twice', async () => {
    await refuses('UPDATE batches SET variety_id = 999');
    const line = (corrects: number, name: string) =>
      `INSERT INTO batch_events (batch_id, kind, on_day, corrects_id, idempotency_key, request_hash) VALUES (1, 'withdrawn', '2027-04-02', ${corrects}, '${name}', 'h')`;
    await db.query(line(1, 'key-00002'));
    await refuses(line(1, 'key-00003'));
    await refuses(line(2, 'key-00001'));
  });
});

function urlOf(connection: Sequelize): string {
  const { username, password, host, port, database } = connection.config;
  return `postgres://${username}:${String(password)}@${host}:${port}/${database}`;
}
