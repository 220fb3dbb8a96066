import { randomUUID } from 'node:crypto';
import { deflateSync } from 'node:zlib';
import { compileSteps } from '@saltflat/core/run';
import type {
  Catalogue,
  LaySettings,
  Order,
  OrderInput,
  OrderLineInput,
  PrintInput,
  Run,
  RunEventInput,
  ShopChange,
  ShopChanged,
} from '@saltflat/contract';
import { runPlanOf } from '@saltflat/contract';
import pg from 'pg';
import { pino } from 'pino';
import sharp from 'sharp';
import supertest from 'supertest';
import { buildServer } from '../buildServer.ts';
import { seedShop } from '../demo/seedDemo.ts';

/** A server on a database of its own, with the made-up shop's blanks and materials but no orders. */
export async function startTestServer() {
  seeded ??= seedDatabase();
  const databaseUrl = await createDatabase(await seeded);
  const server = await openServer(databaseUrl);
  const api = supertest(server.app);
  /** What a path of the API answers. */
  const get = async <T>(path: string): Promise<T> => (await api.get(`/api/v1${path}`).expect(200)).body as T;
  return { ...server, databaseUrl, api, get, catalogue: await get<Catalogue>('/catalogue') };
}

export type TestServer = Awaited<ReturnType<typeof startTestServer>>;

/** One with the made-up shop in it, made once by each process that tests: the others are copies of it. */
let seeded: Promise<string> | null = null;

async function seedDatabase(): Promise<string> {
  const databaseUrl = await createDatabase();
  const server = await openServer(databaseUrl);
  await seedShop(server.services);
  await server.stop(); // nobody may be at it while it is copied
  return new URL(databaseUrl).pathname.slice(1);
}

const openServer = (databaseUrl: string) =>
  buildServer({
    databaseUrl,
    webFolder: null,
    log: pino({ level: process.env.TEST_LOG ?? 'silent' }),
    now: Date.now,
    isDemo: false,
  });

/**
 * A database on the cluster the tests were given.
 *
 * @param template the name of one that it is a copy of; left out, it is empty
 */
export async function createDatabase(template?: string): Promise<string> {
  const base = process.env.SALTFLAT_TEST_DATABASE;
  if (!base) throw new Error('SALTFLAT_TEST_DATABASE is not set: run the tests with “npm test”.');
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const client = new pg.Client({ connectionString: base });
  await client.connect();
  await client.query(`create database ${name}${template === undefined ? '' : ` template ${template}`}`);
  await client.end();
  return base.replace(/\/[^/]*$/, `/${name}`);
}

/**
 * A red disc on nothing, 200 × 160 times a scale.
 *
 * @param scale at the usual one nothing stops the print up to 230 mm; at 1 it has too few pixels for any
 */
export const discPng = (scale = 7): Promise<Buffer> =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${200 * scale}" height="${160 * scale}" viewBox="0 0 200 160"><circle cx="100" cy="80" r="70" fill="#d0342c"/></svg>`,
    ),
  )
    .png()
    .toBuffer();

/** A PNG whose header claims a size its data does not have: what a decompression bomb looks like from outside. */
export function claimedPng(width: number, height: number): Buffer {
  const header = Buffer.alloc(13);
  header.writeUInt32BE(width, 0);
  header.writeUInt32BE(height, 4);
  header.set([8, 6, 0, 0, 0], 8);
  return Buffer.concat([
    Buffer.from('89504e470d0a1a0a', 'hex'),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(Buffer.alloc(64))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

/** One chunk of a PNG file. */
export function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data]);
  const framed = Buffer.alloc(body.length + 8);
  framed.writeUInt32BE(data.length, 0);
  body.copy(framed, 4);
  framed.writeUInt32BE(crc32(body), body.length + 4);
  return framed;
}

function crc32(bytes: Buffer): number {
  let crc = 0xffffffff;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = (crc >>> 1) ^ (0xedb88320 & -(crc & 1));
  }
  return (crc ^ 0xffffffff) >>> 0;
}

export async function upload({ api }: TestServer, bytes: Buffer, name: string) {
  return api
    .post('/api/v1/artworks')
    .query({ name })
    .set('Content-Type', 'application/octet-stream')
    .send(bytes);
}

/** What a test says of a line, and of the one print it has. */
type LineParts = Partial<OrderLineInput> & Partial<Omit<PrintInput, 'id'>>;

/** A sound line of two navy tees with one print; parts of line and print may be given. */
export function lineInput({ catalogue }: TestServer, parts: LineParts = {}): OrderLineInput {
  const {
    artworkId = null,
    placement = 'full-front',
    dropMm = 75,
    widthMm = 200,
    process = 'dtf',
    preparationId,
    grades,
    ...own
  } = parts;
  const style = catalogue.styles.find(({ name }) => name === 'Harbour tee');
  const colour = style?.colours.find(({ name }) => name === 'Navy');
  return {
    styleId: style?.id ?? '',
    colourId: colour?.id ?? '',
    prints: [
      {
        ...(own.id === undefined ? {} : { id: '1' }), // the print it has is changed, not replaced
        artworkId,
        placement,
        dropMm,
        widthMm,
        process,
        ...(preparationId === undefined ? {} : { preparationId }),
        ...(grades === undefined ? {} : { grades }),
      },
    ],
    sizes: [{ size: 'M', quantity: 2 }],
    ...own,
  };
}

