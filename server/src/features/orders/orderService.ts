import { DomainError } from '@saltflat/contract';
import type {
  Catalogue,
  FieldProblem,
  Order,
  OrderChange,
  OrderInput,
  OrderLine,
  OrderLineInput,
  OrderQuery,
} from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import type { OrderStore } from './orderStore.ts';

interface Needs {
  db: Database;
  orders: OrderStore;
  readCatalogue: () => Promise<Catalogue>;
  artworkExists: (id: string) => Promise<boolean>;
  /** Has routes planned for lines that are new or changed. */
  askForPlan: (lineId: string) => Promise<void>;
}

const PAGE = 100;

export type OrderService = ReturnType<typeof createOrderService>;

export function createOrderService({ db, orders, readCatalogue, artworkExists, askForPlan }: Needs) {
  async function get(id: string): Promise<Order> {
    return (await orders.find(id)) ?? missing(`order ${id.slice(0, 8)}`);
  }

  const list = (query: OrderQuery) => orders.list(query, query.limit ?? PAGE);

  async function getLine(lineId: string) {
    return (await orders.findLine(lineId)) ?? missing(`line ${lineId.slice(0, 8)}`);
  }

  async function add(input: OrderInput): Promise<Order> {
    await checkReferences(input.lines);
    refuseForeignLines(input.lines, []);
    const id = await db.transaction(async (tx) => {
      const made = await orders.insert(input, tx);
      await orders.settleState(made, tx);
      return made;
    });
    return planAll(id);
  }

  async function change(id: string, { version, ...input }: OrderChange): Promise<Order> {
    await checkReferences(input.lines);
    const before = await get(id);
    if (before.state === 'cancelled')
      throw new DomainError('not-now', `${before.code} is cancelled. Restore it before changing it.`);
    refuseForeignLines(input.lines, before.lines);
    const changed = input.lines.filter((line) => hasChanged(line, before.lines));
    const removed = before.lines.filter(({ id: lineId }) => !input.lines.some((line) => line.id === lineId));
    refuseOnFloor(before, [...changed.map(({ id: lineId }) => lineId), ...removed.map((line) => line.id)]);
    await db.transaction(async (tx) => {
      if (!(await orders.updateHead(id, version, input, tx))) await refuseStale(id);
      for (const line of removed) await orders.removeLine(line.id, tx);
      for (const [i, line] of input.lines.entries())
        if (changed.includes(line)) await orders.writeLine(id, i + 1, line, tx);
      await orders.settleState(id, tx);
    });
    return planAll(id);
  }

  async function setCancelled(id: string, version: number, isCancelled: boolean): Promise<Order> {
    const before = await get(id);
    if (isCancelled === (before.state === 'cancelled')) return before; // done already: pressing twice is harmless
    if (isCancelled && before.state === 'running')
      throw new DomainError('not-now', `${before.code} is on the floor. Finish or stop its run first.`);
    await db.transaction(async (tx) => {
      if (!(await orders.setCancelled(id, version, isCancelled, tx))) await refuseStale(id);
      if (!isCancelled) await orders.settleState(id, tx);
    });
    return get(id);
  }

  async function duplicate(id: string): Promise<Order> {
    const { customer, dueAt, note, lines } = await get(id);
    return add({ customer, dueAt, note, lines: lines.map(asInput) });
  }

  /** Another file for one line: size, placement and everything else stay. */
  async function replaceArtwork(lineId: string, artworkId: string): Promise<Order> {
    const { orderId } = await getLine(lineId);
    const { version, customer, dueAt, note, lines } = await get(orderId);
    const inputs = lines.map((line) => ({ id: line.id, ...asInput(line) }));
    return change(orderId, {
      version,
      customer,
      dueAt,
      note,
      lines: inputs.map((input) =>
        input.id === lineId ? { ...input, artworkId, preparationId: null } : input,
      ),
    });
  }

  async function refuseStale(id: string): Promise<never> {
    const current = await get(id);
    throw new DomainError(
      'stale-version',
      `Someone changed ${current.code} meanwhile. Look at what it is now, then save again.`,
      { current },
    );
  }

  async function planAll(id: string): Promise<Order> {
    const order = await get(id);
    for (const line of order.lines) if (line.state === 'planning') await askForPlan(line.id);
    return order;
  }

  /** Garments, colours, sizes and artworks must be ones the shop has. */
  async function checkReferences(lines: readonly OrderLineInput[]): Promise<void> {
    const { styles } = await readCatalogue();
    const fields: FieldProblem[] = [];
    for (const [i, line] of lines.entries()) {
      const style = styles.find(({ id }) => id === line.styleId);
      const refuse = (field: string, message: string) =>
        fields.push({ path: `/lines/${i}/${field}`, message });
      if (!style) refuse('styleId', 'That garment is not in the shop’s list: choose another.');
      else if (!style.colours.some(({ id }) => id === line.colourId))
        refuse('colourId', `${style.name} does not come in that colour: choose another.`);
      for (const [k, { size }] of line.sizes.entries()) {
        if (style && !style.sizes.some((known) => known.size === size))
          refuse(`sizes/${k}/size`, `${style.name} does not come in size ${size}.`);
        if (line.sizes.findIndex((other) => other.size === size) !== k)
          refuse(`sizes/${k}/size`, `Size ${size} is there twice: add the quantities.`);
      }
      for (const [k, { sizes }] of (line.grades ?? []).entries())
        for (const size of sizes)
          if (!line.sizes.some((ordered) => ordered.size === size))
            refuse(`grades/${k}/sizes`, `A width is given for size ${size}, which this line does not order.`);
      if (line.artworkId !== null && !(await artworkExists(line.artworkId)))
        refuse('artworkId', 'That artwork is not here: drop the file again.');
    }
    if (fields.length > 0)
      throw new DomainError('invalid-input', fields.map(({ message }) => message).join(' '), { fields });
  }

  return {
    get,
    getLine,
    list,
    add,
    change,
    setCancelled,
    duplicate,
    replaceArtwork,
    linesOfArtwork: orders.linesOfArtwork,
  };
}

