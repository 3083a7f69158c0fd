import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { CALLS } from '../../src/contracts/api.ts';
import { leastRole } from '../../src/contracts/house/access.ts';
import { reaches, ROLES, type Role } from '../../src/core/house/roles.ts';
import { newDatabase, key, send, startApp, type App } from '../support/app.ts';

let app: App;
let client: pg.Client;
beforeAll(async () => {
  app = await startApp([], undefined, { DEMO_BENCHES: 'off' });
  client = new pg.Client({ connectionString: app.databaseUrl });
  await client.connect();
});
afterAll(async () => {
  await client.end();
  await app.stop();
});

const WORDS = 'otter lamp gravel nine';
const at = (rest: string) => `/api/house/access/${rest}`;
/** The cookie an answer sets. */
const cookieOf = (headers: Headers): string => (headers.get('set-cookie') ?? '').split(';')[0]!;
const with_ = (cookie: string, more: Record<string, string> = {}) => ({ cookie, ...more });
const post = (path: string, body: object, cookie = '', more: Record<string, string> = {}) =>
  send(app, 'POST', path, body, { ...(cookie ? { cookie } : {}), ...more });
const get = (path: string, cookie = '') => send(app, 'GET', path, undefined, cookie ? { cookie } : {});

let owner = '';
let initials = 100;
/** Lets somebody of a role in by a link of the owner's. @returns their number and cookie */
async function joined(role: Role, login: string): Promise<{ id: number; cookie: string }> {
  const made = await send(
    app,
    'POST',
    '/api/books/people',
    { name: `Person ${login}`, initials: `${(initials++).toString(36)}z`, mark: 'bar', role },
    with_(owner),
  );
  expect(made.status).toBe(201);
  const { id } = made.body as { id: number };
  const link = (await post(at('links'), { personId: id }, owner)).body as { url: string };
  const done = await post(at('join'), { key: link.url.split('.').at(-1), login, password: WORDS });
  expect(done.status).toBe(201);
  return { id, cookie: cookieOf(done.headers) };
}
const retire = async (id: number, retired = true) => {
  const line = ((await get('/api/books/people', owner)).body as { id: number; version: number }[]).find(
    (p) => p.id === id,
  )!;
  return send(app, 'PUT', `/api/books/people/${id}/retired`, { version: line.version, retired }, with_(owner));
};

describe('a house that only this machine reaches', () => {
  it('asks nobody, until its first owner is made; then everybody', async () => {
    expect((await get('/')).status).toBe(200);
    expect((await get('/api/house/round')).status).toBe(200);
    const short = await post(at('owner'), { name: 'Head grower', login: 'head', password: 'short' });
    expect([short.status, short.body.errors[0].path]).toEqual([422, 'password']);
    const weak = await post(at('owner'), { name: 'Head grower', login: 'head', password: 'password12345' });
    expect([weak.status, weak.body.errors[0].path]).toEqual([422, 'password']);
    const made = await post(at('owner'), { name: 'Head grower', login: 'Head', password: WORDS });
    expect(made.status).toBe(201);
    owner = cookieOf(made.headers);
    const whole = made.headers.get('set-cookie')!;
    expect(whole).toMatch(/HttpOnly/i);
    expect(whole).toMatch(/SameSite=Lax/i);
    // It is the one who was there, not another of the same name.
    expect(made.body.personId).toBe(
      (await client.query(`SELECT id FROM people WHERE name = 'Head grower'`)).rows[0].id,
    );

    const page = await fetch(`${app.url}/heat?zone=2`, { redirect: 'manual' });
    expect([page.status, page.headers.get('location')]).toEqual([302, '/house/sign-in?to=%2Fheat%3Fzone%3D2']);
    expect((await get('/api/house/round')).status).toBe(401);
    expect((await get('/house/sign-in')).body).not.toContain('Tomato');
    expect((await get('/', owner)).status).toBe(200);
    expect((await post(at('owner'), { name: 'Another', login: 'another', password: WORDS })).status).toBe(409);
  });

  it('keeps no token, password or key that could be used', async () => {
    const kept = JSON.stringify([
      (await client.query('SELECT * FROM sign_ins')).rows,
      (await client.query('SELECT * FROM accounts')).rows,
      (await client.query('SELECT * FROM audit')).rows,
    ]);
    expect(kept).not.toContain(owner.split('=')[1]);
    expect(kept).not.toContain(WORDS);
    expect(JSON.stringify((await client.query('SELECT old, new FROM audit')).rows)).not.toContain('argon2');
    expect(app.log()).not.toContain(owner.split('=')[1]);
  });
});

