import { leastAssignment } from './assignment.ts';
import { earliestThrough } from './earliest.ts';
import type { Earliest } from './earliest.ts';
import { pausedEnd } from './calendar.ts';
import { endOf } from './given.ts';
import { lateCost, remainders } from './lateness.ts';
import { handsOf } from './problem.ts';
import type { Given, Problem } from './problem.ts';

/** What no plan can be below. */
export interface PlanBound {
  /** Sum over orders of weight × minutes too late. */
  lateness: number;
  /** When the last operation ends, min. */
  finish: number;
}

/** Something that work needs, and how much of it there is: a machine, all machines of a kind, people. */
interface Resource {
  /** What there has been of it up to each minute. */
  had: Float64Array;
  /** What each operation takes of it at least; 0 where it can do without. */
  work: Float64Array;
}

/**
 * Bounds that hold for every plan: what each order takes were it alone, and, for each machine, kind of machine and all
 * people, that the order which is through k-th cannot be before its own work and that of the k smallest others is done
 * (an assignment of orders to ranks, for some sets of the orders due first).
 *
 * @param earliest of this very problem, see `earliestTimes`
 */
export function planBound(problem: Problem, earliest: Earliest): PlanBound {
  const through = earliestThrough(problem, earliest);
  const alone = [...through.keys()].map((j) => lateCost(problem, j, through[j]));
  const known = { ...earliest, through, alone, left: remainders(problem) };
  let lateness = alone.reduce((sum, cost) => sum + cost, 0);
  let finish = through.reduce((late, end) => Math.max(late, end), 0);
  for (const resource of resourcesOf(problem)) {
    finish = Math.max(finish, finishOn(problem, resource, known));
    lateness = Math.max(lateness, latenessOn(problem, resource, known));
  }
  return { lateness, finish };
}

interface Known extends Earliest {
  through: Int32Array;
  /** What each order's lateness costs, were it alone. */
  alone: readonly number[];
  left: readonly Float64Array[];
}

