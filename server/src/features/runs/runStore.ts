import { randomUUID } from 'node:crypto';
import { DomainError, readStoredRoute } from '@saltflat/contract';
import type { StoredEvent } from '@saltflat/contract';
import type { Process, Route } from '@saltflat/core/route';
import { Op, UniqueConstraintError } from 'sequelize';
import type { CreationAttributes } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { EventRow, RunRow } from '../../db/models/index.ts';

/** Runs: lines on the floor, with the route they are made by. */
export class RunStore {
  constructor(private readonly db: Database) {}

  /** The route a run is made by. */
  async route(runId: string, tx?: Tx): Promise<Route | undefined> {
    const row = await this.db.models.runs.findByPk(runId, { include: ['version'], transaction: tx ?? null });
    if (!row?.version) return undefined;
    const { format, document, cost } = row.version;
    return readStoredRoute(format, { route: document, cost }).route;
  }

  /** Where a run stands by its own row. */
  async standing(id: string): Promise<Pick<RunRow, 'eventCount' | 'finishedAt'> | undefined> {
    const row = await this.db.models.runs.findByPk(id, {
      attributes: ['eventCount', 'finishedAt'],
      raw: true,
    });
    return row ?? undefined;
  }

  /** Holds every other writer of this run off until the transaction ends. */
  async lock(id: string, tx: Tx): Promise<RunRow | null> {
    return this.db.models.runs.findByPk(id, { lock: tx.LOCK.UPDATE, transaction: tx });
  }

  async insert(
    run: { lineId: string; routeVersionId: string; process: Process; pieces: number; by: string; at: Date },
    tx: Tx,
  ): Promise<string> {
    const { by, at, ...own } = run;
    const id = randomUUID();
    try {
      await this.db.models.runs.create(
        { id, ...own, startedBy: by, createdAt: at, finishedAt: null },
        { transaction: tx },
      );
    } catch (cause) {
      if (!(cause instanceof UniqueConstraintError)) throw cause;
      throw new DomainError(
        'not-now',
        'This line is on the floor already. Open Floor to go on with it.',
        {},
        { cause },
      );
    }
    return id;
  }

  /** Events of a run in the order they arrived, from the one after so many. */
  async events(runId: string, after: number, tx?: Tx): Promise<StoredEvent[]> {
    const rows = await this.db.models.events.findAll({
      where: { runId, place: { [Op.gt]: after } },
      order: [['place', 'asc']], // prettier-ignore
      raw: true,
      transaction: tx ?? null,
    });
    return rows.map(toEvent);
  }

  /** Which of these events another run has, and what its line is called. */
  async ofOtherRun(runId: string, ids: readonly string[]): Promise<{ id: string; code: string } | null> {
    const { events, runs, lines } = this.db.models;
    const event = await events.findOne({ where: { id: [...ids], runId: { [Op.ne]: runId } }, raw: true });
    const run = event && (await runs.findByPk(event.runId, { attributes: ['lineId'], raw: true }));
    const line = run && (await lines.findByPk(run.lineId, { attributes: ['code'], raw: true }));
    return event && { id: event.id, code: line?.code ?? 'another run' };
  }

  async insertEvents(rows: CreationAttributes<EventRow>[], tx: Tx): Promise<void> {
    await this.db.models.events.bulkCreate(rows, { transaction: tx });
  }
}

const toEvent = ({ id, clientId, clientSeq, kind, step, at, byName, payload }: EventRow): StoredEvent => ({
  id,
  clientId,
  clientSeq,
  kind,
  step,
  at: at.toISOString(),
  by: byName,
  payload,
});
