import { phaseS, plannedMode, timedPhases } from '../work/index.ts';
import { shapeOf } from './lineShape.ts';
import { linesOf, openingOf } from './needs.ts';
import type { Lines } from './needs.ts';
import type { RunOperation, RunPlan } from './runPlan.ts';
import type { Flow } from '../work/index.ts';
import type { RunState, StepState } from './runState.ts';

/** Something a person can do now or soon. Times are milliseconds since 1970, UTC. */
export interface FloorAction {
  step: StepState;
  operation: RunOperation;
  /** `phase`: the next timed phase of a step that runs. */
  kind: 'start' | 'phase' | 'complete';
  /** From when it should be done. */
  dueAt: number;
  /** Until when it must have been started; `null` when there is no hurry. */
  latestAt: number | null;
  /** The operation whose wait closes then. */
  closedBy: RunOperation | null;
  /** Its machine is at work: it can be done when that is free, or beside what is there, where somebody knows better. */
  isTaken: boolean;
}

/** What the rest of the floor is at. */
export interface Floor {
  /** Temperature of machines, °C, by name: work that wants just that comes first. */
  heat: ReadonlyMap<string, number>;
  /** Machines that other runs are on, by name. */
  busy: ReadonlySet<string>;
}

const ALONE: Floor = { heat: new Map(), busy: new Set() };

/**
 * What the run wants done, most urgent first: finished machines before waiting pieces, closing windows before open ones,
 * what a press is warm for before what it is not; then, one through, pieces under way before new ones, or in batches one
 * station after the other. A station holds one step at a time; where film is melted others lie beside it, offered at once
 * as far as they fill no more than what melts together, and last of all beyond that.
 *
 * @param nowMs the time to judge by, ms since 1970 UTC
 */
export function nextActions(
  plan: RunPlan,
  state: RunState,
  nowMs: number,
  floor: Floor = ALONE,
): FloorAction[] {
  return openActions(plan, state)
    .map((action) =>
      action.kind === 'start' && floor.busy.has(placeOf(action.operation))
        ? { ...action, isTaken: true }
        : action,
    )
    .sort((p, q) => compareUrgency(p, q, nowMs, floor.heat) || inFlow(state.flow, p, q));
}

const known = new WeakMap<RunState, { lastEventId: string | null; actions: readonly FloorAction[] }>();

/** What a run wants done at any time from now: worked out once for what has happened, since a floor asks every second. */
function openActions(plan: RunPlan, state: RunState): readonly FloorAction[] {
  const before = known.get(state);
  if (before && before.lastEventId === state.lastEventId) return before.actions;
  const lines = linesOf(plan);
  /** How many parts are at each place. */
  const busy = new Map<string, number>();
  for (const step of state.steps) {
    const operation = step.status === 'running' ? operationIn(lines, step) : undefined;
    if (!operation) continue;
    const place = placeOf(operation);
    busy.set(place, (busy.get(place) ?? 0) + step.parts.length);
  }
  const actions: FloorAction[] = [];
  for (const step of state.steps) {
    if (step.status === 'done' || step.status === 'dropped') continue;
    const operation = operationIn(lines, step);
    if (!operation) continue;
    if (step.status === 'running') actions.push(goingOn(step, operation));
    else {
      const there = busy.get(placeOf(operation)) ?? 0;
      if (there > 0 && !liesBeside(operation)) continue;
      const opening = openingOf(lines, state, step);
      if (typeof opening === 'string') continue;
      const isTaken = there > 0 && there + step.parts.length > (operation.size ?? 0);
      actions.push({ step, operation, kind: 'start', ...opening, isTaken });
    }
  }
  known.set(state, { lastEventId: state.lastEventId, actions });
  return actions;
}

const operationIn = (lines: Lines, { line, operation }: StepState): RunOperation | undefined => {
  const own = lines.get(line);
  return own && shapeOf(own).byId.get(operation);
};

/** The machine an operation keeps busy, or its station where it is done by hand. */
const placeOf = (operation: RunOperation): string =>
  plannedMode(operation).machine?.name ?? operation.station;

/** Film lies beside other film in heat, each sheet with a time of its own; under a press there is room for one thing. */
export const liesBeside = (operation: RunOperation): boolean =>
  operation.role === 'melt' && plannedMode(operation).machineKind !== 'press';

/** Machines that a run is on. */
function machinesOf({ plan, state }: Pick<OnFloor, 'plan' | 'state'>): string[] {
  const lines = linesOf(plan);
  return state.steps.flatMap((step) => {
    const operation = step.status === 'running' ? operationIn(lines, step) : undefined;
    const machine = operation && plannedMode(operation).machine?.name;
    return machine === undefined ? [] : [machine];
  });
}

