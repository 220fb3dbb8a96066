import { createHash } from 'node:crypto';
import { DomainError, parse, strictObject } from '@saltflat/contract';
import { withWords } from '@saltflat/core/words';
import type { Request, Response } from 'express';
import { Router } from 'express';
import type { Static, TSchema } from 'typebox';
import type { KeptAnswer, RequestKeys } from '../db/requestKeys.ts';
import { Turns } from '../turns.ts';
import { JSON_BODY, isEmpty, readBody, readJson, textOf } from './body.ts';
import type { BodyLimits } from './body.ts';
import { PATIENCE_S, inTime } from './patience.ts';

/** An answer that is no JSON: the media types it may come in. The handler sends it itself. */
export interface FileAnswer {
  media: readonly string[];
}
export const file = (...media: string[]): FileAnswer => ({ media });

/** One thing the API does: how it is called, what goes in, what comes out. Feeds both the router and the OpenAPI page. */
export interface EndpointShape {
  method: 'get' | 'post' | 'put';
  /** Express form, for example `/orders/:id`; every `:…` is a UUID unless `textParams`. */
  path: string;
  summary: string;
  query?: TSchema;
  /** What is sent as JSON. */
  body?: TSchema;
  /** So many bytes of JSON at most; 512 kB unless given. */
  bodyBytes?: number;
  /** So many values in it at most; 20 000 unless given. */
  bodyValues?: number;
  /** What is sent is a file of these types, not JSON. */
  upload?: BodyLimits;
  /** Whoever asks waits so long at most, s: longer than usual where pictures are read or drawn. */
  patienceS?: number;
  /** Answered however many wait: whether the server is well. */
  isUnqueued?: boolean;
  answer: TSchema | FileAnswer;
  /** What is said in the answer as codes has its words beside it. */
  isWorded?: boolean;
  /** Status of success; 200 unless given. */
  status?: number;
  textParams?: boolean;
}

export interface Call<S extends EndpointShape> {
  params: Record<string, string>;
  query: S['query'] extends TSchema ? Static<S['query']> : Record<string, never>;
  body: S['body'] extends TSchema ? Static<S['body']> : undefined;
  upload: S['upload'] extends BodyLimits ? Buffer : undefined;
  req: Request;
  res: Response;
}

/** An answer may be made of parts that nobody may write to. */
type Immutable<T> = T extends readonly (infer E)[]
  ? readonly Immutable<E>[]
  : T extends object
    ? { readonly [K in keyof T]: Immutable<T[K]> }
    : T;

/** What a handler must give back: what its schema says, or nothing where it sends a file. */
type Answer<S extends EndpointShape> = S['answer'] extends TSchema ? Immutable<Static<S['answer']>> : void;

/** Where calls wait: those with a file, weighed in MB since it is held in memory, and all others. */
export interface CallTurns {
  calls: Turns;
  uploads: Turns;
  /** Requests that are sent again, by their key; `null` where there is no database to keep them. */
  keys: Pick<RequestKeys, 'once'> | null;
}

export interface Endpoint {
  shape: EndpointShape;
  handle: (req: Request, res: Response, turns: CallTurns) => Promise<void>;
}

export const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

const MB = 1024 * 1024;
/** What is sent with a call that takes nothing. */
const Nothing = strictObject({});

/** Outside production every answer is held against its schema as well: what types cannot see is a fault, not a surprise. */
const CHECKS_ANSWERS = process.env.NODE_ENV !== 'production';

