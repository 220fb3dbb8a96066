import type { Page } from '@playwright/test';
import { startBuiltServer } from '../scripts/lib/testServer.mjs';
import { expect, given, test } from './journey.ts';
import {
  FILM_STEPS,
  askedFor,
  finishStep,
  nextTitle,
  openOnFloor,
  orderOverApi,
  untilAnother,
} from './shop.ts';

const secondsLeft = async (page: Page): Promise<number> => {
  const text = await page.getByRole('timer').locator('span').first().innerText();
  const [minutes = 0, seconds = 0] = text.split(':').map(Number);
  return 60 * minutes + seconds;
};

test('two browsers on one run stay in step, and a reload keeps the timer', async ({ page, browser }) => {
  const { lineId } = await orderOverApi(page.request, 11, 2);
  const runId = await openOnFloor(page, lineId);
  const other = await (await browser.newContext()).newPage();
  await other.goto(`/floor/${runId}`);
  await finishStep(page, 'Ready the film printer');
  await expect(nextTitle(other)).toHaveText('Print the film');
  await page
    .getByRole('button', { name: /^Start/ })
    .first()
    .click();
  await expect(other.getByRole('timer')).toBeVisible();
  expect(Math.abs((await secondsLeft(page)) - (await secondsLeft(other)))).toBeLessThanOrEqual(1);
  await page.reload();
  await expect(page.getByRole('timer')).toBeVisible();
  expect(Math.abs((await secondsLeft(page)) - (await secondsLeft(other)))).toBeLessThanOrEqual(1);
  await finishStep(other, 'Print the film');
  await expect(nextTitle(page)).toHaveText('Powder the film');
  await page.keyboard.press('u');
  await expect(nextTitle(other)).toHaveText('Print the film');
  await finishStep(page, 'Print the film'); // the printer is free for others
  await other.context().close();
});

test('a problem is noted, seen by others and solved', async ({ page }) => {
  const { lineId } = await orderOverApi(page.request, 12, 1);
  await openOnFloor(page, lineId);
  await expect(nextTitle(page)).toHaveText('Ready the film printer');
  await page.keyboard.press('p');
  await page.getByLabel('In a few words').fill('white has settled');
  await page.keyboard.press('Enter');
  await expect(page.getByText('white has settled (not named)')).toBeVisible();
  await page.getByRole('button', { name: 'Solved' }).click();
  await expect(page.getByText('white has settled')).toBeHidden();
});

test('a piece that is spoiled at the end is made again, the printer not set up again', async ({ page }) => {
  const { lineId } = await orderOverApi(page.request, 13, 1);
  await openOnFloor(page, lineId);
  for (const title of FILM_STEPS) await finishStep(page, title);
  await page.getByRole('button', { name: '◆ Reprint' }).click();
  await page.getByRole('button', { name: 'lifts on peel' }).click();
  await page.getByRole('button', { name: 'Log as reprint' }).click();
  await expect(nextTitle(page)).toHaveText('Print the film');
  await expect(page.getByRole('region', { name: 'Next' }).getByText('transfer 1, made again')).toBeVisible();
});

test('film goes in sheets and loads, pieces go on as their transfers come, and a spoiled transfer alone is made again', async ({
  page,
}) => {
  const { lineId, code } = await orderOverApi(page.request, 14, 20);
  await openOnFloor(page, lineId);
  const next = page.getByRole('region', { name: 'Next' });
  await expect(next.getByText('all 20 transfers')).toBeVisible();
  await finishStep(page, 'Ready the film printer');
  await expect(next.getByText(/transfers 1 to \d+/)).toBeVisible();
  // each sheet is powdered while it is wet; as many are melted as the oven takes at once
  for (let step = 0; step < 12; step++) {
    const title = await nextTitle(page).innerText();
    if (title === 'Melt the powder') break;
    expect(['Print the film', 'Powder the film']).toContain(title);
    await finishStep(page, title);
  }
  await expect(nextTitle(page)).toHaveText('Melt the powder');
  await page
    .getByRole('button', { name: /^Start/ })
    .first()
    .click();
  // there is time to print the next sheet meanwhile; the oven is looked at again where it stands
  await expect(nextTitle(page)).toHaveText('Print the film');
  const onMachines = page.getByRole('region', { name: 'Stations' }).getByRole('button');
  await onMachines.filter({ hasText: code }).click();
  await expect(nextTitle(page)).toHaveText('Melt the powder');
  await expect(next.getByText(/transfers 1 to \d+/)).toBeVisible();
  expect(await secondsLeft(page)).toBeGreaterThan(120);
  await page.getByRole('button', { name: 'Done early' }).click();

  // what is left of the film, whatever is asked for, up to the knife
  for (let step = 0; step < 12; step++) {
    const title = await nextTitle(page).innerText();
    if (title === 'Cut the transfers apart') break;
    await finishStep(page, title);
  }
  // station by station now; one of the sheet is spoiled at the cut, its piece waits, the others go on
  const batch = page.getByRole('button', { name: 'All at one station, then the next' });
  await batch.click();
  await expect(batch).toHaveAttribute('aria-pressed', 'true');
  await expect(nextTitle(page)).toHaveText('Cut the transfers apart');
  await page.keyboard.press('x');
  await page.getByLabel('Transfer 2', { exact: true }).check();
  await page.getByRole('button', { name: 'ink puddles' }).click();
  await page.getByRole('button', { name: 'Log, and make it again' }).click();
  const film = page.getByRole('region', { name: 'Film' });
  await expect(film.getByText(/transfers 1, 3/)).toBeVisible();
  await expect(film.getByText('transfer 2, made again')).toBeVisible();
  await page.keyboard.press('u');
  await expect(film.getByText('transfer 2, made again')).toBeHidden();
  await expect(film.getByText(/transfers 1 to \d+/).first()).toBeVisible();
});

