import { randomUUID } from 'node:crypto';
import type { Health, Problem, Run } from '@saltflat/contract';
import { seededRandom } from '@saltflat/core/work';
import { expect } from 'chai';
import { kill, startProgram } from './testing/program.ts';
import type { Program } from './testing/program.ts';
import { orderInput, plannedOrder, startTestServer } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

interface JsonSchema {
  type?: string;
  enum?: unknown[];
  const?: unknown;
  anyOf?: JsonSchema[];
  properties?: Record<string, JsonSchema>;
  required?: string[];
  patternProperties?: Record<string, JsonSchema>;
  items?: JsonSchema;
  minItems?: number;
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  minLength?: number;
  maxLength?: number;
  format?: string;
}
interface Described {
  method: 'get' | 'post' | 'put';
  path: string;
  query: { name: string; schema: JsonSchema }[];
  body: JsonSchema | null;
  /** Types it may be sent as. */
  media: string[];
}

/** So many calls, shared by all endpoints; more find more, see `SALTFLAT_HOSTILE_CALLS`. */
const CALLS = Number(process.env.SALTFLAT_HOSTILE_CALLS ?? 3000);
/** Who has not answered by then hangs; how soon it answers is for the benchmark to say. */
const HUNG_MS = 120_000;
const LARGEST_BYTES = 2 * 1024 * 1024; // a line that was planned a hundred times tells all its versions
/** No call may keep its one thread at work for longer in one go: ms of a processor, whatever else the machine does. */
const HELD_UP_MS = 1000;

const KEYS = ['key-number-one', 'key-number-two', 'short', 'x'.repeat(101), randomUUID()];

/** What people and machines send that is no honest value. */
const HOSTILE = [
  '',
  ' ',
  '0',
  '-1',
  '1e400',
  'NaN',
  'null',
  "'; drop table customer_order; --",
  '%_\\',
  '<script>alert(1)</script>',
  '=1+1',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\u202e‮𝕊😀',
  '../../etc/passwd',
  '{"a":1}',
  '[]',
  'x'.repeat(300),
  '2031-02-30T99:99:99Z',
  '0001-01-01T00:00:00Z',
  '+275760-09-13T00:00:00Z',
];
const HOSTILE_NUMBERS = [0, -0, -1, 0.5, 1e-320, 1e21, 2 ** 31, 2 ** 53, -(2 ** 53), 1e308];

const STRANGE: readonly unknown[] = [...HOSTILE, ...HOSTILE_NUMBERS, null, [], {}];

/** Neighbouring seeds begin far apart; a failure comes back with its seed. */
const farApart = (seed: number): (() => number) => seededRandom(Math.imul(seed + 1, 2_654_435_761));

/** Bodies that a schema allows, with strange leaves, and now and then one it does not. */
class Sender {
  private readonly random: () => number;
  private readonly ids: readonly string[];
  /** Share of leaves that are strange: a body that is strange all over is refused at the door. */
  private readonly strangeness: number;

  constructor(seed: number, ids: readonly string[]) {
    this.random = farApart(seed);
    this.ids = ids;
    this.strangeness = this.pick([0, 0.02, 0.3]);
  }

  pick<T>(from: readonly T[]): T {
    return from[Math.floor(this.random() * from.length)]!;
  }

  isLikely(share: number): boolean {
    return this.random() < share;
  }

  /** One call of an endpoint: mostly as it is described, now and then as nobody would. */
  call({ method, path, query, body, media }: Described): Asked {
    const asked = query
      .filter(() => this.isLikely(0.6))
      .map(({ name, schema }) => [
        name,
        this.isLikely(0.5) ? this.pick(HOSTILE).toWellFormed() : String(this.value(schema)).toWellFormed(),
      ]);
    const own = {
      method,
      key: this.isLikely(0.2) ? this.pick(KEYS) : null,
      path: `${this.path(path)}?${new URLSearchParams(asked as [string, string][]).toString()}`,
    };
    if (body === null && media.length === 0) return { ...own, type: null, body: null };
    const type = this.isLikely(0.03) ? 'text/plain' : this.pick(media);
    if (this.isLikely(0.06)) return { ...own, type, body: this.pick(MONSTROUS)() };
    return { ...own, type, body: body === null ? this.bytes() : JSON.stringify(this.value(body)) };
  }

