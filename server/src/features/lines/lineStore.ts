import { randomUUID } from 'node:crypto';
import type { ArtOverrule, LinePrint, OrderLine, OrderLineInput } from '@saltflat/contract';
import { Op, literal } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { LineRow, OrderRow } from '../../db/models/index.ts';

export type LineState = OrderLine['state'];

/** What a transition sets besides the state. */
export interface Transition {
  to: LineState;
  /** The states it may come from: in any other nothing is changed. */
  from: readonly LineState[];
  /** The generation it was decided for; left out where any will do. */
  generation?: number;
  /** Counts the generation up: whatever was planned for the former one is no longer wanted. */
  isNewGeneration?: boolean;
  routeNumber?: number | null;
  planProblem?: string | null;
  planAskedAt?: Date | null;
  planChangeId?: string | null;
  artOverrule?: ArtOverrule | null;
}

/** A line that is planned anew, and whether it could not be planned before. */
export interface PassedDraft {
  id: string;
  hadFailed: boolean;
}

const NEXT_GENERATION = literal('generation + 1') as unknown as number; // taken for a number's column; the types do not know

/** Rows of order lines and the order they belong to. Only this feature writes them. */
export class LineStore {
  constructor(private readonly db: Database) {}

  /** Holds every other change of an order and its lines off until the transaction ends. */
  async lockOrder(orderId: string, tx: Tx): Promise<OrderRow | null> {
    return this.db.models.orders.findByPk(orderId, { lock: tx.LOCK.UPDATE, transaction: tx });
  }

  /** Holds a line's order off, then gives the line as it is under that lock. */
  async lockLine(lineId: string, tx: Tx): Promise<{ line: LineRow; order: OrderRow } | null> {
    const { lines } = this.db.models;
    const found = await lines.findByPk(lineId, { attributes: ['orderId'], raw: true, transaction: tx });
    const order = found && (await this.lockOrder(found.orderId, tx));
    const line = order && (await lines.findOne({ where: { id: lineId, removedAt: null }, transaction: tx }));
    return line ? { line, order } : null;
  }

  /** @returns the new line's id */
  async insert(
    order: OrderRow,
    { code, position, state, at }: { code: string; position: number; state: LineState; at: Date },
    input: OrderLineInput,
    tx: Tx,
  ): Promise<string> {
    const id = randomUUID();
    const { colourId, house = {} } = input;
    const own = { id, orderId: order.id, code, position, state, colourId, house, printsGiven: 0 };
    const line = await this.db.models.lines.create(
      { ...own, ...NOTHING_PLANNED, planAskedAt: at },
      { transaction: tx },
    );
    await this.writePrints(line, input, tx);
    await this.writeSizes(id, input, tx);
    return id;
  }

  /** Writes what a person says of a line; its state is another matter. What is left out stays. */
  async writeContent(line: LineRow, input: OrderLineInput, tx: Tx): Promise<void> {
    const { colourId, house = line.house } = input;
    await line.update({ colourId, house }, { transaction: tx });
    await this.writePrints(line, input, tx);
    await this.writeSizes(line.id, input, tx);
  }

  async writePreparation(
    print: { lineId: string; id: string },
    own: { preparationId: string | null; widthMm: number },
    tx: Tx,
  ): Promise<void> {
    await this.db.models.prints.update(own, { where: { ...print }, transaction: tx });
  }

  async writeFindings(
    print: { lineId: string; id: string },
    findings: LinePrint['findings'],
    tx: Tx,
  ): Promise<void> {
    await this.db.models.prints.update({ findings }, { where: { ...print }, transaction: tx });
  }

  /** How many prints of a line have no artwork yet, so that nothing can be planned. */
  bareOf(lineId: string, tx: Tx): Promise<number> {
    return this.db.models.prints.count({ where: { lineId, artworkId: null }, transaction: tx });
  }

  async remove(lineId: string, at: Date, tx: Tx): Promise<void> {
    await this.db.models.lines.update({ removedAt: at }, { where: { id: lineId }, transaction: tx });
  }

  /** Changes a line's state if it is in one it may come from. @returns false where it is not: nothing is changed then */
  async pass(lineId: string, transition: Transition, tx: Tx): Promise<boolean> {
    const { to, from, generation, isNewGeneration, ...rest } = transition;
    const [changed] = await this.db.models.lines.update(
      {
        ...rest,
        state: to,
        ...(isNewGeneration ? { generation: NEXT_GENERATION, planAttempts: 0 } : {}),
      },
      {
        where: {
          id: lineId,
          removedAt: null,
          state: { [Op.in]: [...from] },
          ...(generation === undefined ? {} : { generation }),
        },
        transaction: tx,
      },
    );
    return changed === 1;
  }

  /** Notes that planning is begun once more. @returns the line as it is to be planned, or nothing where it no longer wants that */
  async beginPlan(lineId: string): Promise<LineRow | null> {
    const [, [line]] = await this.db.models.lines.update(
      { planAttempts: literal('plan_attempts + 1') },
      { where: { id: lineId, state: 'planning', removedAt: null }, returning: true },
    );
    return line ?? null;
  }

