import { DomainError } from '@saltflat/contract';
import type { OrderLine, RouteVersion, Run, RunEventInput } from '@saltflat/contract';
import { deriveRun } from '@saltflat/core/run';
import type { Database } from '../../db/connection.ts';
import { projectOutcomes } from './projectOutcomes.ts';
import type { RunStore } from './runStore.ts';

interface Needs {
  db: Database;
  runs: RunStore;
  findLine: (lineId: string) => Promise<{ line: OrderLine; isCancelled: boolean }>;
  latestRoute: (lineId: string) => Promise<RouteVersion>;
  setLineState: (
    lineId: string,
    state: OrderLine['state'],
    planProblem: string | null,
    tx: Database,
  ) => Promise<void>;
}

export type RunService = ReturnType<typeof createRunService>;

export function createRunService({ db, runs, findLine, latestRoute, setLineState }: Needs) {
  async function get(id: string, on?: Database): Promise<Run> {
    const run = await runs.find(id, on);
    if (!run) throw new DomainError('not-found', `There is no run ${id.slice(0, 8)}.`);
    return run;
  }

  /** Puts a line on the floor with its newest route. */
  async function start(lineId: string, by: string): Promise<Run> {
    const { line, isCancelled } = await findLine(lineId);
    if (isCancelled) throw new DomainError('not-now', `${line.code} is cancelled. Restore its order first.`);
    if (line.state !== 'ready')
      throw new DomainError(
        'not-now',
        `${line.code} cannot start: ${WHY_NOT[line.state] ?? 'it has no route'}.`,
      );
    const version = await latestRoute(lineId);
    const id = await db.transaction(async (tx) => {
      const made = await runs.insert({ lineId, routeVersionId: version.id, pieces: line.pieces, by }, tx);
      await setLineState(lineId, 'running', null, tx);
      return made;
    });
    return get(id);
  }

  /** Keeps events and brings what is derived from them up to date. All of them are kept, or none. */
  async function append(runId: string, events: readonly RunEventInput[]): Promise<Run> {
    for (const event of events) refuseHollow(event);
    await db.transaction(async (tx) => {
      if (!(await runs.lock(runId, tx))) await get(runId, tx);
      for (const event of events) await runs.insertEvent(runId, event, tx);
      const run = await get(runId, tx);
      const state = deriveRun({ operations: run.route.operations, pieces: run.pieces }, run.events);
      await runs.project(runId, projectOutcomes(run.route, state), state.finishedAt, tx);
      const isDone = state.finishedAt !== null;
      if (isDone !== (run.finishedAt !== null))
        await setLineState(run.lineId, isDone ? 'done' : 'running', null, tx);
    });
    return get(runId);
  }

  return { get, list: runs.list, start, append };
}

const WHY_NOT: Partial<Record<OrderLine['state'], string>> = {
  'needs-art': 'it has no artwork',
  planning: 'its route is still being planned',
  failed: 'its route could not be planned',
  running: 'it is on the floor already',
  done: 'it is done',
};

/** Each kind needs its own facts; without them the event would say nothing. */
function refuseHollow({ kind, step, payload }: RunEventInput): void {
  const missing =
    kind === 'reading-taken' && !payload.reading
      ? 'reading'
      : kind === 'piece-inspected' && !payload.inspection
        ? 'inspection'
        : kind === 'problem-raised' && !payload.problem
          ? 'problem'
          : kind === 'undone' && !payload.eventId
            ? 'eventId'
            : null;
  if (missing !== null) throw hollow(`/payload/${missing}`, `An event “${kind}” needs its ${missing}.`);
  if (step === null && !['undone', 'problem-raised', 'problem-cleared'].includes(kind))
    throw hollow('/step', `An event “${kind}” needs a step.`);
}

const hollow = (path: string, message: string): DomainError =>
  new DomainError('invalid-input', message, { fields: [{ path, message }] });
