import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Sequelize } from 'sequelize';
import type { SpringsSent } from '../../src/contracts/planting/springs.ts';
import { connect } from '../../src/db/connect.ts';
import { downSample, insertReadings } from '../../src/db/heat/readings.ts';

import { rows } from '../../src/db/sql.ts';
import { demoDatabase, send, startApp, type App } from '../support/app.ts';

let app: App;
let db: Sequelize;
/** Minutes of a made-up sensor, from this instant on: a time at which the demo has none. */
const FROM = Date.parse('2028-04-11T00:00:00Z');

beforeAll(async () => {
  const url = await demoDatabase();
  app = await startApp([], url, { DEMO_BENCHES: 'off' });
  db = connect(url);
}, 90_000);
afterAll(async () => {
  await db.close();
  await app.stop();
});

interface Zone {
  id: number;
  name: string;
}
const zones = async () => (await send(app, 'GET', '/api/heat/zones')).body as Zone[];
const series = (id: number, query: Record<string, string | number>) =>
  send(app, 'GET', `/api/heat/zones/${id}/series?${new URLSearchParams(query as Record<string, string>)}`);

describe('the drawing of a zone', () => {
  it('has at most as many points as it is wide, with the lowest, the mean and the highest of what each stands for', async () => {
    const [zone] = await zones();
    const [found] = await rows(db, `SELECT id FROM heat_sensors WHERE zone_id = $1 AND role = 'medium'`, [zone!.id]);
    const sensorId = found!['id'] as number;
    // A saw: 20, 21, ... 29, 20 ... by the minute for five hours.
    const saw = Array.from({ length: 300 }, (_, k) => ({ sensorId, at_ms: FROM + k * 60_000, value: 20 + (k % 10) }));
    expect(await insertReadings(db, saw)).toBe(300);
    const pointsOf = async (width: number) => {
      const { status, body } = await series(zone!.id, { from: FROM, to: FROM + 300 * 60_000, width });
      expect(status, JSON.stringify(body)).toBe(200);
      const all = (body as { series: { role: string; points: [number, number, number, number][] }[] }).series;
      return all.find((one) => one.role === 'medium')!.points;
    };
    const fives = await pointsOf(60);
    expect(fives.map(([at]) => at)).toEqual(Array.from({ length: 60 }, (_, k) => FROM + k * 300_000));
    expect(fives.map(([, ...figures]) => figures)).toEqual(
      Array.from({ length: 60 }, (_, k) => (k % 2 === 0 ? [20, 22, 24] : [25, 27, 29])),
    );
    // The same by ten minutes comes from what is kept when the minutes themselves are long gone.
    while ((await downSample(db)) > 0);
    await db.query('DELETE FROM readings WHERE sensor_id = $1', { bind: [sensorId] });
    const tens = await pointsOf(30);
    expect(tens.map(([, ...figures]) => figures)).toEqual(Array.from({ length: 30 }, () => [20, 24.5, 29]));
    // Nothing is made up for hours nobody measured.
    const before = await series(zone!.id, { from: FROM - 90 * 60_000, to: FROM - 30 * 60_000 });
    const none = (before.body as { series: { role: string; points: unknown[] }[] }).series;
    expect(none.find((one) => one.role === 'medium')!.points).toEqual([]);
  });

  it('says by field what is wrong with what is asked, and that there is no such zone', async () => {
    const [zone] = await zones();
    const pathOf = async (query: Record<string, string | number>) => {
      const { status, body } = await series(zone!.id, query);
      expect(status).toBe(422);
      return (body as { errors: { path: string }[] }).errors.map(({ path }) => path);
    };
    expect(await pathOf({ from: FROM, to: FROM })).toEqual(['to']);
    expect(await pathOf({ from: FROM, to: FROM + 6 * 367 * 86_400_000 })).toEqual(['to']);
    expect(await pathOf({ from: 'noon', to: FROM })).toEqual(['from']);
    expect(await pathOf({ from: FROM, to: FROM + 60_000, width: 2001 })).toEqual(['width']);
    expect(await pathOf({ from: FROM, to: FROM + 60_000, width: 9 })).toEqual(['width']);
    const gone = await series(999_999, { from: FROM, to: FROM + 60_000 });
    expect(gone.status).toBe(404);
    expect(gone.body).toMatchObject({ title: 'No such zone' });
  });
});

describe('who listens', () => {
  /** Lines of data as they come, until `enough` says so or `wait_ms` have gone. */
  async function heard(enough: (data: unknown[]) => boolean, wait_ms = 15_000): Promise<unknown[]> {
    const leave = new AbortController();
    const late = setTimeout(() => leave.abort(), wait_ms);
    const answer = await fetch(`${app.url}/api/heat/live`, { signal: leave.signal });
    expect(answer.headers.get('content-type')).toBe('text/event-stream');
    const data: unknown[] = [];
    let text = '';
    try {
      for await (const chunk of answer.body!.pipeThrough(new TextDecoderStream())) {
        text += chunk;
        const whole = text.split('\n\n');
        text = whole.pop()!;
        for (const event of whole)
          for (const line of event.split('\n')) if (line.startsWith('data: ')) data.push(JSON.parse(line.slice(6)));
        if (enough(data)) break;
      }
    } catch (error) {
      if (!leave.signal.aborted) throw error;
    } finally {
      clearTimeout(late);
      leave.abort();
    }
    return data;
  }
  const alarmsOf = (data: unknown) => (data as { alarms: { zoneId: number; kind: string }[] }).alarms;

  it('is told the state at once, and an alarm when it comes', async () => {
    const [zone] = await zones();
    const listening = heard((data) => data.some((one) => alarmsOf(one).some(({ kind }) => kind === 'battery-low')));
    await new Promise((resolve) => setTimeout(resolve, 3_000));
    await db.query(`INSERT INTO alarms (zone_id, kind, raised_at) VALUES ($1, 'battery-low', '2027-04-12T07:00:00Z')`, {
      bind: [zone!.id],
    });
    const data = await listening;
    expect(alarmsOf(data[0])).not.toContainEqual(expect.objectContaining({ kind: 'battery-low' }));
    expect(alarmsOf(data.at(-1))).toContainEqual(expect.objectContaining({ zoneId: zone!.id, kind: 'battery-low' }));
  });

  it('hears nothing of what was so while nobody listened', async () => {
    await db.query(`DELETE FROM alarms WHERE kind = 'battery-low'`);
    await new Promise((resolve) => setTimeout(resolve, 500));
    const [first] = await heard((data) => data.length > 0);
    expect(alarmsOf(first)).not.toContainEqual(expect.objectContaining({ kind: 'battery-low' }));
  });
});

describe('springs to try odds with', () => {
  it('are the site’s own days in columns of one length, with a task for each batch that goes out soon', async () => {
    const { status, body } = await send(app, 'GET', '/api/planting/springs');
    expect(status).toBe(200);
    const sent = body as SpringsSent;
    expect(sent.tasks.length).toBeGreaterThan(3);
    expect(sent.least.length).toBeGreaterThan(3 * 365);
    expect(sent.most).toHaveLength(sent.least.length);
    // Tenths of a degree: a day is never colder by day than by night.
    sent.least.forEach((least, i) => {
      const most = sent.most[i]!;
      if (least !== null && most !== null) expect(most).toBeGreaterThanOrEqual(least);
    });
    // Nothing of a year that is not a number of degrees reaches the page.
    expect(JSON.stringify(sent)).not.toMatch(/NaN|Infinity/);
  });
});
