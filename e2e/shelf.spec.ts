import type { APIRequestContext, Page } from '@playwright/test';
import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { FILM_STEPS, drawPng, finishStep, nextTitle, openOnFloor, orderOverApi } from './shop.ts';

const ON_FILM = FILM_STEPS.slice(0, FILM_STEPS.indexOf('Cut the transfers apart') + 1);
/** The same where it is melted to be kept. */
const FUSED_ON_FILM = ON_FILM.map((title) => (title === 'Melt the powder' ? `${title}, full fuse` : title));
const packet = (page: Page, code: string) => page.getByRole('row', { name: new RegExp(`^${code} `) });

/** A line as it stands. */
const lineOf = async (request: APIRequestContext, lineId: string) =>
  (
    (await (await request.get(`/api/v1/lines/${lineId}`)).json()) as {
      line: { state: string; prints: { process: string }[] };
    }
  ).line;

test('what was made for stock lies on the shelf, is taken in place of printing, and the floor says from which packet', async ({
  page,
}) => {
  // art of its own: a file that is here already goes by the name it came under first
  const art = drawPng(1800, 1800, (x, y) =>
    Math.abs(x - 900) + Math.abs(y - 900) < 540 ? [30, 90, 200, 255] : null,
  );
  const stock = await orderOverApi(page.request, 321, 2, art, 'dtf', {
    filmUse: 'stock',
    powderCure: 'full',
  });
  const shirts = await orderOverApi(page.request, 321, 2, art);
  await openOnFloor(page, stock.lineId);
  for (const title of [...FUSED_ON_FILM, 'Date and shelve the transfers']) await finishStep(page, title);
  for (let piece = 0; piece < 2; piece++) {
    await expect(nextTitle(page)).toHaveText('Inspect the transfer');
    await page.getByRole('button', { name: '● Good' }).click();
  }
  await page.getByRole('link', { name: 'On the shelf' }).click();
  const own = page.getByRole('row', { name: /disc-321, 90 mm/ });
  await expect(own).toContainText('fresh');
  const code = (await own.locator('td').first().innerText()).trim();
  await own.click();
  const whole = page.getByRole('region', { name: code });
  await expect(whole).toContainText('made here');
  await expect(whole).toContainText('fused');
  await expect(whole.getByRole('table', { name: 'How it is pressed' })).toContainText('cold');
  expect(await axeFindings(page)).toEqual([]);

  const wanting = page.getByRole('region', { name: 'Would do for' });
  await expect(wanting).toContainText(shirts.code);
  await wanting.getByRole('button', { name: 'Take 2 in place of printing' }).click();
  await expect(wanting).toContainText('2 kept');
  await expect(packet(page, code).locator('td').last()).toHaveText('0'); // free
  await expect
    .poll(async () => {
      const { state, prints } = await lineOf(page.request, shirts.lineId);
      return `${state} ${prints[0]?.process ?? ''}`;
    })
    .toBe('ready shelf');

  await openOnFloor(page, shirts.lineId);
  await expect(nextTitle(page)).toHaveText('Take the transfers off the shelf');
  await expect(page.getByRole('region', { name: 'Off the shelf' })).toContainText(code);
  expect(await axeFindings(page)).toEqual([]);
  await finishStep(page, 'Take the transfers off the shelf');
  await page.goto('/film/shelf');
  await expect(page.getByRole('heading', { level: 1, name: 'Shelf' })).toBeVisible();
  await expect(packet(page, code)).toBeHidden();
  await page.getByRole('checkbox', { name: 'Empty ones too' }).check();
  await packet(page, code).click();
  await expect(page.getByRole('table', { name: 'What became of it' })).toContainText(
    `taken for ${shirts.code}`,
  );
});

