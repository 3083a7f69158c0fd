import { randomUUID } from 'node:crypto';
import { PDFDocument } from 'pdf-lib';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ReadyLine, SessionView, StockLine } from '../../src/contracts/potting/potting.ts';
import { send, startApp, type App } from '../support/app.ts';

let app: App;
const DAY = '2027-04-12';
beforeAll(async () => {
  app = await startApp([], undefined, { DEMO_BENCHES: 'off' });
}, 90_000);
afterAll(async () => app.stop());

const ready = async () => ((await send(app, 'GET', '/api/potting/ready')).body as { ready: ReadyLine[] }).ready;
const stock = async () => ((await send(app, 'GET', '/api/potting/stock')).body as { lines: StockLine[] }).lines;
const have = async (name: string) => (await stock()).find((l) => l.name === name)!;
const session = async (id: number) => (await send(app, 'GET', `/api/potting/sessions/${id}`)).body as SessionView;
const plan = async (batchIds: number[]) => {
  const made = await send(app, 'POST', '/api/potting/sessions', { idempotencyKey: randomUUID(), batchIds });
  expect(made.status).toBe(201);
  return session((made.body as { id: number }).id);
};
const patchOf = (view: SessionView) => ({
  version: view.version,
  on: DAY,
  people: [...view.people],
  closed: view.closed,
  lines: view.lines.map(({ batchId, containerId, plants, doubled, mixId, baseMixId, base_mm, placeId }) => ({
    batchId,
    containerId,
    plants,
    doubled,
    mixId,
    baseMixId,
    base_mm,
    placeId,
  })),
});
const outcome = (view: SessionView, batchId: number, more: object = {}) =>
  send(app, 'POST', `/api/potting/sessions/${view.id}/outcomes`, {
    idempotencyKey: randomUUID(),
    batchId,
    day: DAY,
    potted: view.lines.find((l) => l.batchId === batchId)!.plants,
    ...more,
  });
const grown = async (): Promise<{ id: number; name: string; plants: number }[]> => {
  const lines = (await ready()).filter((l) => l.job === 'pot' && l.inSession === null);
  return lines.map(({ batchId: id, name, plants }) => ({ id, name, plants }));
};
const log = async (id: number) =>
  (await send(app, 'GET', `/api/batch/${id}`)).body as {
    log: { kind: string; id: number }[];
    phase: string;
    most_count: number;
    plants: { inHand_count: number };
  };

describe('the ready list', () => {
  it('lists what is near its pot with days left, room and what waiting costs', async () => {
    const lines = await ready();
    expect(lines.length).toBeGreaterThan(2);
    for (const line of lines) {
      expect(line.slots[2]).toBe(2 * line.slots[1]);
      expect(line.plants).toBeGreaterThan(0);
    }
    expect(lines.some((l) => l.waiting && l.waiting.later_days > 0)).toBe(true);
    for (const line of lines.filter((l) => l.waiting && l.says === 'urgent'))
      expect(line.waiting!.checked_count).toBe(line.plants);
  });
  it('takes a sign in one tap, and refuses one that is none', async () => {
    const line = (await ready()).find((l) => l.says === 'soon')!;
    const sign = { kind: 'sign', day: DAY, cause: 'touching', idempotencyKey: randomUUID() };
    expect((await send(app, 'POST', `/api/batch/${line.batchId}/events`, sign)).status).toBe(201);
    const after = (await ready()).find((l) => l.batchId === line.batchId)!;
    expect(after).toMatchObject({ says: 'now', bySign: true });
    expect(after.why).toMatch(/leaves touching/);
    for (const wrong of [{ cause: 'blue' }, { cause: 'leaves' }]) {
      const answer = await send(app, 'POST', `/api/batch/${line.batchId}/events`, {
        ...sign,
        ...wrong,
        idempotencyKey: randomUUID(),
      });
      expect(answer.status).toBe(422);
    }
  });
});

