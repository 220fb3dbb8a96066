import { DomainError, parse } from '@saltflat/contract';
import type { Request, Response } from 'express';
import { Router } from 'express';
import type { Static, TSchema } from 'typebox';

/** One thing the API does: how it is called, what goes in, what comes out. Feeds both the router and the OpenAPI page. */
export interface EndpointShape {
  method: 'get' | 'post' | 'put';
  /** Express form, for example `/orders/:id`; every `:…` is a UUID unless `textParams`. */
  path: string;
  summary: string;
  query?: TSchema;
  body?: TSchema;
  answer?: TSchema;
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

export interface Endpoint {
  shape: EndpointShape;
  handle: (req: Request, res: Response) => Promise<void>;
}

export const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** Declares an endpoint. A handler that returns something has it sent as JSON; one that returns nothing has answered itself. */
export function endpoint<const S extends EndpointShape>(
  shape: S,
  work: (call: Call<S>) => Promise<unknown>,
): Endpoint {
  return {
    shape,
    handle: async (req, res) => {
      const params = req.params as Record<string, string>;
      if (!shape.textParams) for (const id of Object.values(params)) assertUuid(id);
      const query = shape.query ? parse(shape.query, req.query, { coerce: true }) : {};
      const body: unknown = shape.body ? parse(shape.body, req.body ?? {}) : undefined;
      const answer = await work({ params, query, body, req, res } as Call<S>); // parsed by the schemas the types came from
      if (answer !== undefined) res.status(shape.status ?? 200).json(answer);
    },
  };
}

function assertUuid(id: string): void {
  if (!UUID.test(id))
    throw new DomainError('not-found', `There is nothing called “${id.slice(0, 60)}” here.`);
}

/** Mounts endpoints on a router. */
export function mount(endpoints: readonly Endpoint[]): Router {
  const router = Router();
  for (const { shape, handle } of endpoints) router[shape.method](shape.path, handle);
  return router;
}

/** The OpenAPI document of the endpoints, out of the same schemas that check the requests. */
export function describeApi(endpoints: readonly Endpoint[]): object {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const { shape } of endpoints) {
    const path = shape.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [shape.method]: describeOperation(shape) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Saltflat',
      version: '0.1.0',
      description: 'Plans, times, checks and remembers the work of a garment print room.',
    },
    servers: [{ url: '/api/v1' }],
    paths,
  };
}

function describeOperation({
  path,
  summary,
  query,
  body,
  answer,
  status,
  textParams,
}: EndpointShape): object {
  const inPath = [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: textParams ? { type: 'string' } : { type: 'string', format: 'uuid' },
  }));
  const { properties = {} } = (query ?? {}) as { properties?: Record<string, TSchema> };
  const inQuery = Object.entries(properties).map(([name, schema]) => ({
    name,
    in: 'query',
    required: false,
    schema,
  }));
  return {
    summary,
    parameters: [...inPath, ...inQuery],
    ...(body ? { requestBody: { required: true, content: { 'application/json': { schema: body } } } } : {}),
    responses: {
      [String(status ?? 200)]: {
        description: 'Done',
        ...(answer ? { content: { 'application/json': { schema: answer } } } : {}),
      },
      default: {
        description: 'Refused, with a sentence and the fields',
        content: { 'application/problem+json': { schema: { type: 'object' } } },
      },
    },
  };
}
