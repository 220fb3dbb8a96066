import { runPlanOf } from '@saltflat/contract';
import type { Run } from '@saltflat/contract';
import { timingsOf } from '@saltflat/core/run';
import type { RunState } from '@saltflat/core/run';
import { workKind } from '@saltflat/core/work';
import type { Database, Tx } from '../../db/connection.ts';
import type { WorkTimeRow } from '../../db/models/index.ts';

/** The newest are read: a busy shop’s fortnight. */
const MOST_TIMES = 4000;

/** How long the work of this shop takes: times of steps, kept beside the events they come from. */
export class WorkTimeStore {
  constructor(private readonly db: Database) {}

  /** Notes the times of a line that is finished in place of those it had; none where it is open again. */
  async note(run: Run, { line, state }: { line: string; state: RunState | null }, tx: Tx): Promise<void> {
    const { workTimes } = this.db.models;
    await workTimes.destroy({ where: { runId: run.id, line }, transaction: tx });
    if (state === null) return;
    const operations = run.lines.find(({ key }) => key === line)?.route.operations ?? [];
    const titles = new Map(operations.map(({ id, title }) => [id, title]));
    const own = timingsOf(runPlanOf(run), state, run.events).filter(
      (timing) => timing.line === line && (timing.hands ?? timing.machine) !== null,
    );
    await workTimes.bulkCreate(
      own.map(({ operation, hands, machine, endedAt }, i) => ({
        runId: run.id,
        line,
        place: i + 1,
        kind: workKind(operation),
        title: titles.get(operation.id) ?? operation.role,
        unit: operation.unit,
        handsPlannedS: hands?.plannedS ?? null,
        handsS: hands?.tookS ?? null,
        machinePlannedS: machine?.plannedS ?? null,
        machineS: machine?.tookS ?? null,
        at: new Date(endedAt),
      })),
      { transaction: tx },
    );
  }

  /** Newest first. */
  newest(): Promise<WorkTimeRow[]> {
    return this.db.models.workTimes.findAll({ order: [['at', 'desc']], limit: MOST_TIMES, raw: true });
  }
}
