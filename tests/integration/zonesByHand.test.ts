import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { USUAL_ZONE } from '../../src/core/heat/zone.ts';
import { connect } from '../../src/db/connect.ts';
import { migrateDown, migrateUp } from '../../src/db/migrate.ts';
import { send, startApp, type App } from '../support/app.ts';

let app: App;
let zoneId: number;
beforeAll(async () => {
  app = await startApp([], undefined, { DEMO_BENCHES: 'off' });
}, 90_000);
afterAll(() => app.stop());

const view = async (id = zoneId) => (await send(app, 'GET', `/api/heat/zones/${id}`)).body;
const read = (figures: object, id = zoneId) =>
  send(app, 'POST', `/api/heat/zones/${id}/by-hand`, {
    idempotencyKey: randomUUID(),
    ago_min: 0,
    medium_C: null,
    air_C: null,
    by: 'Bench hand',
    ...figures,
  });

describe('a heated zone without a controller', () => {
  it('is made, as many as there are places, and is refused only for its place', async () => {
    const places = (await send(app, 'GET', '/api/books/places')).body as { id: number }[];
    const taken = new Set(
      ((await send(app, 'GET', '/api/heat/zones')).body as { placeId: number }[]).map((z) => z.placeId),
    );
    const [one, two] = places.filter((p) => !taken.has(p.id));
    const make = (placeId: number) => send(app, 'POST', '/api/heat/zones', { placeId, device: null, spec: USUAL_ZONE });
    const made = await make(one!.id);
    expect(made.status).toBe(201);
    zoneId = made.body.id;
    expect((await make(two!.id)).status).toBe(201);
    expect((await make(one!.id)).body.errors[0].path).toBe('placeId');
  });

  it('shows nothing until it is read, then what was read and by whom, and raises no alarm of silence', async () => {
    expect((await view()).card.status).toBeNull();
    const key = randomUUID();
    const first = await read({ idempotencyKey: key, medium_C: 19.5, air_C: 14 });
    expect(first.status).toBe(201);
    expect((await read({ idempotencyKey: key, medium_C: 19.5, air_C: 14 })).body).toEqual({
      id: first.body.id,
      repeated: true,
    });
    expect((await read({ idempotencyKey: key, medium_C: 12 })).body.errors[0].path).toBe('idempotencyKey');
    const { card, hand, alarms, flows, sensors } = await view();
    expect(card).toMatchObject({ byHand: true, unverified: false, alarms: [] });
    expect(card.status.read).toEqual({ medium: 19.5, bed: null, air: 14 });
    expect(hand.map((r: { medium_C: number; by: string }) => [r.medium_C, r.by])).toEqual([[19.5, 'Bench hand']]);
    expect([alarms, flows, sensors]).toEqual([[], null, []]);
    await new Promise((resolve) => setTimeout(resolve, 3000));
    expect((await view()).card.alarms).toEqual([]);
  });

  it('an older reading does not stand for the newest; a correction takes its place once, a withdrawal takes it away', async () => {
    await read({ ago_min: 600, medium_C: 11 });
    expect((await view()).card.status.read.medium).toBe(19.5);
    const [newest] = (await view()).hand as { id: number }[];
    const correct = { correctsId: newest!.id, medium_C: 18.5 };
    expect((await read(correct)).status).toBe(201);
    expect((await view()).card.status.read.medium).toBe(18.5);
    expect((await read(correct)).status).toBe(409);
    const [corrected] = (await view()).hand as { id: number }[];
    expect((await read({ correctsId: corrected!.id })).status).toBe(201);
    // What is left is ten hours old: shown with its hour, and nothing is worked out from it.
    const left = await view();
    expect(left.hand).toHaveLength(1);
    expect(left.card.status.read.medium).toBe(11);
    expect(left.harm).toEqual([]);
  });

  it('refuses a reading of nothing, of no one, of a stove and of another zone’s, by name', async () => {
    expect((await read({})).body.errors[0].path).toBe('medium_C');
    expect((await read({ medium_C: 20, by: ' ' })).body.errors[0].path).toBe('by');
    expect((await read({ medium_C: 180 })).body.errors[0].path).toBe('medium_C');
    expect((await read({ medium_C: 20 }, 999_999)).status).toBe(404);
    const other = ((await send(app, 'GET', '/api/heat/zones')).body as { id: number }[]).find((z) => z.id !== zoneId)!;
    const [mine] = (await view()).hand as { id: number }[];
    expect((await read({ correctsId: mine!.id, medium_C: 20 }, other.id)).status).toBe(409);
  });

  it('a bench with a controller takes a thermometer beside its sensor and keeps showing the sensor', async () => {
    const zones = (await send(app, 'GET', '/api/heat/zones')).body as { id: number; byHand: boolean }[];
    const bench = zones.find((z) => !z.byHand)!.id;
    const before = (await view(bench)).card.status;
    await read({ medium_C: 17.2 }, bench);
    const after = await view(bench);
    expect(after.hand[0].medium_C).toBe(17.2);
    expect(after.card.status).toEqual(before);
  });

  it('loses its controller and gets one again by an edit', async () => {
    const { zone } = await view();
    const put = (device: string | null, version: number) =>
      send(app, 'PUT', `/api/heat/zones/${zoneId}`, {
        version,
        zone: { placeId: zone.placeId, device, spec: zone.spec },
      });
    expect((await put('bench-1', zone.version)).body.errors[0].path).toBe('device');
    expect((await put('far-corner', zone.version)).status).toBe(200);
    expect((await view()).card).toMatchObject({ byHand: false, status: null });
    expect((await put(null, zone.version + 1)).status).toBe(200);
    expect((await view()).card.byHand).toBe(true);
    expect((await send(app, 'POST', `/api/heat/zones/${zoneId}/break`, { powerOff: true })).status).toBe(409);
  });

  it('its pages open, and its step goes down and up with rows in', async () => {
    for (const path of [`/heat?zone=${zoneId}`, `/heat/zones/${zoneId}`, '/heat/readings', '/heat/alarms', '/'])
      expect((await fetch(app.url + path)).status, path).toBe(200);
    const db = connect(app.databaseUrl);
    try {
      expect(await migrateDown(db, '011-one-truth')).toContain('012-zones-by-hand');
      expect(await migrateUp(db)).toContain('012-zones-by-hand');
    } finally {
      await db.close();
    }
  });
});
