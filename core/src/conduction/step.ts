import { outerWater, readTemperatures, waterOf } from './activeStack.ts';
import type { ActiveStack, Span } from './activeStack.ts';
import { WATER_CP, vaporisationJKg } from './physics.ts';
import type { Stepping } from './problem.ts';

/** Of the two-stage, stiffly accurate, L-stable SDIRK scheme of second order (Alexander, 1977). */
const GAMMA = 1 - Math.SQRT1_2;
const MOST_ITERATIONS = 60;
/** A free surface is near enough to straight within this change of its cell, K. */
const STRAIGHT_K = 0.02;
/** A change that is rounding only, J/m²: a cell right at a kink of T(E) may go on jumping from side to side of it. */
const ROUNDING_JM2 = 1e-7;

/** What a stage found, per second. */
interface Rates {
  suppliedWM2: number;
  topVapour: number;
  bottomVapour: number;
}

/** Takes one stack through time; its buffers are made once. */
export class Stepper {
  /** Heat that came in so far, J/m², and what left with vapour. */
  suppliedJM2 = 0;
  vapourJM2 = 0;
  private readonly start: Float64Array;
  private readonly base: Float64Array;
  private readonly rate: Float64Array;
  private readonly upper: Float64Array;
  private readonly change: Float64Array;
  private readonly first: Rates = { suppliedWM2: 0, topVapour: 0, bottomVapour: 0 };
  private readonly second: Rates = { suppliedWM2: 0, topVapour: 0, bottomVapour: 0 };

  constructor(
    readonly stack: ActiveStack,
    private readonly method: Stepping['method'],
  ) {
    const { n } = stack;
    this.start = new Float64Array(n);
    this.base = new Float64Array(n);
    this.rate = new Float64Array(n);
    this.upper = new Float64Array(n);
    this.change = new Float64Array(n);
    readTemperatures(stack);
  }

  /** One step of `dt` seconds: E₁ = E₀ + γ dt F(E₁); E₂ = E₀ + (1−γ) dt F(E₁) + γ dt F(E₂). */
  advance(dt: number): void {
    const { stack, start, base, rate, first, second } = this;
    const { n, enthalpy } = stack;
    const isSingle = this.method === 'backward-euler';
    const h = isSingle ? dt : GAMMA * dt;
    start.set(enthalpy);
    base.set(enthalpy);
    for (let i = 0; i < n; i++) enthalpy[i] += h * rate[i];
    this.solveStage(h, first);
    if (!isSingle) {
      for (let i = 0; i < n; i++) {
        const gained = (enthalpy[i] - start[i]) / GAMMA;
        base[i] = start[i] + (1 - GAMMA) * gained;
        enthalpy[i] = start[i] + gained;
      }
      this.solveStage(h, second);
    }
    for (let i = 0; i < n; i++) rate[i] = (enthalpy[i] - start[i]) / dt;
    const early = isSingle ? dt : (1 - GAMMA) * dt;
    const late = isSingle ? 0 : GAMMA * dt;
    this.suppliedJM2 += early * first.suppliedWM2 + late * second.suppliedWM2;
    if (!stack.isWet) return;
    this.boilOff();
    this.evaporate(stack.spans[0], early * first.topVapour + late * second.topVapour);
    this.evaporate(
      stack.spans[stack.spans.length - 1],
      early * first.bottomVapour + late * second.bottomVapour,
    );
    readTemperatures(stack);
    stack.isWet = stack.water.some((w) => w > 0);
  }

  /** Solves E = base + h F(E) by Newton's method on E. Leaves E, T and the boundaries' crossings of the solution. */
  private solveStage(h: number, rates: Rates): void {
    const { stack, change } = this;
    const { n, enthalpy, slope } = stack;
    readTemperatures(stack);
    for (let iteration = 0; iteration < MOST_ITERATIONS; iteration++) {
      const linear = this.newtonStep(h);
      const moved = Math.max(Math.abs(change[0] * slope[0]), Math.abs(change[n - 1] * slope[n - 1]));
      let most = 0;
      for (let i = 0; i < n; i++) {
        most = Math.max(most, Math.abs(change[i]));
        enthalpy[i] += change[i];
      }
      const hasChanged = readTemperatures(stack);
      rates.suppliedWM2 = linear;
      const isSolved = (!hasChanged && moved < STRAIGHT_K) || most < ROUNDING_JM2;
      if (isSolved) break;
    }
    rates.topVapour = stack.topCrossing.vapour;
    rates.bottomVapour = stack.bottomCrossing.vapour;
  }

