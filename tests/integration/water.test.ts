import { connectAsync } from 'mqtt';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { PlaceWater } from '../../src/contracts/watering/water.ts';
import type { PlaceWaterView, WaterPlanView } from '../../src/contracts/watering/waterViews.ts';
import { key, MQTT_PASSWORD, send, startApp, type App } from '../support/app.ts';

let app: App;
let client: pg.Client;
beforeAll(async () => {
  app = await startApp();
  client = new pg.Client({ connectionString: app.databaseUrl });
  await client.connect();
});
afterAll(async () => {
  await client.end();
  await app.stop();
});

const log = (body: object, headers: Record<string, string> = {}) =>
  send(app, 'POST', '/api/watering/lines', { idempotencyKey: key(), ...body }, headers);
interface Logged {
  lineIds: number[];
  skipped: number[];
  repeated: boolean;
}
interface RoundPlace {
  id: number;
  orders: { half: string; words: string }[];
  jobs: { kind: string; why: string }[];
}
const COOL_BAY = 5;
const view = async (id = COOL_BAY) => (await send(app, 'GET', `/api/watering/places/${id}`)).body as PlaceWaterView;
const water = async (): Promise<PlaceWater> => (await view()).water!;
const wanting = async () => (await water()).trays.filter(({ want }) => want === 'now');