describe('signing in', () => {
  it('by name and password, however the name is written; a wrong name and a wrong password are one answer', async () => {
    const right = await post(at('sign-in'), { login: 'HEAD', password: WORDS, device: 'test' });
    expect(right.status).toBe(200);
    expect((await get('/', cookieOf(right.headers))).status).toBe(200);
    const answers = [
      await post(at('sign-in'), { login: 'head', password: 'otter lamp gravel ten' }),
      await post(at('sign-in'), { login: 'nobody here', password: 'otter lamp gravel ten' }),
    ];
    expect(answers.map(({ status, body }) => [status, body.detail])).toEqual([
      [401, answers[0]!.body.detail],
      [401, answers[0]!.body.detail],
    ]);
    // Out by its own button: the token is worth nothing afterwards.
    const cookie = cookieOf(right.headers);
    expect((await post(at('sign-out'), {}, cookie)).status).toBe(200);
    expect((await get('/api/house/round', cookie)).status).toBe(401);
    expect((await get('/api/house/round', owner)).status).toBe(200);
  });

  it('takes as long for a name that is known as for one that is not', async () => {
    const timed = async (login: string) => {
      const from = performance.now();
      // Each from an address of its own, so that no limit is met; without a proxy that is not believed.
      await post(at('sign-in'), { login, password: 'wrong wrong wrong' }, '', { 'x-forwarded-for': '10.0.0.1' });
      return performance.now() - from;
    };
    await client.query('DELETE FROM rate_limits');
    const times = { known: [] as number[], unknown: [] as number[] };
    for (let i = 0; i < 9; i++) {
      times.known.push(await timed('head'));
      times.unknown.push(await timed(`stranger ${i}`));
      await client.query('DELETE FROM rate_limits');
    }
    const median = (all: number[]) => all.sort((a, b) => a - b)[all.length >> 1]!;
    // A hash takes tens of milliseconds; an answer without one would take a few.
    expect(median(times.unknown)).toBeGreaterThan(median(times.known) / 3);
    expect(median(times.known)).toBeGreaterThan(median(times.unknown) / 3);
  });

  it('is refused after some wrong tries, also of the right password, and says for how long', async () => {
    await client.query('DELETE FROM rate_limits');
    const tries = [];
    for (let i = 0; i < 8; i++)
      tries.push((await post(at('sign-in'), { login: 'head', password: `wrong ${i} wrong` })).status);
    expect(tries).toEqual([401, 401, 401, 401, 401, 429, 429, 429]);
    const right = await post(at('sign-in'), { login: 'head', password: WORDS });
    expect([right.status, right.body.detail]).toEqual([429, expect.stringMatching(/Wait 15 min/)]);
    // Another name from here still may; a thousand names may not.
    expect((await post(at('sign-in'), { login: 'other', password: 'wrong wrong' })).status).toBe(401);
    const many = [];
    for (let i = 0; i < 60; i++)
      many.push(
        (
          await post(at('sign-in'), { login: `n${i}`, password: 'wrong wrong' }, '', {
            'x-forwarded-for': `10.1.0.${i}`,
          })
        ).status,
      );
    expect(many.at(-1)).toBe(429);
    expect(many.filter((status) => status === 401).length).toBeLessThanOrEqual(40);
    await client.query('DELETE FROM rate_limits');
  });
});

