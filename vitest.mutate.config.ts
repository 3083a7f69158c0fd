import { defineConfig } from 'vitest/config';

// The unit tests as mutation testing runs them (npm run mutate): those of the room that is mutated, named in MUTATE_TESTS.
export default defineConfig({
  test: {
    include: (process.env['MUTATE_TESTS'] ?? 'src/core/**/*.test.ts').split(','),
    // Two seconds for each fault, and what it would find the others find.
    exclude: ['**/bruteForce.test.ts'],
    environment: 'node',
    isolate: false,
    testTimeout: 60_000,
  },
});
