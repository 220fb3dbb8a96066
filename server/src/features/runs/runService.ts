import { DomainError } from '@saltflat/contract';
import type {
  ComparisonAnswer,
  Run,
  RunEventInput,
  RunHead,
  RunNews,
  RunPage,
  RunQuery,
  RunReceipt,
  StoredEvent,
} from '@saltflat/contract';
import { FollowedRun, deriveRun } from '@saltflat/core/run';
import type { RunState } from '@saltflat/core/run';
import { UniqueConstraintError } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { LineRow, RunRow } from '../../db/models/index.ts';
import { eachPage } from '../../http/keyset.ts';
import { checkEvent, newEvents } from './checkEvent.ts';
import type { OutcomeStore } from './outcomeStore.ts';
import { projectOutcomes } from './projectOutcomes.ts';
import { createRunMemory } from './runMemory.ts';
import type { KnownRun } from './runMemory.ts';
import { readRunHead, readRunHeads } from './runReads.ts';
import type { RunStore } from './runStore.ts';

interface StartableVersion {
  id: string;
  process: RunRow['process'];
  pieces: number;
}

interface Needs {
  db: Database;
  runs: RunStore;
  outcomes: OutcomeStore;
  findVersion: (lineId: string, number: number, tx: Tx) => Promise<StartableVersion>;
  lines: {
    start: (lineId: string, tx: Tx) => Promise<{ line: LineRow; routeNumber: number }>;
    finish: (lineId: string, tx: Tx) => Promise<void>;
    reopen: (lineId: string, tx: Tx) => Promise<void>;
  };
  now: () => number;
}

/** Lines on the floor, and what happens to them there. */
export class RunService {
  private readonly memory = createRunMemory();

  constructor(private readonly needs: Needs) {}

  /** After the database was away: another one, restored from a backup, may have come back in its place. */
  forgetAll(): void {
    this.memory.forgetAll();
  }

  list(query: RunQuery): Promise<RunPage> {
    return readRunHeads(this.needs.db, query);
  }

  async get(id: string): Promise<Run> {
    const { eventCount, ...head } = (await readRunHead(this.needs.db, id)) ?? missing(id);
    const { route, events } = await this.known(id, eventCount);
    return { ...head, route, events };
  }

  /** What happened on a run after so many events. */
  async news(id: string, after: number): Promise<RunNews> {
    const { runs } = this.needs;
    const standing = await runs.standing(id);
    if (!standing) return missing(id);
    const { eventCount, finishedAt } = standing;
    const events = after < eventCount ? await runs.events(id, after) : [];
    return { runId: id, eventCount, finishedAt: finishedAt?.toISOString() ?? null, events };
  }

  /** Puts a line on the floor with the route it is made by. */
  async start(lineId: string, by: string): Promise<Run> {
    const { db, runs, lines, findVersion, now } = this.needs;
    const id = await db.transaction(async (tx) => {
      const { routeNumber } = await lines.start(lineId, tx);
      const { id: routeVersionId, process, pieces } = await findVersion(lineId, routeNumber, tx);
      return runs.insert({ lineId, routeVersionId, process, pieces, by, at: new Date(now()) }, tx);
    });
    return this.get(id);
  }

  /** Keeps events and brings what follows from them up to date. All of them are kept, or none. */
  async append(runId: string, events: readonly RunEventInput[]): Promise<RunReceipt> {
    try {
      return await this.needs.db.transaction((tx) =>
        this.appendIn(runId, events, tx).catch((error: unknown) => {
          this.memory.forget(runId); // what was added to it is not there
          throw error;
        }),
      );
    } catch (error) {
      this.memory.forget(runId); // nor may it be where the commit failed
      if (!(error instanceof UniqueConstraintError)) throw error;
      const ids = events.map(({ id }) => id);
      const other = await this.needs.runs.ofOtherRun(runId, ids);
      const message = other
        ? `Event ${other.id.slice(0, 8)} is ${other.code}’s already, and stays there. Reload the page to go on.`
        : 'One of these events is here already under another number. Reload the page to go on.';
      throw new DomainError('invalid-input', message, {}, { cause: error });
    }
  }

