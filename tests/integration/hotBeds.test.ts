import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { isoFromDay, requireDay } from '../../src/core/calendar/dayNumber.ts';
import { USUAL_HOT_BED } from '../../src/core/heat/hotBed.ts';
import { USUAL_MAT } from '../../src/core/heat/mat.ts';
import { USUAL_ZONE } from '../../src/core/heat/zone.ts';
import { connect } from '../../src/db/connect.ts';
import { migrateDown, migrateUp } from '../../src/db/migrate.ts';
import { send, startApp, type App } from '../support/app.ts';

let app: App;
let today: number;
beforeAll(async () => {
  app = await startApp([], undefined, { DEMO_BENCHES: 'off' });
  today = requireDay((await send(app, 'GET', '/api/house/clock')).body.today);
}, 90_000);
afterAll(() => app.stop());

const place = (name: string, temperature: object) => ({
  name,
  kind: 'bench',
  lit: true,
  room_trays: 6,
  walkOrder: 90,
  periods: [{ from: '01-01', day_C: 20, night_C: 16 }],
  temperature,
});
const add = async (name: string, temperature: object) =>
  (await send(app, 'POST', '/api/books/places', place(name, temperature))).body.id as number;
const dayIso = (back: number) => isoFromDay(today - back);

describe('a place on a mat without a thermostat', () => {
  it('is kept as it is laid, and refused with the path of the field', async () => {
    const id = await add('Mat shelf', { kind: 'mat', mat: USUAL_MAT });
    const kept = (await send(app, 'GET', `/api/books/places`)).body.find((p: { id: number }) => p.id === id);
    expect(kept.temperature).toEqual({ kind: 'mat', mat: USUAL_MAT });
    const wrong = await send(
      app,
      'POST',
      '/api/books/places',
      place('Another', { kind: 'mat', mat: { ...USUAL_MAT, power_W: 'many', room: { kind: 'kept', day_C: 18 } } }),
    );
    expect(wrong.status).toBe(422);
    expect(wrong.body.errors.map((e: { path: string }) => e.path)).toEqual(
      expect.arrayContaining(['temperature.mat.power_W', 'temperature.mat.room.night_C']),
    );
    const html = await (await fetch(`${app.url}/books/places?place=${id}`)).text();
    expect(html.includes('27.7°C'), 'the medium is said before anything is sown').toBe(true);
  });
});

