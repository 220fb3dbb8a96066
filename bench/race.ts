/** Work against a rival, pair by pair in one run, so that a slow minute of the machine slows both. */
export const ROUNDS = 7;

export interface Case {
  name: string;
  rival: string;
  /** Largest ratio that is good enough; `null` where the ratio is for information. */
  budget: number | null;
  /** Longest that is good enough, ms, where a person waits for it; left out where the ratio says it. */
  budgetMs?: number;
  work: () => unknown;
  against: () => unknown;
}

export const timeMs = (work: () => unknown): number => {
  const from = performance.now();
  work();
  return performance.now() - from;
};
export const median = (values: number[]): number => values.toSorted((p, q) => p - q)[values.length >> 1] ?? 0;
export const say = (line: object): void => void process.stdout.write(`${JSON.stringify(line)}\n`);
export const tenth = (value: number): number => Math.round(10 * value) / 10;

/** Prints one JSON line a case. Quick work is done so often that the clock can tell it. */
export function race(cases: readonly Case[]): void {
  for (const { name, rival, budget, budgetMs, work, against } of cases) {
    work();
    against();
    const pairs = Array.from({ length: ROUNDS }, () => ({ own: timeMs(work), other: timeMs(against) }));
    const ratio = median(pairs.map(({ own, other }) => own / other));
    const ms = median(pairs.map(({ own }) => own));
    say({
      name,
      rival,
      ratio: Number(ratio.toPrecision(2)),
      ...(budget === null ? {} : { budget }),
      medianMs: tenth(ms),
      ...(budgetMs === undefined ? {} : { budgetMs }),
    });
  }
}
