import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import pg from 'pg';
import { key, send, startApp, type App } from '../support/app.ts';

let app: App;
beforeAll(async () => {
  app = await startApp();
});
afterAll(() => app.stop());

interface SeasonLine {
  id: number;
  version: number;
  name: string;
  firstDay: string;
  lastDay: string;
  closedAt_ms: number | null;
  batches_count: number;
  open_count: number;
}
const seasons = async () => (await send(app, 'GET', '/api/house/seasons')).body as SeasonLine[];
const seasonNamed = async (name: string) => (await seasons()).find((one) => one.name === name)!;
const page = async (path: string) => {
  const answer = await fetch(app.url + path);
  return { status: answer.status, text: await answer.text() };
};
const batches = async () => (await send(app, 'GET', '/api/batch')).body as Record<string, unknown>[];
const input = (first: Record<string, unknown>, transplantOn: string) => ({
  cropId: first['cropId'],
  varietyId: first['varietyId'],
  lotId: null,
  plantsWanted: 40,
  spare_frac: 0.1,
  transplantOn,
  hardening_days: 7,
  places: first['places'],
  sowContainerId: first['sowContainerId'],
  potContainerId: first['potContainerId'],
  note: '',
  idempotencyKey: key(),
});
const close = (season: SeasonLine, standing?: string) =>
  send(app, 'POST', `/api/house/seasons/${season.id}/close`, {
    version: season.version,
    ...(standing ? { standing } : {}),
  });

