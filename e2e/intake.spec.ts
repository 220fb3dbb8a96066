import type { Locator, Page } from '@playwright/test';
import { expect, test } from './journey.ts';
import { choose, discPng, drawPng, nextTitle } from './shop.ts';

/** A disc in the black box that many files come in, fine enough for a chest. */
const boxed = (seed: number): Buffer =>
  drawPng(1800, 1500, (x, y) =>
    Math.hypot(x - 750, y - 750) < 375 ? [190, 30 + seed, 90, 255] : [4, 4, 4, 255],
  );
const file = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/png', buffer });
const line = (page: Page, number: number): Locator => page.getByRole('region', { name: `Line ${number}` });
const detail = (page: Page): Locator => page.getByRole('region', { name: /^Order K-/ });

async function openForm(page: Page, customer: string): Promise<void> {
  await page.goto('/orders/new');
  await page.getByLabel('Customer').fill(customer);
}

test('art is judged as it is dropped, mended by one press, and the mend is priced', async ({ page }) => {
  await openForm(page, 'Night Ferry');
  await choose(page, 'Garment', 'Harbour tee');
  await choose(page, 'Colour', 'Navy (dark)');
  await page.getByLabel('Artwork of line 1').setInputFiles(file('ferry.png', boxed(1)));
  const told = page.getByRole('group', { name: 'What stands out in the art' });
  await expect(told.getByText('An opaque black box round the art')).toBeVisible();
  await expect(told.getByText('stops the print')).toBeVisible();
  await page.getByLabel('Quantity, size M').fill('12');
  await page.getByRole('radio', { name: /^Film transfer \(DTF\)/ }).check();
  await told.getByRole('button', { name: 'Take #040404 out from the border in' }).click();
  await expect(told.getByText('An opaque black box round the art')).toBeHidden();
  await expect(page.getByText(/^Mended, a piece costs €\s[\d.]+ instead of €\s[\d.]+/)).toBeVisible();
  await expect(page.getByRole('img', { name: 'ferry.png, mended' })).toBeVisible();

  // what was mended is kept over a reload, can be taken back, and goes with the order
  await page.reload();
  await told.getByRole('button', { name: 'Take the last back' }).click();
  await expect(told.getByText('stops the print')).toBeVisible();
  await told.getByRole('button', { name: 'Take #040404 out from the border in' }).click();
  await expect(told.getByText('stops the print')).toBeHidden();
  await page.getByRole('button', { name: 'Take in the order' }).click();
  await expect(detail(page).getByRole('button', { name: 'Start on the floor' })).toBeVisible();
  await expect(detail(page).getByText('Mended: take out #040404')).toBeVisible();
});

