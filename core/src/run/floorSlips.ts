import type { Operation } from '../route/index.ts';
import { formatDuration, formatQuantity } from '../units/index.ts';
import type { StepState } from './deriveRun.ts';
import type { FloorAction } from './nextActions.ts';

/** A run as far as a slip between runs can be seen: its code, its operations, what was done of them. */
export interface FloorRun {
  code: string;
  operations: readonly Pick<Operation, 'id' | 'title' | 'machine' | 'settings'>[];
  steps: readonly StepState[];
}

const SAME_HEAT_C = 3; // less than a press holds by itself
const STILL_AT_IT_MS = 15 * 60_000; // a machine left for longer than this is free for another temperature

/**
 * Slips that are made at the machine, in a colleague's words: a window that has closed, a press that is at another
 * job's temperature.
 *
 * @param own the run the step is of
 * @param others the other runs on the floor
 * @param nowMs ms since 1970 UTC
 */
export function floorSlips(
  own: FloorRun,
  action: FloorAction,
  others: readonly FloorRun[],
  nowMs: number,
): string[] {
  if (action.kind !== 'start') return [];
  return [...closedWindow(own, action, nowMs), ...otherHeat(own, action, others, nowMs)];
}

/** What to do when a window has closed, by the operation that was to begin in it. */
const TOO_LATE: Record<string, string> = {
  powder: 'the ink has dried and powder will not hold. Print the sheet again',
  'melt-powder': 'loose powder has been lying: look for bare spots before it is melted',
  peel: 'the film has set. Warm it under the press for a few seconds before it is peeled',
  'dry-pretreatment': 'the fluid has spread and begun to set. Weigh and look again before it is dried',
  'air-dry': 'the fluid has spread and begun to set. Weigh and look again before it is dried',
};

function closedWindow({ operations }: FloorRun, { step, latestAt }: FloorAction, nowMs: number): string[] {
  if (latestAt === null || nowMs <= latestAt) return [];
  const late = formatDuration(Math.round((nowMs - latestAt) / 1000));
  const before = operations[step.index - 1]?.title ?? 'the step before';
  return [
    `${late} past its window after “${before}”: ${TOO_LATE[step.operation] ?? 'look at the piece before going on'}.`,
  ];
}

function otherHeat(
  own: FloorRun,
  { step }: FloorAction,
  others: readonly FloorRun[],
  nowMs: number,
): string[] {
  const operation = own.operations[step.index];
  const wanted = operation && temperatureOf(operation);
  if (!operation || wanted === null || wanted === undefined || operation.machine === null) return [];
  const { machine } = operation;
  const taken = others.flatMap((other) => heldBy(other, machine, nowMs));
  return taken
    .filter(({ tempC }) => Math.abs(tempC - wanted) > SAME_HEAT_C)
    .slice(0, 1)
    .map(
      ({ code, tempC }) =>
        `${machine} is at ${formatQuantity(tempC, 'temperature')} for ${code}; this step wants ${formatQuantity(wanted, 'temperature')}. Going hotter is quick, cooling is slow: finish that work first.`,
    );
}

/** The temperature another run has a machine at: while a step is on it, and for a while after. */
function heldBy(
  { code, operations, steps }: FloorRun,
  machine: string,
  nowMs: number,
): { code: string; tempC: number }[] {
  const isHeld = ({ status, completedAt }: StepState): boolean =>
    status === 'running' ||
    (status === 'done' && completedAt !== null && nowMs - Date.parse(completedAt) < STILL_AT_IT_MS);
  const isUnfinished = steps.some(
    ({ status, index }) => status !== 'done' && operations[index]?.machine === machine,
  );
  if (!isUnfinished) return [];
  return steps
    .filter(({ index }) => operations[index]?.machine === machine)
    .filter(isHeld)
    .sort((p, q) => (q.startedAt ?? '').localeCompare(p.startedAt ?? ''))
    .slice(0, 1)
    .flatMap(({ index }) => {
      const operation = operations[index];
      const tempC = operation ? temperatureOf(operation) : null;
      return tempC === null ? [] : [{ code, tempC }];
    });
}

const temperatureOf = ({ settings }: FloorRun['operations'][number]): number | null =>
  settings.find(({ key }) => key === 'tempC')?.value ?? null;
