import { defineConfig } from '@playwright/test';

/** One browser, one worker: the journeys share a demo shop, each with orders of its own. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  workers: 1,
  // a journey fails by what it sees, not by how busy the machine is: most end within seconds
  timeout: 300_000,
  expect: { timeout: 60_000 },
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