describe('links', () => {
  it('work once, for a day, and give a new password that ends what was signed in before', async () => {
    const { id, cookie } = await joined('hand', 'linked');
    const first = (await post(at('links'), { personId: id }, owner)).body.url as string;
    const second = (await post(at('links'), { personId: id }, owner)).body.url as string;
    const use = (url: string) =>
      post(at('join'), { key: url.split('.').at(-1), login: 'linked', password: 'gate moss candle two' });
    // Another link takes the place of the one before.
    expect((await use(first)).status).toBe(410);
    const done = await use(second);
    expect(done.status).toBe(201);
    expect((await use(second)).status).toBe(410);
    expect((await get('/api/house/round', cookie)).status).toBe(401);
    expect((await get('/api/house/round', cookieOf(done.headers))).status).toBe(200);
    const old = (await post(at('links'), { personId: id }, owner)).body.url as string;
    await client.query(
      `UPDATE one_time_keys SET made_at = now() - interval '2 days', ends_at = now() - interval '1 second' WHERE used_at IS NULL`,
    );
    expect((await use(old)).status).toBe(410);
    expect(
      (await post(at('join'), { key: randomBytes(32).toString('base64url'), login: 'x', password: WORDS })).status,
    ).toBe(410);
    expect((await post(at('join'), { key: 'short', login: 'x', password: WORDS })).status).toBe(422);
  });

  it('give nobody the name another signs in by', async () => {
    const made = await send(
      app,
      'POST',
      '/api/books/people',
      { name: 'Twin', initials: 'TW', mark: 'bar', role: 'hand' },
      with_(owner),
    );
    const url = (await post(at('links'), { personId: made.body.id }, owner)).body.url as string;
    const taken = await post(at('join'), { key: url.split('.').at(-1), login: 'HEAD', password: WORDS });
    expect([taken.status, taken.body.errors[0].path]).toEqual([422, 'login']);
    // What was refused used nothing up.
    expect((await post(at('join'), { key: url.split('.').at(-1), login: 'twin', password: WORDS })).status).toBe(201);
  });
});

describe('roles', () => {
  it('of each endpoint hold: below it is refused, from it on it is not', async () => {
    const cookies = new Map<Role, string>([['owner', owner]]);
    for (const role of ['guest', 'hand', 'grower'] as const)
      cookies.set(role, (await joined(role, `role-${role}`)).cookie);
    // Calls that would end what this test stands on, or wait for more.
    const apart = new Set([
      'post /api/house/access/sign-out',
      'get /api/house/live',
      'get /api/heat/live',
      'post /api/house/begin/demo',
    ]);
    const wrong: string[] = [];
    let looked = 0;
    for (const { method, path } of CALLS) {
      if (apart.has(`${method} ${path}`)) continue;
      const address = path.replace(/\{id\}/g, '99999').replace(/\{\w+\}/g, 'x');
      const least = leastRole(method, address);
      for (const role of [null, ...ROLES]) {
        const cookie = role === null ? '' : cookies.get(role)!;
        // Bodies are empty: whoever is let in is told what is missing.
        const body = method === 'get' ? undefined : {};
        const { status, body: answer } = await send(app, method.toUpperCase(), address, body, cookie ? { cookie } : {});
        looked++;
        const gate = role === null ? 'Not signed in' : 'Not for your role';
        const refused = (status === 401 || status === 403) && answer.title === gate;
        const may = least === null || (role !== null && reaches(role, least));
        if (refused === may) wrong.push(`${method} ${address} by ${role ?? 'nobody'}: ${status}`);
      }
    }
    expect(wrong).toEqual([]);
    expect(looked).toBeGreaterThan(700);
  }, 240_000);

  it('of pages hold, and the pages of the owner are of the owner', async () => {
    const hand = (await joined('hand', 'pages')).cookie;
    for (const page of ['/house/people', '/house/audit', '/house/settings']) {
      expect([page, (await get(page, hand)).status]).toEqual([page, 403]);
      expect([page, (await get(page, owner)).status]).toEqual([page, 200]);
    }
    for (const page of ['/', '/plan/season', '/heat', '/house/me', '/house/paper'])
      expect((await get(page, hand)).status).toBe(200);
  });

  it('are in the document of the calls', async () => {
    const { body } = await get('/api/openapi.json', owner);
    expect(body.paths['/api/house/entries'].post['x-least-role']).toBe('hand');
    expect(body.paths['/api/batch/{id}'].patch['x-least-role']).toBe('grower');
    expect(body.paths['/api/house/access/links'].post['x-least-role']).toBe('owner');
    expect(body.paths['/api/house/health'].get['x-least-role']).toBe('anybody');
  });

  it('let a hand do the day, each line in their own name whatever a device says', async () => {
    const { id, cookie } = await joined('hand', 'day');
    const entry = { idempotencyKey: key(), kind: 'note', day: '2027-04-12', note: 'by a hand' };
    const forged = { 'x-crook-person': '1' };
    expect((await post('/api/batch/17/events', entry, cookie, forged)).status).toBe(201);
    const { rows } = await client.query(`SELECT author_id FROM batch_events WHERE note = 'by a hand'`);
    expect(rows.map((row) => row.author_id)).toEqual([id]);
  });

  it('leave what somebody else tapped on this device to them: it is not written in another name', async () => {
    const { id, cookie } = await joined('hand', 'second');
    const note = (words: string) => ({ idempotencyKey: key(), kind: 'note', day: '2027-04-12', note: words });
    const waited = (personId: number | null, words: string) => ({
      path: '/api/batch/17/events',
      body: note(words),
      personId,
      age_ms: 600_000,
    });
    const alone = await post('/api/batch/17/events', note('of the first, alone'), cookie, {
      'x-crook-person': '1',
      'x-crook-age': '600000',
    });
    expect([alone.status, alone.body.title]).toEqual([409, 'Tapped by someone else']);
    const entries = [waited(1, 'of the first'), waited(id, 'of the second'), waited(null, 'unsaid')];
    const { body } = await post('/api/house/entries', { entries }, cookie);
    expect((body as { status: number }[]).map(({ status }) => status)).toEqual([409, 201, 201]);
    expect(body[0].body.detail).toContain((await client.query('SELECT name FROM people WHERE id = 1')).rows[0].name);
    const { rows } = await client.query(
      `SELECT note, author_id FROM batch_events WHERE note IN ('of the first, alone', 'of the first', 'of the second', 'unsaid') ORDER BY id`,
    );
    expect(rows).toEqual([
      { note: 'of the second', author_id: id },
      { note: 'unsaid', author_id: id },
    ]);
  });

  it('tell the device whose hands it is in, so that what waits on it keeps its author', async () => {
    const { id, cookie } = await joined('hand', 'told');
    const page = (more: string) => fetch(`${app.url}/house/me`, { headers: { cookie: `${cookie}${more}` } });
    expect((await page('; crook-person=1')).headers.get('set-cookie')).toContain(`crook-person=${id};`);
    expect((await page(`; crook-person=${id}`)).headers.get('set-cookie')).toBeNull();
  });
});

