/** Material that heat flows through. Figures are per m² of the plane the heat crosses. */
export interface SolidLayer {
  kind: 'solid';
  id: string;
  /** > 0, m. */
  thicknessM: number;
  /** Conductivity, > 0, W/mK. */
  kWMK: number;
  densityKgM3: number;
  specificHeatJKgK: number;
  initialC: number;
  /** Water held, kg/m², spread evenly; 0 for a dry layer. */
  waterKgM2: number;
  /** Latent heat taken up evenly between two temperatures and given back on the way down; `null` for none. */
  melt: { fromC: number; toC: number; latentJKg: number } | null;
}

/** A body so conductive that it has one temperature. */
export interface LumpedLayer {
  kind: 'lumped';
  id: string;
  capacityJM2K: number;
  initialC: number;
  /** A controlled heater: power = clamp(atSet + gain (set − T), 0, most), W/m². */
  heater: { atSetWM2: number; gainWM2K: number; setC: number; mostWM2: number } | null;
  /** What it loses by itself, W/m²K to an ambient temperature. */
  loss: { hWM2K: number; ambientC: number } | null;
}

export type Layer = SolidLayer | LumpedLayer;

/** Evaporation from a wet surface: the conductance of the air film, and how it fails as the last water goes. */
export interface Evaporation {
  /** Of the room, 0–1. */
  relativeHumidity: number;
  /** Of the air film, W/m²K. */
  hWM2K: number;
  /** Water below which the surface is no longer wet all over, kg/m². */
  fullAboveKgM2: number;
}

/** What a free surface feels of a room: radiation and natural convection. */
export interface FreeSurface {
  roomC: number;
  emissivity: number;
  /** Characteristic length of the surface, m. */
  lengthM: number;
  facing: 'up' | 'down';
  /** Draughts: convection is never below this, W/m²K. */
  leastHWM2K: number;
  evaporation: Evaporation | null;
}

/** Outer side of the first or last layer of a stack. */
export type Boundary =
  | { kind: 'insulated' }
  | { kind: 'flux'; fluxWM2: number }
  | { kind: 'convective'; hWM2K: number; ambientC: number }
  /** A plate of fixed temperature in contact; `null`: perfect. */
  | { kind: 'plate'; plateC: number; hWM2K: number | null }
  | ({ kind: 'open' } & FreeSurface)
  /** A plate held over the surface at a distance: radiation, conduction through the air, and the room at the rims. */
  | ({
      kind: 'gap';
      plateC: number;
      plateEmissivity: number;
      gapM: number;
      sideM: number;
      shieldM: number;
    } & FreeSurface);

/** Layers that touch one another during a phase. */
export interface Stack {
  /** Ids, top to bottom. */
  layers: string[];
  /** Conductance of each joint between them, W/m²K; `null`: perfect. One fewer than layers. */
  jointsWM2K: (number | null)[];
  /** Resistance of a layer in this stack in place of thickness / conductivity, m²K/W. */
  resistanceM2KW: Record<string, number>;
  top: Boundary;
  bottom: Boundary;
}

/** A stretch of time in which the surroundings stay as they are. Layers in no stack keep what they have. */
export interface Phase {
  name: string;
  /** > 0, s. */
  durationS: number;
  pressureKPa: number;
  /** Water boils at this temperature, °C. */
  boilC: number;
  stacks: Stack[];
  /** Layers that begin the phase anew at a temperature, °C; their water is not refilled. */
  setC: Record<string, number>;
}

/** A place whose temperature is asked for. Faces are the layer's own side of a joint. */
export interface Probe {
  name: string;
  layer: string;
  at: 'top' | 'bottom' | 'mid' | 'mean';
}

/**
 * Equivalent time at a reference temperature: dD/dt = (p/p_ref)^n exp(−E_a/R (1/T − 1/T_ref)) / t_ref, 0 below the gate.
 * D = 1 after t_ref at T_ref under p_ref.
 */
export interface Dose {
  name: string;
  probe: string;
  refC: number;
  activationJMol: number;
  refS: number;
  /** `null`: no gate. */
  gateC: number | null;
  /** `null`: pressure does not matter. */
  pressure: { exponent: number; refKPa: number } | null;
}

export interface Problem {
  layers: Layer[];
  phases: Phase[];
  probes: Probe[];
  doses: Dose[];
  /** Ascending, s from the start; `null` records every step taken. */
  outputS: readonly number[] | null;
}

/** How finely a problem is solved. {@link USUAL_STEPS} keeps within 1 K of the limit of fine steps after the first second. */
export interface Stepping {
  method: 'sdirk2' | 'backward-euler';
  /** Cells per layer as a multiple of the usual number. */
  mesh: number;
  /** Length of a phase's first step, s. */
  firstS: number;
  /** Ratio of a step to the one before. */
  growth: number;
  /** Longest step, s; late in a long phase it grows to {@link lateShare} of the time passed. */
  longestS: number;
  lateShare: number;
  /** Longest step while a layer holds water that may boil, s. */
  longestWetS: number;
}

export const USUAL_STEPS: Stepping = {
  method: 'sdirk2',
  mesh: 1,
  firstS: 0.01,
  growth: 1.2,
  longestS: 1,
  lateShare: 1 / 40,
  longestWetS: 0.5,
};

/** What the solver found. Columns run along `timesS`; a probe is `null` while its layer is in no stack. */
export interface Solution {
  timesS: number[];
  probes: Record<string, (number | null)[]>;
  /** At the end. */
  doses: Record<string, number>;
  /** Along `timesS`. */
  doseCourse: Record<string, number[]>;
  /** At the end of each phase. */
  dosesAfter: Record<string, number[]>;
  /** Water left at the end in every layer that brought some, kg/m². */
  water: Record<string, number>;
  /** Along `timesS`. */
  waterCourse: Record<string, number[]>;
  /** Heat stored at the end less heat stored at the start, what crossed the boundaries, and what left with vapour, J/m². */
  energy: { storedJM2: number; suppliedJM2: number; vapourJM2: number };
  steps: number;
}
