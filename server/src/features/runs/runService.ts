import { DomainError, runPlanOf } from '@saltflat/contract';
import type {
  ComparisonAnswer,
  Floor,
  FloorKnown,
  Guest,
  Run,
  RunEventInput,
  RunHead,
  RunNews,
  RunPage,
  RunQuery,
  RunReceipt,
  RunStart,
  StoredEvent,
} from '@saltflat/contract';
import type { Spoilage } from '@saltflat/core/learn';
import { withMoreSpares } from '@saltflat/core/route';
import type { MoreSpares, Route } from '@saltflat/core/route';
import { FollowedRun, filmAgain, filmMade } from '@saltflat/core/run';
import type { FilmAgain, FilmMade, RunState, StepState } from '@saltflat/core/run';
import { plannedMode } from '@saltflat/core/work';
import { UniqueConstraintError } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { LineRow, RunLineRow, RunRow } from '../../db/models/index.ts';
import { eachPage } from '../../http/keyset.ts';
import { guestEvents, hostedRuns } from './guestEvents.ts';
import type { Host } from './guestEvents.ts';
import { checkEvent, newEvents } from './checkEvent.ts';
import type { OutcomeStore } from './outcomeStore.ts';
import type { OpenedLot } from './lotsOf.ts';
import { projectOutcomes } from './projectOutcomes.ts';
import type { OutcomeRow } from './projectOutcomes.ts';
import { createRunMemory } from './runMemory.ts';
import type { KnownRun } from './runMemory.ts';
import { readRunHead, readRunHeads } from './runReads.ts';
import type { RunStore } from './runStore.ts';
import type { WorkTimeStore } from './workTimeStore.ts';
import { sharedSheets } from './sharedSheets.ts';

interface StartableVersion {
  id: string;
  processes: RunLineRow['processes'];
  pieces: number;
  route: Route;
}
interface Started extends StartableVersion {
  lineId: string;
  code: string;
  more: MoreSpares;
}

/** A layout that lines are put on the floor with. */
export interface LaidOut {
  layoutId: string | null;
  guests: Guest[];
  /** Transfers beyond those of a line's route. */
  more: { lineId: string; print: string; count: number }[];
}

/** A line as it is put on the floor. */
export type HeldLine = Pick<Run['lines'][number], 'key' | 'lineId' | 'code' | 'pieces' | 'route'>;

export interface RunNeeds {
  db: Database;
  runs: RunStore;
  outcomes: OutcomeStore;
  workTimes: WorkTimeStore;
  findVersion: (lineId: string, number: number, tx: Tx) => Promise<StartableVersion>;
  lines: {
    start: (lineId: string, tx: Tx) => Promise<{ line: LineRow; routeNumber: number }>;
    finish: (lineId: string, tx: Tx) => Promise<void>;
    reopen: (lineId: string, tx: Tx) => Promise<void>;
  };
  /** Lots of materials and when they were opened, oldest first. */
  openedLots: (tx?: Tx) => Promise<OpenedLot[]>;
  /** What runs take off the shelf and put on it. */
  shelf: {
    hold: (run: { id: string; lines: readonly HeldLine[] }, tx: Tx) => Promise<void>;
    follow: (run: Run, state: RunState, outcomes: readonly OutcomeRow[], tx: Tx) => Promise<void>;
    putAway: (
      run: Run,
      over: { left: (line: string) => FilmMade['left']; outcomes: readonly OutcomeRow[]; by: string },
      tx: Tx,
    ) => Promise<void>;
  };
  now: () => number;
}

/** Lines on the floor, and what happens to them there. */
export class RunService {
  private readonly memory = createRunMemory();

  constructor(private readonly needs: RunNeeds) {}

  /** After the database was away: another one, restored from a backup, may have come back in its place. */
  forgetAll(): void {
    this.memory.forgetAll();
  }

  list(query: RunQuery): Promise<RunPage> {
    return readRunHeads(this.needs.db, query);
  }

