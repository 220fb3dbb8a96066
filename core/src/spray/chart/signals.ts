import type { Baseline } from './baseline.ts';

/** Run rules (textbook: Western Electric, Nelson), each by what it sees. */
export const SIGNAL_RULES = ['beyond', 'two-of-three', 'four-of-five', 'same-side', 'trend', 'jump'] as const;
export type SignalRule = (typeof SIGNAL_RULES)[number];

const ON_ONE_SIDE = 9;
const IN_A_TREND = 7;

/** Which values a rule may look at: the last of them is judged, none before `since` is remembered. */
export interface Memory {
  values: readonly number[];
  since: number;
  last: number;
}

/** Rules that a value breaks; it must take part itself. */
export function signalsAt(
  { values, since, last }: Memory,
  {
    centrePct,
    sigmaPct,
    rules,
    rangeSigmas,
  }: Baseline & { rules: readonly SignalRule[]; rangeSigmas: number },
): SignalRule[] {
  const own = (values[last] - centrePct) / sigmaPct;
  const side = Math.sign(own);
  const beyond = (count: number, sigmas: number): number => {
    let found = 0;
    for (let i = Math.max(since, last - count + 1); i <= last; i++)
      if (((values[i] - centrePct) / sigmaPct) * side > sigmas) found++;
    return found;
  };
  const isBroken = (rule: SignalRule): boolean => {
    switch (rule) {
      case 'beyond':
        return Math.abs(own) > 3;
      case 'two-of-three':
        return Math.abs(own) > 2 && beyond(3, 2) >= 2;
      case 'four-of-five':
        return Math.abs(own) > 1 && beyond(5, 1) >= 4;
      case 'same-side':
        return side !== 0 && beyond(ON_ONE_SIDE, 0) === ON_ONE_SIDE;
      case 'trend':
        return isTrend(values, since, last);
      case 'jump':
        return last > since && Math.abs(values[last] - values[last - 1]) > rangeSigmas * sigmaPct;
    }
  };
  return SIGNAL_RULES.filter((rule) => rules.includes(rule) && isBroken(rule));
}

function isTrend(values: readonly number[], since: number, last: number): boolean {
  const first = last - IN_A_TREND + 1;
  if (first < since) return false;
  const way = Math.sign(values[last] - values[last - 1]);
  for (let i = first + 1; i <= last; i++) if (Math.sign(values[i] - values[i - 1]) !== way) return false;
  return way !== 0;
}
