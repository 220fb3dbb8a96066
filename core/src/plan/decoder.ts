import type { Blocks } from './blocks.ts';
import { Progress } from './lateness.ts';
import { noPlaces, copyPlace, copyPlaces, Timetable } from './timetable.ts';
import type { Places } from './timetable.ts';
import type { Genes } from './genes.ts';
import { putGiven } from './given.ts';
import { PrefixMatch } from './prefixMatch.ts';
import { Placer } from './placer.ts';
import type { Wish } from './placer.ts';
import type { Problem } from './problem.ts';
import { Sequencer } from './sequence.ts';

/** Why an operation is in no plan. */
export const OUT = {
  /** Nowhere is room: no window, nobody there, or too little of the time left. */
  'no-room': 1,
  /** What begun or stands locked before it is too long ago by the time it can start. */
  spoilt: 2,
  /** What it waits for, or what it is tied to by a longest wait, is in no plan. */
  waits: 3,
  /** It was locked where it cannot be. */
  lock: 4,
  /** It waits for itself, by way of others. */
  circle: 5,
} as const;
export type WhyOut = keyof typeof OUT;

/** One operation that is left out costs more than any lateness. */
const OUT_COST = 1e9;

/**
 * Makes plans of genes: blocks in the order of their keys, each operation where it ends first. What a plan shares at
 * its beginning with the one before, or with the one that is kept, is not made again, and a plan that is sure to be
 * worse than a limit is given up.
 */
export class Decoder {
  readonly timetable: Timetable;
  readonly #problem: Problem;
  readonly #blocks: Blocks;
  readonly #placer: Placer;
  readonly #sequencer: Sequencer;
  readonly #progress: Progress;
  readonly #movedCost: number;
  /** Latest end, so that what is given after it can stand. */
  readonly #until: Int32Array;
  /** Earliest starts while a block is placed. */
  readonly #low: Int32Array;
  readonly #why: Uint8Array;
  readonly #givenOut: number;
  /** Operations left out after so many blocks. */
  readonly #out: Int32Array;
  readonly #order: Int32Array;
  readonly #wish: Wish = { from: 0, until: 0, mode: -1, isSetupEarly: false };
  readonly #table: Row;
  readonly #kept: Row;
  readonly #match: PrefixMatch;
  #setupCost = 0;
  #isAsKept = false;
  /** The operation of a block that found no place. */
  #failed = -1;
  /** Blocks that were placed before it was seen that all lies as it is kept. */
  #placedAnew = 0;

