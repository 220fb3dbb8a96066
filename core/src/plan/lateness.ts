import { inWaitOrder } from './blocks.ts';
import type { Problem } from './problem.ts';

/**
 * What must come after each operation at least until each of its orders is through, min, without regard to machines
 * and people: shortest modes and waits along the longest way.
 */
export function remainders(problem: Problem): readonly Float64Array[] {
  const { lagsOut, ordersOf, shortest } = problem;
  const left = ordersOf.map((orders) => new Float64Array(orders.length));
  for (const i of inWaitOrder(problem).reverse())
    for (const { to, min } of lagsOut[i])
      for (const [k, order] of ordersOf[i].entries()) {
        const own = ordersOf[to].indexOf(order);
        if (own >= 0) left[i][k] = Math.max(left[i][k], min + shortest[to] + left[to][own]);
      }
  return left;
}

/** Cost of lateness of an order that is through at a minute. */
export const lateCost = ({ weight, tail, due }: Problem, order: number, end: number): number =>
  weight[order] * Math.max(0, end + tail[order] - due[order]);

/**
 * When orders are through at the earliest, as far as a plan has been made: kept for every length of the plan, so that
 * a plan can be taken back to any of them at no cost.
 */
export class Progress {
  readonly #problem: Problem;
  readonly #remainders: readonly Float64Array[];
  readonly #orders: number;
  readonly #through: Int32Array;
  /** Weighted lateness that is certain after so many blocks. */
  readonly late: Float64Array;
  /** Latest end of what is placed after so many blocks. */
  readonly finish: Int32Array;
  readonly moved: Float64Array;
  readonly ends: Float64Array;

  /** @param through when each order is through at the earliest, before anything is placed */
  constructor(problem: Problem, blocks: number, through: Int32Array) {
    this.#problem = problem;
    this.#remainders = remainders(problem);
    this.#orders = problem.due.length;
    this.#through = new Int32Array(this.#orders * (blocks + 1));
    this.#through.set(through);
    this.late = new Float64Array(blocks + 1);
    this.finish = new Int32Array(blocks + 1);
    this.moved = new Float64Array(blocks + 1);
    this.ends = new Float64Array(blocks + 1);
    for (let j = 0; j < this.#orders; j++) this.late[0] += lateCost(problem, j, through[j]);
  }

  /** Takes over what was known after `at` blocks, to count one more into it. */
  open(at: number): void {
    const orders = this.#orders;
    this.#through.copyWithin((at + 1) * orders, at * orders, (at + 1) * orders);
    this.late[at + 1] = this.late[at];
    this.finish[at + 1] = this.finish[at];
    this.moved[at + 1] = this.moved[at];
    this.ends[at + 1] = this.ends[at];
  }

  /** Counts an operation as the `at`-th block's. */
  count(at: number, op: number, start: number, end: number): void {
    const problem = this.#problem;
    const { ordersOf, planned, isFixed } = problem;
    const slot = at + 1;
    if (end > this.finish[slot]) this.finish[slot] = end;
    this.ends[slot] += end;
    if (planned[op] >= 0 && !isFixed[op])
      this.moved[slot] += Math.min(MOST_MOVED, Math.abs(start - planned[op]));
    for (let k = 0; k < ordersOf[op].length; k++) {
      const order = ordersOf[op][k];
      const through = end + this.#remainders[op][k];
      const place = slot * this.#orders + order;
      if (through <= this.#through[place]) continue;
      this.late[slot] += lateCost(problem, order, through) - lateCost(problem, order, this.#through[place]);
      this.#through[place] = through;
    }
  }
}

/** An operation that is moved by more counts as moved by so much, min: there it is another day's work. */
export const MOST_MOVED = 60;
