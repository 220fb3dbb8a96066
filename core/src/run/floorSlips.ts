import { plannedMode } from '../work/index.ts';
import type { Operation, Role } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said, TooLate } from '../words/index.ts';
import { SAME_HEAT_C } from './nextActions.ts';
import type { Floor, FloorAction } from './nextActions.ts';
import type { StepState } from './runState.ts';

/** A run as far as a slip between runs can be seen: its code, its operations, what was done of them. */
export interface FloorRun {
  code: string;
  operations: readonly Pick<Operation, 'title' | 'modes'>[];
  steps: readonly StepState[];
}

const STILL_AT_IT_MS = 15 * 60_000; // a machine left for longer than this is free for another temperature

/**
 * Slips that are made at the machine, as a colleague would say them: a window that has closed, a press that is at another
 * job's temperature.
 *
 * @param titleOf an operation as its route calls it
 * @param others the other runs on the floor
 * @param nowMs ms since 1970 UTC
 */
export function floorSlips(
  action: FloorAction,
  titleOf: (operation: string) => string,
  others: readonly FloorRun[],
  nowMs: number,
): Said[] {
  if (action.kind !== 'start') return [];
  return [...closedWindow(action, titleOf, nowMs), ...otherHeat(action, others, nowMs)];
}

/** What to do when a window has closed, by the role of what was to begin in it. */
const TOO_LATE: Partial<Record<Role, TooLate>> = {
  powder: 'powder',
  melt: 'melt',
  peel: 'peel',
  dry: 'dry',
};

function closedWindow(
  { operation, latestAt, closedBy }: FloorAction,
  titleOf: (operation: string) => string,
  nowMs: number,
): Said[] {
  if (latestAt === null || nowMs <= latestAt) return [];
  return [
    say('slip.window-closed', {
      lateS: Math.round((nowMs - latestAt) / 1000),
      before: closedBy ? titleOf(closedBy.id) : null,
      then: TOO_LATE[operation.role] ?? 'other',
    }),
  ];
}

function otherHeat({ operation }: FloorAction, others: readonly FloorRun[], nowMs: number): Said[] {
  const { machine, stateC } = plannedMode(operation);
  if (machine === null || stateC === null) return [];
  return others
    .flatMap((other) => heldBy(other, machine.name, nowMs))
    .filter(({ tempC }) => Math.abs(tempC - stateC) > SAME_HEAT_C)
    .slice(0, 1)
    .map(({ code, tempC }) => say('slip.other-heat', { machine: machine.name, tempC, code, wantsC: stateC }));
}

/** The temperature another run has a machine at: while a step is on it, and for a while after. */
function heldBy(run: FloorRun, machine: string, nowMs: number): { code: string; tempC: number }[] {
  const on = stepsOn(run, machine);
  if (!on.some(({ step: { status } }) => status === 'idle' || status === 'running')) return [];
  return on
    .filter(
      ({ step: { status, completedAt } }) =>
        status === 'running' ||
        (status === 'done' && completedAt !== null && nowMs - Date.parse(completedAt) < STILL_AT_IT_MS),
    )
    .sort((p, q) => (q.step.startedAt ?? '').localeCompare(p.step.startedAt ?? ''))
    .slice(0, 1)
    .flatMap(({ tempC }) => (tempC === null ? [] : [{ code: run.code, tempC }]));
}

const stepsOn = (
  { operations, steps }: FloorRun,
  machine: string,
): { step: StepState; tempC: number | null }[] =>
  steps.flatMap((step) => {
    const operation = operations[step.index];
    const mode = operation && plannedMode(operation);
    return mode?.machine?.name === machine ? [{ step, tempC: mode.stateC }] : [];
  });

/** What each machine was last set to on the floor, °C, by name; one left for long is not known. */
export function machineHeat(runs: readonly Omit<FloorRun, 'code'>[], nowMs: number): Floor['heat'] {
  const latest = new Map<string, { at: number; tempC: number }>();
  for (const { operations, steps } of runs)
    for (const { status, index, startedAt, completedAt } of steps) {
      if (startedAt === null) continue;
      const operation = operations[index];
      const mode = operation && plannedMode(operation);
      if (!mode?.machine || mode.stateC === null) continue;
      const at = Date.parse(completedAt ?? startedAt);
      if (status !== 'running' && nowMs - at >= STILL_AT_IT_MS) continue;
      const known = latest.get(mode.machine.name);
      if (!known || at > known.at) latest.set(mode.machine.name, { at, tempC: mode.stateC });
    }
  return new Map([...latest].map(([machine, { tempC }]) => [machine, tempC]));
}
