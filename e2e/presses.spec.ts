import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { axeFindings } from './axe.ts';

const openPress = async (page: Page, name: RegExp): Promise<void> => {
  await page.goto('/presses');
  await page.getByRole('tab', { name }).click();
};

test('the presses say what is known of them: a cold corner, a survey that is due, none at all', async ({
  page,
}) => {
  await openPress(page, /^Press A/);
  await expect(page.getByText('Cold front right')).toBeVisible();
  await expect(page.getByRole('img', { name: /Plate of Press A/ })).toHaveAttribute(
    'aria-label',
    /front right: 147/,
  );
  await page.getByRole('button', { name: 'Table' }).click();
  await expect(page.getByRole('cell', { name: 'front right' })).toBeVisible();
  await page.getByRole('tab', { name: /^Press B/ }).click();
  await expect(page.getByText(/A new survey was due on/)).toBeVisible();
  await page.getByRole('tab', { name: 'Cap press ◌' }).click();
  await expect(page.getByText('Cap press was never surveyed')).toBeVisible();
});

test('a press is surveyed spot by spot, what is written survives, and a route over its cold corner changes', async ({
  page,
}) => {
  const { items } = (await (await page.request.get('/api/v1/orders?search=K-212&state=open')).json()) as {
    items: { id: string }[];
  };
  const order = await page.request.get(`/api/v1/orders/${items[0]?.id ?? ''}`);
  const [line] = ((await order.json()) as { lines: { id: string }[] }).lines;
  const route = `/route/${line?.id ?? ''}`;
  const heat = page.getByRole('region', { name: 'What the heat does' });
  await page.goto(route);
  await expect(heat).toContainText('The print reaches a cold place of Press A, front right');
  await expect(heat).toContainText(/surveyed on .+ colder than its display/);

  await heat.getByRole('link', { name: 'Survey' }).click();
  await page.getByRole('button', { name: 'Survey this press' }).click();
  const form = page.getByRole('form', { name: 'Survey' });
  await expect(form).toContainText('Spot 1 of 12: back left');
  await form.getByLabel('1 back left').fill('138');
  await expect(form).toContainText('Spot 2 of 12: back middle');
  await form.getByRole('button', { name: 'It is closed' }).click();
  await expect(form).toContainText(/Closed: \d+ s to go/);
  await page.reload(); // nothing that was written is lost
  await page.getByRole('button', { name: 'Survey this press' }).click();
  await expect(form.getByLabel('1 back left')).toHaveValue('138');

  await form.getByRole('button', { name: /^Keep the survey, 1 of 12 spots/ }).click();
  await expect(form).toContainText(/“Readings” needs at least 5/);
  await expect(form).toContainText('Who measured it?');
  await form.getByRole('button', { name: 'Paste readings' }).click();
  const paste = form.getByLabel(/^One a line/);
  await paste.fill('67,63,138,5\n200,63,138');
  await form.getByRole('button', { name: 'Take them in' }).click();
  await expect(form).toContainText('set figures apart by semicolons');
  await expect(paste).toHaveValue(/138,5/);
  await paste.fill(Array.from({ length: 10 }, (_, i) => String(137.5 + (i % 3) / 2)).join('\n'));
  await form.getByRole('button', { name: 'Take them in' }).click();
  await page.request.post('/api/v1/devices/thermometer/drive', { data: { target: 137.5, noise: 0 } });
  for (const spot of ['11 front middle', '12 front right']) {
    await form.getByRole('button', { name: /^Take 137\.5/ }).click(); // what the thermometer says
    await expect(form.getByLabel(spot)).toHaveValue('137.5');
  }
  await expect(form).toContainText('Every spot is read.');
  await form.getByLabel('Who').fill('Ines');
  expect(await axeFindings(page)).toEqual([]);
  await form.getByRole('button', { name: /^Keep the survey, 12 of 12 spots/ }).click();
  await expect(form).toHaveCount(0);
  await expect(page.getByText('Plate of Press A, survey 3')).toBeVisible();
  await expect(page.getByText('Cold front right')).toHaveCount(0);
  await page.getByRole('button', { name: /^2 / }).click(); // the one before is still there
  await expect(page.getByText('Cold front right')).toBeVisible();

  await page.goto(route);
  await expect(heat).toContainText('Press A, surveyed on');
  await expect(heat).not.toContainText('reaches a cold place');
});

test('stacks are held against each other on the bench, changed layer by layer, and kept through a reload', async ({
  page,
}) => {
  await page.goto('/presses');
  await page.getByRole('link', { name: 'Bench: what if' }).click();
  await page
    .getByLabel('Begin with a question')
    .selectOption({ label: 'A cold mat or one kept on the press' });
  const doses = page.getByRole('table', { name: 'Doses' });
  const bond = doses.getByRole('row', { name: /^Bond, needed/ }).getByRole('cell');
  await expect(bond).toHaveCount(4);
  const figure = async (i: number): Promise<number> => Number.parseFloat(await bond.nth(i).innerText());
  await expect.poll(() => figure(3)).toBeGreaterThanOrEqual(0);
  expect(await figure(2)).toBeGreaterThan(3 * (await figure(3))); // hot against cold
  await expect(page.getByRole('img', { name: /^Temperatures\. Parchment, glue line/ })).toBeVisible();

  await page.getByRole('tab', { name: 'Thick mat, cold' }).click();
  const layers = page.getByRole('list', { name: 'Layers, from the plate down' });
  await layers.getByRole('button', { name: 'Take layer 1 out' }).click(); // without its mat
  await expect.poll(() => figure(3)).toBeGreaterThan(await figure(1));
  await page.getByLabel('Closed for').fill('0');
  await expect(page.getByText('From 1 to 900, not 0.')).toBeVisible();
  await expect(page.getByText('is left out until it is mended')).toBeVisible();
  await page.getByLabel('Closed for').fill('12');
  await page.getByRole('button', { name: 'Add one like this' }).click();
  await expect(page.getByRole('tab')).toHaveCount(4);
  await expect(page.getByRole('button', { name: 'Add one like this' })).toBeDisabled();
  await page.reload();
  await expect(page.getByRole('tab', { name: 'Thick mat, cold 2' })).toBeVisible();
  expect(await axeFindings(page)).toEqual([]);
});
