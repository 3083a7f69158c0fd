import { readFile } from 'node:fs/promises';
import Papa from 'papaparse';
import type { Sequelize } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { emptySeed, demoSeed } from '../../bin/seeds.ts';
import { connect } from '../../src/db/connect.ts';
import { MIGRATION_NAMES, migrateDown, migrateUp, pendingMigrations } from '../../src/db/migrate.ts';
import { readWorld } from '../../src/db/house/world.ts';
import { type World } from '../../src/core/house/world.ts';
import { libraryCrops } from '../../bin/libraryCrops.ts';
import { setUp } from '../../bin/setUp.ts';
import { whatIsThere } from '../../src/db/house/whatIsThere.ts';
import { requireDay } from '../../src/core/calendar/dayNumber.ts';
import { newDatabase } from '../support/app.ts';
import { logBetween, makeYear, yearsSeed } from '../support/madeUpYears.ts';

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
    expect(world.crops).toHaveLength(197);
  });

  it('go down and up again with rows in, and keep them', async () => {
    const before = (await readWorld(db))!;
    expect(await migrateDown(db, '003-imports-and-feed')).toEqual([...MIGRATION_NAMES].slice(3).reverse());
    expect(await tables()).not.toContain('scenarios');
    expect(await migrateUp(db)).toEqual(MIGRATION_NAMES.slice(3));
    // What the step added is lost by taking it back; what was there before it is kept.
    const once = (await readWorld(db))!;
    // That last season was closed is lost as well: its batches stand open beside this season's, each in the season of its day out.
    const open = new Set(before.batches.map((b) => b.id));
    const still = once.batches.filter((b) => open.has(b.id));
    expect(still.map((b) => b.plan.transplantOn)).toEqual(before.batches.map((b) => b.plan.transplantOn));
    expect(once.seasons.map((one) => [one.name, one.closedAt_ms])).toEqual([
      ['2026', null],
      ['2027', null],
    ]);
    for (const { seasonId, plan } of once.batches) {
      const season = once.seasons.find((one) => one.id === seasonId)!;
      expect(plan.transplantOn >= season.firstDay && plan.transplantOn <= season.lastDay).toBe(true);
    }
    expect(once.places.every((place) => place.temperature?.kind === 'written')).toBe(true);
    expect(await migrateDown(db, '002-batches')).toEqual([...MIGRATION_NAMES].slice(2).reverse());
    expect(await tables()).not.toContain('imports');
    expect(await migrateUp(db)).toEqual(MIGRATION_NAMES.slice(2));
    const after = (await readWorld(db))!;
    expect(after.batches).toEqual(once.batches);
    // Every plan has its first version again.
    const [versions] = await db.query('SELECT count(DISTINCT batch_id)::integer AS n FROM plan_versions');
    expect((versions as { n: number }[])[0]!.n).toBe(after.batches.length);
    const kept = (world: World) =>
      [...world.events.values()]
        .flat()
        .filter((e) => e.kind !== 'watered' && open.has(e.batchId))
        .map((e) => ({ ...e, details: null, planting: null, authorId: null }));
    expect(kept(after)).toEqual(kept(before));
  });

  it('the wider crop library leaves what a grower has changed, fills what is new, and adds what lacks', async () => {
    await migrateDown(db, '012-zones-by-hand');
    const first = await readFile(
      new URL('../../src/db/migrations/013-crop-library/before.csv', import.meta.url),
      'utf8',
    );
    const lettuce = Papa.parse<Record<string, string>>(first, { header: true }).data.find(
      (r) => r['name'] === 'lettuce',
    )!;
    await db.query(`DELETE FROM crops WHERE name IN ('lettuce', 'rocket') AND NOT EXISTS
      (SELECT 1 FROM batches WHERE crop_id = crops.id) AND NOT EXISTS (SELECT 1 FROM varieties WHERE crop_id = crops.id)`);
    const set = Object.entries(lettuce)
      .filter(([column]) => column !== 'name' && column !== 'weeks_high')
      .map(([column, value]) => `${column} = '${value}'`);
    // Lettuce as the first library had it, but for its weeks; tomato with an optimum above the library's ceiling.
    await db.query(`UPDATE crops SET ${set.join(', ')}, weeks_high = 9 WHERE name = 'lettuce'`);
    await db.query(`UPDATE crops SET grow_optimum_c = 45 WHERE name = 'tomato'`);
    await db.query(`INSERT INTO crops (name, crop_group, light, depth_mm, germ_min_c, germ_best_c, germ_max_c, germ_base_c,
      germ_ceiling_c, germ_best_days, grow_day_c, grow_night_c, base_c, grow_optimum_c, weeks_low, weeks_high, pot_at_frac,
      potted, hardening_days, hardiness, plant_soil_min_c, plant_night_min_c, weeks_from_last_frost)
      SELECT 'own oddity', crop_group, light, depth_mm, germ_min_c, germ_best_c, germ_max_c, germ_base_c, germ_ceiling_c,
      germ_best_days, grow_day_c, grow_night_c, base_c, grow_optimum_c, weeks_low, weeks_high, pot_at_frac, potted,
      hardening_days, hardiness, plant_soil_min_c, plant_night_min_c, weeks_from_last_frost FROM crops WHERE name = 'lettuce'`);
    await migrateUp(db);
    const { crops } = (await readWorld(db))!;
    const named = (name: string) => crops.find((c) => c.name === name)!;
    const library = (await libraryCrops()).find((c) => c.name === 'lettuce')!;
    expect(named('lettuce')).toMatchObject({
      weeksHigh: 9,
      growOptimum_C: library.growOptimum_C,
      growCeiling_C: library.growCeiling_C,
      dliGood: library.dliGood,
      synonyms: library.synonyms,
    });
    expect(named('tomato')).toMatchObject({ growOptimum_C: 45, growCeiling_C: 57, botanical: 'Solanum lycopersicum' });
    expect(named('own oddity')).toMatchObject({ weeksHigh: 9, comfortNight_C: 5, dliGood: 12, synonyms: '' });
    expect(named('rocket').emergence).toEqual([]);
    expect(crops).toHaveLength(198);
    await db.query(`DELETE FROM crops WHERE name = 'own oddity'`);
  });

  it('go all the way down, leave nothing, and come up again', async () => {
    expect(await migrateDown(db, '')).toEqual([...MIGRATION_NAMES].reverse());
    expect(await tables()).toEqual(['migrations']);
    expect(await migrateUp(db)).toEqual(MIGRATION_NAMES);
    await setUp(db, emptySeed(), 0);
    expect(await whatIsThere()).toBe('not begun');
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

  it('a real nursery is never overwritten; one in which nothing was written gives way only where that is asked for', async () => {
    await expect(setUp(db, await demoSeed(), 0)).rejects.toThrow(/never overwritten/);
    for (const [write, undo] of [
      [`INSERT INTO people (name, initials, mark) VALUES ('A', 'A', 'ring')`, 'DELETE FROM people'],
      [
        `INSERT INTO weather_days (on_day, least_c, most_c, source) VALUES ('2026-01-01', 1, 2, 's')`,
        'DELETE FROM weather_days',
      ],
      ['UPDATE nursery SET by_the_sea = false', 'UPDATE nursery SET by_the_sea = NULL'],
    ] as const) {
      await db.query(write);
      expect(await whatIsThere(), write).toBe('nursery');
      await expect(setUp(db, await demoSeed(), 0, true)).rejects.toThrow(/never overwritten/);
      await db.query(undo);
    }
    await setUp(db, emptySeed(), 0, true);
    expect(await whatIsThere()).toBe('not begun');
  });
});