test('one film sheet shared by two orders is made once, and each order is finished by itself', async ({
  page,
}) => {
  const [one, two] = [await orderOverApi(page.request, 15, 1), await orderOverApi(page.request, 16, 1)];
  const lineIds = [one.lineId, two.lineId];
  const sheet = lineIds.map((lineId) => ({ lineId, print: '1', pieces: [1] }));
  const answer = await page.request.post('/api/v1/runs', { data: { lineIds, sheets: [sheet], by: 'Ines' } });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`/floor/${id}`);
  const next = page.getByRole('region', { name: 'Next' });
  for (const title of [
    'Ready the film printer',
    'Print the film',
    'Powder the film',
    'Melt the powder',
    'Cut the transfers apart',
  ]) {
    await expect(next.getByText(`2 transfers of ${one.code} + ${two.code}`)).toBeVisible();
    await finishStep(page, title);
  }
  // whatever is asked for next; one slips under the press: its transfer alone is made again, for its own line
  const done = page.getByText(`${one.code} + ${two.code} are done`);
  const made: string[] = [];
  let isSpoiled = false;
  for (let step = 0; step < 40 && !(await done.isVisible()); step++) {
    const was = await askedFor(page);
    const title = await nextTitle(page).innerText();
    const code = await next.locator('.code').first().innerText();
    if (title === 'Press the transfer' && code === two.code && !isSpoiled) {
      isSpoiled = true;
      await page.keyboard.press('x');
      await page.getByLabel(`Transfer 1 of ${two.code}`).check();
      await page.getByRole('button', { name: 'in the wrong place' }).click();
      await page.getByRole('button', { name: 'Log, and make it again' }).click();
      await expect(page.getByRole('dialog')).toBeHidden();
      await untilAnother(page, was);
    } else if (title === 'Inspect the piece') {
      await page.getByRole('button', { name: '● Good' }).click();
      await untilAnother(page, was);
    } else {
      made.push(`${title}, ${code}`);
      await finishStep(page, title);
    }
  }
  const timesMade = (title: string, code: string): number =>
    made.filter((own) => own === `${title}, ${code}`).length;
  expect(timesMade('Print the film', two.code), 'the lost one alone').toBe(1);
  expect(timesMade('Print the film', one.code)).toBe(0);
  expect([timesMade('Pre-press the blank', one.code), timesMade('Pre-press the blank', two.code)]).toEqual([
    1, 1,
  ]);
  await expect(done).toBeVisible();
});

test('a server killed in mid-run loses nothing: steps done meanwhile arrive when it is back', async ({
  page,
  shop,
}) => {
  // a second server on the same database, which may be killed
  const own = { databaseUrl: shop.databaseUrl, log: given('SALTFLAT_E2E_LOG') };
  let server = await startBuiltServer(own);
  const { port, url: base } = server;
  const { lineId } = await orderOverApi(page.request, 14, 1);
  const run = (await (
    await page.request.post('/api/v1/runs', { data: { lineIds: [lineId], by: 'Ines' } })
  ).json()) as {
    id: string;
  };
  await page.goto(`${base}/floor/${run.id}`);
  await finishStep(page, 'Ready the film printer');
  await finishStep(page, 'Print the film');
  await expect(nextTitle(page)).toHaveText('Powder the film');
  server.kill('SIGKILL');
  await expect(page.getByText('No connection to the server')).toBeVisible();
  await finishStep(page, 'Powder the film');
  await expect(nextTitle(page)).toHaveText('Melt the powder');
  await expect(page.getByText(/\(\d waiting\)/)).toBeVisible();
  server = await startBuiltServer({ ...own, port });
  await expect(page.getByText('No connection to the server')).toBeHidden();
  await expect
    .poll(async () =>
      (
        (await (await page.request.get(`/api/v1/runs/${run.id}`)).json()) as { events: { step: string }[] }
      ).events.map(({ step }) => step),
    )
    .toEqual(['ready-printer', 'print-film', 'print-film', 'powder'].map((id) => `${id}/1.transfer-1.1`));
  await server.stop();
});