  /** A small file of some kind, damaged or not. */
  private bytes(): Buffer {
    const bytes = Buffer.from(
      this.pick([
        '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><path d="M0 0h9v9z" fill="url(#a)"/></svg>',
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1"><text>&amp;</text></svg>',
        'Name,Kind\nx,film\n',
        '[{"name":"x","kind":"film"}]',
        '\u0089PNG\r\n\u001a\n',
      ]),
    );
    if (this.isLikely(0.5)) bytes[Math.floor(this.random() * bytes.length)] = Math.floor(256 * this.random());
    return bytes;
  }

  path(path: string): string {
    return path.replaceAll(/\{\w+\}/g, () =>
      encodeURIComponent(this.isLikely(0.8) ? this.pick(this.ids) : this.pick(HOSTILE).toWellFormed() || 'x'),
    );
  }

  value(schema: JsonSchema): unknown {
    if (this.isLikely(this.strangeness / 8)) return this.pick([null, [], {}, true, this.pick(HOSTILE), 1e9]);
    if (schema.const !== undefined) return schema.const;
    if (schema.enum) return this.pick(schema.enum);
    if (schema.anyOf) return this.value(this.pick(schema.anyOf));
    if (schema.type === 'object' || schema.properties) return this.object(schema);
    if (schema.type === 'array') {
      const count = (schema.minItems ?? 0) + Math.floor(this.random() * 3);
      return Array.from({ length: count }, () => this.value(schema.items ?? {}));
    }
    if (schema.type === 'boolean') return this.isLikely(0.5);
    if (schema.type === 'null') return null;
    if (schema.type === 'number' || schema.type === 'integer') return this.number(schema);
    return this.text(schema);
  }

  private object({ properties = {}, required = [], patternProperties }: JsonSchema): object {
    const own = Object.entries(properties)
      .filter(([key]) => required.includes(key) || this.isLikely(0.7))
      .map(([key, schema]): [string, unknown] => [key, this.value(schema)]);
    const free = patternProperties ? [[this.pick(HOSTILE) || 'x', this.pick(HOSTILE)]] : [];
    return Object.fromEntries([...own, ...free]) as object;
  }

  private number({ type, minimum, maximum, exclusiveMinimum }: JsonSchema): number {
    if (this.isLikely(this.strangeness)) return this.pick(HOSTILE_NUMBERS);
    if (minimum !== undefined && this.isLikely(0.5)) return minimum; // most often a version
    const low = minimum ?? exclusiveMinimum ?? 0;
    const value = low + this.random() * Math.min(1000, (maximum ?? low + 1000) - low);
    return type === 'integer' ? Math.ceil(value) : value;
  }

  private text({ format, maxLength = 300 }: JsonSchema): string {
    if (this.isLikely(this.strangeness)) return this.pick(HOSTILE).slice(0, maxLength);
    if (format === 'uuid') return this.isLikely(0.9) ? this.pick(this.ids) : randomUUID();
    if (format === 'date-time') return '2031-02-03T15:00:00.000Z';
    return this.pick(["'; drop table run; --", '<b>bold</b>', '%_', 'ordinary', '#aabbcc']).slice(
      0,
      maxLength,
    );
  }
}

