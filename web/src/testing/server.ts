/** What a made-up server answers: a status with a body. */
export interface Answer {
  status?: number;
  body: unknown;
}

export interface Asked {
  method: string;
  path: string;
  body: unknown;
}

/**
 * Has a made-up server answer by method and path, as `POST /orders`; what it does not know is away. The paths are those of
 * the API, without what every one of them begins with.
 *
 * @returns all that was asked of it, in order
 */
export function answering(routes: Record<string, (asked: Asked) => Answer>): Asked[] {
  const all: Asked[] = [];
  globalThis.fetch = async (input) => {
    const request = input as Request;
    const path = new URL(request.url).pathname.replace('/api/v1', '');
    const text = await request.text();
    const asked: Asked = {
      method: request.method,
      path,
      body: isJson(request) && text !== '' ? (JSON.parse(text) as unknown) : text || null,
    };
    all.push(asked);
    const route = routes[`${asked.method} ${path}`];
    if (!route) throw new TypeError('away');
    const { status = 200, body } = route(asked);
    return new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
  };
  return all;
}

const isJson = ({ headers }: Request): boolean => headers.get('content-type')?.includes('json') ?? false;

/** A refusal as the server writes it. */
export const refused = (detail: string, fields: { path: string; message: string }[] = []): Answer => ({
  status: 409,
  body: { type: 'about:blank', title: 'Refused', status: 409, code: 'refused', detail, fields },
});
