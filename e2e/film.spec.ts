import type { Page } from '@playwright/test';
import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { FILM_STEPS, enough, finishStep, nextTitle, openOnFloor, orderOverApi } from './shop.ts';

/** A copy on the sheet that is looked at. */
const piece = (page: Page, name: RegExp) =>
  page.getByRole('region', { name: 'The film' }).getByRole('button', { name }).first();
const figure = (page: Page, what: string) =>
  page.getByRole('table', { name: 'What it takes' }).getByRole('row', { name: new RegExp(`^${what}`) });
const layOut = async (page: Page, words: string): Promise<void> => {
  await page.getByRole('button', { name: words, exact: true }).click();
  await enough(page);
};

test('three orders share two sheets: laid out, one piece put elsewhere and locked, improved round it, put on the floor', async ({
  page,
}) => {
  const orders = [
    await orderOverApi(page.request, 301, 3),
    await orderOverApi(page.request, 302, 2),
    await orderOverApi(page.request, 303, 4),
  ];
  const codes = orders.map(({ code }) => code);
  await page.goto('/orders');
  await expect(page.getByRole('heading', { level: 1, name: 'Orders' })).toBeVisible();
  await page.keyboard.press('g');
  await page.keyboard.press('m');
  await page.getByRole('button', { name: 'Choose none' }).click();
  for (const code of codes) await page.getByRole('checkbox', { name: `${code} goes on this film` }).check();
  // six prints of 150 mm lie on a piece of roll 330 mm long, so nine take two
  await page.getByLabel('Longest piece', { exact: true }).fill('330');
  await layOut(page, 'Lay out');
  await expect(figure(page, 'Sheets')).toContainText('2');
  await expect(figure(page, 'Cut out by hand')).toContainText('0 of 9');
  expect(await axeFindings(page)).toEqual([]);

  // by hand: dragged over its neighbour it is told, taken back it is right again
  const [first = ''] = codes;
  const moved = piece(page, new RegExp(`^${first}, transfer`));
  const box = (await moved.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.mouse.move(middle.x, middle.y);
  await page.mouse.down();
  await page.mouse.move(middle.x + box.width / 2, middle.y, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByText(/^Not right yet/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Put on the floor' })).toBeDisabled();
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/^Not right yet/)).toBeHidden();

  // by the keyboard: down by 3 mm, and locked there
  await moved.focus();
  for (let mm = 0; mm < 3; mm++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('l');
  const locked = page.getByRole('button', { name: new RegExp(`^${first}, transfer \\d+, locked`) });
  const before = await locked.getAttribute('transform');
  await layOut(page, 'Improve round what is locked');
  await expect(page.getByText(/^Not right yet/)).toBeHidden();
  expect(await locked.getAttribute('transform')).toBe(before);

  await page.reload(); // nothing is lost
  expect(await locked.getAttribute('transform')).toBe(before);

  // kept, it has its files: the print that the printer mirrors itself, and a refusal where it is asked for
  await page.getByRole('button', { name: 'Keep, get files' }).click();
  await page.waitForURL(/\/film\/[0-9a-f-]{36}/);
  const title = page.getByRole('heading', { level: 1, name: /^Film F-\d+$/ });
  const layout = (await title.innerText()).replace('Film ', '');
  await expect(page.getByText('Not mirrored here: the software of Film printer does it.')).toBeVisible();
  await page.getByRole('button', { name: /^Sheet 2/ }).click();
  await expect(page.getByRole('region', { name: 'The film' }).locator('.film-marks')).toContainText(
    `${layout}.2, read through the film`,
  );
  expect(await axeFindings(page)).toEqual([]);
  const [print] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Colour (PNG)' }).click(),
  ]);
  expect(print.suggestedFilename()).toBe(`${layout}-sheet-2-colour-not-mirrored-300dpi.png`);
  const [labels] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Labels (PDF)' }).click(),
  ]);
  expect(labels.suggestedFilename()).toBe(`${layout}-labels.pdf`);

  await page.getByRole('button', { name: 'Put these sheets on the floor' }).click();
  await page.waitForURL(/\/floor\/[0-9a-f-]{36}/);
  const film = page.getByRole('region', { name: 'Film', exact: true });
  for (const code of codes) await expect(film).toContainText(code);
  await film.getByRole('link', { name: `${layout}: files, cutting list` }).click();
  await expect(page.getByRole('link', { name: 'See it on the floor' })).toBeVisible();
  await page.getByRole('link', { name: 'Kept layouts' }).click();
  await expect(page.getByRole('row', { name: new RegExp(`^${layout} `) })).toContainText('on the floor');
  await page.goto('/film');
  await expect(page.getByRole('checkbox', { name: `${first} goes on this film` })).toBeHidden();
});

test('film powdered late on purpose is told while it happens, held up by nothing, and noted for good', async ({
  page,
}) => {
  const { lineId, code } = await orderOverApi(page.request, 304, 1);
  // somebody timed it: in this room ink stays wet for half a minute
  const wet = { operation: 'print-film', setting: 'wetS', value: 30, who: 'Ines', why: 'timed in this room' };
  const planned = await page.request.post(`/api/v1/lines/${lineId}/routes`, {
    data: { overrides: [wet], basedOn: 1 },
  });
  expect(planned.status()).toBe(201);
  await openOnFloor(page, lineId);
  const card = page.getByRole('region', { name: 'What to look at' });
  await expect(card.getByRole('group', { name: 'Which side is coated' })).toBeVisible();
  await finishStep(page, 'Ready the film printer');
  await finishStep(page, 'Print the film');
  const clock = card.getByRole('group', { name: 'Wet clock' });
  await expect(clock).toContainText(/Powder now: wet for 0:[0-2]\d/);
  await expect(card.getByText('Back flicked hard, no grain left on bare film')).toBeVisible();
  await expect(card.getByText(/g should stay on it/)).toBeVisible();
  expect(await axeFindings(page)).toEqual([]);
  // powdering takes 35 s itself: it was begun so long before it was done
  await expect(clock).toContainText(/Late by 0:5\d/, { timeout: 100_000 });
  await expect(page.getByRole('alert')).toContainText('window');
  await finishStep(page, 'Powder the film');
  await expect(card.getByRole('group', { name: 'How far it is melted' })).toContainText(
    'Light cure: take it out',
  );
  for (const title of FILM_STEPS.slice(FILM_STEPS.indexOf('Melt the powder'))) await finishStep(page, title);
  await expect(nextTitle(page)).toHaveText('Inspect the piece');
  await page.getByRole('button', { name: '● Good' }).click();
  await page.goto(`/ledger?search=${code}`);
  await expect(page.getByText(/powdered 0:\d\d after its window/)).toBeVisible();
});
