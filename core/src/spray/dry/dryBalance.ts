import {
  WATER_CP,
  airKWMK,
  boilingC,
  SIGMA,
  evaporationKgM2S,
  fourthPowerK,
  squaresViewFactor,
  vaporisationJKg,
} from '../../conduction/index.ts';
import { CLOTH_FACTS } from '../cloth.ts';
import { evaporationH, naturalH, openHeat } from '../evaporation.ts';
import { DRY_COVERS } from './dryProblem.ts';
import type { DryFactors, DryPhase, DryProblem } from './dryProblem.ts';

const CELLS = 4;
const LOFTED = { factor: 1.4, kWMK: 0.06 }; // cloth that nothing presses
const PAD = { thicknessM: [0.001, 0.002, 0.003, 0.003], kWMK: 0.09, capacityJM3K: 562_500, baseC: 30 };
const BASE_R = 0.0015 / PAD.kWMK + 1 / 300;
const BENCH_R = 1 / 30 + 0.02 / 0.15 + 1 / 8;
const HOVER = { sideM: 0.38, emissivity: 0.9, shieldM: 0.02, evaporationH: 6 };
const LONGEST_PRESSED_S = 0.005;
const LONGEST_OPEN_S = 0.05;
const STABLE_SHARE = 0.2; // of a cell's own time constant: well inside what an explicit step bears
const AIR_EXCHANGE_H = 350; // W/m²K, ten times what a wet face exchanges: steps in air that follow it closely

/** Cloth and pad at a moment; kg/m², J/m². */
export interface DryState {
  enthalpy: Float64Array;
  water: Float64Array;
  padC: Float64Array;
}

/** Whoever looks on: called after every step. */
export type OnStep = (timeS: number, stepS: number, waterKgM2: number, meanC: number) => void;

/** What crosses a face: heat, W/m², and water, kg/m²s. */
interface Face {
  heat: number;
  vapour: number;
}

/**
 * Heat and water of a wet cloth in four cells over a coarse pad, in explicit steps: the heat-press model cut down to what drying needs.
 * Vapour leaves all cells in proportion to their water; what boils leaves at once, and in a closed press only that.
 */
export class DryBalance {
  private readonly problem: Omit<DryProblem, 'phases'>;
  private readonly factors: DryFactors;
  private readonly capacity: number;
  private readonly thicknessM: number;
  private readonly boundKgM2: number;
  private readonly state: DryState;
  private readonly tempC = new Float64Array(CELLS);
  private readonly gain = new Float64Array(CELLS);
  private readonly ends = new Float64Array(CELLS);
  private readonly ratio = new Float64Array(CELLS);
  private readonly face: Face = { heat: 0, vapour: 0 };
  private timeS = 0;
  private totalWater = 0;
  private totalC = 0;

  constructor(problem: Omit<DryProblem, 'phases'>, factors: DryFactors) {
    const { cloth, clothGm2, startC, padC } = problem;
    const { densityKgM3, specificHeatJKgK } = CLOTH_FACTS[cloth];
    this.problem = problem;
    this.factors = factors;
    this.thicknessM = clothGm2 / 1000 / densityKgM3;
    this.capacity = ((clothGm2 / 1000) * specificHeatJKgK) / CELLS;
    this.boundKgM2 = boundGm2(problem) / 1000;
    const water = waterStartGm2(problem) / 1000 / CELLS;
    this.state = {
      water: new Float64Array(CELLS).fill(water),
      enthalpy: new Float64Array(CELLS).fill((this.capacity + WATER_CP * water) * startC),
      padC: new Float64Array(PAD.thicknessM.length).fill(padC),
    };
    this.readTemperatures(100);
  }

  /** On the cloth, kg/m². */
  get waterKgM2(): number {
    return this.totalWater;
  }

  /** Of the cloth, °C. */
  get meanC(): number {
    return this.totalC / CELLS;
  }

  /** Goes through one phase. */
  run(phase: DryPhase, onStep: OnStep): void {
    const { kWMK } = CLOTH_FACTS[this.problem.cloth];
    const isPressed = phase.kind === 'press';
    const cellR = isPressed
      ? this.thicknessM / kWMK / CELLS
      : (LOFTED.factor * this.thicknessM) / LOFTED.kWMK / CELLS;
    const boilC = isPressed ? boilingC(101.325 + 0.5 * phase.kPa) : 100;
    const isSlow = phase.kind === 'air';
    // minutes in air: conduction by an implicit step, so that only what the faces exchange limits it
    const longest = isSlow
      ? this.capacity / AIR_EXCHANGE_H
      : Math.min(isPressed ? LONGEST_PRESSED_S : LONGEST_OPEN_S, STABLE_SHARE * this.capacity * cellR);
    const steps = Math.max(1, Math.ceil(phase.s / longest));
    const stepS = phase.s / steps;
    const top = this.topOf(phase, cellR);
    const below = this.belowOf(phase, cellR);
    for (let i = 0; i < steps; i++) {
      this.step(stepS, { cellR, boilC, top, below, isSlow });
      this.timeS += stepS;
      onStep(this.timeS, stepS, this.totalWater, this.totalC / CELLS);
    }
  }

