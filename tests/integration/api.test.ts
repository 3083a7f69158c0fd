import { readdirSync, readFileSync, statSync } from 'node:fs';
import { get } from 'node:http';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { CALLS } from '../../src/contracts/api.ts';
import { key, send, startApp, type App } from '../support/app.ts';

let app: App;
beforeAll(async () => {
  app = await startApp();
});
afterAll(() => app.stop());

const crop = async (name: string): Promise<{ id: number }> =>
  (await send(app, 'GET', '/api/books/crops')).body.find((c: { name: string }) => c.name === name);

async function tomato(change: object = {}) {
  return {
    cropId: (await crop('tomato')).id,
    varietyId: null,
    lotId: null,
    plantsWanted: 120,
    spare_frac: 0.15,
    transplantOn: '2027-06-20',
    hardening_days: 8,
    places: { germinate: 1, grow: 3, pot: 5, harden: 6 },
    sowContainerId: 2,
    potContainerId: 6,
    note: '',
    ...change,
  };
}

async function makeBatch(change: object = {}): Promise<number> {
  const made = await send(app, 'POST', '/api/batch', { ...(await tomato(change)), idempotencyKey: key() });
  expect(made.status, JSON.stringify(made.body)).toBe(201);
  return made.body.id;
}

const log = (id: number, line: object) =>
  send(app, 'POST', `/api/batch/${id}/events`, { idempotencyKey: key(), day: '2027-04-12', ...line });

describe('the ground', () => {
  it('health says database, migrations and clock', async () => {
    const { status, body } = await send(app, 'GET', '/api/house/health');
    expect(status).toBe(200);
    expect(body).toMatchObject({
      ok: true,
      database: 'up',
      pendingMigrations: [],
      clock: { today: '2027-04-12', source: 'demo' },
    });
  });

  it('the OpenAPI document names every endpoint there is, and no other', async () => {
    const { body } = await send(app, 'GET', '/api/openapi.json');
    const told = Object.entries(body.paths as Record<string, object>).flatMap(([path, calls]) =>
      Object.keys(calls).map((method) => `${method} ${path}`),
    );
    const folder = new URL('../../src/pages/api', import.meta.url).pathname;
    const files = (dir: string): string[] =>
      readdirSync(dir).flatMap((name) =>
        statSync(join(dir, name)).isDirectory() ? files(join(dir, name)) : [join(dir, name)],
      );
    const there = files(folder).flatMap((path) => {
      const route = path
        .replace(folder, '/api')
        .replace(/\.ts$/, '')
        .replace(/\/index$/, '')
        .replaceAll('[', '{')
        .replaceAll(']', '}');
      const methods = [...readFileSync(path, 'utf8').matchAll(/export const (GET|POST|PUT|PATCH|DELETE)/g)].map((m) =>
        m[1]!.toLowerCase(),
      );
      const routes = route.includes('{book}')
        ? [
            'crops',
            'varieties',
            'lots',
            'places',
            'containers',
            'mixes',
            'feeds',
            'stock',
            'covers',
            'programmes',
            'people',
            'jobs',
            'scales',
          ].map((b) => route.replace('{book}', b))
        : [route];
      return routes.flatMap((r) => methods.map((method) => `${method} ${r}`));
    });
    expect(there.sort()).toEqual(told.sort());
    expect(told).toHaveLength(CALLS.length);
    expect(
      body.paths['/api/batch'].post.requestBody.content['application/json'].schema.properties.plantsWanted,
    ).toMatchObject({ type: 'integer', minimum: 1, maximum: 200_000 });
  });

  it('pages and answers carry the security headers', async () => {
    const page = await fetch(`${app.url}/`);
    const policy = page.headers.get('content-security-policy')!;
    expect(policy).toContain("default-src 'self'");
    expect(policy).toContain("object-src 'none'");
    expect(policy).not.toContain('unsafe');
    for (const answer of [page, await fetch(`${app.url}/api/house/health`)]) {
      expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
      expect(answer.headers.get('x-frame-options')).toBe('DENY');
    }
    expect(app.log()).toMatch(/"path":"\/api\/house\/health","status":200,"ms":[\d.]+,"msg":"request"/);
  });

  it('takes changes from its own origin only', async () => {
    const body = { ...(await tomato()), idempotencyKey: key() };
    const from = (origin: string) => send(app, 'POST', '/api/batch', body, { origin });
    expect((await from('http://elsewhere.example')).status).toBe(403);
    expect((await from('null')).status).toBe(403);
    expect((await from(app.url)).status).toBe(201);
    expect((await send(app, 'POST', '/api/batch', body, { 'sec-fetch-site': 'cross-site' })).status).toBe(403);
  });

  it('answers only to names of its own, whatever a foreign name leads to', async () => {
    const { hostname, port } = new URL(app.url);
    const called = (host: string) =>
      new Promise<number>((resolve, reject) => {
        get({ hostname, port, path: '/api/batch', headers: { host } }, (answer) => {
          answer.resume();
          resolve(answer.statusCode!);
        }).on('error', reject);
      });
    expect([await called(`127.0.0.1:${port}`), await called(`localhost:${port}`)]).toEqual([200, 200]);
    expect([await called(`rebound.example:${port}`), await called('127.0.0.1.example')]).toEqual([421, 421]);
  });

  it('bounds and checks bodies', async () => {
    expect((await send(app, 'POST', '/api/batch', 'x'.repeat(70_000))).status).toBe(413);
    expect((await send(app, 'POST', '/api/batch', '{"cropId":')).status).toBe(400);
    expect((await send(app, 'POST', '/api/batch', 'a=1', { 'content-type': 'text/plain' })).status).toBe(415);
    expect((await send(app, 'GET', '/api/nothing')).status).toBe(404);
    expect((await send(app, 'GET', '/api/batch/1e9')).status).toBe(404);
    expect((await send(app, 'PUT', '/api/books/crops/0', {})).status).toBeGreaterThanOrEqual(400);
  });
});

