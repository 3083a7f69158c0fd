import { existsSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { DEMO_NURSERY, DEMO_OUTSIDE, DEMO_PLACES, DEMO_TODAY, USUAL_CONTAINERS } from '../simulators/demoBooks.ts';
import { demoSeason } from '../simulators/demoSeason.ts';
import { batchProgress } from '../src/core/batch/progress.ts';
import { UNSOWN } from '../src/core/batch/reduce.ts';
import { requireDay } from '../src/core/calendar/dayNumber.ts';
import type { BatchPlan } from '../src/core/plan/batchPlan.ts';
import { backwardChain } from '../src/core/plan/schedule/backward.ts';
import { milestoneOf, noonOf } from '../src/core/plan/schedule/chain.ts';
import { forwardChain } from '../src/core/plan/schedule/forward.ts';
import { seasonTables } from '../src/core/plan/schedule/seasonTables.ts';
import { libraryCrops } from '../bin/libraryCrops.ts';
import { setUp } from '../bin/setUp.ts';
import { connect } from '../src/db/connect.ts';
import { migrateUp } from '../src/db/migrate.ts';
import { demoSeed } from '../bin/seeds.ts';
import { startApp } from '../tests/support/app.ts';
import { figures, type Figures } from './form.ts';
import { cluster, root, scriptBytes } from './pageFigures.ts';

const BATCHES = 500;
const DAYS = 365;
const RUNS = 15;

const sorted = (values: number[]): number[] => [...values].sort((a, b) => a - b);
const quantile = (values: number[], q: number): number => {
  const list = sorted(values);
  return round(list[Math.min(list.length - 1, Math.floor(q * list.length))]!);
};
const round = (value: number): number => Math.round(value * 100) / 100;

/**
 * Chains of 500 batches over a year, script sent by each page, and the server's time for Season with 500 batches.
 * The pages need a build (bin/start or npm run build); the server needs PostgreSQL as bin/start does.
 */
export default async function bench(): Promise<Figures> {
  const method = `medians of ${RUNS} runs in one process after a warm-up; fresh tables for each run; server times from 120 requests after 20; ${cpus().length} cores, node ${process.version}`;
  const sizes = Object.fromEntries(PAGES.map(([path, most_KB]) => [`pages sizes ${path} script_KB`, `<= ${most_KB}`]));
  return figures(
    'schedule',
    method,
    { chains: await chains(), pages: await pages() },
    {
      'chains backward_and_forward_ms median': '<= 60',
      'chains backward_forward_most_days_apart': '<= 1',
      'pages season_500_ms all p95': '<= 80',
      ...sizes,
    },
  );
}

async function chains(): Promise<object> {
  const crops = await libraryCrops();
  const from = requireDay('2027-01-01');
  const plans = Array.from({ length: BATCHES }, (_, i) => {
    const crop = crops[(i * 7) % crops.length]!;
    const plan: BatchPlan = {
      plantsWanted: 100,
      spare_frac: 0.1,
      transplantOn: requireDay('2027-05-01') + ((i * 11) % 200),
      hardening_days: crop.hardening_days,
      places: { germinate: crop.group === 'warm' ? 1 : 2, grow: crop.group === 'warm' ? 3 : 4, pot: 4, harden: 6 },
      sowContainerId: 1,
      potContainerId: crop.potted ? 5 : null,
    };
    return { crop, plan };
  });
  const containers = new Map(USUAL_CONTAINERS.map((c) => [c.id, c]));
  const both: number[] = [];
  const whole: number[] = [];
  let most_days = 0;
  let reached = 0;
  for (let run = -3; run < RUNS; run++) {
    const began = performance.now();
    // A year of sowing and planting needs the winter before it as well.
    const tables = seasonTables(DEMO_PLACES, from - DAYS, 2 * DAYS + 30, { normals: DEMO_OUTSIDE });
    reached = 0;
    most_days = 0;
    for (const { crop, plan } of plans) {
      const input = { crop, plan, offHeat: DEMO_NURSERY.offHeat, tables };
      const back = backwardChain(input);
      if (back.kind !== 'chain') continue;
      const sowOn = milestoneOf(back, 'sow')!.day;
      const forth = forwardChain({ ...input, sowOn, facts: {}, today: null, waitForDate: false });
      if (forth.kind !== 'chain') continue;
      reached++;
      most_days = Math.max(most_days, Math.abs(milestoneOf(forth, 'plant')!.t - noonOf(plan.transplantOn)));
    }
    if (run >= 0) both.push(performance.now() - began);
    const again = performance.now();
    const fresh = seasonTables(DEMO_PLACES, from - DAYS, 2 * DAYS + 30, { normals: DEMO_OUTSIDE });
    for (const { crop, plan } of plans) {
      batchProgress({
        crop,
        plan,
        state: UNSOWN,
        offHeat: DEMO_NURSERY.offHeat,
        tables: fresh,
        containers,
        today: from,
      });
    }
    if (run >= 0) whole.push(performance.now() - again);
  }
  return {
    batches: BATCHES,
    days: DAYS,
    backward_and_forward_ms: { median: quantile(both, 0.5), worst: quantile(both, 1), target_ms: 60 },
    with_stands_and_reasons_ms: { median: quantile(whole, 0.5), worst: quantile(whole, 1) },
    reached,
    backward_forward_most_days_apart: round(most_days),
    target_days: 1,
  };
}

const PAGES: readonly [string, number][] = [
  ['/', 130],
  ['/plan/season', 200],
  ['/batch/new', 200],
  ['/batch/1', 200],
  ['/books/crops', 200],
  ['/books/places', 200],
  ['/batch/take-along', 200],
  ['/germination/sow', 200],
  ['/hardening', 200],
  ['/planting', 200],
  ['/weather', 200],
  ['/heat', 200],
  ['/house', 200],
  ['/potting', 200],
  ['/plan/what-if', 200],
  ['/batch/ledger', 200],
  ['/house/settings', 200],
];

async function pages(): Promise<object> {
  if (!existsSync(join(root, 'dist/server/entry.mjs'))) return { left_out: 'not built' };
  const { base, stop } = cluster();
  try {
    const databaseUrl = await fiveHundred(base);
    const app = await startApp([], databaseUrl);
    try {
      const sizes: Record<string, object> = {};
      for (const [path, target_KB] of PAGES) {
        const html = await (await fetch(app.url + path)).text();
        sizes[path] = { script_KB: round(scriptBytes(html) / 1024), target_KB };
      }
      const cold: number[] = [];
      const warm: number[] = [];
      for (let i = 0; i < 140; i++) {
        // Every other time a line is logged first, which makes all be read and worked out anew.
        if (i % 2 === 0) {
          const line = { idempotencyKey: `bench-${process.pid}-${i}`, kind: 'note', day: DEMO_TODAY, note: 'bench' };
          const body = JSON.stringify(line);
          const headers = { 'content-type': 'application/json' };
          const logged = await fetch(`${app.url}/api/batch/${1 + i}/events`, { method: 'POST', headers, body });
          if (logged.status !== 201) throw new Error(`the bench could not log: ${await logged.text()}`);
        }
        const began = performance.now();
        await (await fetch(`${app.url}/plan/season`)).text();
        if (i >= 20) (i % 2 === 0 ? cold : warm).push(performance.now() - began);
      }
      return {
        sizes,
        season_500_ms: {
          after_a_write: { median: quantile(cold, 0.5), p95: quantile(cold, 0.95) },
          nothing_written: { median: quantile(warm, 0.5), p95: quantile(warm, 0.95) },
          all: { p95: quantile([...cold, ...warm], 0.95), target_p95_ms: 80 },
        },
      };
    } finally {
      await app.stop();
    }
  } finally {
    stop();
  }
}

/** A database with the demo's batches twelve times over, logs and all. */
async function fiveHundred(base: string): Promise<string> {
  const name = `bench_${process.pid}`;
  const client = new pg.Client({ connectionString: `${base}/postgres` });
  await client.connect();
  await client.query(`CREATE DATABASE ${name}`);
  await client.end();
  const db = connect(`${base}/${name}`);
  await migrateUp(db);
  const seed = await demoSeed();
  const once = demoSeason(await libraryCrops());
  const batches = Array.from({ length: BATCHES }, (_, i) => once[i % once.length]!);
  await setUp(db, { ...seed, batches, demoToday: requireDay(DEMO_TODAY) }, Date.now());
  await db.close();
  return `${base}/${name}`;
}
