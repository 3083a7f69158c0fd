import { connectAsync, type MqttClient } from 'mqtt';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { USUAL_ZONE } from '../../src/core/heat/zone.ts';
import { connect } from '../../src/db/connect.ts';
import { insertZone, logSetPoint, readSetPointLog, readZones } from '../../src/db/heat/heat.ts';
import { downSample, dropMonthsBefore, insertReadings, readBuckets } from '../../src/db/heat/readings.ts';
import { migrateUp } from '../../src/db/migrate.ts';
import { Intake } from '../../src/server/heat/intake.ts';
import { instantOf } from '../../src/server/heat/exchange.ts';
import { demoDatabase, MQTT_PASSWORD, newDatabase, send, startApp, type App } from '../support/app.ts';

let app: App;
let device: MqttClient;
/** The demo's clock stands here: eight in the morning, British Summer Time. */
const NOW = Date.parse('2027-04-12T07:00:00Z');
let seq = 0;

beforeAll(async () => {
  app = await startApp([], undefined, { DEMO_BENCHES: 'off' });
  device = await connectAsync(await app.mqttUrl(), {
    protocolVersion: 4,
    clientId: 'bench-1',
    username: 'crook',
    password: MQTT_PASSWORD,
  });
  // The bridge has read its zones.
  await new Promise((resolve) => setTimeout(resolve, 1500));
}, 90_000);
afterAll(async () => {
  await device.endAsync(true);
  await app.stop();
});

const publish = (body: unknown, topic = 'crook/1/bench-1/readings') =>
  device.publishAsync(topic, typeof body === 'string' ? body : JSON.stringify(body), { qos: 1 });
const message = (minutesAgo: number, values: object, more: object = {}) => ({
  seq: seq++,
  at: new Date(NOW - minutesAgo * 60_000).toISOString(),
  values,
  mains: true,
  ...more,
});
const zones = async () =>
  (await send(app, 'GET', '/api/heat/zones')).body as {
    id: number;
    name: string;
    status: { read: { medium: number | null } } | null;
    alarms: string[];
  }[];
