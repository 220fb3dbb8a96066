import type { Page } from '@playwright/test';
import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { openLine } from './shop.ts';

const openRoute = async (page: Page, code: string): Promise<void> => {
  const { lineId } = await openLine(page.request, code);
  await page.goto(`/route/${lineId}`);
};
const doses = (page: Page) => page.getByRole('region', { name: 'What the heat does' });
const asking = (page: Page) => page.getByRole('region', { name: 'Ask the model' });

test('a polyester line is too cool for its dwell by the model: what would do is solved for, tried and kept', async ({
  page,
}) => {
  await openRoute(page, 'K-222');
  const bond = doses(page).getByRole('listitem').filter({ hasText: 'Bond' });
  await expect(bond).toContainText(/[\d.]+ to [\d.]+ of 1 needed/); // a band, never a lone figure
  await expect(bond).toContainText('not so');
  await expect(doses(page)).toContainText('not calibrated on this press: no nearer than ±25 %');
  await expect(page.getByTestId('simulated').locator('polygon').first()).toBeAttached();

  const ask = asking(page);
  await ask.getByRole('button', { name: 'Solve' }).click();
  const answer = ask.getByRole('status');
  await expect(answer).toContainText(/Nothing does: even at 30\ss/);
  await expect(answer).toContainText('More is not allowed: the sheet of “Scree Matt Cold 75”');
  await expect(answer).toContainText(/Beyond the limit: \d+ to \d+\s(s|min)/);

  // firmer, by the slider and its keys: the trace and the doses follow
  await page
    .locator('#operation-press-transfer')
    .getByRole('button', { name: /^Pressure/ })
    .click();
  const why = page.getByRole('complementary', { name: /^Why Pressure/ });
  const before = await bond.innerText();
  await why.getByRole('slider').press('End');
  await expect(why.getByText('Being tried: say who and why above to keep it.')).toBeVisible();
  await expect.poll(() => bond.innerText()).not.toBe(before);

  await ask.getByRole('button', { name: 'Solve' }).click();
  await expect(answer).toContainText(/About \d+\ss would do/);
  await ask.getByRole('button', { name: 'Try it in the route' }).click();
  const trying = page.getByRole('form', { name: 'Values being tried' });
  await expect(trying).toContainText('2 values are being tried');
  await expect(bond).toContainText(/bonded at \d+ to \d+\ss/);
  await trying.getByLabel('Who').fill('Ines');
  await trying.getByLabel('Why').fill('solved by the model, one washed');
  await trying.getByRole('button', { name: 'Plan with these values' }).click();
  await expect(trying).toHaveCount(0);
  await page
    .locator('#operation-press-transfer')
    .getByRole('button', { name: /^Dwell \d+\ss ◆ changed/ })
    .click();
  const reasons = page.getByRole('complementary', { name: 'Why Dwell' });
  await expect(reasons).toContainText('Ines: solved by the model, one washed');
  await expect(reasons).toContainText('By the heat model'); // below the sheet, in its own words
});

test('the transfer’s glue of a patch on a cap gets heat from its tack and from the cap press, added up', async ({
  page,
}) => {
  await openRoute(page, 'K-221');
  const bond = doses(page).getByRole('listitem').filter({ hasText: 'Bond' });
  await expect(bond).toHaveCount(2); // the transfer’s, and the one under the patch
  await expect(doses(page)).toContainText('Custom says a thick mat doubles the dwell.');
  await expect(doses(page).getByRole('listitem').filter({ hasText: 'Glue of the stiffener' })).toBeVisible();
  const ask = asking(page);
  await ask.getByLabel('About').selectOption({ label: 'Press the patch on the cap' });
  await expect(ask.getByRole('row', { name: /The mat cold/ })).toBeVisible();
  await ask.getByRole('button', { name: 'Solve' }).click();
  await expect(ask.getByRole('status')).toContainText(/would do|Nothing does/);
  expect(await axeFindings(page)).toEqual([]);
});

test('a margin that is none is asked for again, and nothing else is lost', async ({ page }) => {
  await openRoute(page, 'K-212');
  const ask = asking(page);
  await ask.getByLabel('Look for').selectOption({ label: 'Coolest plate' });
  await ask.getByLabel('Margin').fill('0.5');
  await expect(ask).toContainText('A margin is a number from 1 to 5');
  await expect(ask.getByRole('button', { name: 'Solve' })).toBeDisabled();
  await ask.getByLabel('Margin').fill('1.5');
  await expect(ask.getByLabel('Look for')).toHaveValue('temperature');
  await ask.getByRole('button', { name: 'Solve' }).click();
  await expect(ask.getByRole('status')).toContainText(/About \d+\s°C would do/);
});
