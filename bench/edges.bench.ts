import pg from 'pg';
import { newDatabase, startApp, type App } from '../tests/support/app.ts';
import { badBodies, boundsIn, cutTo, sampleOf, withBound, type Schema } from '../tests/support/edgeBodies.ts';
import { cluster } from './pageFigures.ts';
import { row, type Figures } from './form.ts';

const BAD_A_CALL = Number(process.env['EDGES_BAD'] ?? 300);
const SLOW_ms = 2_000;
const ALL_AT_ONCE = 6;
const PAGES = [
  '/',
  '/plan/season',
  '/germination/sow',
  '/germination/sheet',
  '/heat',
  '/heat/alarms',
  '/heat/training',
  '/heat/readings',
  '/heat/settings',
  '/potting',
  '/potting/sessions',
  '/potting/feed',
  '/potting/feeds',
  '/potting/stock',
  '/potting/mixes',
  '/potting/house',
  '/potting/things',
  '/hardening',
  '/hardening/structures',
  '/hardening/programmes',
  '/hardening/covers',
  '/planting',
  '/weather',
  '/weather/forecast',
  '/weather/readings',
  '/books',
  '/books/crops',
  '/books/lots',
  '/books/places',
  '/books/containers',
  '/house/settings',
  '/batch/ledger',
  '/books/seed',
  '/batch/failures',
  '/batch/take-along',
  '/germination/count',
  '/house',
  '/plan/what-if',
  '/batch/new',
  '/api/batch',
  '/api/batch/batches.csv',
  '/api/batch/log.csv',
  '/api/house/work.ics',
  '/api/potting/shopping.csv',
  '/api/house/round',
  '/api/plan/season',
  '/__proto__',
  '/constructor',
  '/toString',
  '/potting/sessions/99999999999999999999',
  '/batch/__proto__',
  '/t/%00',
];

interface Call {
  readonly method: string;
  readonly path: string;
  readonly body: Schema | null;
}

interface Answer {
  readonly call: string;
  readonly sent: string;
  readonly status: number;
  readonly ms: number;
}

/** Every call of the API with bad requests and with the bounds of its schema, then every page. */
export default async function bench(): Promise<Figures> {
  const own = cluster();
  const url = await newDatabase(own.base);
  const app = await startApp([], url, { DEMO_BENCHES: 'off' });
  const db = new pg.Client({ connectionString: url });
  await db.connect();
  try {
    const calls = await callsOf(app);
    const bad: Answer[] = [];
    let changed = 0;
    for (const call of calls) {
      const before = await rowsOf(db);
      const answers = await inTurn(badBodies(call.body, BAD_A_CALL, call.path), (text) => ask(app, call, text));
      bad.push(...answers);
      // Only what was taken may have changed anything.
      const after = answers.every((a) => a.status >= 400) ? await rowsOf(db) : before;
      if (after !== before) {
        changed++;
        const was = new Set(before.split('\n'));
        const tables = after.split('\n').filter((line) => !was.has(line));
        process.stderr.write(`rows changed by refused ${call.method} ${call.path}: ${tables.join(', ')}\n`);
      }
    }
    const bounds: Answer[] = [];
    const failedAfter = new Map<string, string>();
    for (const call of calls.filter((c) => c.body !== null)) {
      for (const bound of boundsIn(call.body!)) {
        const sample = await usual(app, call);
        bounds.push(await ask(app, call, withBound(sample, bound)));
      }
      for (const page of await pages(app))
        if (!ok(page)) failedAfter.set(page.call, `${page.status} after ${call.method} ${call.path}`);
    }
    const all = [...bad, ...bounds];
    const wrong = all.filter((a) => a.status >= 500);
    const slow = all.filter((a) => a.ms > SLOW_ms);
    for (const a of [...wrong, ...slow].slice(0, 40))
      process.stderr.write(`${a.status} ${Math.round(a.ms)} ms ${a.call} ${a.sent.slice(0, 300)}\n`);
    for (const [page, why] of failedAfter) process.stderr.write(`${page}: ${why}\n`);
    return {
      bench: 'edges',
      method: `${calls.length} calls of the OpenAPI document, ${BAD_A_CALL} bad requests each and every bound of its schema one at a time, ${ALL_AT_ONCE} at once, on the demo; all pages after each call's bounds`,
      rows: [
        row('bad requests sent', bad.length, 'requests'),
        row('bounds sent', bounds.length, 'requests'),
        row('bounds taken', bounds.filter((a) => a.status < 300).length, 'requests'),
        row('answers of 500 and above', wrong.length, 'answers', '= 0'),
        row('answers over 2 s', slow.length, 'answers', '= 0'),
        row('calls whose refused requests changed rows', changed, 'calls', '= 0'),
        row('pages that fail afterwards', failedAfter.size, 'pages', '= 0'),
        row('slowest answer', Math.max(...all.map((a) => a.ms)), 'ms'),
      ],
    };
  } finally {
    await db.end();
    await app.stop();
    own.stop();
  }
}