describe('whatever is sent', function () {
  let server: TestServer;
  let endpoints: Described[];
  let ids: string[];
  let program: Program | null = null;
  before(async () => {
    server = await startTestServer();
    endpoints = await described(server);
    const order = await plannedOrder(server);
    const running = await plannedOrder(server);
    const { body: run } = (await server.api
      .post('/api/v1/runs')
      .send({ lineIds: [running.lines[0]?.id], by: 'Ada' })
      .expect(201)) as { body: Run };
    const { styles, materials, machines } = server.catalogue;
    ids = [
      order.id,
      order.lines[0]!.id,
      order.lines[0]!.prints[0]!.artwork!.id,
      running.id,
      running.lines[0]!.id,
      run.id,
      ...[styles, materials, machines].flatMap((list) => list.slice(0, 2).map(({ id }) => id)),
      styles[0]!.colours[0]!.id,
      'scale',
      'hygrometer',
    ];
  });
  after(async () => {
    if (program) await kill(program.child, 'SIGTERM');
    await server.stop();
  });

  it('in one field of a sound body is answered, and what is taken comes back as it was sent', async () => {
    const { materials, machines, styles } = server.catalogue;
    const bare = <T extends { id: string; version: number }>({ id: _id, version: _version, ...record }: T) =>
      record;
    const film = bare(materials.find(({ kind }) => kind === 'film')!);
    const press = bare(machines.find(({ kind }) => kind === 'press')!);
    const { colours, ...tee } = bare(styles[0]!);
    const blank = { ...tee, colours: colours.map(({ id: _id, ...colour }) => colour) };
    const sound = {
      '/orders': orderInput(server, null),
      '/shop/materials': film,
      '/shop/machines': press,
      '/shop/blanks': blank,
    };
    const cases = Object.entries(sound).flatMap(([path, body]) =>
      leavesOf(body).flatMap((leaf, i) =>
        STRANGE.filter((_, k) => (i + k) % 3 === 0).map((strange, k) => {
          const name = 'name' in body ? { name: `${body.name} ${i}.${k}` } : {}; // each a name of its own
          return { path, leaf, strange, body: withLeaf({ ...body, ...name }, leaf, strange) };
        }),
      ),
    );
    const faults: string[] = [];
    let taken = 0;
    for (const { path, leaf, strange, body } of cases) {
      const answer = await server.api
        .post(`/api/v1${path}`)
        .set('Content-Type', 'application/json')
        .send(JSON.stringify(body));
      const what = `${answer.status} to ${path} ${leaf.join('/')} = ${JSON.stringify(strange)}`;
      if (answer.status >= 500) faults.push(what);
      if (answer.status !== 201) continue;
      taken++;
      const [field] = leaf;
      if (path !== '/orders' || (field !== 'customer' && field !== 'note')) continue;
      const kept = (answer.body as Record<string, unknown>)[field];
      if (kept !== strange && kept !== String(strange).trim())
        faults.push(`${what}, kept as ${String(kept)}`);
    }
    expect(faults).to.deep.equal([]);
    expect(taken).to.be.above(10);
  });

  it('is answered: taken or refused in a sentence, and shortly, by a server that nothing holds up', async () => {
    program = await startProgram(server.databaseUrl, 'all');
    const { codes, faults, workedMs } = await storm(program.url);
    expect(faults).to.deep.equal([]);
    expect([...codes], 'some was taken, some refused').to.include.members([200, 201, 400, 404, 415]);
    expect(workedMs, 'the longest its thread worked in one go, ms').to.be.within(1, HELD_UP_MS);
    await kill(program.child, 'SIGTERM');
  });

  /** All calls once, one after the other. */
  async function storm(url: string): Promise<{ codes: Set<number>; faults: string[]; workedMs: number }> {
    const codes = new Set<number>();
    const faults: string[] = [];
    let workedMs = 0;
    for (let at = 0; at < CALLS; at++) {
      const asked = new Sender(at, ids).call(endpoints[at % endpoints.length]!);
      const answer = await send(url, asked);
      codes.add(answer.status);
      const what = `${asked.method} ${asked.path} ${asked.type} ${String(asked.body).slice(0, 1000)}`;
      const isInWords =
        answer.type.includes('application/problem+json') &&
        /[.?!]$/.test((JSON.parse(answer.text) as Problem).detail);
      if (answer.status >= 500 || (answer.status >= 400 && !isInWords))
        faults.push(`${answer.status} to ${what}`);
      // pixels are as many as the picture has
      if (answer.text.length > LARGEST_BYTES && !what.includes('/pixels'))
        faults.push(`${answer.text.length} bytes to ${what}`);
      if (at % 200 === 199 || at === CALLS - 1)
        workedMs = Math.max(
          workedMs,
          ((await (await fetch(`${url}/health`)).json()) as Health).loop.maxWorkMs,
        );
    }
    return { codes, faults, workedMs };
  }

  it('leaves the shop working', async () => {
    const order = await plannedOrder(server, { customer: 'After the storm' });
    expect(order.lines[0]?.planProblem ?? order.lines[0]?.state).to.be.a('string');
    await server.api.get('/api/v1/orders').expect(200);
    await server.api.get('/api/v1/catalogue').expect(200);
  });

  it('as bytes is a picture, or is refused in a sentence', async () => {
    for (const path of ['/artworks', '/photos'])
      for (const bytes of [
        Buffer.alloc(1),
        Buffer.from('89504e470d0a1a0a', 'hex'),
        Buffer.from('GIF89a'),
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="1e9" height="1e9"/>'),
        Buffer.from('%PDF-1.7'),
        Buffer.from('II*\u0000\u0008\u0000\u0000\u0000', 'latin1'),
      ]) {
        const { status, body } = await server.api
          .post(`/api/v1${path}`)
          .query({ name: 'a\u0000<b>.png' })
          .set('Content-Type', 'application/octet-stream')
          .send(bytes);
        expect(status, `${path} ${bytes.subarray(0, 8).toString('hex')}`).to.be.within(400, 499);
        expect((body as Problem).detail).to.match(/[.?!]$/);
      }
  });
});

