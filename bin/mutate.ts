import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { row, type Figures } from '../bench/form.ts';

/** A room of the core whose tests are tried: small faults are put into its files one by one, and a test must fail for each. */
interface Room {
  readonly files: readonly string[];
  readonly tests: readonly string[];
}

const core = (room: string, ...tests: string[]): Room => ({
  files: [`src/core/${room}/**/*.ts`],
  tests: [`src/core/${room}/**/*.test.ts`, ...tests],
});

const ROOMS: Readonly<Record<string, Room>> = {
  batch: core(
    'batch',
    'src/core/potting/ready.test.ts',
    'src/core/growth/growth.test.ts',
    'tests/references/statistics.test.ts',
  ),
  schedule: core('plan/schedule', 'src/core/growth/growth.test.ts'),
  germination: core('germination', 'tests/references/statistics.test.ts', 'tests/references/emergenceTable.test.ts'),
  growth: core('growth', 'src/core/plan/schedule/schedule.test.ts', 'src/core/plan/placement/stageNeeds.test.ts'),
  hardening: core('hardening', 'tests/references/hardening.test.ts'),
  planting: core(
    'planting',
    'src/core/plan/springs/*.test.ts',
    'src/core/hardening/hardening.test.ts',
    'tests/references/hardening.test.ts',
  ),
  potting: core('potting', 'tests/references/potting.test.ts'),
  heat: {
    files: ['alarms', 'setPoint', 'thermostat', 'watch', 'switchOn'].map((name) => `src/core/heat/${name}.ts`),
    tests: ['src/core/heat/*.test.ts', 'src/islands/heat/*.test.ts'],
  },
  proposal: {
    files: ['src/core/plan/placement/proposal.ts'],
    tests: ['src/core/plan/placement/proposal.test.ts'],
  },
};
const LEAST_percent = 80;
const REPORT = 'test-results/mutation.json';

interface Report {
  readonly files: Readonly<
    Record<
      string,
      {
        readonly mutants: readonly {
          readonly status: string;
          readonly mutatorName: string;
          readonly replacement?: string;
          readonly location: { readonly start: { readonly line: number } };
        }[];
      }
    >
  >;
}

const flags = process.argv.slice(2);
const json = flags.includes('--json');
const asked = flags
  .find((flag) => flag.startsWith('--rooms='))
  ?.slice('--rooms='.length)
  .split(',');
const unknown = asked?.filter((name) => !(name in ROOMS)) ?? [];
if (unknown.length > 0) {
  process.stderr.write(`There is no room ${unknown.join(', ')}; there are ${Object.keys(ROOMS).join(', ')}.\n`);
  process.exit(2);
}

const rows: Figures['rows'][number][] = [];
for (const [name, { files, tests }] of Object.entries(ROOMS)) {
  if (asked && !asked.includes(name)) continue;
  rmSync(REPORT, { force: true });
  const args = ['--no-install', 'stryker', 'run', '--mutate', [...files, '!src/**/*.test.ts'].join(',')];
  const run = spawnSync('npx', args, {
    env: { ...process.env, MUTATE_TESTS: tests.join(',') },
    stdio: json ? ['ignore', 'ignore', 'inherit'] : 'inherit',
  });
  if (run.status !== 0) throw new Error(`the faults of ${name} could not be tried (exit ${run.status})`);
  const report = JSON.parse(readFileSync(REPORT, 'utf8')) as Report;
  const mutants = Object.entries(report.files).flatMap(([file, { mutants: of }]) =>
    of.map((one) => ({ ...one, file })),
  );
  const count = (...statuses: string[]) => mutants.filter((one) => statuses.includes(one.status)).length;
  const found = count('Killed', 'Timeout');
  const missed = count('Survived', 'NoCoverage');
  rows.push(row(name, (100 * found) / Math.max(1, found + missed), '%', `>= ${LEAST_percent}`));
  rows.push(row(`${name} faults tried`, found + missed, ''));
  rows.push(row(`${name} faults no test noticed`, missed, ''));
  rows.push(row(`${name} faults that ran out of time`, count('Timeout'), ''));
  if (!json)
    for (const one of mutants.filter(({ status }) => status === 'Survived' || status === 'NoCoverage'))
      process.stdout.write(
        `${one.file}:${one.location.start.line} ${one.status} ${one.mutatorName} -> ${(one.replacement ?? '').slice(0, 80)}\n`,
      );
}
const figures: Figures = {
  bench: 'mutate',
  method:
    'small faults put into each room one by one (Stryker, its Vitest runner), words and objects left out; a fault is found when a unit test fails or runs out of time',
  rows,
};
process.stdout.write(
  json
    ? `${JSON.stringify(figures)}\n`
    : `${rows.map((r) => `${r.ok ? 'ok ' : 'NOT'} ${r.name}: ${r.value}${r.unit}`).join('\n')}\n`,
);
