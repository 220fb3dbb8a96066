import type { APIRequestContext, Page } from '@playwright/test';
import type { ShopWriting } from '@saltflat/contract';
import { phrase } from '@saltflat/core/language';
import { expect, test } from './journey.ts';
import { englishOn, shopWords } from './madeUp.ts';
import { drawPng, openOnFloor, orderOverApi } from './shop.ts';

/** A phrase as the made-up language says it. */
const t = (english: string, parts: Record<string, string | number> = {}): string =>
  phrase(english, 'made-up', parts);

/** Words with no room: cut off by what is around them, or wider than the page. */
const cutOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const wide = document.documentElement.scrollWidth - window.innerWidth;
    const cut = [...document.querySelectorAll('button, label, h1, h2, h3, th, a, [role=status], [role=tab]')]
      .filter(
        (own) =>
          own.checkVisibility() &&
          own.scrollWidth > own.clientWidth + 1 &&
          getComputedStyle(own).overflowX === 'hidden',
      )
      .map((own) => own.textContent);
    return wide > 0 ? [...cut, `the page is ${wide} px too wide`] : cut;
  });

/** Has the whole shop written in a language. */
async function writeIn(request: APIRequestContext, language: 'en' | 'made-up'): Promise<void> {
  const { document, version } = (await (await request.get('/api/v1/shop/writing')).json()) as ShopWriting;
  const data = { version, record: { ...document, language } };
  expect((await request.put('/api/v1/shop/writing', { data })).status()).toBe(200);
}

test.beforeEach(({ request }) => writeIn(request, 'made-up'));
test.afterEach(({ request }) => writeIn(request, 'en'));

test('in a made-up language of longer words nothing is left in English and nothing is cut, in orders and on the floor', async ({
  page,
  request,
}) => {
  const film = await orderOverApi(request, 91, 1);
  const direct = await orderOverApi(request, 92, 1, undefined, 'dtg');
  await page.addInitScript(() => localStorage.setItem('saltflat.person', 'Wanjiru'));
  const { items } = (await (await request.get('/api/v1/orders?limit=100')).json()) as {
    items: { id: string; state: string }[];
  };
  const known = await shopWords(request, [
    '/orders?limit=100',
    '/runs',
    ...items.map(({ id }) => `/orders/${id}`),
  ]);
  for (const word of ['Wanjiru', 'disc', 'png']) known.add(word);
  const look = async (what: string): Promise<void> => {
    for (const [width, height] of [
      [390, 844],
      [1280, 800],
    ] as const) {
      await page.setViewportSize({ width, height });
      expect.soft(await englishOn(page, known), `${what} at ${width} px`).toEqual([]);
      // what is drawn to measure (traces, charts) follows a new width a frame later
      await expect
        .configure({ soft: true })
        .poll(() => cutOn(page), { message: `${what} at ${width} px` })
        .toEqual([]);
    }
  };

  // the list, and an order in each state there is
  await page.goto('/orders');
  await expect(page.locator('html')).toHaveAttribute('lang', 'en-x-made-up');
  await expect(page.getByRole('grid')).toBeVisible();
  await look('the orders');
  const states = new Map(items.map((order) => [order.state, order.id]));
  expect(states.size).toBeGreaterThan(2);
  for (const [state, id] of states) {
    await page.goto(`/orders/${id}`);
    await expect(page.getByRole('region', { name: t('Quotes') })).toBeVisible();
    await page.waitForLoadState('networkidle');
    await look(`an order that is ${state}`);
  }

  // an order being written: art that is judged, processes compared, and what is still missing
  await page.goto('/orders/new');
  await page
    .getByLabel(t('Artwork of line {line}', { line: 1 }))
    .setInputFiles({ name: 'disc.png', mimeType: 'image/png', buffer: boxPng() });
  await page.getByLabel(t('Quantity, size {size}', { size: 'M' })).fill('3');
  await expect(
    page.getByRole('region', {
      name: t('Processes side by side for {of}', {
        of: t('print {print} of line {line}', { print: 1, line: 1 }),
      }),
    }),
  ).toBeVisible();
  await page.getByRole('button', { name: t('Take in the order') }).click();
  await expect(page.getByText('Give')).toBeHidden();
  await page.waitForLoadState('networkidle');
  await look('a new order');

  // the floor, through the steps of a line
  await page.goto('/floor');
  await expect(page.getByText(t('Ready to start'))).toBeVisible();
  await look('the floor');
  const next = page.getByRole('region', { name: t('Next') });
  for (const lineId of [film.lineId, direct.lineId]) {
    await openOnFloor(page, lineId);
    for (let step = 0; step < 16; step++) {
      await expect(next).toBeVisible();
      await look(`step ${step} on the floor`);
      if ((await next.getByRole('heading', { level: 2 }).innerText()) === t('Inspect the piece')) break;
      await page.keyboard.press(' ');
      await page.waitForTimeout(300); // the next is worked out
    }
  }
  await page.keyboard.press('x');
  await expect(page.getByRole('dialog')).toBeVisible();
  await look('what was spoiled');
  await page.keyboard.press('Escape');
  await page.keyboard.press('p');
  await expect(page.getByRole('dialog')).toBeVisible();
  await look('a problem');
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toBeVisible();
  await look('the keys');
});

/** Art with an opaque box round it: something stands out in it. */
const boxPng = (): Buffer =>
  drawPng(1200, 1200, (x, y) =>
    (x - 600) ** 2 + (y - 600) ** 2 < 400 ** 2 ? [205, 45, 60, 255] : [4, 4, 4, 255],
  );
