import { test as bare } from '@playwright/test';
import type { Cluster, DemoServer } from '../scripts/lib/testServer.mjs';
import { startDemoServer } from '../scripts/lib/testServer.mjs';

export { expect } from '@playwright/test';

/** What the run of all journeys tells each of them. */
export function given(name: string): string {
  const value = process.env[name];
  if (value === undefined) throw new Error(`${name} is not set: run the journeys by npm test`);
  return value;
}

/** A journey in a browser. Those of one file share a shop that is as new when the file begins; no other file sees it. */
export const test = bare.extend<object, { shop: DemoServer }>({
  shop: [
    // Playwright reads from the braces what a fixture needs
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const shop = await startDemoServer(JSON.parse(given('SALTFLAT_E2E_CLUSTER')) as Cluster, {
        log: given('SALTFLAT_E2E_LOG'),
        template: given('SALTFLAT_E2E_SHOP'),
      });
      await use(shop);
      await shop.stop();
    },
    { scope: 'worker', auto: true },
  ],
  baseURL: async ({ shop }, use) => use(shop.url),
});