describe('a batch with bad input', () => {
  const cases: [string, object, string, RegExp][] = [
    ['plants 0', { plantsWanted: 0 }, 'plantsWanted', /at least 1/],
    ['plants 1e9', { plantsWanted: 1e9 }, 'plantsWanted', /at most 200000/],
    ['plants "ten"', { plantsWanted: 'ten' }, 'plantsWanted', /whole number/],
    ['half a plant', { plantsWanted: 1.5 }, 'plantsWanted', /fractions/],
    ['29 February of a common year', { transplantOn: '2027-02-29' }, 'transplantOn', /not a date/],
    ['no such month', { transplantOn: '2027-13-01' }, 'transplantOn', /2027-05-20/],
    ['a date in words', { transplantOn: 'next May' }, 'transplantOn', /not a date/],
    ['no such crop', { cropId: 9999 }, 'cropId', /no such crop/i],
    ['no such place', { places: { germinate: 99, grow: 3, pot: 5, harden: 6 } }, 'places.germinate', /no such place/i],
    ['a variety of another crop', { varietyId: 1 }, 'varietyId', /not a variety/],
    ['sown in a pot', { sowContainerId: 6 }, 'sowContainerId', /tray/],
    ['potted in a seed tray', { potContainerId: 4 }, 'potContainerId', /pot/],
    ['something unasked', { colour: 'red' }, '', /colour/],
  ];
  it.each(cases)('%s', async (_, change, path, message) => {
    const { status, body, headers } = await send(app, 'POST', '/api/batch', {
      ...(await tomato(change)),
      idempotencyKey: key(),
    });
    expect(status).toBe(422);
    expect(headers.get('content-type')).toContain('application/problem+json');
    const error = body.errors.find((e: { path: string }) => e.path === path);
    expect(error?.message, JSON.stringify(body)).toMatch(message);
  });

  it('29 February of a leap year and a date past are taken, and said', async () => {
    const leap = await makeBatch({ transplantOn: '2028-02-29' });
    expect((await send(app, 'GET', `/api/batch/${leap}`)).body.transplantOn).toBe('2028-02-29');
    const past = await makeBatch({ transplantOn: '2027-04-01' });
    expect((await send(app, 'GET', `/api/batch/${past}`)).body.late_days).toBeGreaterThan(30);
  });

  it('a place too cold is taken and said to be unreachable', async () => {
    const id = await makeBatch({ transplantOn: '2027-04-20', places: { germinate: 6, grow: 6, pot: 6, harden: 6 } });
    const { body } = await send(app, 'GET', `/api/batch/${id}`);
    expect(body.planned.kind === 'unreachable' || body.late_days > 20).toBe(true);
  });
});

