import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import pg from 'pg';
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

const get = async (path: string) => (await send(app, 'GET', path)).body;
const person = async (name: string, mark = 'circle', initials = '') =>
  (await send(app, 'POST', '/api/books/people', { name, initials, mark, role: 'grower' })).body.id as number;
const as = (id: number | string) => ({ 'x-crook-person': String(id) });
const note = (batchId: number, words: string, headers: Record<string, string> = {}) =>
  send(
    app,
    'POST',
    `/api/batch/${batchId}/events`,
    { idempotencyKey: key(), kind: 'note', day: '2027-04-12', note: words },
    headers,
  );
const authorOf = async (batchId: number, words: string) =>
  (await get(`/api/batch/${batchId}`)).log.find((line: { note: string }) => line.note === words)?.authorId;
const lineOf = async (book: string, id: number) =>
  ((await get(`/api/books/${book}`)) as { id: number; version: number }[]).find((line) => line.id === id)!;
const retire = async (book: string, id: number, retired = true) =>
  send(app, 'PUT', `/api/books/${book}/${id}/retired`, { version: (await lineOf(book, id)).version, retired });
const remove = async (book: string, id: number) =>
  send(app, 'DELETE', `/api/books/${book}/${id}?version=${(await lineOf(book, id)).version}`);

