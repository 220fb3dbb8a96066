import type { Locator, Page } from '@playwright/test';
import sharp from 'sharp';
import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { drawPng, orderOverApi } from './shop.ts';

const RED = [205, 45, 60, 255] as const;
const findings = (page: Page): Locator => page.getByRole('list', { name: 'Findings' });
const measured = async (page: Page): Promise<void> => expect(page.getByText(/^Measured\./)).toBeVisible();
const openPanel = async (page: Page, name: string | RegExp): Promise<void> =>
  page.getByRole('tab', { name }).click();
/** The amount in a row of the figures. */
const amountOf = async (page: Page, row: RegExp): Promise<number> => {
  const cells = page.getByRole('row', { name: row }).getByRole('cell');
  return Number.parseFloat(await cells.nth(1).innerText());
};

/** 200 mm wide at 300 px per inch would be 2362 px: small enough to draw here is half of that. */
const black = (seed: number): Buffer =>
  drawPng(1200, 1000, (x, y) =>
    Math.hypot(x - 500, y - 500) < 250 ? [205, 45 + seed, 60, 255] : [4, 4, 4, 255],
  );

test('the black box is taken out by one press: white and cost fall, and the route follows', async ({
  page,
  request,
}) => {
  const { lineId } = await orderOverApi(request, 31, 3, black(1));
  await page.goto(`/artwork/${lineId}`);
  await expect(findings(page).getByText('An opaque black box round the art')).toBeVisible();
  await openPanel(page, 'Figures');
  const whiteBefore = await amountOf(page, /^White coverage/);
  const powderBefore = await amountOf(page, /^Powder/);
  await openPanel(page, /^Findings/);
  await page.getByRole('button', { name: 'Take #040404 out from the border in' }).click();
  await expect(findings(page).getByText('An opaque black box round the art')).toBeHidden();
  await measured(page);
  await openPanel(page, 'Figures');
  expect(await amountOf(page, /^White coverage/)).toBeLessThan(0.3 * whiteBefore);
  expect(await amountOf(page, /^Powder/)).toBeLessThan(0.3 * powderBefore);

  // undo and redo, then a reload in the middle loses nothing
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'Kept' })).toBeDisabled();
  await page.keyboard.press('Control+y');
  await page.reload();
  await openPanel(page, /^Findings/);
  await expect(page.getByRole('list', { name: 'Steps' }).getByText('Take out #040404')).toBeVisible();

  const costOf = async (): Promise<number> =>
    ((await (await request.get(`/api/v1/lines/${lineId}/route`)).json()) as { cost: { totalCents: number } })
      .cost.totalCents;
  const costBefore = await costOf();
  await page.getByRole('button', { name: 'Keep for this print' }).click();
  await expect(page.getByText(/is now on route version 2/)).toBeVisible();
  expect(await costOf()).toBeLessThan(costBefore);
  await openPanel(page, 'Versions');
  await expect(page.getByText('Version 1', { exact: true })).toBeVisible();
});

test('planes come out as they are printed, and the film’s pair is mirrored once', async ({
  page,
  request,
}) => {
  const { lineId } = await orderOverApi(request, 32, 1, black(2));
  await page.goto(`/artwork/${lineId}`);
  await page.getByRole('button', { name: 'Take #040404 out from the border in' }).click();
  await measured(page);
  await page.getByRole('button', { name: 'Keep for this print' }).click();
  await expect(page.getByText(/is now on route version 2/)).toBeVisible();
  await openPanel(page, 'Out');
  const fetched = async (name: string): Promise<{ data: Buffer; width: number; perInch: number }> => {
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name }).click();
    const file = sharp(await (await download).path());
    const { width, density = 0 } = await file.metadata();
    return { data: await file.toColourspace('b-w').raw().toBuffer(), width, perInch: density };
  };
  const white = await fetched('White plane as PNG');
  const film = await fetched('Film: white, mirrored once as TIFF');
  expect(white.width).toBe(1200);
  expect(white.perInch).toBeCloseTo((1200 * 25.4) / 150, 0);
  const codeAt = ({ data, width }: { data: Buffer; width: number }, x: number, y: number): number =>
    data[y * width + x] ?? -1;
  expect(codeAt(white, 500, 500)).toBeGreaterThan(100);
  expect(codeAt(white, 900, 500)).toBe(0);
  for (let x = 0; x < 1200; x += 7) expect(codeAt(film, 1199 - x, 500)).toBe(codeAt(white, x, 500));

  // the customer's answer goes on the order, and the rights are asked once
  await page.getByLabel('Who answered').fill('Mira of the gulls');
  await page.getByRole('button', { name: 'Record approval' }).click();
  await expect(page.getByText(/Approved by Mira of the gulls/)).toBeVisible();
  await page.getByRole('radio', { name: 'Licensed, transfers included' }).check();
  await page.getByRole('link', { name: 'Order', exact: true }).click();
  await expect(page.getByText(/Proof approved by Mira of the gulls/)).toBeVisible();
  await expect(page.getByText(/Nobody has asked yet whose image/)).toBeHidden();
});