/** One request, ready to be sent. */
interface Asked {
  method: string;
  path: string;
  type: string | null;
  body: string | Buffer | null;
  key: string | null;
}

async function send(
  base: string,
  { method, path, type, body, key }: Asked,
): Promise<{ status: number; type: string; text: string }> {
  const answer = await fetch(`${base}${path}`, {
    method: method.toUpperCase(),
    headers: {
      ...(type === null ? {} : { 'content-type': type }),
      ...(key === null ? {} : { 'idempotency-key': key }),
    },
    body: typeof body === 'string' || body === null ? body : new Uint8Array(body),
    signal: AbortSignal.timeout(HUNG_MS),
  });
  const text = Buffer.from(await answer.arrayBuffer()).toString('latin1');
  return { status: answer.status, type: answer.headers.get('content-type') ?? '', text };
}

/** Bodies that no form sends: large, deep, wide, or of another kind. Each is shorter than a megabyte. */
const MONSTROUS: readonly (() => string)[] = [
  () => '['.repeat(200_000),
  () => `${'{"a":'.repeat(100_000)}1${'}'.repeat(100_000)}`,
  () => `[${'1,'.repeat(200_000)}1]`,
  () => JSON.stringify(Object.fromEntries(Array.from({ length: 60_000 }, (_own, i) => [`f${i}`, i]))),
  () => JSON.stringify(Object.fromEntries(Array.from({ length: 9000 }, (_own, i) => [`f${i}`, null]))),
  () => JSON.stringify({ customer: 'x'.repeat(500_000), name: ' '.repeat(300_000) }),
  () => JSON.stringify({ lines: Array(9000).fill({}), events: Array(900).fill({ id: 1 }) }),
  () => `{"__proto__":{"polluted":1},"constructor":{"prototype":{}}}`,
  () => '"'.repeat(400_000),
  () => '\n'.repeat(500_000),
  () => 'a,"'.repeat(150_000),
  () => '{"a":1e',
  () => '\u0000\ufffd',
];

type Path = readonly (string | number)[];

/** Where every value of a document is that holds no others. */
function leavesOf(value: unknown, path: Path = []): Path[] {
  if (value === null || typeof value !== 'object') return [path];
  return Object.entries(value).flatMap(([key, own]) =>
    leavesOf(own, [...path, Array.isArray(value) ? Number(key) : key]),
  );
}

/** The document with another value there; the document itself stays as it is. */
function withLeaf(value: unknown, [key, ...rest]: Path, leaf: unknown): unknown {
  if (key === undefined) return leaf;
  if (Array.isArray(value))
    return value.map((own: unknown, i) => (i === key ? withLeaf(own, rest, leaf) : own));
  const record = value as Record<string, unknown>; // arrays are behind us
  return { ...record, [key]: withLeaf(record[key], rest, leaf) };
}

interface Operation {
  parameters?: { name: string; in: string; schema: JsonSchema }[];
  requestBody?: { content: Record<string, { schema?: JsonSchema }> };
}

/** The schema of what is sent; `null` for files, which have none. */
function bodyOf(sent: Operation['requestBody']): JsonSchema | null {
  const schema = sent?.content['application/json']?.schema;
  return schema && Object.keys(schema).length > 0 ? schema : null;
}

async function described({ api }: TestServer): Promise<Described[]> {
  const { body } = (await api.get('/api/v1/openapi.json').expect(200)) as {
    body: { paths: Record<string, Record<string, Operation>> };
  };
  return Object.entries(body.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { parameters = [], requestBody }]) => ({
      method: method as Described['method'],
      path,
      query: parameters.filter((own) => own.in === 'query'),
      body: bodyOf(requestBody),
      media: Object.keys(requestBody?.content ?? {}),
    })),
  );
}