/** The first minute by which so much of a resource has been had since another; the horizon and one where never. */
function reach({ had }: Resource, from: number, work: number): number {
  const wanted = had[Math.min(from, had.length - 1)] + work - 1e-9;
  let [low, high] = [from, had.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (had[middle] >= wanted) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** All work that can begin at some minute or after it, one after the other, and the least that comes after any of it. */
function finishOn({ n, isFixed }: Problem, resource: Resource, { starts, left }: Known): number {
  const own = [...Array(n).keys()].filter((op) => resource.work[op] > 0 && !isFixed[op]);
  own.sort((p, q) => starts[q] - starts[p]);
  let work = 0;
  let after = Infinity;
  let finish = 0;
  for (const op of own) {
    work += resource.work[op];
    after = Math.min(after, Math.max(0, ...left[op]));
    finish = Math.max(finish, reach(resource, starts[op], work) + after);
  }
  return finish;
}

/** So many sets of the orders due first are looked at: more find little more, and take as much longer. */
const SETS = 8;

/** What an order has to do with a resource. */
interface Share {
  order: number;
  work: number;
  /** When the first of that work can begin, and what comes after the last of it at least, min. */
  from: number;
  after: number;
}

/** Work of operations that several orders share is counted for the first of them alone. */
function shareOf(problem: Problem, { work }: Resource, { starts, left }: Known, order: number): Share {
  const { opsOf, ordersOf, isFixed } = problem;
  const share: Share = { order, work: 0, from: Infinity, after: Infinity };
  for (const op of opsOf[order]) {
    if (work[op] === 0 || isFixed[op] || ordersOf[op][0] !== order) continue;
    share.work += work[op];
    share.from = Math.min(share.from, starts[op]);
    share.after = Math.min(share.after, left[op][0]);
  }
  return share;
}

function latenessOn(problem: Problem, resource: Resource, known: Known): number {
  const { due, tail } = problem;
  const { alone } = known;
  const shares = [...due.keys()]
    .sort((p, q) => due[p] - tail[p] - (due[q] - tail[q]))
    .map((order) => shareOf(problem, resource, known, order))
    .filter(({ work }) => work > 0);
  const total = alone.reduce((sum, cost) => sum + cost, 0);
  let best = 0;
  for (let part = 1; part <= SETS; part++) {
    const set = shares.slice(0, Math.ceil((part * shares.length) / SETS));
    const outside = set.reduce((sum, { order }) => sum - alone[order], total);
    if (set.length > 1) best = Math.max(best, rankedLateness(problem, resource, known, set) + outside);
  }
  return best;
}

/** The least lateness over all orders in which some can be through. */
function rankedLateness(
  problem: Problem,
  resource: Resource,
  { through }: Known,
  set: readonly Share[],
): number {
  const from = set.reduce((first, share) => Math.min(first, share.from), Infinity);
  const ascending = set.map(({ work }) => work).sort((p, q) => p - q);
  const cost = set.map(({ order, work, after }) => {
    const place = ascending.indexOf(work);
    let smallest = 0; // work of as many others as there are ranks before, the smallest
    return Float64Array.from(set, (_, rank) => {
      if (rank > 0) smallest += ascending[rank - 1 < place ? rank - 1 : rank];
      const end = reach(resource, from, smallest + work) + after;
      return lateCost(problem, order, Math.max(end, through[order]));
    });
  });
  return leastAssignment(cost);
}

function resourcesOf(problem: Problem): Resource[] {
  const { instance, machines, n, modeFrom, machineOf, lengthOf, calendar } = problem;
  const kinds = [...new Set(instance.machines.map(({ kind }) => kind))];
  const groups = [
    ...machines.map((_, k) => [k]),
    ...kinds
      .map((kind) => [...machines.keys()].filter((k) => instance.machines[k].kind === kind))
      .filter((group) => group.length > 1),
  ];
  const least = (op: number, of: (mode: number) => number): number => {
    let value = Infinity;
    for (let mode = modeFrom[op]; mode < modeFrom[op + 1]; mode++) value = Math.min(value, of(mode));
    return value;
  };
  const ops = [...Array(n).keys()];
  const ofMachines = groups.map((group): Resource => ({
    had: machineTime(problem, group),
    work: Float64Array.from(ops, (op) =>
      least(op, (mode) => (group.includes(machineOf[mode]) ? lengthOf[mode] : 0)),
    ),
  }));
  const byMinute = new Float64Array(calendar.horizon + 1);
  for (let k = 0; k < calendar.openMinutes; k++) byMinute[calendar.openAt[k]] = calendar.people[k];
  for (const own of problem.fixed) takeHands(problem, own, byMinute);
  return [
    ...ofMachines,
    {
      had: summed(byMinute),
      work: Float64Array.from(ops, (op) => least(op, (mode) => handsOf(problem, mode))),
    },
  ];
}

const summed = (byMinute: Float64Array): Float64Array => {
  const sum = new Float64Array(byMinute.length + 1);
  for (let t = 0; t < byMinute.length; t++) sum[t + 1] = sum[t] + Math.max(0, byMinute[t]);
  return sum;
};

/** Minutes of some machines up to each minute, without what is fixed and the shortest warm-up of each window. */
function machineTime(problem: Problem, group: readonly number[]): Float64Array {
  const { machines, windowStart, windowEnd, windowState, calendar, modeFrom, machineOf } = problem;
  const byMinute = new Float64Array(calendar.horizon + 1);
  for (const k of group) {
    const { windowFrom, windowTo, states, setupMin } = machines[k];
    for (let w = windowFrom; w < windowTo; w++) {
      let warm = Infinity;
      for (let y = 0; y < states; y++) {
        const own = setupMin[windowState[w] * states + y];
        if (own >= 0) warm = Math.min(warm, own);
      }
      for (let t = windowStart[w] + (warm === Infinity ? 0 : warm); t < windowEnd[w]; t++) byMinute[t]++;
    }
    for (const own of problem.fixed)
      if (machineOf[modeFrom[own.op] + own.mode] === k)
        for (let t = own.start[0]; t < Math.min(endOf(problem, own), byMinute.length); t++) byMinute[t]--;
  }
  return summed(byMinute);
}

function takeHands(problem: Problem, { op, mode, start }: Given, byMinute: Float64Array): void {
  const { modeFrom, phaseFrom, minutes, people, canPause, calendar } = problem;
  for (const [k, from] of start.entries()) {
    const p = phaseFrom[modeFrom[op] + mode] + k;
    const end = canPause[p] ? pausedEnd(calendar, from, minutes[p]) : from + minutes[p];
    for (let t = from; t < Math.min(end, byMinute.length); t++)
      if (byMinute[t] > 0) byMinute[t] = Math.max(0, byMinute[t] - people[p]);
  }
}
