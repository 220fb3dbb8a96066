import { orderEvents } from './events.ts';
import type { RunEvent, Verdict } from './events.ts';
import { loadsOf, piecesInLoad } from '../route/index.ts';
import { stepId } from './runPlan.ts';
import type { RunOperation, RunPlan } from './runPlan.ts';

export interface StepState {
  id: string;
  round: number;
  operation: string;
  /** Place of the operation in the route, from 0. */
  index: number;
  /** 0 stands for the whole batch. */
  piece: number;
  /** How many pieces are in it. */
  pieces: number;
  /** Which load of its batch, from 1. */
  load: number;
  /** Loads of its batch; 1 where all go together. */
  loads: number;
  status: 'idle' | 'running' | 'done';
  startedAt: string | null;
  completedAt: string | null;
  beforeG: number | null;
  afterG: number | null;
}

export interface PieceOutcome {
  piece: number;
  verdict: Verdict;
  faults: string[];
  note: string | null;
  photo: string | null;
  at: string;
  by: string;
}

/** Where a run stands. Derived, never stored as truth. */
export interface RunState {
  /** In work order, round by round: batch steps, then each piece's. */
  steps: StepState[];
  rounds: number;
  /** Pieces started or planned so far, reprints included. */
  pieces: number;
  outcomes: PieceOutcome[];
  problem: { text: string; at: string; by: string } | null;
  startedAt: string | null;
  finishedAt: string | null;
  /** The event an undo would take back; `null` when there is none. */
  lastEventId: string | null;
  /** Events that came too late to matter, each with why: nothing is dropped in silence. */
  ignored: { eventId: string; why: string }[];
}

/**
 * Replays a run's events to its state. The one reducer, used by server, browser and offline alike:
 * the same set of events gives the same state in whatever order they arrived. O(events · log events + steps).
 *
 * @param events any order, repeats allowed; never written
 */
export const deriveRun = (plan: RunPlan, events: readonly RunEvent[]): RunState =>
  replayRun(plan, events).state;

/** The same, ready for what comes after. */
export function replayRun(plan: RunPlan, events: readonly RunEvent[]): Replay {
  const ordered = orderEvents(events);
  const undone = new Set(
    ordered.filter(({ kind }) => kind === 'undone').map(({ payload }) => payload.eventId),
  );
  const replay = new Replay(plan);
  for (const event of ordered) {
    if (event.kind !== 'undone' && !undone.has(event.id)) replay.apply(event);
  }
  return replay;
}

/** A run's state as events are applied to it one after another, none of them taken back. */
export class Replay {
  readonly state: RunState = {
    steps: [],
    rounds: 0,
    pieces: 0,
    outcomes: [],
    problem: null,
    startedAt: null,
    finishedAt: null,
    lastEventId: null,
    ignored: [],
  };
  private readonly byId = new Map<string, StepState>();
  private readonly plan: RunPlan;

  constructor(plan: RunPlan) {
    this.plan = plan;
    this.addRound(plan.pieces);
  }

  apply(event: RunEvent): void {
    const refusal = this.refuse(event);
    if (refusal !== null) {
      this.state.ignored.push({ eventId: event.id, why: refusal });
      return;
    }
    this.state.startedAt ??= event.at;
    this.state.lastEventId = event.id;
    if (event.kind === 'problem-raised') {
      this.state.problem = { text: event.payload.problem ?? '', at: event.at, by: event.by };
    } else if (event.kind === 'problem-cleared') {
      this.state.problem = null;
    } else {
      this.applyToStep(event, this.byId.get(event.step ?? '') as StepState);
    }
  }

  /** Why an event cannot be applied any more, or `null` when it can. */
  private refuse(event: RunEvent): string | null {
    if (event.kind === 'problem-raised' || event.kind === 'problem-cleared') return null;
    const step = this.byId.get(event.step ?? '');
    if (!step) return 'there is no such step';
    if (step.status === 'done') return 'the step was already done';
    if (event.kind === 'step-started' && step.status === 'running') return 'the step was already running';
    if (!this.isUnlocked(step)) return 'the step before it is not done';
    const isInspection = this.operationOf(step).isInspection;
    if (event.kind === 'step-completed' && isInspection) return 'an inspection needs a verdict';
    if (event.kind === 'piece-inspected' && !(isInspection && event.payload.inspection))
      return 'this step is no inspection';
    if (event.kind === 'reading-taken' && !event.payload.reading) return 'the reading is empty';
    return null;
  }

