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

interface Job {
  key: string;
  kind: string;
  words: string;
  name: string;
  placeId: number | null;
  minutes: number;
  minutesWords: string;
  holder: number | null;
  late_days: number;
  batchId: number | null;
}
const DAY = '2027-04-12';
const get = async (path: string) => (await send(app, 'GET', path)).body;
const round = () =>
  get('/api/house/round') as Promise<{
    places: { id: number; jobs: Job[] }[];
    done: { words: string; by: number | null }[];
    ahead: { day: number; jobs: number; minutes: number }[];
  }>;
const jobs = async (): Promise<Job[]> => (await round()).places.flatMap((place) => place.jobs);
const line = (body: object, headers: Record<string, string> = {}) =>
  send(app, 'POST', '/api/house/round/lines', { idempotencyKey: key(), day: DAY, ...body }, headers);
const as = (id: number) => ({ 'x-crook-person': String(id) });
const JOB = {
  name: 'Empty the water traps',
  minutes: 6,
  firstOn: DAY,
  every_days: 7,
  lastOn: null,
  yearFrom: null,
  yearTo: null,
  half: null,
  canWait: 'yes',
  placeId: null,
  batchId: null,
  cropId: null,
  stage: null,
  personId: null,
};
const addJob = (more: object = {}) => send(app, 'POST', '/api/books/jobs', { ...JOB, ...more });

describe('jobs of the house', () => {
  it('stand in the round, in the week ahead and in the calendar, and are done once', async () => {
    const before = await round();
    const { status, body } = await addJob();
    expect(status).toBe(201);
    const mine = (await jobs()).find(({ words }) => words === JOB.name)!;
    expect(mine).toMatchObject({ key: `own/${body.id}//${DAY}`, kind: 'own', minutes: 6, late_days: 0, batchId: null });
    expect((await round()).ahead[6]!.jobs).toBe(before.ahead[6]!.jobs + 1);
    expect((await round()).ahead[6]!.minutes).toBeCloseTo(before.ahead[6]!.minutes + 6);
    const ics = await (await fetch(`${app.url}/api/house/work.ics`)).text();
    expect(ics).toContain('SUMMARY:Empty the water traps');
    const page = await (await fetch(`${app.url}/`)).text();
    const shown = (await jobs()).filter(({ kind }) => kind !== 'heat-look').length;
    expect(page).toContain(`Round, ${shown} waiting`);

    const done = { kind: 'done', jobKey: mine.key, idempotencyKey: key() };
    const first = await line(done, as(2));
    expect([first.status, first.body.repeated]).toEqual([201, false]);
    expect((await line(done, as(2))).body).toEqual({ lineId: first.body.lineId, repeated: true });
    const late = await line({ kind: 'done', jobKey: mine.key }, as(3));
    expect([late.status, late.body.detail]).toEqual([
      409,
      'Propagator has logged this job already. Nothing was written twice.',
    ]);
    expect((await jobs()).some(({ key: one }) => one === mine.key)).toBe(false);
    expect((await round()).done).toContainEqual(expect.objectContaining({ words: JOB.name, by: 2 }));

    // Taken back, it is to be done again; a line is taken back once.
    const back = { kind: 'withdrawn', jobKey: mine.key, correctsId: first.body.lineId };
    expect((await line(back)).status).toBe(201);
    expect((await line(back)).status).toBe(422);
    expect((await jobs()).some(({ key: one }) => one === mine.key)).toBe(true);
  });

  it('of a crop come to each of its batches at the stage, where they stand', async () => {
    const stake = (await jobs()).filter(({ words }) => words === 'Stake');
    expect(stake.length).toBeGreaterThan(0);
    for (const job of stake) {
      const batch = await get(`/api/batch/${job.batchId}`);
      expect(batch.batch?.cropName ?? batch.cropName ?? job.name).toMatch(/omato/);
      expect(job.name).toMatch(/^Tomato/);
    }
  });

  it('put off are back tomorrow; two at once are done by one', async () => {
    const { body } = await addJob({ name: 'Sweep' });
    const jobKey = `own/${body.id}//${DAY}`;
    expect((await line({ kind: 'held', jobKey })).status).toBe(201);
    expect((await jobs()).some((job) => job.key === jobKey)).toBe(false);
    const both = await Promise.all([1, 2, 3].map((id) => line({ kind: 'done', jobKey }, as(id))));
    expect(both.map(({ status }) => status).sort()).toEqual([201, 409, 409]);
  });

  it('are refused with what to do, field by field', async () => {
    const refused = async (more: object) => {
      const { status, body } = await addJob({ name: 'Refused', ...more });
      expect(status).toBe(422);
      return body.errors.map((e: { path: string }) => e.path);
    };
    expect(await refused({ minutes: 0, every_days: 0 })).toEqual(['minutes', 'every_days']);
    expect(await refused({ yearFrom: '02-30', yearTo: '05-01' })).toEqual(['yearFrom']);
    expect(await refused({ yearFrom: '10-15' })).toEqual(['yearTo']);
    expect(await refused({ lastOn: '2027-04-01' })).toEqual(['lastOn']);
    expect(await refused({ cropId: 3 })).toEqual(['stage']);
    expect(await refused({ placeId: 1, batchId: 17 })).toEqual(['placeId']);
    expect(await refused({ placeId: 9999 })).toEqual(['placeId']);
    expect((await line({ kind: 'done', jobKey: 'own/9999//2027-04-12' })).body.errors[0].path).toBe('jobKey');
    expect((await line({ kind: 'done', jobKey: 'nonsense' })).body.errors[0].path).toBe('jobKey');
    expect((await line({ kind: 'done', jobKey: `own/1//${DAY}`, day: '2027-04-13' })).body.errors[0].path).toBe('day');
    expect((await line({ kind: 'timed', jobKey: '17/pot/' })).body.errors.map((e: { path: string }) => e.path)).toEqual(
      ['minutes', 'work', 'trays'],
    );
    expect((await line({ kind: 'taken', jobKey: '17/pot/', forPersonId: 99 })).body.errors[0].path).toBe('forPersonId');
  });

  it('are kept by the database as well: nothing changes a line, and no job is for two things', async () => {
    await expect(client.query('UPDATE round_lines SET note = $1', ['x'])).rejects.toThrow(/append-only/);
    await expect(client.query('DELETE FROM round_lines')).rejects.toThrow(/append-only/);
    await expect(client.query('UPDATE house_jobs SET place_id = 1, batch_id = 17')).rejects.toThrow(
      /house_jobs_of_one/,
    );
    await expect(client.query('UPDATE containers SET cell_rows = 7 WHERE cells = 104')).rejects.toThrow(/check/);
  });
});