function missing(what: string): never {
  throw new DomainError('not-found', `There is no ${what}.`);
}

function refuseForeignLines(lines: readonly OrderLineInput[], own: readonly OrderLine[]): void {
  const fields = lines.flatMap(({ id }, i) =>
    id !== undefined && !own.some((line) => line.id === id)
      ? [
          {
            path: `/lines/${i}/id`,
            message: 'That line belongs to no line of this order: leave its id out to add it.',
          },
        ]
      : [],
  );
  if (fields.length > 0)
    throw new DomainError('invalid-input', fields.map(({ message }) => message).join(' '), { fields });
}

function refuseOnFloor(order: Order, lineIds: readonly (string | undefined)[]): void {
  const busy = order.lines.find(
    (line) => lineIds.includes(line.id) && (line.state === 'running' || line.state === 'done'),
  );
  if (busy)
    throw new DomainError(
      'not-now',
      `${busy.code} is ${busy.state === 'running' ? 'on the floor' : 'done'}: its garment, art and sizes stay as they are. Duplicate the order to make more.`,
    );
}

function hasChanged(input: OrderLineInput, before: readonly OrderLine[]): boolean {
  const line = before.find(({ id }) => id === input.id);
  if (!line) return true;
  const asWas = asInput(line);
  const { id: _own, ...asIs } = {
    ...input,
    preparationId: input.preparationId ?? asWas.preparationId,
    grades: input.grades ?? asWas.grades,
    house: input.house ?? asWas.house,
  };
  return stable(asWas) !== stable(asIs);
}

/** Field order and order of sizes do not make a line another one. */
function stable({ sizes, ...line }: Omit<OrderLineInput, 'id'>): string {
  return JSON.stringify([
    Object.entries(line)
      .map(([key, value]): [string, unknown] => [
        key,
        key === 'house' ? Object.entries(value ?? {}).sort() : value,
      ])
      .sort(([p], [q]) => (p < q ? -1 : 1)),
    sizes.map(({ size, quantity }) => `${size}×${quantity}`).sort(),
  ]);
}

const asInput = ({
  styleId,
  colour,
  artwork,
  preparation,
  placement,
  dropMm,
  widthMm,
  process,
  sizes,
  grades,
  house,
}: OrderLine): OrderLineInput => ({
  styleId,
  colourId: colour.id,
  artworkId: artwork?.id ?? null,
  preparationId: preparation?.id ?? null,
  placement,
  dropMm,
  widthMm,
  process,
  sizes,
  grades,
  house,
});

/** The rows of the order list as a spreadsheet wants them. */
export function orderCsvRows(
  items: Awaited<ReturnType<OrderStore['list']>>['items'],
): Record<string, string | number>[] {
  return items.map(({ code, customer, pieces, processes, garments, dueAt, state, createdAt }) => ({
    code,
    customer,
    pieces,
    processes: processes.join(' + '),
    garments: garments.join(' + '),
    due: dueAt,
    state,
    created: createdAt,
  }));
}
