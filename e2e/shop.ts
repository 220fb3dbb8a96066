import { deflateSync } from 'node:zlib';
import type { APIRequestContext, Locator, Page } from '@playwright/test';
import { expect } from '@playwright/test';

type Rgba = readonly [number, number, number, number];

/** A made-up print as a PNG, fine enough for 300 mm: a disc of one colour, seeded so that each journey has art of its own. */
export function discPng(seed: number, sizePx = 1800): Buffer {
  const colour: Rgba = [200, (40 + seed * 37) % 256, (90 + seed * 11) % 256, 255];
  return drawPng(sizePx, sizePx, (x, y) =>
    Math.hypot(x - sizePx / 2, y - sizePx / 2) < sizePx * 0.45 ? colour : null,
  );
}

/** A made-up print as a PNG, drawn pixel by pixel; `null` is nothing. */
export function drawPng(width: number, height: number, at: (x: number, y: number) => Rgba | null): Buffer {
  const rows = Buffer.alloc(height * (1 + 4 * width));
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) rows.set(at(x, y) ?? [0, 0, 0, 0], y * (1 + 4 * width) + 1 + 4 * x);
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 6, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from('89504e470d0a1a0a', 'hex'),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(rows)),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const framed = Buffer.alloc(body.length + 8);
  framed.writeUInt32BE(data.length, 0);
  body.copy(framed, 4);
  let crc = 0xffffffff;
  for (const byte of body) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = (crc >>> 1) ^ (0xedb88320 & -(crc & 1));
  }
  framed.writeUInt32BE((crc ^ 0xffffffff) >>> 0, body.length + 4);
  return framed;
}

/** All checks of an operation of a route, where they were folded away. */
export async function unfold(operation: Locator): Promise<void> {
  await operation.getByRole('button', { name: /^and (a check|\d+ checks)$/ }).click();
}