describe('the water card', () => {
  it('stands in the round by place, with what wants water in front, in litres and minutes', async () => {
    const round = (await send(app, 'GET', '/api/house/round')).body as {
      places: { id: number; water: PlaceWater | null }[];
    };
    const place = round.places.find(({ id }) => id === COOL_BAY)!;
    expect(place.water!.trays[0]!.want).toBe('now');
    expect(place.water).toEqual(await water());
    for (const tray of place.water!.trays) {
      expect(tray.litres).toBeGreaterThanOrEqual(0);
      expect(tray.minutes).toBeGreaterThan(0);
    }
    expect(round.places.find(({ id }) => id === 0)?.water ?? null).toBeNull();
  });

  it('watered with one tap nothing wants water; the same key writes once, a second tap within ten minutes nothing', async () => {
    const batchIds = (await wanting()).map(({ batchId }) => batchId);
    expect(batchIds.length).toBeGreaterThan(1);
    const idempotencyKey = key();
    const [first, second] = await Promise.all([
      log({ idempotencyKey, kind: 'watered', batchIds }),
      log({ idempotencyKey, kind: 'watered', batchIds }),
    ]);
    expect([first.status, second.status].sort()).toEqual([200, 201]);
    expect((first.body as Logged).lineIds).toEqual((second.body as Logged).lineIds);
    expect(await wanting()).toEqual([]);
    const again = await log({ kind: 'watered', batchIds });
    expect(again.status).toBe(409);
    expect(again.body).toMatchObject({ detail: expect.stringContaining('within the last ten minutes') });
    // One more among them: it is watered, the rest is left out.
    const other = (await water()).trays.find(({ batchId }) => !batchIds.includes(batchId))!;
    const mixed = (await log({ kind: 'watered', batchIds: [...batchIds, other.batchId] })).body as Logged;
    expect(mixed.lineIds).toHaveLength(1);
    expect(mixed.skipped.sort()).toEqual([...batchIds].sort());
    // Taken back, all is as it was.
    for (const correctsId of (first.body as Logged).lineIds)
      expect((await log({ kind: 'withdrawn', correctsId })).status).toBe(201);
    expect((await wanting()).length).toBe(batchIds.length);
    const gone = await log({ kind: 'withdrawn', correctsId: (first.body as Logged).lineIds[0] });
    expect(gone.status).toBe(422);
  });

  it('litres given to all are shared out by trays', async () => {
    const two = (await wanting()).slice(0, 2);
    const { lineIds } = (await log({ kind: 'watered', batchIds: two.map(({ batchId }) => batchId), litres: 9 }))
      .body as Logged;
    const { rows } = await client.query('SELECT litres FROM water_lines WHERE id = ANY($1) ORDER BY id', [lineIds]);
    const all = two[0]!.trays + two[1]!.trays;
    expect(rows.map(({ litres }: { litres: number }) => litres)).toEqual(two.map(({ trays }) => (9 * trays) / all));
  });

  it('feed that went to some of those watered is written of those', async () => {
    const ids = (await water()).trays.slice(-2).map(({ batchId }) => batchId);
    const { lineIds } = (await log({ kind: 'watered', batchIds: ids, fedIds: [ids[1]] })).body as Logged;
    const { rows } = await client.query('SELECT batch_id, fed FROM water_lines WHERE id = ANY($1) ORDER BY id', [
      lineIds,
    ]);
    expect(rows).toEqual([
      { batch_id: ids[0], fed: false },
      { batch_id: ids[1], fed: true },
    ]);
    for (const correctsId of lineIds) await log({ kind: 'withdrawn', correctsId });
  });

  it('a look moves what is thought of it, and of others at its place', async () => {
    const [one] = (await water()).trays.filter(({ want }) => want === 'not' || want === 'later').slice(-1);
    const before = one!.figures;
    await log({ kind: 'looked', batchIds: [one!.batchId], look: 'dry' });
    const after = (await water()).trays.find(({ batchId }) => batchId === one!.batchId)!;
    expect(after.figures.looks).toBe(before.looks + 1);
    expect(after.figures.factor).toBeGreaterThan(before.factor);
    expect(after.look).toMatchObject({ look: 'dry' });
  });

  it('a weight: full after watering, then lighter; less than an empty tray is refused with what one weighs', async () => {
    const { batchId } = (await wanting())[0]!;
    await log({ kind: 'watered', batchIds: [batchId] });
    expect((await log({ kind: 'weighed', batchIds: [batchId], weight_g: 3000 })).status).toBe(201);
    const refused = await log({ kind: 'weighed', batchIds: [batchId], weight_g: 900 });
    expect(refused.status).toBe(422);
    expect(refused.body).toMatchObject({
      errors: [
        { path: 'weight_g', message: expect.stringMatching(/full it weighed 3000 g, dry it would weigh about \d+ g/) },
      ],
    });
  });

  it.each([
    [{ kind: 'looked', batchIds: [1] }, 'look'],
    [{ kind: 'watered', batchIds: [] }, 'batchIds'],
    [{ kind: 'watered', batchIds: [999_999] }, 'batchIds.0'],
    [{ kind: 'weighed', batchIds: [1], weight_g: 3 }, 'weight_g'],
    [{ kind: 'watered', batchIds: [15], fedIds: [16] }, 'fedIds'],
    [{ kind: 'air', placeId: 3, air_C: 20 }, 'humidity_frac'],
    [{ kind: 'air', placeId: 999, air_C: 20, humidity_frac: 0.5 }, 'placeId'],
    [{ kind: 'air', placeId: 3, water_C: 80 }, 'water_C'],
    [{ kind: 'watered', batchIds: [15], minute: 1439 }, 'minute'],
    [{ kind: 'watered', batchIds: Array.from({ length: 301 }, (_, i) => i + 1) }, 'batchIds'],
  ])('refuses case %# at its field', async (body, path) => {
    const answer = await log(body);
    expect(answer.status).toBe(422);
    expect((answer.body as { errors: { path: string }[] }).errors.map((one) => one.path)).toContain(path);
  });

  it('waits on a device like any other line, each in its own name and age', async () => {
    const { batchId } = (await water()).trays.at(-1)!;
    const entry = {
      path: '/api/watering/lines',
      body: { idempotencyKey: key(), kind: 'watered', batchIds: [batchId] },
      personId: 2,
      age_ms: 3_600_000,
    };
    const sent = await send(app, 'POST', '/api/house/entries', { entries: [entry] });
    expect(sent.body).toMatchObject([{ status: 201 }]);
    const { rows } = await client.query(
      'SELECT author_id, waited, recorded_at - at AS ago FROM water_lines ORDER BY id DESC LIMIT 1',
    );
    expect(rows[0]).toMatchObject({ author_id: 2, waited: true });
  });

  it('only grows', async () => {
    await expect(client.query('UPDATE water_lines SET litres = 1')).rejects.toThrow(/append-only/);
    await expect(client.query('DELETE FROM water_lines')).rejects.toThrow(/append-only/);
  });
});

