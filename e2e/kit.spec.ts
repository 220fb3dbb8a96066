import { expect, test } from './journey.ts';

test('the kit looks as it did: every piece in every state', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto('/kit');
  await expect(page.getByText('A list of ten thousand')).toBeVisible();
  await page.evaluate(() => document.fonts.ready);
  await expect(page.locator('canvas').first()).toBeVisible();
  await page.mouse.move(0, 0);
  // letters may be smoothed otherwise by another browser; a piece that moved, grew or lost its colour is more than that
  await expect(page.getByRole('main')).toHaveScreenshot('kit.png', {
    animations: 'disabled',
    maxDiffPixelRatio: 0.03,
    timeout: 30_000,
  });
});

test('nothing in the kit is cut off, on a phone either', async ({ page }) => {
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 844 });
    await page.goto('/kit');
    await expect(page.getByText('A list of ten thousand')).toBeVisible();
    const cut = await page.evaluate(() =>
      [...document.querySelectorAll('main button, main label, main h3, main [role=status], main [role=tab]')]
        .filter((own) => {
          const { overflowX, textOverflow } = getComputedStyle(own);
          return (
            own.scrollWidth > own.clientWidth + 1 && overflowX === 'hidden' && textOverflow !== 'ellipsis'
          );
        })
        .map((own) => own.textContent),
    );
    expect(cut, `at ${width} px`).toEqual([]);
    expect(
      await page.evaluate(() => document.documentElement.scrollWidth),
      `at ${width} px`,
    ).toBeLessThanOrEqual(width);
  }
});
