import { median } from '../work/index.ts';
import type { TimeFactors } from '../work/index.ts';

/** How long a kind of work was planned to take, and took, s. */
export interface Timed {
  plannedS: number;
  tookS: number;
  /** The day it was done on, any name of it. */
  day: string;
}

/** What a shop’s own times say of a kind of work. */
export interface OwnTime {
  /** Times that count, of the last {@link LAST}. */
  count: number;
  /** Times that do not: too far off to be this work alone. */
  leftOut: number;
  /** How much longer it takes here than planned, as a factor; `null` until it was timed often enough. */
  factor: number | null;
  /** How much it varies on a day, as a share of itself; `null` until it was timed often enough. */
  spread: number | null;
}

/** From so many times on what was timed goes before what is assumed. */
export const ENOUGH_TIMES = 10;
/** How it was long ago says little of how it goes now. */
const LAST = 100;
/** Tapped afterwards, or with something else in between: no time of this work (assumption). */
const LEAST = 0.2;
const MOST = 3;
const MOST_BEYOND_S = 60;

const isPlausible = ({ plannedS, tookS }: Timed): boolean =>
  tookS > LEAST * plannedS && tookS <= MOST * plannedS + MOST_BEYOND_S;
const logOf = ({ plannedS, tookS }: Timed): number => Math.log(tookS / plannedS);

/**
 * Learns from times, taken as logarithmically normal about a factor on what was planned. The median and the median
 * deviation say factor and spread (textbook, Huber, *Robust Statistics*): a step left open over lunch moves neither. The factor is that of
 * the mean, exp(μ + σ²/2), since a plan adds times up.
 *
 * @param times newest first
 */
export function ownTime(times: readonly Timed[]): OwnTime {
  const last = times.slice(0, LAST);
  const logs = last.filter(isPlausible).map(logOf);
  const own = { count: logs.length, leftOut: last.length - logs.length };
  if (logs.length < ENOUGH_TIMES) return { ...own, factor: null, spread: null };
  const mid = median(logs);
  const sigma = NORMAL * median(logs.map((log) => Math.abs(log - mid)));
  return { ...own, factor: Math.exp(mid + (sigma * sigma) / 2), spread: shareOf(sigma) };
}

/** A normal law’s standard deviation by its median deviation. */
const NORMAL = 1.4826;
/** What the standard deviation of the logarithm is as a share of the mean (log-normal law, textbook). */
const shareOf = (sigma: number): number => Math.sqrt(Math.exp(sigma * sigma) - 1);

/** Days with at least so many times are compared, from so many days on. */
const LEAST_A_DAY = 5;
const LEAST_DAYS = 5;

/** How much all work is slower on one day than on another. */
export interface DayPace {
  /** Days that were compared. */
  days: number;
  /** As a share; `null` until there are enough of them. */
  spread: number | null;
}

/**
 * Learns how days differ: the variance between the means of days, less what the times of one day would make of it by
 * themselves (analysis of variance of one way with random effects, textbook). Each kind of work is held against its own median first.
 *
 * @param works times of each kind of work
 */
export function dayPace(works: readonly (readonly Timed[])[]): DayPace {
  const byDay = new Map<string, number[]>();
  for (const times of works) {
    const own = times.slice(0, LAST).filter(isPlausible);
    if (own.length < ENOUGH_TIMES) continue;
    const mid = median(own.map(logOf));
    for (const time of own) byDay.set(time.day, [...(byDay.get(time.day) ?? []), logOf(time) - mid]);
  }
  const days = [...byDay.values()].filter((logs) => logs.length >= LEAST_A_DAY);
  if (days.length < LEAST_DAYS) return { days: days.length, spread: null };
  const means = days.map(meanOf);
  const within = meanOf(days.map((logs, i) => squares(logs, means[i]) / (logs.length - 1) / logs.length));
  const between = squares(means, meanOf(means)) / (means.length - 1);
  return { days: days.length, spread: shareOf(Math.sqrt(Math.max(0, between - within))) };
}

const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;
const squares = (values: readonly number[], mean: number): number =>
  values.reduce((sum, value) => sum + (value - mean) ** 2, 0);

/** How a shop’s own time of a kind of work differs from what its routes assume; 1 where it was not timed often enough. */
export interface WorkPace extends TimeFactors {
  /** Times it rests on. */
  count: number;
  /** How much hands vary on a day, as a share; `null` where that is not known. */
  spread: number | null;
}

/** @returns `null` until hands or the machine were timed often enough */
export function workPace({ hands, machine }: { hands: OwnTime; machine: OwnTime }): WorkPace | null {
  const known = [hands, machine].filter(({ factor }) => factor !== null);
  if (known.length === 0) return null;
  return {
    count: Math.max(...known.map(({ count }) => count)),
    hands: hands.factor ?? 1,
    machine: machine.factor ?? 1,
    spread: hands.spread,
  };
}
