import { readdirSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'tests/e2e',
  workers: 3,
  // Each file is a project, and so has a worker and an application of its own (tests/e2e/page.ts).
  projects: readdirSync('tests/e2e')
    .filter((file) => file.endsWith('.spec.ts'))
    .map((file) => ({ name: file.replace(/(^[a-z]-)|(\.spec\.ts$)/g, ''), testMatch: file })),
  timeout: 90_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  outputDir: 'test-results/browser',
  use: {
    // Each test would have the house read once more for its device; f-offline lets it in.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