/** Opens the route of the order that is shown. A press may go astray while its card still grows: then it is pressed again, as a hand would. */
export async function openRoute(page: Page): Promise<void> {
  const link = page.getByRole('region', { name: /^Order K-/ }).getByRole('link', { name: /^Route, version/ });
  await link.waitFor();
  await expect(async () => {
    if (await link.isVisible()) await link.click();
    await page.waitForURL(/\/route\//, { timeout: 5000 });
  }).toPass();
}

/** Picks one of many by typing what it is called. */
export async function choose(page: Page, label: string, option: string): Promise<void> {
  const field = page.getByRole('combobox', { name: label, exact: true });
  if ((await field.inputValue()) === option) return;
  await field.fill(option);
  await page.getByRole('option', { name: option }).first().click();
}

/** Types a day and a time by the clock of the shop, as the browser of these journeys has them: day first, twenty-four hours. */
export async function typeDue(page: Page, at: Date, field = 'Due'): Promise<void> {
  const answer = await page.request.get('/api/v1/plan/calendar');
  const { document } = (await answer.json()) as { document: { zone: string } };
  const shown = new Intl.DateTimeFormat('en-GB', {
    timeZone: document.zone,
    day: '2-digit',
    month: '2-digit',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).format(at);
  await page.getByRole('group', { name: field }).getByRole('spinbutton', { name: 'Day' }).click();
  await page.keyboard.type(shown.replace(/\D/g, ''));
}

interface Line {
  id: string;
  state: string;
}
interface Catalogue {
  styles: { id: string; name: string; colours: { id: string; name: string }[] }[];
}

interface Wished {
  style: string;
  pieces: number;
  png: Buffer;
  print: { dropMm: number; widthMm: number; process: 'dtf' | 'dtf-platen' | 'dtg' };
  house: Record<string, string>;
}

/** Takes in an order of one line of tees over the API and waits for its route. */
export const orderOverApi = (
  request: APIRequestContext,
  seed: number,
  pieces: number,
  png: Buffer = discPng(seed),
  process: Wished['print']['process'] = 'dtf',
  house: Wished['house'] = {},
): Promise<{ lineId: string; code: string; state: string }> =>
  lineOverApi(request, seed, {
    style: 'Harbour tee',
    pieces,
    png,
    print: { dropMm: 75, widthMm: 150, process },
    house,
  });

/** Takes in an order of one line with a print on its front over the API and waits for its route. */
export async function lineOverApi(
  request: APIRequestContext,
  seed: number,
  { style: name, pieces, png, print, house }: Wished,
): Promise<{ lineId: string; code: string; state: string }> {
  const art = (await (
    await request.post(`/api/v1/artworks?name=disc-${seed}.png`, {
      data: png,
      headers: { 'content-type': 'application/octet-stream' },
    })
  ).json()) as { id: string };
  const { styles } = (await (await request.get('/api/v1/catalogue')).json()) as Catalogue;
  const style = styles.find((own) => own.name === name);
  const line = {
    styleId: style?.id,
    colourId: style?.colours[0]?.id,
    prints: [{ artworkId: art.id, placement: 'full-front', ...print }],
    sizes: [{ size: 'M', quantity: pieces }],
    house,
  };
  const answer = await request.post('/api/v1/orders', {
    data: { customer: `Journey ${seed}`, dueAt: '2032-01-05T10:00:00Z', note: '', lines: [line] },
  });
  expect(answer.status()).toBe(201);
  const order = (await answer.json()) as { id: string; code: string; lines: Line[] };
  const state = async (): Promise<string | undefined> =>
    ((await (await request.get(`/api/v1/orders/${order.id}`)).json()) as { lines: Line[] }).lines[0]?.state;
  await expect.poll(state).toMatch(/^(ready|art-to-mend)$/);
  return { lineId: order.lines[0]?.id ?? '', code: order.code, state: (await state()) ?? '' };
}

/** Turns the knobs of a stand-in, found by its name. */
export async function turnKnobs(
  request: APIRequestContext,
  kind: 'printers' | 'sprayers',
  name: string,
  knobs: object,
): Promise<void> {
  const standIns = (await (await request.get(`/api/v1/${kind}`)).json()) as {
    machineId: string;
    name: string;
  }[];
  const id = standIns.find((own) => own.name === name)?.machineId ?? '';
  expect((await request.post(`/api/v1/${kind}/${id}/drive`, { data: knobs })).status()).toBe(200);
}

/** Puts a line on the floor and opens it there. */
export async function openOnFloor(page: Page, lineId: string): Promise<string> {
  const run = (await (
    await page.request.post('/api/v1/runs', { data: { lineIds: [lineId], by: 'Ines' } })
  ).json()) as {
    id: string;
  };
  await page.goto(`/floor/${run.id}`);
  return run.id;
}

/** Titles of the steps that make one piece with a film transfer, up to its inspection. */
export const FILM_STEPS = [
  'Ready the film printer',
  'Print the film',
  'Powder the film',
  'Melt the powder',
  'Cut the transfers apart',
  'Pre-press the blank',
  'Press the transfer',
  'Peel cold',
  'Second press, covered',
];

/** The title of the step the floor asks for. */
export const nextTitle = (page: Page) =>
  page.getByRole('region', { name: 'Next' }).getByRole('heading', { level: 2 });

/** Finishes the step before the next one asked for, whatever its timer says. */
export async function finishStep(page: Page, title: string): Promise<void> {
  await expect(nextTitle(page)).toHaveText(title);
  const next = page.getByRole('region', { name: 'Next' });
  const start = next.getByRole('button', { name: /^Start/ });
  const started = await startShown(page, title);
  if (started.length > 0) {
    const onMachines = started.reduce(
      (buttons, word) => buttons.filter({ hasText: word }),
      page.getByRole('region', { name: 'Stations' }).getByRole('button'),
    );
    await expect(onMachines.first()).toBeVisible();
    // something else may be asked for meanwhile: this one is looked at again where it stands
    const isAway = (await nextTitle(page).innerText()) !== title || (await start.isVisible());
    if (isAway) await onMachines.last().click();
    await expect(nextTitle(page)).toHaveText(title);
    await expect(start).toBeHidden();
  }
  // bursts and turns, each with its own countdown
  const done = next.getByRole('button', { name: /^Done/ });
  const turn = next.getByRole('button', { name: /^Next/ });
  for (let phase = 0; phase < 12; phase++) {
    await expect(done.or(turn).first()).toBeVisible();
    if (await done.isVisible()) break;
    await turn.click();
  }
  const was = await askedFor(page);
  await done.click();
  await untilAnother(page, was);
}

/** What is asked for, told apart from the same for another piece, read in one instant; empty where nothing is. */
export const askedFor = (page: Page): Promise<string> =>
  page
    .getByRole('region', { name: 'Next' })
    .evaluateAll(([own]) =>
      own
        ? [...own.querySelectorAll('h2, :scope > div:first-child > span')]
            .map((part) => part.textContent)
            .join(', ')
        : '',
    );

/** Waits until the next is worked out: another step, the same for another piece, or nothing more. */
export const untilAnother = (page: Page, was: string): Promise<void> =>
  expect.poll(() => askedFor(page)).not.toBe(was);

/**
 * Starts the step that is shown, in the instant in which it is read what it is of: on a slow machine another may be asked
 * for between a look and a press.
 *
 * @returns its order and part; none where it goes on already
 */
async function startShown(page: Page, title: string): Promise<string[]> {
  const region = page.getByRole('region', { name: 'Next' });
  let started: string[] | null = null;
  await expect
    .poll(async () => {
      started = await region.evaluate((own, wanted) => {
        if (own.querySelector('h2')?.textContent !== wanted) return null;
        const button = (name: string): HTMLButtonElement | undefined =>
          [...own.querySelectorAll('button')].find(({ textContent }) => textContent.startsWith(name));
        if (button('Done') ?? button('Next')) return [];
        const words = [...own.querySelectorAll(':scope > div:first-child > span')].slice(0, 2);
        const start = button('Start');
        start?.click();
        return start ? words.map(({ textContent }) => textContent) : null; // what was there before is just being taken away
      }, title);
      return started;
    })
    .not.toBeNull();
  return started ?? [];
}

/** An open order of the made-up shop, found by what stands in it, and its first line. */
export async function openLine(
  request: APIRequestContext,
  search: string,
): Promise<{ orderId: string; lineId: string }> {
  const found = await request.get(`/api/v1/orders?search=${encodeURIComponent(search)}&state=open`);
  const { items } = (await found.json()) as { items: { id: string }[] };
  const orderId = items[0]?.id ?? '';
  const order = await request.get(`/api/v1/orders/${orderId}`);
  const { lines } = (await order.json()) as { lines: { id: string }[] };
  return { orderId, lineId: lines[0]?.id ?? '' };
}

/** Tabs on, or back, until the control with that name has the focus. */
export async function tabTo(
  page: Page,
  name: string | RegExp,
  key: 'Tab' | 'Shift+Tab' = 'Tab',
): Promise<void> {
  const isIt = (focused: string): boolean =>
    typeof name === 'string' ? focused.trim() === name : name.test(focused.trim());
  for (let i = 0; i < 160; i++) {
    await page.keyboard.press(key);
    const focused = await page.evaluate(() => {
      const element = document.activeElement;
      const label =
        element instanceof HTMLInputElement || element instanceof HTMLSelectElement
          ? element.labels?.[0]?.textContent
          : null;
      return element?.getAttribute('aria-label') ?? label ?? element?.textContent ?? '';
    });
    if (isIt(focused)) return;
  }
  throw new Error(`“${String(name)}” cannot be reached with ${key}`);
}

/** Stops looking for a better layout of film by the keyboard, unless it has ended by itself meanwhile. */
export async function enough(page: Page): Promise<void> {
  const stop = page.getByRole('button', { name: 'Stop' });
  await expect(stop.or(page.getByRole('table', { name: 'What it takes' })).first()).toBeVisible();
  await stop.press('Enter', { timeout: 3000 }).catch(() => undefined);
  await expect(stop).toBeHidden();
}
