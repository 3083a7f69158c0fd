import { chromium, type Page } from '@playwright/test';
import loadHighs from 'highs';
import pg from 'pg';
import { chooseRound } from '../src/core/house/roundChoice.ts';
import { seededRandom } from '../src/core/numerics/random.ts';
import { startApp } from '../tests/support/app.ts';
import { leastLost } from '../tests/support/leastLost.ts';
import { madeUpRound } from '../tests/support/madeUpRounds.ts';
import { startNetwork } from '../tests/support/network.ts';
import { row, type Figures, type Row } from './form.ts';

/** A part of the rounds, for a quick look: ROUND=0.1. */
const ROUNDS = Math.max(10, Math.round(200 * Number(process.env['ROUND'] ?? 1)));
const ENTRIES = 1_000;
/** A phone is taken to be four times slower. */
const SLOWED = 4;
const OPENINGS = 5;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** The round in the house: what fits the time there is, opening from the device, and what waited a week going out. */
export default async function bench(): Promise<Figures> {
  return {
    bench: 'round',
    method: `Choice: ${ROUNDS} made-up rounds of 14 jobs at 5 places for one to three people against the optimum proven by HiGHS (tests/support/leastLost.ts), and one of 120 jobs at 12 places for three; processor time. Device: the demo in Chromium with its processor slowed ${SLOWED} times, network cut; ${ENTRIES} notes to all batches in turn put into the device's store by hand, then the network is back. The error and the time of a count from a photo are in the bench "vision". CROOK_TEST_PG names a PostgreSQL to make databases on.`,
    rows: [...(await choices()), ...(await device())],
  };
}

async function choices(): Promise<Row[]> {
  const highs = await loadHighs();
  const random = seededRandom(2027);
  const short: number[] = [];
  for (let i = 0; i < ROUNDS; i++) {
    const task = madeUpRound(random, 1 + (i % 3));
    const total = task.jobs.reduce((sum, { weight }) => sum + weight, 0);
    const best = total - leastLost(highs, task);
    short.push(best <= 0 ? 0 : 1 - (total - chooseRound(task).lost) / best);
  }
  const large = madeUpRound(random, 3, { places: 12, jobs: 120, minutes: 90 });
  const alone = { ...large, people: [1] };
  const time_ms = (of: typeof large): number => {
    const times = Array.from({ length: 9 }, () => {
      const began = process.cpuUsage();
      chooseRound(of);
      const { user, system } = process.cpuUsage(began);
      return (user + system) / 1000;
    });
    return median(times);
  };
  return [
    row('kept less than the proven best, worst of the rounds', 100 * Math.max(...short), '%', '<= 2'),
    row('rounds in which the best was found', (100 * short.filter((s) => s < 1e-9).length) / short.length, '%'),
    row('90 minutes of 120 jobs, one person', time_ms(alone), 'ms', '<= 100'),
    row('90 minutes of 120 jobs, three people', time_ms(large), 'ms', '<= 100'),
  ];
}

async function device(): Promise<Row[]> {
  const app = await startApp([], undefined, { DEMO_BENCHES: 'off' });
  const net = await startNetwork(app.url);
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu'],
  });
  const context = await browser.newContext({ baseURL: net.url, viewport: { width: 390, height: 844 } });
  try {
    const page = await context.newPage();
    await page.goto('/');
    await page.waitForFunction(() => navigator.serviceWorker.controller?.state === 'activated');
    await until(page, async () => (await caches.match('/kept-pages')) !== undefined);
    const kept = await page.evaluate(async () => {
      const sizes = { pages: 0, application: 0 };
      for (const name of await caches.keys()) {
        const cache = await caches.open(name);
        for (const request of await cache.keys()) {
          const size = (await (await cache.match(request))!.arrayBuffer()).byteLength;
          sizes[name.startsWith('crook-pages') ? 'pages' : 'application'] += size;
        }
      }
      return sizes;
    });
    net.cut();
    const opened: number[] = [];
    for (let i = 0; i < OPENINGS; i++) opened.push(await openedIn_ms(await context.newPage()));
    const sync = await syncOf(page, net, app.url, app.databaseUrl);
    return [
      row('the round opened from the device, until it can be read', median(opened), 'ms', '<= 1000'),
      row('kept on the device: application', kept.application / 1e6, 'MB'),
      row('kept on the device: pages', kept.pages / 1e6, 'MB'),
      ...sync,
    ];
  } finally {
    await browser.close();
    await net.stop();
    await app.stop();
  }
}

