import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { expect, test } from './journey.ts';
import { discPng, openRoute, orderOverApi } from './shop.ts';

/** The text a downloaded file begins with. */
async function downloaded(page: Page, click: () => Promise<void>): Promise<{ name: string; head: string }> {
  const download = page.waitForEvent('download');
  await click();
  const file = await download;
  return {
    name: file.suggestedFilename(),
    head: (await readFile(await file.path())).toString('latin1', 0, 200),
  };
}

test('a blank of a new fabric is added, ordered, compared, quoted and printed out as a run sheet', async ({
  page,
}) => {
  await page.goto('/orders/new');
  await page.getByLabel('Customer').fill('Lantern Parade Stewards');
  await page.getByRole('combobox', { name: 'Garment', exact: true }).fill('Lantern zip fleece');
  await page.getByRole('option', { name: 'Add “Lantern zip fleece” to the blanks' }).click();
  const form = page.getByRole('form', { name: 'New blank' });
  await expect(form.getByLabel('Name', { exact: true })).toHaveValue('Lantern zip fleece');
  await form.getByLabel('Maker', { exact: true }).fill('Northquay');
  await form.getByLabel('Kind').selectOption({ label: 'Hooded sweatshirt' });
  await form.getByLabel('Cotton').fill('60');
  await form.getByLabel('Polyester').fill('45');
  await form.getByLabel('Elastane').fill('5');
  for (const none of ['Nylon', 'Unknown fibre']) await form.getByLabel(none).fill('0');
  await form.getByLabel('Made').selectOption({ label: 'fleece' });
  await form.getByLabel('Mass').fill('280');
  await form.getByRole('checkbox', { name: 'zip' }).check();
  await form.getByRole('checkbox', { name: 'hood' }).check();
  const colour = form.getByRole('group', { name: 'Colours, 1' });
  await colour.getByLabel('Colour', { exact: true }).fill('Burgundy');
  await colour.getByLabel('Hex').fill('#5e1a2b');
  for (const size of [1, 2, 3, 4, 5])
    await form
      .getByRole('group', { name: `Sizes, ${size}` })
      .getByLabel('Price')
      .fill(`${18 + size}.50`);
  // what is wrong is said, and nothing typed is lost
  await form.getByRole('button', { name: 'Add the blank' }).click();
  await expect(form.getByRole('alert').last()).toContainText(
    'The fibres make 110 % together; they must make 100 %.',
  );
  await form.getByLabel('Polyester').fill('35');
  await expect(form.getByText('Fibres together 100 %.')).toBeVisible();
  await form.getByRole('button', { name: 'Add the blank' }).click();
  await expect(page.getByText('“Lantern zip fleece” is in the blanks now.')).toBeVisible();

  // the order, which was not left: 37 in five sizes; a zip is not printed through
  await expect(page.getByLabel('Customer')).toHaveValue('Lantern Parade Stewards');
  await expect(page.getByRole('combobox', { name: 'Garment', exact: true })).toHaveValue(
    'Lantern zip fleece',
  );
  await page
    .getByLabel('Artwork of line 1')
    .setInputFiles({ name: 'stewards.png', mimeType: 'image/png', buffer: discPng(31) });
  await expect(page.getByText('60 % cotton, 35 % polyester, 5 % elastane, 280 g/m²')).toBeVisible();
  for (const [size, count] of [
    ['S', '5'],
    ['M', '12'],
    ['L', '11'],
    ['XL', '6'],
    ['XXL', '3'],
  ] as const)
    await page.getByLabel(`Quantity, size ${size}`).fill(count);
  await expect(page.getByText('37 pieces')).toBeVisible();
  await expect(page.getByText(/The zip runs through the print/).first()).toBeVisible();
  await page.getByLabel('Placement').selectOption({ label: 'Left chest' });
  await expect(page.getByText(/The zip runs through the print/)).toHaveCount(0);
  const comparison = page.getByRole('region', { name: 'Processes side by side' });
  await expect(comparison.getByRole('row')).not.toHaveCount(1);
  await expect(page.getByText(/is recommended:/)).toBeVisible();
  await expect(page.getByRole('list', { name: 'Left out' })).toContainText('This ink has no white');
  await page.getByRole('radio', { name: /^Film transfer \(DTF\)/ }).check();
  await page.getByRole('button', { name: 'Take in the order' }).click();

  // the route
  await openRoute(page);
  await expect(page.getByText('60 % cotton, 35 % polyester, 5 % elastane, 37 pieces')).toBeVisible();
  const plate = page.locator('#operation-press-transfer').getByRole('button', { name: /^Plate/ });
  await plate.focus();
  await page.keyboard.press('Enter');
  const why = page.getByRole('complementary', { name: 'Why Plate' });
  await expect(why.getByText(/A blend lies between/)).toBeVisible();
  await expect(why.getByText(/elastane loses its stretch/).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(why).toBeHidden();
  await expect(plate).toBeFocused();
  const placement = page.getByRole('region', { name: 'Placement' });
  await expect(placement.getByRole('row')).toHaveCount(6);
  await expect(placement).toContainText('Pillow under the print');

  // quote and run sheet
  const cost = page.getByRole('region', { name: 'Time and cost' });
  await cost.getByRole('button', { name: /^Quote/ }).click();
  await expect(cost.getByText(/^Cost over one minus the margin of 40 %/)).toContainText('5 % off');
  const quote = await downloaded(page, () =>
    cost.getByRole('link', { name: 'Draft of the quote, A4' }).click(),
  );
  expect(quote.name).toMatch(/^K-\d+-quote-draft\.pdf$/);
  expect(quote.head).toContain('%PDF-');
  const sheet = await downloaded(page, () => cost.getByRole('link', { name: 'Letter' }).first().click());
  expect(sheet.name).toMatch(/^K-\d+-run-sheet\.pdf$/);
  expect(sheet.head).toContain('%PDF-');
});

test('the house goes from cold to hot peel: drafts follow and say so, what is on the floor stays, and it is taken back', async ({
  page,
  request,
}) => {
  const draft = await orderOverApi(request, 41, 3);
  const onFloor = await orderOverApi(request, 42, 2);
  await request.post('/api/v1/runs', { data: { lineIds: [onFloor.lineId], by: 'Ines' } });
  await page.goto('/shop/methods');
  const peel = page.getByRole('group', { name: 'Film: peel' });
  await peel.getByRole('radio', { name: /^Hot/ }).check();
  const changes = page.getByRole('status', { name: 'What changed in the routes' });
  await expect(changes).toContainText(/routes were planned anew/);
  await expect(changes).toContainText(draft.code);
  await expect(changes).not.toContainText(onFloor.code);
  await expect(changes.getByText('Peel cold').first()).toBeVisible();
  await changes.getByRole('link', { name: new RegExp(`^${draft.code}`) }).click();
  await expect(page.locator('#operation-peel')).toContainText('Peel hot');
  await page.getByRole('region', { name: 'Versions' }).getByRole('button', { name: 'compare' }).click();
  await expect(page.getByRole('region', { name: 'From version 1 to 2' })).toContainText('Peel cold');
  await page.goto(`/route/${onFloor.lineId}`);
  await expect(page.locator('#operation-peel')).toContainText('Peel cold');

  await page.goto('/shop/methods');
  await peel.getByRole('radio', { name: /^Cold/ }).check();
  await expect(changes).toContainText(draft.code);
  await page.goto(`/route/${draft.lineId}`);
  await expect(page.locator('#operation-peel')).toContainText('Peel cold');
});

test('a value is tried live, a proven route is copied, and both are taken back', async ({
  page,
  request,
}) => {
  const { lineId } = await orderOverApi(request, 43, 4);
  await page.goto(`/route/${lineId}`);
  const cost = page.getByRole('region', { name: 'Time and cost' });
  const elapsed = cost.getByRole('row', { name: /^Elapsed/ });
  await expect(elapsed).toBeVisible();
  const before = await elapsed.innerText();
  await page
    .locator('#operation-press-transfer')
    .getByRole('button', { name: /^Dwell/ })
    .click();
  await page.getByLabel('Your value').fill('2:00');
  await expect(elapsed).not.toHaveText(before);
  await expect(page.getByRole('status', { name: 'Conflicts' })).toContainText('over');
  await page.getByLabel('Your value').fill('10 min');
  await page
    .getByRole('form', { name: 'Values being tried' })
    .getByRole('button', { name: 'As it was' })
    .click();
  await expect(elapsed).toHaveText(before);

  const copy = page.getByRole('region', { name: 'Copy from a proven line' });
  await copy.getByRole('button').first().click();
  await expect(copy.getByRole('status')).toContainText(/same settings|being tried/);
});

test('a list goes out as a table, and in again: bad rows by line, then what would change, then changed', async ({
  page,
  request,
}) => {
  await page.goto('/shop/machines');
  await page.getByText('In and out as a file').click();
  const csv = await (await request.get('/api/v1/shop/export?list=machines&format=csv')).text();
  const choose = (name: string, text: string): Promise<void> =>
    page
      .getByLabel('Import a CSV or JSON file')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  const lines = csv.split('\r\n');
  const at = lines.findIndex((line) => line.startsWith('rack,'));
  await choose(
    'bad.csv',
    lines.map((line, i) => (i === at ? line.replace('40', 'forty') : line)).join('\r\n'),
  );
  await expect(page.getByRole('row', { name: new RegExp(`^${at + 1} Tall rack ■ refused`) })).toContainText(
    'must be a number',
  );
  await choose('good.csv', lines.map((line, i) => (i === at ? line.replace('40', '44') : line)).join('\r\n'));
  await expect(page.getByRole('row', { name: /Tall rack ◐ changed/ })).toContainText('Places: 40 → 44');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByText('good.csv is in: 1 record written.')).toBeVisible();
});
