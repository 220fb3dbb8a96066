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
      body: text === '' ? null : (JSON.parse(text) as unknown),
    };
    all.push(asked);
    const route = routes[`${asked.method} ${path}`];
    if (!route) throw new TypeError('away');
    const { status = 200, body } = route(asked);
    return new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } });
  };
  return all;
}

/** A refusal as the server writes it. */
export const refused = (detail: string, fields: { path: string; message: string }[] = []): Answer => ({
  status: 409,
  body: { type: 'about:blank', title: 'Refused', status: 409, code: 'refused', detail, fields },
});
