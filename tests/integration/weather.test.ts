import { readFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { WeatherPreview, WeatherView } from '../../src/contracts/weather/weather.ts';
import { connect } from '../../src/db/connect.ts';
import { rows } from '../../src/db/sql.ts';
import { send, startApp, type App } from '../support/app.ts';

let app: App;
beforeAll(async () => {
  app = await startApp([], undefined, { DEMO_BENCHES: 'off' });
}, 90_000);
afterAll(async () => app.stop());

const text = readFileSync(new URL('../../node_modules/vega-datasets/data/weather.csv', import.meta.url), 'utf8');
const columns = {
  date: 'date',
  least: 'temp_min',
  most: 'temp_max',
  rain: 'precipitation',
  station: 'location',
  stationIs: null as string | null,
  unit: 'C',
};
const view = async (query = '') => (await send(app, 'GET', `/api/weather${query}`)).body as WeatherView;
const post = (body: object) =>
  send(app, 'POST', '/api/weather', { name: 'open file', text, columns, commit: false, ...body });

describe('weather of the site', () => {
  it('frost dates move with threshold and risk, and come with their years', async () => {
    const tenth = await view('?threshold=0&risk=0.1');
    const half = await view('?threshold=0&risk=0.5');
    const hard = await view('?threshold=-2.2&risk=0.1');
    expect(tenth.frost.from).toBe('years');
    expect(tenth.frost.spring.used).toBeGreaterThan(25);
    expect(tenth.frost.spring.at!.date! > half.frost.spring.at!.date!).toBe(true);
    expect(hard.frost.spring.at!.date! < tenth.frost.spring.at!.date!).toBe(true);
    expect(tenth.frost.autumn.at!.date! < half.frost.autumn.at!.date!).toBe(true);
    expect(tenth.frost.halves).toHaveLength(24);
    const odds = tenth.frost.halves.flatMap((h) => h.frost_frac ?? []);
    expect(odds).toEqual([...odds].sort((a, b) => b - a));
    expect((await send(app, 'GET', '/api/weather?risk=7')).status).toBe(422);
  });

  it('a chosen risk moves what the season warns of, and typed dates take it back', async () => {
    const before = await view();
    const input = { version: before.version, threshold_C: 0, risk_frac: 0.05 };
    const after = (await send(app, 'PUT', '/api/weather/frost', input)).body as WeatherView;
    expect(after.lastFrost).toBe(after.frost.spring.at!.date);
    expect(after.lastFrost > before.lastFrost).toBe(true);
    expect(after.chosen).toMatchObject({ threshold_C: 0, risk_frac: 0.05 });
    const { outFrom } = after.chosen!;
    expect(outFrom.hardy! < outFrom['half-hardy']! && outFrom['half-hardy']! < outFrom.tender!).toBe(true);
    // Covers bring every crop that waits for frost forward, none later.
    expect(after.frost.out.length).toBeGreaterThan(30);
    for (const { dates } of after.frost.out) {
      const sooner = dates.flatMap((d) => d.sooner_days ?? []);
      expect(sooner).toEqual([...sooner].sort((a, b) => a - b));
    }
    expect((await send(app, 'PUT', '/api/weather/frost', input)).status).toBe(409);
    const house = JSON.stringify((await send(app, 'GET', '/api/plan/season')).body);
    expect(house).toContain(`"lastFrost":"${after.lastFrost}"`);
    const {
      demoClock: _c,
      potting: _p,
      planting: _q,
      frost: _f,
      feedKey: _k,
      ...nursery
    } = (await send(app, 'GET', '/api/house/nursery')).body;
    await send(app, 'PUT', '/api/house/nursery', { ...nursery, lastFrost: '05-01' });
    expect(await view()).toMatchObject({ chosen: null, lastFrost: '05-01' });
    // Frost rarer than the risk has no date to keep.
    const { version } = await view();
    const never = await send(app, 'PUT', '/api/weather/frost', { version, threshold_C: -19, risk_frac: 0.9 });
    expect(never.body).toMatchObject({ status: 422, errors: [{ path: 'risk_frac' }] });
  });

  it('a file of two places is asked about, kept when it is settled, and can be taken out', async () => {
    const asked = await post({ commit: true });
    expect(asked.body).toMatchObject({
      status: 422,
      errors: [{ path: 'text', message: expect.stringMatching(/2 places/) as string }],
    });
    const first = (await post({ columns: { ...columns, stationIs: 'Seattle' } })).body as WeatherPreview;
    expect(first).toMatchObject({ days: 1461, doubts: [], written: null });
    const days = (await view()).sources.reduce((sum, s) => sum + s.days, 0);
    const kept = (await post({ columns: { ...columns, stationIs: 'Seattle' }, commit: true })).body as WeatherPreview;
    expect(kept.written!.fresh + kept.written!.replaced).toBe(1461);
    const again = (await post({ columns: { ...columns, stationIs: 'Seattle' }, commit: true })).body as WeatherPreview;
    expect(again.written).toEqual({ fresh: 0, replaced: 1461 });
    const now = await view();
    expect(now.sources.find((s) => s.name === 'open file')).toMatchObject({ days: 1461 });
    expect(now.sources.reduce((sum, s) => sum + s.days, 0)).toBe(days + kept.written!.fresh);
    const out = await send(app, 'DELETE', '/api/weather/source', { source: 'open file' });
    expect((out.body as WeatherView).gapCount).toBeGreaterThan(0);
    const db = connect(app.databaseUrl);
    const revision = async () => (await rows(db, 'SELECT weather FROM revision'))[0]!['weather'];
    const before = await revision();
    expect((await send(app, 'DELETE', '/api/weather/source', { source: 'open file' })).status).toBe(404);
    // What is refused is no change: nothing is worked out anew for it.
    expect(await revision()).toBe(before);
    await db.close();
  });

  it('Fahrenheit taken for Celsius, the future and rubbish are refused with what to do', async () => {
    const f = `date,tmin\n${Array.from({ length: 400 }, (_, i) => `${new Date(Date.UTC(2020, 0, 1 + i)).toISOString().slice(0, 10)},${40 + (i % 30)}`).join('\n')}`;
    const plain = { date: 'date', least: 'tmin', most: null, rain: null, station: null, stationIs: null, unit: 'C' };
    expect((await post({ text: f, columns: plain, commit: true })).body).toMatchObject({
      status: 422,
      detail: expect.stringMatching(/Fahrenheit/) as string,
    });
    const ahead = (await post({ text: 'date,tmin\n2031-01-01,3', columns: plain })).body as WeatherPreview;
    expect(ahead.doubts.join()).toMatch(/a forecast is no history.*No day of weather/);
    expect((await post({ text: 'what is this', columns: null })).body).toMatchObject({ errors: [{ path: 'columns' }] });
    expect((await post({ columns: { ...plain, unit: 'K' } })).status).toBe(422);
  });
});
