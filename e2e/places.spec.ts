import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { openLine } from './shop.ts';

/** Colours are the same at any width and in any units: they are looked at once a place, which takes most of the time. */
const COLOURS = ['color-contrast'];

/** A phone, a wide screen, and last the one that journeys are walked on. */
const SIZES = [
  [390, 844],
  [1920, 1080],
  [1280, 800],
] as const;

test('axe finds nothing on any place, on a phone, a screen and a wide one, in either units', async ({
  page,
}) => {
  const { orderId, lineId } = await openLine(page.request, 'Night Flight');
  const places: [path: string, ready: string][] = [
    ['/today', 'Hands needed next'],
    ['/orders', 'New order'],
    [`/orders/${orderId}`, 'Print it as it is'],
    ['/orders/new', 'Take in the order'],
    ['/artwork', 'Night Flight Team'],
    [`/artwork/${lineId}`, 'An opaque black box round the art'],
    ['/route', 'Night Flight Team'],
    [`/route/${lineId}`, 'Cure the print'],
    ['/spray', 'Ask it'],
    ['/presses', 'What it tells'],
    ['/presses/bench', 'Bond, needed'],
    ['/plan', 'Orders by this plan'],
    ['/plan/hours', 'Save the hours'],
    ['/floor', 'Ready to start'],
    ['/ledger', 'good'],
    ['/ledger?view=days', 'Share that came out good'],
    ['/shop', 'Harbour tee'],
    ['/shop/blanks/new', 'Add the blank'],
    ['/shop/materials', 'Scree Fine Powder'],
    ['/shop/machines', 'Press A'],
    ['/shop/lots', 'Begin another'],
    ['/shop/methods', 'Film: peel'],
    ['/shop/prices', 'Save the prices'],
    ['/shop/writing', 'Save for the shop'],
    ['/shop/demo', 'Clear the demo'],
    ['/shop/backups', 'A backup every day'],
    ['/devices', 'Pretreatment scale'],
    ['/kit', 'A list of ten thousand'],
    ['/nowhere', 'There is no such page'],
  ];
  for (const [path, ready] of places) {
    await page.goto(path);
    await expect(page.getByText(ready).first()).toBeVisible();
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      expect(await axeFindings(page, width === 1280 ? [] : COLOURS), `${path} at ${width} px`).toEqual([]);
    }
    const units = page.getByRole('button', { name: /^Units/ });
    if ((await units.count()) === 0) continue; // there is no bar where there is no page
    await units.click();
    expect(await axeFindings(page, COLOURS), `${path} in the other units`).toEqual([]);
  }
  await page.goto(`/route/${lineId}`);
  await page.locator('[id^=operation-] button').first().click();
  await expect(page.getByText('Change it here')).toBeVisible();
  expect(await axeFindings(page), 'why panel').toEqual([]);
});

test('the first page needs at most 260 kB of script', async ({ page }) => {
  const sizes: number[] = [];
  page.on('response', (response) => {
    if (response.url().endsWith('.js')) sizes.push(Number(response.headers()['content-length'] ?? 0) || 0);
  });
  const client = await page.context().newCDPSession(page);
  let scriptBytes = 0;
  const scripts = new Set<string>();
  await client.send('Network.enable');
  client.on('Network.responseReceived', ({ requestId, type }) => type === 'Script' && scripts.add(requestId));
  client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) scriptBytes += encodedDataLength;
  });
  await page.goto('/');
  await expect(page.getByRole('grid')).toBeVisible();
  expect(sizes.length).toBeGreaterThan(0);
  expect(scriptBytes).toBeGreaterThan(50_000);
  expect(scriptBytes).toBeLessThanOrEqual(260 * 1024);
});

test('a refusal keeps what was typed and says what would be right', async ({ page }) => {
  await page.goto('/orders/new');
  await page.getByLabel('Customer').fill('Refused & Sons');
  await page
    .getByLabel('Artwork of line 1')
    .setInputFiles({ name: 'letter.png', mimeType: 'image/png', buffer: Buffer.from('dear print room') });
  await expect(page.getByRole('alert')).toContainText('“letter.png” is not a PNG, JPEG, TIFF or SVG picture');
  await page.getByLabel('Quantity, size M').fill('-2');
  await page.getByRole('button', { name: 'Take in the order' }).click();
  await expect(page.getByText('Size M: “Quantity” must be at least 1, but -2 was given.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Customer')).toHaveValue('Refused & Sons');
  await expect(page.getByLabel('Quantity, size M')).toHaveValue('-2');
});