describe('seasons', () => {
  it('the demo has last season closed and kept, and its batches open from what is kept', async () => {
    const [now, last] = await seasons();
    expect(now).toMatchObject({ name: '2027', firstDay: '2027-01-01', lastDay: '2027-12-31', closedAt_ms: null });
    expect(last).toMatchObject({ name: '2026', batches_count: 14, open_count: 0 });
    expect(last!.closedAt_ms).not.toBeNull();
    expect((await batches()).every((b) => String(b['transplantOn']).startsWith('2027'))).toBe(true);
    const list = await page(`/house/seasons/${last!.id}`);
    expect(list.text).toContain('Kohlrabi Barrel Head A');
    const id = /href="(\/batch\/\d+)"[^>]*>Sunflower/.exec(list.text)![1]!;
    const sunflower = await page(id);
    expect(sunflower.status).toBe(200);
    expect(sunflower.text).toMatch(/is closed/);
    expect(sunflower.text).toMatch(/18<\/span>\s*mice/);
    expect(sunflower.text).toContain('Planted out');
    const code = /num text-lg text-ink">([2-9A-Z]{3,4})</.exec(sunflower.text)![1]!;
    const api = await send(app, 'GET', `/api${id}`);
    expect(api.body).toMatchObject({ code, seasonName: '2026', kept: { phase: 'planted', lostBy: { mice: 18 } } });
    expect(api.body.log.at(-1)).toMatchObject({ kind: 'planted-out' });
    const label = await fetch(`${app.url}/t/${code}`, { redirect: 'manual' });
    expect(label.headers.get('location')).toBe(id);
  });

  it('nothing is written to a closed season, and no batch goes into it', async () => {
    const last = await seasonNamed('2026');
    const list = await page(`/house/seasons/${last.id}`);
    const id = Number(/href="\/batch\/(\d+)"/.exec(list.text)![1]);
    const line = { kind: 'note', day: '2027-04-10', count: null, placeId: null, note: 'late thought', cause: '' };
    const log = await send(app, 'POST', `/api/batch/${id}/events`, { ...line, idempotencyKey: key() });
    expect(log.status, JSON.stringify(log.body)).toBe(409);
    expect(log.body.detail).toMatch(/2026 is closed/);
    const [first] = await batches();
    const made = await send(app, 'POST', '/api/batch', input(first!, '2026-09-01'));
    expect(made.status).toBe(422);
    const move = await send(app, 'POST', `/api/batch/${String(first!['id'])}/season`, {
      version: first!['version'],
      seasonId: last.id,
    });
    expect(move.body.errors[0]).toMatchObject({ path: 'seasonId', message: expect.stringMatching(/closed/) as string });
  });

  it('every version of a plan is kept whole, and shown as it stood on a day', async () => {
    const [first] = await batches();
    const path = `/batch/${String(first!['id'])}/plans`;
    const patch = { version: first!['version'], plantsWanted: 77, transplantOn: '2027-05-01' };
    expect((await send(app, 'PATCH', `/api/batch/${String(first!['id'])}`, patch)).status).toBe(200);
    const now = (await page(path)).text.replace(/<[^>]+>/g, ' ');
    expect(now).toMatch(new RegExp(`plants: ${String(first!['plantsWanted'])} to 77`));
    expect(now).toMatch(new RegExp(`out on: ${String(first!['transplantOn'])} to 2027-05-01`));
    // By the nursery's own clock, which the demo sets.
    expect(now).toMatch(/12 Apr 2027 08:00/);
    const before = (await page(`${path}?on=2027-04-11`)).text;
    expect(before).toContain('there was no plan of it yet');
    expect((await page('/batch/99999/plans')).status).toBe(404);
  });

  it('a batch of another year makes its season; letters begin anew with it', async () => {
    const [first] = await batches();
    const made = await send(app, 'POST', '/api/batch', input(first!, '2028-05-20'));
    expect(made.status, JSON.stringify(made.body)).toBe(201);
    expect((await batches()).find((b) => b['id'] === made.body.id)!['name']).toBe('Lettuce Mill Frill A');
    expect(await seasonNamed('2028')).toMatchObject({ firstDay: '2028-01-01', batches_count: 1, open_count: 1 });
    // Put forward into this year it belongs to this season again, in which another has its letter.
    const patch = { version: made.body.version, transplantOn: '2027-09-20' };
    const moved = await send(app, 'PATCH', `/api/batch/${made.body.id}`, patch);
    expect(moved.status, JSON.stringify(moved.body)).toBe(200);
    expect(await seasonNamed('2028')).toMatchObject({ batches_count: 0 });
    const names = (await batches()).map((b) => b['name']);
    expect(names.filter((name) => /^Lettuce Mill Frill [A-Z]$/.test(String(name))).sort()).toEqual(
      ['A', 'B', 'C', 'D', 'E'].map((letter) => `Lettuce Mill Frill ${letter}`),
    );
  });

  it('a season of its own takes the days it holds; odd ones are refused by field', async () => {
    const post = (body: object) => send(app, 'POST', '/api/house/seasons', body);
    const autumn = await post({ name: 'Autumn 2027', firstDay: '2027-08-01', lastDay: '2028-02-15' });
    expect(autumn.status).toBe(201);
    const [first] = await batches();
    const made = await send(app, 'POST', '/api/batch', input(first!, '2027-10-01'));
    expect(made.status).toBe(201);
    expect(await seasonNamed('Autumn 2027')).toMatchObject({ batches_count: 1 });
    const path = async (body: object) => (await post(body)).body.errors[0].path as string;
    expect(await path({ name: 'autumn 2027', firstDay: '2027-08-01', lastDay: '2028-02-14' })).toBe('name');
    expect(await path({ name: 'x', firstDay: '2027-08-01', lastDay: '2028-02-15' })).toBe('firstDay');
    expect(await path({ name: 'x', firstDay: '2027-08-01', lastDay: '2027-07-01' })).toBe('lastDay');
    expect(await path({ name: 'x', firstDay: '2027-08-01', lastDay: '2031-07-01' })).toBe('lastDay');
    expect(await path({ name: 'x', firstDay: '2026-03-01', lastDay: '2026-07-01' })).toBe('firstDay');
    const one = await seasonNamed('Autumn 2027');
    const stale = { version: one.version + 3, name: 'A', firstDay: '2027-08-01', lastDay: '2028-02-15' };
    expect((await send(app, 'PATCH', `/api/house/seasons/${one.id}`, stale)).status).toBe(409);
    const short = { version: one.version, name: 'Autumn', firstDay: '2027-08-01', lastDay: '2027-09-15' };
    expect((await send(app, 'PATCH', `/api/house/seasons/${one.id}`, short)).body.errors[0].path).toBe('lastDay');
  });

  it('with plants standing it asks; carried over they stand in the season after', async () => {
    const autumn = await seasonNamed('Autumn 2027');
    const asked = await close(autumn);
    expect(asked.status).toBe(409);
    expect(asked.body.detail).toMatch(/still stand/);
    expect(asked.body.errors).toHaveLength(1);
    const done = await close(autumn, 'carry-over');
    expect(done.status, JSON.stringify(done.body)).toBe(200);
    expect(done.body).toMatchObject({ kept_count: 0, carried: [{}] });
    expect((await seasonNamed('Autumn 2027')).closedAt_ms).not.toBeNull();
    const carried = done.body.carried[0].id as number;
    expect((await batches()).some((b) => b['id'] === carried)).toBe(true);
  });

  it('opened again its batches are worked out again, what they taught stands, and it can be closed once more', async () => {
    const before = await seasonNamed('2026');
    const kept = (await page(`/house/seasons/${before.id}`)).text;
    const count = (await batches()).length;
    const twice = await Promise.all(
      [1, 2].map(() => send(app, 'POST', `/api/house/seasons/${before.id}/reopen`, { version: before.version })),
    );
    expect(twice.map((answer) => answer.status).sort()).toEqual([200, 409]);
    expect((await batches()).length).toBe(count + 14);
    const again = await seasonNamed('2026');
    expect((await page(`/house/seasons/${before.id}`)).status).toBe(404);
    const closed = await close(again);
    expect(closed.status, JSON.stringify(closed.body)).toBe(200);
    expect(closed.body.kept_count).toBe(14);
    const rows = (text: string) => text.match(/<tr[\s\S]*?<\/tr>/g)!.map((row) => row.replace(/<[^>]+>|\s+/g, ' '));
    expect(rows((await page(`/house/seasons/${before.id}`)).text)).toEqual(rows(kept));
  });

  it('closed while others write: each line is in what is kept or refused, and nobody waits for ever', async () => {
    const open = await seasonNamed('2026');
    await send(app, 'POST', `/api/house/seasons/${open.id}/reopen`, { version: open.version });
    const ids = (await batches()).filter((b) => String(b['transplantOn']).startsWith('2026')).map((b) => b['id']);
    expect(ids).toHaveLength(14);
    const season = await seasonNamed('2026');
    const note = (id: unknown, i: number) =>
      send(app, 'POST', `/api/batch/${String(id)}/events`, {
        kind: 'note',
        day: '2027-04-10',
        count: null,
        placeId: null,
        note: `thought ${i}`,
        cause: '',
        idempotencyKey: key(),
      });
    const [closed, ...notes] = await Promise.all([close(season), ...ids.map(note)]);
    expect(closed!.status, JSON.stringify(closed!.body)).toBe(200);
    expect(notes.filter(({ status }) => status !== 201 && status !== 409)).toEqual([]);
    const db = new pg.Client(app.databaseUrl);
    await db.connect();
    const stale = await db.query(
      `SELECT e.batch_id FROM kept_estimates e JOIN batches b ON b.id = e.batch_id AND b.season_id = $1
       WHERE e.log_id <> (SELECT max(id) FROM batch_events WHERE batch_id = e.batch_id)`,
      [season.id],
    );
    await db.end();
    expect(stale.rows).toEqual([]);
  });

  it('the clock set back a year: every page opens, what was logged stays, and set right all is as it was', async () => {
    const day = (setTo: string) => send(app, 'PUT', '/api/house/clock', { setTo });
    const said = async () =>
      ((await send(app, 'GET', '/api/batch')).body as Record<string, unknown>[]).map(
        ({ id, phase, plants, late_days }) => ({
          id,
          phase,
          plants,
          late_days,
        }),
      );
    const before = await said();
    const today = (await send(app, 'GET', '/api/house/health')).body.clock.today as string;
    const { id } = before.find(({ phase }) => phase === 'growing')!;
    const log = async () => ((await send(app, 'GET', `/api/batch/${String(id)}`)).body.log as unknown[]).length;
    const lines = await log();
    expect((await day(`${Number(today.slice(0, 4)) - 1}${today.slice(4)}`)).status).toBe(200);
    for (const path of [
      '/',
      '/plan/season',
      '/house',
      '/heat',
      '/hardening',
      '/planting',
      '/potting',
      `/batch/${String(id)}`,
    ])
      expect((await page(path)).status, path).toBe(200);
    expect(await log()).toBe(lines);
    // What was logged later than that today comes after it: a line between the two would be out of order.
    const late = { kind: 'lost', day: '2026-04-12', count: 1, placeId: null, note: '', cause: 'mice' };
    const refused = await send(app, 'POST', `/api/batch/${String(id)}/events`, { ...late, idempotencyKey: key() });
    expect(refused.status).toBe(422);
    expect(refused.body.errors[0].path).toBe('day');
    expect((await day(today)).status).toBe(200);
    expect(await said()).toEqual(before);
  });

  it('what hands were timed at in closed seasons is still their pace', async () => {
    // Calendula was potted last season only.
    expect((await page('/potting/house')).text).toMatch(/<td>\s*calendula/i);
  });
});
