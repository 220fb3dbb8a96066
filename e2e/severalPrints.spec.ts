import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { askedFor, choose, discPng, finishStep, nextTitle, untilAnother } from './shop.ts';

test('a front and a back on one shirt go from art to ledger, and a spare saves printing film again', async ({
  page,
}) => {
  await page.goto('/orders/new');
  await page.getByLabel('Customer').fill('Two Sides of the Pier');
  await choose(page, 'Garment', 'Harbour tee');
  await choose(page, 'Colour', 'White (light)');
  await page.getByLabel('Quantity, size M').fill('2');
  const art = (name: string, seed: number) => ({ name, mimeType: 'image/png', buffer: discPng(seed) });
  await page.getByLabel('Artwork of line 1', { exact: true }).setInputFiles(art('gull.png', 201));
  const front = page.getByRole('region', { name: 'Print 1' });
  await front.getByLabel('Placement').selectOption({ label: 'Left chest' });
  await expect(front.getByRole('region', { name: 'Processes side by side' })).toBeVisible();
  await front.getByRole('radio', { name: /^Direct print/ }).check();

  // the second side
  await page.getByRole('button', { name: 'Another print on the same garment' }).click();
  const back = page.getByRole('region', { name: 'Print 2' });
  await expect(back.getByLabel('Placement')).toHaveValue('back');
  await page.getByLabel('Artwork of line 1, print 2').setInputFiles(art('crew.png', 202));
  const options = back.getByRole('region', { name: 'Processes side by side' });
  await expect(options).toContainText('for this print');
  await back.getByLabel('Printed width').fill('120');
  await back.getByRole('radio', { name: /^Film transfer \(DTF\)/ }).check();
  await page.getByRole('button', { name: 'Do something otherwise than the shop does' }).click();
  await page.getByLabel('Method of this line').selectOption({ label: 'Transfers: spares' });
  await expect(page.getByLabel('Transfers: spares')).toHaveValue('one');
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('button', { name: 'Take in the order' }).click();

  // one line, one price
  const ticket = page.getByRole('region', { name: /^Order K-/ });
  await expect(ticket.getByText('Left chest, 90 mm wide')).toBeVisible();
  await expect(ticket.getByText('Back, 120 mm wide')).toBeVisible();
  await expect(ticket.getByRole('article')).toHaveCount(1);
  await expect(ticket.getByText(/Draft\s+€\s*\d/)).toBeVisible();

  // each print's art
  await ticket.getByRole('link', { name: 'Look at the artwork' }).click();
  const strip = page.getByRole('navigation', { name: 'Artworks of this order' });
  await expect(page.getByRole('heading', { level: 1 })).toContainText('gull.png');
  await strip.getByRole('link', { name: /Back/ }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('crew.png');
  await expect(page.getByText('Film transfer (DTF)')).toBeVisible();

  // the route: ink before film, the blank once, and what its heat does to the front
  await page.getByRole('link', { name: 'Route', exact: true }).last().click();
  await expect(page.getByRole('list', { name: 'Left chest: Direct print (DTG)' })).toBeVisible();
  const titles = await page.locator('[id^=operation-] h2').allInnerTexts();
  expect(titles.filter((title) => /^(Pre-press|Inspect)/.test(title))).toEqual([
    'Pre-press the blank',
    'Inspect the piece',
  ]);
  expect(titles.indexOf('Cure the print, left chest')).toBeLessThan(
    titles.indexOf('Press the transfer, back'),
  );
  const chest = page.getByRole('region', { name: 'Placement, left chest' });
  await expect(chest.getByText(/Heated again for the back 2 times, through the fabric/)).toBeVisible();
  await expect(page.getByRole('row', { name: /^Blank, mean of the sizes/ })).toHaveCount(1);
  expect(await axeFindings(page)).toEqual([]);

  // the floor: one shirt is spoiled when its back is on
  await page.getByRole('button', { name: 'Start on the floor' }).click();
  const done = page.getByText('2 good, 1 reprinted, 0 scrapped.');
  await page.waitForURL(/floor\/[0-9a-f-]{36}/);
  const runId = /floor\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? '';
  let isSpoiled = false;
  for (let step = 0; step < 60 && !(await done.isVisible()); step++) {
    const was = await askedFor(page);
    const title = await nextTitle(page).innerText();
    if (title === 'Second press, covered, back' && !isSpoiled) {
      isSpoiled = true;
      await page.keyboard.press('x');
      const dialog = page.getByRole('dialog');
      await dialog.getByRole('button', { name: 'in the wrong place' }).click();
      await dialog.getByRole('button', { name: 'Log, and make it again' }).click();
      await expect(dialog).toBeHidden();
      await untilAnother(page, was);
    } else if (title === 'Inspect the piece') {
      await page.getByRole('button', { name: '● Good' }).click();
      await untilAnother(page, was);
    } else await finishStep(page, title);
  }
  await expect(done).toBeVisible();
  const { events } = (await (await page.request.get(`/api/v1/runs/${runId}`)).json()) as {
    events: { kind: string; step: string | null }[];
  };
  const made = (operation: string): string[] =>
    events
      .filter(({ kind, step }) => kind === 'step-completed' && step?.startsWith(`${operation}/`))
      .map(({ step }) => step?.slice(operation.length + 1) ?? '');
  expect(made('print-film-2'), 'two transfers and a spare, on one sheet').toEqual(['1.transfer-2.1-3']);
  expect(made('print').sort()).toEqual(['1.blank.1', '1.blank.1~2', '1.blank.2']);
  expect(made('press-transfer-2')).toHaveLength(3);

  // the ledger: both processes in a row, and what was in the same sheet of film
  await page.getByRole('link', { name: 'See it in the ledger' }).click();
  const rows = page.getByRole('row').filter({ hasText: 'Two Sides of the Pier' });
  await expect(rows).toHaveCount(3);
  await expect(rows.first()).toContainText('DTG + DTF');
});
