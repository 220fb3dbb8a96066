import { expect, test } from './journey.ts';
import { FILM_STEPS, choose, drawPng, discPng, finishStep, nextTitle, tabTo } from './shop.ts';

test('a PNG becomes a logged result: order, artwork, route, floor with weigh-in, ledger', async ({
  page,
  request,
}) => {
  await page.goto('/');
  await page.getByLabel('Your name').fill('Wanjiru');
  await page.getByRole('link', { name: 'New order' }).click();

  // the order
  await page.getByLabel('Customer').fill('Walk of the Terns');
  await page
    .getByLabel('Artwork of line 1')
    .setInputFiles({ name: 'terns.png', mimeType: 'image/png', buffer: discPng(1) });
  await expect(page.getByRole('img', { name: 'terns.png' })).toBeVisible();
  await choose(page, 'Garment', 'Harbour tee');
  await choose(page, 'Colour', 'Navy (dark)');
  await page.getByLabel('Quantity, size M').fill('1');
  await page.getByLabel('Printed width').fill('8 in');
  await expect(page.getByText('203 mm')).toBeHidden();
  await expect(page.getByRole('region', { name: 'Processes side by side' })).toBeVisible();
  await page.getByRole('radio', { name: /^Direct print/ }).check();
  await page.getByRole('button', { name: 'Take in the order' }).click();

  // its ticket
  const ticket = page.getByRole('region', { name: /^Order K-/ });
  await expect(ticket.getByText('203 mm wide')).toBeVisible();
  await expect(ticket.getByRole('button', { name: 'Start on the floor' })).toBeVisible();

  // the artwork
  await ticket.getByRole('link', { name: 'Look at the artwork' }).click();
  await expect(page.getByRole('list', { name: 'Findings' }).getByText('225 pixels per inch')).toBeVisible();
  await page.keyboard.press('w');
  await expect(page.getByRole('button', { name: 'White w' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('tab', { name: 'Figures' }).click();
  await expect(page.getByRole('row', { name: /^Pretreatment/ })).toContainText('130 g/m²');

  // the route, with a person's own value
  await page.getByRole('link', { name: 'Route', exact: true }).last().click();
  await expect(page.getByRole('img', { name: /Commanded temperatures/ })).toBeVisible();
  await expect(page.getByText('By the model:')).toBeVisible();
  await page
    .locator('#operation-cure')
    .getByRole('button', { name: /^Plate/ })
    .click();
  const why = page.getByRole('complementary', { name: 'Why Plate' });
  await expect(why.getByText('Maker’s sheet')).toBeVisible();
  await why.getByLabel('Your value').fill('330 F');
  const tried = page.getByRole('form', { name: 'Values being tried' });
  await tried.getByLabel('Why').fill('press B runs cool');
  await tried.getByRole('button', { name: 'Plan with this value' }).click();
  await expect(page.getByRole('button', { name: /^Version 2/ })).toBeVisible();
  await expect(
    page.locator('#operation-cure').getByRole('button', { name: /^Plate.*166.*changed/ }),
  ).toBeVisible();

  // the floor
  await page.getByRole('button', { name: 'Start on the floor' }).click();
  await finishStep(page, 'Pre-press the blank');
  await expect(nextTitle(page)).toHaveText('Pretreat and weigh');
  await request.post('/api/v1/devices/scale/drive', { data: { target: 184 } });
  await expect(page.getByRole('group', { name: 'Weigh in' }).getByText(/18[34]\.\d/)).toBeVisible();
  await page.getByRole('button', { name: 'Take the weight before' }).click();
  await request.post('/api/v1/devices/scale/drive', { data: { target: 190 } });
  await expect(page.getByText('● right amount')).toBeVisible();
  await page.getByRole('button', { name: 'Take the weight after' }).click();
  await finishStep(page, 'Pretreat and weigh');
  await finishStep(page, 'Dry the pretreatment');
  await finishStep(page, 'Load and print');
  await finishStep(page, 'Cure the print');
  await expect(nextTitle(page)).toHaveText('Inspect the piece');
  await page.getByRole('button', { name: '■ Scrap' }).click();
  await page.getByRole('button', { name: 'dull or fuzzy white' }).click();
  await page.getByLabel('Note (optional)').fill('sleeve <b>bold</b>');
  await page
    .getByLabel('Add a photo (optional)')
    .setInputFiles({ name: 'fault.png', mimeType: 'image/png', buffer: discPng(9) });
  await expect(page.getByText('● Photo kept')).toBeVisible();
  await page.getByRole('button', { name: 'Log as scrap' }).click();

  // the ledger, and from the fault back to the route as it was run
  await page.getByRole('link', { name: 'See it in the ledger' }).click();
  const row = page.getByRole('row').filter({ hasText: 'Walk of the Terns' });
  await expect(row).toContainText('dull or fuzzy white too little pretreatment');
  await expect(row).toContainText('sleeve <b>bold</b>');
  await expect(row).toContainText('Wanjiru');
  await row.getByRole('link', { name: 'Route, version 2' }).click();
  await expect(page.getByText('This route is being run')).toBeHidden();
  await expect(page.locator('#operation-cure').getByRole('button', { name: /166/ })).toBeVisible();
});

test('an order is taken in, its art mended, its route changed, run and logged with the keyboard alone', async ({
  page,
}) => {
  await page.goto('/orders');
  await expect(page.getByRole('grid')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page.getByLabel('Customer')).toBeFocused();
  await page.keyboard.type('Keys of the Quay');
  const chooser = page.waitForEvent('filechooser');
  await tabTo(page, 'Choose a file');
  await page.keyboard.press('Enter');
  await (await chooser).setFiles({ name: 'keys.png', mimeType: 'image/png', buffer: inBlackBox() });
  await expect(page.getByRole('img', { name: 'keys.png' })).toBeVisible();
  await tabTo(page, 'Garment');
  await page.keyboard.type('Mark');
  await page.keyboard.press('Enter');
  await tabTo(page, 'Quantity, size One size');
  await page.keyboard.type('1');
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('region', { name: /^Order K-/ }).getByText('Film transfer (DTF)'),
  ).toBeVisible();
  const detail = page.getByRole('region', { name: /^Order K-/ });
  await expect(detail.getByText('stops the print')).toBeVisible();
  await expect(detail.getByRole('button', { name: 'Start on the floor' })).toBeHidden();

  // the art: the black box goes
  await tabTo(page, 'Look at the artwork');
  await page.keyboard.press('Enter');
  const box = page.getByRole('list', { name: 'Findings' }).getByText('An opaque black box round the art');
  await expect(box).toBeVisible();
  await tabTo(page, 'Take #040404 out from the border in');
  await page.keyboard.press('Enter');
  await expect(box).toBeHidden();
  await tabTo(page, 'Keep for this print');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/is now on route version 2/)).toBeVisible();

  // the route: a value of one's own
  await tabTo(page, 'Route', 'Shift+Tab');
  await page.keyboard.press('Enter');
  await expect(page.locator('#operation-second-press')).toBeVisible();
  await tabTo(page, /^Dwell/);
  await page.keyboard.press('Enter');
  await tabTo(page, 'Your value');
  await page.keyboard.type('120');
  await tabTo(page, 'Who');
  await page.keyboard.type('Wanjiru');
  await tabTo(page, 'Why');
  await page.keyboard.type('thick powder');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Version 3/ })).toBeVisible();
  await tabTo(page, 'Start on the floor');
  await page.keyboard.press('Enter');

  for (const title of FILM_STEPS) {
    await expect(nextTitle(page)).toHaveText(title);
    const primary = page.getByRole('region', { name: 'Next' }).getByRole('button', { name: /Space/ });
    if (/^Start/.test(await primary.innerText())) {
      await page.keyboard.press('Space');
      await expect(primary).toHaveText(/^Done/);
    }
    await page.keyboard.press('Space');
  }
  await expect(nextTitle(page)).toHaveText('Inspect the piece');
  await page.keyboard.press('1');
  await expect(page.getByText('1 good, 0 reprinted, 0 scrapped.')).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('l');
  await expect(page.getByRole('row').filter({ hasText: 'Keys of the Quay' }).first()).toContainText('good');
});

/** A red disc in the black box that many files come in. */
const inBlackBox = (): Buffer =>
  drawPng(1800, 1500, (x, y) => (Math.hypot(x - 750, y - 750) < 375 ? [190, 30, 90, 255] : [4, 4, 4, 255]));