describe('people who go', () => {
  it('are out at once, on every device; an owner who can sign in remains', async () => {
    const { id, cookie } = await joined('grower', 'goes');
    expect((await get('/api/house/round', cookie)).status).toBe(200);
    expect((await retire(id)).status).toBe(200);
    const out = await get('/api/house/round', cookie);
    expect([out.status, out.body.title]).toEqual([403, 'Removed from this house']);
    expect((await post(at('sign-in'), { login: 'goes', password: WORDS })).status).toBe(401);
    // Brought back, they sign in anew: no device of before is in by itself.
    expect((await retire(id, false)).status).toBe(200);
    expect((await get('/api/house/round', cookie)).status).toBe(401);
    const me = (await client.query(`SELECT person_id FROM accounts WHERE login = 'head'`)).rows[0].person_id as number;
    const last = await retire(me);
    expect([last.status, last.body.title]).toEqual([409, 'The last owner']);
    const line = ((await get('/api/books/people', owner)).body as { id: number; version: number; name: string }[]).find(
      (p) => p.id === me,
    )!;
    const demoted = await send(
      app,
      'PUT',
      `/api/books/people/${me}`,
      { version: line.version, line: { name: line.name, initials: 'HG', mark: 'circle', role: 'hand' } },
      with_(owner),
    );
    expect([demoted.status, demoted.body]).toEqual([409, expect.objectContaining({ title: 'The last owner' })]);
    expect((await get('/house/people', owner)).status).toBe(200);
  });
});

