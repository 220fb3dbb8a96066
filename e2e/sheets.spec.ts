import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { finishStep, nextTitle, openOnFloor, orderOverApi } from './shop.ts';

const UP_TO_POWDER = ['Ready the film printer', 'Print the film', 'Powder the film'];

test('one person keeps four sheets going: two in the oven, one at the powder, one printing, each with its own clock', async ({
  page,
}) => {
  const next = page.getByRole('region', { name: 'Next' });
  const machines = page.getByRole('region', { name: 'Stations' }).getByRole('listitem');
  const codes: string[] = [];
  const runs: string[] = [];
  /** Puts a line on the floor and takes it so far. */
  const take = async (seed: number, steps: readonly string[]): Promise<void> => {
    const { lineId, code } = await orderOverApi(page.request, seed, 1);
    codes.push(code);
    runs.push(await openOnFloor(page, lineId));
    for (const title of steps) await finishStep(page, title);
  };
  const begin = async (title: string): Promise<void> => {
    await expect(nextTitle(page)).toHaveText(title);
    await next.getByRole('button', { name: /^Start/ }).click();
    await expect(next.getByRole('button', { name: /^Done/ })).toBeVisible();
  };
  await take(341, UP_TO_POWDER);
  await begin('Melt the powder');
  await take(342, UP_TO_POWDER);
  await begin('Melt the powder'); // beside the first
  await take(343, UP_TO_POWDER.slice(0, 2));
  await expect(nextTitle(page)).toHaveText('Powder the film');
  await take(344, UP_TO_POWDER.slice(0, 1));
  await begin('Print the film');

  const [first = '', second = '', third = '', fourth = ''] = codes;
  for (const code of [first, second, fourth])
    await expect(machines.filter({ hasText: code }).first()).toContainText(/▶ \d:\d\d/); // each with its own time
  const waiting = page.getByRole('region', { name: 'Lined up' }).getByRole('listitem');
  await expect(waiting.filter({ hasText: third }).first()).toContainText('Powder the film');
  expect(await axeFindings(page)).toEqual([]);

  // its window still open, the third is powdered and waits for the oven
  await page.goto(`/floor/${runs[2] ?? ''}`);
  await expect(next.getByText(/^start within \d:\d\d/)).toBeVisible();
  await finishStep(page, 'Powder the film');
  await expect(nextTitle(page)).toHaveText('Melt the powder');
  await expect(next.getByText(/oven is at work: this goes in beside/)).toBeVisible();
});
