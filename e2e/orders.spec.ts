import type { Page } from '@playwright/test';
import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { choose, typeDue, discPng, openRoute, orderOverApi } from './shop.ts';

/** A new order with art on a blank, as far as the sizes. */
async function begin(page: Page, customer: string, blank: string, seed: number): Promise<void> {
  await page.goto('/orders/new');
  await page.getByLabel('Customer').fill(customer);
  await page
    .getByLabel('Artwork of line 1')
    .setInputFiles({ name: `disc-${seed}.png`, mimeType: 'image/png', buffer: discPng(seed) });
  await choose(page, 'Garment', blank);
}
const recommended = (page: Page) => page.getByText(/is recommended:/);

test('a cap has a cap’s places and processes, and a patch promised too soon is caught where it is promised', async ({
  page,
}) => {
  await begin(page, 'Breakwater Bowls Club', 'Pier cap', 51);
  await expect(page.getByLabel('Placement')).toHaveValue('cap-front');
  await page.getByLabel('Quantity, size One size').fill('6');
  await page.getByLabel('Printed width').fill('60');
  await expect(recommended(page)).toBeVisible();
  await expect(page.getByRole('list', { name: 'Left out' })).toContainText(
    'A cap does not lie flat on a platen.',
  );
  await page.getByRole('radio', { name: /^Film transfer on a patch/ }).check();
  const soon = new Date(Date.now() + 6 * 3_600_000);
  await typeDue(page, soon);
  await expect(page.getByText(/Promised too soon: a patched cap rests 24 h/)).toBeVisible();
  const later = new Date(soon.getTime() + 4 * 86_400_000);
  await typeDue(page, later);
  await expect(page.getByText(/Promised too soon/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Take in the order' }).click();
  await openRoute(page);
  await expect(page.locator('#operation-press-cap')).toContainText('Grey silicone mat');
  await expect(page.getByRole('row', { name: /^Rest before it leaves/ })).toContainText('24 h');
});

test('a date is promised in the order form, a night of rest counted', async ({ page }) => {
  await begin(page, 'Harbour Light Choir', 'Pier cap', 52);
  const panel = page.getByRole('region', { name: 'When it could be done' });
  await expect(panel).toContainText('As soon as every line has art and a number');
  await page.getByLabel('Quantity, size One size').fill('6');
  await page.getByLabel('Printed width').fill('60');
  await page.getByRole('radio', { name: /^Film transfer on a patch/ }).check();
  const between = panel.getByRole('row', { name: /^Between what is planned/ });
  await expect(between).toContainText('nothing');
  await expect(panel).toContainText('Nine times in ten');
  expect(await axeFindings(page)).toEqual([]);
  await between.getByRole('button', { name: 'Promise it' }).click();
  await expect(page.getByText(/Promised too soon/)).toHaveCount(0);
  // as promised it holds nine times in ten
  await expect(between).toContainText(/(9\d|100) %/);
  await page.getByRole('button', { name: 'Take in the order' }).click();
  await expect(page.getByRole('region', { name: /^Order K-/ })).toBeVisible();
  const answer = await page.request.get(`/api/v1${new URL(page.url()).pathname}`);
  const { dueAt } = (await answer.json()) as { dueAt: string };
  expect(Date.parse(dueAt) - Date.now()).toBeGreaterThan(24 * 3_600_000);
});

test('a line is done otherwise than the shop does, and its sizes get widths of their own', async ({
  page,
}) => {
  await begin(page, 'Tidewater Choir', 'Harbour tee', 52);
  for (const [size, count] of [
    ['S', '3'],
    ['XL', '2'],
  ] as const)
    await page.getByLabel(`Quantity, size ${size}`).fill(count);
  await page.getByRole('button', { name: 'Another width for some sizes' }).click();
  await page.getByLabel('Width, S', { exact: true }).fill('220 mm');
  await page.getByLabel('Width, XL', { exact: true }).fill('12 in');
  await page.getByRole('button', { name: 'Do something otherwise than the shop does' }).click();
  await page.getByLabel('Method of this line').selectOption({ label: 'Transfer: second press' });
  await page.getByLabel('Transfer: second press').selectOption({ label: 'None' });
  await expect(page.getByText(/edges may lift later/).first()).toBeVisible();
  await expect(recommended(page)).toBeVisible();
  await page.getByRole('radio', { name: /^Film transfer \(DTF\)/ }).check();
  await page.getByRole('button', { name: 'Take in the order' }).click();
  await openRoute(page);
  await expect(page.locator('#operation-press-transfer')).toBeVisible();
  await expect(page.locator('#operation-second-press')).toHaveCount(0);
  const placement = page.getByRole('region', { name: 'Placement' });
  await expect(placement.getByRole('row', { name: /^S 3/ })).toContainText(/198/); // the disc is nine tenths of its file
  await expect(placement.getByRole('row', { name: /^XL 2/ })).toContainText(/27[34]/);

  // what was chosen for the line is still there when the order is changed
  await page.getByRole('link', { name: 'Order', exact: true }).click();
  await page.getByRole('button', { name: 'Edit' }).click();
  await expect(page.getByLabel('Transfer: second press')).toHaveValue('none');
  await page.getByRole('button', { name: 'As the shop again' }).click();
  await page.getByRole('button', { name: 'Save the order' }).click();
  await openRoute(page);
  await expect(page.locator('#operation-second-press')).toBeVisible();
});

test('a machine is taken out of use: the lines that need it say so, and it is put back', async ({ page }) => {
  await begin(page, 'Regatta Juniors', 'Canvas tote', 53);
  await page.getByLabel('Quantity, size One size').fill('4');
  await expect(recommended(page)).toBeVisible();
  await page.getByRole('radio', { name: /^Film transfer \(DTF\)/ }).check();
  await page.getByRole('button', { name: 'Take in the order' }).click();
  await expect(page.getByRole('button', { name: 'Start on the floor' })).toBeVisible();
  await page.goto('/shop/machines');
  await page.getByRole('row', { name: /^Film printer/ }).click();
  await page.getByRole('button', { name: 'Take out of use' }).click();
  const changes = page.getByRole('status', { name: 'What changed in the routes' });
  await expect(changes).toContainText('Regatta Juniors');
  await expect(changes).toContainText('No film printer is set up.');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('“Film printer” is back in use')).toBeVisible();
  await expect(changes.getByText('No film printer is set up.')).toHaveCount(0);
  await expect(changes).toContainText('Regatta Juniors'); // though its route be the one it had: it can be made again
});

test('a record that someone else changed meanwhile says so, after a reload too; nothing of theirs vanishes unseen', async ({
  page,
  request,
}) => {
  await page.goto('/shop/materials');
  await page.getByRole('row', { name: /^Amber heat tape/ }).click();
  const form = page.getByRole('form', { name: 'Change Amber heat tape' });
  await form.getByLabel('In stock').fill('7');
  const read = async () => {
    const answer = (await (await request.get('/api/v1/catalogue')).json()) as {
      materials: { id: string; name: string; version: number; stock: number; lot: string; learnt: unknown }[];
    };
    const {
      id,
      version,
      learnt: _learnt,
      ...record
    } = answer.materials.find(({ name }) => name === 'Amber heat tape')!;
    return { id, version, record };
  };
  const { id, version, record } = await read();
  const theirs = await request.put(`/api/v1/shop/materials/${id}`, {
    data: { version, record: { ...record, lot: 'FE-32' } },
  });
  expect(theirs.status()).toBe(200);
  await page.reload();
  await expect(form.getByLabel('In stock')).toHaveValue('7');
  await expect(form.getByText('was changed by somebody else after you began')).toBeVisible();
  await form.getByRole('button', { name: 'Save the changes' }).click();
  await expect(form.getByRole('alert').last()).toContainText('Someone changed “Amber heat tape” meanwhile.');
  await expect(form.getByLabel('In stock')).toHaveValue('7');
  expect((await read()).record).toMatchObject({ stock: record.stock, lot: 'FE-32' });
  await form.getByRole('button', { name: 'Start again from theirs' }).click();
  await expect(form.getByLabel('Lot')).toHaveValue('FE-32');
  await form.getByLabel('In stock').fill('7');
  await form.getByRole('button', { name: 'Save the changes' }).click();
  await expect(page.getByText('“Amber heat tape” is changed')).toBeVisible();
  expect((await read()).record).toMatchObject({ stock: 7, lot: 'FE-32' });
});

interface OrderRead {
  id: string;
  version: number;
  customer: string;
  dueAt: string;
  note: string;
  lines: { id: string; version: number; prints: { widthMm: number }[] }[];
}

test('an order that someone else changed meanwhile says so, after a reload too: theirs stays until mine is chosen', async ({
  page,
  request,
}) => {
  const { code } = await orderOverApi(request, 61, 2);
  const read = async (): Promise<OrderRead> => {
    const found = (await (await request.get(`/api/v1/orders?search=${code}`)).json()) as {
      items: { id: string }[];
    };
    return (await (await request.get(`/api/v1/orders/${found.items[0]?.id ?? ''}`)).json()) as OrderRead;
  };
  const before = await read();
  await page.goto(`/orders/${before.id}/edit`);
  await page.getByLabel('Note').fill('fold in three');
  // a colleague cancels the order and takes that back: another version of it
  const theirs = await request.post(`/api/v1/orders/${before.id}/cancel`, {
    data: { version: before.version },
  });
  expect(theirs.status()).toBe(200);
  const back = await request.post(`/api/v1/orders/${before.id}/restore`, {
    data: { version: (await read()).version },
  });
  expect(back.status()).toBe(200);
  await page.reload();
  await expect(page.getByLabel('Note')).toHaveValue('fold in three');
  await expect(page.getByText(`${code} was changed by somebody else after you began`)).toBeVisible();
  await page.getByRole('button', { name: 'Save the order' }).click();
  await expect(page.getByRole('alert').last()).toContainText('meanwhile');
  expect((await read()).note).toBe('');
  await page.getByRole('button', { name: 'Go on with mine' }).click();
  await page.getByRole('button', { name: 'Save the order' }).click();
  await expect(page.getByRole('region', { name: `Order ${code}` })).toBeVisible();
  expect((await read()).note).toBe('fold in three');
});

test('a quote is given, keeps its sum when the order grows, and is accepted by name', async ({
  page,
  request,
}) => {
  const { code } = await orderOverApi(request, 62, 3);
  await page.goto(`/orders?search=${code}`);
  await page.getByRole('row').filter({ hasText: code }).click();
  const quotes = page.getByRole('region', { name: 'Quotes' });
  const draft = quotes.getByText(/Draft/).first();
  await expect(draft).toContainText(/\d/);
  const sum = (await draft.locator('strong').innerText()).trim();
  await quotes.getByLabel('Good for, days').fill('0');
  await quotes.getByRole('button', { name: 'Give this quote' }).click();
  await expect(quotes.getByText('“Good for, days” must be at least 1, but 0 was given.')).toBeVisible();
  await quotes.getByLabel('Good for, days').fill('10');
  await quotes.getByRole('button', { name: 'Give this quote' }).click();
  const given = quotes.getByRole('listitem');
  await expect(given).toContainText(sum);
  await expect(given).toContainText('good until');

  await page.getByRole('button', { name: 'Edit' }).click();
  await page.getByLabel('Quantity, size M').fill('30');
  await page.getByRole('button', { name: 'Save the order' }).click();
  await expect(draft.locator('strong')).not.toHaveText(sum);
  await expect(given).toContainText(sum);

  await given.getByRole('button', { name: 'The customer said yes' }).click();
  await quotes.getByRole('button', { name: 'Note it' }).click();
  await expect(quotes.getByText('Who said yes? The name is kept with the quote.')).toBeVisible();
  await quotes.getByLabel('Who said yes').fill('Maren Ackersby');
  await page.keyboard.press('Enter');
  await expect(given).toContainText('accepted');
  await expect(given).toContainText('Maren Ackersby');
  await expect(given.getByRole('button', { name: 'The customer said yes' })).toHaveCount(0);
});