test('a glow is screened into dots, hair-lines are thickened', async ({ page, request }) => {
  const glow = drawPng(900, 900, (x, y) => {
    if (x > 20 && x < 880 && y > 860 && y < 862) return RED;
    if (x > 20 && x < 880 && y > 880 && y < 882) return RED;
    const share = 1 - Math.hypot(x - 450, y - 420) / 400;
    return share <= 0 ? null : [250, 200, 40, Math.round(255 * Math.min(1, 1.3 * share))];
  });
  const { lineId } = await orderOverApi(request, 33, 1, glow);
  await page.goto(`/artwork/${lineId}`);
  await expect(findings(page).getByText('A soft glow or shadow')).toBeVisible();
  await page.getByRole('button', { name: 'Screen it into dots' }).click();
  await expect(findings(page).getByText('A soft glow or shadow')).toBeHidden();
  const lines = drawPng(1000, 700, (x, y) => (y % 60 < 1 && x > 20 && x < 980 ? RED : null));
  const fine = await orderOverApi(request, 34, 1, lines);
  await page.goto(`/artwork/${fine.lineId}`);
  await expect(findings(page).getByText('Hair-lines')).toBeVisible();
  await page.getByRole('button', { name: /^Thicken by 0.20 mm/ }).click();
  await expect(findings(page).getByText('Hair-lines')).toBeHidden();
});

test('with the keyboard alone: layers, zoom, a fix, a slider, undo, keep', async ({ page, request }) => {
  const { lineId } = await orderOverApi(request, 35, 1, black(5));
  await page.goto(`/artwork/${lineId}`);
  await expect(findings(page).getByText('An opaque black box round the art')).toBeVisible();
  await page.keyboard.press('w');
  await expect(page.getByRole('button', { name: 'White w' })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('x');
  await expect(page.getByRole('button', { name: 'Split x' })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('img', { name: /White ink under the colour/ }).focus();
  await page.keyboard.press('1');
  await expect(page.getByText('100 %', { exact: true })).toBeVisible();
  await page.keyboard.press('8');
  await expect(page.getByText('800 %', { exact: true })).toBeVisible();
  await page.keyboard.press('0');
  await page.getByRole('button', { name: 'Take #040404 out from the border in' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('list', { name: 'Steps' })).toBeVisible();
  await page.getByRole('tab', { name: /^Findings/ }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  const density = page.getByRole('slider', { name: 'Density' });
  await density.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(density).toHaveAttribute('aria-valuetext', /^62\s%$/);
  await page.keyboard.press('Control+z');
  await expect(density).toHaveAttribute('aria-valuetext', /^60\s%$/);
  await page.keyboard.press('Control+y');
  await page.getByRole('button', { name: 'Keep for this print' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/is now on route version 2/)).toBeVisible();
});

test('pixels that do not come are said so, and fetched when asked again', async ({ page, request }) => {
  const { lineId } = await orderOverApi(request, 36, 1, black(6));
  await page.route('**/pixels', (route) => route.fulfill({ status: 500, body: 'no' }));
  await page.goto(`/artwork/${lineId}`);
  await expect(page.getByRole('alert')).toContainText('The pixels of this artwork cannot be fetched');
  await page.unroute('**/pixels');
  await page.getByRole('button', { name: 'Try again' }).click();
  await measured(page);
});

test('a measuring thread that dies says so, and another takes its place', async ({ page, request }) => {
  const { lineId } = await orderOverApi(request, 38, 1, black(8));
  await page.goto(`/artwork/${lineId}`);
  await measured(page);
  const [thread] = page.workers();
  if (!thread) throw new Error('there is no measuring thread');
  await page.getByRole('tab', { name: 'White' }).click();
  const slider = page.getByRole('slider', { name: 'Density' });
  await slider.focus();
  await thread.evaluate(() => void setTimeout(() => { throw new Error('made-up want of memory'); }, 0)); // prettier-ignore
  await page.keyboard.press('ArrowLeft');
  const alert = page.getByRole('alert');
  await expect(
    page
      .getByText(/^Measured\./)
      .or(alert)
      .first(),
  ).toBeVisible();
  if (await alert.isVisible()) await page.getByRole('button', { name: 'Try again' }).click();
  await expect.poll(() => page.workers().map((own) => own !== thread)).toEqual([true]);
  await measured(page);
});

test('axe finds nothing on any panel of the artwork', async ({ page, request }) => {
  const { lineId } = await orderOverApi(request, 37, 1, black(7));
  await page.goto(`/artwork/${lineId}`);
  await page.getByRole('button', { name: 'Take #040404 out from the border in' }).click();
  await measured(page);
  await page.getByRole('button', { name: /^Take out #040404 where/ }).click();
  for (const panel of [/^Findings/, 'White', 'Figures', 'Versions', 'Out']) {
    await openPanel(page, panel);
    expect(await axeFindings(page), String(panel)).toEqual([]);
  }
});

test('what is tried on an artwork says when the line was planned anew by somebody else, after a reload too', async ({
  page,
  request,
}) => {
  const { lineId } = await orderOverApi(request, 39, 1, black(9));
  const takeOut = async (own: Page): Promise<void> => {
    await own.goto(`/artwork/${lineId}`);
    await expect(findings(own).getByText('An opaque black box round the art')).toBeVisible();
    await own.getByRole('button', { name: 'Take #040404 out from the border in' }).click();
    await expect(own.getByRole('list', { name: 'Steps' })).toBeVisible();
  };
  await takeOut(page);
  const colleague = await page.context().browser()!.newContext();
  const theirs = await colleague.newPage();
  await takeOut(theirs);
  await theirs.getByRole('button', { name: 'Keep for this print' }).click();
  await expect(theirs.getByText(/is now on route version 2/)).toBeVisible();
  await colleague.close();

  const overtaken = page.getByText(/^◆ The route of .* was changed by somebody else after you began/);
  await expect(overtaken).toBeVisible();
  await page.reload();
  await expect(overtaken).toBeVisible();
  await page.getByRole('button', { name: 'Start again from theirs' }).click();
  await expect(overtaken).toBeHidden();
  await expect(page.getByRole('button', { name: 'Keep for this print' })).toHaveCount(0); // nothing of mine is left to keep
});
