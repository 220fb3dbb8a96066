import { defineConfig } from '@playwright/test';
import { readdirSync } from 'node:fs';

const files = readdirSync(import.meta.dirname).filter((name) => name.endsWith('.spec.ts'));

export default defineConfig({
  testDir: '.',
  // a project each, since a worker, and with it a shop, lasts as long as its project
  projects: files.map((file) => ({ name: file.replace('.spec.ts', ''), testMatch: file })),
  workers: 1, // a browser and a server fill two cores: beside another, answers take longer than anybody waits for
  // a journey fails by what it sees, not by how busy the machine is: most end within seconds
  timeout: 300_000,
  expect: { timeout: 60_000 },
  reporter: [['list']],
  outputDir: '../test-results',
  snapshotPathTemplate: '{testDir}/looks/{arg}{ext}', // npx playwright test --update-snapshots writes them anew
  use: {
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