  /** @param through when each order is through at the earliest @param movedCost of a minute by which work is moved */
  constructor(problem: Problem, blocks: Blocks, through: Int32Array, movedCost: number) {
    this.#problem = problem;
    this.#blocks = blocks;
    this.#movedCost = movedCost;
    this.timetable = new Timetable(problem);
    this.#placer = new Placer(problem, this.timetable);
    this.#progress = new Progress(problem, blocks.ops.length, through);
    this.#why = new Uint8Array(problem.n);
    const refused = putGiven(problem, this.timetable, this.#placer);
    for (const op of refused) this.#why[op] = OUT.lock;
    this.#givenOut = refused.length;
    const { places } = this.timetable;
    for (let op = 0; op < problem.n; op++)
      if (problem.isGiven[op] && this.#why[op] === 0)
        this.#progress.count(-1, op, places.start[op], places.end[op]);
    this.#until = untilOf(problem, places);
    this.#sequencer = new Sequencer(blocks, firstBlocks(problem, blocks, this.#until));
    this.#low = new Int32Array(problem.n);
    this.#out = new Int32Array(blocks.ops.length + 1).fill(this.#givenOut);
    this.#order = new Int32Array(blocks.ops.length);
    this.#table = newRow(problem, blocks);
    this.#kept = { ...newRow(problem, blocks), length: NOT_KEPT };
    this.#match = new PrefixMatch(blocks.ops.length);
  }

  /** The order of blocks in the plan that is kept. */
  get keptOrder(): Int32Array {
    return this.#kept.order;
  }

  /** Where everything lies in the plan that is kept. */
  get kept(): Places {
    return this.#kept.places;
  }

  /** Weighted lateness, latest end, cost of changes and minutes moved of the plan made last. */
  get score(): { lateness: number; finish: number; setup: number; moved: number } {
    const last = this.#blocks.ops.length;
    const { late, finish, moved } = this.#progress;
    return { lateness: late[last], finish: finish[last], setup: this.#setupCost, moved: moved[last] };
  }

  get leftOut(): number {
    return this.#out[this.#blocks.ops.length];
  }

  /** Why an operation is not in the plan made last; `null` where it is. */
  whyOut(op: number): WhyOut | null {
    const code = this.#why[op];
    return (Object.keys(OUT) as WhyOut[]).find((why) => OUT[why] === code) ?? null;
  }

  /** Whether the plan made last has everything where the one that is kept has it, by whatever order. */
  get isAsKept(): boolean {
    return this.#isAsKept;
  }

  /**
   * Makes a plan. Where the same blocks are placed as in the plan that is kept, the two are compared: when everything
   * lies where it lies there, so will the rest; and what is behind by more than the limit allows is given up, though it
   * might have caught up.
   *
   * @returns its energy; `Infinity` where it is given up as worse than the limit
   */
  decode(genes: Genes, limit = Infinity): number {
    const count = this.#blocks.ops.length;
    const kept = this.#kept;
    this.#sequencer.write(genes.keys, this.#order);
    this.#isAsKept = true;
    this.#placedAnew = 0;
    if (kept.length === count && this.#sharedLength(kept, genes) === count) return kept.energies[count];
    let at = this.#rewind(genes);
    const match = this.#match;
    match.begin(kept.length === count);
    const alikeFrom = this.#alikeFrom(genes);
    for (; at < count; at++) {
      this.#place(at, this.#order[at], genes);
      this.#table.length = at + 1;
      const energy = this.#energy(at + 1);
      if (energy > limit) return Infinity;
      match.add(this.#order[at], kept.order[at], this.#isMoved(this.#order[at]));
      if (!match.isEven) continue;
      if (match.isSame && at + 1 >= alikeFrom) {
        this.#placedAnew = at + 1;
        return kept.energies[count];
      }
      if (energy - kept.energies[at + 1] > limit - kept.energies[count]) return Infinity;
    }
    this.#isAsKept = false;
    this.#setupCost = this.#setups();
    const energy = this.#energy(count) + this.#setupCost;
    return energy > limit ? Infinity : energy;
  }

  /** Keeps the plan made last as the one that others are likely to begin like. */
  keep(): void {
    const [table, kept] = [this.#table, this.#kept];
    kept.order.set(this.#order);
    if (this.#isAsKept) {
      for (let at = 0; at < this.#placedAnew; at++) {
        kept.energies[at] = this.#energy(at);
        for (const op of this.#blocks.ops[kept.order[at]]) {
          kept.modes[op] = table.modes[op];
          kept.early[op] = table.early[op];
        }
      }
      return;
    }
    kept.length = table.length;
    kept.modes.set(table.modes);
    kept.early.set(table.early);
    kept.why.set(this.#why);
    copyPlaces(this.timetable.places, kept.places);
    for (let at = 0; at <= table.length; at++) kept.energies[at] = this.#energy(at);
    kept.energies[table.length] += this.#setupCost;
  }

  #energy(blocks: number): number {
    const { late, finish, moved, ends } = this.#progress;
    return (
      1000 * late[blocks] +
      10 * finish[blocks] +
      this.#movedCost * moved[blocks] +
      (EARLIER * ends[blocks]) / Math.max(1, this.#problem.n) +
      OUT_COST * this.#out[blocks]
    );
  }

  /** Takes the timetable to where it agrees with the order wanted. @returns how many blocks of it stand */
  #rewind(genes: Genes): number {
    const [table, kept] = [this.#table, this.#kept];
    const own = this.#sharedLength(table, genes);
    const shared = this.#sharedLength(kept, genes);
    this.#takeBack(own);
    if (shared <= own) return own;
    for (let at = own; at < shared; at++) {
      const block = kept.order[at];
      this.#begin(at, block, kept);
      for (const op of this.#blocks.ops[block]) {
        this.#why[op] = kept.why[op];
        if (kept.why[op] > 0) this.#out[at + 1]++;
        else {
          copyPlace(kept.places, this.timetable.places, op, this.#problem);
          this.#put(at, op);
        }
      }
    }
    table.length = shared;
    return shared;
  }

  /** From where on an order and what is decided are as they are kept. */
  #alikeFrom({ modes, early }: Genes): number {
    const kept = this.#kept;
    let at = this.#order.length;
    for (; at > 0; at--) {
      const block = this.#order[at - 1];
      if (kept.order[at - 1] !== block) return at;
      for (const op of this.#blocks.ops[block])
        if (kept.modes[op] !== modes[op] || kept.early[op] !== early[op]) return at;
    }
    return at;
  }

  /** Whether any operation of a block lies elsewhere than it is kept. */
  #isMoved(block: number): boolean {
    const { slotFrom } = this.#problem;
    const { places } = this.timetable;
    const { places: kept, why } = this.#kept;
    for (const op of this.#blocks.ops[block]) {
      if (this.#why[op] !== why[op]) return true;
      if (why[op] > 0) continue;
      if (
        places.mode[op] !== kept.mode[op] ||
        places.end[op] !== kept.end[op] ||
        places.setup[op] !== kept.setup[op]
      )
        return true;
      for (let slot = slotFrom[op]; slot < slotFrom[op + 1]; slot++)
        if (places.phaseStart[slot] !== kept.phaseStart[slot]) return true;
    }
    return false;
  }

  #sharedLength(row: Row, genes: Genes): number {
    const { ops } = this.#blocks;
    for (let at = 0; at < row.length; at++) {
      const block = this.#order[at];
      if (row.order[at] !== block) return at;
      for (const op of ops[block])
        if (row.modes[op] !== genes.modes[op] || row.early[op] !== genes.early[op]) return at;
    }
    return row.length;
  }

  #takeBack(length: number): void {
    const table = this.#table;
    for (let at = table.length - 1; at >= length; at--) this.#takeOutFrom(table.order[at], 0);
    table.length = Math.min(table.length, length);
  }

  /** Takes out what is placed of a block from its k-th operation on. */
  #takeOutFrom(block: number, from: number, to = this.#blocks.ops[block].length): void {
    const ops = this.#blocks.ops[block];
    for (let k = to - 1; k >= from; k--) {
      if (this.#why[ops[k]] === 0) this.timetable.takeOut(ops[k]);
      this.#why[ops[k]] = 0;
    }
  }

  #begin(at: number, block: number, { modes, early }: Pick<Genes, 'modes' | 'early'>): void {
    const table = this.#table;
    table.order[at] = block;
    for (const op of this.#blocks.ops[block]) {
      table.modes[op] = modes[op];
      table.early[op] = early[op];
    }
    this.#progress.open(at);
    this.#out[at + 1] = this.#out[at];
  }

  #put(at: number, op: number): void {
    const { places } = this.timetable;
    this.timetable.put(op);
    this.#progress.count(at, op, places.start[op], places.end[op]);
  }

  #place(at: number, block: number, genes: Genes): void {
    const ops = this.#blocks.ops[block];
    const { places } = this.timetable;
    this.#begin(at, block, genes);
    const out = this.#placeAll(block, genes);
    if (out !== 'placed') {
      for (const op of ops) this.#why[op] = op === this.#failed ? OUT[out] : OUT.waits;
      this.#out[at + 1] += ops.length;
      return;
    }
    for (const op of ops) this.#progress.count(at, op, places.start[op], places.end[op]);
  }

  /** Places a block's operations; where one comes too late after another, that one is pushed on and all after it anew. */
  #placeAll(block: number, { modes, early }: Genes): 'placed' | WhyOut {
    const { release } = this.#problem;
    const ops = this.#blocks.ops[block];
    const low = this.#low;
    const wish = this.#wish;
    for (const op of ops) low[op] = release[op];
    for (let k = 0; k < ops.length;) {
      const op = ops[k];
      const from = this.#earliest(op);
      wish.from = from;
      wish.until = Math.min(this.#until[op], this.#problem.calendar.horizon);
      wish.mode = modes[op];
      wish.isSetupEarly = early[op] === 1;
      if (from < 0 || !this.#placer.seek(op, wish)) {
        this.#takeOutFrom(block, 0, k);
        this.#failed = op;
        return from < 0 ? 'waits' : 'no-room';
      }
      this.timetable.put(op);
      const back = this.#pushBack(op);
      if (back === SPOILT) {
        this.#takeOutFrom(block, 0, k + 1);
        this.#failed = op;
        return 'spoilt';
      }
      if (back >= 0) this.#takeOutFrom(block, back, k + 1);
      k = back >= 0 ? back : k + 1;
    }
    return 'placed';
  }

  /** When an operation can start by what it waits for; −1 where that is in no plan. */
  #earliest(op: number): number {
    const { places } = this.timetable;
    let from = this.#low[op];
    for (const lag of this.#problem.lagsIn[op]) {
      if (this.#why[lag.from] > 0) return -1;
      from = Math.max(from, places.end[lag.from] + lag.min);
    }
    return from;
  }

  /** Pushes on whatever an operation comes too late after. @returns the first place in the block to do anew; −1: none */
  #pushBack(op: number): number {
    const { lagsIn, lagsOut, isGiven } = this.#problem;
    const { places } = this.timetable;
    const { at } = this.#blocks;
    let first = -1;
    for (const lag of lagsIn[op]) {
      if (lag.max < 0) continue;
      const over = places.start[op] - places.end[lag.from] - lag.max;
      if (over <= 0) continue;
      if (isGiven[lag.from]) return SPOILT;
      this.#low[lag.from] = places.start[lag.from] + over;
      if (first < 0 || at[lag.from] < first) first = at[lag.from];
    }
    for (const lag of lagsOut[op]) {
      if (lag.max < 0 || !isGiven[lag.to] || this.#why[lag.to] > 0) continue;
      const over = places.start[lag.to] - places.end[op] - lag.max;
      if (over <= 0) continue;
      this.#low[op] = places.start[op] + over;
      if (first < 0 || at[op] < first) first = at[op];
    }
    return first;
  }

  /** Minutes of all changes, each with what any change costs. */
  #setups(): number {
    const { machines, stateOf, windowState } = this.#problem;
    const { lists, places } = this.timetable;
    let cost = 0;
    for (const { windowFrom, windowTo, states, setupMin, changeFixed } of machines)
      for (let w = windowFrom; w < windowTo; w++) {
        let state = windowState[w];
        for (const op of lists[w]) {
          const next = stateOf[places.mode[op]];
          const minutes = setupMin[state * states + next];
          if (minutes > 0) cost += minutes + changeFixed;
          state = next;
        }
      }
    return cost;
  }
}

/** Of no plan, not even an empty one. */
const NOT_KEPT = -1;
const SPOILT = -2;
/** Weight of the mean end: so that what waits for nobody does not rot at the end. */
const EARLIER = 0.01;

/** Blocks in the order they were placed, and how. */
interface Row {
  length: number;
  order: Int32Array;
  modes: Int8Array;
  early: Uint8Array;
  why: Uint8Array;
  places: Places;
  /** Energy after so many blocks; the last with the changes of machines. */
  energies: Float64Array;
}

const newRow = (problem: Problem, blocks: Blocks): Row => ({
  length: 0,
  order: new Int32Array(blocks.ops.length),
  modes: new Int8Array(problem.n),
  early: new Uint8Array(problem.n),
  why: new Uint8Array(problem.n),
  places: noPlaces(problem),
  energies: new Float64Array(blocks.ops.length + 1),
});

/** Latest ends with which what is given later can stand; beyond any horizon where nothing given comes later. */
function untilOf({ n, lagsOut, lagsIn, isGiven, shortest }: Problem, places: Places): Int32Array {
  const until = new Int32Array(n).fill(NO_END);
  const left = Int32Array.from(lagsOut, (lags) => lags.length);
  const ready = [...left.keys()].filter((i) => left[i] === 0);
  for (const i of ready) {
    for (const { to, min } of lagsOut[i]) {
      const start = isGiven[to] ? places.start[to] : until[to] === NO_END ? NO_END : until[to] - shortest[to];
      if (start !== NO_END) until[i] = Math.min(until[i], start - min);
    }
    for (const { from } of lagsIn[i]) if (--left[from] === 0) ready.push(from);
  }
  return until;
}
const NO_END = 2 ** 30;

/** Blocks that have begun, or that must be over for something given: they go before all others. */
const firstBlocks = ({ lagsIn, isFixed }: Problem, { ops }: Blocks, until: Int32Array): Uint8Array =>
  Uint8Array.from(ops, (members) =>
    members.some((op) => until[op] < NO_END || lagsIn[op].some(({ from, max }) => max >= 0 && isFixed[from]))
      ? 1
      : 0,
  );
