import { PLACEMENTS } from '@saltflat/contract';
import type { Catalogue, Order, OrderLineInput } from '@saltflat/contract';
import { dayIn, instantIn } from '@saltflat/contract/wallClock';
import {
  DEMO_ART,
  DEMO_BLANKS,
  DEMO_LOTS,
  DEMO_MACHINES,
  DEMO_MATERIALS,
  DEMO_PACKETS,
  DEMO_PRESSURE_TESTS,
  DEMO_PRINT_STARTS,
  DEMO_SPRAY_WEIGHINGS,
  DEMO_SURVEYS,
  DEMO_UPKEEP,
  inventRun,
} from '@saltflat/demo';
import type { DemoArt, DemoLine, DemoOrder } from '@saltflat/demo';
import sharp from 'sharp';
import type { Clock } from '../clock.ts';
import type { Services } from '../services.ts';
import { seedCalendar, seedPlan } from './seedPlan.ts';

const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;
const MONTH_MS = 30 * DAY_MS;
const PEOPLE = ['Ines', 'Tomasz', 'Wanjiru'];
const EVENTS_AT_ONCE = 400;

interface Context {
  services: Services;
  clock: Clock;
  /** Now, before the clock is turned anywhere. */
  nowMs: number;
  /** An hour of some day from today by the clock of the shop, ms. */
  shopHour: (inDays: number, hour: number) => number;
  catalogue: Catalogue;
  artworkIds: Map<string, string>;
}

export interface DemoSeed {
  clock: Clock;
  /** What was ordered, oldest first. */
  orders: readonly DemoOrder[];
  /** Told the share taken in, 0–1. */
  onProgress?: (share: number) => void;
}

/** Takes the made-up shop in through the same services as a person would. Relative to now, otherwise the same every time. */
export async function seedDemo(
  services: Services,
  { clock, orders, onProgress = () => undefined }: DemoSeed,
): Promise<void> {
  onProgress(0);
  const nowMs = clock.now();
  await seedShop(services);
  const zone = await seedCalendar(services, nowMs);
  const artworkIds = new Map<string, string>();
  const lines = orders.flatMap((order) => order.lines).flatMap((line) => [line, ...(line.more ?? [])]);
  for (const art of DEMO_ART.filter(({ key }) => lines.some((line) => line.art === key))) {
    const { artwork } = await services.artworks.add(await rasterise(art), art.fileName);
    artworkIds.set(art.key, artwork.id);
  }
  const catalogue = await services.catalogue.read();
  for (const [name, lot] of DEMO_LOTS) {
    const material = catalogue.materials.find((own) => own.name === name);
    if (material)
      await clock.at(nowMs - MONTH_MS, () => services.lots.open(material.id, { lot, by: PEOPLE[0] ?? '' }));
  }
  for (const { transfer, pieces, daysAgo, lot, note } of DEMO_PACKETS) {
    const kind = catalogue.materials.find(({ name }) => name === transfer);
    const madeMs = nowMs - daysAgo * DAY_MS;
    const own = { pieces, madeAt: new Date(madeMs).toISOString(), cure: 'full' as const, lot, note };
    if (kind)
      await clock.at(madeMs, () =>
        services.shelf.enter({ materialId: kind.id, ...own, by: PEOPLE[0] ?? '' }),
      );
  }
  const machineNamed = (name: string): string =>
    catalogue.machines.find((own) => own.name === name)?.id ?? '';
  await seedPressChecks(services, { clock, nowMs, machineNamed });
  for (const { sprayer, fluid, daysAgo, ...own } of DEMO_SPRAY_WEIGHINGS) {
    const { id: machineId = '', properties } = catalogue.machines.find(({ name }) => name === sprayer) ?? {};
    const input = {
      ...own,
      fluidId: catalogue.materials.find(({ name }) => name === fluid)?.id ?? '',
      nozzle: String(properties?.nozzle),
      widthMm: 340,
      heightMm: 400,
      roomC: 22,
      humidity: 0.48,
      by: PEOPLE[0] ?? '',
    };
    await clock.at(nowMs - daysAgo * DAY_MS, () => services.sprayers.weigh(machineId, input));
  }
  await seedCare(services, { clock, nowMs, machineNamed });
  const shopHour = (inDays: number, hour: number): number => atHour(zone, nowMs + inDays * DAY_MS, hour);
  const context = { services, clock, nowMs, shopHour, catalogue, artworkIds };
  for (const [i, order] of orders.entries()) {
    await seedOrder(order, i + 1, context);
    onProgress((i + 1) / orders.length);
  }
  await seedPlan(services, { nowMs, by: PEOPLE[0] ?? '' });
}

type OnMachines = Pick<Context, 'clock' | 'nowMs'> & { machineNamed: (name: string) => string };

/** What was measured of the presses. */
async function seedPressChecks(
  { pressChecks }: Pick<Services, 'pressChecks'>,
  { clock, nowMs, machineNamed }: OnMachines,
): Promise<void> {
  for (const { press, daysAgo, input } of DEMO_SURVEYS)
    await clock.at(nowMs - daysAgo * DAY_MS, () => pressChecks.addSurvey(machineNamed(press), input));
  for (const { press, daysAgo, input } of DEMO_PRESSURE_TESTS)
    await clock.at(nowMs - daysAgo * DAY_MS, () => pressChecks.addPressure(machineNamed(press), input));
}