describe('a hot bed', () => {
  it('is logged by day and by whom, once for a key, and goes by what is read of it', async () => {
    const id = await add('Hot bed', { kind: 'hot-bed', bed: USUAL_HOT_BED });
    const log = (body: object) =>
      send(app, 'POST', `/api/heat/hot-beds/${id}`, { idempotencyKey: randomUUID(), by: 'Grower', ...body });
    const night = async () =>
      (await (await fetch(`${app.url}/books/places?place=${id}`)).text()).includes('Not read yet');
    expect((await log({ kind: 'built', on: dayIso(12) })).status).toBe(201);
    expect(await night()).toBe(true);
    const key = randomUUID();
    const reading = { kind: 'read', on: dayIso(1), medium_C: 31, idempotencyKey: key };
    const first = await log(reading);
    expect((await log(reading)).body).toEqual(first.body);
    expect((await log({ ...reading, medium_C: 12 })).body.errors[0].path).toBe('idempotencyKey');
    expect(await night()).toBe(false);
    expect((await log({ kind: 'turned', on: isoFromDay(today + 2) })).body.errors[0].path).toBe('on');
    expect((await log({ kind: 'read', on: dayIso(1), medium_C: 'hot' })).body.errors[0].path).toBe('medium_C');
    const kept = (await send(app, 'GET', '/api/books/places')).body.find((p: { id: number }) => p.id === id);
    expect(kept.bedLog.map((l: { kind: string; by: string }) => [l.kind, l.by])).toEqual([
      ['built', 'Grower'],
      ['read', 'Grower'],
    ]);
    // What was withdrawn is gone from the picture, not from the log; a second withdrawal finds nothing.
    const withdraw = { kind: 'withdrawn', on: dayIso(0), correctsId: first.body.id };
    expect((await log(withdraw)).status).toBe(201);
    expect((await log(withdraw)).status).toBe(409);
    expect(await night()).toBe(true);
  });

  it('is no other place, and there is none where there is no place', async () => {
    const line = { idempotencyKey: randomUUID(), kind: 'built', on: dayIso(3), by: 'Grower' };
    const other = (await send(app, 'GET', '/api/books/places')).body[0].id as number;
    expect((await send(app, 'POST', `/api/heat/hot-beds/${other}`, line)).status).toBe(409);
    expect((await send(app, 'POST', '/api/heat/hot-beds/999999', line)).status).toBe(404);
  });

  it('the round says to build it in time for what is sown there, and to read it', async () => {
    const round = (await send(app, 'GET', '/api/house/round')).body;
    expect(JSON.stringify(round)).not.toContain('build the hot bed');
    const crops = (await send(app, 'GET', '/api/books/crops')).body as { id: number; name: string }[];
    const containers = (await send(app, 'GET', '/api/books/containers')).body as { id: number; kind: string }[];
    const places = (await send(app, 'GET', '/api/books/places')).body as { id: number; name: string; kind: string }[];
    const bed = await add('Spring bed', {
      kind: 'hot-bed',
      bed: { ...USUAL_HOT_BED, buildOn: isoFromDay(today + 200).slice(5) },
    });
    const lettuce = crops.find((c) => c.name === 'lettuce')!;
    const made = await send(app, 'POST', '/api/batch', {
      idempotencyKey: randomUUID(),
      cropId: lettuce.id,
      varietyId: null,
      lotId: null,
      note: '',
      plantsWanted: 40,
      spare_frac: 0.1,
      transplantOn: isoFromDay(today + 50),
      hardening_days: 7,
      places: { germinate: bed, grow: bed, pot: bed, harden: places.find((p) => p.kind === 'frame')!.id },
      sowContainerId: containers.find((c) => c.kind === 'cell-tray')!.id,
      potContainerId: null,
    });
    expect(made.status).toBe(201);
    const after = (await send(app, 'GET', '/api/house/round')).body.places.find((p: { id: number }) => p.id === bed);
    expect(JSON.stringify(after.orders)).toMatch(/build the hot bed/);
  });

  it('a heavy bed with nothing on it is switched on by the forecast before it is sown', async () => {
    const bed = await add('Slab', {
      kind: 'set-point',
      levels_C: [18, 21],
      usual_C: 21,
      nightDrop_K: 2,
      unheatedPlus_K: 3,
      loss_W_per_K: 8,
    });
    const spec = {
      ...USUAL_ZONE,
      heater: { kind: 'slab', power_W: 320 },
      bed: { material: 'concrete', thickness_m: 0.1 },
    };
    expect((await send(app, 'POST', '/api/heat/zones', { placeId: bed, device: null, spec })).status).toBe(201);
    const orders = async () =>
      (await send(app, 'GET', '/api/house/round')).body.places
        .find((p: { id: number }) => p.id === bed)
        .orders.map((o: { words: string }) => o.words)
        .join();
    expect(await orders()).toBe('');
    const crops = (await send(app, 'GET', '/api/books/crops')).body as { id: number; name: string }[];
    const containers = (await send(app, 'GET', '/api/books/containers')).body as { id: number; kind: string }[];
    const places = (await send(app, 'GET', '/api/books/places')).body as { id: number; kind: string }[];
    const frame = places.find((p) => p.kind === 'frame')!.id;
    const made = await send(app, 'POST', '/api/batch', {
      idempotencyKey: randomUUID(),
      cropId: crops.find((c) => c.name === 'lettuce')!.id,
      varietyId: null,
      lotId: null,
      note: '',
      plantsWanted: 40,
      spare_frac: 0.1,
      transplantOn: isoFromDay(today + 54),
      hardening_days: 7,
      places: { germinate: bed, grow: frame, pot: frame, harden: frame },
      sowContainerId: containers.find((c) => c.kind === 'cell-tray')!.id,
      potContainerId: null,
      steps: { sow: isoFromDay(today + 2) },
    });
    expect(made.status).toBe(201);
    expect(await orders()).toMatch(/switch the bed on .* at \d\d:00: warm in \d+ h for sowing/);
  });

  it('its table goes and comes back', async () => {
    const db = connect(app.databaseUrl);
    try {
      expect(await migrateDown(db, '018-wet-trays')).toContain('019-hot-beds');
      expect(await migrateUp(db)).toContain('019-hot-beds');
    } finally {
      await db.close();
    }
  });
});
