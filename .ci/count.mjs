import { readFileSync } from 'node:fs';

// Counts passed and failed tests in the runners' JSON reports. A missing report, or a failed step without a failed test
// (types, lint, format, build), counts as one failure.
const [folder, status] = [process.argv[2], Number(process.argv[3])];
let passed = 0;
let failed = 0;
for (const name of ['unit', 'integration', 'browser']) {
  try {
    const report = JSON.parse(readFileSync(`${folder}/${name}.json`, 'utf8'));
    passed += report.numPassedTests ?? report.stats.expected + report.stats.flaky;
    failed += report.numFailedTests ?? report.stats.unexpected;
    // A file that could not be run has no tests to fail.
    if (report.success === false && report.numFailedTests === 0) failed += 1;
    if (report.errors?.length > 0 && report.stats?.unexpected === 0) failed += 1;
  } catch (error) {
    console.log(`no report of ${name}: ${error.message}`);
    failed += 1;
  }
}
if (status !== 0 && failed === 0) failed += 1;
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 || passed === 0 ? 1 : 0);