describe('a tablet of the house', () => {
  it('stays signed in as the house; people take it by their PIN, which is no key to people and settings', async () => {
    const url = (await post(at('links'), { personId: null }, owner)).body.url as string;
    const made = await post(at('tablet'), { key: url.split('.').at(-1), device: 'Tablet' });
    expect(made.status).toBe(201);
    const tablet = cookieOf(made.headers);
    expect((await post(at('tablet'), { key: url.split('.').at(-1), device: 'Other' })).status).toBe(410);
    const note = (words: string, more = {}) =>
      post(
        '/api/batch/17/events',
        { idempotencyKey: key(), kind: 'note', day: '2027-04-12', note: words },
        tablet,
        more,
      );
    expect((await note('nobody said')).status).toBe(201);

    const me = (await client.query(`SELECT person_id FROM accounts WHERE login = 'head'`)).rows[0].person_id as number;
    const none = await post(at('holder'), { personId: me, pin: '2580' }, tablet);
    expect([none.status, none.body.errors[0].path]).toEqual([422, 'pin']);
    const pin = (body: object) => send(app, 'PUT', at('me/pin'), body, with_(owner));
    expect((await pin({ password: 'not mine at all', pin: '2580' })).status).toBe(422);
    expect((await pin({ password: WORDS, pin: '1111' })).status).toBe(422);
    expect((await pin({ password: WORDS, pin: '2580' })).status).toBe(200);
    const tries = [];
    for (const wrong of ['1234', '0000', '9999'])
      tries.push((await post(at('holder'), { personId: me, pin: wrong }, tablet)).status);
    expect(tries).toEqual([422, 422, 422]);
    expect((await post(at('holder'), { personId: me, pin: '2580' }, tablet)).status).toBe(200);
    expect((await note('by the holder', { 'x-crook-person': '9999' })).status).toBe(201);
    // What waited is of whoever held it then.
    const other = (await client.query(`SELECT id FROM people WHERE name = 'Propagator'`)).rows[0].id as number;
    expect(
      (await note('by who held it then', { 'x-crook-person': String(other), 'x-crook-age': '600000' })).status,
    ).toBe(201);
    const { rows } = await client.query(
      `SELECT note, author_id FROM batch_events WHERE note IN ('nobody said', 'by the holder', 'by who held it then') ORDER BY id`,
    );
    expect(rows.map((row) => row.author_id)).toEqual([null, me, other]);
    expect((await get('/house/people', tablet)).status).toBe(403);
    for (let i = 0; i < 6; i++) await post(at('holder'), { personId: me, pin: `33${i}7` }, tablet);
    expect((await post(at('holder'), { personId: me, pin: '2580' }, tablet)).status).toBe(429);
    expect((await post(at('holder'), { personId: null, pin: '' }, tablet)).status).toBe(200);
  });
});

describe('the audit list', () => {
  it('has every change of people, ways in, settings and set-points with who made it, and cannot be edited', async () => {
    const before = (await client.query('SELECT count(*)::integer AS n FROM audit')).rows[0].n as number;
    const {
      demoClock: _c,
      potting: _p,
      frost: _f,
      planting: _t,
      ...nursery
    } = (await get('/api/house/nursery', owner)).body;
    const named = await send(app, 'PUT', '/api/house/nursery', { ...nursery, name: 'Renamed' }, with_(owner));
    expect([named.status, named.body]).toEqual([200, expect.anything()]);
    const zone = (await get('/api/heat/zones', owner)).body[0].id as number;
    const held = await send(
      app,
      'POST',
      `/api/heat/zones/${zone}/override`,
      { idempotencyKey: randomUUID(), set_C: 18, hours: 1, by: 'Head grower', why: 'test' },
      with_(owner),
    );
    expect([held.status, held.body]).toEqual([201, expect.anything()]);
    const settings = (await get('/api/heat/settings', owner)).body;
    const changed = await send(app, 'PUT', '/api/heat/settings', { ...settings, keep_months: 30 }, with_(owner));
    expect([changed.status, changed.body]).toEqual([200, expect.anything()]);
    const [line] = (await get('/api/house/access/audit', owner)).body as {
      what: string;
      authorId: number;
      old: object;
      new: object;
    }[];
    const me = (await client.query(`SELECT person_id FROM accounts WHERE login = 'head'`)).rows[0].person_id as number;
    expect(line).toMatchObject({ what: 'heat_settings', done: 'changed', authorId: me, new: { keep_months: 30 } });
    // What the owner did above is theirs, whichever way it was written.
    const { rows } = await client.query<{ what: string; n: number; mine: number }>(
      `SELECT what, count(*)::integer AS n, count(*) FILTER (WHERE author_id = $1)::integer AS mine FROM audit
       WHERE what IN ('people', 'nursery', 'heat_settings', 'heat_overrides', 'one_time_keys') AND done <> 'removed' GROUP BY what`,
      [me],
    );
    const counts = Object.fromEntries(rows.map(({ what, mine }) => [what, mine]));
    expect(counts).toMatchObject({ nursery: 1, heat_settings: 1, heat_overrides: 1 });
    expect(counts['people']).toBeGreaterThan(8);
    expect(before).toBeGreaterThan(10);
    await expect(client.query('UPDATE audit SET what = $1', ['x'])).rejects.toThrow();
    await expect(client.query('DELETE FROM audit')).rejects.toThrow();
    const page = await get('/house/audit', owner);
    expect(page.body).toContain('Settings of heat');
  });
});

