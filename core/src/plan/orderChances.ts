import { seededRandom } from '../work/index.ts';
import { followPlan } from './followPlan.ts';
import type { PlanInstance, PlannedOp } from './instance.ts';
import { problemOf } from './problem.ts';
import type { Problem } from './problem.ts';

/** How much longer or shorter work takes than planned, as standard deviations relative to its time. */
export interface Spread {
  /** Of an operation by itself, by its id. */
  of: (op: string) => number;
  /** Of a day's pace, which all hands share. */
  pace: number;
}

/** How sure an order is to be through in time, were the plan followed as it stands. A model: a chance, no promise. */
export interface OrderChance {
  id: string;
  /** Share of the samples in which it is, 0–1. */
  onTime: number;
  /** When it is through by the plan, its rest counted, min. */
  planned: number;
  /** When it is through in half of the samples, and in nine of ten, min; beyond the horizon where it is not done by then. */
  median: number;
  nineInTen: number;
  /** Room between plan and due date, and what nine samples in ten need of it, min. */
  buffer: number;
  needed: number;
  /** Share of the samples in which something of it stands longer than it may. */
  spoiled: number;
}

interface Sample {
  /** By order. */
  through: Float64Array;
  spoiled: Uint8Array;
}

/**
 * How each order fares where a plan is followed many times over, see `followManyTimes`.
 *
 * @param plan whole and without breaches
 * @param samples ≥ 1; the chance of an order is uncertain by about half of one over its root
 */
export function orderChances(
  instance: PlanInstance,
  plan: readonly PlannedOp[],
  wish: ChanceWish,
): OrderChance[] {
  const { exact, all } = followManyTimes(instance, plan, wish);
  return instance.orders.map(({ id, due, tail }, j) => {
    const ends = Float64Array.from(all, ({ through }) => through[j] + tail);
    const planned = exact.through[j] + tail;
    const { onTime, median, nineInTen } = chanceOf(ends, due);
    return {
      id,
      onTime,
      planned,
      median,
      nineInTen,
      buffer: due - planned,
      needed: nineInTen - planned,
      spoiled: all.filter(({ spoiled }) => spoiled[j] === 1).length / all.length,
    };
  });
}

export interface ChanceWish {
  seed: number;
  samples: number;
  spread: Spread;
}

/** What samples of an end say of a due date, min. @param ends sorted here */
export function chanceOf(
  ends: Float64Array,
  due: number,
): Pick<OrderChance, 'onTime' | 'median' | 'nineInTen'> {
  ends.sort();
  const at = (share: number): number => ends[Math.min(ends.length - 1, Math.ceil(share * ends.length) - 1)];
  const onTime = ends.filter((end) => end <= due).length / ends.length;
  return { onTime, median: at(0.5), nineInTen: at(0.9) };
}

/**
 * Follows a plan many times over with work that takes longer or shorter: nothing begins before it was planned to, and
 * what is late pushes on what waits for it, its machine and its people. Minutes with hands are spread as a logarithmic
 * normal distribution whose mean is what was planned (work is never less than nothing, and late by more than early);
 * machines that run by themselves take what they take.
 *
 * @returns where each order’s last operation ends, as planned and in each of the samples
 */
export function followManyTimes(
  instance: PlanInstance,
  plan: readonly PlannedOp[],
  { seed, samples, spread }: ChanceWish,
): { exact: Sample; all: Sample[] } {
  const problem = problemOf(instance);
  const random = seededRandom(seed);
  return {
    exact: follow(problem, plan),
    all: Array.from({ length: samples }, () => follow(stretched(problem, spread, random), plan)),
  };
}

/** A problem whose hands are slower and faster. */
function stretched(problem: Problem, { of, pace }: Spread, random: () => number): Problem {
  const { instance, n, modeFrom, phaseFrom, people, isFixed } = problem;
  const minutes = problem.minutes.slice();
  const lengthOf = problem.lengthOf.slice();
  const shared = factor(pace, random);
  for (let op = 0; op < n; op++) {
    if (isFixed[op]) continue;
    const own = shared * factor(of(instance.ops[op].id), random);
    for (let mode = modeFrom[op]; mode < modeFrom[op + 1]; mode++) {
      lengthOf[mode] = 0;
      for (let p = phaseFrom[mode]; p < phaseFrom[mode + 1]; p++) {
        if (people[p] > 0) minutes[p] = Math.floor(minutes[p] * own + random()); // on average what it is
        lengthOf[mode] += minutes[p];
      }
    }
  }
  return { ...problem, minutes, lengthOf };
}

/** A number around 1, logarithmically normal: its mean is 1, its standard deviation `spread` (Box & Muller 1958). */
function factor(spread: number, random: () => number): number {
  if (spread === 0) return 1;
  const variance = Math.log(1 + spread * spread);
  const normal = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  return Math.exp(Math.sqrt(variance) * normal - variance / 2);
}

function follow(problem: Problem, plan: readonly PlannedOp[]): Sample {
  const { opsOf, calendar } = problem;
  const { timetable, isOut, overdue } = followPlan(problem, plan);
  const late = new Set(overdue.map(({ lag }) => lag.to));
  return {
    through: Float64Array.from(opsOf, (ops) =>
      ops.reduce(
        (end, op) => Math.max(end, isOut[op] === 1 ? calendar.horizon + 1 : timetable.places.end[op]),
        0,
      ),
    ),
    spoiled: Uint8Array.from(opsOf, (ops) => (ops.some((op) => late.has(op)) ? 1 : 0)),
  };
}