describe('air and plans', () => {
  it('cold water of tender crops is known; damp air of an evening asks to open, and trays out on a ladder are said to dry faster', async () => {
    expect((await view(3)).water).toMatchObject({ water_C: 9, tender: true });
    const round = async () => (await send(app, 'GET', '/api/house/round')).body as { places: RoundPlace[] };
    const dusk = async () =>
      (await round()).places.find(({ id }) => id === COOL_BAY)!.orders.map(({ half, words }) => `${half} ${words}`);
    const opens = expect.stringMatching(/^evening open for ten minutes at dusk/);
    expect(await dusk()).not.toContainEqual(opens);
    const { lineIds } = (await log({ kind: 'air', placeId: COOL_BAY, air_C: 26, humidity_frac: 0.98 })).body as Logged;
    expect(await dusk()).toContainEqual(opens);
    await log({ kind: 'withdrawn', correctsId: lineIds[0] });
    const steps = (await round()).places.flatMap(({ jobs }) => jobs).filter(({ kind }) => kind === 'rung');
    expect(steps.map(({ why }) => why)).toContainEqual(
      expect.stringMatching(/outside trays dry [\d.]+ times as fast today/),
    );
  });

  it('air read at a place moves how dry it is, and is no longer called unknown', async () => {
    const frames = 6;
    expect((await view(frames)).water!.humidityKnown).toBe(false);
    const before = (await view(frames)).days[1]!.byDay_kPa;
    await log({ kind: 'air', placeId: frames, air_C: 18, humidity_frac: 0.35 });
    const after = await view(frames);
    expect(after.water!.humidityKnown).toBe(true);
    expect(after.days[1]!.byDay_kPa).toBeGreaterThan(before);
    expect((await send(app, 'GET', '/api/watering/places/999')).status).toBe(404);
  });

  it('three days away: what does not last stands first, and longer away more does not', async () => {
    const away = async (days: number) =>
      (await send(app, 'GET', `/api/watering/plan?away=${days}`)).body as WaterPlanView;
    const [one, three] = [await away(1), await away(3)];
    expect(three.away.length).toBe(one.away.length);
    const short = ({ away: lines }: WaterPlanView) => lines.filter(({ lasts }) => !lasts).length;
    expect(short(three)).toBeGreaterThanOrEqual(short(one));
    const waterings = ({ away: lines }: WaterPlanView) => lines.reduce((sum, line) => sum + line.waterings, 0);
    expect(waterings(three)).toBeGreaterThan(waterings(one));
    expect(three.weeks.length).toBeGreaterThan(4);
    for (const { litresADay, minutesADay } of three.weeks) {
      expect(litresADay).toBeGreaterThanOrEqual(0);
      expect(minutesADay).toBeLessThan(600);
    }
    for (const wrong of ['0', '40', 'x', ''])
      expect((await send(app, 'GET', `/api/watering/plan?away=${wrong}`)).status).toBe(422);
  });
});

describe('feed with the water', () => {
  const stockOf = async (id: number) =>
    (
      (await send(app, 'GET', '/api/potting/stock')).body as {
        lines: { id: number; have: number; need: number; kind: string }[];
      }
    ).lines.find((line) => line.id === id)!;

  it('is taken from the stock with what is fed, once, and is there again when the line is taken back', async () => {
    const { rows } = await client.query<{ id: number }>(
      'SELECT id FROM stock_items WHERE feed_id IS NOT NULL ORDER BY id',
    );
    const before = await stockOf(rows[0]!.id);
    // The coming weeks want some.
    expect(before.need).toBeGreaterThan(1);
    const [one, two] = (await water()).trays.slice(-2);
    const body = { idempotencyKey: key(), kind: 'watered', batchIds: [one!.batchId, two!.batchId], litres: 6 };
    const fed = { ...body, fedIds: [two!.batchId] };
    const { lineIds } = (await log(fed)).body as Logged;
    await log(fed);
    // Half a gram a litre of the powder at half its label rate of 1 g.
    const share = (6 * two!.trays) / (one!.trays + two!.trays);
    expect((await stockOf(rows[0]!.id)).have).toBeCloseTo(before.have - 0.5 * share, 2);
    for (const correctsId of lineIds) await log({ kind: 'withdrawn', correctsId });
    expect((await stockOf(rows[0]!.id)).have).toBeCloseTo(before.have, 6);
  });

  it('a thing of the stock is a feed of the book only in g or mL, and only one there is', async () => {
    const thing = { name: 'Seaweed', kind: 'feed', unit: 'mL', containerId: null, pack: 500, least: 0, price: null };
    for (const [wrong, path] of [
      [{ feedId: 999 }, 'feedId'],
      [{ feedId: 1, kind: 'part', unit: 'L' }, 'feedId'],
    ] as const) {
      const answer = await send(app, 'POST', '/api/books/stock', { ...thing, ...wrong });
      expect(answer.status).toBe(422);
      expect(JSON.stringify(answer.body)).toContain(path);
    }
    expect((await send(app, 'POST', '/api/books/stock', { ...thing, feedId: 2 })).status).toBe(201);
    // A feed that something of the stock is, is not deleted.
    const { rows } = await client.query<{ version: number }>('SELECT version FROM feeds WHERE id = 2');
    expect((await send(app, 'DELETE', `/api/books/feeds/2?version=${rows[0]!.version}`)).status).toBe(409);
  });
});