/** A run among others. */
export interface OnFloor {
  plan: RunPlan;
  state: RunState;
  /** When its orders are due, by line, ms since 1970 UTC. */
  dueMs: Readonly<Record<string, number>>;
}

/**
 * What all runs want done, most urgent first: as within a run, and of what is as urgent the order that is due sooner. A
 * machine one run is on is offered to another last of all.
 *
 * @param heat what machines are at, °C, by name
 */
export function nextOverRuns<R extends OnFloor>(
  runs: readonly R[],
  nowMs: number,
  heat: Floor['heat'],
): { run: R; action: FloorAction }[] {
  const taken = runs.map(machinesOf);
  const dueOf = ({ run, action }: { run: R; action: FloorAction }): number =>
    run.dueMs[action.step.line] ?? Infinity;
  return runs
    .flatMap((run, i) => {
      const busy = new Set(taken.flatMap((own, j) => (i === j ? [] : own)));
      return nextActions(run.plan, run.state, nowMs, { heat, busy }).map((action) => ({ run, action }));
    })
    .sort((p, q) => {
      const urgency = compareUrgency(p.action, q.action, nowMs, heat);
      if (urgency !== 0 || p.run === q.run) return urgency;
      return compareTimes(dueOf(p), dueOf(q));
    });
}

const compareTimes = (p: number, q: number): number => (p === q ? 0 : p - q); // Infinity less itself is no number

/** When the phase that runs is over, ms since 1970 UTC; when it began, where it is not timed. */
export function runsUntil(operation: RunOperation, step: StepState): number {
  const phase = timedPhases(operation)[step.phase];
  const since = Date.parse(step.phaseAt ?? step.startedAt ?? '');
  return since + (phase ? 1000 * Math.round(phaseS(phase, step.parts.length)) : 0);
}

/** The next phase that is counted down, or the end. */
function goingOn(step: StepState, operation: RunOperation): FloorAction {
  return {
    step,
    operation,
    kind: step.phase + 1 < timedPhases(operation).length ? 'phase' : 'complete',
    dueAt: runsUntil(operation, step),
    latestAt: null,
    closedBy: null,
    isTaken: false,
  };
}

/** Nobody walks away from a machine that is done so soon (assumption). */
const STAY_MS = 45_000;

/** Now, or so soon that one stays for it. */
const isDue = ({ kind, dueAt }: FloorAction, nowMs: number): boolean =>
  dueAt - (kind === 'start' ? 0 : STAY_MS) <= nowMs;

function compareUrgency(p: FloorAction, q: FloorAction, nowMs: number, heat: Floor['heat']): number {
  if (p.isTaken !== q.isTaken) return p.isTaken ? 1 : -1;
  const isDueP = isDue(p, nowMs);
  const isDueQ = isDue(q, nowMs);
  if (isDueP !== isDueQ) return isDueP ? -1 : 1;
  if (!isDueP && p.dueAt !== q.dueAt) return p.dueAt - q.dueAt;
  if ((p.kind === 'start') !== (q.kind === 'start')) return p.kind === 'start' ? 1 : -1;
  if (p.kind !== 'start' && p.dueAt !== q.dueAt) return p.dueAt - q.dueAt;
  const closing = closesAt(p, nowMs) - closesAt(q, nowMs);
  if (closing !== 0) return closing;
  return Number(isWarmFor(q, heat)) - Number(isWarmFor(p, heat));
}

/** Pieces under way before new ones, or one station after the other. */
function inFlow(flow: Flow, p: FloorAction, q: FloorAction): number {
  const further = q.step.index - p.step.index;
  return (flow === 'through' ? further : -further) || byParts(p.step, q.step);
}

/** Steps of one operation in the order of their parts: as they are planned, what is made again afterwards. */
const byParts = (p: StepState, q: StepState): number =>
  Number(p.isAgain) - Number(q.isAgain) || p.line.localeCompare(q.line) || firstSlot(p) - firstSlot(q);

const firstSlot = ({ parts }: StepState): number => Number.parseInt(parts[0]?.split('.')[2] ?? '0', 10);

/** Temperatures no further apart count as one, °C: less than a press holds by itself (assumption). */
export const SAME_HEAT_C = 3;

function isWarmFor({ operation }: FloorAction, heat: Floor['heat']): boolean {
  const { machine, stateC } = plannedMode(operation);
  const atC = machine ? heat.get(machine.name) : undefined;
  return atC !== undefined && stateC !== null && Math.abs(atC - stateC) <= SAME_HEAT_C;
}

/** A window closing within two minutes comes before everything else that could be started. */
const CLOSING_SOON_MS = 120_000;
const NOT_CLOSING = Number.MAX_SAFE_INTEGER;

const closesAt = ({ latestAt }: FloorAction, nowMs: number): number =>
  latestAt !== null && latestAt - nowMs <= CLOSING_SOON_MS ? latestAt : NOT_CLOSING;
