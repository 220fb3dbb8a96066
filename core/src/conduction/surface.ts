import {
  SIGMA,
  airKWMK,
  evaporationKgM2S,
  fourthPowerK,
  naturalHWM2K,
  squaresViewFactor,
  vaporisationJKg,
} from './physics.ts';
import type { Boundary, FreeSurface } from './problem.ts';

/** What crosses the outer side of a stack at one temperature of its outermost cell. */
export interface Crossing {
  /** Into the stack, W/m². */
  flux: number;
  /** Its derivative by the cell's temperature, W/m²K; never positive in a passive surface. */
  slope: number;
  /** Of the surface itself, °C. */
  surfaceC: number;
  /** Water leaving, kg/m²s. */
  vapour: number;
}

/** A boundary made ready: asked with the outermost cell's temperature, the resistance to its face, and the water there. */
export type Surface = (cellC: number, halfM2KW: number, waterKgM2: number, out: Crossing) => void;

const SURFACE_TOLERANCE_K = 1e-7;

/** Reads a boundary once, so that asking it in the stepping loop is arithmetic only. */
export function makeSurface(boundary: Boundary): Surface {
  switch (boundary.kind) {
    case 'insulated':
      return linear(0, 0, null);
    case 'flux':
      return linear(boundary.fluxWM2, 0, null);
    case 'convective':
      return linear(0, boundary.ambientC, boundary.hWM2K);
    case 'plate':
      return linear(0, boundary.plateC, boundary.hWM2K ?? Infinity);
    case 'open':
      return freeSurface(boundary, openFlux(boundary));
    case 'gap':
      return freeSurface(boundary, gapFlux(boundary));
  }
}

/** A fixed flux and a temperature behind a conductance (`null`: none). */
const linear =
  (fluxWM2: number, atC: number, hWM2K: number | null): Surface =>
  (cellC, halfM2KW, _water, out) => {
    const g = hWM2K === null ? 0 : 1 / (halfM2KW + 1 / hWM2K);
    out.flux = fluxWM2 + g * (atC - cellC);
    out.slope = -g;
    out.surfaceC = cellC + out.flux * halfM2KW;
    out.vapour = 0;
  };

/** Flux into a surface at a temperature, without evaporation. */
type FluxLaw = (surfaceC: number) => number;

function openFlux({ roomC, emissivity, lengthM, facing, leastHWM2K }: FreeSurface): FluxLaw {
  const room4 = fourthPowerK(roomC);
  return (ts) =>
    Math.max(leastHWM2K, naturalHWM2K(ts - roomC, lengthM, facing)) * (roomC - ts) +
    emissivity * SIGMA * (room4 - fourthPowerK(ts));
}

/** Under a plate: exchange between grey plates in view, still air in the gap, and the room's air as far as it reaches in. */
function gapFlux(own: Extract<Boundary, { kind: 'gap' }>): FluxLaw {
  const { plateC, plateEmissivity, emissivity, gapM, sideM, shieldM, roomC, lengthM, facing, leastHWM2K } =
    own;
  const view = squaresViewFactor(sideM / gapM);
  const exchange = 1 / (1 / plateEmissivity + 1 / emissivity - 1);
  const shielded = 1 / (1 + (gapM / shieldM) ** 4);
  const plate4 = fourthPowerK(plateC);
  const room4 = fourthPowerK(roomC);
  return (ts) => {
    const ts4 = fourthPowerK(ts);
    return (
      view * exchange * SIGMA * (plate4 - ts4) +
      (1 - view) * emissivity * SIGMA * (room4 - ts4) +
      ((shielded * airKWMK((plateC + ts) / 2)) / gapM) * (plateC - ts) +
      (1 - shielded) * Math.max(leastHWM2K, naturalHWM2K(ts - roomC, lengthM, facing)) * (roomC - ts)
    );
  };
}

/** Surface temperature from the balance of what comes from outside and what conducts to the cell, by Newton's method. */
function freeSurface({ roomC, evaporation }: FreeSurface, law: FluxLaw): Surface {
  let guessC: number | null = null;
  const vapourAt = (ts: number, water: number): number => {
    if (evaporation === null || water <= 0) return 0;
    const wetness = Math.min(1, water / evaporation.fullAboveKgM2);
    return Math.max(0, evaporationKgM2S(ts, roomC, evaporation, wetness));
  };
  const fluxAt = (ts: number, water: number): number =>
    evaporation === null || water <= 0 ? law(ts) : law(ts) - vaporisationJKg(ts) * vapourAt(ts, water);
  return (cellC, halfM2KW, water, out) => {
    let ts = guessC ?? cellC;
    let flux = 0;
    let slope = 0;
    if (halfM2KW <= 0) ts = cellC;
    for (let i = 0; i < 30; i++) {
      flux = fluxAt(ts, water);
      slope = (fluxAt(ts + 1e-3, water) - flux) * 1e3;
      if (halfM2KW <= 0) break;
      const g = 1 / halfM2KW;
      const change = (g * (cellC - ts) + flux) / (g - slope);
      ts += change;
      flux += slope * change;
      if (Math.abs(change) < SURFACE_TOLERANCE_K) break;
    }
    guessC = ts;
    out.surfaceC = ts;
    out.flux = flux;
    out.slope = halfM2KW <= 0 ? slope : slope / (1 - slope * halfM2KW);
    out.vapour = vapourAt(ts, water);
  };
}
