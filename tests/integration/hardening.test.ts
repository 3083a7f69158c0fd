import { createServer, type Server } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Sequelize } from 'sequelize';
import { demoSeed } from '../../bin/seeds.ts';
import { isoFromDay, requireDay } from '../../src/core/calendar/dayNumber.ts';
import { USUAL_PLANTING } from '../../src/core/planting/settings.ts';
import type { ForecastFile } from '../../src/contracts/weather/forecast.ts';
import type { ForecastView, HardenView, PlantView } from '../../src/contracts/hardening/hardenViews.ts';
import type { ReadingsShown } from '../../src/contracts/weather/siteReadings.ts';
import { connect } from '../../src/db/connect.ts';
import { migrateUp } from '../../src/db/migrate.ts';
import { readTries } from '../../src/db/weather/site.ts';
import { forecastJob } from '../../src/server/weather/forecastJob.ts';
import { httpProvider } from '../../src/server/weather/forecastProvider.ts';
import { morningOf } from '../../src/server/clock.ts';
import { setUp } from '../../bin/setUp.ts';
import { madeUpForecast, startWeatherService, type WeatherService } from '../../simulators/weatherService.ts';
import { key, newDatabase, send, startApp, type App } from '../support/app.ts';

const TODAY = requireDay('2027-04-12');
const SITE = { latitude_deg: 52.4, timeZone: 'Europe/London', name: 'test service' };
const now_ms = morningOf(TODAY, SITE.timeZone);

describe('a service of forecasts', () => {
  let db: Sequelize;
  let service: WeatherService;
  const wait_ms = 400;
  const ask = async (url = service.url) => {
    // A try that went well is not repeated for hours: put it back.
    await db.query(`UPDATE forecast_tries SET tried_at = tried_at - interval '1 day'`);
    await forecastJob(db, httpProvider(url, { lat: 52.4, lon: -2.9 }, 'test service', wait_ms))();
    const tries = (await readTries(db))!;
    const [rows] = await db.query('SELECT count(*)::int AS n FROM forecasts');
    return { ...tries, kept: (rows as { n: number }[])[0]!.n };
  };
  beforeAll(async () => {
    db = connect(await newDatabase());
    await migrateUp(db);
    await setUp(db, await demoSeed(), Date.now());
    service = await startWeatherService(SITE);
  });
  afterAll(async () => {
    await service.stop();
    await db.close();
  });

  it('that is well is kept once, however often it is asked', async () => {
    expect(await ask()).toMatchObject({ failures: 0, problem: '', kept: 1 });
    expect(await ask()).toMatchObject({ failures: 0, kept: 1 });
  });
  it('down, slow, gone, answering rubbish or Fahrenheit: the last good one is kept, and what is wrong is said', async () => {
    const said: Record<string, RegExp> = {
      down: /answered 503/,
      slow: /no answer within 0.4 seconds/,
      rubbish: /not JSON/,
      fahrenheit: /Fahrenheit/,
    };
    let failures = 0;
    for (const [mode, words] of Object.entries(said)) {
      service.mode = mode as WeatherService['mode'];
      const after = await ask();
      expect(after).toMatchObject({ kept: 1, failures: ++failures });
      expect(after.problem).toMatch(words);
      expect(after.good_ms).not.toBeNull();
    }
    service.mode = 'well';
    expect((await ask('http://127.0.0.1:9/forecast?at={at}')).problem).toMatch(/cannot be reached/);
    expect(await ask()).toMatchObject({ failures: 0, problem: '' });
  });
  it('the hours of a month ago are let go, the lows kept for the score', async () => {
    await db.query(`INSERT INTO forecasts (source, kind, made_at, received_at, made_on, body, lows) VALUES
      ('old', 'file', '2027-02-01T06:00Z', now(), '2027-02-01', '{"hours":[{"at":"2027-02-01T06:00Z"}]}', '[{"lead":0}]')`);
    await db.query(`DELETE FROM forecasts WHERE source = 'test service'`);
    expect(await ask()).toMatchObject({ failures: 0, kept: 2 });
    const [rows] = await db.query(`SELECT body, lows FROM forecasts WHERE source = 'old'`);
    expect(rows).toEqual([{ body: { hours: [] }, lows: [{ lead: 0 }] }]);
    await db.query(`DELETE FROM forecasts WHERE source = 'old'`);
  });
  it('an answer too large, or of another shape, is refused without being taken in', async () => {
    const bodies = ['{"a":"' + 'x'.repeat(400_000) + '"}', '{"format":"crook-forecast-1","source":"x"}', '[]'];
    for (const body of bodies) {
      const server: Server = createServer((_, response) => response.end(body));
      await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
      const { port } = server.address() as { port: number };
      const after = await ask(`http://127.0.0.1:${port}/`);
      expect(after.kept).toBe(1);
      expect(after.problem).not.toBe('');
      server.close();
      server.closeAllConnections();
    }
  });
});