describe('a session', () => {
  it('says pots, mix, bags, minutes and room; a change makes the rest follow', async () => {
    const [one] = await grown();
    const before = await plan([one!.id]);
    const line = before.lines[0]!;
    expect(line.planned).toMatchObject({ plants: line.plants });
    expect(before.parts.every((p) => p.litres > 0)).toBe(true);
    expect(before.room[0]!.after).toBeGreaterThan(0);
    const half = patchOf(before);
    half.lines[0]!.plants = Math.floor(line.plants / 2);
    const saved = await send(app, 'PUT', `/api/potting/sessions/${before.id}`, half);
    const after = saved.body as SessionView;
    expect(after.plants).toBe(half.lines[0]!.plants);
    expect(after.parts[0]!.litres / before.parts[0]!.litres).toBeCloseTo(after.plants / before.plants, 6);
    expect(after.minutes.usual).toBeLessThan(before.minutes.usual);
    // Two at once: the second gets both versions, and nothing is lost.
    const stale = await send(app, 'PUT', `/api/potting/sessions/${before.id}`, half);
    expect(stale.status).toBe(409);
    expect(stale.body).toMatchObject({
      current: { version: 2 },
      yours: { lines: [{ plants: half.lines[0]!.plants }] },
    });
    const close = await send(app, 'PUT', `/api/potting/sessions/${before.id}`, { ...patchOf(after), closed: true });
    expect((close.body as SessionView).closed).toBe(true);
  });

  it('refuses a base deeper than the pot, a batch twice, and what is not up, naming the field', async () => {
    const [one] = await grown();
    const view = await plan([one!.id]);
    const deep = patchOf(view);
    deep.lines[0] = { ...deep.lines[0]!, baseMixId: 2, base_mm: 200 };
    const answer = await send(app, 'PUT', `/api/potting/sessions/${view.id}`, deep);
    expect(answer.body).toMatchObject({ status: 422, errors: [{ path: 'lines.0.base_mm' }] });
    const twice = { ...patchOf(view), lines: [...patchOf(view).lines, ...patchOf(view).lines] };
    expect((await send(app, 'PUT', `/api/potting/sessions/${view.id}`, twice)).body).toMatchObject({
      errors: [{ path: 'lines', message: expect.stringMatching(/twice/) as string }],
    });
    const planned = await send(app, 'POST', '/api/potting/sessions', { idempotencyKey: randomUUID(), batchIds: [29] });
    expect(planned.body).toMatchObject({ status: 422, errors: [{ path: 'batchIds' }] });
    expect((await send(app, 'GET', '/api/potting/sessions/9999')).status).toBe(404);
    await send(app, 'PUT', `/api/potting/sessions/${view.id}`, { ...patchOf(view), closed: true });
  });

  it('is timed by taps that count once, and writes log, room, stock and pace', async () => {
    const [one] = await grown();
    const view = await plan([one!.id]);
    const { plants, there } = view.lines[0]!;
    const pots = await have('10 cm pots');
    const mark = { idempotencyKey: randomUUID(), batchId: one!.id, kind: 'start' };
    for (let i = 0; i < 2; i++)
      expect((await send(app, 'POST', `/api/potting/sessions/${view.id}/marks`, mark)).status).toBe(201);
    const running = await session(view.id);
    expect(running.lines[0]!.worked.state).toBe('running');
    const body = { potted: plants - 4, culled: { weak: 2 }, leftOver: there - plants + 2, minutes: 10, people: 2 };
    const key = { idempotencyKey: randomUUID() };
    const first = await outcome(view, one!.id, { ...body, ...key });
    expect(first.status).toBe(201);
    // The same tap again writes nothing; another person is told it is done.
    expect(await outcome(view, one!.id, { ...body, ...key })).toMatchObject({ status: 200, body: { repeated: true } });
    expect((await outcome(view, one!.id, body)).body).toMatchObject({ status: 422 });
    const after = await session(view.id);
    expect(after.lines[0]!.outcome).toMatchObject({ potted: plants - 4, culled: { weak: 2 }, minutes: 10, people: 2 });
    expect(await log(one!.id)).toMatchObject({ phase: 'potted', plants: { inHand_count: plants - 4 } });
    const used = await have('10 cm pots');
    if (view.pots[0]!.name === '10 cm pot') expect(used.have).toBe(pots.have - (plants - 4));
    // The round waters it in, and nothing else is asked of it while it rests.
    const round = (await send(app, 'GET', '/api/house/round')).body as {
      places: { jobs: { batchId: number; kind: string }[] }[];
    };
    // Jobs of the house (stakes) go beside it.
    const jobs = round.places.flatMap((p) => p.jobs).filter((j) => j.batchId === one!.id && j.kind !== 'own');
    expect(jobs.map((j) => j.kind)).toEqual(['water']);
    // A correction keeps the line it replaces, and the stock follows it.
    const eventId = after.lines[0]!.outcome!.eventId;
    // Its labels are for the trays its plants stand in now, not for the cells once sown.
    const told = (await log(one!.id)).plants.inHand_count;
    const pdf = await fetch(`${app.url}/api/batch/labels.pdf?batches=${one!.id}&sheet=roll-62x29`);
    const containers = (await send(app, 'GET', '/api/books/containers')).body as {
      id: number;
      perCarryingTray: number;
    }[];
    const pot = containers.find((c) => c.id === view.lines[0]!.containerId)!;
    expect((await PDFDocument.load(await pdf.arrayBuffer())).getPageCount()).toBe(
      Math.ceil(told / pot.perCarryingTray),
    );
    const corrected = await outcome(view, one!.id, { ...body, potted: plants - 10, correctsId: eventId });
    expect(corrected.status).toBe(201);
    expect((await session(view.id)).lines[0]!.outcome).toMatchObject({ potted: plants - 10, corrected: true });
    expect((await log(one!.id)).log.some((e) => e.id === eventId)).toBe(true);
    if (view.pots[0]!.name === '10 cm pot') expect((await have('10 cm pots')).have).toBe(pots.have - (plants - 10));
    // Withdrawn, the pots are back.
    const last = (await session(view.id)).lines[0]!.outcome!.eventId;
    const undo = { kind: 'withdrawn', day: DAY, correctsId: last, idempotencyKey: randomUUID() };
    expect((await send(app, 'POST', `/api/batch/${one!.id}/events`, undo)).status).toBe(201);
    expect((await have('10 cm pots')).have).toBe(pots.have);
    expect(await log(one!.id)).not.toMatchObject({ phase: 'potted' });
    await send(app, 'PUT', `/api/potting/sessions/${view.id}`, { ...patchOf(await session(view.id)), closed: true });
  });

  it('refuses more than there are and says how many are left; doubles count; the rest can go on by itself', async () => {
    const [one] = await grown();
    const view = await plan([one!.id]);
    const left = (await log(one!.id)).most_count;
    const more = await outcome(view, one!.id, { potted: left + 1 });
    expect(more.body).toMatchObject({ status: 422, errors: [{ path: 'count', message: `Only ${left} are left.` }] });
    const batches = async () => ((await send(app, 'GET', '/api/batch')).body as unknown[]).length;
    const before = await batches();
    const done = await outcome(view, one!.id, { potted: left - 20 + 3, doubled: 3, leftOver: 20, keepRest: true });
    expect(done.status).toBe(201);
    expect(await batches()).toBe(before + 1);
    expect((await log(one!.id)).plants.inHand_count).toBe(left - 17);
    // The rest stand on the ready list, by themselves.
    expect((await ready()).some((l) => l.plants === 20 && l.name !== one!.name)).toBe(true);
    // What is done stays in its session.
    const now = await session(view.id);
    const empty = await send(app, 'PUT', `/api/potting/sessions/${view.id}`, { ...patchOf(now), lines: [] });
    expect(empty.body).toMatchObject({ status: 422, errors: [{ path: 'lines' }] });
  });

  it('pricks out of a seed pan into cells, and pots plugs bought in, all the same way', async () => {
    const crops = (await send(app, 'GET', '/api/books/crops')).body as { id: number; name: string }[];
    const make = async (more: object) => {
      const made = await send(app, 'POST', '/api/batch', {
        idempotencyKey: randomUUID(),
        cropId: crops.find((c) => c.name === 'tomato')!.id,
        varietyId: null,
        lotId: null,
        plantsWanted: 60,
        spare_frac: 0.1,
        transplantOn: '2027-06-01',
        hardening_days: 7,
        places: { germinate: 1, grow: 3, pot: 5, harden: 6 },
        sowContainerId: 4,
        potContainerId: null,
        note: '',
        ...more,
      });
      expect(made.status, JSON.stringify(made.body)).toBe(201);
      return (made.body as { id: number }).id;
    };
    const lines = async (id: number, events: [string, string, number | null][]) => {
      for (const [kind, day, count] of events) {
        const line = { idempotencyKey: randomUUID(), kind, day, count };
        expect((await send(app, 'POST', `/api/batch/${id}/events`, line)).status).toBe(201);
      }
    };
    const pan = await make({});
    await lines(pan, [
      ['sown', '2027-03-25', 66],
      ['emerged', '2027-04-01', 40],
      ['off-heat', '2027-04-01', null],
    ]);
    expect((await ready()).find((l) => l.batchId === pan)).toMatchObject({ job: 'prick-out', jobWords: 'Prick out' });
    const pricked = await plan([pan]);
    expect(pricked.lines[0]).toMatchObject({ job: 'prick-out', wrong: null });
    expect((await outcome(pricked, pan)).status).toBe(201);
    expect(await log(pan)).toMatchObject({ phase: 'growing' });
    expect((await log(pan)).log.at(-1)).toMatchObject({ kind: 'moved-on' });
    const plugs = await make({ sowContainerId: 1, potContainerId: 5, joins: { stage: 'pot', on: '2027-04-12' } });
    await lines(plugs, [['arrived', DAY, 66]]);
    const potted = await plan([plugs]);
    expect(potted.lines[0]).toMatchObject({ job: 'pot', there: 66 });
    expect((await outcome(potted, plugs)).status).toBe(201);
    expect(await log(plugs)).toMatchObject({ phase: 'potted' });
  });

  it('pots on a second time, into what is larger', async () => {
    const all = (await send(app, 'GET', '/api/batch')).body as { id: number; phase: string }[];
    const potted = all.find((b) => b.phase === 'potted')!;
    const view = await plan([potted.id]);
    expect(view.lines[0]!.job).toBe('pot-on');
    expect((await outcome(view, potted.id)).status).toBe(201);
    expect((await log(potted.id)).log.at(-1)).toMatchObject({ kind: 'moved-on' });
    expect((await log(potted.id)).phase).toBe('potted');
  });
});

