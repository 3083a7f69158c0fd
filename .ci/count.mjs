import { existsSync, readFileSync } from 'node:fs';

// Names what failed, then counts passed and failed tests in the runners' JSON reports. A missing report, or a failed step
// without a failed test (types, lint, format, build), counts as one failure.
const [folder, status] = [process.argv[2], Number(process.argv[3])];
let passed = 0;
let failed = 0;
const said = [];
const firstLines = (text) =>
  String(text ?? '')
    .split('\n')
    .slice(0, 3)
    .join(' ')
    .slice(0, 400);

function failedSpecs(suite, file = '') {
  const here = suite.file ?? file;
  const own = (suite.specs ?? [])
    .filter((spec) => !spec.ok)
    .map((spec) => {
      const error = spec.tests.flatMap((test) => test.results).find((result) => result.error)?.error;
      return `${here}: ${spec.title}: ${firstLines(error?.message)}`;
    });
  return [...own, ...(suite.suites ?? []).flatMap((inner) => failedSpecs(inner, here))];
}

for (const name of ['unit', 'integration', 'browser']) {
  try {
    const report = JSON.parse(readFileSync(`${folder}/${name}.json`, 'utf8'));
    passed += report.numPassedTests ?? report.stats.expected + report.stats.flaky;
    failed += report.numFailedTests ?? report.stats.unexpected;
    for (const file of report.testResults ?? []) {
      if (file.status === 'failed' && file.message) said.push(`${file.name}: ${firstLines(file.message)}`);
      for (const test of file.assertionResults.filter((one) => one.status === 'failed'))
        said.push(`${file.name}: ${test.fullName}: ${firstLines(test.failureMessages[0])}`);
    }
    for (const suite of report.suites ?? []) said.push(...failedSpecs(suite));
    // A file that could not be run, or an error outside every test, has no test to fail.
    if (report.success === false && report.numFailedTests === 0) {
      failed += 1;
      said.push(`${name}: an error outside its tests; see above`);
    }
    if (report.errors?.length > 0 && report.stats?.unexpected === 0) failed += 1;
    for (const error of report.errors ?? []) said.push(`${name}: ${firstLines(error.message)}`);
  } catch (error) {
    said.push(`no report of ${name}: ${error.message}`);
    failed += 1;
  }
}
for (const name of ['types', 'lint', 'format']) {
  if (!existsSync(`${folder}/${name}.code`) || readFileSync(`${folder}/${name}.code`, 'utf8').trim() === '0') continue;
  said.push(`${name}: ${readFileSync(`${folder}/${name}.log`, 'utf8').trim().slice(-1500)}`);
}
if (status !== 0 && failed === 0) failed += 1;
for (const line of said) console.log(`FAILED ${line}`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 || passed === 0 ? 1 : 0);