/** Declares an endpoint; the compiler holds the handler to the answer's schema. */
export function endpoint<const S extends EndpointShape>(
  shape: S,
  work: (call: Call<S>) => Promise<Answer<S>>,
): Endpoint {
  return {
    shape,
    handle: async (req, res, turns) => {
      const params = req.params as Record<string, string>;
      if (!shape.textParams) for (const id of Object.values(params)) assertUuid(id);
      const query = shape.query ? parse(shape.query, req.query, { coerce: true }) : {};
      const answer = async ({ text, ...sent }: Sent): Promise<void> => {
        const call = { params, query, ...sent, req, res } as unknown as Call<S>; // parsed by the schemas the types came from
        const key = keyOf(shape, req);
        const perform = async (): Promise<KeptAnswer> => {
          res.status(shape.status ?? 200);
          const given = await work(call);
          if (CHECKS_ANSWERS && !isFile(shape.answer)) assertFits(shape, shape.answer, given);
          const told = (given ?? null) as object | null; // JSON, by its schema
          return { status: res.statusCode, answer: shape.isWorded ? withWords(told) : told };
        };
        const once = turns.keys;
        const given = await inTime(shape.patienceS ?? PATIENCE_S, res, () =>
          key === null || once === null ? perform() : once.once(key, requestHash(req, text), perform),
        );
        if (!isFile(shape.answer)) res.status(given.status).json(given.answer);
      };
      const { upload } = shape;
      if (upload) {
        const megabytes = Number(req.headers['content-length'] ?? upload.bytes) / MB;
        await turns.uploads.take(Math.max(1, megabytes), async () =>
          answer({ upload: await readBody(req, res, upload) }),
        );
        return;
      }
      const sent = await readSent(shape, req, res); // before its turn: who sends slowly keeps nobody waiting
      await (shape.isUnqueued ? answer(sent) : turns.calls.take(1, () => answer(sent)));
    },
  };
}

/** What came with a call: parsed, and as it was written. */
interface Sent {
  body?: unknown;
  upload?: Buffer;
  text?: string;
}

const KEY = /^[\w-]{8,100}$/;

/** The key of a call that changes something; files are known again by their content. */
function keyOf({ method, upload }: EndpointShape, { headers }: Request): string | null {
  const key = headers['idempotency-key'];
  if (key === undefined || method === 'get' || upload) return null;
  if (typeof key !== 'string' || !KEY.test(key))
    throw new DomainError(
      'invalid-input',
      'The header “Idempotency-Key” takes 8 to 100 letters, digits and hyphens.',
    );
  return key;
}

const requestHash = ({ method, originalUrl }: Request, text = ''): string =>
  createHash('sha256').update(`${method} ${originalUrl}\n${text}`).digest('hex');

async function readSent(shape: EndpointShape, req: Request, res: Response): Promise<Sent> {
  if (shape.body) {
    const { media, bytes } = JSON_BODY;
    const text = textOf(await readBody(req, res, { media, bytes: shape.bodyBytes ?? bytes }));
    return { body: parse(shape.body, readJson(text, shape.bodyValues)), text };
  }
  if (shape.method !== 'get' && !isEmpty(req)) {
    const text = textOf(await readBody(req, res, { media: JSON_BODY.media, bytes: 1024 }));
    parse(Nothing, readJson(text));
  }
  return {};
}

export const isFile = (answer: TSchema | FileAnswer): answer is FileAnswer => 'media' in answer;

function assertUuid(id: string): void {
  if (!UUID.test(id))
    throw new DomainError('not-found', `There is nothing called “${id.slice(0, 60)}” here.`);
}

function assertFits({ method, path }: EndpointShape, schema: TSchema, answer: unknown): void {
  try {
    parse(schema, JSON.parse(JSON.stringify(answer ?? null)));
  } catch (cause) {
    throw new Error(`The answer of ${method} ${path} is not what its schema says.`, { cause });
  }
}

/** Mounts endpoints on a router; each call waits for its turn. */
export function mount(endpoints: readonly Endpoint[], turns: CallTurns): Router {
  const router = Router();
  for (const { shape, handle } of endpoints)
    router[shape.method](shape.path, (req, res) => handle(req, res, turns));
  return router;
}

/** The turns of one server. */
export const createTurns = (keys: CallTurns['keys'] = null): CallTurns => ({
  keys,
  calls: new Turns({
    most: 64,
    waiting: 256,
    patienceMs: 5000,
    busy: 'More is asked of the server than it can answer at once. Try again in a moment.',
  }),
  uploads: new Turns({
    most: 96,
    waiting: 32,
    patienceMs: 30_000,
    busy: 'More files are being sent than can be taken in at once. Send yours again in a moment.',
  }),
});