const bench = async () => (await zones()).find((z) => z.name === 'Bench 1')!;
const readings = async (role: string, from: number, to = NOW + 1) => {
  const { id } = await bench();
  const all = (await send(app, 'GET', `/api/heat/zones/${id}/readings?from=${from}&to=${to}`)).body as {
    role: string;
    at: string;
    value: number;
  }[];
  return all.filter((r) => r.role === role);
};
const until = async (what: () => Promise<boolean>, tries = 60) => {
  for (let i = 0; i < tries; i++) {
    if (await what()) return;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  throw new Error('it did not come');
};

describe('readings of a device', () => {
  it('are kept once they are acknowledged, once each, corrected by the sensor’s offset', async () => {
    await publish(message(50, { medium: 21.5, bed: 26, air: 15, outside: 6, heater: 1, set: 23 }));
    await publish(message(50, { medium: 99, bed: 26 }));
    const kept = (await readings('medium', NOW - 51 * 60_000, NOW - 49 * 60_000)).map((r) => r.value);
    expect(kept).toHaveLength(1);
    const view = (await send(app, 'GET', `/api/heat/zones/${(await bench()).id}`)).body;
    const offset = view.sensors.find((s: { role: string }) => s.role === 'medium').offset_K;
    expect(kept[0]).toBeCloseTo(21.5 - offset, 2);
    await until(async () => (await bench()).status !== null);
  });

  it('that are no temperatures are left out and the rest of the message is kept', async () => {
    for (const [i, bad] of [85, -127, null, 'NaN', 400].entries())
      await publish(message(48 - i, { medium: bad, bed: 25 + i }));
    expect(await readings('medium', NOW - 48.5 * 60_000, NOW - 43.5 * 60_000)).toEqual([]);
    expect((await readings('bed', NOW - 48.5 * 60_000, NOW - 43.5 * 60_000)).map((r) => r.value)).toEqual([
      25, 26, 27, 28, 29,
    ]);
  });

  it('from the future, too fast, cut off, from nobody known or on another topic are refused and do no harm', async () => {
    await publish(message(-60, { medium: 20 }));
    await publish(message(40, { medium: 20.5 }));
    await publish({ ...message(40, { medium: 20.6 }), at: new Date(NOW - 40 * 60_000 + 900).toISOString() });
    await publish('{"seq": 3, "at": "2027-04-');
    await publish({ seq: 1, at: 'yesterday', values: {} });
    await publish(message(38, { medium: 20 }), 'crook/1/nobody/readings');
    await publish(message(38, { medium: 20 }), 'crook/1/bench-1/elsewhere');
    await publish(`{"pad":"${'x'.repeat(20_000)}"}`);
    expect(await readings('medium', NOW + 1, NOW + 7_200_000)).toEqual([]);
    expect(await readings('medium', NOW - 40.5 * 60_000, NOW - 39 * 60_000)).toHaveLength(1);
    for (const words of ['from the future', 'sends more often', 'not JSON', 'is in no zone', 'was not taken', 'at:'])
      expect(app.log()).toContain(words);
    // Six minutes went by without a believable medium, and that is all that is wrong.
    expect((await bench()).alarms.filter((kind) => kind !== 'readings-stopped')).toEqual([]);
  });

  it('that come late are kept; the watch looks only forward', async () => {
    await publish(message(30, { medium: 22, bed: 25, air: 15, heater: 0 }));
    await publish(message(35, { medium: 22.2, bed: 25, air: 15, heater: 0 }));
    expect(await readings('medium', NOW - 35.5 * 60_000, NOW - 29.5 * 60_000)).toHaveLength(2);
  });

  it('need the right password, and a device may not give orders', async () => {
    const url = await app.mqttUrl();
    await expect(
      connectAsync(url, {
        protocolVersion: 4,
        clientId: 'thief',
        username: 'crook',
        password: 'guess',
        reconnectPeriod: 0,
        connectTimeout: 3000,
      }),
    ).rejects.toThrow();
    const heard: string[] = [];
    device.on('message', (topic) => heard.push(topic));
    await device.subscribeAsync('crook/1/bench-1/config', { qos: 1 });
    await until(async () => heard.includes('crook/1/bench-1/config'));
    await publish({ set_C: 45 }, 'crook/1/bench-2/config');
    await expect(device.subscribeAsync('crook/1/bench-2/readings', { qos: 1 })).rejects.toThrow();
  });
});

describe('alarms', () => {
  it('power lost is raised at once, said on every page, taken once by the first, and over when it is back', async () => {
    await publish(message(20, { medium: 20, bed: 24, air: 14, heater: 1 }));
    await publish(message(19, { medium: 20, bed: 24, air: 14, heater: 1 }, { mains: false }));
    await until(async () => (await bench()).alarms.includes('power-lost'));
    const page = await (await fetch(`${app.url}/`)).text();
    expect(page).toContain('Bench 1: power lost');
    const open = ((await send(app, 'GET', '/api/heat/alarms')).body as { id: number; kind: string }[]).find(
      (a) => a.kind === 'power-lost',
    )!;
    expect((await send(app, 'POST', `/api/heat/alarms/${open.id}`, { by: ' ' })).status).toBe(422);
    expect((await send(app, 'POST', `/api/heat/alarms/${open.id}`, { by: 'night watch' })).body.takenBy).toBe(
      'night watch',
    );
    expect((await send(app, 'POST', `/api/heat/alarms/${open.id}`, { by: 'another' })).body.takenBy).toBe(
      'night watch',
    );
    const view = (await send(app, 'GET', `/api/heat/zones/${(await bench()).id}`)).body;
    expect(view.harm.length).toBeGreaterThan(0);
    for (const line of view.harm) {
      const at = (h: number | null) => h ?? Infinity;
      expect(at(line.bare_h)).toBeLessThanOrEqual(at(line.hours));
    }
    for (let m = 18; m >= 6; m--)
      await publish(message(m, { medium: 20 + (m % 3) / 16, bed: 24, air: 14, heater: 0.2 }));
    await until(async () => !(await bench()).alarms.includes('power-lost'));
  });

  it('a clock set forward and back again is watched from where it stands', async () => {
    const day = (setTo: string) => send(app, 'PUT', '/api/house/clock', { setTo });
    await day('2027-04-20');
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await publish({ ...message(0, { medium: 21, bed: 24, air: 15, heater: 0 }), at: '2027-04-20T06:59:00Z' });
    await day('2027-04-12');
    await new Promise((resolve) => setTimeout(resolve, 1500));
    // Sent again until it is heard: on a busy machine the watch sees the clock set back a while later.
    await until(async () => {
      await publish(message(4, { medium: 21, bed: 24, air: 15, heater: 0 }));
      await publish(message(3, { medium: 21, bed: 24, air: 15, heater: 0 }, { battery: 0.1 }));
      return (await bench()).alarms.includes('battery-low');
    }, 300);
  }, 120_000);

  it('a test alarm stands until it is taken', async () => {
    expect((await send(app, 'POST', '/api/heat/alarms', {})).status).toBe(201);
    await send(app, 'POST', '/api/heat/alarms', {});
    const tests = (
      (await send(app, 'GET', '/api/heat/alarms')).body as { id: number; kind: string; cleared_ms: number | null }[]
    ).filter((a) => a.kind === 'test' && a.cleared_ms === null);
    expect(tests).toHaveLength(1);
    expect((await send(app, 'POST', `/api/heat/alarms/${tests[0]!.id}`, { by: 'me' })).body.cleared_ms).not.toBeNull();
    expect((await send(app, 'POST', '/api/heat/alarms/999999', { by: 'me' })).status).toBe(404);
  });
});

describe('zones and set-points', () => {
  it('a set-point by hand reaches the controller, ends by itself or at once, and is logged with who and why', async () => {
    const { id } = await bench();
    const configs: { set_C: number }[] = [];
    device.on(
      'message',
      (topic, payload) =>
        topic.endsWith('bench-1/config') && configs.push(JSON.parse(payload.toString()) as { set_C: number }),
    );
    const order = { idempotencyKey: randomUUID(), set_C: 17.5, hours: 6, by: 'Ann', why: 'slow the peppers' };
    expect((await send(app, 'POST', `/api/heat/zones/${id}/override`, order)).status).toBe(201);
    expect((await send(app, 'POST', `/api/heat/zones/${id}/override`, order)).status).toBe(201);
    expect((await send(app, 'POST', `/api/heat/zones/${id}/override`, { ...order, set_C: 12 })).status).toBe(409);
    await until(async () => configs.some((c) => c.set_C === 17.5));
    const { body } = await send(app, 'GET', `/api/heat/zones/${id}`);
    expect(body.log[0]).toMatchObject({ set_C: 17.5, by: 'Ann', why: 'slow the peppers' });
    expect((await send(app, 'DELETE', `/api/heat/zones/${id}/override`)).status).toBe(200);
    await until(async () => configs.at(-1)!.set_C === 23);
    const tooHot = await send(app, 'POST', `/api/heat/zones/${id}/override`, {
      ...order,
      idempotencyKey: randomUUID(),
      set_C: 40,
    });
    expect(tooHot.status).toBe(422);
    expect(tooHot.body.errors[0]).toMatchObject({ path: 'set_C', message: expect.stringContaining('30') });
  });

  it('negative watts, layers of nothing, a place twice and a stale edit are refused by name', async () => {
    const { id } = await bench();
    const { zone } = (await send(app, 'GET', `/api/heat/zones/${id}`)).body;
    const put = (spec: object, version = zone.version) =>
      send(app, 'PUT', `/api/heat/zones/${id}`, {
        version,
        zone: { placeId: zone.placeId, device: zone.device, spec: { ...zone.spec, ...spec } },
      });
    expect((await put({ heater: { kind: 'mat', power_W: -20 } })).body.errors[0].path).toBe('zone.spec.heater.power_W');
    expect((await put({ below: [{ material: 'foam', thickness_m: 0 }] })).body.errors[0].path).toBe(
      'zone.spec.below.0.thickness_m',
    );
    expect((await put({ cutOut_C: 20 })).body.errors[0].path).toBe('zone.spec.cutOut_C');
    expect(
      (await send(app, 'POST', '/api/heat/zones', { placeId: zone.placeId, device: 'new', spec: USUAL_ZONE })).body
        .errors[0].path,
    ).toBe('placeId');
    expect((await put({ air_m: 0.3 })).status).toBe(200);
    const stale = await put({ air_m: 0.4 });
    expect(stale.status).toBe(409);
    expect(stale.body.current.spec.air_m).toBe(0.3);
  });

  it('keeps an offset with its day and when it is due, and refuses a sensor that is none', async () => {
    const { sensors } = (await send(app, 'GET', `/api/heat/zones/${(await bench()).id}`)).body;
    const air = sensors.find((s: { role: string }) => s.role === 'air').id;
    expect(
      (
        await send(app, 'POST', `/api/heat/sensors/${air}`, {
          method: 'ice',
          offset_K: -0.31,
          spread_K: 0.06,
          by: 'Ann',
        })
      ).status,
    ).toBe(201);
    const latest = (await send(app, 'GET', `/api/heat/sensors/${air}`)).body;
    expect(latest.sensor).toMatchObject({ offset_K: -0.31, checkedOn: '2027-04-12', dueOn: '2027-10-09' });
    expect(latest.history).toHaveLength(1);
    expect(
      (await send(app, 'POST', `/api/heat/sensors/${air}`, { method: 'ice', offset_K: 40, spread_K: 0, by: 'Ann' }))
        .status,
    ).toBe(422);
    expect((await send(app, 'GET', '/api/heat/sensors/999999')).status).toBe(404);
  });

  it('learns from the nights that are there, or says why not', async () => {
    const fit = await send(app, 'GET', `/api/heat/zones/${(await bench()).id}/fit`);
    expect([200, 422]).toContain(fit.status);
    if (fit.status === 200) expect(fit.body.residual_K).toBeLessThan(fit.body.before_K + 1e-9);
    else expect(fit.body.detail.length).toBeGreaterThan(10);
  });

  it('changes tariff and quiet hours, refusing a stale or nonsense one', async () => {
    const { body: now } = await send(app, 'GET', '/api/heat/settings');
    const tariff = { kind: 'day-night', day_kWh: 0.3, night_kWh: 0.12, from_h: 0, to_h: 7 };
    expect((await send(app, 'PUT', '/api/heat/settings', { ...now, tariff })).body.tariff).toEqual(tariff);
    expect((await send(app, 'PUT', '/api/heat/settings', { ...now, tariff })).status).toBe(409);
    expect(
      (await send(app, 'PUT', '/api/heat/settings', { ...now, quiet: { from_h: 25, to_h: 6, repeat_min: 10 } })).body
        .errors[0].path,
    ).toBe('quiet.from_h');
  });
});

describe('readings in and out', () => {
  it('takes a logger’s Fahrenheit in its own time zone, once, and gives them back', async () => {
    const { id } = await bench();
    const csv =
      'When,Probe,Outdoors\n2026-07-04 22:30,72.5,50\n2026-07-04 22:40,185,51\n2026-02-30 10:00,70,40\nnonsense,1,2\n2026-07-04 22:50,70,\n';
    const body = {
      csv,
      zoneId: id,
      timeColumn: 'When',
      timeZone: 'America/New_York',
      columns: [
        { column: 'Probe', role: 'medium', unit: 'F' },
        { column: 'Outdoors', role: 'outside', unit: 'F' },
      ],
    };
    const tried = await send(app, 'POST', '/api/heat/import', { ...body, try: true });
    expect(tried.body).toMatchObject({ lines: 5, readings: 4, written: 0, leftCount: 3 });
    expect((tried.body.left as { line: number }[]).map((l) => l.line).sort()).toEqual([3, 4, 5]);
    const taken = await send(app, 'POST', '/api/heat/import', { ...body, try: false });
    expect(taken.body).toMatchObject({ written: 4, already: 0 });
    expect((await send(app, 'POST', '/api/heat/import', { ...body, try: false })).body).toMatchObject({
      written: 0,
      already: 4,
    });
    const out = await readings('medium', Date.parse('2026-07-05T02:00:00Z'), Date.parse('2026-07-05T04:00:00Z'));
    expect(out.map((r) => r.at)).toEqual(['2026-07-05T02:30:00.000Z', '2026-07-05T02:50:00.000Z']);
    expect(
      (await send(app, 'POST', '/api/heat/import', { ...body, timeColumn: 'Time', try: true })).body.errors[0].path,
    ).toBe('timeColumn');
    const text = await (
      await fetch(
        `${app.url}/api/heat/zones/${id}/readings?from=${Date.parse('2026-07-05T02:00:00Z')}&to=${Date.parse('2026-07-05T04:00:00Z')}&as=csv`,
      )
    ).text();
    expect(text.split('\n')[0]).toBe('zone,role,at,value');
    expect(text).toContain('bench-1,medium,2026-07-05T02:30:00.000Z,');
  });

  it('reads wall time on the nights the clocks change', () => {
    expect(instantOf('2027-03-28 00:30', 'Europe/London')).toBe(Date.parse('2027-03-28T00:30:00Z'));
    expect(instantOf('2027-03-28 02:30', 'Europe/London')).toBe(Date.parse('2027-03-28T01:30:00Z'));
    expect(instantOf('2027-10-31 03:30', 'Europe/London')).toBe(Date.parse('2027-10-31T03:30:00Z'));
    expect(instantOf('2027-05-01T10:00:30+02:00', 'Europe/London')).toBe(Date.parse('2027-05-01T08:00:30Z'));
    expect(instantOf('2027-05-01T10:00:30', 'Europe/London')).toBe(Date.parse('2027-05-01T09:00:30Z'));
    for (const bad of ['', '2027-02-30 10:00', '2027-01-01 25:00', 'noon']) expect(instantOf(bad, 'UTC')).toBeNaN();
  });
});

describe('the store of readings', () => {
  it('down-samples what changed, reads buckets from the tier that is fine enough, and drops old months', async () => {
    const db = connect(await newDatabase());
    try {
      await migrateUp(db);
      const start = Date.parse('2027-01-31T18:00:00Z');
      const rows = Array.from({ length: 24 * 60 }, (_, i) => ({
        sensorId: 7,
        at_ms: start + i * 60_000,
        value: (i % 60) / 10,
      }));
      expect(await insertReadings(db, rows)).toBe(1440);
      expect(await insertReadings(db, rows)).toBe(0);
      while ((await downSample(db)) > 0);
      const fine = (await readBuckets(db, [7], start, start + 3_600_000, 60)).get(7)!;
      expect(fine).toHaveLength(60);
      const hours = (await readBuckets(db, [7], start, start + 86_400_000, 24)).get(7)!;
      expect(hours).toHaveLength(24);
      for (const h of hours) {
        expect(h.low).toBeCloseTo(0, 5);
        expect(h.high).toBeCloseTo(5.9, 5);
        expect(h.mean).toBeCloseTo(2.95, 5);
      }
      expect(await dropMonthsBefore(db, Date.parse('2027-02-15T00:00:00Z'))).toEqual(['readings_2027_01']);
      // The tiers stay when the readings are gone.
      expect((await readBuckets(db, [7], start, start + 3 * 3_600_000, 180)).get(7)!.length).toBeGreaterThan(10);
      await insertReadings(db, [rows[0]!]);
    } finally {
      await db.close();
    }
  });

  it('holds readings while the database is away, bounded, and acknowledges none before it is written', async () => {
    const url = await newDatabase();
    const away = connect(url);
    const troubles: string[] = [];
    // No table yet: every write fails until the migrations have run.
    const intake = new Intake(away, (error) => troubles.push(error.message));
    let done = false;
    const waiting = intake.take([{ sensorId: 1, at_ms: NOW, value: 20 }]).then(() => (done = true));
    await new Promise((resolve) => setTimeout(resolve, 700));
    expect(done).toBe(false);
    expect(troubles.length).toBeGreaterThan(0);
    await expect(
      intake.take(Array.from({ length: 60_000 }, (_, i) => ({ sensorId: 1, at_ms: NOW + i, value: 1 }))),
    ).rejects.toThrow('too many');
    await migrateUp(away);
    await waiting;
    expect(done).toBe(true);
    expect(intake.held).toBe(0);
    await away.close();
  });

  it('two servers on one database log a set-point once and do a job once', async () => {
    const url = await newDatabase();
    const [a, b] = [connect(url), connect(url)];
    try {
      await migrateUp(a);
      await a.query(`INSERT INTO places (name, kind, lit, room_trays, walk_order) VALUES ('B', 'bench', true, 4, 1)`);
      const id = (await insertZone(a, { placeId: 1, device: 'b', spec: USUAL_ZONE as never }))!;
      const line = { at_ms: NOW, set_C: 20, from: 'plan', by: 'the plan', why: 'test' };
      await Promise.all([logSetPoint(a, id, line), logSetPoint(b, id, line), logSetPoint(a, id, line)]);
      expect(await readSetPointLog(a, id, 10)).toHaveLength(1);
      await expect(a.query('UPDATE set_point_log SET why = $$changed$$')).rejects.toThrow('append-only');
      expect(await readZones(b)).toHaveLength(1);
    } finally {
      await Promise.all([a.close(), b.close()]);
    }
  });
});

describe('controllers that are silent since a restart', () => {
  it('raise the alarm by their last reading in the database, and old figures are not shown as what there is', async () => {
    const url = await demoDatabase();
    const before = await startApp([], url, { DEMO_BENCHES: 'off' });
    const own = await connectAsync(await before.mqttUrl(), {
      protocolVersion: 4,
      clientId: 'bench-1',
      username: 'crook',
      password: MQTT_PASSWORD,
    });
    await new Promise((resolve) => setTimeout(resolve, 1500));
    const last = message(90, { medium: 22.5, bed: 27, air: 15, heater: 0.4, set: 23 });
    await own.publishAsync('crook/1/bench-1/readings', JSON.stringify(last), { qos: 1 });
    await own.endAsync(true);
    await before.stop();
    const after = await startApp([], url, { DEMO_BENCHES: 'off' });
    try {
      // Asked while it is still starting on a busy machine, it may answer that it is not ready.
      const kinds = async () => {
        const { status, body } = await send(after, 'GET', '/api/heat/zones');
        if (status !== 200) return [];
        return (body as { name: string; alarms: string[] }[]).find((z) => z.name === 'Bench 1')!.alarms;
      };
      await until(async () => (await kinds()).includes('readings-stopped'), 160);
      const page = await (await fetch(`${after.url}/plan/season`)).text();
      expect(page).toContain('Bench 1 no reading now');
    } finally {
      await after.stop();
    }
  }, 90_000);
});