describe('stock and books', () => {
  it('counts, takes in, goes below nothing with a word, and lists what to buy', async () => {
    const thing = await have('Sharp grit');
    const move = (kind: string, amount: number, key = randomUUID()) =>
      send(app, 'POST', '/api/potting/stock', { idempotencyKey: key, itemId: thing.id, kind, amount });
    expect((await move('count', 12)).status).toBe(201);
    const key = randomUUID();
    await move('in', 40, key);
    await move('in', 40, key);
    expect((await have('Sharp grit')).have).toBe(52);
    await move('used', 60);
    const after = await have('Sharp grit');
    expect(after).toMatchObject({ have: -8, check: true });
    expect(after.packs).toBe(Math.ceil((after.need + after.least + 8) / 20 - 1e-9));
    const csv = await fetch(`${app.url}/api/potting/shopping.csv`);
    const { data } = Papa.parse<Record<string, string>>(await csv.text(), { header: true });
    expect(data.find((r) => r['thing'] === 'Sharp grit')).toMatchObject({ packs: String(after.packs), on_hand: '-8' });
    expect((await move('in', -1)).status).toBe(422);
  });

  it('refuses mixes that add up to nothing or hold what is none, and feeds over 100%', async () => {
    const part = await have('Perlite');
    const pots = await have('10 cm pots');
    const mix = (parts: object[]) => send(app, 'POST', '/api/books/mixes', { name: `m ${randomUUID()}`, parts });
    expect((await mix([{ itemId: part.id, parts: 0 }])).body).toMatchObject({ errors: [{ path: 'parts' }] });
    expect((await mix([{ itemId: pots.id, parts: 1 }])).body).toMatchObject({ errors: [{ path: 'parts.0.itemId' }] });
    expect((await mix([{ itemId: part.id, parts: 1 }])).status).toBe(201);
    const feed = {
      name: 'f',
      form: 'powder',
      basis: 'w/w',
      n_percent: 60,
      p_percent: 30,
      k_percent: 20,
      named: 'oxide',
      rate_perL: 1,
      density_kg_L: 1,
      ec_mS: null,
    };
    expect((await send(app, 'POST', '/api/books/feeds', feed)).body).toMatchObject({ errors: [{ path: 'n_percent' }] });
    expect((await send(app, 'POST', '/api/books/feeds', { ...feed, n_percent: 20 })).status).toBe(201);
  });

  it('keeps how the house pots, and measures of pots', async () => {
    const nursery = (await send(app, 'GET', '/api/house/nursery')).body as { version: number; potting: object };
    const put = (version: number, more: object) =>
      send(app, 'PUT', '/api/potting/settings', { ...nursery.potting, ...more, version });
    expect((await put(nursery.version, { rest_days: 5 })).status).toBe(200);
    expect((await put(nursery.version, { rest_days: 4 })).status).toBe(409);
    expect((await put(nursery.version + 1, { mixId: 9999 })).body).toMatchObject({ errors: [{ path: 'mixId' }] });
    expect((await put(nursery.version + 1, { settle_frac: 2 })).status).toBe(422);
    const shape = { section: 'square', top_mm: 80, base_mm: 60, height_mm: 0 };
    const pot = {
      name: 'square',
      kind: 'pot',
      cells: 1,
      perCarryingTray: 20,
      footprint_slots: 1,
      volume_L: 0.4,
      shape,
    };
    expect((await send(app, 'POST', '/api/books/containers', pot)).body).toMatchObject({
      errors: [{ path: 'shape.height_mm' }],
    });
    const good = await send(app, 'POST', '/api/books/containers', { ...pot, shape: { ...shape, height_mm: 70 } });
    expect(good.status).toBe(201);
  });
});
