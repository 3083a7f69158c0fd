import { existsSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { USUAL_CONTAINERS } from '../simulators/demoBooks.ts';
import { USUAL_STOCK } from '../simulators/demoPotting.ts';
import { planSession, type SessionLine } from '../src/core/potting/session.ts';
import { USUAL_POTTING } from '../src/core/potting/settings.ts';
import type { Timed } from '../src/core/potting/rates.ts';
import { send, startApp } from '../tests/support/app.ts';
import { figures, type Figures } from './form.ts';
import { cluster, root, scriptBytes } from './pageFigures.ts';

const LINES = 60;
const RUNS = 25;
const round = (value: number): number => Math.round(value * 100) / 100;
const quantile = (values: number[], q: number): number => {
  const list = [...values].sort((a, b) => a - b);
  return round(list[Math.min(list.length - 1, Math.floor(q * list.length))]!);
};

/** A plan of 60 batches in layered pots with sixty timed sessions behind it, and the potting pages of the demo. */
export default async function bench(): Promise<Figures> {
  const method = `one process after a warm-up, pages over loopback; ${cpus().length} cores, node ${process.version}`;
  return figures('potting', method, { plan: plan(), pages: await pages() }, { 'plan ms median': '<= 20' });
}

function plan(): object {
  const pots = USUAL_CONTAINERS.filter((c) => c.kind === 'pot');
  const mixes = USUAL_STOCK.mixes;
  const parts = new Map(USUAL_STOCK.items.map((i) => [i.id, i]));
  const timed = Array.from({ length: 60 }, (_, i): Timed => ({
    containerId: pots[i % 3]!.id,
    cropId: 1 + (i % 12),
    plants: 60 + 11 * (i % 9),
    minutes: 10 + (i % 13),
    people: 1 + (i % 2),
  }));
  const lines = Array.from({ length: LINES }, (_, i): SessionLine => ({
    batchId: i + 1,
    name: `batch ${i}`,
    cropId: 1 + (i % 12),
    plants: 40 + ((i * 37) % 200),
    container: pots[i % 3]!,
    recipe: mixes[0]!,
    base: mixes[1]!,
    base_mm: 30,
    from: { id: 1 + (i % 4), order: 1 + (i % 4) },
    to: { id: 5, order: 5 },
    traysFrom: 3,
    spare_days: ((i * 13) % 20) - 6,
  }));
  const times: number[] = [];
  for (let run = -5; run < RUNS; run++) {
    const began = performance.now();
    planSession(lines, 2, USUAL_POTTING, parts, timed);
    if (run >= 0) times.push(performance.now() - began);
  }
  return {
    batches: LINES,
    timed: timed.length,
    ms: { median: quantile(times, 0.5), worst: quantile(times, 1) },
    target_ms: 20,
  };
}

/** Needs a build, and PostgreSQL as bin/start does. */
async function pages(): Promise<object> {
  if (!existsSync(join(root, 'dist/server/entry.mjs'))) return { left_out: 'not built' };
  const { stop } = cluster();
  try {
    const app = await startApp();
    const made = await send(app, 'POST', '/api/potting/sessions', {
      idempotencyKey: `bench-${process.pid}`,
      batchIds: ((await send(app, 'GET', '/api/potting/ready')).body as { ready: { batchId: number }[] }).ready.map(
        (l) => l.batchId,
      ),
    });
    const { id } = made.body as { id: number };
    const out: Record<string, object> = {};
    for (const path of ['/potting', `/potting/sessions/${id}`, '/potting/stock', '/potting/feed']) {
      const times: number[] = [];
      let html = '';
      for (let i = 0; i < 45; i++) {
        const began = performance.now();
        html = await (await fetch(app.url + path)).text();
        if (i >= 5) times.push(performance.now() - began);
      }
      out[path.replace(/\d+$/, '{id}')] = {
        ms: { median: quantile(times, 0.5), p95: quantile(times, 0.95) },
        script_KB: round(scriptBytes(html) / 1024),
      };
    }
    await app.stop();
    return out;
  } finally {
    stop();
  }
}
