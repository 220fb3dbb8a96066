import { aloneIn, phaseS, plannedMode } from '../work/index.ts';
import type { Phase } from '../work/index.ts';
import type { RunEvent } from './events.ts';
import type { RunOperation, RunPlan } from './runPlan.ts';
import type { RunState } from './runState.ts';

/** How long something was planned to take, and took, s. */
export interface Took {
  plannedS: number;
  tookS: number;
}

/** How long a step of a run took that is done, as far as what was tapped tells. */
export interface Timing {
  line: string;
  operation: RunOperation;
  /**
   * A person's time at it. What nobody counts down is tapped once, when it is done; where a countdown is begun and ended by a tap,
   * hands are at work before and after it. Both are counted from the person's tap before, with what that one left to be done.
   */
  hands: Took | null;
  /** What a machine does by itself at its own speed, as a printer does; what is heated lasts as long as it is told. */
  machine: Took | null;
  endedAt: string;
}

/** A tap of a person: from then on, until the next, so much is by hand of the step it was for. */
interface Tap {
  by: string;
  ms: number;
  /** The step it begins; `null` where it ends one. */
  begins: string | null;
  /** `null` where it cannot be told from what follows. */
  leavesS: number | null;
}

/**
 * Times the steps of a run that are done. What was done by several people, or with something else in between, cannot be told
 * from taps: it is left to whoever learns from many of these to leave out what is too far off.
 */
export function timingsOf(
  plan: RunPlan,
  state: Pick<RunState, 'steps'>,
  events: readonly RunEvent[],
): Timing[] {
  const operations = new Map(
    plan.lines.flatMap((line) => line.operations.map((own) => [`${line.key} ${own.id}`, own] as const)),
  );
  const by = peopleOf(events);
  const begun = state.steps.flatMap((step) => {
    const operation = operations.get(`${step.line} ${step.operation}`);
    if (operation === undefined || step.startedAt === null) return [];
    const { began, ended } = by.get(step.id) ?? { began: '', ended: '' };
    return [{ step, operation, began, ended, work: partsOf(operation, step.parts.length) }];
  });
  const former = tapsBefore(
    begun.flatMap(({ step: { id, startedAt, completedAt }, began, ended, work }): Tap[] => [
      { by: began, ms: Date.parse(startedAt!), begins: id, leavesS: work.withinS === 0 ? 0 : null },
      ...(completedAt === null
        ? []
        : [{ by: ended, ms: Date.parse(completedAt), begins: null, leavesS: work.afterS }]),
    ]),
  );
  return begun.flatMap(({ step: { id, line, startedAt, completedAt, status }, operation, work }) => {
    if (status !== 'done' || completedAt === null) return [];
    const startMs = Date.parse(startedAt!);
    const s = (Date.parse(completedAt) - startMs) / 1000;
    const isTappedTwice = !work.isCounted && s > 0 && operation.weighIn === null;
    const hands = isTappedTwice
      ? took(work.withinS, s - work.aloneS)
      : handsBetween(former.get(id), { ...work, startMs, s });
    const machine = work.isCounted && work.ownSpeedS > 0 ? took(work.ownSpeedS, s) : null;
    return [{ line, operation, hands, machine, endedAt: completedAt }];
  });
}

/** What the person who began a step had tapped before that, by the step. */
function tapsBefore(taps: Tap[]): Map<string, Tap> {
  const last = new Map<string, Tap>();
  const before = new Map<string, Tap>();
  for (const tap of taps.sort((p, q) => p.ms - q.ms)) {
    const own = last.get(tap.by);
    if (own !== undefined && tap.begins !== null) before.set(tap.begins, own);
    last.set(tap.by, tap);
  }
  return before;
}

const took = (plannedS: number, tookS: number): Took | null => (plannedS > 0 ? { plannedS, tookS } : null);

/** By hand from the tap before to the last of this step that hands are at, what runs by itself left out. */
function handsBetween(
  before: Tap | undefined,
  { beforeS, withinS, aloneS, startMs, s }: Work & { startMs: number; s: number },
): Took | null {
  if (before === undefined || before.leavesS === null) return null;
  const gapS = (startMs - before.ms) / 1000;
  return took(before.leavesS + beforeS + withinS, gapS + (withinS > 0 ? s - aloneS : 0));
}

/** An operation’s phases as taps divide them, s. */
interface Work {
  /** Something of it is counted down: it is tapped when that begins and when it ends, otherwise once at its end. */
  isCounted: boolean;
  /** By hand before, between and after the taps. */
  beforeS: number;
  withinS: number;
  afterS: number;
  /** By itself between the taps. */
  aloneS: number;
  /** Of that, at the machine’s own speed, where nothing else is between the taps. */
  ownSpeedS: number;
}

function partsOf(operation: RunOperation, parts: number): Work {
  const { phases } = plannedMode(operation);
  const first = phases.findIndex(({ isTimed }) => isTimed);
  const last = phases.map(({ isTimed }) => isTimed).lastIndexOf(true);
  const isCounted = first >= 0;
  const sum = (own: readonly Phase[], isWanted: (phase: Phase) => boolean): number =>
    own.filter(isWanted).reduce((all, phase) => all + phaseS(phase, parts), 0);
  const byHand = (phase: Phase): boolean => !aloneIn(phase);
  const within = isCounted ? phases.slice(first, last + 1) : phases;
  const isOwnSpeed = within.every((phase) => aloneIn(phase) && phase.heat === null);
  return {
    isCounted,
    beforeS: isCounted ? sum(phases.slice(0, first), byHand) : 0,
    withinS: sum(within, byHand),
    afterS: isCounted ? sum(phases.slice(last + 1), byHand) : 0,
    aloneS: sum(within, aloneIn),
    ownSpeedS: isOwnSpeed ? sum(within, aloneIn) : 0,
  };
}

/** Who began and ended each step; the last who said so. */
function peopleOf(events: readonly RunEvent[]): Map<string, { began: string; ended: string }> {
  const people = new Map<string, { began: string; ended: string }>();
  for (const { kind, step, by } of events) {
    if (step === null) continue;
    const own = people.get(step) ?? { began: by, ended: by };
    if (kind === 'step-started') people.set(step, { ...own, began: by });
    else if (kind === 'step-completed' || kind === 'piece-inspected') people.set(step, { ...own, ended: by });
  }
  return people;
}