  private step(
    stepS: number,
    how: {
      cellR: number;
      boilC: number;
      top: (out: Face) => void;
      below: (stepS: number, out: Face) => void;
      isSlow: boolean;
    },
  ): void {
    const { enthalpy, water } = this.state;
    const { tempC, gain, face } = this;
    how.top(face);
    let vapour = face.vapour;
    gain.fill(0);
    gain[0] += face.heat;
    how.below(stepS, face);
    vapour += face.vapour;
    gain[CELLS - 1] += face.heat;
    if (how.isSlow) this.conductFar(stepS, how.cellR);
    else
      for (let i = 0; i + 1 < CELLS; i++) {
        const flux = (tempC[i] - tempC[i + 1]) / how.cellR;
        gain[i] -= flux;
        gain[i + 1] += flux;
      }
    const total = this.totalWater;
    const left = total > 0 ? Math.max(0, 1 - (vapour * stepS) / total) : 0;
    for (let i = 0; i < CELLS; i++) {
      const kept = water[i] * left;
      enthalpy[i] = enthalpy[i] + gain[i] * stepS - WATER_CP * tempC[i] * (water[i] - kept);
      water[i] = kept;
    }
    this.readTemperatures(how.boilC);
  }

  /** Adds to the cells' gains what they pass on by the temperatures at the step's end (Thomas algorithm). */
  private conductFar(stepS: number, cellR: number): void {
    const { gain, tempC, ends, ratio } = this;
    const passes = stepS / cellR;
    for (let i = 0; i < CELLS; i++) {
      const heat = this.capacity + WATER_CP * this.state.water[i];
      const own = heat + passes * (i === 0 || i === CELLS - 1 ? 1 : 2);
      const before = i === 0 ? 0 : passes;
      const pivot = own - before * (i === 0 ? 0 : ratio[i - 1]);
      ratio[i] = passes / pivot;
      ends[i] = (heat * tempC[i] + gain[i] * stepS + before * (i === 0 ? 0 : ends[i - 1])) / pivot;
    }
    for (let i = CELLS - 2; i >= 0; i--) ends[i] += ratio[i] * ends[i + 1];
    for (let i = 0; i + 1 < CELLS; i++) {
      const flux = (ends[i] - ends[i + 1]) / cellR;
      gain[i] -= flux;
      gain[i + 1] += flux;
    }
  }

  /** Temperatures from enthalpy; what is above the plateau boils off. */
  private readTemperatures(boilC: number): void {
    const { enthalpy, water } = this.state;
    const latent = vaporisationJKg(boilC);
    this.totalWater = 0;
    this.totalC = 0;
    for (let i = 0; i < CELLS; i++) {
      const over = enthalpy[i] - (this.capacity + WATER_CP * water[i]) * boilC;
      if (over > 0 && water[i] > 0) {
        const boiled = Math.min(water[i], over / latent);
        enthalpy[i] = enthalpy[i] - boiled * (WATER_CP * boilC + latent);
        water[i] = water[i] - boiled;
      }
      this.tempC[i] = enthalpy[i] / (this.capacity + WATER_CP * water[i]);
      this.totalWater += water[i];
      this.totalC += this.tempC[i];
    }
  }

  private topOf(phase: DryPhase, cellR: number): (out: Face) => void {
    const { tempC } = this;
    if (phase.kind === 'press') {
      const f = pressing(phase.kPa);
      const cover = DRY_COVERS[phase.cover];
      const contact = (cover > 0 ? 1 / (750 * f) + cover : 0) + 1 / (700 * f);
      const conductance = 1 / (contact / this.factors.contact + cellR / 2);
      return (out) => {
        out.heat = (phase.plateC - tempC[0]) * conductance;
        out.vapour = 0;
      };
    }
    if (phase.kind === 'hover') return this.hovering(phase);
    return this.openFace(0, phase.airMPerS);
  }

