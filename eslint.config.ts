import boundaries from 'eslint-plugin-boundaries';
import astro from 'eslint-plugin-astro';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Rooms of the house, and which may import which. ARCHITECTURE.md says the same. */
const ROOMS = {
  // Every sentence, one folder a language; it stands on nothing, so that whoever speaks may use it.
  words: ['words'],
  core: ['words', 'core'],
  contracts: ['words', 'core', 'formats', 'contracts'],
  // Reads and writes files; knows nothing of databases, calls or screens.
  formats: ['words', 'core', 'contracts', 'formats'],
  db: ['words', 'core', 'contracts', 'formats', 'db'],
  server: ['words', 'core', 'contracts', 'formats', 'db', 'server'],
  // What a device keeps and does by itself: what waits to be sent, pages without a network, pictures taken with it.
  device: ['words', 'core', 'contracts', 'device'],
  ui: ['words', 'core', 'contracts', 'device', 'ui'],
  islands: ['words', 'core', 'contracts', 'formats', 'device', 'ui', 'islands', 'workers'],
  workers: ['words', 'core', 'contracts', 'workers'],
  layouts: ['words', 'core', 'server', 'contracts', 'formats', 'islands', 'ui', 'layouts'],
  pages: ['words', 'core', 'server', 'contracts', 'formats', 'islands', 'ui', 'layouts', 'pages'],
  simulators: ['core', 'contracts', 'formats', 'simulators'],
};
const elements = Object.keys(ROOMS).map((type) => ({
  type,
  pattern: [type === 'simulators' ? 'simulators' : `src/${type}`],
}));

const policies = Object.entries(ROOMS).map(([from, allowed]) => ({
  from: { element: { type: from } },
  allow: { to: { element: { types: { anyOf: allowed } } } },
}));

export default tseslint.config(
  { ignores: ['dist', '.astro', 'node_modules', 'test-results', 'playwright-report', '.state', '.stryker-tmp'] },
  ...tseslint.configs.recommended,
  ...astro.configs.recommended,
  {
    languageOptions: { globals: { console: 'readonly', process: 'readonly', URL: 'readonly', Response: 'readonly' } },
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'off',
    },
  },
  {
    files: ['src/islands/**/*.{ts,tsx}', 'src/ui/**/*.tsx'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['src/**/*.{ts,tsx,astro}', 'simulators/**/*.ts'],
    ignores: ['src/**/*.test.ts'],
    plugins: { boundaries },
    settings: {
      'boundaries/elements': elements,
      'import/resolver': { typescript: { project: './tsconfig.json' } },
    },
    rules: { 'boundaries/dependencies': ['error', { default: 'disallow', policies }] },
  },
  {
    // Figures on a screen go through one formatter (src/ui/numbers.ts, core/units/words.ts).
    files: ['src/islands/**/*.{ts,tsx}', 'src/pages/**/*.astro', 'src/layouts/**/*.astro'],
    ignores: ['src/**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { property: 'toFixed', message: 'use decimal(), upTo() or percent() of src/ui/numbers.ts' },
      ],
    },
  },
  {
    // The core is pure: no clock, no chance, no process, no network, no timers, nothing from outside but itself.
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'process',
        'fetch',
        'setTimeout',
        'setInterval',
        'window',
        'document',
        'performance',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now' },
        { object: 'Math', property: 'random' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
          message: 'The core has no clock: pass the instant in.',
        },
      ],
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '^(?!ml-levenberg-marquardt$)[^.]', message: 'The core imports only the core.' }] },
      ],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['src/**/*.client.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'NewExpression[callee.name="Worker"]', message: 'Workers are started in *.client.ts only.' },
        { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'Take the time from the clock.' },
      ],
    },
  },
  {
    // Who writes is known to every transaction that writes.
    files: ['src/{db,server}/**/*.ts'],
    ignores: ['src/db/{inTransaction,migrate}.ts', 'src/db/house/world.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'NewExpression[callee.name="Worker"]', message: 'Workers are started in *.client.ts only.' },
        { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'Take the time from the clock.' },
        {
          selector: 'CallExpression[callee.property.name="transaction"]',
          message: 'Begin it with inTransaction (db/inTransaction.ts), which knows who writes.',
        },
      ],
    },
  },
  {
    files: ['src/{contracts,islands,ui,workers,pages,server}/**/*.{ts,tsx}'],
    ignores: ['src/server/**/{changeBatches,changeBooks,changePlan,edge,setup,database,seasons,keepEstimates}.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        { paths: [{ name: 'sequelize', message: 'Sequelize stays in db and the use cases that open transactions.' }] },
      ],
    },
  },
  {
    // Reading and writing of a screen go through one place, so that all of it is fresh after a write.
    files: ['src/islands/**/*.{ts,tsx}'],
    ignores: ['src/islands/weather/Connection.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            { name: 'sequelize', message: 'Sequelize stays in db and the use cases that open transactions.' },
            {
              name: '../../ui/call.ts',
              importNames: ['call'],
              message: 'Use useView, useAnswer, useWrite, readNow or writeNow of src/ui/kit/data.ts.',
            },
          ],
        },
      ],
    },
  },
);
