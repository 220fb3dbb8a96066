import { seededRandom } from '../work/index.ts';
import { blocksOf } from './blocks.ts';
import type { Blocks } from './blocks.ts';
import { earliestThrough } from './earliest.ts';
import type { Earliest } from './earliest.ts';
import { checkPlan } from './checkPlan.ts';
import { Decoder } from './decoder.ts';
import { copyGenes, newGenes } from './genes.ts';
import type { Genes } from './genes.ts';
import type { PlannedOp } from './instance.ts';
import { lateCost } from './lateness.ts';
import { moveOps, moveOrders } from './moves.ts';
import type { Ground } from './moves.ts';
import type { Problem } from './problem.ts';
import { readPlan } from './readPlan.ts';
import type { Plan } from './readPlan.ts';
import {
  dealtOrders,
  genesOfPlan,
  genesOfPlanned,
  orderGround,
  startingOrders,
  writeOrderGenes,
} from './starts.ts';
import type { OrderGround, OrderKeys } from './starts.ts';
import { stagesOf } from './stages.ts';
import type { Stage } from './stages.ts';

export interface SearchWishes {
  seed: number;
  /** What a minute costs by which what was planned before is moved, in the energy's unit. */
  movedCost: number;
  /** A plan to begin with: where it holds, nothing worse is given. */
  from?: readonly PlannedOp[];
}

/** Keeps what begins at the same time in the order it has, min. */
const TIE = 1e-6;

/**
 * A search for the best plan, one try a step: first plans by due date, then simulated annealing over the sequence of
 * orders, then over single operations (Kirkpatrick, Gelatt & Vecchi 1983). It never forgets the best it had.
 */
export class PlanSearch {
  readonly #problem: Problem;
  readonly #random: () => number;
  readonly #blocks: Blocks;
  readonly #decoder: Decoder;
  readonly #orderGround: OrderGround;
  readonly #starts: Iterator<Genes | OrderKeys>;
  readonly #stages: readonly Stage[];
  readonly #now: Genes;
  readonly #trial: Genes;
  readonly #bestGenes: Genes;
  readonly #ground: Ground & { late: number[] };
  /** −1 while first plans are tried. */
  #stage = -1;
  #orders: OrderKeys;
  #energy = Infinity;
  #best: Plan | null = null;
  #byDueDate: Plan | null = null;
  #tried = 0;
  #idle = 0;
  #isToRead = false;