describe('a house that others reach', () => {
  const run = (env: Record<string, string>) =>
    spawnSync('node', ['dist/serve/serve.mjs', '--empty'], {
      env: { ...process.env, NODE_ENV: 'production', MQTT_PORT: '0', PORT: '4399', ...env },
      encoding: 'utf8',
      timeout: 60_000,
    });

  it('does not start without an owner, and says how to make one', async () => {
    for (const env of [{ HOST: '0.0.0.0' }, { HOST: '127.0.0.1', TRUST_PROXY: '1' }] as Record<string, string>[]) {
      const done = run({ ...env, DATABASE_URL: await newDatabase() });
      expect(done.status).toBe(1);
      expect(done.stderr).toContain('bin/start --owner');
    }
  });

  it('starts with a link for the first owner, and lets nobody else in until then', async () => {
    const link = randomBytes(32).toString('base64url');
    const env = { TRUST_PROXY: '1', DEMO_BENCHES: 'off' };
    let other = await startApp([], undefined, { ...env, OWNER_KEY: link });
    try {
      const to = (path: string, body: object, headers: Record<string, string> = {}) =>
        send(other, 'POST', path, body, headers);
      expect((await fetch(`${other.url}/`, { redirect: 'manual' })).status).toBe(302);
      expect((await to(at('owner'), { name: 'Thief', login: 'thief', password: WORDS })).status).toBe(409);
      const https = { 'x-forwarded-proto': 'https', 'x-forwarded-for': '6.6.6.6, 192.0.2.7' };
      const made = await to(at('join'), { key: link, login: 'first', password: WORDS }, https);
      expect(made.status).toBe(201);
      // Over HTTPS the cookie is bound to this host and sent over nothing else.
      expect(made.headers.get('set-cookie')).toMatch(/^__Host-crook-in=.*Secure/i);
      expect(made.headers.get('strict-transport-security')).toContain('max-age');
      expect((await to(at('join'), { key: link, login: 'second', password: WORDS }, https)).status).toBe(410);
      // Started with another link, an owner who forgot comes back by their name, and no second one is made.
      const again = randomBytes(32).toString('base64url');
      await other.stop();
      other = await startApp([], other.databaseUrl, { ...env, OWNER_KEY: again });
      const back = await to(at('join'), { key: again, login: 'FIRST', password: 'gate moss candle two' }, https);
      expect([back.status, back.body.personId]).toEqual([201, made.body.personId]);
      const before = await fetch(`${other.url}/`, { headers: { cookie: cookieOf(made.headers) }, redirect: 'manual' });
      expect(before.status).toBe(302);
      const page = await send(other, 'GET', '/house/people', undefined, { cookie: cookieOf(back.headers), ...https });
      expect(page.status).toBe(200);
      // Limits go by the address the proxy saw, not by one that is made up before it.
      for (let i = 0; i < 45; i++)
        await to(
          at('sign-in'),
          { login: `n${i}`, password: 'wrong' },
          { ...https, 'x-forwarded-for': `10.0.0.${i}, 192.0.2.7` },
        );
      const blocked = await to(at('sign-in'), { login: 'n', password: 'wrong' }, https);
      const elsewhere = await to(
        at('sign-in'),
        { login: 'n', password: 'wrong' },
        { ...https, 'x-forwarded-for': '192.0.2.8' },
      );
      expect([blocked.status, elsewhere.status]).toEqual([429, 401]);
    } finally {
      await other.stop();
    }
  });

  it('keeps of a key only its SHA-256', () => {
    expect(createHash('sha256').update('abc').digest('hex')).toBe(
      // FIPS 180-2, appendix B.1.
      'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
    );
  });
});
