/** @type {import('@stryker-mutator/api/core').PartialStrykerOptions} */
export default {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'vitest.mutate.config.ts' },
  // Which test runs which line is found out once, so that each fault is put only to the tests that can see it.
  coverageAnalysis: 'perTest',
  reporters: ['clear-text', 'json'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false, reportScoreTable: false },
  jsonReporter: { fileName: 'test-results/mutation.json' },
  tempDirName: '.stryker-tmp',
  // Words of reasons and errors are not what these tests are for.
  mutator: { excludedMutations: ['StringLiteral', 'ObjectLiteral'] },
  timeoutMS: 8_000,
  concurrency: 2,
  ignoreStatic: true,
  ignorePatterns: ['dist', 'test-results', 'docs', '.state', '.astro'],
};
