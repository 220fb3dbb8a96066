import type { Order, OrderPage } from '@saltflat/contract';

interface Parameter {
  name: string;
  in: string;
  required?: boolean;
  schema: { enum?: (string | number)[] };
}

/**
 * Reads every place of a shop once, as its pages would: what the API lists, and one order with all that belongs to it.
 *
 * @param base address of the API
 * @returns what could not be read, in words; nothing where all could
 */
export async function readEveryPlace(base: string): Promise<string[]> {
  const faults: string[] = [];
  const read = async (path: string): Promise<unknown> => {
    const answer = await fetch(`${base}${path}`);
    const bytes = Buffer.from(await answer.arrayBuffer());
    // what an order does not have, as a route where it has no artwork, is not there in any shop
    if (answer.status >= 500) faults.push(`${path} could not be read (${answer.status})`);
    return answer.headers.get('content-type')?.includes('json') ? JSON.parse(bytes.toString()) : null;
  };
  const { paths } = (await read('/openapi.json')) as {
    paths: Record<string, { get?: { parameters: Parameter[] } }>;
  };
  const orders = (await read('/orders?limit=1')) as OrderPage;
  const [first] = orders.items;
  const order = first ? ((await read(`/orders/${first.id}`)) as Order) : null;
  for (const [path, { get }] of Object.entries(paths)) {
    const filled = get ? fill(path, get.parameters, order) : null;
    if (filled !== null) await read(filled);
  }
  return faults;
}

/** A path with something real in it; `null` where the shop holds nothing for it. */
function fill(path: string, parameters: readonly Parameter[], order: Order | null): string | null {
  const line = order?.lines[0];
  const id = path.startsWith('/orders/')
    ? order?.id
    : path.startsWith('/lines/')
      ? line?.id
      : path.startsWith('/artworks/')
        ? line?.prints[0]?.artwork?.id
        : undefined;
  const whole = path.replace(/\{\w+\}/g, () => id ?? '');
  if (whole !== path && id === undefined) return null;
  const query = parameters
    .filter((own) => own.in === 'query' && own.required)
    .map(({ name, schema }) => `${name}=${schema.enum?.[0] ?? 0}`);
  return query.length > 0 ? `${whole}?${query.join('&')}` : whole;
}
