import { expect, test } from '@playwright/test';
import type { APIRequestContext, Page } from '@playwright/test';
import { discPng, orderOverApi } from './shop.ts';

/** A new order with art on a blank, its quantity written, ready for a process. */
async function begin(page: Page, own: { customer: string; blank: string; seed: number; size: string }) {
  await page.goto('/orders/new');
  await page.getByLabel('Customer').fill(own.customer);
  await page
    .getByLabel('Artwork of line 1')
    .setInputFiles({ name: `disc-${own.seed}.png`, mimeType: 'image/png', buffer: discPng(own.seed) });
  await page.getByLabel('Garment', { exact: true }).selectOption({ label: own.blank });
  await page.getByLabel(`Quantity, size ${own.size}`).fill('12');
}
const leftOut = (page: Page) => page.getByRole('list', { name: 'Left out' });
const takeIn = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Take in the order' }).click();
  await page
    .getByRole('region', { name: /^Order K-/ })
    .getByRole('link', { name: /^Route, version/ })
    .click();
};

test('a nylon jacket is pressed cool, after a bond test, and never printed direct', async ({ page }) => {
  await begin(page, { customer: 'Squall Sailing School', blank: 'Squall jacket', seed: 61, size: 'M' });
  await page.getByLabel('Placement').selectOption({ label: 'Left chest' });
  await expect(leftOut(page)).toContainText('Direct ink does not hold on nylon.');
  await page.getByRole('radio', { name: /^Film transfer \(DTF\)/ }).check();
  await takeIn(page);
  await expect(page.locator('#operation-bond-test')).toContainText('whether glue holds on nylon');
  const press = page.locator('#operation-press-transfer');
  await press.getByRole('button', { name: /^Plate/ }).click();
  const why = page.getByRole('complementary', { name: 'Why Plate' });
  await expect(why.getByText(/nylon shrinks and shines when hotter/)).toBeVisible();
  await why.getByLabel('Your value').fill('160');
  await expect(page.getByRole('status', { name: 'Conflicts' })).toContainText('nylon shrinks and shines');
});

test('a line says what it is made with and why, and another film can be chosen and given up again', async ({
  page,
}) => {
  const { lineId } = await orderOverApi(page.request, 62, 6);
  await page.goto(`/route/${lineId}`);
  const made = page.getByRole('region', { name: 'Made with, full front' });
  await expect(made).toContainText('It fits, and stands first in the shop’s order of those that do.');
  await made.getByRole('combobox', { name: 'Film' }).click();
  await page.getByRole('option', { name: /^Scree Quick Hot 75/ }).click();
  await made.getByRole('button', { name: 'Plan with it' }).click();
  await expect(made.getByRole('alert')).toContainText('both are kept with the route');
  await made.getByLabel('Who').fill('Ines');
  await made.getByLabel('Why').fill('no table free today');
  await made.getByRole('button', { name: 'Plan with it' }).click();
  await expect(made).toContainText('Chosen by Ines: no table free today');
  await expect(page.locator('#operation-peel')).toContainText('Peel hot');
  await made.getByRole('button', { name: 'What fits best' }).click();
  await expect(page.locator('#operation-peel')).toContainText('Peel cold');
});

test('one press for hovering and for polyester is changed over, and the minutes count', async ({ page }) => {
  await begin(page, { customer: 'Lime Kite Crew', blank: 'Marker bib', seed: 63, size: 'One size' });
  await page.getByRole('button', { name: 'Do something otherwise than the shop does' }).click();
  await page.getByLabel('Method of this line').selectOption({ label: 'Powder: melted by' });
  await page.getByLabel('Powder: melted by').selectOption({ label: 'Press held above' });
  await page.getByRole('radio', { name: /^Film transfer \(DTF\)/ }).check();
  await takeIn(page);
  const change = page.locator('#operation-change-heat');
  await expect(change).toContainText('Let the press cool down');
  await expect(change).toContainText(/from 162\s°C to 135\s°C, for the whole line at once/);
  await expect(change.locator('.times')).toContainText('11 min'); // 27 degrees at 2.5 a minute
});

interface Machine {
  id: string;
  kind: string;
  version: number;
}
const machines = async (request: APIRequestContext): Promise<Machine[]> =>
  ((await (await request.get('/api/v1/catalogue')).json()) as { machines: Machine[] }).machines;

test('a shop with nothing but presses presses a supplier’s transfers on caps', async ({ page }) => {
  const { request } = page;
  const away = (await machines(request)).filter(({ kind }) => kind === 'printer');
  for (const { id, version } of away)
    await request.post(`/api/v1/shop/machines/${id}/retire`, { data: { version } });
  try {
    await begin(page, { customer: 'Pier Anglers', blank: 'Pier cap', seed: 64, size: 'One size' });
    await page.getByLabel('Printed width').fill('60');
    await expect(page.getByText(/Bought-in transfers is recommended:/)).toBeVisible();
    await expect(leftOut(page)).toContainText('No film printer is set up.');
    await takeIn(page);
    const made = page.getByRole('region', { name: 'Made with, cap front' });
    await expect(made).toContainText('Ledge low-heat transfers');
    await expect(made).toContainText('Not Quarry ganged transfers: says nothing for caps on its sheet');
    await expect(page.locator('#operation-press-cap')).toContainText(/Upper plate\s*13[2-9]\s°C/);
    await expect(page.locator('#operation-peel')).toContainText('Rub down with a cloth');
  } finally {
    for (const { id, version } of away)
      await request.post(`/api/v1/shop/machines/${id}/restore`, { data: { version: version + 1 } });
  }
});