  /**
   * Solves the linearised stage for `change` (Thomas algorithm; the matrix is diagonally dominant by columns, and stays
   * regular where dT/dE is 0).
   *
   * @returns heat supplied from outside after that change, W/m²
   */
  private newtonStep(h: number): number {
    const { stack, base, upper, change } = this;
    const { n, enthalpy, tempC, slope, conductance, half, topCrossing, bottomCrossing } = stack;
    stack.top(tempC[0], half[0], outerWater(stack, stack.spans[0]), topCrossing);
    stack.bottom(
      tempC[n - 1],
      half[n - 1],
      outerWater(stack, stack.spans[stack.spans.length - 1]),
      bottomCrossing,
    );
    const sources = this.sources();
    let above = 0; // conducted into cell i from above
    for (let i = 0; i < n; i++) {
      const below = i < n - 1 ? conductance[i] * (tempC[i] - tempC[i + 1]) : 0;
      let inflow = above - below;
      let own = (i > 0 ? conductance[i - 1] : 0) + (i < n - 1 ? conductance[i] : 0);
      if (i === 0) {
        inflow += topCrossing.flux;
        own -= topCrossing.slope;
      }
      if (i === n - 1) {
        inflow += bottomCrossing.flux;
        own -= bottomCrossing.slope;
      }
      if (sources !== null) {
        inflow += sources.power[i];
        own -= sources.slope[i];
      }
      const lower = i > 0 ? -h * conductance[i - 1] * slope[i - 1] : 0;
      const right = base[i] + h * inflow - enthalpy[i];
      const beta = 1 + h * own * slope[i] - (i > 0 ? lower * upper[i - 1] : 0);
      upper[i] = i < n - 1 ? (-h * conductance[i] * slope[i + 1]) / beta : 0;
      change[i] = (right - (i > 0 ? lower * change[i - 1] : 0)) / beta;
      above = below;
    }
    for (let i = n - 2; i >= 0; i--) change[i] -= upper[i] * change[i + 1];
    const last = n - 1;
    let supplied =
      topCrossing.flux +
      topCrossing.slope * slope[0] * change[0] +
      bottomCrossing.flux +
      bottomCrossing.slope * slope[last] * change[last];
    if (sources !== null)
      for (const { at } of stack.lumped)
        supplied += sources.power[at] + sources.slope[at] * slope[at] * change[at];
    return supplied;
  }

  /** Heaters and losses of lumped layers; `null` where there are none. */
  private sources(): { power: Float64Array; slope: Float64Array } | null {
    const { lumped, n, tempC } = this.stack;
    if (lumped.length === 0) return null;
    const power = new Float64Array(n);
    const slope = new Float64Array(n);
    for (const { at, layer } of lumped) {
      const { heater, loss } = layer;
      if (heater !== null) {
        const wanted = heater.atSetWM2 + heater.gainWM2K * (heater.setC - tempC[at]);
        power[at] += Math.min(heater.mostWM2, Math.max(0, wanted));
        if (wanted > 0 && wanted < heater.mostWM2) slope[at] -= heater.gainWM2K;
      }
      if (loss !== null) {
        power[at] += loss.hWM2K * (loss.ambientC - tempC[at]);
        slope[at] -= loss.hWM2K;
      }
    }
    return { power, slope };
  }

  /** Takes the water out that the step has boiled; it leaves with the enthalpy of steam at the boiling point. */
  private boilOff(): void {
    const { n, capacity, water, enthalpy, boilC } = this.stack;
    const latent = vaporisationJKg(boilC);
    const leaves = WATER_CP * boilC + latent;
    for (let i = 0; i < n; i++) {
      if (water[i] <= 0) continue;
      const above = enthalpy[i] - (capacity[i] + water[i] * WATER_CP) * boilC;
      if (above <= 0) continue;
      const mass = Math.min(water[i], above / latent);
      water[i] = mass === water[i] ? 0 : water[i] - mass;
      enthalpy[i] -= mass * leaves;
      this.vapourJM2 += mass * leaves;
    }
  }

  /** Takes evaporated water out of all cells of the outermost layer alike: capillary supply keeps the surface wet. */
  private evaporate({ from, to }: Span, massKgM2: number): void {
    const { water, enthalpy, tempC } = this.stack;
    const held = waterOf({ from, to }, water);
    if (massKgM2 <= 0 || held <= 0) return;
    const share = Math.min(1, massKgM2 / held);
    for (let i = from; i < to; i++) {
      const mass = water[i] * share;
      water[i] = share === 1 ? 0 : water[i] - mass;
      enthalpy[i] -= mass * WATER_CP * tempC[i];
      this.vapourJM2 += mass * WATER_CP * tempC[i];
    }
  }
}