describe('who has a job', () => {
  it('is the last who took it, until it is given back; a person named cannot be deleted', async () => {
    const [job] = (await jobs()).filter(({ kind }) => kind === 'look');
    const holder = async () => (await jobs()).find(({ key: one }) => one === job!.key)!.holder;
    expect(await holder()).toBeNull();
    await line({ kind: 'taken', jobKey: job!.key, forPersonId: 1 });
    await line({ kind: 'taken', jobKey: job!.key, forPersonId: 2 });
    expect(await holder()).toBe(2);
    const people = (await get('/api/books/people')) as { id: number; version: number }[];
    const two = people.find(({ id }) => id === 2)!;
    expect((await send(app, 'DELETE', `/api/books/people/2?version=${two.version}`)).body.detail).toContain(
      'lines of the round',
    );
    await line({ kind: 'given', jobKey: job!.key });
    expect(await holder()).toBeNull();
  });
});

describe('minutes', () => {
  it('move with what is timed here, and say so', async () => {
    const of = async () => (await jobs()).find(({ kind }) => kind === 'look')!;
    const before = await of();
    expect(before.minutesWords).toContain('usual figures');
    for (let i = 0; i < 5; i++)
      await line({ kind: 'timed', jobKey: before.key, minutes: 2 * before.minutes, work: 'look', trays: 3 });
    const after = await of();
    expect(after.minutesWords).toContain('5 jobs timed here');
    expect(after.minutes).toBeGreaterThan(1.2 * before.minutes);
  });
});