describe('the log', () => {
  it('an observed emergence replaces its forecast and what follows moves', async () => {
    const id = await makeBatch();
    expect((await log(id, { kind: 'sown', count: 138, day: '2027-04-01' })).status).toBe(201);
    const before = (await send(app, 'GET', `/api/batch/${id}`)).body;
    expect((await log(id, { kind: 'emerged', count: 70, day: '2027-04-12' })).status).toBe(201);
    const after = (await send(app, 'GET', `/api/batch/${id}`)).body;
    const on = (batch: { forecast: { key: string; on: string; status: string }[] }, name: string) =>
      batch.forecast.find((m) => m.key === name)!;
    expect(on(before, 'half-up').status).toBe('forecast');
    expect(on(after, 'half-up')).toMatchObject({ on: '2027-04-12', status: 'done' });
    expect(on(after, 'pot').on > on(after, 'half-up').on).toBe(true);
    expect(after.phase).toBe('emerged');
  });

  it('refuses what is out of order, naming the field', async () => {
    const id = await makeBatch();
    const refused = async (line: object, path: string, message: RegExp) => {
      const { status, body } = await log(id, line);
      expect(status).toBe(422);
      expect(body.errors[0].path).toBe(path);
      expect(body.errors[0].message).toMatch(message);
    };
    await refused({ kind: 'emerged', count: 5 }, 'kind', /not sown/i);
    await refused({ kind: 'sown', count: 0 }, 'count', /at least one/i);
    await refused({ kind: 'sown', count: 138, day: '2027-04-13' }, 'day', /still to come/);
    await log(id, { kind: 'sown', count: 138, day: '2027-04-05' });
    await refused({ kind: 'emerged', count: 139 }, 'count', /139 up of 138/);
    await refused({ kind: 'sown', count: 138 }, 'kind', /logged already/i);
    await refused({ kind: 'counted', count: 3, day: '2027-04-04' }, 'day', /before the last/i);
    await log(id, { kind: 'counted', count: 50, day: '2027-04-10' });
    await refused({ kind: 'counted', count: 40 }, 'count', /50 were up before/i);
    await refused({ kind: 'lost', count: 139 }, 'count', /only 138 are left/i);
    await refused({ kind: 'planted-out', count: 10 }, 'kind', /nothing logged as up/i);
    await refused({ kind: 'rung', count: 2 }, 'kind', /hardening has not started/i);
    await refused({ kind: 'withdrawn' }, 'correctsId', /which line/i);
    await refused({ kind: 'moved', placeId: 77 }, 'placeId', /no such place/i);
  });

  it('the same key twice writes once; another line under it is refused', async () => {
    const id = await makeBatch();
    const line = { idempotencyKey: key(), kind: 'sown', day: '2027-04-10', count: 138 };
    const answers = await Promise.all([1, 2, 3, 4].map(() => send(app, 'POST', `/api/batch/${id}/events`, line)));
    expect(answers.map((a) => a.status).sort()).toEqual([200, 200, 200, 201]);
    expect(new Set(answers.map((a) => a.body.eventId)).size).toBe(1);
    expect((await send(app, 'GET', `/api/batch/${id}`)).body.log).toHaveLength(1);
    const other = await send(app, 'POST', `/api/batch/${id}/events`, { ...line, count: 100 });
    expect([other.status, other.body.errors[0].path]).toEqual([422, 'idempotencyKey']);
  });

  it('a correction is a line of its own; the old one stays; a line is corrected once', async () => {
    const id = await makeBatch();
    const sown = (await log(id, { kind: 'sown', count: 138, day: '2027-04-08' })).body.eventId;
    const fixed = await log(id, { kind: 'sown', count: 120, day: '2027-04-07', correctsId: sown });
    expect(fixed.status).toBe(201);
    const batch = (await send(app, 'GET', `/api/batch/${id}`)).body;
    expect(batch.log).toHaveLength(2);
    expect(batch.most_count).toBe(120);
    expect(batch.forecast[0]).toMatchObject({ key: 'sow', on: '2027-04-07', status: 'done' });
    expect((await log(id, { kind: 'withdrawn', correctsId: sown })).status).toBe(409);
    await log(id, { kind: 'counted', count: 10 });
    const under = await log(id, { kind: 'withdrawn', correctsId: fixed.body.eventId });
    expect([under.status, under.body.detail]).toEqual([422, expect.stringMatching(/could not stand/)]);
  });

  it('holds put a job off to tomorrow', async () => {
    const round = async () =>
      (await send(app, 'GET', '/api/house/round')).body.places.flatMap((p: { jobs: object[] }) => p.jobs);
    const job = (await round()).find((j: { kind: string }) => j.kind === 'pot');
    const { key } = job;
    expect((await log(job.batchId, { kind: 'held', cause: 'pot' })).status).toBe(201);
    expect((await round()).some((j: { key: string }) => j.key === key)).toBe(false);
  });
});

