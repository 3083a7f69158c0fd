import { connectAsync } from 'mqtt';
import { connect } from '../src/db/connect.ts';
import { insertReadings, downSample, readBuckets } from '../src/db/heat/readings.ts';
import { migrateUp } from '../src/db/migrate.ts';
import { figures, type Figures } from './form.ts';
import { MQTT_PASSWORD, newDatabase, send, startApp } from '../tests/support/app.ts';

const quantile = (list: number[], q: number) =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))]!;
const SECONDS = Number(process.env['SECONDS_OF_LOAD'] ?? 60);
const RATE = 5_000;
const PER_MESSAGE = 6;

/**
 * Readings taken in over MQTT and kept, and charts drawn from a year of minutes. Needs CROOK_TEST_PG and the built
 * application (npm run build), as the integration tests do.
 */
export default async function heatStore(): Promise<Figures> {
  const method = `${SECONDS} s of messages over MQTT, then charts over a filled year, by the bench's own queries`;
  return figures(
    'heat-store',
    method,
    { ingestion: await ingestion(), chart: await chart() },
    {
      'ingestion readings_per_s': `>= ${0.99 * RATE}`,
      'ingestion ack_p99_ms': '<= 100',
      'ingestion notAcknowledged': '= 0',
      'chart p95_ms year': '<= 100',
      'chart p95_ms month': '<= 100',
      'chart p95_ms day': '<= 100',
    },
  );
}

/** Devices on the wire, each message acknowledged only when its readings are committed. */
async function ingestion() {
  const app = await startApp([], undefined, { DEMO_BENCHES: 'off' });
  const url = await app.mqttUrl();
  await new Promise((resolve) => setTimeout(resolve, 2000));
  const devices = ['dark-chamber', 'lit-chamber', 'bench-1', 'bench-2'];
  const clients = await Promise.all(
    devices.map((clientId) =>
      connectAsync(url, { protocolVersion: 4, clientId, username: 'crook', password: MQTT_PASSWORD }),
    ),
  );
  // The demo's clock stands still, so stamps run backward from it a minute at a time: late readings, but each its own.
  const now = Date.parse('2027-04-12T07:00:00Z');
  const acks: number[] = [];
  let sent = 0;
  let failed = 0;
  const pending = new Set<Promise<void>>();
  const start = performance.now();
  while (performance.now() - start < SECONDS * 1000) {
    const due = Math.floor(((performance.now() - start) / 1000) * (RATE / PER_MESSAGE));
    for (; sent < due; sent++) {
      const i = sent % clients.length;
      const at = new Date(now - 400 * 86_400_000 - Math.floor(sent / clients.length) * 60_000).toISOString();
      const body = JSON.stringify({
        seq: sent,
        at,
        values: { medium: 20 + (sent % 7) / 16, bed: 25, air: 15, outside: 5 + i / 100, heater: 0.4, set: 21 },
        mains: true,
      });
      const t = performance.now();
      const one: Promise<void> = clients[i]!.publishAsync(`crook/1/${devices[i]}/readings`, body, { qos: 1 }).then(
        () => void acks.push(performance.now() - t),
        () => void failed++,
      );
      pending.add(one);
      void one.finally(() => pending.delete(one));
    }
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
  await Promise.all(pending);
  const took_s = (performance.now() - start) / 1000;
  const health = await send(app, 'GET', '/api/house/health');
  await Promise.all(clients.map((c) => c.endAsync(true)));
  await app.stop();
  return {
    seconds: Math.round(took_s * 10) / 10,
    readings_per_s: Math.round((acks.length * PER_MESSAGE) / took_s),
    target_per_s: RATE,
    ack_median_ms: Math.round(quantile(acks, 0.5) * 10) / 10,
    ack_p99_ms: Math.round(quantile(acks, 0.99) * 10) / 10,
    target_p99_ms: 100,
    notAcknowledged: failed,
    pageStillAnswers: health.status === 200,
  };
}

/** A year of minutes of 16 sensors, asked for as drawings ask. */
async function chart() {
  const db = connect(await newDatabase());
  await migrateUp(db);
  const start = Date.parse('2026-01-01T00:00:00Z');
  const days = Number(process.env['CHART_DAYS'] ?? 365);
  const t0 = performance.now();
  for (let day = 0; day < days; day += 2) {
    const rows = [];
    for (let s = 1; s <= 16; s++)
      for (let m = 0; m < 2880 && day * 1440 + m < days * 1440; m++)
        rows.push({
          sensorId: s,
          at_ms: start + (day * 1440 + m) * 60_000,
          value: 20 + Math.sin((day * 1440 + m) / 230 + s),
        });
    for (let i = 0; i < rows.length; i += 12_000) await insertReadings(db, rows.slice(i, i + 12_000));
  }
  const filled_s = (performance.now() - t0) / 1000;
  // What the database does by itself in a running house.
  await db.query('ANALYZE readings');
  while ((await downSample(db, 400)) > 0);
  await db.query('VACUUM ANALYZE reading_tiers');
  const sensors = Array.from({ length: 16 }, (_, i) => i + 1);
  const times: Record<string, number[]> = { year: [], month: [], day: [] };
  for (let i = 0; i < 30; i++)
    for (const [name, length] of [
      ['year', days],
      ['month', Math.min(30, days)],
      ['day', 1],
    ] as const) {
      const from = start + ((i * 37) % Math.max(1, days - length + 1)) * 86_400_000;
      const t = performance.now();
      await readBuckets(db, sensors, from, from + length * 86_400_000, 800);
      times[name]!.push(performance.now() - t);
    }
  await db.close();
  return {
    sensors: 16,
    days,
    readings: 16 * 1440 * days,
    fill_readings_per_s: Math.round((16 * 1440 * days) / filled_s),
    p95_ms: Object.fromEntries(Object.entries(times).map(([k, v]) => [k, Math.round(quantile(v, 0.95))])),
    target_p95_ms: 100,
  };
}