describe('the database itself refuses', () => {
  const refuses = (sql: string) => expect(db.query(sql)).rejects.toThrow();
  beforeAll(async () => {
    await db.query(`INSERT INTO seasons (name, first_day, last_day) VALUES ('2027', '2027-01-01', '2027-12-31')`);
    await db.query(`INSERT INTO batches (code, letter, crop_id, plants_wanted, spare_frac, transplant_on, hardening_days, sow_container_id, season_id)
      VALUES ('ABC', 'A', 1, 10, 0.1, '2027-05-20', 7, 1, 1)`);
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
  it('a batch without a season, a season backwards, too long or of a taken name, a changed version of a plan', async () => {
    await refuses('UPDATE batches SET season_id = NULL');
    await refuses('DELETE FROM seasons');
    const season = (name: string, first: string, last: string) =>
      `INSERT INTO seasons (name, first_day, last_day) VALUES ('${name}', '${first}', '${last}')`;
    await refuses(season('back', '2028-05-01', '2028-04-01'));
    await refuses(season('long', '2028-01-01', '2030-02-01'));
    await refuses(season('2027', '2029-01-01', '2029-12-31'));
    await refuses('UPDATE plan_versions SET version = 9');
    await refuses('DELETE FROM plan_versions');
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

describe('a made-up nursery of five years', () => {
  it('keeps every batch in its year, its log and its plans, down to before there were seasons and up again', async () => {
    const own = connect(await newDatabase());
    try {
      await migrateUp(own);
      await setUp(own, yearsSeed(2027), 0);
      const ids = new Map((await readWorld(own))!.crops.map((crop) => [crop.name, crop]));
      for (let year = 2027; year < 2032; year++)
        await logBetween(own, await makeYear(own, year, 32, ids), 0, requireDay(`${year}-12-31`));
      // Somebody who wrote, a line retired and a batch voided: what the later steps added goes with them, the rest stays.
      await own.query(`UPDATE crops SET retired_on = '2030-01-01' WHERE name = 'leek'`);
      await own.query(`UPDATE batches SET voided_at = now() WHERE id = 5`);
      await own.query(`INSERT INTO batch_events (batch_id, kind, on_day, author_id, idempotency_key, request_hash)
        VALUES (5, 'voided', '2031-12-31', 1, 'five-years-1', 'h')`);
      const before = (await readWorld(own))!;
      expect(before.batches).toHaveLength(5 * 32 - 1);
      const logOf = (world: World, id: number) => world.events.get(id)!.map(({ authorId: _author, ...line }) => line);
      for (const to of ['022-how-sure', '013-crop-library', '004-places-and-plans']) {
        await migrateDown(own, to);
        expect(await migrateUp(own)).toEqual(MIGRATION_NAMES.slice(MIGRATION_NAMES.indexOf(to) + 1));
        const after = (await readWorld(own))!;
        expect(after.batches).toHaveLength(5 * 32);
        expect(after.seasons.map((one) => one.name)).toEqual(['2027', '2028', '2029', '2030', '2031']);
        for (const season of after.seasons)
          expect(after.batches.filter((batch) => batch.seasonId === season.id)).toHaveLength(32);
        for (const batch of before.batches) {
          const same = after.batches.find((one) => one.id === batch.id)!;
          const { code, letter, plan } = batch;
          expect([same.plan.transplantOn, same.letter, same.code]).toEqual([plan.transplantOn, letter, code]);
          if (to === '022-how-sure') expect(logOf(after, batch.id)).toEqual(logOf(before, batch.id));
        }
        expect(after.events.get(5)!.every((line) => line.kind !== 'voided')).toBe(true);
        const [versions] = await own.query('SELECT count(DISTINCT batch_id)::integer AS n FROM plan_versions');
        expect((versions as { n: number }[])[0]!.n).toBe(5 * 32);
      }
    } finally {
      await own.close();
    }
  });
});