test('units switch everywhere at once and are remembered', async ({ page }) => {
  const { lineId } = await openLine(page.request, 'Night Flight');
  await page.goto(`/route/${lineId}`);
  await expect(page.locator('#operation-cure').getByText('165 °C')).toBeVisible();
  await page.getByRole('button', { name: /^Units/ }).click();
  await expect(page.locator('#operation-cure').getByText('329 °F')).toBeVisible();
  await page.reload();
  await expect(page.locator('#operation-cure').getByText('329 °F')).toBeVisible();
});

test('days and hours are written on this device as they are chosen there', async ({ page }) => {
  const due = page.getByRole('row', { name: /K-212/ });
  await page.goto('/orders');
  await expect(due).toContainText(/[A-Z][a-z]{2} \d+ [A-Z][a-z]{2}, 16:00/);
  await page.goto('/shop/writing');
  const own = page.getByRole('region', { name: 'On this device' });
  await own.getByLabel('Order of day and month').selectOption('month-day');
  await own.getByLabel('Hours').selectOption('12');
  await expect(own.getByText(/^So a day reads Tue Mar 4, /)).toBeVisible();
  await page.goto('/orders');
  await expect(due).toContainText(/[A-Z][a-z]{2} [A-Z][a-z]{2} \d+, 4:00 pm/);
  await page.goto('/shop/writing');
  await own.getByLabel('Order of day and month').selectOption('');
  await page.goto('/orders');
  await expect(due).toContainText(/\d+ [A-Z][a-z]{2}, 4:00 pm/);
});

test('a device far away reads and types days and hours by the clock of the shop', async ({
  browser,
  baseURL,
}) => {
  // an hour that no shop of ours has: three quarters off every full hour
  const context = await browser.newContext({ baseURL, locale: 'en-GB', timezoneId: 'Pacific/Chatham' });
  const page = await context.newPage();
  await page.goto('/orders');
  await expect(page.getByRole('row', { name: /K-219/ })).toContainText(', 16:00');
  const { orderId } = await openLine(page.request, 'Lantern');
  await page.goto(`/orders/${orderId}/edit`);
  await expect(page.getByText(/^By the clock of (?!Pacific)/)).toBeVisible();
  const due = page.getByRole('group', { name: 'Due' });
  await expect(due.getByRole('spinbutton', { name: 'Hours' })).toHaveText('16');
  await due.getByRole('spinbutton', { name: 'Hours' }).click();
  await page.keyboard.type('0930');
  await page.getByRole('button', { name: 'Save the order' }).click();
  await expect(page.getByRole('row', { name: /K-219/ })).toContainText(', 09:30');
  // by the page: a connection of the journey’s own, idle for some seconds, may just be closing
  const { dueAt, timeZone } = await page.evaluate(async (id) => {
    const read = async (path: string): Promise<unknown> => (await fetch(`/api/v1${path}`)).json();
    const order = (await read(`/orders/${id}`)) as { dueAt: string };
    const hours = (await read('/plan/calendar')) as { document: { zone: string } };
    return { dueAt: order.dueAt, timeZone: hours.document.zone };
  }, orderId);
  expect(new Date(dueAt).toLocaleTimeString('en-GB', { timeZone })).toBe('09:30:00');
  await context.close();
});

test('an order is cancelled and the cancellation taken back', async ({ page }) => {
  await page.goto('/orders?search=Lantern');
  await page.getByRole('row').filter({ hasText: 'Lantern Parade' }).click();
  await page.getByRole('button', { name: 'Cancel order' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/is open again/)).toBeVisible();
  await expect(
    page
      .getByRole('region', { name: /^Order K-/ })
      .getByText('ready')
      .first(),
  ).toBeVisible();
});

for (const width of [390, 1920]) {
  test(`the floor fits ${width} px: nothing scrolls sideways`, async ({ page }) => {
    await page.setViewportSize({ width, height: width === 390 ? 844 : 1080 });
    await page.goto('/floor');
    await expect(page.getByRole('region', { name: 'Next' })).toBeVisible();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
  });
}
