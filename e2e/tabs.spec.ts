import type { Page } from '@playwright/test';
import { expect, test } from './journey.ts';
import { orderOverApi } from './shop.ts';

test('nine tabs of one browser work at once, follow what happens, and go on when the one that listens is closed', async ({
  context,
  request,
}) => {
  const tabs: Page[] = [];
  for (let i = 0; i < 9; i++) {
    const page = await context.newPage();
    await page.goto('/orders?sort=code&direction=desc');
    await expect(page.getByRole('link', { name: 'New order' })).toBeVisible();
    tabs.push(page);
  }
  const first = await orderOverApi(request, 61, 3);
  const code = (own: string): string => own.split('/')[0] ?? '';
  for (const page of tabs) await expect(page.getByText(code(first.code)).first()).toBeVisible();

  await tabs[0]?.close();
  await expect(async () => {
    const { code: next } = await orderOverApi(request, 62, 2);
    for (const page of tabs.slice(1))
      await expect(page.getByText(code(next)).first()).toBeVisible({ timeout: 4000 });
  }).toPass();
});

test('a page of somebody else can neither change the shop nor read it', async ({ page, baseURL }) => {
  const { port } = new URL(baseURL ?? '');
  // another name of this machine: another origin, whose page the server itself would not hand out
  await page.goto(`http://localhost:${port}/orders`);
  const tried = await page.evaluate(async (target) => {
    const result = (asked: Promise<Response>): Promise<string> =>
      asked.then(
        (answer) => `${answer.type} ${answer.status}`,
        () => 'refused',
      );
    const body = '[{"name":"Mine","kind":"film"}]';
    const url = `${target}/api/v1/shop/import?list=materials&format=json`;
    return {
      imported: await result(
        fetch(url, { method: 'POST', mode: 'no-cors', headers: { 'content-type': 'text/plain' }, body }),
      ),
      read: await result(fetch(`${target}/api/v1/orders`)),
      shown: await new Promise((resolve) => {
        const image = new Image();
        image.onload = () => resolve('shown');
        image.onerror = () => resolve('refused');
        image.src = `${target}/favicon.svg`;
      }),
    };
  }, baseURL);
  expect(tried.read).toBe('refused');
  expect(tried.shown).toBe('refused');
  const materials = (await (await page.request.get(`${baseURL}/api/v1/catalogue`)).json()) as {
    materials: { name: string }[];
  };
  expect(materials.materials.filter(({ name }) => name === 'Mine')).toEqual([]);
});