  /** @param earliest of this very problem, see `earliestTimes` */
  constructor(problem: Problem, earliest: Earliest, { seed, movedCost, from }: SearchWishes) {
    this.#problem = problem;
    this.#random = seededRandom(seed);
    this.#blocks = blocksOf(problem);
    this.#decoder = new Decoder(problem, this.#blocks, earliestThrough(problem, earliest), movedCost);
    this.#orderGround = orderGround(problem, this.#blocks);
    this.#stages = stagesOf(problem.n);
    this.#now = newGenes(this.#blocks);
    this.#trial = newGenes(this.#blocks);
    this.#bestGenes = newGenes(this.#blocks);
    this.#orders = dealtOrders(problem, this.#random);
    const choosable = [...Array(problem.n).keys()].filter(
      (op) => !problem.isGiven[op] && problem.modeFrom[op + 1] > problem.modeFrom[op] + 1,
    );
    this.#ground = {
      problem,
      choosable,
      blocks: this.#blocks,
      random: this.#random,
      places: this.#decoder.kept,
      late: [],
    };
    this.#starts = this.#allStarts(from);
    const known = from === undefined ? null : checkPlan(problem, from);
    if (from === undefined || known === null || known.breaches.length > 0) return;
    this.#best = { ops: from, score: known.score, leftOut: [] };
    copyGenes(genesOfPlan(problem, this.#blocks, from), this.#bestGenes);
  }

  /** The best plan so far. @throws RangeError before the first step */
  get best(): Plan {
    if (this.#best === null) throw new RangeError('No plan was tried yet.');
    return this.#best;
  }

  /** What earliest due date alone comes to. @throws RangeError before it was tried, among the first three */
  get byDueDate(): Plan {
    if (this.#byDueDate === null) throw new RangeError('Earliest due date was not tried yet.');
    return this.#byDueDate;
  }

  /** Plans tried so far. */
  get tried(): number {
    return this.#tried;
  }

  /** Tries one more plan. @param share of the time that is over, 0–1; where it falls, the search begins again */
  step(share: number): void {
    this.#tried++;
    if (this.#stage < 0 && this.#tryStart()) return;
    if (this.#blocks.ops.length === 0) return; // all has begun: there is nothing to decide
    const stages = this.#stages;
    let stage = 0;
    while (stage < stages.length - 1 && share >= stages[stage].until) stage++;
    const { moves, from, until, heat, cooled } = stages[stage];
    if (stage !== this.#stage) {
      this.#stage = stage;
      this.#begin(from);
    }
    const since = stage === 0 ? 0 : stages[stage - 1].until;
    const local = Math.min(1, Math.max(0, (share - since) / (until - since)));
    const limit = this.#limit(heat * cooled ** local * this.#energy);
    if (moves === 'orders') this.#tryOrders(limit);
    else this.#tryOps(limit);
  }

  *#allStarts(from?: readonly PlannedOp[]): Generator<Genes | OrderKeys> {
    if (from !== undefined) yield genesOfPlan(this.#problem, this.#blocks, from);
    if (this.#problem.planned.some((start) => start >= 0)) yield genesOfPlanned(this.#problem, this.#blocks);
    yield* startingOrders(this.#problem);
  }

  /** @returns whether there was one left to try */
  #tryStart(): boolean {
    const next = this.#starts.next();
    if (next.done === true) return false;
    const start = next.value;
    if ('offsets' in start) writeOrderGenes(this.#orderGround, start, this.#trial);
    else copyGenes(start, this.#trial);
    const energy = this.#decoder.decode(this.#trial);
    if ('offsets' in start) this.#byDueDate ??= readPlan(this.#problem, this.#decoder);
    if (energy < this.#energy) this.#accept(energy);
    return true;
  }

  #begin(from: Stage['from']): void {
    this.#idle = 0;
    this.#isToRead = true;
    if (from === 'now') return;
    if (from === 'anew') {
      this.#orders = dealtOrders(this.#problem, this.#random);
      writeOrderGenes(this.#orderGround, this.#orders, this.#trial);
    } else copyGenes(this.#bestGenes, this.#trial);
    this.#accept(this.#decoder.decode(this.#trial));
  }

  #tryOrders(limit: number): void {
    const { offsets, ahead, thrifty } = this.#orders;
    const trial = { offsets: offsets.slice(), ahead, thrifty: thrifty.slice() };
    moveOrders(trial, this.#ground);
    writeOrderGenes(this.#orderGround, trial, this.#trial);
    const energy = this.#decoder.decode(this.#trial, limit);
    if (energy === Infinity) return;
    this.#orders = trial;
    this.#accept(energy);
  }

  #tryOps(limit: number): void {
    if (this.#idle++ > 3000 + 2 * this.#problem.n) this.#begin('best');
    copyGenes(this.#now, this.#trial);
    if (this.#isToRead) {
      this.#readKeys();
      copyGenes(this.#trial, this.#now);
      this.#isToRead = false;
    }
    moveOps(this.#trial, this.#ground);
    const energy = this.#decoder.decode(this.#trial, limit);
    if (energy === Infinity) return;
    if (energy < this.#energy) this.#isToRead = this.#random() < 0.3;
    this.#accept(energy);
  }

  /**
   * Gives the blocks, in the very order they have, the times at which blocks begin now: the plan is the same, and a step
   * of so many minutes goes past about what lies within so many minutes.
   */
  #readKeys(): void {
    const { ops } = this.#blocks;
    const { start, setup } = this.#decoder.kept;
    const begins = Float64Array.from(ops, (members) =>
      members.reduce((first, op) => Math.min(first, setup[op] < 0 ? start[op] : setup[op]), Infinity),
    ).sort();
    for (const [at, block] of this.#decoder.keptOrder.entries())
      this.#trial.keys[block] = begins[at] + at * TIE;
  }

  /** The worst energy that is taken now (Metropolis). */
  #limit(heat: number): number {
    return this.#energy - heat * Math.log(1 - this.#random());
  }

  #accept(energy: number): void {
    copyGenes(this.#trial, this.#now);
    this.#energy = energy;
    const isAsKept = this.#decoder.isAsKept;
    this.#decoder.keep();
    if (isAsKept) return;
    this.#noteLate();
    if (!this.#isBest()) return;
    this.#best = readPlan(this.#problem, this.#decoder);
    copyGenes(this.#trial, this.#bestGenes);
    this.#idle = 0;
  }

  #noteLate(): void {
    const { late } = this.#ground;
    const { end } = this.#decoder.kept;
    late.length = 0;
    for (const [order, ops] of this.#problem.opsOf.entries()) {
      let through = 0;
      for (const op of ops) if (end[op] > through) through = end[op];
      if (lateCost(this.#problem, order, through) > 0) late.push(order);
    }
  }

  #isBest(): boolean {
    if (this.#best === null) return true;
    const { leftOut, score } = this.#best;
    const own = this.#decoder.score;
    return (
      (this.#decoder.leftOut - leftOut.length ||
        own.lateness - score.lateness ||
        own.finish - score.finish ||
        own.setup - score.setup ||
        own.moved - score.moved) < 0
    );
  }
}
