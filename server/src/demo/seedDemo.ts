import { PLACEMENTS, parseBlank, parseMachine, parseMaterial } from '@saltflat/contract';
import type { Catalogue, Order, OrderLineInput } from '@saltflat/contract';
import { DEMO_ART, DEMO_BLANKS, DEMO_MACHINES, DEMO_MATERIALS, DEMO_ORDERS, inventRun } from '@saltflat/demo';
import type { DemoArt, DemoLine, DemoOrder } from '@saltflat/demo';
import sharp from 'sharp';
import type { Database } from '../db/connection.ts';
import type { ArtworkService } from '../features/artworks/index.ts';
import type { OrderService } from '../features/orders/index.ts';
import type { RouteService } from '../features/routes/index.ts';
import type { RunService } from '../features/runs/index.ts';
import { shopStore } from '../features/shop/index.ts';

interface Needs {
  db: Database;
  readCatalogue: () => Promise<Catalogue>;
  artworks: ArtworkService;
  orders: OrderService;
  routes: RouteService;
  runs: RunService;
}

const DAY_MS = 86_400_000;
const PEOPLE = ['Ines', 'Tomasz', 'Wanjiru'];

/** Fills an empty database with the made-up shop. Relative to `nowMs`, otherwise the same every time. */
export async function seedDemo(needs: Needs, nowMs: number): Promise<void> {
  await seedShop(needs.db);
  const artworkIds = new Map<string, string>();
  for (const art of DEMO_ART) {
    const { artwork } = await needs.artworks.add(await rasterise(art), art.fileName);
    artworkIds.set(art.key, artwork.id);
  }
  const catalogue = await needs.readCatalogue();
  for (const [i, order] of DEMO_ORDERS.entries())
    await seedOrder(needs, order, { seed: i + 1, nowMs, catalogue, artworkIds });
}

interface Context {
  seed: number;
  nowMs: number;
  catalogue: Catalogue;
  artworkIds: Map<string, string>;
}

async function rasterise({ svg, widthPx, background }: DemoArt): Promise<Buffer> {
  const { width } = await sharp(Buffer.from(svg)).metadata();
  const image = sharp(Buffer.from(svg), { density: (72 * widthPx) / width }).resize(widthPx);
  return (background === null ? image : image.flatten({ background })).png().toBuffer();
}

/** The made-up shop’s blanks, materials and machines. */
export async function seedShop(db: Database): Promise<void> {
  const shop = shopStore(db);
  await db.transaction(async (tx) => {
    for (const blank of DEMO_BLANKS) await shop.insertBlank(parseBlank(blank), tx);
    for (const material of DEMO_MATERIALS) await shop.insertMaterial(parseMaterial(material), tx);
    for (const machine of DEMO_MACHINES) await shop.insertMachine(parseMachine(machine), tx);
  });
}

async function seedOrder(needs: Needs, demo: DemoOrder, context: Context): Promise<void> {
  const { nowMs } = context;
  const day = Math.floor(nowMs / DAY_MS) * DAY_MS;
  const dueAt = new Date(day + demo.dueInDays * DAY_MS + 16 * 3_600_000).toISOString();
  const lines = demo.lines.map((line) => lineInput(line, context));
  const order = await needs.orders.add({ customer: demo.customer, dueAt, note: demo.note, lines });
  for (const line of order.lines) await needs.routes.planInBackground(line.id);
  const { fate } = demo;
  if (fate.kind === 'cancelled') await needs.orders.setCancelled(order.id, order.version, true);
  if (fate.kind === 'running')
    await seedRun(needs, order, {
      seed: context.seed,
      piecesJudged: fate.piecesJudged,
      startMs: nowMs - 35 * 60_000,
      backdateMs: null,
    });
  if (fate.kind === 'done') {
    const startMs = day - fate.daysAgo * DAY_MS + 9 * 3_600_000;
    await seedRun(needs, order, {
      seed: context.seed,
      piecesJudged: Infinity,
      startMs,
      backdateMs: startMs - DAY_MS,
    });
  }
}

function lineInput(line: DemoLine, { catalogue, artworkIds }: Context): OrderLineInput {
  const style = catalogue.styles.find(({ name }) => name === line.style);
  const colour = style?.colours.find(({ name }) => name === line.colour);
  if (!style || !colour) throw new Error(`the demo has no ${line.colour} ${line.style}`);
  return {
    styleId: style.id,
    colourId: colour.id,
    artworkId: line.art === null ? null : (artworkIds.get(line.art) ?? null),
    placement: line.placement,
    dropMm: PLACEMENTS[line.placement].dropMm,
    widthMm: line.widthMm,
    process: line.process,
    sizes: line.sizes.map(([size, quantity]) => ({ size, quantity })),
    ...(line.house ? { house: line.house } : {}),
  };
}

interface RunSeed {
  seed: number;
  piecesJudged: number;
  startMs: number;
  /** When the order is to look as if it came in; `null` leaves it today. */
  backdateMs: number | null;
}

async function seedRun(
  { db, runs }: Needs,
  order: Order,
  { seed, piecesJudged, startMs, backdateMs }: RunSeed,
): Promise<void> {
  const by = PEOPLE[seed % PEOPLE.length] ?? 'Ines';
  for (const line of order.lines) {
    const run = await runs.start(line.id, by);
    const events = inventRun(run.route, { pieces: run.pieces, piecesJudged, startMs, seed, by });
    for (let from = 0; from < events.length; from += 400)
      await runs.append(run.id, events.slice(from, from + 400));
    await db.rows(`update run set created_at = $2 where id = $1 returning id`, [
      run.id,
      new Date(startMs).toISOString(),
    ]);
  }
  if (backdateMs !== null) await backdate(db, order.id, new Date(backdateMs).toISOString());
}

/** The past cannot be planned today: move what the database stamped back to when it is said to have happened. */
async function backdate(db: Database, orderId: string, at: string): Promise<void> {
  await db.transaction(async (tx) => {
    await tx.rows(`update customer_order set created_at = $2 where id = $1 returning id`, [orderId, at]);
    await tx.rows(`alter table route_version disable trigger route_version_append_only`);
    await tx.rows(
      `update route_version set created_at = $2 where line_id in (select id from order_line where order_id = $1) returning id`,
      [orderId, at],
    );
    await tx.rows(`alter table route_version enable trigger route_version_append_only`);
  });
}
