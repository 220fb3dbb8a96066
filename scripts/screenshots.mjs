// One current picture of each main view in docs/screenshots, from a fresh demo shop.
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { ROOT, testHome } from './lib/places.mjs';
import { openCluster } from './lib/postgres.mjs';
import { run, say } from './lib/say.mjs';
import { startDemoServer } from './lib/testServer.mjs';

await run(async () => {
  ensureChromium();
  const home = testHome();
  const cluster = await openCluster({ home, isThrowaway: true });
  await ensureBuilt();
  const server = await startDemoServer(cluster, { log: join(home, 'server.log') });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const calendar = await (await fetch(`${server.url}/api/v1/plan/calendar`)).json();
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: calendar.document.zone, // as in the shop, at whatever hour the pictures are taken
  });
  await page.addInitScript(() => localStorage.setItem('saltflat.person', 'Ines'));
  const ask = async (path) => (await page.request.get(`${server.url}/api/v1${path}`)).json();
  const orderOf = async (search) =>
    ask(`/orders/${(await ask(`/orders?search=${search}&state=open`)).items[0].id}`);
  const shoot = async (name, path, ready, act = async () => {}) => {
    await page.goto(server.url + path);
    await page.getByText(ready).first().waitFor({ timeout: 60_000 });
    await act();
    await page.waitForTimeout(600);
    await page.screenshot({ path: join(ROOT, 'docs', 'screenshots', `${name}.png`) });
    say(name);
  };
  const choose = async (label, option) => {
    await page.getByRole('combobox', { name: label, exact: true }).fill(option);
    await page.getByRole('option', { name: option }).first().click();
  };
  const club = await orderOf('Gull+Rock');
  const night = await orderOf('Night+Flight');
  const marker = await orderOf('Marker');
  const runId = marker.lines[0].activeRunId;

  await shoot('orders', `/orders/${club.id}`, 'Start on the floor');
  const file = async (artworkId) =>
    (await page.request.get(`${server.url}/api/v1/artworks/${artworkId}/file`)).body();
  await shoot('intake', '/orders/new', 'Take in the order', async () => {
    await page.getByLabel('Customer').fill('Night Flight Team');
    await choose('Garment', 'Harbour tee');
    await choose('Colour', 'Black');
    const buffer = await file(night.lines[0].prints[0].artwork.id);
    await page
      .getByLabel('Artwork of line 1')
      .setInputFiles({ name: 'night-flight.png', mimeType: 'image/png', buffer });
    await page.getByText('stops the print').waitFor();
  });
  const measured = () => page.getByText(/^Measured\./).waitFor({ timeout: 60_000 });
  await shoot('artwork', `/artwork/${night.lines[0].id}`, 'An opaque black box', measured);
  await shoot('route', `/route/${club.lines[0].id}`, 'shaded: four of five runs');
  await shoot('route-why', `/route/${night.lines[0].id}`, 'Cure the print', async () => {
    await page
      .locator('#operation-cure')
      .getByRole('button', { name: /^Plate/ })
      .click();
    await page.getByLabel('Your value').fill('185');
    await page.getByRole('form', { name: 'Values being tried' }).waitFor();
    await page.evaluate(() => globalThis.scrollTo(0, 0));
  });
  await shoot('shelf', '/film/shelf', 'Would do for');
  await shoot('film', '/film', 'Waiting for film', async () => {
    await page.getByRole('combobox', { name: 'Lies by' }).selectOption({ label: 'Outlines' });
    await page.getByText(/^Reading the art/).waitFor({ state: 'hidden' });
    await page.getByRole('button', { name: 'Lay out' }).click();
    await page.waitForTimeout(8000); // it gets better meanwhile
    await page.getByRole('button', { name: 'Stop' }).click();
    await page.getByRole('button', { name: 'Improve' }).waitFor();
    await page.waitForTimeout(500);
  });
  await shoot('today', '/today', 'Hands needed next', () => page.waitForTimeout(800));
  await shoot('plan', '/plan', 'Orders by this plan', async () => {
    await page.getByRole('application').focus();
    for (const key of ['ArrowRight', 'ArrowDown', 'ArrowDown']) await page.keyboard.press(key);
    await page.waitForTimeout(2500); // chances are worked out
  });
  // work under way at several stations
  for (const customer of ['Gull+Rock', 'Page+Isle']) {
    const { lines } = await orderOf(customer);
    const answer = await page.request.post(`${server.url}/api/v1/runs`, {
      data: { lineIds: [lines[0].id], by: 'Ines' },
    });
    const { id } = await answer.json();
    await page.goto(`${server.url}/floor/${id}`);
    await page.getByRole('region', { name: 'Next' }).getByRole('heading', { level: 2 }).waitFor();
    for (let press = 0; press < 2; press++) {
      await page.keyboard.press('Space');
      await page.waitForTimeout(2500); // it is sent before the page is left
    }
  }
  await shoot('today-busy', '/today', 'Hands needed next', () => page.waitForTimeout(3000));
  await shoot('plan-late', '/plan', 'Orders by this plan', async () => {
    await page.getByRole('button', { name: 'Week', exact: true }).click();
    await page.getByRole('button', { name: 'Something came up …' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Machine').selectOption({ label: 'Press A' });
    await dialog.getByRole('group', { name: 'Until' }).getByRole('spinbutton', { name: 'Day' }).click();
    const back = new Date(Date.now() + 2 * 86_400_000);
    const two = (value) => String(value).padStart(2, '0');
    await page.keyboard.type(`${two(back.getDate())}${two(back.getMonth() + 1)}${back.getFullYear()}1400`);
    await dialog.getByLabel('Why (optional)').fill('element burnt through');
    await dialog.getByRole('button', { name: 'Let the plan follow' }).click();
    await page.getByRole('region', { name: 'A better plan' }).waitFor({ timeout: 60_000 });
    await page.waitForTimeout(3000); // chances and what would help are worked out
  });
  await shoot('floor', `/floor/${runId}`, 'Ready to start', async () => {
    await page.keyboard.press('Space');
    await page.waitForTimeout(500);
  });
  const primed = await orderOf('Tide+Table');
  const { id: primedRun } = await (
    await page.request.post(`${server.url}/api/v1/runs`, {
      data: { lineIds: [primed.lines[0].id], by: 'Ines' },
    })
  ).json();
  await shoot('floor-loading', `/floor/${primedRun}`, 'Press the pretreated blank', async () => {
    const title = page.getByRole('region', { name: 'Next' }).getByRole('heading', { level: 2 });
    for (let press = 0; press < 40 && !/Load and print/.test(await title.innerText()); press++) {
      await page.keyboard.press('Space');
      await page.waitForTimeout(250);
    }
    await page.getByRole('region', { name: 'Before the first print' }).scrollIntoViewIfNeeded();
    await page.mouse.wheel(0, 500);
    await page.waitForTimeout(3000); // the picture is made for this page
  });
  await page.setViewportSize({ width: 390, height: 844 });
  await shoot('floor-phone', `/floor/${runId}`, 'Ready to start');
  await page.setViewportSize({ width: 1280, height: 800 });
  await shoot('presses', '/presses', 'What it tells', () => page.waitForTimeout(800));
  await shoot('spray', '/spray', 'Ask it', () => page.waitForTimeout(800));
  await shoot('ledger', '/ledger', 'scrap');
  await shoot('upkeep', '/shop/upkeep', 'Looked at before printing');
  const { styles } = await ask('/catalogue');
  const hoodie = styles.find(({ name }) => name === 'Breakwater hoodie');
  await shoot('shop', `/shop/blanks/${hoodie.id}`, 'Save the changes');
  await browser.close();
  await server.stop();
  cluster.stop();
});
