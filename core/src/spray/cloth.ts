/** Cloths as pretreatment knows them. */
export const CLOTHS = ['cotton-knit', 'blend', 'polyester-knit', 'fleece', 'canvas'] as const;
export type Cloth = (typeof CLOTHS)[number];

interface ClothFacts {
  densityKgM3: number;
  kWMK: number;
  specificHeatJKgK: number;
  /** Water the fibres hold, as a share of the cloth's mass. */
  boundShare: number;
  /** Wanted on a dark one of this weight, g/m². */
  baseGm2: number;
  refGm2: number;
  rangeGm2: readonly [number, number];
}

/** Trade ranges and handbook classes; the shop's weighings go before them. */
export const CLOTH_FACTS: Record<Cloth, ClothFacts> = {
  'cotton-knit': facts([378, 0.09, 1340, 0.18], [130, 170, 110, 180]),
  blend: facts([390, 0.09, 1300, 0.13], [140, 170, 115, 190]),
  'polyester-knit': facts([400, 0.09, 1250, 0.08], [170, 140, 140, 220]),
  fleece: facts([250, 0.07, 1340, 0.16], [260, 300, 200, 400]),
  canvas: facts([490, 0.11, 1340, 0.18], [150, 340, 120, 220]),
};

function facts(
  [densityKgM3, kWMK, specificHeatJKgK, boundShare]: readonly [number, number, number, number],
  [baseGm2, refGm2, least, most]: readonly [number, number, number, number],
): ClothFacts {
  return { densityKgM3, kWMK, specificHeatJKgK, boundShare, baseGm2, refGm2, rangeGm2: [least, most] };
}
