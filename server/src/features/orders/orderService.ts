import { DomainError } from '@saltflat/contract';
import type {
  ArtworkChoice,
  Customer,
  LineOnOrder,
  Order,
  OrderChange,
  OrderInput,
  OrderLineInput,
  OrderPage,
  OrderQuery,
  OrderSummary,
  PrintInput,
  ProcessChoice,
  OpenLines,
  OpenLinesQuery,
} from '@saltflat/contract';
import type { Database, Tx } from '../../db/connection.ts';
import type { LineRow, OrderRow } from '../../db/models/index.ts';
import type { CheckLines } from './checkLines.ts';
import { asCopy, asInput, hasChanged, refuseForeignLines } from './lineInputs.ts';
import { SparseSearches } from '../../http/keyset.ts';
import { eachOrder, readOrders } from './orderListReads.ts';
import { readLine, readOpenLines, readOrder } from './orderReads.ts';
import type { OrderStore } from './orderStore.ts';

interface Needs {
  db: Database;
  orders: OrderStore;
  checkLines: CheckLines;
  /** The home of lines and of what an order says of them. */
  lines: {
    lockOrder: (orderId: string, tx: Tx) => Promise<OrderRow | null>;
    ofOrder: (orderId: string, tx: Tx) => Promise<LineRow[]>;
    add: (order: OrderRow, inputs: readonly OrderLineInput[], tx: Tx) => Promise<void>;
    edit: (line: LineRow, input: OrderLineInput, tx: Tx) => Promise<void>;
    remove: (line: LineRow, tx: Tx) => Promise<void>;
    settle: (order: OrderRow, tx: Tx) => Promise<void>;
    summarise: (order: OrderRow, tx: Tx) => Promise<void>;
    cancel: (order: OrderRow, tx: Tx) => Promise<void>;
    restore: (order: OrderRow, tx: Tx) => Promise<void>;
  };
  refuseOnFloor: (line: Pick<LineRow, 'code' | 'state'>) => void;
  now: () => number;
}

const PAGE = 50;
const EXPORT_PAGE = 500;
const CUSTOMERS = 20;

/** Orders: taken in, changed, cancelled, copied, listed. */
export class OrderService {
  private readonly sparse = new SparseSearches();

  constructor(private readonly needs: Needs) {}

  async get(id: string): Promise<Order> {
    return (await readOrder(this.needs.db, id)) ?? missing(`order ${id.slice(0, 8)}`);
  }

  async getLine(lineId: string): Promise<LineOnOrder> {
    return (await readLine(this.needs.db, lineId)) ?? missing(`line ${lineId.slice(0, 8)}`);
  }

  list(query: OrderQuery): Promise<OrderPage> {
    return readOrders(this.needs.db, this.sparse, query, query.limit ?? PAGE);
  }

  /** Everything the query asks for, in pages. */
  each({ cursor: _cursor, limit: _limit, ...query }: OrderQuery): AsyncGenerator<OrderSummary[]> {
    return eachOrder(this.needs.db, query, EXPORT_PAGE);
  }

  openLines(query: OpenLinesQuery): Promise<OpenLines> {
    return readOpenLines(this.needs.db, query);
  }

  customers(search: string): Promise<Customer[]> {
    return this.needs.orders.customers(search.trim(), CUSTOMERS);
  }

  async add(input: OrderInput): Promise<Order> {
    const { db, orders, lines, checkLines, now } = this.needs;
    await checkLines(input.lines);
    refuseForeignLines(input.lines, []);
    const id = await db.transaction(async (tx) => {
      const order = await orders.insert(input, new Date(now()), tx);
      await lines.add(order, input.lines, tx);
      await this.bringUpToDate(order, tx);
      return order.id;
    });
    return this.get(id);
  }

