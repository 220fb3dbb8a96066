import { inWaitOrder } from './blocks.ts';
import type { Blocks } from './blocks.ts';
import { newGenes } from './genes.ts';
import type { Genes } from './genes.ts';
import type { PlannedOp } from './instance.ts';
import { handsOf } from './problem.ts';
import type { Problem } from './problem.ts';

/** A sequence of orders: when each is to have its turn, how far the long ways through it go first, and who spares hands. */
export interface OrderKeys {
  offsets: Float64Array;
  /** Minutes earlier for every minute that is still to come of an operation's order. */
  ahead: number;
  /** 1: an order's operations are done the way that takes the fewest hands; 0: the way that ends first. */
  thrifty: Uint8Array;
}

/** What sequences of orders are turned into genes with. */
export interface OrderGround {
  problem: Problem;
  blocks: Blocks;
  ways: Float64Array;
  thriftyModes: Int8Array;
}

export const orderGround = (problem: Problem, blocks: Blocks): OrderGround => ({
  problem,
  blocks,
  ways: waysToEnd(problem),
  thriftyModes: thriftyModes(problem),
});

/** The mode of each operation that takes the fewest people by the minute; −1 where none takes fewer than all others. */
function thriftyModes(problem: Problem): Int8Array {
  const { n, modeFrom } = problem;
  return Int8Array.from({ length: n }, (_, op) => {
    const hands: number[] = [];
    for (let mode = modeFrom[op]; mode < modeFrom[op + 1]; mode++) hands.push(handsOf(problem, mode));
    const least = Math.min(...hands);
    return hands.length > 1 && hands.filter((own) => own === least).length === 1 ? hands.indexOf(least) : -1;
  });
}

/** Longest way from the start of each operation to the end of the last that waits for it, min, shortest modes. */
function waysToEnd(problem: Problem): Float64Array {
  const { lagsOut, shortest } = problem;
  const way = Float64Array.from(shortest);
  for (const i of inWaitOrder(problem).reverse())
    for (const { to, min } of lagsOut[i]) way[i] = Math.max(way[i], shortest[i] + min + way[to]);
  return way;
}

/** Writes genes by those of orders; what belongs to several goes with the one that wants it first. */
export function writeOrderGenes(
  { problem: { ordersOf, n }, blocks: { ops }, ways, thriftyModes: modes }: OrderGround,
  { offsets, ahead, thrifty }: OrderKeys,
  genes: Genes,
): void {
  for (let block = 0; block < ops.length; block++) {
    let key = Infinity;
    for (const op of ops[block])
      for (const order of ordersOf[op]) key = Math.min(key, offsets[order] - ahead * ways[op]);
    genes.keys[block] = key;
  }
  for (let op = 0; op < n; op++) genes.modes[op] = thrifty[ordersOf[op][0]] === 1 ? modes[op] : -1;
  genes.early.fill(0);
}

/** What a minute of weight pulls an order forward, and how far long ways go first: combinations that are tried to begin with. */
const WEIGHT_PULLS = [0, 20, 60, 150, 300];
const AHEAD = [0.001, 0.5, 1, 2];

/**
 * Sequences to begin with: by due date, heavier orders ever earlier, all as fast or all as sparing of hands as can be.
 * The first is earliest due date alone.
 */
export function* startingOrders({ due, tail, weight }: Problem): Generator<OrderKeys> {
  for (const pull of WEIGHT_PULLS)
    for (const ahead of AHEAD)
      for (const isThrifty of [0, 1])
        yield {
          offsets: Float64Array.from(due, (at, j) => at - tail[j] - pull * weight[j]),
          ahead,
          thrifty: new Uint8Array(due.length).fill(isThrifty),
        };
}

/** A sequence to begin with that is like the others, and like none of them. */
export function dealtOrders({ due, tail, weight }: Problem, random: () => number): OrderKeys {
  const pull = WEIGHT_PULLS[Math.floor(random() * WEIGHT_PULLS.length)];
  const ahead = AHEAD[Math.floor(random() * AHEAD.length)];
  const thrift = random();
  return {
    offsets: Float64Array.from(
      due,
      (at, j) => at - tail[j] - pull * weight[j] + DEALT_MIN * (random() - 0.5),
    ),
    ahead,
    thrifty: Uint8Array.from(due, () => (random() < thrift ? 1 : 0)),
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