describe('two at once', () => {
  it('a stale edit answers 409 with both versions, and neither is lost', async () => {
    const id = await makeBatch();
    const { version } = (await send(app, 'GET', `/api/batch/${id}`)).body;
    const edits = await Promise.all(
      ['2027-06-25', '2027-06-28'].map((transplantOn) =>
        send(app, 'PATCH', `/api/batch/${id}`, { version, transplantOn }),
      ),
    );
    expect(edits.map((e) => e.status).sort()).toEqual([200, 409]);
    const lost = edits.find((e) => e.status === 409)!.body;
    expect(lost.yours.transplantOn).not.toBe(lost.current.transplantOn);
    expect(lost.current.version).toBe(version + 1);
    const batch = (await send(app, 'GET', `/api/batch/${id}`)).body;
    expect(batch.transplantOn).toBe(lost.current.transplantOn);
    expect(batch.log.at(-1)).toMatchObject({ kind: 'edited', note: expect.stringContaining('transplant date') });
    expect(
      (await send(app, 'PATCH', `/api/batch/${id}`, { version: version + 1, transplantOn: lost.yours.transplantOn }))
        .status,
    ).toBe(200);
  });

  it('a stale line of the books as well', async () => {
    const [first] = (await send(app, 'GET', '/api/books/containers')).body;
    const { id, version, ...line } = first;
    expect(
      (await send(app, 'PUT', `/api/books/containers/${id}`, { version, line: { ...line, volume_L: 2.4 } })).status,
    ).toBe(200);
    const stale = await send(app, 'PUT', `/api/books/containers/${id}`, { version, line: { ...line, volume_L: 9 } });
    expect([stale.status, stale.body.current.volume_L, stale.body.yours.volume_L]).toEqual([409, 2.4, 9]);
  });

  it('two batches made at once get different letters and codes', async () => {
    const ids = await Promise.all([1, 2, 3].map(() => makeBatch({ cropId: 1, potContainerId: null })));
    const batches = await Promise.all(ids.map(async (id) => (await send(app, 'GET', `/api/batch/${id}`)).body));
    expect(new Set(batches.map((b) => b.name)).size).toBe(3);
    expect(new Set(batches.map((b) => b.code)).size).toBe(3);
  });
});

describe('splitting', () => {
  it('hands plants and history to a batch of its own, once', async () => {
    const id = await makeBatch();
    await log(id, { kind: 'sown', count: 138, day: '2027-04-01' });
    await log(id, { kind: 'emerged', count: 75, day: '2027-04-08' });
    const { version } = (await send(app, 'GET', `/api/batch/${id}`)).body;
    const order = {
      idempotencyKey: key(),
      version,
      day: '2027-04-12',
      count: 40,
      transplantOn: '2027-07-01',
      note: 'for the shop',
    };
    const split = await send(app, 'POST', `/api/batch/${id}/split`, order);
    expect(split.status).toBe(201);
    const again = await send(app, 'POST', `/api/batch/${id}/split`, order);
    expect([again.status, again.body.batchId]).toEqual([200, split.body.batchId]);
    const [rest, part] = [
      (await send(app, 'GET', `/api/batch/${id}`)).body,
      (await send(app, 'GET', `/api/batch/${split.body.batchId}`)).body,
    ];
    expect([rest.plants.inHand_count, part.plants.inHand_count]).toEqual([35, 40]);
    expect([rest.most_count, part.most_count, rest.plantsWanted + part.plantsWanted]).toEqual([98, 40, 120]);
    expect(part).toMatchObject({ phase: 'emerged', transplantOn: '2027-07-01' });
    expect(part.forecast.find((m: { key: string }) => m.key === 'half-up')).toMatchObject({
      on: '2027-04-08',
      status: 'done',
    });
    expect(
      (
        await send(app, 'POST', `/api/batch/${id}/split`, {
          ...order,
          idempotencyKey: key(),
          version: rest.version,
          count: 98,
        })
      ).status,
    ).toBe(422);
  });
});