  async change(id: string, { version, ...input }: OrderChange): Promise<Order> {
    const { db, orders, lines, checkLines, now } = this.needs;
    await checkLines(input.lines);
    const before = await this.get(id);
    refuseForeignLines(input.lines, before.lines);
    const isWritten = await db.transaction(async (tx) => {
      const order = await this.lock(id, tx);
      if (order.version !== version) return false; // under the order's lock nobody can change it meanwhile
      refuseCancelled(order);
      await orders.updateHead(order, input, new Date(now()), tx);
      const rows = await lines.ofOrder(id, tx);
      for (const row of rows)
        if (!input.lines.some((line) => line.id === row.id)) await lines.remove(row, tx);
      for (const line of input.lines) await this.changeLine(line, rows, before, tx);
      await lines.add(
        order,
        input.lines.filter((line) => line.id === undefined),
        tx,
      );
      await this.bringUpToDate(order, tx);
      return true;
    });
    if (!isWritten) await this.refuseStale(id);
    return this.get(id);
  }

  async setCancelled(id: string, version: number, isCancelled: boolean): Promise<Order> {
    const { db, lines } = this.needs;
    const isWritten = await db.transaction(async (tx) => {
      const order = await this.lock(id, tx);
      if (isCancelled === (order.cancelledAt !== null)) return true; // done already: pressing twice is harmless
      if (order.version !== version) return false;
      await (isCancelled ? lines.cancel(order, tx) : lines.restore(order, tx));
      await order.update({ version: version + 1 }, { transaction: tx });
      return true;
    });
    if (!isWritten) await this.refuseStale(id);
    return this.get(id);
  }

  async duplicate(id: string): Promise<Order> {
    const { customer, dueAt, note, lines } = await this.get(id);
    return this.add({ customer, dueAt, note, lines: lines.map(asCopy) });
  }

  /** Another file for one print: size, placement and everything else stay. */
  replaceArtwork(lineId: string, { print, artworkId }: ArtworkChoice): Promise<Order> {
    return this.changePrint(lineId, print, (own) => ({ ...own, artworkId, preparationId: null }));
  }

  /** Another process for one print, as one that is taken off the shelf in place of being printed. */
  chooseProcess(lineId: string, { print, process }: ProcessChoice): Promise<Order> {
    return this.changePrint(lineId, print, (own) => ({ ...own, process }));
  }

  private async changePrint(
    lineId: string,
    print: string,
    changed: (own: PrintInput) => PrintInput,
  ): Promise<Order> {
    const { orderId } = await this.getLine(lineId);
    const { version, customer, dueAt, note, lines } = await this.get(orderId);
    const inputs = lines.map((line) => ({ id: line.id, ...asInput(line) }));
    return this.change(orderId, {
      version,
      customer,
      dueAt,
      note,
      lines: inputs.map((input) =>
        input.id === lineId
          ? { ...input, prints: input.prints.map((own) => (own.id === print ? changed(own) : own)) }
          : input,
      ),
    });
  }

  linesOfArtwork = (artworkId: string) => this.needs.orders.linesOfArtwork(artworkId);

  private async lock(id: string, tx: Tx): Promise<OrderRow> {
    return (await this.needs.lines.lockOrder(id, tx)) ?? missing(`order ${id.slice(0, 8)}`);
  }

  private async changeLine(
    input: OrderLineInput,
    rows: readonly LineRow[],
    before: Order,
    tx: Tx,
  ): Promise<void> {
    const row = rows.find(({ id }) => id === input.id);
    if (!row || !hasChanged(input, before.lines)) return;
    this.needs.refuseOnFloor(row);
    await this.needs.lines.edit(row, input, tx);
  }

  private async bringUpToDate(order: OrderRow, tx: Tx): Promise<void> {
    await this.needs.lines.settle(order, tx);
    await this.needs.lines.summarise(order, tx);
  }

  private async refuseStale(id: string): Promise<never> {
    const current = await this.get(id);
    throw new DomainError(
      'stale-version',
      `Someone changed ${current.code} meanwhile. Look at what it is now, then save again.`,
      { current },
    );
  }
}

function missing(what: string): never {
  throw new DomainError('not-found', `There is no ${what}.`);
}

function refuseCancelled({ code, cancelledAt }: OrderRow): void {
  if (cancelledAt !== null)
    throw new DomainError('not-now', `${code} is cancelled. Restore it before changing it.`);
}