  async get(id: string): Promise<Run> {
    const { eventCount, ...head } = (await readRunHead(this.needs.db, id)) ?? missing(id);
    const { run } = await this.known(id, eventCount);
    return { ...run, ...head, lines: head.lines.map((line) => ({ ...line, route: routeOf(run, line.key) })) };
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

  /** All that a page does not know of the floor, in one answer: runs on it, and what is new of those it knows. */
  async floor({ known }: FloorKnown): Promise<Floor> {
    const eventsKnown = new Map(known.map(({ runId, events }) => [runId, events]));
    const active = await this.activeHeads();
    const isActive = new Set(active.map(({ id }) => id));
    const gone = known.filter(({ runId }) => !isActive.has(runId));
    const runs = await Promise.all([
      ...active.map((head) => this.onFloor(head, eventsKnown.get(head.id))),
      ...gone.map(async ({ runId, events }) => {
        const standing = await this.needs.runs.standing(runId);
        return standing ? [{ ...(await this.news(runId, events)), whole: null }] : []; // of another shop’s backup
      }),
    ]);
    return { runs: runs.flat() };
  }

  private async onFloor(
    { id, eventCount, finishedAt }: RunHead,
    eventsKnown: number | undefined,
  ): Promise<Floor['runs']> {
    const own = { runId: id, eventCount, finishedAt: finishedAt ?? null };
    if (eventsKnown === undefined) return [{ ...own, events: [], whole: await this.get(id) }];
    if (eventsKnown === eventCount) return [{ ...own, events: [], whole: null }];
    return [{ ...(await this.news(id, eventsKnown)), whole: null }];
  }

  private async activeHeads(): Promise<RunHead[]> {
    const heads: RunHead[] = [];
    const pages = eachPage((cursor) =>
      this.list({ state: 'active', limit: 200, ...(cursor === undefined ? {} : { cursor }) }),
    );
    for await (const items of pages) heads.push(...items);
    return heads;
  }

  /**
   * Puts lines on the floor with the routes they are made by, and the film they share.
   *
   * @param layout that the sheets are of, what they carry for other runs, and what beyond their lines' own
   */
  async start(
    { lineIds, sheets = [], by }: RunStart,
    { layoutId, guests, more }: LaidOut = { layoutId: null, guests: [], more: [] },
  ): Promise<Run> {
    const { db, runs, lines, findVersion, shelf, now } = this.needs;
    const id = await db.transaction(async (tx) => {
      const started: Started[] = [];
      // always in one order: two that want the same lines wait for each other, and neither for ever
      for (const lineId of [...lineIds].sort()) {
        const { line, routeNumber } = await lines.start(lineId, tx);
        const version = await findVersion(lineId, routeNumber, tx);
        const spares = moreOf(more, lineId);
        const route = withMoreSpares(version.route, spares);
        started.push({ ...version, code: line.code, lineId, route, more: spares });
      }
      const ordered = lineIds.flatMap((lineId) => started.filter((own) => own.lineId === lineId));
      const own = ordered.map(({ lineId, id: routeVersionId, processes, pieces, more: spares }, i) => ({
        key: String(i + 1), lineId, routeVersionId, processes, pieces, more: spares,
      })); // prettier-ignore
      const run = await runs.insert(
        { lines: own, sheets: sharedSheets(sheets, ordered), guests, layoutId, by, at: new Date(now()) },
        tx,
      );
      const held = ordered.map((line, i) => ({ ...line, key: String(i + 1) }));
      await shelf.hold({ id: run, lines: held }, tx);
      return run;
    });
    return this.get(id);
  }

  /** Keeps events and brings what follows from them up to date. All of them are kept, or none. */
  async append(runId: string, events: readonly RunEventInput[]): Promise<RunReceipt> {
    try {
      return await this.needs.db.transaction((tx) =>
        this.appendIn(runId, events, tx).catch((error: unknown) => {
          this.forgetAll(); // what was added to it, and to runs whose transfers it carries, is not there
          throw error;
        }),
      );
    } catch (error) {
      this.forgetAll(); // nor may it be where the commit failed
      if (!(error instanceof UniqueConstraintError)) throw error;
      const ids = events.map(({ id }) => id);
      const other = await this.needs.runs.ofOtherRun(runId, ids);
      const message = other
        ? `Event ${other.id.slice(0, 8)} is ${other.code}’s already, and stays there. Reload the page to go on.`
        : 'One of these events is here already under another number. Reload the page to go on.';
      throw new DomainError('invalid-input', message, {}, { cause: error });
    }
  }

  /** Puts transfers on the shelf that no piece of a run needed, once it is finished. */
  async putAway(id: string, by: string): Promise<void> {
    await this.needs.db.transaction(async (tx) => {
      const row = (await this.needs.runs.lock(id, tx)) ?? missing(id);
      const { run, followed, outcomes } = await this.known(id, row.eventCount, tx);
      if (row.finishedAt === null)
        throw new DomainError('not-now', 'This run goes on: what is to spare may be needed yet.');
      const left = (line: string): FilmMade['left'] => filmMade(runPlanOf(run), followed.state, line).left;
      await this.needs.shelf.putAway(run, { left, outcomes, by }, tx);
    });
  }

  /** Machines that a run is on at this moment, with the line it is for. */
  async takenMachines(): Promise<ComparisonAnswer['taken']> {
    return (await this.onFloorNow()).flatMap(({ run, state }) => {
      const taken = state.steps
        .filter(({ status }) => status === 'running')
        .flatMap(({ line, index }) => {
          const operation = routeOf(run, line).operations[index];
          const machine = operation && plannedMode(operation).machine?.name;
          const code = run.lines.find(({ key }) => key === line)?.code;
          return machine !== undefined && code !== undefined ? [{ machine, code }] : [];
        });
      return taken.filter(({ machine }, i) => taken.findIndex((own) => own.machine === machine) === i);
    });
  }

  /** Every run on the floor, newest first, and where it stands. */
  async onFloorNow(): Promise<{ run: Run; state: RunState }[]> {
    const heads = await this.activeHeads();
    const known = await Promise.all(heads.map(({ id, eventCount }) => this.known(id, eventCount)));
    return known.map(({ run, followed }) => ({ run, state: followed.state }));
  }

  /** A step of a run as it stands now. */
  async stepOf(id: string, step: string): Promise<{ run: Run; state: RunState; step: StepState }> {
    const { eventCount } = (await this.needs.runs.standing(id)) ?? missing(id);
    const { run, followed } = await this.known(id, eventCount);
    const own = followed.state.steps.find((known) => known.id === step);
    if (!own)
      throw new DomainError('not-found', 'This run has no such step any more. Look at the floor again.');
    return { run, state: followed.state, step: own };
  }

  /** Transfers that this shop has printed and lost. */
  spoilage(): Promise<Spoilage> {
    return this.needs.runs.spoilage();
  }

  /** Transfers of runs on the floor that are printed again, and on no film yet that is on the floor. */
  async filmAgain(): Promise<{ run: Run; again: FilmAgain }[]> {
    const known = await this.onFloorNow();
    const carried = new Set(
      known.flatMap(({ run }) => run.guests.map(({ runId, part }) => `${runId} ${part}`)),
    );
    return known.flatMap(({ run, state }) =>
      filmAgain(runPlanOf(run), state).flatMap((again) => {
        const parts = again.parts.filter(({ id }) => !carried.has(`${run.id} ${id}`));
        return parts.length > 0 ? [{ run, again: { ...again, parts } }] : [];
      }),
    );
  }

  private async appendIn(runId: string, sent: readonly RunEventInput[], tx: Tx): Promise<RunReceipt> {
    const { runs, now } = this.needs;
    const row = await runs.lock(runId, tx);
    if (!row) return missing(runId);
    for (const event of sent) checkEvent(event, now(), row.createdAt.getTime());
    const known = await this.known(runId, row.eventCount, tx);
    const added = newEvents(known.run.events, sent);
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
    const former = known.run.events;
    const run = { ...known.run, events: [...former, ...stored] };
    await this.follow(row, { ...known, run }, { former, added: stored }, tx);
    await this.tellGuests({ run, state: known.followed.state }, added, row.eventCount - added.length, tx);
    return receipt(row);
  }

  /** What is done to film is done to all that is on it, of other runs too. */
  private async tellGuests(
    host: Host,
    added: readonly RunEventInput[],
    former: number,
    tx: Tx,
  ): Promise<void> {
    const placed = added.map((event, i) => ({
      ...asStored(event),
      deviceAt: event.deviceAt,
      place: former + i + 1,
    }));
    for (const runId of hostedRuns(host.run.guests)) {
      const row = await this.needs.runs.lock(runId, tx);
      if (!row) continue;
      const { run, followed } = await this.known(runId, row.eventCount, tx);
      const events = guestEvents(host, placed, { run, state: followed.state });
      if (events.length > 0) await this.appendIn(runId, events, tx);
    }
  }

  /** Brings the outcomes, the run and its lines to what the events now say. */
  private async follow(
    row: RunRow,
    known: KnownRun,
    { former, added }: { former: readonly StoredEvent[]; added: readonly StoredEvent[] },
    tx: Tx,
  ): Promise<void> {
    const { outcomes } = this.needs;
    const { run, followed } = known;
    const { state } = followed;
    const after = isOnlyGoingOn(added, former)
      ? known.outcomes
      : projectOutcomes(run, state, await this.needs.openedLots(tx));
    await outcomes.project(run, { before: known.outcomes, after }, tx);
    await outcomes.note(row, run.events.length, state, tx);
    await this.needs.shelf.follow(run, state, after, tx);
    const lines: KnownRun['run']['lines'] = [];
    for (const line of run.lines) lines.push(await this.passLine(run, line, state, tx));
    this.memory.put(row.id, { run: { ...run, lines }, followed, outcomes: after });
  }

  private async passLine<L extends Run['lines'][number]>(
    run: Run,
    line: L,
    state: RunState,
    tx: Tx,
  ): Promise<L> {
    const finishedAt = state.finishedLines[line.key] ?? null;
    const [wasDone, isDone] = [line.finishedAt !== null, finishedAt !== null];
    if (finishedAt !== line.finishedAt) {
      const film = isDone ? filmMade(runPlanOf(run), state, line.key) : { made: 0, lost: 0 };
      await this.needs.runs.noteLine(run.id, { key: line.key, finishedAt }, film, tx);
      await this.needs.workTimes.note(run, { line: line.key, state: isDone ? state : null }, tx);
    }
    if (isDone && !wasDone) await this.needs.lines.finish(line.lineId, tx);
    if (!isDone && wasDone) await this.needs.lines.reopen(line.lineId, tx);
    return { ...line, finishedAt };
  }

  /** A run with all its events so far: as remembered, with what others added since. */
  private async known(runId: string, eventCount: number, tx?: Tx): Promise<KnownRun> {
    const { runs } = this.needs;
    const remembered = this.memory.get(runId);
    if (remembered?.run.events.length === eventCount) return remembered;
    const before = remembered?.run ?? (await this.readRun(runId, tx));
    const former = before.events;
    const events =
      former.length < eventCount
        ? [...former, ...(await runs.events(runId, former.length, tx))]
        : await runs.events(runId, 0, tx);
    const followed = new FollowedRun(runPlanOf(before), events);
    const { finishedLines } = followed.state;
    const lines = before.lines.map((line) => ({ ...line, finishedAt: finishedLines[line.key] ?? null }));
    const run = { ...before, lines, events };
    const opened = followed.state.outcomes.length > 0 ? await this.needs.openedLots(tx) : [];
    const known = { run, followed, outcomes: projectOutcomes(run, followed.state, opened) };
    this.memory.put(runId, known);
    return known;
  }

  private async readRun(runId: string, tx?: Tx): Promise<Run> {
    const { db, runs } = this.needs;
    const { eventCount: _count, ...head } = (await readRunHead(db, runId, tx)) ?? missing(runId);
    const { routes, sheets, guests } = (await runs.plan(runId, tx)) ?? missing(runId);
    const lines = head.lines.map((line) => ({ ...line, route: routes.get(line.key) ?? missing(runId) }));
    return { ...head, lines, sheets, guests, events: [] };
  }
}

/** Kinds of event that judge nothing, and take nothing back. */
const GOING_ON: readonly StoredEvent['kind'][] = [
  'step-started',
  'step-completed',
  'phase-started',
  'reading-taken',
  'problem-raised',
  'problem-cleared',
  'flow-changed',
];

/** Work that goes on after all that happened so far changes nothing of what has come out. */
function isOnlyGoingOn(added: readonly StoredEvent[], former: readonly StoredEvent[]): boolean {
  const lastMs = former.reduce((latest, { at }) => Math.max(latest, Date.parse(at)), 0);
  return added.every(({ kind, at }) => GOING_ON.includes(kind) && Date.parse(at) >= lastMs);
}

const moreOf = (more: LaidOut['more'], lineId: string): MoreSpares =>
  Object.fromEntries(more.filter((own) => own.lineId === lineId).map(({ print, count }) => [print, count]));

/** The route of a line of a run. */
const routeOf = (run: Run, key: string): Route =>
  run.lines.find((own) => own.key === key)?.route ?? missing(run.id);

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