test('what stops the print keeps a line off the floor until it is overruled by name, which goes with it', async ({
  page,
}) => {
  await openForm(page, 'Black Sail Band');
  await choose(page, 'Garment', 'Harbour tee');
  await page.getByLabel('Artwork of line 1').setInputFiles(file('sail.png', boxed(2)));
  await page.getByLabel('Quantity, size M').fill('1');
  await page.getByRole('radio', { name: /^Film transfer \(DTF\)/ }).check();
  await page.getByRole('button', { name: 'Take in the order' }).click();
  await expect(detail(page).getByText('art to mend').first()).toBeVisible();
  await expect(detail(page).getByRole('button', { name: 'Start on the floor' })).toBeHidden();

  await detail(page).getByRole('button', { name: 'Print it as it is' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Print it as it is' }).click();
  await expect(dialog.getByText('Who are you? The name goes with the print.')).toBeVisible();
  await dialog.getByLabel('Who').fill('Ines');
  await dialog.getByLabel('Why').fill('the box is the sail');
  await page.keyboard.press('Enter');
  await expect(detail(page).getByText(/by word of Ines: “the box is the sail”/)).toBeVisible();

  // taken back it waits again; given again it can be started
  await detail(page).getByRole('button', { name: 'Take that back' }).click();
  await expect(detail(page).getByText('art to mend').first()).toBeVisible();
  await detail(page).getByRole('button', { name: 'Print it as it is' }).click();
  await dialog.getByLabel('Who').fill('Ines');
  await dialog.getByLabel('Why').fill('the box is the sail');
  await page.keyboard.press('Enter');
  await detail(page).getByRole('button', { name: 'Start on the floor' }).click();
  await expect(nextTitle(page)).toHaveText('Ready the film printer');
  for (let presses = 0; presses < 4 && (await nextTitle(page).innerText()) !== 'Print the film'; presses++)
    await page.keyboard.press('Space');
  await expect(
    page.getByText(/Printed as it is \(an opaque black box round the art\) by word of Ines/),
  ).toBeVisible();
});

test('several files become lines or prints as asked once; what is pasted goes where there is no art yet', async ({
  page,
}) => {
  await openForm(page, 'Three Buoys');
  await choose(page, 'Garment', 'Harbour tee');
  const discs = [21, 22, 23].map((seed) => file(`buoy-${seed}.png`, discPng(seed)));
  await page.getByLabel('Artwork of line 1').setInputFiles(discs);
  await page.getByRole('dialog').getByRole('button', { name: 'A line each' }).click();
  await expect(line(page, 3).getByRole('img', { name: 'buoy-23.png' })).toBeVisible();

  await page.getByRole('button', { name: 'Add a line' }).click();
  const bytes = [...discPng(24)];
  await page.evaluate((own) => {
    const clipboardData = new DataTransfer();
    clipboardData.items.add(new File([new Uint8Array(own)], 'pasted.png', { type: 'image/png' }));
    document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true }));
  }, bytes);
  await expect(line(page, 4).getByRole('img', { name: 'pasted.png' })).toBeVisible();

  await page.getByLabel('Artwork of line 4').setInputFiles(discs.slice(0, 2));
  await page.getByRole('dialog').getByRole('button', { name: 'Prints on one garment' }).click();
  await expect(line(page, 4).getByRole('img', { name: 'buoy-22.png' })).toBeVisible();
  await expect(line(page, 4).getByText('Print 2: back')).toBeVisible();
});

test('a whole order comes from a table with its art beside it: first what is wrong, then what it would be, then the order', async ({
  page,
}) => {
  await page.goto('/orders/new');
  await page.getByRole('button', { name: 'From a table' }).click();
  const dialog = page.getByRole('dialog');
  const table = (colour: string) => ({
    name: 'regatta.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      [
        'Customer;Due;Garment;Colour;Size;Quantity;Placement;Art',
        `Regatta Office;2032-03-01;Harbour tee;${colour};S;4;;course`,
        'Regatta Office;;Harbour tee;Navy;M;6;;course',
        'Regatta Office;;Harbour tee;Black;M;2;Left chest;badge.png',
      ].join('\r\n'),
    ),
  });
  await dialog
    .getByLabel('The table and its art')
    .setInputFiles([table('Mauve'), file('course.png', discPng(25))]);
  await expect(dialog.getByRole('row', { name: /^2 Harbour tee comes in .*not in “Mauve”/ })).toBeVisible();
  await expect(dialog.getByRole('button', { name: /^Fill the order/ })).toBeDisabled();
  await dialog.getByLabel('The table and its art').setInputFiles(table('Navy'));
  await expect(
    dialog.getByRole('row', { name: /Navy Harbour tee 4 × S, 6 × M .*● course.png/ }),
  ).toBeVisible();
  await expect(dialog.getByText(/one art file is not among those dropped/)).toBeVisible();
  await dialog.getByRole('button', { name: 'Fill the order with 2 lines' }).click();
  await expect(page.getByLabel('Customer')).toHaveValue('Regatta Office');
  await expect(line(page, 1).getByRole('img', { name: 'course.png' })).toBeVisible();
  await page.getByRole('button', { name: 'Take in the order' }).click();
  await expect(detail(page).getByText('4 × S, 6 × M')).toBeVisible();
  await expect(detail(page).getByText('needs art').first()).toBeVisible();
});