describe('people', () => {
  it('have initials from their name when none are typed, and no two share a name or initials', async () => {
    const id = await person('Night watch', 'ring');
    expect(await lineOf('people', id)).toMatchObject({ initials: 'NW', mark: 'ring', retiredOn: null });
    expect(
      (await send(app, 'POST', '/api/books/people', { name: 'night WATCH', initials: 'X', mark: 'bar', role: 'hand' }))
        .status,
    ).toBe(422);
    expect(
      (await send(app, 'POST', '/api/books/people', { name: 'New widow', initials: '', mark: 'bar', role: 'hand' }))
        .status,
    ).toBe(422);
    const { status, body } = await send(app, 'POST', '/api/books/people', {
      name: '99',
      initials: '',
      mark: 'heart',
      role: 'hand',
    });
    expect([status, body.errors.map((e: { path: string }) => e.path)]).toEqual([422, ['mark']]);
    expect(
      (await send(app, 'POST', '/api/books/people', { name: '99', initials: '', mark: 'bar', role: 'hand' })).body
        .errors,
    ).toEqual([{ path: 'initials', message: 'initials: type one to four letters' }]);
  });

  it('are named by the call itself, else by the device; a stranger is nobody', async () => {
    const [grower, hand] = [await person('Grower one', 'square'), await person('Hand two', 'star')];
    await note(17, 'by header', as(grower));
    await note(17, 'by cookie', { cookie: `a=b; crook-person=${hand}` });
    await note(17, 'by both', { ...as(grower), cookie: `crook-person=${hand}` });
    await note(17, 'sent for nobody', { ...as('nobody'), cookie: `crook-person=${hand}` });
    await note(17, 'by a stranger', as(987_654));
    await note(17, 'unsigned');
    expect(await authorOf(17, 'by header')).toBe(grower);
    expect(await authorOf(17, 'by cookie')).toBe(hand);
    expect(await authorOf(17, 'by both')).toBe(grower);
    for (const words of ['sent for nobody', 'by a stranger', 'unsigned']) expect(await authorOf(17, words)).toBeNull();
  });

  it('stand in every table that only grows', async () => {
    const id = await person('Everywhere', 'diamond');
    const headers = as(id);
    const post = async (path: string, body: object) => {
      const { status, body: answer } = await send(app, 'POST', path, body, headers);
      expect([path, status < 300, answer]).toEqual([path, true, answer]);
      return answer;
    };
    const { version } = await get('/api/batch/1');
    await send(app, 'PATCH', '/api/batch/1', { version, plantsWanted: 77 }, headers);
    const [zone] = await get('/api/heat/zones');
    await post(`/api/heat/zones/${zone.id}/override`, {
      idempotencyKey: crypto.randomUUID(),
      set_C: 20,
      hours: 2,
      by: 'me',
      why: 'cold night',
    });
    await post(`/api/heat/zones/${zone.id}/by-hand`, {
      idempotencyKey: crypto.randomUUID(),
      ago_min: 0,
      medium_C: 20,
      air_C: null,
      by: 'me',
      correctsId: null,
    });
    await post('/api/weather/readings', {
      idempotencyKey: key(),
      kind: 'max-min',
      day: '2027-04-12',
      coverId: null,
      least_C: 3,
      most_C: 12,
      gust_m_s: null,
      soil_C: null,
      offset_K: 0,
      note: '',
      correctsId: null,
    });
    const [thing] = await get('/api/books/stock');
    await post('/api/potting/stock', { idempotencyKey: key(), itemId: thing.id, kind: 'in', amount: 3, note: '' });
    const { rows } = await client.query(
      `SELECT 'batch_events' AS t FROM batch_events WHERE author_id = $1 UNION SELECT 'plan_versions' FROM plan_versions WHERE author_id = $1
       UNION SELECT 'heat_overrides' FROM heat_overrides WHERE author_id = $1 UNION SELECT 'zone_hand_readings' FROM zone_hand_readings WHERE author_id = $1
       UNION SELECT 'site_readings' FROM site_readings WHERE author_id = $1 UNION SELECT 'stock_moves' FROM stock_moves WHERE author_id = $1`,
      [id],
    );
    expect(rows.map((row: { t: string }) => row.t).sort()).toEqual([
      'batch_events',
      'heat_overrides',
      'plan_versions',
      'site_readings',
      'stock_moves',
      'zone_hand_readings',
    ]);
  });

  it('who wrote anything cannot be deleted, only retired: then the device is nobody’s, and the old lines keep the name', async () => {
    const id = await person('Leaving soon', 'cross');
    await note(17, 'a last line', as(id));
    const refused = await remove('people', id);
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      expect.stringContaining('cannot be deleted: 1 line of a log.'),
    ]);
    expect((await retire('people', id)).status).toBe(200);
    await note(17, 'after leaving', as(id));
    expect(await authorOf(17, 'after leaving')).toBeNull();
    expect(await authorOf(17, 'a last line')).toBe(id);
    const other = await person('Wrote nothing', 'cross');
    expect((await remove('people', other)).status).toBe(200);
  });

  it('show on the pages: in the strip, in the log of a batch, in the ledger and its CSV', async () => {
    const id = await person('Shown here', 'triangle');
    await note(17, 'shown by name', as(id));
    const page = (await send(app, 'GET', '/batch/17', undefined, { cookie: `crook-person=${id}` })).body as string;
    expect(page).toContain('data-person="Shown here"');
    expect(page.replaceAll('<!-- -->', '')).toContain('by Shown here');
    expect((await get('/batch/ledger')) as string).toContain('Shown here');
    const csv = (await get('/api/batch/log.csv')) as string;
    const line = csv.split('\r\n').find((l) => l.includes('shown by name'))!;
    expect(line.endsWith('2027,Shown here,')).toBe(true);
  });
});

describe('a device without a network', () => {
  const sentAfter = async (age_ms: string) => {
    const words = `kept ${age_ms}`;
    expect((await note(20, words, { 'x-crook-age': age_ms })).status).toBe(201);
    const lines = (await get('/api/batch/ledger')).lines as { note: string; tapped: string }[];
    return lines.find((line) => line.note === words)!.tapped;
  };

  it('has the time of its taps in the log, by how long ago they were; a clock that was changed is said', async () => {
    // The demo's clock stands at 08:00.
    expect(await sentAfter('5400000')).toBe('tapped Mon 06:30, sent later');
    expect(await sentAfter(String(3 * 86_400_000))).toBe('tapped Fri 08:00, sent later');
    for (const changed of ['-7200000', String(101 * 86_400_000)])
      expect(await sentAfter(changed)).toBe('sent later; the device’s clock was not right');
    for (const atOnce of ['30000', '-30000', 'soon']) expect(await sentAfter(atOnce)).toBe('');
  });

  it('is told pages that open, what is worked from in front, and another version after a write', async () => {
    const { version, pages } = (await get('/api/house/device')) as { version: string; pages: string[] };
    expect(pages[0]).toBe('/');
    expect(pages).toContain('/batch/20');
    expect(new Set(pages).size).toBe(pages.length);
    for (const path of pages.filter((_, i) => i % 6 === 0)) {
      const page = await fetch(app.url + path, { redirect: 'manual' });
      expect(page.status, path).toBe(200);
    }
    expect((await get('/api/house/device')).version).toBe(version);
    await note(20, 'something happened');
    expect((await get('/api/house/device')).version).not.toBe(version);
  });
});