describe('lids', () => {
  it('drops on the lid ask for it to be opened; a look at a lid says how it is', async () => {
    interface Sowing {
      todayIso: string;
      places: { water: PlaceWater | null; jobs: { kind: string; batchId: number; count: number }[] }[];
    }
    const read = async () => (await send(app, 'GET', '/api/house/round')).body as Sowing;
    const { todayIso, places } = await read();
    const { batchId, count } = places.flatMap(({ jobs }) => jobs).find(({ kind }) => kind === 'sow')!;
    const of = async () =>
      (await read()).places.flatMap((place) => place.water?.trays ?? []).find((tray) => tray.batchId === batchId)!;
    const write = (line: object) =>
      send(app, 'POST', `/api/batch/${batchId}/events`, { idempotencyKey: key(), day: todayIso, cause: '', ...line });
    expect((await write({ kind: 'sown', count })).status).toBe(201);
    await write({ kind: 'cover', count: 1 });
    expect(await of()).toMatchObject({ lid: true, lidAdvice: null });
    const none = await log({ kind: 'watered', batchIds: [batchId], onLid: true });
    expect(none.body).toMatchObject({ errors: [{ path: 'look' }] });
    await log({ kind: 'looked', batchIds: [batchId], look: 'wet', onLid: true });
    expect(await of()).toMatchObject({ lidAdvice: 'air', look: { look: 'wet' } });
    // The first are up: it comes off.
    await write({ kind: 'counted', count: 1 });
    expect(await of()).toMatchObject({ lidAdvice: 'off' });
    await write({ kind: 'cover', count: 0 });
    expect(await of()).toMatchObject({ lid: false, lidAdvice: null });
  });
});

describe('a mix by its parts', () => {
  it('what a part holds, written down in the stock, moves what trays hold; of a label it is refused', async () => {
    const stock = (await send(app, 'GET', '/api/books/stock')).body as ({
      id: number;
      version: number;
      kind: string;
    } & object)[];
    const change = ({ id, version, ...line }: (typeof stock)[number], more: object) =>
      send(app, 'PUT', `/api/books/stock/${id}`, { version, line: { ...line, ...more } });
    const before = (await water()).trays.map(({ figures }) => figures.holds_L);
    const compost = stock.find((item) => 'name' in item && item.name === 'Peat-free compost')!;
    expect((await change(compost, { held_frac: 0.1 })).status).toBe(200);
    const after = (await water()).trays.map(({ figures }) => figures.holds_L);
    expect(Math.max(...after)).toBeLessThan(Math.max(...before));
    expect((await change({ ...compost, version: compost.version + 1 }, { held_frac: 2 })).status).toBe(422);
    await change({ ...compost, version: compost.version + 1 }, {});
    const label = stock.find(({ kind }) => kind === 'label')!;
    expect((await change(label, { held_frac: 0.3 })).body).toMatchObject({ errors: [{ path: 'held_frac' }] });
  });
});

