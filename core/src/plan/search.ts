import { seededRandom } from '../work/index.ts';
import { blocksOf, ranksOf } from './blocks.ts';
import { earliestThrough } from './bounds.ts';
import { Decoder } from './decoder.ts';
import { copyGenes, newGenes } from './genes.ts';
import type { Genes } from './genes.ts';
import { lateCost } from './lateness.ts';
import { moveOps, moveOrders } from './moves.ts';
import type { Ground } from './moves.ts';
import type { Problem } from './problem.ts';
import { readPlan } from './readPlan.ts';
import type { Plan } from './readPlan.ts';
import { genesOfPlanned, startingOrders, waysToEnd, writeOrderKeys } from './starts.ts';
import type { OrderKeys } from './starts.ts';

/** From so many operations on the sequence of orders is sought first: it matters far more than any single one. */
const MANY_OPS = 40;
/** Share of the time that goes to the sequence of orders where there are many operations. */
const ORDER_SHARE = 0.4;
/** Times the search for operations cools down and begins anew at the best. */
const REHEATS = 3;
/** First temperature as a share of the energy: small instances need larger steps up. */
const HEAT = { orders: 0.003, few: 0.02, some: 0.01, many: 0.002 };
/** What is left of it at the end. */
const COOLED = { orders: 0.01, ops: 0.002 };

/**
 * A search for the best plan, one try a step: first plans by due date, then simulated annealing over the sequence of
 * orders, then over single operations (Kirkpatrick, Gelatt & Vecchi 1983). It never forgets the best it had.
 */
export class PlanSearch {
  readonly #problem: Problem;
  readonly #random: () => number;
  readonly #decoder: Decoder;
  readonly #ways: Float64Array;
  readonly #starts: Iterator<Genes | OrderKeys>;
  readonly #now: Genes;
  readonly #trial: Genes;
  readonly #bestGenes: Genes;
  readonly #ground: Ground & { late: number[] };
  #orders: OrderKeys;
  #bestOrders: OrderKeys;
  #orderEnergy = Infinity;
  #energy = Infinity;
  #best: Plan | null = null;
  #stage: 'starts' | 'orders' | 'ops' = 'starts';
  #round = -1;
  #tried = 0;
  #idle = 0;
  #isToRead = false;

  /** @param movedCost of a minute by which what was planned before is moved */
  constructor(problem: Problem, { seed, movedCost }: { seed: number; movedCost: number }) {
    this.#problem = problem;
    this.#random = seededRandom(seed);
    const blocks = blocksOf(problem);
    this.#decoder = new Decoder(problem, blocks, earliestThrough(problem), movedCost);
    this.#ways = waysToEnd(problem, ranksOf(problem));
    this.#now = newGenes(problem);
    this.#trial = newGenes(problem);
    this.#bestGenes = newGenes(problem);
    this.#orders = { offsets: new Float64Array(problem.due.length), ahead: 1 };
    this.#bestOrders = this.#orders;
    this.#ground = { problem, random: this.#random, places: this.#decoder.kept, late: [] };
    this.#starts = this.#allStarts();
  }

  /** The best plan so far; `null` before the first step. */
  get best(): Plan | null {
    return this.#best;
  }

  /** Plans tried so far. */
  get tried(): number {
    return this.#tried;
  }

  /** Tries one more plan. @param share of the time that is over, 0–1 */
  step(share: number): void {
    this.#tried++;
    if (this.#stage === 'starts' && this.#tryStart()) return;
    const hasOrders = this.#problem.n > MANY_OPS && this.#orderEnergy < Infinity;
    const split = hasOrders ? ORDER_SHARE : 0;
    if (share < split) this.#tryOrders(share / split);
    else this.#tryOps(Math.min(1, (share - split) / (1 - split)));
  }

  *#allStarts(): Generator<Genes | OrderKeys> {
    const { problem } = this.#ground;
    if (problem.planned.some((start) => start >= 0)) yield genesOfPlanned(problem);
    yield* startingOrders(problem);
  }

  /** @returns whether there was one left to try */
  #tryStart(): boolean {
    const next = this.#starts.next();
    if (next.done === true) {
      this.#stage = 'orders';
      return false;
    }
    const start = next.value;
    const isOrders = 'offsets' in start;
    if (isOrders) writeOrderKeys(this.#problem, this.#ways, start, this.#trial);
    else copyGenes(start, this.#trial);
    const energy = this.#decoder.decode(this.#trial);
    if (isOrders && energy < this.#orderEnergy) {
      this.#orderEnergy = energy;
      this.#orders = { offsets: start.offsets.slice(), ahead: start.ahead };
      this.#bestOrders = this.#orders;
    }
    if (energy < this.#energy) this.#accept(energy);
    return true;
  }

  #tryOrders(share: number): void {
    const heat = HEAT.orders * COOLED.orders ** share * this.#orderEnergy;
    const trial = { offsets: this.#orders.offsets.slice(), ahead: this.#orders.ahead };
    moveOrders(trial, this.#ground);
    writeOrderKeys(this.#problem, this.#ways, trial, this.#trial);
    this.#trial.modes.fill(-1);
    this.#trial.early.fill(0);
    const energy = this.#decoder.decode(this.#trial, this.#limit(this.#orderEnergy, heat));
    if (energy === Infinity) return;
    this.#orderEnergy = energy;
    this.#orders = trial;
    this.#accept(energy);
  }

  #tryOps(share: number): void {
    const { n } = this.#problem;
    const round = Math.min(REHEATS - 1, Math.floor(share * REHEATS));
    if (round !== this.#round || this.#stage !== 'ops' || this.#idle > 3000 + 2 * n) this.#backToBest(round);
    const first = n <= MANY_OPS ? HEAT.few : n <= 300 ? HEAT.some : HEAT.many;
    const heat = first * COOLED.ops ** (share * REHEATS - round) * this.#energy;
    copyGenes(this.#now, this.#trial);
    if (this.#isToRead) this.#readKeys();
    else moveOps(this.#trial, this.#ground);
    this.#isToRead = false;
    const energy = this.#decoder.decode(this.#trial, this.#limit(this.#energy, heat));
    this.#idle++;
    if (energy === Infinity) return;
    if (energy < this.#energy) this.#isToRead = this.#random() < 0.3;
    this.#accept(energy);
  }

  /** Keys as the starts of what lies now: the same order, and room to move in minutes. */
  #readKeys(): void {
    const { keys } = this.#trial;
    const { start } = this.#decoder.kept;
    for (let op = 0; op < keys.length; op++) keys[op] = start[op];
  }

  #backToBest(round: number): void {
    this.#stage = 'ops';
    this.#round = round;
    this.#idle = 0;
    copyGenes(this.#bestGenes, this.#trial);
    this.#accept(this.#decoder.decode(this.#trial));
    this.#isToRead = true;
  }

  /** The worst energy that is taken now (Metropolis). */
  #limit(energy: number, heat: number): number {
    return energy - heat * Math.log(1 - this.#random());
  }

  #accept(energy: number): void {
    copyGenes(this.#trial, this.#now);
    this.#energy = energy;
    this.#decoder.keep();
    this.#noteLate();
    if (!this.#isBest()) return;
    this.#best = readPlan(this.#problem, this.#decoder);
    copyGenes(this.#trial, this.#bestGenes);
    this.#bestOrders = this.#orders;
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