/** A sound order of one such line; parts may be given. */
export const orderInput = (
  server: TestServer,
  artworkId: string | null,
  own: Partial<OrderInput> = {},
): OrderInput => ({
  customer: 'Test Pier',
  dueAt: '2031-02-03T15:00:00.000Z',
  note: '',
  lines: [lineInput(server, { artworkId })],
  ...own,
});

/** Takes in an order with art and waits until its route is planned. */
export async function plannedOrder(server: TestServer, own: Partial<OrderInput> = {}): Promise<Order> {
  const { body: artwork } = (await upload(server, await discPng(), 'disc.png')) as { body: { id: string } };
  return ordered(server, orderInput(server, artwork.id, own));
}

/** How transfers lie on a roll in tests: by boxes, a trimmer’s room between them. */
export const LAY_SETTINGS: LaySettings = {
  cutting: 'trimmer',
  gapMm: 5,
  edgeMm: 6,
  mayTurn: true,
  longestMm: 400,
  rollLeftMm: null,
  offcut: null,
  outlines: 'boxes',
};

/** What a small print on the chest of a tee is made with. */
export interface ChestOrder {
  artworkId: string;
  process?: 'dtf' | 'shelf';
  quantity: number;
  house?: OrderLineInput['house'];
}

/** Takes in an order of one such line and waits until its route is planned. */
export async function chestOrder(
  server: TestServer,
  { artworkId, process = 'dtf', quantity, house = {} }: ChestOrder,
): Promise<Order> {
  const print = { placement: 'left-chest', dropMm: 75, widthMm: 70, process, artworkId } as const;
  const line = { ...lineInput(server), sizes: [{ size: 'M', quantity }], prints: [print], house };
  return ordered(server, orderInput(server, null, { lines: [line] }));
}

/** A line of direct prints on the floor, with art of its own. @param scale of its disc, see {@link discPng} */
export async function directRun(server: TestServer, scale?: number): Promise<Run> {
  const { body: artwork } = (await upload(server, await discPng(scale), 'direct.png')) as {
    body: { id: string };
  };
  const lines = [lineInput(server, { artworkId: artwork.id, process: 'dtg' })];
  const [line] = (await ordered(server, orderInput(server, null, { lines }))).lines;
  return (
    await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [line?.id], by: 'Ada' })
      .expect(201)
  ).body as Run;
}

/** Takes in an order, and waits for its plans. */
async function ordered(server: TestServer, input: OrderInput): Promise<Order> {
  const { body } = (await server.api.post('/api/v1/orders').send(input).expect(201)) as { body: Order };
  return planned(server, body.id);
}

/** An order once none of its lines waits for a plan any more. */
export const planned = (server: TestServer, orderId: string): Promise<Order> =>
  until(async () => {
    const { body } = (await server.api.get(`/api/v1/orders/${orderId}`).expect(200)) as { body: Order };
    return body.lines.every(({ state }) => state !== 'planning') ? body : null;
  });

/** What a change of the set-up did to the routes, once all have followed. */
export const followed = (
  server: TestServer,
  { changeId }: Pick<ShopChanged, 'changeId'>,
): Promise<ShopChange> =>
  until(async () => {
    const { body } = (await server.api.get(`/api/v1/shop/changes/${changeId}`).expect(200)) as {
      body: ShopChange;
    };
    return body.planned === body.drafts ? body : null;
  });

/** Asks until there is an answer, three minutes long: only what never comes about takes that. */
export async function until<T>(ask: () => Promise<T | null>): Promise<T> {
  for (let tries = 0; tries < 3600; tries++) {
    const answer = await ask();
    if (answer !== null) return answer;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('it did not come about within three minutes');
}

/** SQL as somebody at the database itself would type it. */
export const sql = (server: Pick<TestServer, 'db'>, text: string): Promise<unknown> =>
  server.db.sequelize.query(text);

const clientId = randomUUID();
let clientSeq = 0;

const BEGAN_MS = Date.now() - 3_600_000;

/** An event of one made-up device; each a second after the former, an hour ago. */
export function event(
  kind: RunEventInput['kind'],
  step: string | null,
  payload: RunEventInput['payload'] = {},
): RunEventInput {
  clientSeq++;
  const at = new Date(BEGAN_MS + 1000 * clientSeq).toISOString();
  return { id: randomUUID(), clientId, clientSeq, kind, step, at, deviceAt: at, by: 'Ada', payload };
}

/**
 * What happens to one piece of a run once its transfer is there, or to all that is made before (piece 0), each step done
 * and the piece looked at.
 */
export function doneEvents(
  run: Run,
  piece: number,
  inspection: NonNullable<RunEventInput['payload']['inspection']> = { verdict: 'good', faults: [] },
): RunEventInput[] {
  const judging = new Set(
    run.lines.flatMap(({ route }) =>
      route.operations.filter(({ role }) => role === 'inspect').map(({ lane }) => lane),
    ),
  );
  return compileSteps(runPlanOf(run))
    .filter(({ operation, parts }) =>
      piece === 0 ? !judging.has(operation.lane) : judging.has(operation.lane) && parts[0]?.slot === piece,
    )
    .map(({ id, operation }) =>
      operation.role === 'inspect'
        ? event('piece-inspected', id, { inspection })
        : event('step-completed', id),
    );
}