test('transfers are entered and counted by hand, by the keyboard alone; what cannot be is refused where it was typed', async ({
  page,
}) => {
  await page.goto('/film/shelf');
  await page.getByRole('button', { name: 'Enter transfers' }).focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog', { name: 'Transfers come on the shelf' });
  await dialog.getByLabel('Kind of transfer').selectOption({ label: 'Mooring café mark, ready' });
  await dialog.getByLabel('How many').focus();
  await page.keyboard.press('Enter');
  await expect(dialog.getByText(/Transfers/).and(dialog.locator('p'))).toBeVisible();
  await dialog.getByLabel('How many').focus();
  await page.keyboard.type('9');
  await dialog.getByLabel('Note').focus();
  await page.keyboard.type('Found behind the rack');
  expect(await axeFindings(page)).toEqual([]);
  await page.keyboard.press('Enter');
  await expect(dialog).toBeHidden();
  await expect(page.getByText('Found behind the rack')).toBeVisible();
  const byHand = page.getByRole('region', { name: 'By hand' });
  await byHand.getByLabel('What happened').selectOption({ label: 'Sold as transfers' });
  await expect(byHand.getByText(/ask before it is sold as a transfer/)).toBeVisible();
  await byHand.getByLabel('Transfers').focus();
  await page.keyboard.type('20');
  await page.keyboard.press('Enter');
  await expect(byHand.getByText('Transfers: 9 are free to be sold, not 20.').first()).toBeVisible();
  await expect(byHand.getByLabel('Transfers')).toHaveValue('20');
  await byHand.getByLabel('Transfers').fill('2');
  await page.keyboard.press('Enter');
  const history = page.getByRole('table', { name: 'What became of it' });
  await expect(history).toContainText('sold as transfers');
  await expect(history).toContainText('−2');
});

test('a spoiled transfer waits for the next film with why and what it costs, and one tap is for all that is on it', async ({
  page,
}) => {
  const tees = await orderOverApi(page.request, 322, 2);
  const runId = await openOnFloor(page, tees.lineId);
  for (const title of ON_FILM.slice(0, -1)) await finishStep(page, title);
  await expect(nextTitle(page)).toHaveText('Cut the transfers apart');
  await page.keyboard.press('x');
  const dialog = page.getByRole('dialog', { name: /^What was spoiled/ });
  await dialog.getByRole('checkbox', { name: 'Transfer 2' }).check();
  await expect(dialog).toContainText(/It waits for the next film, or is printed by itself: .+ once more/);
  await dialog.getByRole('button', { name: 'powder on bare film' }).click();
  await dialog.getByRole('button', { name: 'Log, and make it again' }).click();
  await expect(dialog).toBeHidden();

  const next = await orderOverApi(page.request, 323, 1);
  await page.goto('/film');
  const waiting = page.getByRole('region', { name: 'Waiting for film' });
  await expect(waiting).toContainText('printed again: powder on bare film');
  await page.getByRole('button', { name: 'Choose none' }).click();
  for (const { code } of [tees, next])
    await page.getByRole('checkbox', { name: `${code} goes on this film` }).check();
  await page.getByRole('button', { name: 'Lay out', exact: true }).click();
  await page.getByRole('button', { name: 'Put on the floor' }).click();
  await page.waitForURL(/\/floor\/[0-9a-f-]{36}/);
  await expect(page.getByRole('region', { name: 'Film', exact: true })).toContainText(
    `and made again: ${tees.code} 2`,
  );
  for (const title of ON_FILM) await finishStep(page, title);
  // the piece that waited for it goes on: nothing of its film is left to be done
  await page.goto(`/floor/${runId}`);
  await expect(page.getByRole('region', { name: 'Next' })).toContainText(tees.code);
  await expect(nextTitle(page)).toHaveText('Pre-press the blank');
  const film = page.getByRole('region', { name: 'Film', exact: true });
  await expect(film).toContainText('Cut the transfers apart'); // the one that was left of its own sheet
  await expect(film).not.toContainText(/Print|Powder|Melt/);
});
