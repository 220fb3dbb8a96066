import { pausedEnd } from './calendar.ts';
import type { Placer } from './placer.ts';
import type { Given, Problem } from './problem.ts';
import type { Timetable } from './timetable.ts';

/**
 * Puts what is fixed where it is, without asking, and what is locked where it can stand.
 *
 * @returns operations that are locked where they cannot be, which are left out
 */
export function putGiven(problem: Problem, timetable: Timetable, placer: Placer): number[] {
  for (const own of [...problem.fixed].sort((p, q) => p.start[0] - q.start[0])) {
    writeFixed(problem, timetable, own);
    timetable.put(own.op);
  }
  const refused: number[] = [];
  for (const own of [...problem.locked].sort((p, q) => p.start[0] - q.start[0])) {
    const { op, mode, start } = own;
    const wish = { from: start[0], until: endOf(problem, own), mode, isSetupEarly: false, pinned: start };
    if (placer.seek(op, wish)) timetable.put(op);
    else refused.push(op);
  }
  return refused;
}

/** End of the last phase of what is given. */
export function endOf(problem: Problem, { op, mode, start }: Given): number {
  const { modeFrom, phaseFrom, minutes, canPause, calendar } = problem;
  const last = phaseFrom[modeFrom[op] + mode + 1] - 1;
  const from = start[start.length - 1];
  return canPause[last] ? pausedEnd(calendar, from, minutes[last]) : from + minutes[last];
}

function writeFixed(problem: Problem, { places, lists }: Timetable, own: Given): void {
  const { modeFrom, machineOf, machines, slotFrom, windowStart, windowEnd, windowState, stateOf } = problem;
  const { op, start, setup } = own;
  const mode = modeFrom[op] + own.mode;
  places.mode[op] = mode;
  places.start[op] = start[0];
  places.end[op] = endOf(problem, own);
  for (const [p, at] of start.entries()) places.phaseStart[slotFrom[op] + p] = at;
  places.setup[op] = setup;
  places.window[op] = -1;
  if (machineOf[mode] < 0) return;
  const { windowFrom, windowTo, states, setupMin, setupPeople } = machines[machineOf[mode]];
  for (let w = windowFrom; w < windowTo; w++)
    if (windowStart[w] <= start[0] && places.end[op] <= windowEnd[w]) places.window[op] = w;
  if (places.window[op] < 0) return; // its machine's windows were changed while it ran: nobody else can be there then
  const before = lists[places.window[op]].at(-1);
  const state = before === undefined ? windowState[places.window[op]] : stateOf[places.mode[before]];
  const change = state * states + stateOf[mode];
  places.setupMin[op] = Math.max(0, setupMin[change]);
  places.setupPeople[op] = setupPeople[change];
}