describe('lines of the books', () => {
  it('retired are refused to new batches and kept by those that have them', async () => {
    const batch = await get('/api/batch/17');
    expect((await retire('varieties', batch.varietyId)).status).toBe(200);
    const made = await send(app, 'POST', '/api/batch', {
      cropId: batch.cropId,
      varietyId: batch.varietyId,
      lotId: null,
      plantsWanted: 40,
      spare_frac: 0.1,
      transplantOn: '2027-06-20',
      hardening_days: 7,
      places: batch.places,
      sowContainerId: batch.sowContainerId,
      potContainerId: batch.potContainerId,
      note: '',
      idempotencyKey: key(),
    });
    expect([made.status, made.body.errors?.[0].path]).toEqual([422, 'varietyId']);
    expect((await send(app, 'PATCH', '/api/batch/17', { version: batch.version, note: 'goes on' })).status).toBe(200);
    expect((await retire('varieties', batch.varietyId, false)).status).toBe(200);
  });

  it('a place is retired only when nothing stands there or is planned to; then nothing is planned there', async () => {
    const places = (await get('/api/books/places')) as { id: number; name: string }[];
    const full = await retire('places', places[0]!.id);
    expect([full.status, full.body.title]).toEqual([409, 'Plants stand there']);
    expect(full.body.detail).toMatch(/batches stand there or are planned to: [A-Z0-9]{3,4}, /);
    const bare = await send(app, 'POST', '/api/books/places', {
      ...(await get('/api/books/places'))[0],
      id: undefined,
      version: undefined,
      retiredOn: undefined,
      bedLog: undefined,
      name: 'Spare bench',
      walkOrder: 90,
    });
    expect(bare.status).toBe(201);
    expect((await retire('places', bare.body.id)).status).toBe(200);
    expect((await get('/books/places')) as string).toContain('1 retired');
    const { house } = await get('/api/plan/season');
    expect(house.places.find((p: { id: number }) => p.id === bare.body.id).retiredOn).toBe('2027-04-12');
    const move = { idempotencyKey: key(), kind: 'moved', day: '2027-04-12', placeId: bare.body.id };
    const moved = await send(app, 'POST', '/api/batch/17/events', move);
    expect([moved.status, moved.body.errors[0].path]).toEqual([422, 'placeId']);
    expect((await remove('places', bare.body.id)).status).toBe(200);
  });

  it('what is used is not deleted, with what holds on to it; what is not, is; a stale one is refused with both versions', async () => {
    const used = await remove('crops', (await get('/api/batch/17')).cropId);
    expect([used.status, used.body.detail]).toEqual([
      409,
      expect.stringMatching(/\d+ variet(y|ies), \d+ batch(es)?(, \d+ jobs? of the house)?\. Retire/),
    ]);
    const named = new Set(
      ((await get('/api/books/varieties')) as { cropId: number }[])
        .concat(await get('/api/batch'))
        .map((line) => line.cropId),
    );
    const free = ((await get('/api/books/crops')) as { id: number; name: string }[]).find((c) => !named.has(c.id))!;
    const { version } = await lineOf('crops', free.id);
    const stale = await send(app, 'DELETE', `/api/books/crops/${free.id}?version=${version + 1}`);
    expect([stale.status, stale.body.current.name]).toEqual([409, free.name]);
    expect((await send(app, 'DELETE', `/api/books/crops/${free.id}`)).status).toBe(422);
    expect((await remove('crops', free.id)).status).toBe(200);
    expect(await lineOf('crops', free.id)).toBeUndefined();
    // A container, a mix and a thing of the stock hold on to each other by numbers in lists.
    const part = ((await get('/api/books/stock')) as { id: number; kind: string }[]).find((s) => s.kind === 'part')!;
    expect((await remove('stock', part.id)).body.detail).toMatch(/mix/);
    const cells = ((await get('/api/books/containers')) as { id: number; kind: string }[]).find(
      (c) => c.kind === 'cell-tray',
    )!;
    expect((await remove('containers', cells.id)).body.detail).toMatch(/batch(es)? by (its|their) plan/);
  });
});