  /** Machines that a run is on at this moment, with the line it is for. */
  async takenMachines(): Promise<ComparisonAnswer['taken']> {
    const heads: RunHead[] = [];
    const pages = eachPage((cursor) =>
      this.list({ state: 'active', limit: 200, ...(cursor === undefined ? {} : { cursor }) }),
    );
    for await (const items of pages) heads.push(...items);
    const known = await Promise.all(heads.map(async ({ id, eventCount }) => this.known(id, eventCount)));
    return known.flatMap(({ head, route, events }) => {
      const { steps } = deriveRun({ operations: route.operations, pieces: head.pieces }, events);
      const machines = steps
        .filter(({ status }) => status === 'running')
        .map(({ operation }) => route.operations.find(({ id }) => id === operation)?.machine ?? null);
      return [...new Set(machines)].flatMap((machine) =>
        machine === null ? [] : [{ machine, code: head.code }],
      );
    });
  }

  private async appendIn(runId: string, sent: readonly RunEventInput[], tx: Tx): Promise<RunReceipt> {
    const { runs, now } = this.needs;
    const row = await runs.lock(runId, tx);
    if (!row) return missing(runId);
    for (const event of sent) checkEvent(event, now(), row.createdAt.getTime());
    const known = await this.known(runId, row.eventCount, tx);
    const added = newEvents(known.events, sent);
    if (added.length === 0) return receipt(row);
    const serverAt = new Date(now());
    await runs.insertEvents(
      added.map(({ at, deviceAt, by, ...event }, i) => ({
        ...event,
        runId,
        place: row.eventCount + i + 1,
        at: new Date(at),
        deviceAt: new Date(deviceAt),
        serverAt,
        byName: by,
      })),
      tx,
    );
    const stored = added.map(asStored);
    known.followed.add(stored);
    await this.follow(row, { ...known, events: [...known.events, ...stored] }, tx);
    return receipt(row);
  }

  /** Brings the outcomes, the run and its line to what the events now say. */
  private async follow(row: RunRow, known: KnownRun, tx: Tx): Promise<void> {
    const { outcomes } = this.needs;
    const { head, route, events, followed } = known;
    const wasDone = row.finishedAt !== null;
    const { state } = followed;
    const after = projectOutcomes(route, state);
    await outcomes.project(row, head, { before: known.outcomes, after }, tx);
    await outcomes.note(row, events.length, state, tx);
    await this.passLine(row.lineId, wasDone, state, tx);
    this.memory.put(row.id, { head, route, events, followed, outcomes: after });
  }

  private async passLine(lineId: string, wasDone: boolean, { finishedAt }: RunState, tx: Tx): Promise<void> {
    const isDone = finishedAt !== null;
    if (isDone && !wasDone) await this.needs.lines.finish(lineId, tx);
    if (!isDone && wasDone) await this.needs.lines.reopen(lineId, tx);
  }

  /** A run with all its events so far: as remembered, with what others added since. */
  private async known(runId: string, eventCount: number, tx?: Tx): Promise<KnownRun> {
    const { db, runs } = this.needs;
    const remembered = this.memory.get(runId);
    if (remembered?.events.length === eventCount) return remembered;
    const head = remembered?.head ?? (await readRunHead(db, runId, tx)) ?? missing(runId);
    const route = remembered?.route ?? (await runs.route(runId, tx)) ?? missing(runId);
    const former = remembered?.events ?? [];
    const events =
      former.length < eventCount
        ? [...former, ...(await runs.events(runId, former.length, tx))]
        : await runs.events(runId, 0, tx);
    const followed = new FollowedRun({ operations: route.operations, pieces: head.pieces }, events);
    const known = { head, route, events, followed, outcomes: projectOutcomes(route, followed.state) };
    this.memory.put(runId, known);
    return known;
  }
}

const receipt = ({ id, eventCount, finishedAt }: RunRow): RunReceipt => ({
  runId: id,
  eventCount,
  finishedAt: finishedAt?.toISOString() ?? null,
});

const asStored = ({ deviceAt: _device, at, ...event }: RunEventInput): StoredEvent => ({
  ...event,
  at: new Date(at).toISOString(),
});

function missing(id: string): never {
  throw new DomainError('not-found', `There is no run ${id.slice(0, 8)}.`);
}