  private belowOf(phase: DryPhase, cellR: number): (stepS: number, out: Face) => void {
    const { tempC } = this;
    if (phase.kind !== 'air') {
      const contactH = phase.kind === 'press' ? 350 * pressing(phase.kPa) : 130;
      const conductance = 1 / (cellR / 2 + 1 / contactH + PAD.thicknessM[0] / 2 / PAD.kWMK);
      return (stepS, out) => {
        out.heat = this.stepPad(stepS, conductance);
        out.vapour = 0;
      };
    }
    if (phase.sides === 2) {
      const face = this.openFace(CELLS - 1, phase.airMPerS);
      return (_stepS, out) => face(out);
    }
    return (_stepS, out) => {
      out.heat = phase.bench ? (this.problem.room.tempC - tempC[CELLS - 1]) / BENCH_R : 0;
      out.vapour = 0;
    };
  }

  /** An open face in the room's air. */
  private openFace(cell: number, airMPerS: number): (out: Face) => void {
    const { tempC, factors } = this;
    const room = { ...this.problem.room, airMPerS };
    const exchange = { hWM2K: factors.open * evaporationH(room), relativeHumidity: room.rh };
    return (out) => {
      const surfaceC = tempC[cell];
      out.vapour = this.vapourAt(surfaceC, exchange);
      out.heat = openHeat(surfaceC, room, factors.open) - vaporisationJKg(surfaceC) * out.vapour;
    };
  }

  private vapourAt(surfaceC: number, exchange: { hWM2K: number; relativeHumidity: number }): number {
    const water = this.totalWater;
    if (water <= 0) return 0;
    const wetness = Math.min(1, water / this.boundKgM2);
    // cloth that takes up water again in the room is not followed: it rests at what the room gives
    return Math.max(0, evaporationKgM2S(surfaceC, this.problem.room.tempC, exchange, wetness));
  }

  /** Under a plate that does not touch: grey plates in view, still air in the gap, the room's air as far as it reaches in. */
  private hovering({ plateC, gapMm }: Extract<DryPhase, { kind: 'hover' }>): (out: Face) => void {
    const { tempC, factors } = this;
    const { tempC: roomC, rh } = this.problem.room;
    const { sideM, emissivity, shieldM, evaporationH: hWM2K } = HOVER;
    const gapM = gapMm / 1000;
    const view = squaresViewFactor(sideM / gapM);
    const between = 1 / (2 / emissivity - 1);
    const shielded = 1 / (1 + (gapM / shieldM) ** 4);
    const exchange = { hWM2K, relativeHumidity: rh };
    const [plate4, room4] = [fourthPowerK(plateC), fourthPowerK(roomC)];
    return (out) => {
      const ts = tempC[0];
      const ts4 = fourthPowerK(ts);
      const fromPlate =
        view * between * SIGMA * (plate4 - ts4) +
        ((shielded * airKWMK((plateC + ts) / 2)) / gapM) * (plateC - ts);
      const fromRoom =
        (1 - view) * emissivity * SIGMA * (room4 - ts4) +
        (1 - shielded) * naturalH(ts, roomC, sideM) * (roomC - ts);
      out.vapour = this.vapourAt(ts, exchange);
      out.heat = factors.hover * fromPlate + fromRoom - vaporisationJKg(ts) * out.vapour;
    };
  }

  /** @returns heat from the pad into the cloth, W/m² */
  private stepPad(stepS: number, conductance: number): number {
    const { padC } = this.state;
    const { thicknessM, kWMK, capacityJM3K, baseC } = PAD;
    const up = (padC[0] - this.tempC[CELLS - 1]) * conductance;
    let above = -up;
    for (let i = 0; i < thicknessM.length; i++) {
      const next = padC[i + 1];
      const down =
        next === undefined
          ? (padC[i] - baseC) / BASE_R
          : (padC[i] - next) / ((thicknessM[i] + thicknessM[i + 1]) / 2 / kWMK);
      padC[i] += ((above - down) * stepS) / (capacityJM3K * thicknessM[i]);
      above = down;
    }
    return up;
  }
}

/** Contacts get better with the root of the pressure. */
const pressing = (kPa: number): number => Math.sqrt(Math.min(100, Math.max(5, kPa)) / 35);

/** Water that the fibres hold, g/m². */
export const boundGm2 = ({ cloth, clothGm2 }: Pick<DryProblem, 'cloth' | 'clothGm2'>): number =>
  CLOTH_FACTS[cloth].boundShare * clothGm2;

/** Water on the cloth to begin with, g/m²: what was sprayed, and what it always holds in a room. */
export const waterStartGm2 = (problem: Omit<DryProblem, 'phases'>): number =>
  problem.depositGm2 * problem.waterShare + problem.room.rh * boundGm2(problem);