describe('a place that waters itself', () => {
  it('on a bench that is flooded its trays are flooded; a mat lets them last longer', async () => {
    const places = (await send(app, 'GET', '/api/books/places')).body as ({ id: number; version: number } & object)[];
    const { id, version, ...bay } = places.find((place) => place.id === COOL_BAY)! as never as Record<
      string,
      unknown
    > & {
      version: number;
      id: number;
    };
    const hand = (await water()).trays[0]!;
    const put = (waterBy: string, at: number) =>
      send(app, 'PUT', `/api/books/places/${id}`, { version: at, line: { ...bay, waterBy } });
    expect((await put('rain', version)).status).toBe(422);
    expect((await put('flood', version)).status).toBe(200);
    expect((await water()).trays.every(({ way }) => way === 'flood')).toBe(true);
    await put('mat', version + 1);
    const mat = (await water()).trays.find(({ batchId }) => batchId === hand.batchId)!;
    expect(mat.figures.holds_L).toBeGreaterThan(hand.figures.holds_L);
    await put('hand', version + 2);
  });
});

describe('scales', () => {
  it('a weight that rises is a watering, written once; a hand that tapped it as well counts once', async () => {
    const [tray] = (await water()).trays;
    const made = await send(app, 'POST', '/api/books/scales', {
      ...{ name: 'Test scale', device: 'scale-test', batchId: tray!.batchId, trays: 1, tare_g: 100 },
    });
    expect(made.status).toBe(201);
    const scaleId = (made.body as { id: number }).id;
    const device = await connectAsync(await app.mqttUrl(), {
      ...{ clientId: 'scale-test', protocolVersion: 4, username: 'crook', password: MQTT_PASSWORD },
    });
    /** The demo's clock stands here. */
    const now_ms = Date.parse('2027-04-12T07:00:00Z');
    const weigh = (minutesAgo: number, weight_g: unknown) =>
      device.publishAsync(
        'crook/1/scale-test/weight',
        JSON.stringify({ seq: 1, at: new Date(now_ms - minutesAgo * 60_000).toISOString(), weight_g }),
        { qos: 1 },
      );
    const written = async () =>
      (
        await client.query<{ kind: string; weight_g: number | null; author_id: number | null }>(
          'SELECT kind, weight_g, author_id FROM water_lines WHERE scale_id = $1 ORDER BY id',
          [scaleId],
        )
      ).rows;
    // The bridge reads the books once a second.
    await expect
      .poll(async () => {
        await weigh(50, 2100);
        return (await client.query('SELECT 1 FROM scale_weights WHERE scale_id = $1', [scaleId])).rows.length;
      })
      .toBeGreaterThan(0);
    for (const [ago, g] of [
      [49, 2101],
      [48, 2800],
      [47, 2802],
      [47, 2802],
      [46, 2801],
      [20, 'heavy'],
    ] as const)
      await weigh(ago, g);
    expect(await written()).toEqual([
      { kind: 'weighed', weight_g: 2001, author_id: null },
      { kind: 'watered', weight_g: null, author_id: null },
      { kind: 'weighed', weight_g: 2702, author_id: null },
    ]);
    const after = (await water()).trays.find(({ batchId }) => batchId === tray!.batchId)!;
    expect(after.figures.full_g).toBe(2702);
    expect(after.want).not.toBe('now');
    // Its page says what was last read; who taps it within ten minutes of the scale is told.
    const page = await (await fetch(`${app.url}/watering/scales`)).text();
    expect(page).toContain('Test scale');
    expect(page).toContain('2.80 kg');
    await weigh(8, 3600);
    await weigh(7, 3601);
    await expect.poll(async () => (await written()).length).toBe(5);
    expect((await log({ kind: 'watered', batchIds: [tray!.batchId] })).status).toBe(409);
    await device.endAsync();
  });

  it('bad names and a batch there is none of are refused at their fields; the same name on MQTT twice as well', async () => {
    const scale = { name: 'Another', device: 'scale-b', batchId: null, trays: 1, tare_g: 0 };
    for (const [wrong, path] of [
      [{ device: 'Scale B' }, 'device'],
      [{ trays: 0 }, 'trays'],
      [{ batchId: 99_999 }, 'batchId'],
    ] as const) {
      const answer = await send(app, 'POST', '/api/books/scales', { ...scale, ...wrong });
      expect(answer.status).toBe(422);
      expect(answer.body).toMatchObject({ errors: [{ path }] });
    }
    expect((await send(app, 'POST', '/api/books/scales', { ...scale, device: 'scale-test' })).status).toBe(422);
  });
});