describe('the books', () => {
  it('refuses crops whose figures make no sense, at the field', async () => {
    const { id, version, ...line } = (await send(app, 'GET', '/api/books/crops')).body.find(
      (c: { name: string }) => c.name === 'basil',
    );
    const put = (change: object) =>
      send(app, 'PUT', `/api/books/crops/${id}`, { version, line: { ...line, ...change } });
    expect((await put({ germBest_C: 40 })).body.errors.map((e: { path: string }) => e.path)).toContain('germMax_C');
    expect((await put({ weeksHigh: 2 })).body.errors[0].path).toBe('weeksHigh');
    expect((await put({ name: 'tomato' })).body.errors[0]).toMatchObject({
      path: 'name',
      message: expect.stringMatching(/already/),
    });
    const twice = [
      { temperature_C: 20, days: 5, percent: null },
      { temperature_C: 20, days: 6, percent: null },
    ];
    expect((await put({ emergence: twice })).body.errors[0].path).toBe('emergence.1.temperature_C');
    expect((await put({ emergence: [{ temperature_C: 20, days: 'soon', percent: null }] })).body.errors[0].path).toBe(
      'emergence.0.days',
    );
  });

  it('a place needs its temperature, and its periods their days', async () => {
    const place = {
      name: 'New bench',
      kind: 'bench',
      lit: true,
      room_trays: 10,
      walkOrder: 20,
      periods: [] as object[],
    };
    expect((await send(app, 'POST', '/api/books/places', place)).body.errors[0].path).toBe('periods');
    const bad = { ...place, periods: [{ from: '02-31', day_C: 20, night_C: 15 }] };
    expect((await send(app, 'POST', '/api/books/places', bad)).body.errors[0].path).toBe('periods.0.from');
    const good = { ...place, periods: [{ from: '01-01', day_C: 20, night_C: 15 }] };
    expect((await send(app, 'POST', '/api/books/places', good)).status).toBe(201);
    expect((await send(app, 'POST', '/api/books/places', good)).body.errors[0].path).toBe('name');
  });

  it('the demo clock is set, run and paused; rates are bounded', async () => {
    expect((await send(app, 'PUT', '/api/house/clock', { setTo: '2027-04-20' })).body.today).toBe('2027-04-20');
    expect((await send(app, 'PUT', '/api/house/clock', { running: true, rate: 60 })).body.demoClock.running).toBe(true);
    expect((await send(app, 'PUT', '/api/house/clock', { running: false, setTo: '2027-04-12' })).body.today).toBe(
      '2027-04-12',
    );
    expect((await send(app, 'PUT', '/api/house/clock', { rate: 5 })).status).toBe(422);
    expect((await send(app, 'PUT', '/api/house/clock', { setTo: '2027-02-30' })).status).toBe(422);
  });

  it('settings change what is shown, with a version', async () => {
    const {
      demoClock: _clock,
      potting: _potting,
      planting: _planting,
      frost: _frost,
      ...nursery
    } = (await send(app, 'GET', '/api/house/nursery')).body;
    expect(
      (await send(app, 'PUT', '/api/house/nursery', { ...nursery, timeZone: 'Mars/Base' })).body.errors[0].path,
    ).toBe('timeZone');
    expect(
      (await send(app, 'PUT', '/api/house/nursery', { ...nursery, temperatureUnit: 'F' })).body.temperatureUnit,
    ).toBe('F');
    expect(await (await fetch(`${app.url}/`)).text()).toContain('79°');
    expect((await send(app, 'PUT', '/api/house/nursery', nursery)).status).toBe(409);
    expect((await send(app, 'PUT', '/api/house/nursery', { ...nursery, version: nursery.version + 1 })).status).toBe(
      200,
    );
  });
});
