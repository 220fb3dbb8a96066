/** How sheets are cut apart, with the room between pieces that it takes, mm (trade ranges). */
export const CUTTING = {
  trimmer: { gapMm: 5 },
  knife: { gapMm: 4 },
  scissors: { gapMm: 8 },
} as const;

/** Room along the edges of film for holding and feeding it, mm (trade range 3–10). */
export const USUAL_EDGE_MM = 5;

/** Hands for a straight cut, for cutting one piece out, and for taking a sheet up and away, s (assumptions). */
export const CUT_S = { straight: 8, byHand: 25, sheet: 10 } as const;
