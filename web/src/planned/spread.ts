/** Hands vary by so much from operation to operation, and from day to day: assumed (trade range 10–25 % and 5–15 %). */
export const ASSUMED_SPREAD = { own: 0.18, pace: 0.1 } as const;
