import { halfFan } from '../gun.ts';
import type { Fan } from '../gun.ts';

/** Natural logarithm of the gamma function for x > 0 (Lanczos, g = 7, nine terms: 15 digits). */
export function lnGamma(x: number): number {
  const [first, ...rest] = LANCZOS;
  let sum = first;
  for (const [i, own] of rest.entries()) sum += own / (x + i);
  const t = x + 6.5;
  return 0.5 * Math.log(2 * Math.PI) + (x - 0.5) * Math.log(t) - t + Math.log(sum);
}

const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
] as const;

/** Half width of a pass on a plane square to the gun, mm. @param turnDeg between the fan's long side and the normal of travel */
export function passHalfWidthMm(fan: Fan, distanceMm: number, turnDeg = 0): number {
  const { P, Q } = halfFan(fan);
  const turn = (turnDeg * Math.PI) / 180;
  return distanceMm * Math.hypot(P * Math.cos(turn), Q * Math.sin(turn));
}

/**
 * Deposit across a long pass, square-on, as shares of what lands a millimetre of travel: h(Y) = c/W (1 - (Y/W)²)^(n+1/2),
 * the line integral of the cone's beta profile; 1/mm.
 */
export interface PassProfile {
  halfWidthMm: number;
  at: (y: number) => number;
  /** dh/dY, 1/mm². */
  slopeAt: (y: number) => number;
}

export function passProfile(shape: number, halfWidthMm: number): PassProfile {
  const peak = Math.exp(lnGamma(shape + 2) - lnGamma(shape + 1.5)) / Math.sqrt(Math.PI) / halfWidthMm;
  const left = (y: number): number => 1 - (y / halfWidthMm) ** 2;
  return {
    halfWidthMm,
    at: (y) => (left(y) <= 0 ? 0 : peak * left(y) ** (shape + 0.5)),
    slopeAt: (y) =>
      left(y) <= 0 ? 0 : (-peak * (2 * shape + 1) * y * left(y) ** (shape - 0.5)) / halfWidthMm ** 2,
  };
}
