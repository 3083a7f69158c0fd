import { execFile } from 'node:child_process';
import { readFile } from 'node:fs/promises';
import { cpus } from 'node:os';
import { promisify } from 'node:util';
import { instanceFromJson, placementInstance } from '../src/contracts/plan/placementInstance.ts';
import { construct } from '../src/core/plan/placement/construct.ts';
import { improveAll } from '../src/core/plan/placement/improve.ts';
import { makeProblem } from '../src/core/plan/placement/problem.ts';
import { solutionOf } from '../src/core/plan/placement/solution.ts';
import { figures } from './form.ts';
import { checkPlan } from '../src/core/plan/placement/checkPlan.ts';

type Figures = Record<string, number>;
const run = promisify(execFile);
const option = (name: string): string | undefined => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};
const ROWS: readonly [string, () => Promise<object>][] = [
  ['first plan', firstPlan],
  ['10 s against 120 s', longRun],
  ['one insertion', insertion],
  ['8-12 batches against the proven optimum', smallPool],
  ['20 batches', twenty],
  ['100 batches at their set-points', fixedSetPoints],
  ['against the rule of weeks', ruleOfWeeks],
  ['a drag', drag],
  ['growth', growth],
  ['memory', memory],
  ['proved', proved],
];

/** By row and figure. */
const TARGETS: Readonly<Record<string, string>> = {
  'first plan warm_ms': '<= 250',
  'first plan faults': '= 0',
  '10 s against 120 s gap_median': '<= 0.15',
  '10 s against 120 s faults': '= 0',
  'one insertion median_us': '<= 60',
  '8-12 batches against the proven optimum gap_median': '<= 0.01',
  '8-12 batches against the proven optimum gap_worst': '<= 0.03',
  '20 batches gap_median': '<= 0.02',
  '100 batches at their set-points improved_median': '<= 0.01',
  'a drag preview_p95_ms': '<= 16',
  'a drag repair_p50_ms': '<= 10',
  'a drag repair_p95_ms': '<= 50',
  'a drag moved_median': '<= 3',
  'growth slope': '<= 1.3',
  'memory used_MB': '<= 100',
  'proved 100 batches gap_median': '<= 0.2',
  'proved 400 batches gap_median': '<= 0.3',
};

/**
 * Each row of what the placement must reach, with its target and figure. `--rows 1,3` runs some; `--seeds N` fewer seeds
 * for the rows that take many; `--instance FILE` plans an instance of yours instead (docs/INSTANCES.md).
 */
export default async function bench(): Promise<object> {
  const file = option('instance');
  if (file !== undefined) return planFile(file);
  const wanted = option('rows')?.split(',').map(Number);
  const rows: Record<string, object> = {};
  for (const [i, [name, measure]] of ROWS.entries()) {
    if (wanted && !wanted.includes(i + 1)) continue;
    const measured = await measure();
    process.stderr.write(`${JSON.stringify({ row: i + 1, name, ...measured })}\n`);
    rows[name] = measured;
  }
  const method =
    `${cpus().length} cores, node ${process.version}; ` +
    'made-up seasons of simulators/placementSeasons.ts, seeds from 1 up; each measurement in a process of its own, one at a time; searches are cut by a count of moves set from their own rate, so that cooling fits the time; every plan returned is recomputed by the slow checker (faults must be 0)';
  const targets = Object.entries(TARGETS).filter(([name]) => Object.keys(rows).some((row) => name.startsWith(row)));
  return figures('placement', method, rows, Object.fromEntries(targets));
}

const most = (n: number): number => Math.min(n, Number(option('seeds') ?? n));
const seeds = (n: number): number[] => Array.from({ length: most(n) }, (_, i) => i + 1);

async function task(input: object, flags: readonly string[] = []): Promise<Figures> {
  const path = new URL('./placementTasks.ts', import.meta.url).pathname;
  const { stdout } = await run(process.execPath, [...process.execArgv, ...flags, path, JSON.stringify(input)], {
    maxBuffer: 1e7,
  });
  return JSON.parse(stdout.trim().split('\n').at(-1)!) as Figures;
}