const ok = (page: Answer): boolean => page.status < 500 && page.ms < SLOW_ms * 5;

async function callsOf(app: App): Promise<Call[]> {
  const document = (await (await fetch(`${app.url}/api/openapi.json`)).json()) as {
    paths: Record<string, Record<string, { requestBody?: { content: Record<string, { schema: Schema }> } }>>;
  };
  return Object.entries(document.paths).flatMap(([path, methods]) =>
    Object.entries(methods)
      .filter(() => path !== '/api/heat/live')
      .map(([method, call]) => ({
        method: method.toUpperCase(),
        path,
        body: call.requestBody?.content['application/json']?.schema ?? null,
      })),
  );
}

async function ask(app: App, call: Call, text: string): Promise<Answer> {
  const began = performance.now();
  const { path, body } = JSON.parse(text) as { path?: string; body?: unknown };
  const at = (path ?? call.path).replace(/\{key\}/, 'guess').replace(/\{\w+\}/g, '1');
  const sent = body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body);
  try {
    const response = await fetch(`${app.url}${at}`, {
      method: call.method,
      signal: AbortSignal.timeout(20_000),
      ...(call.method === 'GET' || sent === undefined
        ? {}
        : { body: sent, headers: { 'content-type': 'application/json' } }),
    });
    await response.arrayBuffer();
    return { call: `${call.method} ${at}`, sent: sent ?? '', status: response.status, ms: performance.now() - began };
  } catch (error) {
    const why = (error as Error).message;
    return { call: `${call.method} ${at}`, sent: `${why} ${sent ?? ''}`, status: 599, ms: performance.now() - began };
  }
}

/** A request as it usually is: what there is already, with its version as it is now. */
async function usual(app: App, call: Call): Promise<unknown> {
  const own = USUAL[call.path];
  const path = (own ?? call.path).replace(/\{\w+\}/g, '1');
  const list = path.replace(/\/1$/, '');
  for (const at of own ? [path] : call.method === 'POST' ? [list] : [path, list]) {
    const response = await fetch(`${app.url}${at}`);
    if (!response.ok || !response.headers.get('content-type')?.includes('json')) continue;
    const there: unknown = await response.json();
    const one: unknown = Array.isArray(there)
      ? ((there as { id?: number }[]).find((l) => l.id === 1) ?? there[0])
      : there;
    if (one === undefined) continue;
    const cut = cutTo(call.body!, one);
    if (call.method !== 'POST' || cut === null || typeof cut !== 'object' || !('name' in cut)) return cut;
    return { ...cut, name: `Edge ${named++}` };
  }
  return sampleOf(call.body!);
}

let named = 0;
/** Where a call's usual request is read, if not at its own path. */
const USUAL: Readonly<Record<string, string>> = { '/api/plan/families': '/api/batch/1' };

async function pages(app: App): Promise<Answer[]> {
  const batches = (await (await fetch(`${app.url}/api/batch`)).json().catch(() => [])) as { id: number }[];
  const last = Array.isArray(batches) ? batches.slice(-3).map((b) => b.id) : [];
  const own = last.flatMap((id) => [
    `/batch/${id}`,
    `/batch/${id}/emergence`,
    `/batch/${id}/edit`,
    `/batch/${id}/seeds`,
  ]);
  return inTurn([...PAGES, ...own], (path) => ask(app, { method: 'GET', path, body: null }, JSON.stringify({ path })));
}

/** Each of a list in turn, some at once. */
async function inTurn<T, R>(list: readonly T[], work: (one: T) => Promise<R>): Promise<R[]> {
  const results: R[] = [];
  let next = 0;
  await Promise.all(
    Array.from({ length: ALL_AT_ONCE }, async () => {
      while (next < list.length) {
        const at = next++;
        results[at] = await work(list[at]!);
      }
    }),
  );
  return results;
}

/** A fingerprint of all that is written. */
async function rowsOf(db: pg.Client): Promise<string> {
  const { rows } = await db.query<{ name: string }>(
    `SELECT relname AS name FROM pg_class WHERE relkind = 'r' AND relnamespace = 'public'::regnamespace AND relname NOT LIKE 'readings%' ORDER BY relname`,
  );
  const counts: string[] = [];
  for (const { name } of rows) {
    // What the watch and the forecast write by themselves is no answer to a request.
    if (/^(heat_status|alarms|forecast|readings|migrations|revision|set_point_log|device_orders|tiers)/.test(name))
      continue;
    const {
      rows: [one],
    } = await db.query<{ sum: string }>(
      `SELECT md5(coalesce(string_agg(t::text, '' ORDER BY t::text), '')) AS sum FROM ${name} t`,
    );
    counts.push(`${name} ${one!.sum}`);
  }
  return counts.join('\n');
}
