import { defineConfig } from '@playwright/test';

/** One browser, one worker: the journeys share a demo shop, each with orders of its own. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  workers: 1,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: [['list']],
  outputDir: '../test-results',
  snapshotPathTemplate: '{testDir}/looks/{arg}{ext}', // npx playwright test --update-snapshots writes them anew
  use: {
    baseURL: process.env.SALTFLAT_E2E_URL,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-quic',
        '--no-first-run',
        '--disable-gpu',
      ],
    },
  },
});
