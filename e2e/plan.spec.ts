import type { Page } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { typeDue } from './shop.ts';

const lanes = (page: Page) => page.getByRole('application', { name: 'The plan, machine by machine' });
const picked = (page: Page) => page.getByRole('region', { name: 'Picked work' });
const minutesOf = (clock: string): number => {
  const [hours, minutes] = clock.split(':').map(Number);
  return 60 * (hours ?? NaN) + (minutes ?? NaN);
};
/** When what is picked begins, by the panel, min of its day. */
async function beginsAt(page: Page): Promise<number> {
  const text =
    (await picked(page)
      .getByText(/\d\d:\d\d – \d\d:\d\d/)
      .textContent()) ?? '';
  return minutesOf(/(\d\d:\d\d) –/.exec(text)?.[1] ?? '');
}
const csv = (text: string) => ({ name: 'rota.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
/** Opens a piece of work from the list of the plan. */
async function pick(page: Page, code: string, what: string): Promise<void> {
  await page.getByRole('button', { name: 'List', exact: true }).click();
  await page.getByLabel('Find in the plan').fill(what);
  await page.getByRole('row').filter({ hasText: code }).filter({ hasText: what }).first().click();
  await expect(picked(page)).toContainText(what);
}

test('the days are looked at, one block is moved and locked, one is refused, the plan is improved round it and kept', async ({
  page,
}) => {
  await page.goto('/orders');
  await page.getByLabel('Your name').fill('Wanjiru');
  await page.keyboard.press('Escape');
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(page.getByText(/^As Ines kept it, number 1/)).toBeVisible();
  // due yesterday: nothing can make it in time
  await expect(page.getByText(/order.* late:/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^K-217 / })).toBeVisible();
  expect(await axeFindings(page)).toEqual([]);

  // later by a quarter of an hour: it is locked there, and what comes after it still comes after it
  await pick(page, 'K-221', 'Press the patch on the cap');
  const first = await beginsAt(page);
  await picked(page).getByRole('button', { name: '15 min later' }).click();
  await expect(picked(page).getByText('locked: nothing moves it')).toBeVisible();
  expect(await beginsAt(page)).toBe(first + 15);
  await expect(page.getByText('Changed here, not kept yet.')).toBeVisible();

  // into the night: nobody is there
  await page.getByRole('button', { name: 'Lanes', exact: true }).click();
  await lanes(page).focus();
  const refused = page.getByRole('alert').filter({ hasText: 'K-221 Press the patch on the cap' });
  for (let k = 0; k < 40 && !(await refused.isVisible()); k++) {
    await lanes(page).press('Alt+Shift+ArrowRight');
    await page.waitForTimeout(60);
  }
  await expect(refused).toContainText(/is not there for all of|while nobody is there|would need/);
  const last = await beginsAt(page);

  // improved round what is locked, which stays
  await page.getByRole('button', { name: /^Improve/ }).click();
  // it ends by itself when nothing can be better any more
  await page
    .getByRole('button', { name: 'Stop' })
    .click({ timeout: 5000 })
    .catch(() => undefined);
  await expect(page.getByRole('progressbar')).toBeHidden();
  const better = page.getByRole('region', { name: 'A better plan' });
  await expect(better.or(page.getByText('Nothing better was found.'))).toBeVisible();
  if (await better.isVisible()) await better.getByRole('button', { name: 'Take it' }).click();
  expect(await beginsAt(page)).toBe(last);

  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await expect(page.getByText(/^As Wanjiru kept it, number 2/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^As Wanjiru kept it, number 2/)).toBeVisible();

  await page.getByRole('button', { name: 'Take it with you …' }).click();
  const taken = page.getByRole('dialog', { name: 'Take the plan with you' });
  await expect(taken.getByRole('row', { name: /^Cap press/ })).toBeVisible();
  expect(await axeFindings(page)).toEqual([]);
  const address = await taken
    .getByRole('row', { name: /^Cap press/ })
    .getByText(/work\.ics$/)
    .innerText();
  expect(await (await page.request.get(address)).text()).toMatch(/SUMMARY:K-221 Press the patch on the cap/);
  const paper = page.waitForEvent('download');
  await taken.getByRole('button', { name: 'A page for each station (PDF)' }).click();
  expect((await paper).suggestedFilename()).toMatch(/^plan-\d{4}-\d\d-\d\d\.pdf$/);
  await page.keyboard.press('Escape');
  await pick(page, 'K-221', 'Press the patch on the cap');
  await expect(picked(page).getByText('locked: nothing moves it')).toBeVisible();
  expect(await beginsAt(page)).toBe(last);
});

test('a block is dragged by the pointer, taken back, and refused where nobody is there any more', async ({
  page,
}) => {
  await page.goto('/plan');
  await expect(lanes(page)).toBeVisible();
  const box = (await lanes(page).boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  // what is late is made first: it is in sight at whatever hour
  const found = await findBar(page, box, 'K-217');
  await page.mouse.move(found.x, found.y);
  await page.mouse.down();
  await expect(picked(page)).toContainText('K-217');
  const first = await beginsAt(page);
  await page.mouse.up();
  // in a busy shop something that has begun may be in the way: then it is refused, and dragged further
  const locked = picked(page).getByText('locked: nothing moves it');
  for (const far of [60, 100, 150, 210, 280, 360]) {
    const from = await findBar(page, box, 'K-217');
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x + 20, from.y, { steps: 4 });
    await page.mouse.move(from.x + far, from.y, { steps: 4 });
    await page.mouse.up();
    await page.waitForTimeout(400); // a refusal from before goes with the next
    await expect(locked.or(page.getByRole('alert').filter({ hasText: 'K-217' }))).toBeVisible();
    if (await locked.isVisible()) break;
  }
  await expect(locked).toBeVisible();
  const moved = await beginsAt(page);
  expect(moved).toBeGreaterThan(first);
  await page.keyboard.press('Control+z');
  await expect(picked(page).getByText('locked: nothing moves it')).toBeHidden();
  // where it was, but never before this minute
  expect(await beginsAt(page)).toBeLessThan(moved);

  // the day is in sight to a quarter of an hour after its end; a minute may have moved what begins now
  const again = await findBar(page, box, 'K-217');
  await page.mouse.move(again.x, again.y);
  await page.mouse.down();
  await page.mouse.move(again.x + 80, again.y, { steps: 4 });
  await page.mouse.move(box.x + box.width - 4, again.y, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByRole('alert')).toContainText('K-217');
  await expect(picked(page)).toContainText('K-217');
  await expect(picked(page).getByText('locked: nothing moves it')).toBeHidden();
  expect(await beginsAt(page)).toBeLessThan(moved);
});

/** Where the pointer is over work of a line that is soon, by the words that are shown there. */
async function findBar(
  page: Page,
  box: { x: number; y: number; width: number; height: number },
  code: string,
): Promise<{ x: number; y: number }> {
  for (let y = box.y + 56; y < box.y + box.height - 60; y += 15)
    for (let x = box.x + 136; x < box.x + 320; x += 3) {
      await page.mouse.move(x, y);
      // from a little inside, that it is still hit when the minute moves it
      if (!(await lanes(page).getAttribute('title'))?.startsWith(code)) continue;
      await page.mouse.move(x + 4, y);
      const inside = (await lanes(page).getAttribute('title'))?.startsWith(code);
      return { x: inside ? x + 4 : x, y };
    }
  throw new Error(`no work of ${code} is in sight`);
}

test('a machine that stands still and somebody who is away are said, and the plan follows', async ({
  page,
}) => {
  await page.goto('/plan');
  await page.getByRole('link', { name: 'Working hours' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Working hours' })).toBeVisible();
  const shop = page.getByRole('region', { name: 'The shop' });
  await shop.getByLabel('Monday').fill('16-8');
  await page.getByRole('button', { name: 'Save the hours' }).click();
  await expect(shop.getByText('Monday: the shift ends at 08:00, before it begins at 16:00.')).toBeVisible();
  await shop.getByLabel('Monday').fill('7-19');

  // Tomasz keeps to the presses from now on
  const people = page.getByRole('region', { name: 'People' });
  await people.getByLabel('only some machines').nth(1).check();
  await people.getByLabel('Press A').check();
  await page.getByRole('button', { name: 'Save the hours' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Plan' })).toBeVisible();
  await expect(page.getByText('Orders by this plan').first()).toBeVisible();
  await page.getByRole('link', { name: 'Working hours' }).click();
  await expect(people.getByLabel('Press A')).toBeChecked();
  // what was timed on the floor stands beside what routes assume
  const times = page.getByRole('table', { name: 'How long work takes here' });
  await expect(times.getByRole('row').filter({ hasText: 'Inspect the piece' })).toContainText(
    /(longer|shorter|as long as) .*assumed\s*\d+ times, they vary by \d+ %/,
  );
  expect(await axeFindings(page)).toEqual([]);
  await people.getByLabel('only some machines').nth(1).uncheck();

  // holidays as a spreadsheet has them: a line that is wrong changes nothing, then they are filled in, and go out again
  const holidays = page.getByRole('region', { name: 'Holidays' });
  await page.getByText('In and out as a file').click();
  const file = page.getByLabel('Read a CSV file').locator('visible=false').first();
  const heading = 'kind,name,day,from,to,note\n';
  await file.setInputFiles(csv(`${heading}holiday,Midwinter,2031-12-25\nholiday,Bad day,25.12.\n`));
  await expect(page.getByRole('alert').filter({ hasText: 'Line 3.' })).toContainText(
    'write a holiday’s day as',
  );
  await expect(holidays.getByLabel('Day')).toHaveCount(0);
  await file.setInputFiles(csv(`${heading}holiday,Midwinter,2031-12-25\n`));
  await expect(page.getByText('is filled in. Look at it, then save the hours.')).toBeVisible();
  await expect(holidays.getByLabel('Day')).toHaveValue('2031-12-25');
  expect(await axeFindings(page)).toEqual([]);
  const out = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export CSV' }).click();
  const written = await readFile((await (await out).path()) ?? '', 'utf8');
  expect(written).toContain('holiday,Midwinter,2031-12-25,,,');
  expect(written).toMatch(/hours,Ines,monday,7:00,15:30,/);
  await page.getByRole('button', { name: 'Save the hours' }).click();
  await expect(page.getByText('Orders by this plan').first()).toBeVisible();
});

test('a press breaks: the plan follows with little moved, says what is later and why, and a better one is taken', async ({
  page,
}) => {
  await page.goto('/plan');
  await page.getByRole('button', { name: 'Something came up …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Something came in the way' });
  await dialog.getByLabel('Machine').selectOption('Press A');
  await typeDue(page, new Date(Date.now() - 86_400_000), 'Until');
  await dialog.getByRole('button', { name: 'Let the plan follow' }).click();
  await expect(dialog).toContainText('It ends before it begins');
  expect(await axeFindings(page)).toEqual([]);
  await typeDue(page, new Date(Date.now() + 3 * 86_400_000), 'Until');
  await dialog.getByLabel('Why (optional)').fill('element burnt through');
  await dialog.getByRole('button', { name: 'Let the plan follow' }).click();
  await expect(dialog).toBeHidden();

  const later = page.getByRole('region', { name: 'Later than it was kept' });
  await expect(later).toContainText('Press A is not there when');
  // a better one is looked for by itself, and nothing is moved before it is taken
  const better = page.getByRole('region', { name: 'A better plan' });
  await expect(better).toBeVisible();
  await better.getByRole('button', { name: 'Take it' }).click();
  await expect(page.getByText('Changed here, not kept yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this plan' }).click();
  await expect(page.getByText(/^As .+ kept it, number \d+/)).toBeVisible();
  await expect(later).toBeHidden();

  await page.getByRole('link', { name: 'Working hours' }).click();
  const still = page.getByRole('region', { name: 'Machines that stand still' });
  await expect(still.getByLabel('Why (optional)')).toHaveValue('element burnt through');
  await still.getByRole('button', { name: 'Take out' }).click();
  await page.getByRole('button', { name: 'Save the hours' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Plan' })).toBeVisible();
});

test('today says where hands are needed next, and every line leads to the thing itself', async ({ page }) => {
  await page.goto('/orders');
  await expect(page.getByRole('heading', { level: 1, name: 'Orders' })).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('t');
  await expect(page.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  const hands = page.getByRole('region', { name: 'Hands needed next' });
  await expect(hands.getByRole('listitem').first()).toBeVisible();
  const known = page.getByRole('region', { name: 'Worth knowing' });
  await expect(
    known.getByRole('link', { name: /^K-217 for The Mooring Café will be .* late(:|$)/ }),
  ).toBeVisible();
  await known.getByRole('link', { name: 'Press B is due for a survey' }).click();
  await expect(page).toHaveURL(/\/presses\//);
  await page.goBack();
  await hands.getByRole('link').first().click();
  await expect(page).toHaveURL(/\/(floor|route)\//);
});
