import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { finishStep, nextTitle, openOnFloor, orderOverApi } from './shop.ts';

const secondsLeft = async (page: Page): Promise<number> => {
  const text = await page.getByRole('timer').locator('.timer-figure').innerText();
  const [minutes = 0, seconds = 0] = text.split(':').map(Number);
  return 60 * minutes + seconds;
};

test('two browsers on one run stay in step, and a reload keeps the timer', async ({ page, browser }) => {
  const { lineId } = await orderOverApi(page.request, 11, 2);
  const runId = await openOnFloor(page, lineId);
  const other = await (await browser.newContext()).newPage();
  await other.goto(`/floor/${runId}`);
  await expect(nextTitle(other)).toHaveText('Print the film');
  await page
    .getByRole('button', { name: /^Start/ })
    .first()
    .click();
  await expect(other.getByRole('timer')).toBeVisible();
  expect(Math.abs((await secondsLeft(page)) - (await secondsLeft(other)))).toBeLessThanOrEqual(1);
  await page.reload();
  await expect(page.getByRole('timer')).toBeVisible();
  expect(Math.abs((await secondsLeft(page)) - (await secondsLeft(other)))).toBeLessThanOrEqual(1);
  await finishStep(other, 'Print the film');
  await expect(nextTitle(page)).toHaveText('Powder the film');
  await page.keyboard.press('u');
  await expect(nextTitle(other)).toHaveText('Print the film');
  await other.context().close();
});

test('a problem is noted, seen by others and solved', async ({ page }) => {
  const { lineId } = await orderOverApi(page.request, 12, 1);
  await openOnFloor(page, lineId);
  await expect(nextTitle(page)).toHaveText('Print the film');
  await page.keyboard.press('p');
  await page.getByLabel('In a few words').fill('white has settled');
  await page.keyboard.press('Enter');
  await expect(page.getByText('white has settled (not named)')).toBeVisible();
  await page.getByRole('button', { name: 'Solved' }).click();
  await expect(page.getByText('white has settled')).toBeHidden();
});

test('a reprint comes back as a round of its own', async ({ page }) => {
  const { lineId } = await orderOverApi(page.request, 13, 1);
  await openOnFloor(page, lineId);
  for (const title of [
    'Print the film',
    'Powder the film',
    'Melt the powder',
    'Cut the transfers apart',
    'Pre-press the blank',
    'Press the transfer',
    'Peel cold',
    'Second press, covered',
  ])
    await finishStep(page, title);
  await page.getByRole('button', { name: '◆ Reprint' }).click();
  await page.getByRole('button', { name: 'lifts on peel' }).click();
  await page.getByRole('button', { name: 'Log as reprint' }).click();
  await expect(nextTitle(page)).toHaveText('Print the film');
  await expect(page.getByRole('region', { name: 'Next' }).getByText(', reprint')).toBeVisible();
});

test('more film than the oven takes is melted load by load, each with its own countdown', async ({
  page,
}) => {
  const { lineId, code } = await orderOverApi(page.request, 14, 20);
  await openOnFloor(page, lineId);
  const next = page.getByRole('region', { name: 'Next' });
  await expect(next.getByText('all 20 pieces')).toBeVisible();
  await finishStep(page, 'Print the film');
  await finishStep(page, 'Powder the film');
  await expect(next.getByText('load 1 of 2, 16 pieces')).toBeVisible();
  await page
    .getByRole('button', { name: /^Start/ })
    .first()
    .click();
  expect(await secondsLeft(page)).toBeGreaterThan(140);
  const onMachines = page.getByRole('region', { name: 'Stations' }).getByRole('listitem');
  await expect(onMachines.filter({ hasText: code })).toContainText('load 1 of 2');
  await page.getByRole('button', { name: /^Done/ }).click();
  await expect(next.getByText('load 2 of 2, 4 pieces')).toBeVisible();
  await finishStep(page, 'Melt the powder');
  await expect(nextTitle(page)).toHaveText('Cut the transfers apart');
});

test('a server killed in mid-run loses nothing: steps done meanwhile arrive when it is back', async ({
  page,
}) => {
  let server = await startServer(0);
  const { port } = server;
  const base = `http://127.0.0.1:${port}`;
  const { lineId } = await orderOverApi(page.request, 14, 1);
  const run = (await (await page.request.post('/api/v1/runs', { data: { lineId, by: 'Ines' } })).json()) as {
    id: string;
  };
  await page.goto(`${base}/floor/${run.id}`);
  await finishStep(page, 'Print the film');
  await expect(nextTitle(page)).toHaveText('Powder the film');
  server.child.kill('SIGKILL');
  await expect(page.getByText('No connection to the server')).toBeVisible();
  await finishStep(page, 'Powder the film');
  await expect(nextTitle(page)).toHaveText('Melt the powder');
  await expect(page.getByText(/\(\d waiting\)/)).toBeVisible();
  server = await startServer(port);
  await expect(page.getByText('No connection to the server')).toBeHidden({ timeout: 30_000 });
  await expect
    .poll(async () =>
      (
        (await (await page.request.get(`/api/v1/runs/${run.id}`)).json()) as { events: { step: string }[] }
      ).events.map(({ step }) => step),
    )
    .toEqual(['1/print-film/0', '1/print-film/0', '1/powder/0']);
  server.child.kill('SIGTERM');
});

/** A second server on the same database, which a test may kill. */
async function startServer(port: number): Promise<{ child: ChildProcess; port: number }> {
  const child = spawn(process.execPath, ['server/dist/main.js'], {
    cwd: new URL('..', import.meta.url),
    env: {
      ...process.env,
      DATABASE_URL: process.env.SALTFLAT_E2E_DATABASE,
      SALTFLAT_PORT: String(port),
      SALTFLAT_WEB: new URL('../web/dist', import.meta.url).pathname,
      LOG_LEVEL: 'silent',
    },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  const got = await new Promise<number>((resolve, reject) => {
    child.on('message', (message: { port?: number; problem?: string }) =>
      message.port ? resolve(message.port) : reject(new Error(message.problem)),
    );
    child.on('exit', () => reject(new Error('the second server stopped')));
  });
  return { child, port: got };
}
