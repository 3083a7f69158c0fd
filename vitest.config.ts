import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Two files at a time: each of the integration tests has a database and an application of its own.
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'unit',
          include: ['src/**/*.test.ts', 'simulators/**/*.test.ts', 'tests/references/**/*.test.ts'],
          environment: 'node',
          // They share nothing that changes: modules are loaded once for all files of a worker.
          isolate: false,
          // Correctness, not speed: a busy machine takes its time over thousands of made-up seasons.
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'integration',
          include: ['tests/integration/**/*.test.ts'],
          environment: 'node',
          testTimeout: 60_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
