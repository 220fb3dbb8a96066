import type { TSchema } from 'typebox';
import { isFile } from './endpoint.ts';
import type { Endpoint, EndpointShape } from './endpoint.ts';

type Fields = Record<string, TSchema>;

/** The OpenAPI document of the endpoints, out of the same schemas that check the requests and the answers. */
export function describeApi(endpoints: readonly Endpoint[]): Record<string, unknown> {
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
    components: { schemas: { Problem: PROBLEM } },
  };
}

const PROBLEM = {
  type: 'object',
  description:
    'Why something was refused (RFC 9457), in one sentence for a person, with the fields it is about.',
  required: ['type', 'code', 'status', 'title', 'detail', 'requestId'],
  properties: {
    type: { type: 'string' },
    code: { type: 'string' },
    status: { type: 'integer' },
    title: { type: 'string' },
    detail: { type: 'string' },
    requestId: { type: 'string' },
    fields: {
      type: 'array',
      items: {
        type: 'object',
        required: ['path', 'message'],
        properties: { path: { type: 'string' }, message: { type: 'string' } },
      },
    },
    current: { description: 'The record as it now is, where a change came too late.' },
  },
};

const KEY = {
  name: 'Idempotency-Key',
  in: 'header',
  required: false,
  description: 'Sent again under the same key, the request counts once and is answered as before.',
  schema: { type: 'string', pattern: '^[A-Za-z0-9_-]{8,100}$' },
};

function describeOperation(shape: EndpointShape): object {
  const { path, summary, query, body, upload, status, textParams } = shape;
  const inPath = [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: textParams ? { type: 'string' } : { type: 'string', format: 'uuid' },
  }));
  const { properties = {}, required = [] } = (query ?? {}) as { properties?: Fields; required?: string[] };
  const inQuery = Object.entries(properties).map(([name, schema]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema,
  }));
  return {
    summary,
    parameters: [...inPath, ...inQuery, ...(shape.method === 'get' || upload ? [] : [KEY])],
    ...(body ? { requestBody: { required: true, content: { 'application/json': { schema: body } } } } : {}),
    ...(upload ? { requestBody: { required: true, content: contentIn(upload.media) } } : {}),
    responses: {
      [String(status ?? 200)]: { description: 'Done', content: contentOf(shape) },
      default: {
        description: 'Refused, with a sentence and the fields',
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  };
}

const contentIn = (media: readonly string[]): Record<string, { schema: object }> =>
  Object.fromEntries(media.map((type) => [type, { schema: {} }]));

const contentOf = ({ answer }: EndpointShape): Record<string, { schema: object }> =>
  isFile(answer) ? contentIn(answer.media) : { 'application/json': { schema: answer } };
