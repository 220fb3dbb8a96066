import { t } from '../../words/t.ts';
import type { Run, RunLine } from '@saltflat/contract';
import { FILM_ROLES, machineHeat, nextOverRuns } from '@saltflat/core/run';
import type { FloorAction, FloorRun, StepState } from '@saltflat/core/run';
import type { Operation, Part } from '@saltflat/core/work';
import type { LiveRun } from './useRunState.ts';

/** The line of a run that a step goes by. */
export const lineOf = (run: Run, key: string): RunLine =>
  run.lines.find((own) => own.key === key) ?? (run.lines[0] as RunLine); // a run has at least one

/** What is done in a step, as the route of its line says. */
export const operationOf = (
  run: Run,
  { line, index }: Pick<StepState, 'line' | 'index'>,
): Operation | undefined => lineOf(run, line).route.operations[index];

/** "K-213", or of film that lines share "K-213 + K-214". */
export const codesOf = ({ lines }: { lines: readonly { code: string }[] }): string =>
  lines.map(({ code }) => code).join(' + ');

/** The lines whose parts are in a step: on a shared sheet several. */
export function linesIn(
  { run, state }: Pick<LiveRun, 'run' | 'state'>,
  { parts }: Pick<StepState, 'parts'>,
): RunLine[] {
  const keys = new Set(parts.map((id) => state.parts[id]?.line));
  return run.lines.filter(({ key }) => keys.has(key));
}

/** Their codes. */
export const codesIn = (live: Pick<LiveRun, 'run' | 'state'>, step: Pick<StepState, 'parts'>): string =>
  codesOf({ lines: linesIn(live, step) });

/** An operation of a line as its route calls it. */
export const titleIn = (run: Run, line: string, operation: string): string =>
  t(lineOf(run, line).route.operations.find(({ id }) => id === operation)?.title ?? operation);

/** What was done by each line's route, as slips between runs are seen. */
export function stepsByLine(live: LiveRun): FloorRun[] {
  const known = byLine.get(live);
  if (known) return known;
  const own = live.run.lines.map(({ key, code, route }) => ({
    code,
    operations: route.operations,
    steps: live.state.steps.filter(({ line }) => line === key),
  }));
  byLine.set(live, own);
  return own;
}

const byLine = new WeakMap<LiveRun, FloorRun[]>();

/** A thing some run wants done, with whose it is. */
export interface Moment {
  live: LiveRun;
  action: FloorAction;
  title: string;
}

/**
 * The most urgent thing of each run, and what its machines will want: over all runs, windows that close before all else,
 * of what is as urgent the order that is due sooner.
 */
export function momentsOf(runs: readonly LiveRun[], nowMs: number): Moment[] {
  const heat = machineHeat(runs.flatMap(stepsByLine), nowMs);
  const open = runs
    .filter(({ state }) => state.finishedAt === null)
    .map((live) => ({
      live,
      plan: live.plan,
      state: live.state,
      dueMs: Object.fromEntries(live.run.lines.map(({ key, dueAt }) => [key, Date.parse(dueAt)])),
    }));
  const seen = new Set<LiveRun>();
  const carried = carriedParts(runs);
  return nextOverRuns(open, nowMs, heat).flatMap(({ run: { live }, action }) => {
    if (action.kind === 'start' && isCarried(carried, live, action)) return []; // it is done with the film it is on
    const isFirst = !seen.has(live);
    seen.add(live);
    const isWanted = isFirst || action.kind !== 'start' || action.dueAt > nowMs;
    return isWanted ? [{ live, action, title: titleOf(live, action) }] : [];
  });
}

/** Transfers that another run's film carries, by their run and name: what is done to that film is done to them. */
function carriedParts(runs: readonly LiveRun[]): ReadonlySet<string> {
  const hosts = runs.filter(({ state }) => state.finishedAt === null);
  return new Set(
    hosts.flatMap(({ run }) =>
      run.guests.flatMap(({ sheet, runId, part }) => (sheet === null ? [] : [`${runId} ${part}`])),
    ),
  );
}

const isCarried = (
  carried: ReadonlySet<string>,
  { run }: LiveRun,
  { step, operation }: FloorAction,
): boolean =>
  FILM_ROLES.includes(operation.role) && step.parts.every((part) => carried.has(`${run.id} ${part}`));

const NOUNS: Record<Part, readonly [one: string, many: string]> = {
  transfer: ['transfer', 'transfers'],
  patch: ['patch', 'patches'],
  blank: ['piece', 'pieces'],
};

/** One part, as people call it. */
export const partNoun = (part: Part): string => t(NOUNS[part][0]);

/** What a step is about: "piece 7", "transfers 1 to 4", "transfer 3, made again", "all 12 transfers". */
export function partOf({ run, state }: Pick<LiveRun, 'run' | 'state'>, step: StepState): string {
  const { parts, isAgain } = step;
  const line = lineOf(run, step.line);
  const states = parts.flatMap((id) => state.parts[id] ?? []);
  const lane = line.route.lanes.find(({ id }) => id === states[0]?.lane);
  const [one, many] = NOUNS[lane?.part ?? 'blank'];
  if (new Set(states.map((own) => own.line)).size > 1)
    return madeAgain(
      t('{count} {parts} of {orders}', {
        ...{ count: states.length, parts: t(many), orders: codesIn({ run, state }, step) },
      }),
      isAgain,
    );
  const all = line.pieces + (lane?.spares ?? 0);
  if (states.length === all && all > 1 && !isAgain)
    return lane && lane.spares > 0
      ? t('all {all} {parts}, {spares} to spare', { all, parts: t(many), spares: lane.spares })
      : t('all {all} {parts}', { all, parts: t(many) });
  const spares = states.filter(({ piece }) => piece === 0).length;
  const numbers = states
    .filter(({ piece }) => piece > 0)
    .map(({ number, piece }) => (number > 0 ? number : piece))
    .sort((p, q) => p - q);
  const named =
    numbers.length > 0
      ? madeAgain(`${t(numbers.length === 1 ? one : many)} ${rangeWords(numbers)}`, isAgain)
      : '';
  const spared =
    spares === 0
      ? ''
      : spares === 1
        ? t('a spare {part}', { part: t(one) })
        : t('{spares} spare {parts}', { spares, parts: t(many) });
  return named === '' || spared === '' ? named + spared : t('{a} and {b}', { a: named, b: spared });
}

const madeAgain = (what: string, isAgain: boolean): string =>
  isAgain ? t('{what}, made again', { what }) : what;

/** "3", "1 to 4", "2, 5 and 9". */
function rangeWords(numbers: readonly number[]): string {
  const first = numbers[0] ?? 0;
  const last = numbers.at(-1) ?? 0;
  if (numbers.length > 2 && last - first === numbers.length - 1)
    return t('{first} to {last}', { first, last });
  return numbers.length < 2
    ? String(first)
    : t('{a} and {b}', { a: numbers.slice(0, -1).join(', '), b: last });
}

/** "Press the transfer", as its route calls it. */
export function titleOf({ run }: Pick<LiveRun, 'run'>, { step }: Pick<FloorAction, 'step'>): string {
  return t(operationOf(run, step)?.title ?? step.operation);
}
