/** npm run bench -- NAME [--json]: runs bench/NAME.bench.ts, which prints its figures as JSON. */
export {};

const wanted = process.argv[2];
if (!wanted || !/^[a-z-]+$/.test(wanted)) {
  process.stderr.write('Say which: npm run bench -- schedule --json\n');
  process.exit(2);
}
const { default: bench } = (await import(`./${wanted}.bench.ts`)) as { default: () => Promise<object> };
const figures = await bench();
process.stdout.write(`${JSON.stringify(figures, null, process.argv.includes('--json') ? 0 : 2)}\n`);
process.exit(0);
