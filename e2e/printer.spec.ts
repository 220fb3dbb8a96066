import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { finishStep, nextTitle, openOnFloor, orderOverApi, turnKnobs } from './shop.ts';

test('film is printed in two jobs: colour, cancelled in the pause, dried, then the white', async ({
  page,
}) => {
  const { lineId } = await orderOverApi(page.request, 331, 1, undefined, 'dtf-platen');
  const speed = (times: number): Promise<void> =>
    turnKnobs(page.request, 'printers', 'Direct printer', { speed: times });
  await openOnFloor(page, lineId);
  while ((await nextTitle(page).innerText()) !== 'Print the film: colour, dry, white')
    await finishStep(page, await nextTitle(page).innerText());
  const printer = page.getByRole('region', { name: 'At the printer' });
  await printer.getByRole('button', { name: 'Send the colour to Direct printer, job 1 of 2' }).click();
  await expect(printer.getByText(/^colour, \d+:\d\d left/)).toBeVisible();
  await speed(10);
  await expect(page.getByRole('button', { name: /^Done/ })).toBeVisible(); // the step has begun with it
  await expect(printer.getByRole('status').filter({ hasText: 'Cancel it now, in the pause' })).toBeVisible();
  await speed(1); // the pause is as long as in a room: there is time to look, and to cancel
  expect(await axeFindings(page)).toEqual([]);
  await printer.getByRole('button', { name: 'Cancel in the pause' }).click();
  await expect(printer).toContainText('Dry it with warm air');
  await expect(printer).toContainText(/colour [\d.]+ ml, white 0\.0 ml/);
  await speed(10);
  await printer.getByRole('button', { name: 'Send the white to Direct printer, job 2 of 2' }).click();
  await expect(printer).toContainText('Look whether the white lies under all of the colour');
  await expect(printer.getByRole('button', { name: /^Send/ })).toBeHidden();
  await finishStep(page, 'Print the film: colour, dry, white');
  await expect(nextTitle(page)).toHaveText('Powder the film');
});

test('film that slips is told, holds the queue until somebody has looked, and is sent again; its powder is weighed', async ({
  page,
}) => {
  const { lineId } = await orderOverApi(page.request, 332, 1);
  await page.goto('/devices');
  const knobs = page.getByRole('region', { name: 'Film printer' });
  await knobs.getByLabel('Times as fast').selectOption('60');
  await knobs.getByLabel('Goes wrong next').selectOption({ label: 'the film slips in the feed' });
  expect(await axeFindings(page)).toEqual([]);
  await openOnFloor(page, lineId);
  await finishStep(page, 'Ready the film printer');
  const printer = page.getByRole('region', { name: 'At the printer' });
  await printer.getByRole('button', { name: 'Send to Film printer' }).click();
  await expect(printer.getByRole('alert')).toContainText('slipped in the feed');
  await printer.getByRole('button', { name: 'Looked at it: let it go on' }).click();
  await printer.getByRole('button', { name: 'Send to Film printer' }).click();
  await expect(printer).toContainText('Powder comes while it is wet');
  await turnKnobs(page.request, 'printers', 'Film printer', { speed: 1 });

  // whoever wants to may weigh what powder stays on it
  await finishStep(page, 'Print the film');
  const weighed = page.getByRole('region', { name: 'Powder weighed' });
  await expect(weighed).toContainText(/Lot L-\d+, open for \d+ days/);
  await weighed.getByLabel('Container before pouring').fill('482.4');
  await weighed.getByRole('button', { name: 'Note it' }).click();
  await expect(weighed).toContainText('before: 482.4 g');
  await weighed.getByLabel('Container, the caught powder back in').fill('482.4');
  await weighed.getByRole('button', { name: 'Note it' }).click();
  await expect(weighed).toContainText(/0\.0\sg went on it, .+ by the art/);
  await expect(weighed).toContainText('too little: look for bare ink');
  await page.keyboard.press('u');
  await expect(weighed.getByLabel('Container, the caught powder back in')).toBeVisible();
});