  /** An order's lines as they are now. */
  ofOrder(orderId: string, tx: Tx): Promise<LineRow[]> {
    return this.db.models.lines.findAll({ where: { orderId, removedAt: null }, transaction: tx });
  }

  /** Those of them that are planned, or wait for it. */
  drafts(orderId: string, tx: Tx): Promise<LineRow[]> {
    return this.db.models.lines.findAll({ where: { ...IS_DRAFT, orderId }, transaction: tx });
  }

  /** Has every line planned anew that is not on the floor, in a few statements however many. @returns them, soonest due first */
  async passDrafts(at: Date, tx: Tx): Promise<PassedDraft[]> {
    const { lines, orders } = this.db.models;
    const drafts = await lines.findAll({
      attributes: ['id', 'orderId'],
      where: IS_DRAFT,
      include: [{ association: 'order', attributes: ['dueAt'], where: { cancelledAt: null } }],
      order: [['order', 'dueAt', 'asc'], ['position', 'asc']], // prettier-ignore
      transaction: tx,
    });
    const ofDrafts = { id: { [Op.in]: [...new Set(drafts.map(({ orderId }) => orderId))] } };
    // orders before lines, and orders by their id: whoever locks both does it in this order, so that nobody waits for ever
    await orders.findAll({
      attributes: ['id'],
      where: ofDrafts,
      order: ['id'],
      lock: tx.LOCK.UPDATE,
      transaction: tx,
    });
    const of = { ...IS_DRAFT, id: { [Op.in]: drafts.map(({ id }) => id) } };
    const failed = await lines.findAll({
      attributes: ['id'],
      where: { ...of, state: 'failed' },
      raw: true,
      transaction: tx,
    });
    const [, changed] = await lines.update(
      {
        state: 'planning',
        generation: NEXT_GENERATION,
        routeNumber: null,
        planProblem: null,
        planAskedAt: at,
        planAttempts: 0,
      },
      {
        where: of,
        returning: ['id'],
        transaction: tx,
      },
    );
    await orders.update(
      { state: 'planning' },
      { where: { ...ofDrafts, state: ['art-to-mend', 'ready'] }, transaction: tx },
    );
    const passed = new Set(changed.map(({ id }) => id));
    const hadFailed = new Set(failed.map(({ id }) => id));
    return drafts.flatMap(({ id }) => (passed.has(id) ? [{ id, hadFailed: hadFailed.has(id) }] : []));
  }

  /** Notes for which change of the set-up lines are planned anew. */
  async noteChange(lineIds: readonly string[], planChangeId: string, tx: Tx): Promise<void> {
    await this.db.models.lines.update(
      { planChangeId },
      { where: { id: { [Op.in]: [...lineIds] } }, transaction: tx },
    );
  }

  /** Lines that have waited for their plan since before an instant, asked for again by this: only one asker gets each. */
  async takeForgotten(before: Date, at: Date, tx: Tx): Promise<string[]> {
    const [, lines] = await this.db.models.lines.update(
      { planAskedAt: at },
      {
        where: {
          state: 'planning',
          removedAt: null,
          planAskedAt: { [Op.or]: [{ [Op.lt]: before }, null] },
        },
        returning: ['id'],
        transaction: tx,
      },
    );
    return lines.map(({ id }) => id);
  }

  /** Prints as they are written; each that is new gets a name that none of the line's ever had. */
  private async writePrints(line: LineRow, input: OrderLineInput, tx: Tx): Promise<void> {
    const { prints } = this.db.models;
    const before = await prints.findAll({ where: { lineId: line.id }, raw: true, transaction: tx });
    await prints.destroy({ where: { lineId: line.id }, transaction: tx });
    let given = line.printsGiven;
    const rows = input.prints.map(({ id, ...written }, i) => {
      const was = before.find((own) => own.id === id);
      const isSameArt = was?.artworkId === written.artworkId;
      const { preparationId, grades = was?.grades ?? [] } = written;
      const kept = isSameArt ? (was?.preparationId ?? null) : null;
      return {
        ...written,
        lineId: line.id,
        id: was ? was.id : String(++given),
        position: i + 1,
        preparationId: preparationId === undefined ? kept : preparationId,
        grades,
        findings: [],
      };
    });
    await prints.bulkCreate(rows, { transaction: tx });
    if (given !== line.printsGiven) await line.update({ printsGiven: given }, { transaction: tx });
  }

  private async writeSizes(lineId: string, { sizes }: OrderLineInput, tx: Tx): Promise<void> {
    const { lineSizes } = this.db.models;
    await lineSizes.destroy({ where: { lineId }, transaction: tx });
    await lineSizes.bulkCreate(
      sizes.map(({ size, quantity }) => ({ lineId, size, quantity })),
      { transaction: tx },
    );
  }
}

const IS_DRAFT = {
  state: { [Op.in]: ['planning', 'art-to-mend', 'ready', 'failed'] satisfies LineState[] },
  removedAt: null,
};
const NOTHING_PLANNED = {
  artOverrule: null,
  planProblem: null,
  routeNumber: null,
  planChangeId: null,
  removedAt: null,
};
