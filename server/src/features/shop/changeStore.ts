import { randomUUID } from 'node:crypto';
import type { Replanned, ShopChange } from '@saltflat/contract';
import { Op } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';

/** A line that is planned anew after a change, and whether it could not be planned before. */
export interface PlannedAnew {
  id: string;
  hadFailed: boolean;
}

/** Changes of the set-up, with what they did to the routes that follow them. */
export class ChangeStore {
  constructor(private readonly db: Database) {}

  /** Notes a change, and which lines it has planned anew. */
  async insert(at: Date, drafts: readonly PlannedAnew[], tx: Tx): Promise<string> {
    const { changes, changedLines } = this.db.models;
    const id = randomUUID();
    await changes.create({ id, at, drafts: drafts.length }, { transaction: tx });
    await changedLines.bulkCreate(
      drafts.map(({ id: lineId, hadFailed }) => ({
        changeId: id,
        lineId,
        hadFailed,
        outcome: null,
        plannedAt: null,
      })),
      { transaction: tx },
    );
    return id;
  }

  /** Notes what became of a line. */
  async note(changeId: string, { outcome, at }: { outcome: Replanned; at: Date }, tx: Tx): Promise<void> {
    await this.db.models.changedLines.update(
      { outcome, plannedAt: at },
      { where: { changeId, lineId: outcome.lineId }, transaction: tx },
    );
  }

  async find(id: string): Promise<ShopChange | undefined> {
    const { changes, changedLines } = this.db.models;
    const change = await changes.findByPk(id, { raw: true });
    if (!change) return undefined;
    const where = { changeId: id };
    const asked = await changedLines.findAll({ attributes: ['lineId'], where, raw: true });
    // who waits is looked up before what became of them: a plan that is made in between is told, not lost
    const waiting = await this.waiting(asked.map(({ lineId }) => lineId));
    const rows = await changedLines.findAll({ where, raw: true });
    const planned = rows.filter(({ lineId, plannedAt }) => plannedAt !== null || !waiting.has(lineId));
    const replanned = planned.flatMap(({ outcome, hadFailed }) =>
      outcome !== null && isNews(outcome, hadFailed) ? [outcome] : [],
    );
    return {
      id,
      at: change.at.toISOString(),
      drafts: change.drafts,
      planned: planned.length,
      unchanged: planned.length - replanned.length,
      replanned: replanned.sort((p, q) => (p.code < q.code ? -1 : 1)),
    };
  }

  /** Of these lines the ones that still wait for their plan; one that was edited or taken off since does not. */
  private async waiting(lineIds: readonly string[]): Promise<Set<string>> {
    const rows = await this.db.models.lines.findAll({
      attributes: ['id'],
      where: { id: { [Op.in]: [...lineIds] }, state: 'planning', removedAt: null },
      raw: true,
    });
    return new Set(rows.map(({ id }) => id));
  }
}

/** A line that came out as it was is none, but for one that could not be planned before. */
const isNews = ({ problem, differences }: Replanned, hadFailed: boolean): boolean =>
  problem !== null || differences.length > 0 || hadFailed;
