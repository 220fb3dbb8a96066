import { randomUUID } from 'node:crypto';
import type { APIRequestContext, Page } from '@playwright/test';
import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { discPng, finishStep, lineOverApi, nextTitle, openOnFloor, orderOverApi, turnKnobs } from './shop.ts';

const before = (page: Page) => page.getByRole('region', { name: 'Before the first print' });

test('a morning start: two nozzles are missing, crossed out by keys, noted, cleaned, and looked at again', async ({
  page,
}) => {
  const { lineId } = await orderOverApi(page.request, 103, 2);
  await turnKnobs(page.request, 'printers', 'Film printer', { clogged: 2 });
  await openOnFloor(page, lineId);
  await finishStep(page, 'Ready the film printer');
  await expect(nextTitle(page)).toHaveText('Print the film');
  await expect(before(page)).toContainText('nobody has checked it yet');
  await before(page).getByRole('button', { name: 'Check the printer' }).click();
  const dialog = page.getByRole('dialog', { name: 'Film printer, before it prints' });
  await dialog.getByLabel(/^White stirred/).check();
  await dialog.getByRole('button', { name: 'Print the test pattern' }).click();
  const pattern = dialog.getByRole('grid', { name: /^Test pattern/ });
  await expect(pattern.getByRole('gridcell')).toHaveCount(300);
  await pattern.focus();
  for (const steps of [6, 9]) {
    for (let i = 0; i < steps; i++) await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Space');
  }
  await expect(dialog.getByRole('status')).toContainText('2 missing: White 7, White 16');
  await expect(dialog.getByRole('status')).toContainText('other passes close them');
  // a neighbour makes a line of it; the hand takes it back
  await dialog.getByRole('gridcell', { name: 'White 8' }).click();
  await expect(dialog.getByRole('status')).toContainText('Clean and look again');
  await dialog.getByRole('gridcell', { name: 'White 8' }).click();
  expect(await axeFindings(page)).toEqual([]);
  await expect(dialog).toContainText('● A room that ink bears.'); // as its devices say by now
  await dialog.getByRole('button', { name: 'Keep the check' }).click();
  await expect(dialog).toBeHidden();
  await expect(before(page)).toContainText(/◆ checked .* 2 missing: White 7, White 16/);

  await before(page).getByLabel('The mock-up matches the ticket').check();
  await before(page).getByLabel('Mirror and order of layers are right').check();
  await before(page).getByRole('button', { name: 'Note what was looked at' }).click();
  await expect(before(page)).toContainText('Before printing: 2 nozzles missing.');
  await expect(page.getByRole('button', { name: /^Start/ }).first()).toBeEnabled(); // nothing is held up

  await before(page).getByRole('button', { name: 'Look again' }).click();
  await before(page).getByRole('button', { name: 'Check it again' }).click();
  await dialog.getByLabel(/^White stirred/).check();
  await dialog.getByRole('button', { name: 'Print the test pattern' }).click();
  for (const times of ['cleaned once', 'cleaned 2 times']) {
    await dialog.getByRole('button', { name: 'Clean and look again' }).click();
    await expect(dialog).toContainText(times);
  }
  await dialog.getByRole('button', { name: 'Keep the check' }).click();
  await expect(before(page)).toContainText(/● checked .* no nozzle missing/);
  await before(page).getByLabel('The mock-up matches the ticket').check();
  await before(page).getByLabel('Mirror and order of layers are right').check();
  await before(page).getByRole('button', { name: 'Note that all is right' }).click();
  await expect(before(page)).toContainText('● Looked at before printing.');
  expect(await axeFindings(page)).toEqual([]);
  await page.keyboard.press('u');
  await expect(before(page)).toContainText('Before printing: 2 nozzles missing.');
  await finishStep(page, 'Print the film'); // the printer is free for others
});

