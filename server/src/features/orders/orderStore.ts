import { randomUUID } from 'node:crypto';
import type { ArtworkUse, Customer, OrderInput } from '@saltflat/contract';
import { Op, QueryTypes, UniqueConstraintError } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { OrderRow } from '../../db/models/index.ts';

/** Orders and who they are for. Their lines' states are not written here. */
export class OrderStore {
  constructor(private readonly db: Database) {}

  /** A new order without lines. */
  async insert(input: OrderInput, at: Date, tx: Tx): Promise<OrderRow> {
    const customer = await this.customer(input.customer, at, tx);
    // a sequence gives numbers that are never given twice, whoever asks; Sequelize has no word for it
    const [next] = await this.db.sequelize.query<{ number: string }>(
      `select nextval('order_number') as number`,
      {
        type: QueryTypes.SELECT,
        transaction: tx,
      },
    );
    const number = Number(next?.number);
    return this.db.models.orders.create(
      {
        id: randomUUID(),
        number,
        code: `K-${number}`,
        customerId: customer.id,
        customerKey: customer.name.toLowerCase(),
        dueAt: new Date(input.dueAt),
        note: input.note,
        state: 'planning',
        createdAt: at,
        cancelledAt: null,
        spark: null,
      },
      { transaction: tx },
    );
  }

  /** Writes the order's own fields as its next version. The order is locked. */
  async updateHead(order: OrderRow, input: OrderInput, at: Date, tx: Tx): Promise<void> {
    const customer = await this.customer(input.customer, at, tx);
    const own = { customerId: customer.id, customerKey: customer.name.toLowerCase() };
    await order.update(
      { ...own, dueAt: new Date(input.dueAt), note: input.note, version: order.version + 1 },
      { transaction: tx },
    );
  }

  /** Prints made from an artwork, of lines of orders that are not cancelled, newest order first. */
  async linesOfArtwork(artworkId: string): Promise<ArtworkUse[]> {
    const rows = await this.db.models.prints.findAll({
      where: { artworkId },
      include: [
        {
          association: 'line',
          where: { removedAt: null },
          include: [{ association: 'order', where: { cancelledAt: null }, include: ['customer'] }],
        },
        { association: 'preparation', attributes: ['number'] },
      ],
      order: [['line', 'order', 'number', 'desc'], ['line', 'position', 'asc'], ['position', 'asc']], // prettier-ignore
      limit: 100,
    });
    return rows.map(({ lineId, id, placement, line, preparation }) => ({
      lineId,
      print: id,
      placement,
      code: line?.code ?? '',
      customer: line?.order?.customer?.name ?? '',
      preparation: preparation?.number ?? null,
    }));
  }

  /** Customers whose name begins so, by name. */
  async customers(search: string, most: number): Promise<Customer[]> {
    const beginning = `${search.toLowerCase().replace(/[\\%_]/g, '\\$&')}%`;
    const { sequelize, models } = this.db;
    const rows = await models.customers.findAll({
      where: sequelize.where(sequelize.fn('lower', sequelize.col('name')), { [Op.like]: beginning }),
      order: [[sequelize.fn('lower', sequelize.col('name')), 'asc']],
      limit: most,
      raw: true,
    });
    return rows.map(({ id, name }) => ({ id, name }));
  }

  /** The customer of a name, as it is written; made where there is none. */
  private async customer(name: string, at: Date, tx: Tx): Promise<Customer> {
    const { sequelize, models } = this.db;
    const called = { name: name.trim() };
    const known = await models.customers.findOne({ where: called, transaction: tx });
    if (known) return known;
    try {
      // in a savepoint: where somebody is quicker, the transaction goes on with theirs
      return await sequelize.transaction({ transaction: tx }, (savepoint) =>
        models.customers.create({ id: randomUUID(), ...called, createdAt: at }, { transaction: savepoint }),
      );
    } catch (error) {
      if (!(error instanceof UniqueConstraintError)) throw error;
      const theirs = await models.customers.findOne({ where: called, transaction: tx });
      if (!theirs) throw error;
      return theirs;
    }
  }
}
