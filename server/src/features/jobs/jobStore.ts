import type { Job } from '@saltflat/contract';
import { Op } from 'sequelize';
import type { Database } from '../../db/connection.ts';

type Which = Pick<Job, 'kind' | 'about'>;

/** Jobs as they stand. */
export class JobStore {
  constructor(private readonly db: Database) {}

  /** The work is under way, from the beginning: what an earlier attempt had come to is lost. */
  async begin({ kind, about }: Which, share: number, at: Date): Promise<void> {
    await this.db.models.jobs.upsert({
      kind, about, share, state: 'running', why: null, begunAt: at, toldAt: at, endedAt: null,
    }); // prettier-ignore
  }

  /** It has come further; never back. */
  async tell({ kind, about }: Which, share: number, at: Date): Promise<void> {
    await this.db.models.jobs.update(
      { share, toldAt: at },
      { where: { kind, about, state: 'running', share: { [Op.lt]: share } } },
    );
  }

  async end(
    { kind, about }: Which,
    how: { state: 'done'; why: null } | { state: 'failed'; why: string },
    at: Date,
  ): Promise<void> {
    const share = how.state === 'done' ? { share: 1 } : {};
    await this.db.models.jobs.update(
      { ...how, ...share, toldAt: at, endedAt: at },
      { where: { kind, about, state: 'running' } },
    );
  }

  /** What an earlier attempt could not end is done: what there was to do was done by then. */
  async settle({ kind, about }: Which, at: Date): Promise<void> {
    await this.db.models.jobs.update(
      { state: 'done', why: null, share: 1, toldAt: at, endedAt: at },
      { where: { kind, about, state: { [Op.ne]: 'done' } } },
    );
  }

  /** How far work is that was heard of since an instant; nothing where none was. */
  async shareSince({ kind, about }: Which, since: Date): Promise<number | null> {
    const where = { kind, about, state: 'running', toldAt: { [Op.gte]: since } };
    const row = await this.db.models.jobs.findOne({ where, raw: true });
    return row?.share ?? null;
  }

  async find({ kind, about }: Which): Promise<Job | null> {
    const row = await this.db.models.jobs.findOne({ where: { kind, about }, raw: true });
    if (!row) return null;
    const { state, share, why, begunAt, endedAt } = row;
    return {
      kind,
      about,
      state,
      share,
      why,
      begunAt: begunAt.toISOString(),
      endedAt: endedAt?.toISOString() ?? null,
    };
  }
}
