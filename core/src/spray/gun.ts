/** How a trigger opens and closes, and what it spits as it opens. */
export interface Trigger {
  /** From the press to the first mist, s. */
  onLagS: number;
  /** From the first mist to the full flow, s. */
  riseS: number;
  /** From letting go until the flow begins to fall, s. */
  offLagS: number;
  /** From there until nothing comes any more, s. */
  fallS: number;
  /** Thrown as drops at each press, g. */
  spatterG: number;
  drops: number;
  /** Side of the square a drop is spread over, mm. */
  dropMm: number;
}

/** Cone of a fan nozzle. */
export interface Fan {
  /** Full width of the cone / distance, along its long side, on a plane square to it. */
  major: number;
  /** The same along its short side. */
  minor: number;
}

/** What leaves a nozzle, and how it is spread over its cone. */
export interface Nozzle {
  flowGPerS: number;
  fan: Fan;
  /** Exponent of the cone's profile, 0.5–12: 1 flat, 2 usual, 4 peaked. */
  shape: number;
  /** Share that lands, 0–1; the rest drifts off as mist. */
  efficiency: number;
}

export interface Gun extends Nozzle {
  trigger: Trigger;
}

/** A hand gun as they are sold (trade ranges; every figure is for the shop to change). */
export const USUAL_GUN: Omit<Gun, 'flowGPerS'> = {
  fan: { major: 1, minor: 0.4 },
  shape: 2,
  efficiency: 0.9,
  trigger: { onLagS: 0.08, riseS: 0.06, offLagS: 0.05, fallS: 0.04, spatterG: 0, drops: 0, dropMm: 6 },
};

/** Density of a pretreatment that says nothing else, g/ml (water with a little salt and binder). */
export const USUAL_DENSITY_G_PER_ML = 1.03;

/** Half angles' tangents of a fan: its footprint on a plane square to it, `z` away, has the half axes P z and Q z. */
export const halfFan = ({ major, minor }: Fan): { P: number; Q: number } => ({ P: major / 2, Q: minor / 2 });
