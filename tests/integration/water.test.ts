import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { PlaceWater } from '../../src/contracts/watering/water.ts';
import type { PlaceWaterView, WaterPlanView } from '../../src/contracts/watering/waterViews.ts';
import { key, send, startApp, type App } from '../support/app.ts';

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
