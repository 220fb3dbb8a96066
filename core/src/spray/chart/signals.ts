import type { Baseline } from './baseline.ts';

/** Run rules (textbook: Western Electric, Nelson), each by what it sees. */
export const SIGNAL_RULES = ['beyond', 'two-of-three', 'four-of-five', 'same-side', 'trend', 'jump'] as const;
export type SignalRule = (typeof SIGNAL_RULES)[number];

const ON_ONE_SIDE = 9;
const IN_A_TREND = 7;

/** Rules that the last of some values breaks; it must take part itself. @param memory the values a rule may look back on, oldest first */
export function signalsAt(
  memory: readonly number[],
  {
    centrePct,
    sigmaPct,
    rules,
    rangeSigmas,
  }: Baseline & { rules: readonly SignalRule[]; rangeSigmas: number },
): SignalRule[] {
  const zs = memory.map((pct) => (pct - centrePct) / sigmaPct);
  const own = zs.at(-1)!;
  const side = Math.sign(own);
  const beyond = (count: number, sigmas: number): number =>
    zs.slice(-count).filter((z) => z * side > sigmas).length;
  const steps = memory.slice(-IN_A_TREND).map((pct, i, last) => (i === 0 ? 0 : Math.sign(pct - last[i - 1])));
  const before = memory.at(-2);
  const isBroken: Record<SignalRule, () => boolean> = {
    beyond: () => Math.abs(own) > 3,
    'two-of-three': () => Math.abs(own) > 2 && beyond(3, 2) >= 2,
    'four-of-five': () => Math.abs(own) > 1 && beyond(5, 1) >= 4,
    'same-side': () => side !== 0 && beyond(ON_ONE_SIDE, 0) === ON_ONE_SIDE,
    trend: () =>
      steps.length === IN_A_TREND && Math.abs(steps.reduce((sum, step) => sum + step, 0)) === IN_A_TREND - 1,
    jump: () => before !== undefined && Math.abs(memory.at(-1)! - before) > rangeSigmas * sigmaPct,
  };
  return SIGNAL_RULES.filter((rule) => rules.includes(rule) && isBroken[rule]());
}