test('a hooded sweatshirt is loaded over its pocket: raised, laid, the platen set until its sensor is quiet', async ({
  page,
}) => {
  const { lineId, runId } = await hoodieOnFloor(page);
  await turnKnobs(page.request, 'printers', 'Direct printer', { garmentMm: 13 });
  await expect(nextTitle(page)).toHaveText('Level the platen for the pocket');
  const laid = page.getByRole('list', { name: 'How it is laid' });
  await expect(laid).toContainText(/Raise the platen by 2\smm from \d+\smm to \d+\smm below its edge/);
  await expect(laid).toContainText(/Collar seam \d+\smm above the platen’s upper edge/);
  await expect(page.getByRole('img', { name: /on the standard platen, to scale/ })).toBeVisible();
  expect(await axeFindings(page)).toEqual([]);
  await finishStep(page, 'Level the platen for the pocket');
  await done(page.request, runId, ['pre-press', 'pretreat', 'dry-pretreatment']);
  await expect(nextTitle(page)).toHaveText('Load and print');

  const height = page.getByRole('group', { name: 'Platen’s height' });
  await expect(height).toContainText('Nobody has set the platen for Breakwater hoodie over its pocket');
  const up = height.getByRole('button', { name: 'One up' });
  for (let step = 1; step <= 5; step++) {
    await up.click();
    await expect(height.getByRole('status')).toContainText(`step ${step}:`);
  }
  // 13 mm and five half millimetres are more than 15
  await expect(height).toContainText('the head would strike');
  await expect(height.getByRole('button', { name: 'Keep this height' })).toBeDisabled();
  await height.getByRole('button', { name: 'One down' }).click();
  await expect(height.getByRole('status')).toContainText('step 4: the sensor is quiet');
  await height.getByRole('button', { name: 'Keep this height' }).click();
  await expect(height).toContainText('Platen for Breakwater hoodie: step 4, set by');
  await expect(before(page).getByLabel('The platen’s height is right')).toBeChecked();
  await before(page).getByRole('button', { name: 'Note what was looked at' }).click();
  await expect(before(page)).toContainText(/mock-up not compared, mirror and layers not looked at/);
  await expect(before(page)).not.toContainText('height');

  await page.goto(`/route/${lineId}`);
  await expect(page.getByRole('region', { name: 'Loading' })).toContainText(/standard platen/);
});

test('upkeep is done with one press, taken back, and left out on purpose', async ({ page }) => {
  await page.goto('/shop/upkeep');
  const list = page.getByRole('table', { name: 'Upkeep' });
  const row = (what: string) => list.getByRole('row').filter({ hasText: what });
  const hinges = row('Press A Look at hinges');
  await expect(hinges).toContainText('due');
  expect(await axeFindings(page)).toEqual([]);
  await hinges.getByRole('button', { name: /^Done/ }).click();
  await expect(hinges).toContainText('●done');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(hinges).toContainText('due');
  await hinges.getByRole('button', { name: /^Leave out/ }).click();
  await expect(hinges).toContainText('left out');
  await expect(page.getByRole('table', { name: 'Looked at before printing' })).toContainText(
    'nothing was noted',
  );
});

/** A hoodie printed directly, low enough to reach onto its pocket, on the floor and in sight. */
async function hoodieOnFloor(page: Page): Promise<{ lineId: string; runId: string }> {
  const { lineId, state } = await lineOverApi(page.request, 104, {
    style: 'Breakwater hoodie',
    pieces: 1,
    png: discPng(104),
    print: { dropMm: 170, widthMm: 300, process: 'dtg' },
    house: {},
  });
  expect(state).toBe('ready');
  return { lineId, runId: await openOnFloor(page, lineId) };
}

/** Steps of the first piece that another device says are done. */
async function done(request: APIRequestContext, runId: string, operations: readonly string[]): Promise<void> {
  const clientId = randomUUID();
  const events = operations.map((operation, i) => {
    const at = new Date(Date.now() + i).toISOString();
    const own = { id: randomUUID(), clientId, clientSeq: i + 1, kind: 'step-completed', at, deviceAt: at };
    return { ...own, step: `${operation}/1.blank.1`, by: 'Tomasz', payload: {} };
  });
  expect((await request.post(`/api/v1/runs/${runId}/events`, { data: { events } })).status()).toBe(200);
}
