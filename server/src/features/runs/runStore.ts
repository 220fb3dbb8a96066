import { randomUUID } from 'node:crypto';
import { DomainError, readStoredRoute } from '@saltflat/contract';
import type { Run, StoredEvent } from '@saltflat/contract';
import type { Spoilage } from '@saltflat/core/learn';
import { withMoreSpares } from '@saltflat/core/route';
import type { Route } from '@saltflat/core/route';
import type { FilmMade } from '@saltflat/core/run';
import { Op, UniqueConstraintError } from 'sequelize';
import type { CreationAttributes } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { EventRow, RunLineRow, RunRow } from '../../db/models/index.ts';

/** What was long ago says little of how film goes now. */
const LINES_COUNTED = 100;

type RunLineValues = CreationAttributes<RunLineRow>;

/** Runs: lines on the floor, with the route they are made by. */
export class RunStore {
  constructor(private readonly db: Database) {}

  /** The routes of a run's lines, by their names within it, the film they share, and what it carries for others. */
  async plan(
    runId: string,
    tx?: Tx,
  ): Promise<({ routes: Map<string, Route> } & Pick<Run, 'sheets' | 'guests'>) | undefined> {
    const { runs, runLines } = this.db.models;
    const run = await runs.findByPk(runId, { raw: true, transaction: tx ?? null });
    if (!run) return undefined;
    const rows = await runLines.findAll({ where: { runId }, include: ['version'], transaction: tx ?? null });
    const routes = new Map(
      rows.flatMap(({ key, version, more }) => {
        if (!version) return [];
        const { format, document, cost } = version;
        const { route } = readStoredRoute(format, { route: document, cost });
        return [[key, withMoreSpares(route, more)] as const];
      }),
    );
    return { routes, sheets: run.sheets, guests: run.guests };
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
    run: {
      lines: readonly Omit<RunLineValues, 'runId' | 'finishedAt'>[];
      sheets: Run['sheets'];
      guests: Run['guests'];
      layoutId: string | null;
      by: string;
      at: Date;
    },
    tx: Tx,
  ): Promise<string> {
    const { lines, sheets, guests, layoutId, by, at } = run;
    const { runs, runLines } = this.db.models;
    const id = randomUUID();
    try {
      await runs.create(
        { id, sheets, guests, layoutId, startedBy: by, createdAt: at, finishedAt: null },
        { transaction: tx },
      );
      await runLines.bulkCreate(
        lines.map((line) => ({ ...line, runId: id, finishedAt: null })),
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

  /** Notes when the last piece of a line was judged, and what became of its film. */
  async noteLine(
    runId: string,
    { key, finishedAt }: Pick<Run['lines'][number], 'key' | 'finishedAt'>,
    { made, lost }: Pick<FilmMade, 'made' | 'lost'>,
    tx: Tx,
  ): Promise<void> {
    await this.db.models.runLines.update(
      { finishedAt: finishedAt === null ? null : new Date(finishedAt), filmMade: made, filmLost: lost },
      { where: { runId, key }, transaction: tx },
    );
  }

  /** Transfers that lines printed and lost, of those that were finished last. */
  async spoilage(): Promise<Spoilage> {
    const rows = await this.db.models.runLines.findAll({
      attributes: ['filmMade', 'filmLost'],
      where: { filmMade: { [Op.gt]: 0 }, finishedAt: { [Op.ne]: null } },
      order: [['finishedAt', 'desc']],
      limit: LINES_COUNTED,
      raw: true,
    });
    return rows.reduce(
      (sum, { filmMade, filmLost }) => ({ made: sum.made + filmMade, lost: sum.lost + filmLost }),
      { made: 0, lost: 0 },
    );
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
    const { events, runLines, lines } = this.db.models;
    const event = await events.findOne({ where: { id: [...ids], runId: { [Op.ne]: runId } }, raw: true });
    const run =
      event &&
      (await runLines.findOne({ where: { runId: event.runId }, order: [['key', 'asc']], raw: true }));
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
