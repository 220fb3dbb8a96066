import type { Order, OrderSummary } from '@saltflat/contract';
import { readStoredRoute } from '@saltflat/contract';
import { traceHeat } from '@saltflat/core/work';
import { Op } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { LineRow, OrderRow } from '../../db/models/index.ts';
import type { LineState } from './lineStore.ts';

/** Keeps up what an order says of its lines: where it stands, and what lists show and search. */
export class OrderState {
  constructor(private readonly db: Database) {}

  /** An order stands where its least advanced line stands; one line on the floor makes it running. */
  async settle(order: OrderRow, tx: Tx): Promise<void> {
    if (order.cancelledAt !== null) return;
    const lines = await this.db.models.lines.findAll({
      attributes: ['state'],
      where: { orderId: order.id, removedAt: null },
      raw: true,
      transaction: tx,
    });
    const state = standing(lines.map((line) => line.state));
    if (state !== order.state) await order.update({ state }, { transaction: tx });
  }

  /** Brings what lists show and search up to date after lines were written. */
  async summarise(order: OrderRow, tx: Tx): Promise<void> {
    const { models } = this.db;
    const lines = await models.lines.findAll({
      where: { orderId: order.id, removedAt: null },
      include: [{ association: 'colour', include: ['style'] }, 'quantities', 'prints'],
      order: [['position', 'asc']],
      transaction: tx,
    });
    const customer = await models.customers.findByPk(order.customerId, { raw: true, transaction: tx });
    const garments = lines.map(garmentOf);
    const words = [order.code, customer?.name, order.note, ...lines.map(({ code }) => code), ...garments];
    await order.update(
      {
        pieces: lines
          .flatMap((line) => line.quantities ?? [])
          .reduce((sum, { quantity }) => sum + quantity, 0),
        processes: [
          ...new Set(lines.flatMap(({ prints = [] }) => prints.map(({ process }) => process))),
        ].sort(),
        garments: [...new Set(garments)].sort(),
        searchText: ` ${words.join(' ').toLowerCase()}`,
        spark: await this.sparkOf(lines, tx),
      },
      { transaction: tx },
    );
  }

  /** Fills in the small traces of orders that have none yet, some at a time. @returns how many it filled */
  async fillSparks(most: number): Promise<number> {
    const { orders, lines } = this.db.models;
    const bare = await orders.findAll({
      where: { spark: null, state: { [Op.in]: ['art-to-mend', 'ready', 'running', 'done'] } },
      limit: most,
    });
    for (const order of bare)
      await this.db.transaction(async (tx) => {
        const own = await lines.findAll({
          where: { orderId: order.id, removedAt: null },
          order: [['position', 'asc']],
          transaction: tx,
        });
        await order.update({ spark: (await this.sparkOf(own, tx)) ?? [] }, { transaction: tx });
      });
    return bare.length;
  }

  /** The heat trace of the first line that has a route, as a list draws it. */
  private async sparkOf(lines: readonly LineRow[], tx: Tx): Promise<OrderSummary['spark'] | null> {
    const line = lines.find(({ routeNumber }) => routeNumber !== null);
    const row =
      line &&
      (await this.db.models.routes.findOne({
        where: { lineId: line.id, number: line.routeNumber ?? 0 },
        raw: true,
        transaction: tx,
      }));
    if (!row) return null;
    const { route } = readStoredRoute(row.format, { route: row.document, cost: row.cost });
    return traceHeat(route.operations, row.pieces).map(({ fromS, toS, tempC, isHandsOn }) => [
      tempC,
      toS - fromS,
      isHandsOn,
    ]);
  }
}

const garmentOf = ({ colour }: LineRow): string => `${colour?.name ?? ''} ${colour?.style?.name ?? ''}`;

/** Where an order stands, by where its lines stand. */
export function standing(states: readonly LineState[]): Exclude<Order['state'], 'cancelled'> {
  if (states.includes('running')) return 'running';
  if (states.every((state) => state === 'done')) return 'done';
  const leastAdvanced = (['failed', 'needs-art', 'planning', 'art-to-mend'] as const).find((state) =>
    states.includes(state),
  );
  return leastAdvanced ?? 'ready';
}
