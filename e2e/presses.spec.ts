import type { Page } from '@playwright/test';
import { axeFindings } from './axe.ts';
import { expect, test } from './journey.ts';
import { openLine } from './shop.ts';

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

/** The page of K-212's route, and its part about heat. */
async function kiteRoute(page: Page) {
  const { lineId } = await openLine(page.request, 'K-212');
  return {
    address: `/route/${lineId}`,
    heat: page.getByRole('region', { name: 'What the heat does' }),
  };
}

test('a press is surveyed spot by spot, what is written survives, and a route over its cold corner changes', async ({
  page,
}) => {
  const { address: route, heat } = await kiteRoute(page);
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
  await expect(async () => {
    await form.getByRole('button', { name: 'Take them in' }).click(); // while what is folded out is still moving
    await expect(form).toContainText('set figures apart by semicolons', { timeout: 3000 });
  }).toPass();
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

test('a pressure scale is tested by pulling a strip, and the route says the mark that was found', async ({
  page,
}) => {
  await openPress(page, /^Press A/);
  await page.getByRole('button', { name: 'Pressure', exact: true }).click();
  await expect(page.getByRole('table', { name: 'Pressure by mark' })).toContainText('Strip, slid at 4.7 kg');
  await page.getByRole('button', { name: 'Test the pressure' }).click();
  const form = page.getByRole('form', { name: 'Pressure test' });
  await form.getByLabel('Slid under it at, kg').fill('3');
  const read = form.getByLabel('Read');
  await read.nth(0).fill('2,4');
  await read.nth(1).fill('6');
  await read.nth(2).fill('2');
  await expect(form.getByRole('alert')).toContainText(
    /Mark 5 comes to 49.kPa and mark 8, which should press harder/,
  );
  await page.reload(); // nothing that was written is lost
  await page.getByRole('button', { name: 'Test the pressure' }).click();
  await expect(read.nth(1)).toHaveValue('6');
  await form.getByLabel('Tested by').nth(2).selectOption({ label: 'Paper holds or tears' });
  const table = form.getByRole('table', { name: 'Pressure by mark' });
  await expect(table.getByRole('row', { name: /^5 49.kPa 39–59.kPa/ })).toBeVisible(); // 10 kg on 20 cm²
  expect(await axeFindings(page)).toEqual([]);
  await form.getByLabel('Who').fill('Ines');
  await form.getByRole('button', { name: 'Keep the test' }).click();
  await expect(form).toHaveCount(0);
  await expect(page.getByRole('button', { name: /^2 / })).toBeVisible(); // the second test of this press

  const { address, heat } = await kiteRoute(page);
  await page.goto(address);
  await expect(heat).toContainText('Its pressure scale is tested');
  await page
    .getByRole('button', { name: /^Pressure \(firm\) 50/ })
    .first()
    .click();
  await expect(page.getByText(/By the gauge on Press A that is mark 5\.5/)).toBeVisible(); // 49 kPa at 5, 60 at 8; by the test before it was 5
});

/** A tee's glue line by a made-up logger, half a second too early: heat passes into this press's work badly. */
const GLUE_C = [
  24.3, 24.8, 67.1, 91, 103.8, 111, 116.6, 121, 123.2, 125.6, 128.2, 128.9, 130.6, 132.4, 132.3, 133.7, 134.7,
];
const LOG = [
  'time;glue;bench',
  ...GLUE_C.map((tempC, s) => `0:${String(s + 10)};${String(tempC).replace('.', ',')};24,1`),
];

test('a press is calibrated from a logger’s file and washed recipes, and its routes say so', async ({
  page,
}) => {
  const { address, heat } = await kiteRoute(page);
  await page.goto(address);
  await expect(heat).toContainText('not calibrated on this press: no nearer than ±25 % on dwell');
  await openPress(page, /^Press A/);
  await page.getByRole('button', { name: 'Calibration', exact: true }).click();
  await expect(page.getByText('Press A was never calibrated')).toBeVisible();
  await page.getByRole('button', { name: 'Calibrate this press' }).click();
  const form = page.getByRole('form', { name: 'Calibration' });
  const give = (lines: string[]) =>
    form
      .getByLabel('Logger’s file')
      .setInputFiles({ name: 'cycle.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) });
  await give(['time,glue', '0,24,5', '1,67,1']);
  await expect(form.getByRole('alert')).toContainText('Where a comma stands in a figure, put a point');
  await give(LOG);
  await expect(form).toContainText('cycle.csv: 17 readings over 16 s.');
  await expect(form.getByLabel('“bench” lay')).toHaveValue('none');
  const found = form.getByRole('status').filter({ hasText: 'Heat passes into the work' });
  await expect(found).toContainText(/0\.\d\d times as well as on the usual press/);
  await expect(form.getByRole('img', { name: /^Read less modelled/ })).toBeVisible();

  await form.getByRole('button', { name: '4 Recipes whose wash is known' }).click();
  const dwell = form.getByLabel('Dwell');
  await form.getByRole('button', { name: 'Add one that held' }).click();
  await expect(dwell).toHaveCount(1); // what is folded out is still moving
  await form.getByRole('button', { name: 'Add one that came off' }).click();
  await expect(dwell).toHaveCount(2);
  await dwell.nth(0).fill('11');
  await dwell.nth(1).fill('16');
  await expect(form).toContainText(/Something else than heat made that one come off/); // and the contacts still count
  await dwell.nth(0).fill('16');
  await dwell.nth(1).fill('13');
  await expect(form).toContainText(/A bond is done between .+ of the usual/);
  await page.reload();
  await page.getByRole('button', { name: 'Calibrate this press' }).click();
  await expect(dwell.nth(1)).toHaveValue('13'); // nothing is lost
  await expect(found).toBeVisible();
  await form.getByRole('textbox', { name: 'Who' }).fill('Ines');
  expect(await axeFindings(page)).toEqual([]);
  await form.getByRole('button', { name: 'Keep the calibration' }).click();
  await expect(page.getByRole('region', { name: 'Calibration 1 of Press A' })).toContainText('Heat passes');

  await page.goto(address);
  await expect(heat).toContainText(/calibrated on this press on .+: worth ±1\d % on dwell/);
  await expect(heat.getByText(/Bond/).first()).toBeVisible();
});

test('a route’s stack is tried on the bench, noted, and taken back into a route', async ({ page }) => {
  const { address } = await kiteRoute(page);
  await page.goto(address);
  await page.getByRole('link', { name: 'Open this stack on the bench' }).click();
  await expect(page.getByRole('tab')).toHaveCount(1);
  const plate = page.getByLabel('Plate', { exact: true });
  const was = Number(await plate.inputValue());
  await plate.fill(String(was - 5));
  await page.getByLabel('Closed for').fill('21');
  await page.getByRole('button', { name: 'Keep this as a note' }).click();
  await page.getByLabel('Name of the note').fill('Cooler and longer');
  await page.getByLabel('Who', { exact: true }).fill('Ines');
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await page.getByLabel('Begin with a question').selectOption({ label: 'A damp shirt' });
  await expect(page.getByRole('tab')).toHaveCount(3);
  await page.getByRole('button', { name: /^Cooler and longer/ }).click();
  await expect(page.getByLabel('Closed for')).toHaveValue('21');
  await page.getByRole('button', { name: 'Try it in a route' }).click();
  await expect(page.getByRole('dialog').getByRole('link', { name: /K-212/ })).toBeVisible();
  expect(await axeFindings(page)).toEqual([]);
  await page.getByRole('dialog').getByRole('link', { name: /K-212/ }).click();
  await expect(page.getByText('2 values are being tried')).toBeVisible();
  await expect(page.getByRole('button', { name: `Plate ${was - 5} °C` }).first()).toBeVisible();
  await page.getByRole('button', { name: 'As it was' }).click();

  await page.goto('/presses/bench');
  await page.getByRole('button', { name: 'Throw the note “Cooler and longer” away' }).click();
  await expect(page.getByRole('button', { name: /^Cooler and longer/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /^Cooler and longer/ })).toBeVisible();
});