/** Asks the page until it is so. */
async function until(page: Page, isSo: () => Promise<boolean>): Promise<void> {
  const end = Date.now() + 180_000;
  while (!(await page.evaluate(isSo))) {
    if (Date.now() > end) throw new Error('it took more than three minutes');
    await page.waitForTimeout(100);
  }
}

/** From the tap to the first jobs drawn, on a processor that is slowed. */
async function openedIn_ms(page: Page): Promise<number> {
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWED });
  await page.goto('/', { waitUntil: 'commit' });
  await page.waitForSelector('[data-job]');
  const drawn = await page.evaluate(
    () => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? performance.now(),
  );
  await page.close();
  return drawn;
}

async function syncOf(
  page: Page,
  net: Awaited<ReturnType<typeof startNetwork>>,
  appUrl: string,
  databaseUrl: string,
): Promise<Row[]> {
  await page.goto('/');
  const batches = ((await (await page.request.get(`${appUrl}/api/batch`)).json()) as { id: number }[]).map(
    ({ id }) => id,
  );
  const keys = await page.evaluate(
    async ([n, ids]) => {
      const opened = await new Promise<IDBDatabase>((resolve, reject) => {
        const asked = indexedDB.open('crook');
        asked.onsuccess = () => resolve(asked.result);
        asked.onerror = () => reject(asked.error ?? new Error('no store'));
      });
      const day = document.documentElement.dataset['today'];
      const work = opened.transaction('waiting', 'readwrite');
      const all: string[] = [];
      for (let i = 0; i < n; i++) {
        const idempotencyKey = `bench-${Date.now()}-${i}`;
        all.push(idempotencyKey);
        work.objectStore('waiting').add({
          key: idempotencyKey,
          path: `/api/batch/${ids[i % ids.length]}/events`,
          body: { idempotencyKey, kind: 'note', day, note: `kept ${i}` },
          words: `note ${i}`,
          batchId: ids[i % ids.length],
          job: null,
          at_ms: Date.now() - 1000,
          personId: null,
          failures: 0,
          refused: null,
        });
      }
      await new Promise((done) => (work.oncomplete = done));
      opened.close();
      return all;
    },
    [ENTRIES, batches] as const,
  );
  net.back();
  const began = performance.now();
  await page
    .getByRole('button', { name: 'Try now' })
    .or(page.getByRole('button', { name: 'Send now' }))
    .first()
    .click();
  await until(
    page,
    () =>
      new Promise<boolean>((resolve) => {
        const asked = indexedDB.open('crook');
        asked.onsuccess = () => {
          const count = asked.result.transaction('waiting').objectStore('waiting').count();
          count.onsuccess = () => {
            asked.result.close();
            resolve(count.result === 0);
          };
        };
      }),
  );
  const took_s = (performance.now() - began) / 1000;
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const { rows } = await client.query<{ key: string }>(
    `SELECT idempotency_key AS key FROM batch_events WHERE idempotency_key LIKE 'bench-%' ORDER BY id`,
  );
  await client.end();
  const there = rows.map(({ key }) => key);
  return [
    row(`${ENTRIES} entries sent after a week away`, took_s, 's', '<= 10'),
    row('of them lost', keys.filter((key) => !there.includes(key)).length, 'entries', '= 0'),
    row('of them written twice', there.length - new Set(there).size, 'entries', '= 0'),
    row('out of their order', there.filter((key, i) => key !== keys[i]).length, 'entries', '= 0'),
  ];
}