async function each(list: readonly number[], input: (seed: number) => object): Promise<Figures[]> {
  const found: Figures[] = [];
  for (const seed of list) found.push(await task(input(seed)));
  return found;
}

const round = (n: number): number => Math.round(n * 10_000) / 10_000;
function quantile(values: readonly number[], q: number): number {
  const list = [...values].sort((a, b) => a - b);
  return round(list[Math.min(list.length - 1, Math.floor(q * list.length))] ?? NaN);
}
const median = (values: readonly number[]): number => quantile(values, 0.5);
const sum = (list: readonly Figures[], key: string): number => list.reduce((total, one) => total + (one[key] ?? 0), 0);

async function firstPlan(): Promise<object> {
  const list = await each(seeds(5), (seed) => ({ task: 'firstPlan', batches: 400, places: 20, days: 220, seed }));
  return {
    target: 'under 250 ms, 400 batches, 20 places, 220 days, nothing over room',
    warm_ms: median(list.map((l) => l['warm_ms']!)),
    cold_ms: median(list.map((l) => l['cold_ms']!)),
    faults: sum(list, 'faults'),
  };
}

async function longRun(): Promise<object> {
  const list = await each(seeds(5), (seed) => ({ task: 'longRun', batches: 400, seed }));
  return {
    target: 'within 5%, median of 5 seeds',
    gap_median: median(list.map((l) => l['gap']!)),
    costs: list.map((l) => [l['first'], l['short'], l['long']].map((n) => Math.round(n!))),
    faults: sum(list, 'faults'),
  };
}

async function insertion(): Promise<object> {
  const list = await each(seeds(3), (seed) => ({ task: 'insertion', batches: 400, seed }));
  return {
    target: 'under 60 microseconds, median, 400 batches',
    median_us: median(list.map((l) => l['median_us']!)),
    p95_us: median(list.map((l) => l['p95_us']!)),
  };
}

async function smallPool(): Promise<object> {
  const list = await each(seeds(20), (seed) => ({ task: 'smallPool', batches: 8 + (seed % 5), seed }));
  const proven = list.filter((l) => l['gap'] !== null).map((l) => l['gap']!);
  return {
    target: 'within 1% median, 3% worst, 20 seeds; pool of at least 100 plans a batch',
    proven: proven.length,
    gap_median: median(proven),
    gap_worst: round(Math.max(...proven)),
    leastPlansOfABatch: Math.min(...list.map((l) => l['leastPlans']!)),
    solve_s_median: median(list.map((l) => l['solve_s']!)),
    faults: sum(list, 'faults'),
  };
}

async function twenty(): Promise<object> {
  const list = await each(seeds(20), (seed) => ({ task: 'twenty', seed }));
  return {
    target: 'within 2% median, 20 seeds, of the best of ours in 60 s and HiGHS on the merged pool in 60 s',
    gap_median: median(list.map((l) => l['gap']!)),
    gap_worst: round(Math.max(...list.map((l) => l['gap']!))),
    proven: list.filter((l) => String(l['kind']) === 'proven').length,
    faults: sum(list, 'faults'),
  };
}

async function fixedSetPoints(): Promise<object> {
  const list = await each(seeds(5), (seed) => ({ task: 'fixedSetPoints', batches: 100, seed }));
  return {
    target: 'under 1%, median: what HiGHS improves in 30 s among plans for the set-points found',
    improved_median: median(list.map((l) => l['improved']!)),
    improved_most: round(Math.max(...list.map((l) => l['improved']!))),
  };
}

async function ruleOfWeeks(): Promise<object> {
  const sizes = [
    { batches: 100, places: 12 },
    { batches: 400, places: 20 },
  ];
  const found: object[] = [];
  for (const size of sizes) {
    const list = await each(seeds(3), (seed) => ({ task: 'ruleOfWeeks', ...size, days: 220, seed }));
    found.push({
      ...size,
      seeds: list,
      heat_ratio_median: median(list.map((l) => l['heat_ratio']!)),
      heatOfRoomTaken_ratio_median: median(list.map((l) => l['heatOfRoomTaken_ratio']!)),
    });
  }
  return { target: 'no slot-day over room; heat lower; days late said', sizes: found };
}

