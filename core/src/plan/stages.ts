/** A part of a search: what it moves, where it begins, how hot it is and when it is over. */
export interface Stage {
  moves: 'orders' | 'ops';
  /** A first plan dealt anew, the plan the stage before ended with, or the best so far. */
  from: 'anew' | 'now' | 'best';
  /** First temperature, and what is left of it at the end, as shares of the energy. */
  heat: number;
  cooled: number;
  /** Share of the time at which it is over. */
  until: number;
}

const ORDERS = { moves: 'orders', from: 'anew', heat: 0.02, cooled: 0.02 } as const;
const OPS = { moves: 'ops', cooled: 0.002 } as const;

/** Up to so many operations they are moved from the start: the sequence of orders gives nothing more. */
const FEW_OPS = 40;
/** From more than so many, one cooling of all operations takes all the time there is. */
const SOME_OPS = 300;

/**
 * What a search of so many operations does with its time. A search that cools down once ends where it happened to go
 * early on; several short ones, the best of them made better, are better and far more even (measured on the reference
 * cases: a few orders decide). Where there are many operations it is the sequence of orders that is sought several times.
 */
export function stagesOf(ops: number): readonly Stage[] {
  if (ops <= FEW_OPS)
    return filled([
      [0.4, { ...OPS, from: 'best', heat: 0.02 }],
      [0.3, { ...OPS, from: 'anew', heat: 0.02 }],
      [0.3, { ...OPS, from: 'best', heat: 0.02 }],
    ]);
  if (ops <= SOME_OPS)
    return filled([
      ...Array.from({ length: 6 }, (): Part[] => [
        [0.03, ORDERS],
        [0.12, { ...OPS, from: 'now', heat: 0.05 }],
      ]).flat(),
      [0.1, { ...OPS, from: 'best', heat: 0.005 }],
    ]);
  return filled([
    ...Array.from({ length: 6 }, (): Part => [0.1, ORDERS]),
    [0.25, { ...OPS, from: 'best', heat: 0.0015 }],
    [0.15, { ...OPS, from: 'best', heat: 0.0005 }],
  ]);
}

type Part = readonly [share: number, stage: Omit<Stage, 'until'>];

function filled(parts: readonly Part[]): Stage[] {
  const all = parts.reduce((sum, [share]) => sum + share, 0);
  let until = 0;
  return parts.map(([share, stage]) => ({ ...stage, until: (until += share / all) }));
}