  private applyToStep(event: RunEvent, step: StepState): void {
    const { reading, inspection } = event.payload;
    step.startedAt ??= event.at;
    step.status = 'running';
    if (event.kind === 'reading-taken' && reading) {
      if (reading.what === 'before') step.beforeG = reading.massG;
      else step.afterG = reading.massG;
    }
    if (event.kind === 'step-completed' || event.kind === 'piece-inspected') {
      step.status = 'done';
      step.completedAt = event.at;
    }
    if (event.kind === 'piece-inspected' && inspection) {
      const { verdict, faults, note, photo } = inspection;
      this.state.outcomes.push({
        piece: step.piece,
        verdict,
        faults,
        note: note ?? null,
        photo: photo ?? null,
        at: event.at,
        by: event.by,
      });
      this.closeRound(event.at);
    }
  }

  /** When the last piece of a round is judged, its reprints make the next round; without any, the run is finished. */
  private closeRound(at: string): void {
    const inRound = this.state.steps.filter(({ round }) => round === this.state.rounds);
    if (inRound.some(({ status }) => status !== 'done')) return;
    const pieces = new Set(inRound.map(({ piece }) => piece));
    const reprints = this.state.outcomes.filter(
      ({ piece, verdict }) => pieces.has(piece) && verdict === 'reprint',
    ).length;
    if (reprints > 0) this.addRound(reprints);
    else this.state.finishedAt = at;
  }

  private addRound(pieces: number): void {
    const round = ++this.state.rounds;
    const first = this.state.pieces + 1;
    this.state.pieces += pieces;
    this.plan.operations.forEach((operation, index) => {
      if (operation.per !== 'batch') return;
      const loads = loadsOf(pieces, operation.perLoad);
      for (let load = 1; load <= loads; load++) {
        const own = piecesInLoad(pieces, operation.perLoad, load);
        this.addStep(round, operation, index, { piece: 0, pieces: own, load, loads });
      }
    });
    for (let piece = first; piece < first + pieces; piece++) {
      this.plan.operations.forEach((operation, index) => {
        if (operation.per === 'piece')
          this.addStep(round, operation, index, { piece, pieces: 1, load: 1, loads: 1 });
      });
    }
  }

  private addStep(
    round: number,
    operation: RunOperation,
    index: number,
    part: Pick<StepState, 'piece' | 'pieces' | 'load' | 'loads'>,
  ): void {
    const id = stepId(round, operation.id, part.piece, part.load);
    const step: StepState = {
      id,
      round,
      operation: operation.id,
      index,
      ...part,
      status: 'idle',
      startedAt: null,
      completedAt: null,
      beforeG: null,
      afterG: null,
    };
    this.state.steps.push(step);
    this.byId.set(id, step);
  }

  private operationOf(step: StepState): RunOperation {
    return this.plan.operations[step.index];
  }

  private isUnlocked(step: StepState): boolean {
    const before = previousStep(this.plan, this.byId, step);
    return before === null || before.status === 'done';
  }
}

/**
 * The step that must be done before another: the load before it, the piece's own former one, or the batch's last load.
 *
 * @returns `null` for the first step of a round
 */
export function previousStep(
  plan: RunPlan,
  steps: ReadonlyMap<string, StepState>,
  step: StepState,
): StepState | null {
  const { round, piece, load } = step;
  if (load > 1) return steps.get(stepId(round, step.operation, piece, load - 1)) ?? null;
  for (let index = step.index - 1; index >= 0; index--) {
    const { id, per } = plan.operations[index];
    const found = steps.get(stepId(round, id, per === 'batch' ? 0 : piece));
    if (found) return steps.get(stepId(round, id, found.piece, found.loads)) ?? found;
  }
  return null;
}