/** What was looked at and done on the machines lately. */
async function seedCare(
  { care }: Pick<Services, 'care'>,
  { clock, nowMs, machineNamed }: OnMachines,
): Promise<void> {
  const by = PEOPLE[0] ?? '';
  for (const { machine, task, daysAgo, isSkipped = false } of DEMO_UPKEEP)
    await clock.at(nowMs - daysAgo * DAY_MS, () =>
      care.noteUpkeep(machineNamed(machine), { task, isSkipped, by }),
    );
  for (const { machine, daysAgo, white, cleanings } of DEMO_PRINT_STARTS)
    await clock.at(nowMs - daysAgo * DAY_MS, () =>
      care.noteStart(machineNamed(machine), {
        isAgitated: true,
        missing: white.length > 0 ? { white: [...white] } : {},
        cleanings,
        roomC: 21,
        humidity: 0.47,
        note: '',
        by,
      }),
    );
}

/** The made-up shop’s blanks, materials and machines. */
export async function seedShop({ shop }: Pick<Services, 'shop'>): Promise<void> {
  for (const blank of DEMO_BLANKS) await shop.addBlank(blank);
  for (const material of DEMO_MATERIALS) await shop.addMaterial(material);
  for (const machine of DEMO_MACHINES) await shop.addMachine(machine);
}

async function rasterise({ svg, widthPx, background }: DemoArt): Promise<Buffer> {
  const { width } = await sharp(Buffer.from(svg)).metadata();
  const image = sharp(Buffer.from(svg), { density: (72 * widthPx) / width }).resize(widthPx);
  return (background === null ? image : image.flatten({ background })).png().toBuffer();
}

/** When the clock of a zone shows a full hour of the day on which an instant falls, ms. */
function atHour(zone: string, ms: number, hour: number): number {
  const at = instantIn(zone, `${dayIn(zone, ms)}T${String(hour).padStart(2, '0')}:00`);
  if (at === null) throw new Error(`${zone} has no ${hour} o’clock on that day`);
  return at;
}

/** Takes an order in when it is said to have come, and lets happen to it what is said to have happened. */
async function seedOrder(demo: DemoOrder, seed: number, context: Context): Promise<void> {
  const { services, clock, nowMs, shopHour } = context;
  const { fate } = demo;
  const startMs = fate.kind === 'done' ? shopHour(-fate.daysAgo, 9) : nowMs - 35 * 60_000;
  const cameMs = fate.kind === 'done' ? startMs - DAY_MS : nowMs - HOUR_MS;
  const order = await clock.at(cameMs, async () => {
    const dueAt = new Date(shopHour(demo.dueInDays, 16)).toISOString();
    const lines = demo.lines.map((line) => lineInput(line, context));
    const { id } = await services.orders.add({ customer: demo.customer, dueAt, note: demo.note, lines });
    const taken = await services.orders.get(id);
    for (const line of taken.lines) await services.background.plan(line.id);
    return services.orders.get(id);
  });
  if (fate.kind === 'cancelled') await services.orders.setCancelled(order.id, order.version, true);
  if (fate.kind === 'running')
    await seedRun(order, { seed, piecesJudged: fate.piecesJudged, startMs }, context);
  if (fate.kind === 'done') await seedRun(order, { seed, piecesJudged: Infinity, startMs }, context);
}

function lineInput(line: DemoLine, { catalogue, artworkIds }: Context): OrderLineInput {
  const style = catalogue.styles.find(({ name }) => name === line.style);
  const colour = style?.colours.find(({ name }) => name === line.colour);
  if (!style || !colour) throw new Error(`the demo has no ${line.colour} ${line.style}`);
  return {
    styleId: style.id,
    colourId: colour.id,
    prints: [line, ...(line.more ?? [])].map(({ art, placement, widthMm, process }) => ({
      artworkId: art === null ? null : (artworkIds.get(art) ?? null),
      placement,
      dropMm: PLACEMENTS[placement].dropMm,
      widthMm,
      process,
    })),
    sizes: line.sizes.map(([size, quantity]) => ({ size, quantity })),
    ...(line.house ? { house: line.house } : {}),
  };
}

interface RunSeed {
  seed: number;
  piecesJudged: number;
  startMs: number;
}

async function seedRun(
  order: Order,
  { seed, piecesJudged, startMs }: RunSeed,
  { services: { runs }, clock }: Context,
): Promise<void> {
  const by = PEOPLE[seed % PEOPLE.length] ?? 'Ines';
  for (const line of order.lines) {
    const run = await clock.at(startMs, () => runs.start({ lineIds: [line.id], by }));
    const events = inventRun(run, { piecesJudged, startMs, seed, by });
    const endMs = Date.parse(events.at(-1)?.at ?? run.createdAt);
    for (let from = 0; from < events.length; from += EVENTS_AT_ONCE)
      await clock.at(endMs, () => runs.append(run.id, events.slice(from, from + EVENTS_AT_ONCE)));
  }
}
