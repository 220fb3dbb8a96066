import { newGenes } from './genes.ts';
import type { Genes } from './genes.ts';
import type { Problem } from './problem.ts';

/** A sequence of orders: when each is to have its turn, and how far the long ways through it go first. */
export interface OrderKeys {
  offsets: Float64Array;
  /** Minutes earlier for every minute that is still to come of an operation's order. */
  ahead: number;
}

/** Longest way from the start of each operation to the end of the last that waits for it, min, shortest modes. */
export function waysToEnd({ n, lagsOut, shortest }: Problem, rank: Int32Array): Float64Array {
  const way = Float64Array.from(shortest);
  const lastFirst = Array.from({ length: n }, (_, i) => i).sort((p, q) => rank[q] - rank[p]);
  for (const i of lastFirst)
    for (const { to, min } of lagsOut[i]) way[i] = Math.max(way[i], shortest[i] + min + way[to]);
  return way;
}

/** Keys of operations by those of their orders; an operation of several goes with the one that wants it first. */
export function writeOrderKeys(problem: Problem, ways: Float64Array, { offsets, ahead }: OrderKeys, genes: Genes): void {
  for (let op = 0; op < problem.n; op++) {
    let key = Infinity;
    for (const order of problem.ordersOf[op]) key = Math.min(key, offsets[order]);
    genes.keys[op] = (key === Infinity ? 0 : key) - ahead * ways[op];
  }
}

/** What a minute of weight pulls an order forward, and how far long ways go first: combinations that are tried to begin with. */
const WEIGHT_PULLS = [0, 20, 60, 150, 300];
const AHEAD = [0.001, 1, 0.5, 2];

/** Sequences to begin with: by due date, heavier orders ever earlier. The first is earliest due date alone. */
export function* startingOrders({ due, tail, weight }: Problem): Generator<OrderKeys> {
  for (const pull of WEIGHT_PULLS)
    for (const ahead of AHEAD)
      yield { offsets: Float64Array.from(due, (at, j) => at - tail[j] - pull * weight[j]), ahead };
}

/** A sequence to begin with that is like the others, and like none of them. */
export function dealtOrders({ due, tail, weight }: Problem, random: () => number): OrderKeys {
  const pull = WEIGHT_PULLS[Math.floor(random() * WEIGHT_PULLS.length)];
  const ahead = AHEAD[Math.floor(random() * AHEAD.length)];
  return {
    offsets: Float64Array.from(due, (at, j) => at - tail[j] - pull * weight[j] + DEALT_MIN * (random() - 0.5)),
    ahead,
  };
}
/** Orders due within so much of one another are dealt anew, min. */
const DEALT_MIN = 120;

/** A plan made before as genes: in the order of its starts; what is new comes as its orders do. */
export function genesOfPlanned(problem: Problem): Genes {
  const { planned, ordersOf, due, tail } = problem;
  return newGenes(problem, (op) =>
    planned[op] >= 0 ? planned[op] : Math.min(...ordersOf[op].map((j) => due[j] - tail[j])),
  );
}
