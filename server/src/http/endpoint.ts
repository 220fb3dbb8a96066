import { DomainError, parse } from '@saltflat/contract';
import type { Request, Response } from 'express';
import { Router } from 'express';
import type { Static, TSchema } from 'typebox';

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
  body?: TSchema;
  answer: TSchema | FileAnswer;
  /** Status of success; 200 unless given. */
  status?: number;
  textParams?: boolean;
}

export interface Call<S extends EndpointShape> {
  params: Record<string, string>;
  query: S['query'] extends TSchema ? Static<S['query']> : Record<string, never>;
  body: S['body'] extends TSchema ? Static<S['body']> : undefined;
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

export interface Endpoint {
  shape: EndpointShape;
  handle: (req: Request, res: Response) => Promise<void>;
}

export const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** Outside production every answer is held against its schema as well: what types cannot see is a fault, not a surprise. */
const CHECKS_ANSWERS = process.env.NODE_ENV !== 'production';

/** Declares an endpoint; the compiler holds the handler to the answer's schema. */
export function endpoint<const S extends EndpointShape>(
  shape: S,
  work: (call: Call<S>) => Promise<Answer<S>>,
): Endpoint {
  return {
    shape,
    handle: async (req, res) => {
      const params = req.params as Record<string, string>;
      if (!shape.textParams) for (const id of Object.values(params)) assertUuid(id);
      const query = shape.query ? parse(shape.query, req.query, { coerce: true }) : {};
      const body: unknown = shape.body ? parse(shape.body, req.body ?? {}) : undefined;
      res.status(shape.status ?? 200);
      const answer = await work({ params, query, body, req, res } as Call<S>); // parsed by the schemas the types came from
      if (isFile(shape.answer)) return;
      if (CHECKS_ANSWERS) assertFits(shape, shape.answer, answer);
      res.json(answer);
    },
  };
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

/** Mounts endpoints on a router. */
export function mount(endpoints: readonly Endpoint[]): Router {
  const router = Router();
  for (const { shape, handle } of endpoints) router[shape.method](shape.path, handle);
  return router;
}