describe('forecast, ladders and gates over HTTP', () => {
  let app: App;
  beforeAll(async () => {
    app = await startApp([], undefined, { DEMO_BENCHES: 'off' });
  }, 90_000);
  afterAll(async () => app.stop());
  const get = async <T>(path: string) => (await send(app, 'GET', path)).body as T;
  const ladders = async () => (await get<HardenView>('/api/hardening')).ladders;
  const typed = (days: readonly [number, number, number | null][]) =>
    send(app, 'POST', '/api/weather/forecast', {
      days: days.map(([least_C, most_C, gust_m_s], i) => ({
        day: isoFromDay(TODAY + i),
        least_C,
        most_C,
        gust_m_s,
        sky: 'broken',
      })),
    });
  const event = (id: number, line: object) =>
    send(app, 'POST', `/api/batch/${id}/events`, { idempotencyKey: key(), day: isoFromDay(TODAY), ...line });
  const file = (change: (f: ForecastFile) => void) => {
    const made = structuredClone(madeUpForecast(now_ms, SITE));
    change(made);
    return send(app, 'POST', '/api/weather/forecast/file', { text: JSON.stringify(made) });
  };

  it('the demo has a forecast of ten days with its source and age', async () => {
    // It is asked for once the application serves.
    await expect.poll(() => get<ForecastView | null>('/api/weather/forecast'), { timeout: 15_000 }).not.toBeNull();
    const f = await get<ForecastView>('/api/weather/forecast');
    expect(f).toMatchObject({ kind: 'service', stale: false, short_days: 0 });
    expect(f.days).toHaveLength(10);
    expect(f.days.some((d) => d.flags.includes('frost'))).toBe(true);
    expect(f.age_h).toBeLessThan(6);
    const strip = await (await fetch(`${app.url}/`)).text();
    expect(strip).toMatch(/tonight/);
    expect(strip).toMatch(/frost (Tue|Wed|Thu)/);
  });

  it('a frosty forecast holds or sends back every ladder, a mild one lets them go, with the figure', async () => {
    expect((await typed(Array.from({ length: 10 }, () => [-7, 1, 4]))).status).toBe(201);
    const frosty = (await ladders()).filter((l) => l.startsOn === null);
    expect(frosty.length).toBeGreaterThan(2);
    for (const l of frosty) {
      expect(l.say).not.toBe('go');
      expect(l.why).toMatch(/where step \d wants/);
      expect(l.days.every((d) => d.say !== 'go')).toBe(true);
    }
    expect((await typed(Array.from({ length: 10 }, () => [9, 19, 4]))).status).toBe(201);
    const mild = (await ladders()).filter((l) => l.startsOn === null);
    expect(mild.every((l) => l.say === 'go')).toBe(true);
    expect(mild.some((l) => l.days.some((d) => d.done))).toBe(true);
    const strip = await get<HardenView>('/api/hardening');
    for (const line of strip.carry) expect(line.minutes).toBeGreaterThan(0);
  });

  it('a hold by hand, a step logged, and one done otherwise with its reason kept', async () => {
    const [l] = (await ladders()).filter((x) => x.startsOn === null && !x.hardened);
    expect((await event(l!.batchId, { kind: 'held', cause: 'rung', count: 3 })).status).toBe(201);
    const held = (await ladders()).find((x) => x.batchId === l!.batchId)!;
    expect(held.days.slice(0, 3).every((d) => d.say === 'hold' && /held by hand/.test(d.why))).toBe(true);
    expect(held.days[3]!.say).toBe('go');
    expect((await event(l!.batchId, { kind: 'held', cause: 'rung', count: 61 })).status).toBe(422);
    expect((await event(l!.batchId, { kind: 'held', cause: 'rung', count: 0 })).status).toBe(201);
    expect((await ladders()).find((x) => x.batchId === l!.batchId)!.days[0]!.say).toBe('go');
    const up = { kind: 'rung', count: l!.rung + 1, note: 'they look hard', cause: 'own decision' };
    expect((await event(l!.batchId, up)).status).toBe(201);
    const batch = (await get<{ log: { note: string; cause: string }[] }>(`/api/batch/${l!.batchId}`)) as unknown;
    expect(JSON.stringify(batch)).toContain('they look hard');
    expect((await ladders()).find((x) => x.batchId === l!.batchId)).toMatchObject({
      rung: l!.rung + 1,
      loggedToday: true,
    });
    expect((await event(l!.batchId, { kind: 'rung', count: l!.rung + 4 })).body).toMatchObject({
      status: 422,
      errors: [{ path: 'count' }],
    });
  });

  it('another programme for one batch moves its ladder; a stale change is told both versions', async () => {
    const view = await get<HardenView>('/api/hardening');
    const l = view.ladders.find((x) => x.startsOn === null && x.programme === 'Hours outside')!;
    const lid = view.programmes.find((p) => p.kind === 'lid')!;
    const change = { version: l.version, programmeId: lid.id };
    expect((await send(app, 'PATCH', `/api/batch/${l.batchId}`, change)).status).toBe(200);
    expect((await send(app, 'PATCH', `/api/batch/${l.batchId}`, change)).status).toBe(409);
    expect((await ladders()).find((x) => x.batchId === l.batchId)).toMatchObject({ programme: lid.name, chosen: true });
    expect(
      (await send(app, 'PATCH', `/api/batch/${l.batchId}`, { version: l.version + 1, programmeId: 999 })).body.errors[0]
        .path,
    ).toBe('programmeId');
  });

  it('bad forecasts are refused with the field and what to do, and the one in use stays', async () => {
    const before = await get<ForecastView>('/api/weather/forecast');
    const refused = async (
      answer: Promise<{ status: number; body: { errors: { path: string; message: string }[] } }>,
      path: string,
      words: RegExp,
    ) => {
      const { status, body } = await answer;
      expect(status).toBe(422);
      expect(body.errors[0]!.path).toBe(path);
      expect(body.errors[0]!.message).toMatch(words);
    };
    await refused(
      file((f) => (f.made_at = '2027-04-13T06:00:00Z')),
      'made_at',
      /still to come/,
    );
    await refused(
      file((f) => (f.made_at = '2027-04-01T06:00:00Z')),
      'made_at',
      /days ago/,
    );
    await refused(
      file((f) => (f.hours[3]!.at = f.hours[2]!.at)),
      'hours.3.at',
      /there twice/,
    );
    await refused(
      file((f) => (f.hours[5]!.temp_C = 400)),
      'hours.5.temp_C',
      /at most 60/,
    );
    await refused(
      file((f) => f.hours.forEach((h) => (h.temp_C = Math.min(60, 32 + 1.8 * h.temp_C)))),
      'hours',
      /Fahrenheit/,
    );
    await refused(
      file((f) => (f.hours[7]!.gust_m_s = 0)),
      'hours.7.gust_m_s',
      /below the mean wind/,
    );
    await refused(
      file((f) =>
        f.hours.splice(
          0,
          f.hours.length,
          ...f.hours.slice(0, 7).map((h, i) => ({ ...h, at: new Date(now_ms - (9 - i) * 3_600_000).toISOString() })),
        ),
      ),
      'hours',
      /all of them are past/,
    );
    await refused(
      file((f) => (f.format = 'other' as never)),
      'format',
      /crook-forecast-1/,
    );
    await refused(send(app, 'POST', '/api/weather/forecast/file', { text: 'not json' }), 'text', /FORECAST.md/);
    await refused(typed([[12, 3, null]]), 'days.0.most_C', /not below/);
    await refused(typed([[50, 60, null]]), 'days', /usual/);
    await refused(
      send(app, 'POST', '/api/weather/forecast', {
        days: [{ day: '2027-04-11', least_C: 1, most_C: 2, gust_m_s: null, sky: 'dull' }],
      }),
      'days.0.day',
      /past/,
    );
    expect(await get<ForecastView>('/api/weather/forecast')).toMatchObject({
      source: before.source,
      madeAt_ms: before.madeAt_ms,
    });
  });

  it('one that ends early says so, and what it does not tell is not guessed', async () => {
    const short = await file((f) => {
      f.made_at = new Date(now_ms + 60_000).toISOString();
      f.hours.splice(70);
    });
    expect(short.status).toBe(201);
    // Typed later, it is still the newest made.
    await send(app, 'PUT', '/api/house/clock', { setTo: isoFromDay(TODAY) });
    const f = await get<ForecastView>('/api/weather/forecast');
    expect(f).toMatchObject({ source: SITE.name, kind: 'file' });
    expect(f.short_days).toBeGreaterThan(5);
    expect(f.days.at(-1)!.night_C).toBeNull();
  });

  it('readings: a key writes once, what is absurd is asked about, three nights teach a cover, soil moves the gate', async () => {
    const reading = { kind: 'max-min', day: isoFromDay(TODAY), coverId: 2, least_C: 8 };
    const k = key();
    const one = await send(app, 'POST', '/api/weather/readings', { idempotencyKey: k, ...reading });
    expect(one.status).toBe(201);
    expect((await send(app, 'POST', '/api/weather/readings', { idempotencyKey: k, ...reading })).body).toEqual({
      ...one.body,
      repeated: true,
    });
    expect(
      (await send(app, 'POST', '/api/weather/readings', { idempotencyKey: k, ...reading, least_C: 9 })).status,
    ).toBe(422);
    const bad = async (body: object, path: string) =>
      expect(
        (await send(app, 'POST', '/api/weather/readings', { idempotencyKey: key(), ...reading, ...body })).body
          .errors[0].path,
      ).toBe(path);
    await bad({ day: '2027-04-20' }, 'day');
    await bad({ coverId: 99 }, 'coverId');
    await bad({ least_C: 41 }, 'least_C');
    await bad({ least_C: 9, most_C: 4 }, 'most_C');
    await bad({ least_C: null }, 'least_C');
    const worth = async () => (await get<ReadingsShown>('/api/weather/readings')).worths.find((w) => w.coverId === 2)!;
    expect(await worth()).toMatchObject({ own: false, nights: 1 });
    for (const n of [1, 2])
      await send(app, 'POST', '/api/weather/readings', {
        idempotencyKey: key(),
        ...reading,
        day: isoFromDay(TODAY - n),
        least_C: 13,
      });
    const taught = await worth();
    expect(taught.own).toBe(true);
    expect(taught.worth_K).not.toBe(taught.written_K);
    const out = await send(app, 'POST', '/api/weather/readings', {
      idempotencyKey: key(),
      kind: 'withdrawn',
      day: isoFromDay(TODAY),
      correctsId: one.body.id,
    });
    expect(out.status).toBe(201);
    expect(
      (
        await send(app, 'POST', '/api/weather/readings', {
          idempotencyKey: key(),
          kind: 'withdrawn',
          day: isoFromDay(TODAY),
          correctsId: one.body.id,
        })
      ).status,
    ).toBe(409);
    expect((await worth()).nights).toBe(2);
    const soil = async () => (await get<PlantView>('/api/planting')).soil_C!;
    const before = await soil();
    await send(app, 'POST', '/api/weather/readings', {
      idempotencyKey: key(),
      kind: 'soil',
      day: isoFromDay(TODAY),
      soil_C: before + 4,
      offset_K: 0.5,
    });
    expect(await soil()).toBeCloseTo(before + 3.5, 6);
  });

  it('gates: one let go, a batch planted against them keeps its reason, and is asked after a week', async () => {
    const { lines } = await get<PlantView>('/api/planting');
    expect(lines.length).toBeGreaterThan(8);
    const waiting = lines.find(
      (l) => l.verdict !== 'plant' && l.gates.find((g) => g.key === 'hardened')!.state === 'wait',
    )!;
    const gates = Object.fromEntries(waiting.gates.map((g) => [g.key, g.key === 'hardened' ? 'off' : g.mode]));
    expect(
      (await send(app, 'PATCH', `/api/batch/${waiting.batchId}`, { version: waiting.version, gates })).status,
    ).toBe(200);
    const after = (await get<PlantView>('/api/planting')).lines.find((l) => l.batchId === waiting.batchId)!;
    expect(after.gates.find((g) => g.key === 'hardened')!.mode).toBe('off');
    const line = lines.find(
      (l) => l.batchId !== waiting.batchId && l.gates.find((g) => g.key === 'hardened')!.figure !== '0/7',
    )!;
    const planting = { coverId: 1, plant_cm: 20, row_cm: 30, bed: 'long bed' };
    const put = { kind: 'planted-out', count: 100, cause: 'own decision', note: 'rain is coming', planting };
    expect((await event(line.batchId, { ...put, planting: { ...planting, coverId: 77 } })).body.errors[0].path).toBe(
      'planting.coverId',
    );
    expect((await event(line.batchId, put)).status).toBe(201);
    const view = await get<PlantView>('/api/planting');
    expect(view.planted[0]).toMatchObject({ batchId: line.batchId, count: 100, bed: 'long bed', coverName: 'Fleece' });
    expect(view.covers.find((c) => c.id === 1)!.free_m2).toBeCloseTo(140 - 6);
    await send(app, 'PUT', '/api/house/clock', { setTo: isoFromDay(TODAY + 7) });
    const round = JSON.stringify((await send(app, 'GET', '/api/house/round')).body);
    expect(round).toContain('how many stand, and how well');
    const stood = (cause: string) =>
      send(app, 'POST', `/api/batch/${line.batchId}/events`, {
        idempotencyKey: key(),
        kind: 'stood',
        day: isoFromDay(TODAY + 7),
        cause,
        count: 96,
      });
    expect((await stood('brilliant')).body.errors[0].path).toBe('cause');
    expect((await stood('well')).status).toBe(201);
    expect((await get<PlantView>('/api/planting')).planted.find((p) => p.batchId === line.batchId)).toMatchObject({
      stood: 'well',
      stoodCount: 96,
    });
    await send(app, 'PUT', '/api/house/clock', { setTo: isoFromDay(TODAY) });
  });

  it('settings of hardening: checked, versioned, and the schools move the dates', async () => {
    const { version } = await get<{ version: number }>('/api/house/nursery');
    const put = (body: object) => send(app, 'PUT', '/api/planting/settings', { ...USUAL_PLANTING, version, ...body });
    expect((await put({ home: { from_h: 9, to_h: 8 } })).body.errors[0].path).toBe('home.to_h');
    const dates = async () =>
      (
        await get<{ dates: { coverId: number | null; day: number | null; sooner_days: number | null }[] }>(
          '/api/planting/out?crop=36',
        )
      ).dates;
    const byDegrees = await dates();
    expect(byDegrees.length).toBeGreaterThan(3);
    for (const d of byDegrees.slice(1)) expect(d.sooner_days ?? 0).toBeGreaterThanOrEqual(0);
    expect((await put({ layerSchool: 'weeks' })).status).toBe(200);
    const byWeeks = await dates();
    expect(byWeeks.find((d) => d.coverId === 3)!.sooner_days).toBe(49);
    expect((await put({})).status).toBe(409);
    expect((await send(app, 'GET', '/api/planting/out?crop=9999')).body.errors[0].path).toBe('crop');
  });

  it('covers and programmes are books with versions; what cannot be is named', async () => {
    const [first] =
      await get<{ id: number; version: number; rungs: object[]; name: string; kind: string }[]>(
        '/api/books/programmes',
      );
    const { id, version, ...line } = first!;
    const bad = { ...line, rungs: [{ ...line.rungs[0], hours_h: 30 }] };
    expect((await send(app, 'PUT', `/api/books/programmes/${id}`, { version, line: bad })).body.errors[0].path).toBe(
      'rungs.0.hours_h',
    );
    expect((await send(app, 'PUT', `/api/books/programmes/${id}`, { version, line })).status).toBe(200);
    expect((await send(app, 'PUT', `/api/books/programmes/${id}`, { version, line })).status).toBe(409);
    const covers =
      await get<{ id: number; version: number; structure: { opening_m2: number } | null; name: string }[]>(
        '/api/books/covers',
      );
    const { id: coverId, version: v, ...frame } = covers.find((c) => c.structure)!;
    const wide = { ...frame, structure: { ...frame.structure, opening_m2: 900 } };
    expect(
      (await send(app, 'PUT', `/api/books/covers/${coverId}`, { version: v, line: wide })).body.errors[0].path,
    ).toBe('structure.opening_m2');
    expect((await send(app, 'POST', '/api/books/covers', { ...frame, placeId: null })).body.errors[0].path).toBe(
      'placeId',
    );
    expect((await send(app, 'POST', '/api/books/covers', frame)).body.errors[0].message).toMatch(/already/);
  });
});
