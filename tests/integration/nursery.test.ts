import { isoFromDay } from '../../src/core/calendar/dayNumber.ts';
import { DateTime } from 'luxon';
import type { Sequelize } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { demoSeed } from '../../bin/seeds.ts';
import { connect } from '../../src/db/connect.ts';
import { migrateUp } from '../../src/db/migrate.ts';
import { readWorld } from '../../src/db/house/world.ts';
import { type World } from '../../src/core/house/world.ts';
import { nowAt } from '../../src/server/clock.ts';
import { workOut } from '../../src/core/plan/season.ts';
import { setUp } from '../../bin/setUp.ts';
import { workCalendar } from '../../src/server/house/takeAlong.ts';
import { key, newDatabase, send, startApp, type App } from '../support/app.ts';

describe('a real nursery in the south, from empty', () => {
  let app: App;
  beforeAll(async () => {
    app = await startApp(['--empty']);
  });
  afterAll(() => app.stop());

  it('follows the machine’s clock in its own time zone, in a season that crosses the new year', async () => {
    const nursery = (await send(app, 'GET', '/api/house/nursery')).body;
    const { demoClock, potting: _potting, planting: _planting, frost: _frost, ...settings } = nursery;
    expect(demoClock).toBeNull();
    const change = {
      ...settings,
      name: 'Kowhai Flat',
      timeZone: 'Pacific/Auckland',
      latitude_deg: -41,
      longitude_deg: 175,
      lastFrost: '10-05',
      firstFrost: '05-01',
    };
    expect((await send(app, 'PUT', '/api/house/nursery', change)).status).toBe(200);
    const { body } = await send(app, 'GET', '/api/house/clock');
    const there = DateTime.now().setZone('Pacific/Auckland');
    expect([there.toISODate(), there.minus({ minutes: 1 }).toISODate()]).toContain(body.today);
    expect((await send(app, 'PUT', '/api/house/clock', { setTo: '2027-01-01' })).status).toBe(409);
  });

  it('says what to do first, takes places and a batch, and makes a round of them', async () => {
    expect(await (await fetch(app.url)).text()).toContain('Your nursery in five answers');
    expect(await (await fetch(`${app.url}/plan/season`)).text()).toContain('Plants need somewhere to stand first');
    const place = async (name: string, kind: string, lit: boolean, day_C: number, night_C: number, walkOrder: number) =>
      (
        await send(app, 'POST', '/api/books/places', {
          name,
          kind,
          lit,
          room_trays: 20,
          walkOrder,
          periods: [{ from: '07-01', day_C, night_C }],
        })
      ).body.id;
    const places = {
      germinate: await place('Box', 'dark-chamber', false, 26, 26, 1),
      grow: await place('Bench', 'bench', true, 22, 17, 2),
      pot: await place('House', 'house', true, 22, 16, 3),
      harden: await place('Frame', 'frame', true, 17, 9, 4),
    };
    const crops = (await send(app, 'GET', '/api/books/crops')).body as { id: number; name: string }[];
    const containers = (await send(app, 'GET', '/api/books/containers')).body as { id: number; kind: string }[];
    const { today } = (await send(app, 'GET', '/api/house/clock')).body;
    const transplantOn = DateTime.fromISO(today).plus({ days: 55 }).toISODate();
    const batch = {
      cropId: crops.find((c) => c.name === 'tomato')!.id,
      varietyId: null,
      lotId: null,
      plantsWanted: 60,
      spare_frac: 0.1,
      transplantOn,
      hardening_days: 8,
      places,
      sowContainerId: containers.find((c) => c.kind === 'cell-tray')!.id,
      potContainerId: containers.find((c) => c.kind === 'pot')!.id,
      note: '',
    };
    const { id } = (await send(app, 'POST', '/api/batch', { ...batch, idempotencyKey: key() })).body;
    const made = (await send(app, 'GET', `/api/batch/${id}`)).body;
    expect(made.planned.map((m: { key: string }) => m.key)).toEqual([
      'sow',
      'first-up',
      'half-up',
      'off-heat',
      'pot',
      'space',
      'harden',
      'plant',
    ]);
    if (made.planned[0].on <= today) {
      const round = (await send(app, 'GET', '/api/house/round')).body;
      expect(round.places.find((p: { name: string }) => p.name === 'Box').jobs).toHaveLength(1);
    }
    const logged = await send(app, 'POST', `/api/batch/${id}/events`, {
      idempotencyKey: key(),
      kind: 'sown',
      day: today,
      count: 66,
    });
    expect(logged.status).toBe(201);
  });

  it('is not put away by a later start that asks for the demo', async () => {
    const second = startApp(['--reset-demo'], app.databaseUrl);
    await expect(second).rejects.toThrow(/never overwritten/);
    expect((await send(app, 'GET', '/api/batch')).body).toHaveLength(1);
  });
});

