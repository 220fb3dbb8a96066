import type { Blocks } from './blocks.ts';
import { newGenes } from './genes.ts';
import type { Genes } from './genes.ts';
import type { PlannedOp } from './instance.ts';
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

/** Writes keys of blocks by those of their orders; what belongs to several goes with the one that wants it first. */
export function writeOrderKeys(
  { ordersOf }: Problem,
  { ops }: Blocks,
  { ways, offsets, ahead }: OrderKeys & { ways: Float64Array },
  keys: Float64Array,
): void {
  for (let block = 0; block < ops.length; block++) {
    let key = Infinity;
    for (const op of ops[block])
      for (const order of ordersOf[op]) key = Math.min(key, offsets[order] - ahead * ways[op]);
    keys[block] = key;
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

/** A plan that is there as genes: in the order of its times, each operation done the way it is. */
export function genesOfPlan({ instance }: Problem, blocks: Blocks, plan: readonly PlannedOp[]): Genes {
  const byId = new Map(plan.map((own) => [own.id, own]));
  const genes = newGenes(blocks, (block) =>
    blocks.ops[block].reduce((first, op) => {
      const own = byId.get(instance.ops[op].id);
      return own === undefined ? first : Math.min(first, own.setup ?? own.start[0]);
    }, Infinity),
  );
  for (const [op, { id }] of instance.ops.entries()) genes.modes[op] = byId.get(id)?.mode ?? -1;
  return genes;
}

/** A plan made before as genes: in the order of its starts; what is new comes as its orders do. */
export function genesOfPlanned({ planned, ordersOf, due, tail }: Problem, blocks: Blocks): Genes {
  const keyOf = (op: number): number =>
    planned[op] >= 0 ? planned[op] : Math.min(...ordersOf[op].map((j) => due[j] - tail[j]));
  return newGenes(blocks, (block) => Math.min(...blocks.ops[block].map(keyOf)));
}
