import { deflateSync } from 'node:zlib';
import type { APIRequestContext, Page } from '@playwright/test';
import { expect } from '@playwright/test';

/** A made-up print as a PNG: a disc of one colour, seeded so that each journey has art of its own. */
export function discPng(seed: number, sizePx = 400): Buffer {
  const rows = Buffer.alloc(sizePx * (1 + 4 * sizePx));
  for (let y = 0; y < sizePx; y++) {
    for (let x = 0; x < sizePx; x++) {
      const isIn = Math.hypot(x - sizePx / 2, y - sizePx / 2) < sizePx * 0.45;
      rows.set(
        isIn ? [200, (40 + seed * 37) % 256, (90 + seed * 11) % 256, 255] : [0, 0, 0, 0],
        y * (1 + 4 * sizePx) + 1 + 4 * x,
      );
    }
  }
  const header = Buffer.alloc(13);
  header.writeUInt32BE(sizePx, 0);
  header.writeUInt32BE(sizePx, 4);
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

interface Line {
  id: string;
  state: string;
}
interface Catalogue {
  styles: { id: string; name: string; colours: { id: string; name: string }[] }[];
}

/** Takes in an order of one film-transfer line over the API and waits for its route. */
export async function orderOverApi(
  request: APIRequestContext,
  seed: number,
  pieces: number,
): Promise<{ lineId: string; code: string }> {
  const art = (await (
    await request.post(`/api/v1/artworks?name=disc-${seed}.png`, {
      data: discPng(seed),
      headers: { 'content-type': 'application/octet-stream' },
    })
  ).json()) as { id: string };
  const { styles } = (await (await request.get('/api/v1/catalogue')).json()) as Catalogue;
  const style = styles.find(({ name }) => name === 'Harbour tee');
  const line = {
    styleId: style?.id,
    colourId: style?.colours[0]?.id,
    artworkId: art.id,
    placement: 'full-front',
    dropMm: 75,
    widthMm: 150,
    process: 'dtf',
    sizes: [{ size: 'M', quantity: pieces }],
  };
  const answer = await request.post('/api/v1/orders', {
    data: { customer: `Journey ${seed}`, dueAt: '2032-01-05T10:00:00Z', note: '', lines: [line] },
  });
  expect(answer.status()).toBe(201);
  const order = (await answer.json()) as { id: string; code: string; lines: Line[] };
  await expect
    .poll(
      async () =>
        ((await (await request.get(`/api/v1/orders/${order.id}`)).json()) as { lines: Line[] }).lines[0]
          ?.state,
      { timeout: 30_000 },
    )
    .toBe('ready');
  return { lineId: order.lines[0]?.id ?? '', code: order.code };
}

/** Puts a line on the floor and opens it there. */
export async function openOnFloor(page: Page, lineId: string): Promise<string> {
  const run = (await (await page.request.post('/api/v1/runs', { data: { lineId, by: 'Ines' } })).json()) as {
    id: string;
  };
  await page.goto(`/floor/${run.id}`);
  return run.id;
}

/** The title of the step the floor asks for. */
export const nextTitle = (page: Page) =>
  page.getByRole('region', { name: 'Next' }).getByRole('heading', { level: 2 });

/** Finishes the step before the next one asked for, whatever its timer says. */
export async function finishStep(page: Page, title: string): Promise<void> {
  await expect(nextTitle(page)).toHaveText(title);
  const next = page.getByRole('region', { name: 'Next' });
  const start = next.getByRole('button', { name: /^Start/ });
  if (await start.isVisible()) {
    await start.click();
    await expect(next.getByRole('button', { name: /^Done/ })).toBeVisible();
  }
  await next.getByRole('button', { name: /^Done/ }).click();
}