describe('looks at heated places', () => {
  it('are asked for in each half of the day until somebody has looked', async () => {
    const looks = async () => (await jobs()).filter(({ kind }) => kind === 'heat-look');
    const before = await looks();
    expect(before.length % 2).toBe(0);
    const look = { readsRight: true, inCell: false, leadsDry: true };
    expect((await line({ kind: 'done', jobKey: before[0]!.key, look, note: 'sensor lay on the sand' })).status).toBe(
      201,
    );
    expect((await looks()).length).toBe(before.length - 1);
    const { rows } = await client.query('SELECT look, note FROM round_lines ORDER BY id DESC LIMIT 1');
    expect(rows[0]).toEqual({ look, note: 'sensor lay on the sand' });
  });
});

describe('the walking order', () => {
  it('is that of the round; who was slower is told', async () => {
    const places = (await get('/api/books/places')) as { id: number; door: string; level: number }[];
    const was = places.map(({ id }) => id);
    const walk = (order: number[], from = was) =>
      send(app, 'PUT', '/api/house/walk', {
        was: from,
        places: order.map((id) => ({ id, door: id === 3 ? 'Back door' : '', level: 0 })),
      });
    const turned = [...was].reverse();
    expect((await walk(turned)).status).toBe(200);
    const shown = (await round()).places.map(({ id }) => id).filter((id) => was.includes(id));
    expect(shown).toEqual(turned);
    expect(((await get('/api/books/places')) as typeof places).find(({ id }) => id === 3)!.door).toBe('Back door');
    const slower = await walk(was);
    expect([slower.status, slower.body.detail]).toEqual([409, expect.stringContaining('Open it again')]);
    expect((await walk(was.slice(1), turned)).body.errors[0].path).toBe('places');
    expect((await walk(was, turned)).status).toBe(200);
  });
});

describe('news of the house', () => {
  it('are heard by who listens, from whatever device they come', async () => {
    const leave = new AbortController();
    const answer = await fetch(`${app.url}/api/house/live`, { signal: leave.signal });
    expect(answer.headers.get('content-type')).toBe('text/event-stream');
    const reader = answer.body!.getReader();
    const heard: string[] = [];
    const listening = (async () => {
      for (;;) {
        const { value, done } = await reader.read();
        if (done) return;
        heard.push(
          ...new TextDecoder()
            .decode(value)
            .split('\n')
            .filter((text) => text.startsWith('data:')),
        );
      }
    })().catch(() => undefined);
    await expect.poll(() => heard.length, { timeout: 10_000 }).toBe(1);
    await line({ kind: 'held', jobKey: '17/look/' });
    await expect.poll(() => heard.length, { timeout: 10_000 }).toBe(2);
    leave.abort();
    await listening;
  });
});

describe('a count from a photo', () => {
  const COUNT = { tray: null, cells: 104, up: 80, doubled: 4, empty: 24, missed: 6, falseUp: 0, merged: 0, split: 0 };
  const post = (body: object, batch = 21) =>
    send(app, 'POST', `/api/batch/${batch}/photo-counts`, { idempotencyKey: key(), day: DAY, ...COUNT, ...body });

  it('is kept with what was corrected, once, and the counter settles by it', async () => {
    const before = await get('/api/batch/21/count');
    expect(before.grid.rows * before.grid.columns).toBe(before.cells);
    expect(before.settled.shift).toBe(0);
    const idempotencyKey = key();
    expect((await post({ idempotencyKey })).status).toBe(201);
    expect((await post({ idempotencyKey })).status).toBe(200);
    expect((await post({ idempotencyKey, up: 81 })).status).toBe(422);
    expect((await get('/api/batch/21/count')).settled.shift).toBeLessThan(0);
    expect((await client.query('SELECT count(*)::integer AS n FROM photo_counts')).rows[0].n).toBe(1);
  });

  it('that cannot be is refused', async () => {
    expect((await post({ up: 105 })).body.errors[0].path).toBe('up');
    expect((await post({ day: '2027-04-20' })).body.errors[0].path).toBe('day');
    expect((await post({}, 9999)).status).toBe(404);
  });
});

