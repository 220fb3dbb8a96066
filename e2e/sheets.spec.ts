import { expect, test } from '@playwright/test';
import { axeFindings } from './axe.ts';
import { askedFor, finishStep, nextTitle, orderOverApi, untilAnother } from './shop.ts';

test('one person keeps four sheets going: two in the oven, one at the powder, one printing, each with its own clock', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const { code } = await orderOverApi(page.request, 341, 12);
  await page.goto('/film');
  await page.getByRole('button', { name: 'Choose none' }).click();
  await page.getByRole('checkbox', { name: `${code} goes on this film` }).check();
  await page.getByLabel('Longest piece of roll').fill('170'); // a row of three prints
  await page.getByRole('button', { name: 'Lay out', exact: true }).click();
  await page.getByRole('button', { name: 'Put on the floor' }).click();
  await page.waitForURL(/\/floor\/[0-9a-f-]{36}/);
  await finishStep(page, 'Ready the film printer');

  const next = page.getByRole('region', { name: 'Next' });
  const film = page.getByRole('region', { name: 'Film', exact: true });
  const begin = async (title: string): Promise<void> => {
    await expect(nextTitle(page)).toHaveText(title);
    const was = await askedFor(page);
    await next.getByRole('button', { name: /^Start/ }).click();
    await untilAnother(page, was);
  };
  // what runs by itself is left alone, and the floor asks for what comes next
  for (let sheet = 0; sheet < 2; sheet++) {
    await finishStep(page, 'Print the film');
    await finishStep(page, 'Powder the film');
    await begin('Melt the powder');
  }
  await finishStep(page, 'Print the film');
  await begin('Print the film');
  const sheets = film.getByRole('listitem');
  await expect(sheets.filter({ hasText: '▶ Melt the powder' })).toHaveCount(2);
  await expect(sheets.filter({ hasText: '○ Powder the film' })).toContainText(/within \d:\d\d/);
  await expect(sheets.filter({ hasText: '▶ Print the film' })).toHaveCount(1);
  const machines = page.getByRole('region', { name: 'Stations' }).getByRole('button');
  await expect(machines.filter({ hasText: code })).toHaveCount(3); // each with its own time
  expect(await axeFindings(page)).toEqual([]);

  // the one whose window closes is asked for before all others
  await finishStep(page, 'Powder the film');
  await expect(sheets.filter({ hasText: 'window closed' })).toHaveCount(0);
  await expect(sheets.filter({ hasText: '○ Melt the powder' })).toHaveCount(1);
});
