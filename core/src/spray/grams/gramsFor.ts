/** How much has to go on one piece, and of that how much more is used. */
export interface GramsProblem {
  targetGm2: number;
  sprayMm2: number;
  tolerancePct: number;
  densityGPerMl: number;
  /** Of what is sprayed, beside the garment and in the air, 0–1. */
  wasteShare: number;
  count: number;
  /** Sprayed off to the side to begin with, g. */
  primeG: number;
  /** Kept over, as a share. */
  reserveShare: number;
  bottleMl: number;
}

export interface GramsForLine {
  /** On one piece. */
  gramsOn: number;
  lowG: number;
  highG: number;
  mlOn: number;
  /** Out of the nozzle for one piece. */
  sprayedG: number;
  lineMl: number;
  bottles: number;
}

/** Grams for a piece, and fluid for the whole line; nothing is primed or kept over where nothing is wanted. */
export function gramsFor(problem: GramsProblem): GramsForLine {
  const { targetGm2, sprayMm2, tolerancePct, densityGPerMl, wasteShare, count, primeG, reserveShare } =
    problem;
  const gramsOn = (targetGm2 * sprayMm2) / 1e6;
  const sprayedG = gramsOn / (1 - wasteShare);
  const lineMl = targetGm2 > 0 ? ((count * sprayedG + primeG) * (1 + reserveShare)) / densityGPerMl : 0;
  return {
    gramsOn,
    lowG: gramsOn * (1 - tolerancePct / 100),
    highG: gramsOn * (1 + tolerancePct / 100),
    mlOn: gramsOn / densityGPerMl,
    sprayedG,
    lineMl,
    bottles: Math.ceil(lineMl / problem.bottleMl),
  };
}

/** What nobody says otherwise (trade ranges). */
export const USUAL_GRAMS = {
  marginMm: 15, // beyond the print, so that no edge is dry
  densityGPerMl: 1.03,
  tolerancePct: 10,
  count: 1,
  wasteShare: 0.35,
  primeG: 3,
  reserveShare: 0.05,
  bottleMl: 1000,
} as const;