describe('a batch made by mistake', () => {
  it('is voided with its reason: counted nowhere, its letter free, its page and log kept, and brought back', async () => {
    const before = (await get('/api/batch')) as { id: number; name: string }[];
    const batch = await get('/api/batch/33');
    const idempotencyKey = key();
    const wrong = await send(app, 'POST', '/api/batch/33/void', {
      idempotencyKey,
      version: batch.version,
      reason: ' ',
    });
    expect([wrong.status, wrong.body.errors[0].path]).toEqual([422, 'reason']);
    const body = { idempotencyKey, version: batch.version, reason: 'made twice' };
    expect((await send(app, 'POST', '/api/batch/33/void', body)).body).toEqual({ repeated: false });
    expect((await send(app, 'POST', '/api/batch/33/void', body)).body).toEqual({ repeated: true });
    const after = (await get('/api/batch')) as { id: number }[];
    expect(after.map((b) => b.id)).toEqual(before.map((b) => b.id).filter((id) => id !== 33));
    expect((await note(33, 'too late')).status).toBe(409);
    const page = (await get('/batch/33')) as string;
    expect(page).toMatch(/Voided on .*made twice/s);
    expect((await get('/house/seasons')) as string).toContain(batch.code);
    const voided = await get('/api/batch/33');
    expect(voided.log.at(-1)).toMatchObject({ kind: 'voided', note: 'made twice' });
    const back = { idempotencyKey: key(), version: voided.version };
    expect((await send(app, 'POST', '/api/batch/33/restore', back)).status).toBe(200);
    expect(((await get('/api/batch')) as { id: number }[]).map((b) => b.id)).toEqual(before.map((b) => b.id));
    expect((await note(33, 'goes on')).status).toBe(201);
  });

  it('is not voided once its pottings took from the stock, nor changed while it is voided', async () => {
    const { rows } = await client.query(
      `SELECT batch_id AS id FROM batch_events WHERE kind = 'potted' AND details IS NOT NULL LIMIT 1`,
    );
    const potted = await get(`/api/batch/${rows[0].id}`);
    const body = { idempotencyKey: key(), version: potted.version, reason: 'x' };
    const refused = await send(app, 'POST', `/api/batch/${potted.id}/void`, body);
    expect([refused.status, refused.body.title]).toEqual([409, 'It was potted']);
    const { version } = await get('/api/batch/34');
    await send(app, 'POST', '/api/batch/34/void', { idempotencyKey: key(), version, reason: 'x' });
    const changed = await send(app, 'PATCH', '/api/batch/34', { version: version + 1, note: 'y' });
    expect([changed.status, changed.body.title]).toEqual([409, 'Voided']);
  });

  it('is not voided when plants of it went on elsewhere, or when somebody changed it meanwhile', async () => {
    const { rows } = await client.query(
      'SELECT split_from_id AS id FROM batches WHERE split_from_id IS NOT NULL LIMIT 1',
    );
    const id = rows[0]?.id as number | undefined;
    const planned = ((await get('/api/batch')) as { id: number; phase: string; version: number }[]).find(
      (b) => b.phase === 'planned',
    )!;
    const parent = id ?? planned.id;
    if (id === undefined) {
      const { version } = await get(`/api/batch/${parent}`);
      await send(app, 'POST', `/api/batch/${parent}/split`, {
        idempotencyKey: key(),
        version,
        day: '2027-04-12',
        count: 5,
        note: '',
      });
    }
    const { version } = await get(`/api/batch/${parent}`);
    const refused = await send(app, 'POST', `/api/batch/${parent}/void`, {
      idempotencyKey: key(),
      version,
      reason: 'x',
    });
    expect([refused.status, refused.body.title]).toEqual([409, 'Part of it goes on']);
    const stale = await send(app, 'POST', '/api/batch/33/void', { idempotencyKey: key(), version: 1, reason: 'x' });
    expect(stale.status).toBe(409);
  });
});
