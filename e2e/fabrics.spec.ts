import type { APIRequestContext, Page } from '@playwright/test';
import { expect, test } from './journey.ts';
import { choose, unfold, discPng, openRoute, orderOverApi } from './shop.ts';

/** A new order with art on a blank, its quantity written, ready for a process. */
async function begin(page: Page, own: { customer: string; blank: string; seed: number; size: string }) {
  await page.goto('/orders/new');
  await page.getByLabel('Customer').fill(own.customer);
  await page
    .getByLabel('Artwork of line 1')
    .setInputFiles({ name: `disc-${own.seed}.png`, mimeType: 'image/png', buffer: discPng(own.seed) });
  await choose(page, 'Garment', own.blank);
  await page.getByLabel(`Quantity, size ${own.size}`).fill('12');
}
const leftOut = (page: Page) => page.getByRole('list', { name: 'Left out' });
const takeIn = async (page: Page): Promise<void> => {
  await page.getByRole('button', { name: 'Take in the order' }).click();
  await openRoute(page);
};

test('a nylon jacket is pressed cool, after a bond test, and never printed direct', async ({ page }) => {
  await begin(page, { customer: 'Squall Sailing School', blank: 'Squall jacket', seed: 61, size: 'M' });
  await page.getByLabel('Placement').selectOption({ label: 'Left chest' });
  await expect(leftOut(page)).toContainText('Direct ink does not hold on nylon.');
  await page.getByRole('radio', { name: /^Film transfer \(DTF\)/ }).check();
  await takeIn(page);
  await unfold(page.locator('#operation-bond-test'));
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
  await expect(made.getByText('Why? It is kept with the route.')).toBeVisible();
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
  await unfold(change);
  await expect(change).toContainText('Let the press cool down');
  await expect(change).toContainText(/from 162\s°C to 135\s°C, for the whole line at once/);
  await expect(change.getByLabel('How long')).toContainText('11 min'); // 27 degrees at 2.5 a minute
});

interface Machine {
  id: string;
  kind: string;
  version: number;
}
const machines = async (request: APIRequestContext): Promise<Machine[]> =>
  ((await (await request.get('/api/v1/catalogue')).json()) as { machines: Machine[] }).machines;

test('a shop with nothing but presses presses a supplier’s transfers on caps and on patches for them', async ({
  page,
}) => {
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
    await unfold(page.locator('#operation-peel'));
    await expect(page.locator('#operation-peel')).toContainText('Rub down with a cloth');

    // the same on patches: nothing is printed here, and an iron and the cap press do the rest
    await begin(page, { customer: 'Pier Wardens', blank: 'Pier cap', seed: 65, size: 'One size' });
    await page.getByLabel('Printed width').fill('60');
    await page.getByRole('radio', { name: /^Film transfer on a patch/ }).check();
    await takeIn(page);
    await expect(page.locator('#operation-trim')).toContainText('Count the transfers');
    await unfold(page.locator('#operation-tack-transfer'));
    await expect(page.locator('#operation-tack-transfer')).toContainText('Iron on the carrier film only');
    await expect(page.locator('#operation-press-cap')).toContainText(/Upper plate\s*13[5-9]\s°C/);
    await expect(page.locator('#operation-print-film')).toHaveCount(0);
    await expect(made).toContainText('Ledge low-heat transfers');
  } finally {
    for (const { id, version } of away)
      await request.post(`/api/v1/shop/machines/${id}/restore`, { data: { version: version + 1 } });
  }
});

test('a tee bought pretreated is pressed shortly by its sheet and printed, and nothing is sprayed', async ({
  page,
}) => {
  await begin(page, { customer: 'Ebb Street Gym', blank: 'Harbour tee, primed', seed: 66, size: 'M' });
  await page.getByRole('radio', { name: /^Direct print/ }).check();
  await takeIn(page);
  await expect(page.locator('#operation-pretreat')).toHaveCount(0);
  await expect(page.locator('#operation-dry-pretreatment')).toHaveCount(0);
  const press = page.locator('#operation-pre-press');
  await unfold(press);
  await expect(press).toContainText('Press the pretreated blank');
  await expect(press).toContainText('it keeps 270 days');
  await press.getByRole('button', { name: /^Dwell/ }).click();
  const why = page.getByRole('complementary', { name: 'Why Dwell' });
  await expect(why).toContainText(/Tarn & Fell mill primer asks for 6 to 10\s*s/);
  await expect(page.getByRole('region', { name: 'Before the first piece' })).toContainText(
    /Press A to 1\d\d\s°C/,
  );
  await expect(page.getByRole('region', { name: 'Time and cost' })).not.toContainText('Fen Primer');
});

test('a transfer that lies on the shelf is entered, found for its art alone, and pressed by its own sheet', async ({
  page,
}) => {
  await page.goto('/shop/materials');
  await page.getByRole('button', { name: 'New material' }).click();
  await page.getByLabel('What kind of material').selectOption({ label: 'shelf transfer' });
  const form = page.getByRole('form', { name: 'New material' });
  const fill = (label: string, value: string) => form.getByLabel(label, { exact: true }).fill(value);
  await fill('Name', 'Disc, ready');
  await fill('Artwork', 'disc-67.png');
  await fill('Print, wide', '252'); // nine tenths of the file are inked, and it is printed 280 mm wide
  await fill('Press from', '146');
  await fill('Press to', '154');
  await fill('Dwell from', '11');
  await fill('Dwell to', '14');
  await fill('Pressure', '40');
  await fill('Second press', '8');
  await fill('Price each', '1.20');
  await fill('In stock (optional)', '12');
  await form.getByRole('button', { name: 'Add the material' }).click();
  await expect(page.getByText('“Disc, ready” is added')).toBeVisible();

  await begin(page, { customer: 'Ebb Street Gym', blank: 'Harbour tee', seed: 68, size: 'M' });
  await expect(leftOut(page)).toContainText('No transfer of this artwork on the shelf is set up.');
  await begin(page, { customer: 'Ebb Street Gym', blank: 'Harbour tee', seed: 67, size: 'M' });
  await page.getByRole('radio', { name: /^Transfers from the shelf/ }).check();
  await takeIn(page);
  await expect(page.locator('#operation-trim')).toContainText('Take the transfers off the shelf');
  await expect(page.locator('#operation-press-transfer')).toContainText(/Plate\s*15\d\s°C/);
  await expect(page.locator('#operation-print-film')).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Time and cost' })).toContainText('Disc, ready');
});