describe('what waited on a device and comes together', () => {
  it('is done in its order, in the name of whose hands, as old as it is; what is refused holds up nothing', async () => {
    const note = (words: string) => ({ idempotencyKey: key(), kind: 'note', day: DAY, note: words });
    const entry = (body: object, personId: number | null, age_min: number, path = '/api/batch/20/events') => ({
      path,
      body,
      personId,
      age_ms: age_min * 60_000,
    });
    const entries = [
      entry(note('the first'), 2, 90),
      entry({ ...note('of a batch that is not'), day: '2031-01-01' }, 2, 80),
      entry({ ...note('of no form'), kind: 'eaten' }, 2, 70),
      entry(
        { idempotencyKey: key(), kind: 'note', jobKey: 'own/1/1', day: DAY, note: '' },
        2,
        70,
        '/api/house/round/lines',
      ),
      entry(note('the last'), 3, 60),
    ];
    const sent = await send(app, 'POST', '/api/house/entries', { entries });
    expect(sent.status).toBe(200);
    const answers = sent.body as { status: number; body: { errors?: { path: string }[] } }[];
    expect(answers.map(({ status }) => status)).toEqual([201, 422, 422, 422, 201]);
    expect(answers.slice(1, 4).map(({ body }) => body.errors![0]!.path)).toEqual(['day', 'kind', 'jobKey']);
    const again = (await send(app, 'POST', '/api/house/entries', { entries })).body as typeof answers;
    expect(again.map(({ status }) => status)).toEqual([200, 422, 422, 422, 200]);
    const { rows } = await client.query(
      `SELECT note, author_id, extract(epoch FROM recorded_at - tapped_at) / 60 AS ago_min FROM batch_events
        WHERE batch_id = 20 AND note IN ('the first', 'the last') ORDER BY id`,
    );
    expect(rows.map(({ note: words, author_id }) => [words, author_id])).toEqual([
      ['the first', 2],
      ['the last', 3],
    ]);
    expect(Number(rows[0].ago_min)).toBeCloseTo(90, 0);
    expect(Number(rows[1].ago_min)).toBeCloseTo(60, 0);
  });

  it('each stands on those before it, also of the same batch and the same key', async () => {
    const batches = (await send(app, 'GET', '/api/batch')).body as { id: number; state: string }[];
    const planned = (
      await client.query(
        `SELECT id FROM batches b WHERE voided_at IS NULL AND NOT EXISTS (SELECT FROM batch_events e WHERE e.batch_id = b.id) ORDER BY id`,
      )
    ).rows
      .map(({ id }) => id as number)
      .find((id) => batches.some((batch) => batch.id === id))!;
    const line = (id: number, more: object) => ({
      path: `/api/batch/${id}/events`,
      body: { idempotencyKey: `on-those-before-${Math.random()}`, kind: 'note', day: '2027-04-12', ...more },
      personId: null,
      age_ms: 120_000,
    });
    const once = line(20, { note: 'tapped twice' });
    const entries = [
      line(planned, { kind: 'sown', count: 40 }),
      once,
      once,
      line(21, { note: 'of another' }),
      line(planned, { kind: 'note', note: 'after sowing' }),
      line(planned, { kind: 'sown', count: 40 }),
      { ...once, body: { ...once.body, note: 'another under the same key' } },
    ];
    const ask = async () =>
      ((await send(app, 'POST', '/api/house/entries', { entries })).body as { status: number }[]).map(
        (one) => one.status,
      );
    expect(await ask()).toEqual([201, 201, 200, 201, 201, 422, 422]);
    // Without the two that are refused nothing of what is known is let go on the way.
    entries.splice(5, 2);
    expect(await ask()).toEqual([200, 200, 200, 200, 200]);
    entries.push(line(planned, { kind: 'sown', count: 40 }));
    expect((await ask()).at(-1)).toBe(422);
    const { rows } = await client.query(`SELECT kind FROM batch_events WHERE batch_id = $1 ORDER BY id`, [planned]);
    expect(rows.map(({ kind }) => kind)).toEqual(['sown', 'note']);
  });

  it.each([
    ['that goes by its own call', { path: '/api/house/photos' }, 'entries.0.path'],
    ['to an address elsewhere', { path: 'http://example.test/api/batch/1/events' }, 'entries.0.path'],
    ['as old as the hills', { age_ms: 1e13 }, 'entries.0.age_ms'],
  ])('%s is refused', async (_words, more, path) => {
    const entries = [{ path: '/api/batch/1/events', body: {}, personId: null, age_ms: 0, ...more }];
    const answer = await send(app, 'POST', '/api/house/entries', { entries });
    expect(answer.status).toBe(422);
    expect((answer.body as { errors: { path: string }[] }).errors[0]!.path).toBe(path);
  });
});
