import type { LayerCells } from './cells.ts';
import { WATER_CP, vaporisationJKg } from './physics.ts';
import type { LumpedLayer, Phase, Stack } from './problem.ts';
import { makeSurface } from './surface.ts';
import type { Crossing, Surface } from './surface.ts';

/** Where a layer's cells are in a stack. */
export interface Span {
  id: string;
  cells: LayerCells;
  from: number;
  /** One past the last. */
  to: number;
}

/** Cells of one stack in one phase, laid end to end, with all that its stepping needs. */
export interface ActiveStack {
  n: number;
  spans: Span[];
  /** Dry, J/m²K. */
  capacity: Float64Array;
  latent: Float64Array;
  meltFromC: Float64Array;
  meltToC: Float64Array;
  water: Float64Array;
  /** J/m². */
  enthalpy: Float64Array;
  tempC: Float64Array;
  /** dT/dE, m²K/J; 0 while water boils in a cell. */
  slope: Float64Array;
  /** Which straight piece of T(E) a cell is on. */
  piece: Uint8Array;
  /** Half of a cell's own resistance, m²K/W. */
  half: Float64Array;
  /** Between a cell and the next, W/m²K. */
  conductance: Float64Array;
  boilC: number;
  top: Surface;
  bottom: Surface;
  topCrossing: Crossing;
  bottomCrossing: Crossing;
  lumped: { at: number; layer: LumpedLayer }[];
  isWet: boolean;
}

const crossing = (): Crossing => ({ flux: 0, slope: 0, surfaceC: 0, vapour: 0 });

/** Lays a stack's layers end to end, with the state they come with. */
export function enterStack(stack: Stack, phase: Phase, layers: ReadonlyMap<string, LayerCells>): ActiveStack {
  const spans: Span[] = [];
  let n = 0;
  for (const id of stack.layers) {
    const cells = layers.get(id);
    if (cells === undefined)
      throw new RangeError(`stack of phase “${phase.name}” names an unknown layer “${id}”`);
    spans.push({ id, cells, from: n, to: (n += cells.share.length) });
  }
  const join = (of: (span: Span, i: number) => number): Float64Array => {
    const all = new Float64Array(n);
    for (const span of spans) for (let i = span.from; i < span.to; i++) all[i] = of(span, i - span.from);
    return all;
  };
  const half = join((span, i) => (resistanceOf(span, stack) * span.cells.share[i]) / 2);
  const conductance = new Float64Array(Math.max(0, n - 1));
  for (let i = 0; i < n - 1; i++) conductance[i] = 1 / (half[i] + half[i + 1]);
  spans.slice(1).forEach(({ from }, j) => {
    const h = stack.jointsWM2K[j];
    conductance[from - 1] = 1 / (half[from - 1] + (h === null ? 0 : 1 / h) + half[from]);
  });
  const meltOf = ({ cells: { layer } }: Span): { fromC: number; toC: number } =>
    layer.kind === 'solid' && layer.melt ? layer.melt : { fromC: 0, toC: 1 };
  const water = join(({ cells }, i) => cells.water[i]);
  return {
    n,
    spans,
    capacity: join(({ cells }, i) => cells.capacity[i]),
    latent: join(({ cells }, i) => cells.latent[i]),
    meltFromC: join((span) => meltOf(span).fromC),
    meltToC: join((span) => meltOf(span).toC),
    water,
    enthalpy: join(({ cells }, i) => cells.enthalpy[i]),
    tempC: new Float64Array(n),
    slope: new Float64Array(n),
    piece: new Uint8Array(n),
    half,
    conductance,
    boilC: phase.boilC,
    top: makeSurface(stack.top),
    bottom: makeSurface(stack.bottom),
    topCrossing: crossing(),
    bottomCrossing: crossing(),
    lumped: spans.flatMap(({ cells: { layer }, from }) =>
      layer.kind === 'lumped' ? [{ at: from, layer }] : [],
    ),
    isWet: water.some((w) => w > 0),
  };
}

function resistanceOf({ id, cells: { layer } }: Span, stack: Stack): number {
  if (layer.kind === 'lumped') return 0;
  return stack.resistanceM2KW[id] ?? layer.thicknessM / layer.kWMK;
}

/** Gives the layers back what the stack has made of them. */
export function leaveStack({ spans, enthalpy, water }: ActiveStack): void {
  for (const { cells, from, to } of spans) {
    cells.enthalpy.set(enthalpy.subarray(from, to));
    cells.water.set(water.subarray(from, to));
  }
}

/**
 * Temperatures from enthalpies, with the slope of each.
 *
 * @returns whether any cell is on another straight piece of T(E) than before
 */
export function readTemperatures(s: ActiveStack): boolean {
  const { n, capacity, latent, meltFromC, meltToC, water, enthalpy, tempC, slope, piece, boilC } = s;
  let hasChanged = false;
  for (let i = 0; i < n; i++) {
    const e = enthalpy[i];
    const c = capacity[i];
    let now = 0;
    if (water[i] > 0) {
      const whole = c + water[i] * WATER_CP;
      const boils = whole * boilC;
      const gone = boils + water[i] * vaporisationJKg(boilC);
      if (e <= boils) {
        tempC[i] = e / whole;
        slope[i] = 1 / whole;
      } else if (e < gone) {
        now = 1;
        tempC[i] = boilC;
        slope[i] = 0;
      } else {
        now = 2;
        tempC[i] = boilC + (e - gone) / c;
        slope[i] = 1 / c;
      }
    } else if (latent[i] > 0) {
      const from = c * meltFromC[i];
      const to = c * meltToC[i] + latent[i];
      if (e <= from) {
        tempC[i] = e / c;
        slope[i] = 1 / c;
      } else if (e < to) {
        now = 1;
        slope[i] = 1 / (c + latent[i] / (meltToC[i] - meltFromC[i]));
        tempC[i] = meltFromC[i] + (e - from) * slope[i];
      } else {
        now = 2;
        tempC[i] = (e - latent[i]) / c;
        slope[i] = 1 / c;
      }
    } else {
      slope[i] = 1 / c;
      tempC[i] = e * slope[i];
    }
    if (piece[i] !== now) {
      piece[i] = now;
      hasChanged = true;
    }
  }
  return hasChanged;
}

/** Enthalpy of a layer at one temperature, below boiling or dry, cell by cell. */
export function warmLayer({ layer, capacity, latent, water, enthalpy }: LayerCells, tempC: number): void {
  const melt = layer.kind === 'solid' ? layer.melt : null;
  const molten = melt ? Math.min(1, Math.max(0, (tempC - melt.fromC) / (melt.toC - melt.fromC))) : 0;
  for (let i = 0; i < capacity.length; i++)
    enthalpy[i] = (capacity[i] + water[i] * WATER_CP) * tempC + latent[i] * molten;
}

/** Water of a span, kg/m². */
export function waterOf({ from, to }: Pick<Span, 'from' | 'to'>, water: Float64Array): number {
  let sum = 0;
  for (let i = from; i < to; i++) sum += water[i];
  return sum;
}

/** Water of the layer at an outer side, kg/m². */
export const outerWater = (stack: ActiveStack, span: Span): number =>
  stack.isWet ? waterOf(span, stack.water) : 0;