async function drag(): Promise<object> {
  const list = await each(seeds(3), (seed) => ({ task: 'drag', batches: 400, seed }));
  const of = (key: string) => median(list.map((l) => l[key]!));
  return {
    target: 'preview 16 ms; repair p50 under 10 ms, p95 under 50 ms; at most 3 untouched batches moved (median)',
    preview_p95_ms: of('preview_p95_ms'),
    repair_p50_ms: of('repair_p50_ms'),
    repair_p95_ms: of('repair_p95_ms'),
    moved_median: of('moved_median'),
    moved_most: Math.max(...list.map((l) => l['moved_most']!)),
    kinds: list.map((l) => l['kinds']),
  };
}

async function growth(): Promise<object> {
  const sizes = [50, 100, 200, 400, 800];
  const times: number[] = [];
  for (const batches of sizes) {
    const list = await each(seeds(3), (seed) => ({ task: 'firstPlan', batches, places: 20, days: 220, seed }));
    times.push(median(list.map((l) => l['warm_ms']!)));
  }
  const x = sizes.map(Math.log);
  const y = times.map(Math.log);
  const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
  const [mx, my] = [mean(x), mean(y)];
  const slope = x.reduce((s, xi, i) => s + (xi - mx) * (y[i]! - my), 0) / x.reduce((s, xi) => s + (xi - mx) ** 2, 0);
  return {
    target: 'log-log slope of the first plan 1.3 or less, 50 to 800 batches',
    slope: round(slope),
    warm_ms: times,
  };
}

async function memory(): Promise<object> {
  const { used_MB } = await task({ task: 'memory', batches: 800, seed: 1 }, ['--expose-gc']);
  return { target: 'under 100 MB at 800 batches', used_MB: Math.round(used_MB! * 10) / 10 };
}

/** Gaps where nothing is left out: the price of a batch left out is in the cost and says nothing of the rest. */
async function proved(): Promise<object> {
  const of = async (batches: number, places: number, count: number, seconds: number) => {
    const list = await each(seeds(count), (seed) => ({ task: 'proved', batches, places, seed, seconds }));
    const whole = list.filter((l) => l['leftOut'] === 0);
    return {
      nothingLeftOut: whole.length,
      of: list.length,
      gap_median: median(whole.map((l) => l['gap']!)),
      bound_s: median(list.map((l) => l['bound_s']!)),
      ...(list.every((l) => l['fullGap'] === null)
        ? {}
        : {
            whatever_heated_gap_median: median(whole.map((l) => l['fullGap']!)),
            full_s: median(list.map((l) => l['full_s']!)),
          }),
    };
  };
  return {
    target: 'proved, with the weeks heated as planned: within 20% at 100 batches, 30% at 400',
    '20 batches': await of(20, 8, 5, 4),
    '100 batches': await of(100, 12, 6, 30),
    '400 batches': await of(400, 20, 3, 30),
  };
}

/** Plans an instance from a file: plan, cost and the checker's verdict. */
async function planFile(file: string): Promise<object> {
  const parsed = placementInstance.safeParse(JSON.parse(await readFile(file, 'utf8')));
  if (!parsed.success) {
    return { faults: parsed.error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message })) };
  }
  const instance = instanceFromJson(parsed.data);
  const problem = makeProblem(instance);
  const state = construct(problem);
  const moves = Number(option('moves') ?? 2000 + 50 * instance.batches.length);
  const seed = Number(option('seed') ?? 1);
  improveAll(state, { seed, moves });
  const solution = solutionOf(state);
  const verdict = checkPlan(instance, solution);
  const id = (p: number) => instance.places[p]!.id;
  return {
    instance: file,
    seed,
    moves,
    cost: solution.cost,
    checker: { ...verdict, sound: verdict.faults.length === 0 && Math.abs(verdict.cost - solution.cost.total) < 1e-3 },
    setPoints: instance.places.map((place, p) => ({ place: place.id, levels: solution.rows[p] })),
    batches: solution.batches.map((batch) => ({
      ...batch,
      stays: batch.stays.map((stay) => ({ ...stay, place: id(stay.place) })),
    })),
  };
}