describe('the season as it is kept between requests', () => {
  let db: Sequelize;
  let world: World;
  beforeAll(async () => {
    db = connect(await newDatabase());
    await migrateUp(db);
    await setUp(db, await demoSeed(), 0);
    world = (await readWorld(db))!;
  });
  afterAll(() => db.close());

  it('taking over what has not changed gives the same as working all out anew', async () => {
    const now = nowAt(world.nursery);
    const before = workOut(world, now);
    await db.query(`INSERT INTO batch_events (batch_id, kind, on_day, count, idempotency_key, request_hash)
      VALUES (25, 'counted', '2027-04-12', 9, 'season-test-1', 'h')`);
    await db.query(`UPDATE batches SET transplant_on = '2027-06-30', version = version + 1 WHERE id = 30`);
    const next = (await readWorld(db, world))!;
    expect(next.revision).not.toBe(world.revision);
    const quick = workOut(next, now, before);
    const slow = workOut((await readWorld(db))!, now);
    // Those written to, and those of the crop the count may have taught of, are worked out anew; the rest is taken over.
    const cropId = next.batches[24]!.cropId;
    const anew = quick.batches.filter((view, i) => view !== before.batches[i]).map((view) => view.batch);
    expect(anew.map((batch) => batch.id)).toEqual(expect.arrayContaining([25, 30]));
    expect(anew.filter((batch) => batch.id !== 30 && batch.cropId !== cropId)).toEqual([]);
    expect(anew.length).toBeLessThan(before.batches.length / 4);
    expect(JSON.parse(JSON.stringify(quick.batches))).toEqual(JSON.parse(JSON.stringify(slow.batches)));
    expect(quick.batches[24]!.state.up_count).toBe(9);
    world = next;
  });

  it('a warmer place or another day makes all anew', async () => {
    const now = nowAt(world.nursery);
    const before = workOut(world, now);
    const tomorrow = workOut(world, { ...now, today: now.today + 1 }, before);
    expect(tomorrow.batches.some((view, i) => view === before.batches[i])).toBe(false);
    await db.query('UPDATE place_periods SET day_c = day_c + 1 WHERE place_id = 5');
    const warmer = workOut((await readWorld(db, world))!, now, before);
    expect(warmer.batches.some((view, i) => view === before.batches[i])).toBe(false);
  });

  it('what was over long before is taken over on another day, what was over lately is not', async () => {
    const now = nowAt(world.nursery);
    const [long, lately] = world.batches.filter((batch) => !world.events.has(batch.id)).map((batch) => batch.id);
    for (const [id, ago] of [
      [long, 70],
      [lately, 40],
    ])
      await db.query(`INSERT INTO batch_events (batch_id, kind, on_day, cause, idempotency_key, request_hash)
        VALUES (${id}, 'ended', '${isoFromDay(now.today - ago!)}', 'mice', 'over-${id}-test', 'h')`);
    const before = workOut((await readWorld(db))!, now);
    const after = workOut(before.world, { ...now, today: now.today + 1 }, before);
    const same = (id: number | undefined) =>
      after.batches.find((view) => view.batch.id === id) === before.batches.find((view) => view.batch.id === id);
    expect([same(long), same(lately)]).toEqual([true, false]);
  });

  it('a line with a lower number that was committed later is not missed', async () => {
    // Numbers are given out when a line is written, not when it is committed: leave a gap, read, then fill it.
    const [reserved] = await db.query("SELECT nextval(pg_get_serial_sequence('batch_events', 'id'))::integer AS id");
    const gap = (reserved as { id: number }[])[0]!.id;
    const insert = (columns: string, values: string) =>
      db.query(`INSERT INTO batch_events (${columns} batch_id, kind, on_day, idempotency_key, request_hash) ${values}`);
    await insert('', "VALUES (1, 'note', '2027-04-12', 'after-the-gap', 'h')");
    const known = (await readWorld(db))!;
    await insert('id,', `OVERRIDING SYSTEM VALUE VALUES (${gap}, 2, 'note', '2027-04-12', 'in-the-gap', 'h')`);
    const quick = (await readWorld(db, known))!;
    expect(quick.events.get(2)!.some((event) => event.id === gap)).toBe(true);
    expect([...quick.events.values()].flat()).toHaveLength([...known.events.values()].flat().length + 1);
  });

  it('the calendar keeps whole days through the nights the clocks change', () => {
    const text = workCalendar(workOut(world, nowAt(world.nursery)));
    const starts = [...text.matchAll(/DTSTART;VALUE=DATE:(\d{8})/g)].map((m) => m[1]!);
    const ends = [...text.matchAll(/DTEND;VALUE=DATE:(\d{8})/g)].map((m) => m[1]!);
    expect(starts.length).toBeGreaterThan(100);
    expect(text).not.toMatch(/DTSTART:\d{8}T/);
    starts.forEach((start, i) => {
      const iso = `${start.slice(0, 4)}-${start.slice(4, 6)}-${start.slice(6)}`;
      expect(ends[i]).toBe(DateTime.fromISO(iso).plus({ days: 1 }).toFormat('yyyyLLdd'));
    });
  });
});
