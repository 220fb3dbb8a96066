import { halfFan } from '../gun.ts';
import type { Nozzle } from '../gun.ts';
import type { Grid } from '../shapes.ts';
import { raised } from './cone.ts';
import type { Stretch } from './flowing.ts';

/**
 * Lays a level, square stroke exactly, one evaluation a cell. With M the map to (along the long side / P z, along the short
 * side / Q z), a cell at r is in the cone at tau seconds with s = C - B (tau - tau*)², so that the integral of
 * s^n times a linear flow is a polynomial.
 *
 * @param nozzle of whole-numbered shape
 * @param map g/m² at each cell's centre, added to in place
 */
export function layStroke(map: Float64Array, grid: Grid, nozzle: Nozzle, stretch: Stretch): void {
  const { fan, shape, efficiency, flowGPerS } = nozzle;
  const { from, to, flowFrom, flowTo } = stretch;
  const takesS = stretch.toS - stretch.fromS;
  const { P, Q } = halfFan(fan);
  const z = from.z;
  const turn = (from.rotDeg * Math.PI) / 180;
  const [sin, cos] = [Math.sin(turn), Math.cos(turn)];
  // rows of M: (sin, cos) / P z and its normal / Q z
  const [ax, ay] = [sin / (P * z), cos / (P * z)];
  const [bx, by] = [cos / (Q * z), -sin / (Q * z)];
  const [vx, vy] = [(to.x - from.x) / takesS, (to.y - from.y) / takesS];
  const [va, vb] = [ax * vx + ay * vy, bx * vx + by * vy];
  const B = va * va + vb * vb;
  const root = Math.sqrt(B);
  const scale = (1e6 * flowGPerS * efficiency * (shape + 1)) / (Math.PI * P * Q * z * z);
  const slope = (flowTo - flowFrom) / takesS;
  const antiderivative = polynomialOf(shape);
  const { x0, y0, stepMm, cols, rows } = grid;
  const reachX = z * Math.hypot(P * sin, Q * cos);
  const reachY = z * Math.hypot(P * cos, Q * sin);
  const least = (lowest: number, origin: number): number =>
    Math.max(0, Math.ceil((lowest - origin) / stepMm - 0.5));
  const most = (highest: number, origin: number, count: number): number =>
    Math.min(count - 1, Math.floor((highest - origin) / stepMm - 0.5));
  const firstCol = least(Math.min(from.x, to.x) - reachX, x0);
  const lastCol = most(Math.max(from.x, to.x) + reachX, x0, cols);
  const firstRow = least(Math.min(from.y, to.y) - reachY, y0);
  const lastRow = most(Math.max(from.y, to.y) + reachY, y0, rows);
  const whole1 = 2 * antiderivative(1);
  // of a cell: how far beside the stroke, and when it is nearest; both go on evenly along a row
  const besideStep = ((va * bx - vb * ax) / root) * stepMm;
  const nearestStep = ((va * ax + vb * bx) / B) * stepMm;
  const dx0 = x0 + (firstCol + 0.5) * stepMm - from.x;
  for (let row = firstRow; row <= lastRow; row++) {
    const dy = y0 + (row + 0.5) * stepMm - from.y;
    const [ra, rb] = [ax * dx0 + ay * dy, bx * dx0 + by * dy];
    let beside = (va * rb - vb * ra) / root - besideStep;
    let nearestS = (va * ra + vb * rb) / B - nearestStep;
    for (let at = row * cols + firstCol; at <= row * cols + lastCol; at++) {
      beside += besideStep;
      nearestS += nearestStep;
      const C = 1 - beside * beside;
      if (C <= 0) continue;
      const half = Math.sqrt(C) / root;
      const isBegun = -nearestS <= -half;
      const isOver = takesS - nearestS >= half;
      const whole = raised(C, shape) * half;
      if (isBegun && isOver) {
        // the ramp's own part is odd about the nearest time, and cancels
        map[at] += scale * (flowFrom + slope * nearestS) * whole * whole1;
        continue;
      }
      const begin = isBegun ? -half : -nearestS;
      const end = isOver ? half : takesS - nearestS;
      if (begin >= end) continue;
      let dose =
        (flowFrom + slope * nearestS) * whole * (antiderivative(end / half) - antiderivative(begin / half));
      if (slope !== 0)
        dose += (slope * (fallen(C, B, begin, shape) - fallen(C, B, end, shape))) / (2 * B * (shape + 1));
      map[at] += scale * dose;
    }
  }
}

/** s^(n+1) at a time from the nearest. */
const fallen = (C: number, B: number, tau: number, shape: number): number =>
  raised(Math.max(0, C - B * tau * tau), shape + 1);

/** Integral of (1 - u²)^n from 0 for a whole n, by the binomial theorem. */
function polynomialOf(n: number): (u: number) => number {
  if (n === 2) return (u) => u * (1 - u * u * (2 / 3 - (u * u) / 5));
  const terms: number[] = [];
  let binomial = 1;
  for (let j = 0; j <= n; j++) {
    terms.push(((j % 2 === 0 ? 1 : -1) * binomial) / (2 * j + 1));
    binomial = (binomial * (n - j)) / (j + 1);
  }
  return (u) => {
    let sum = 0;
    for (let j = n; j >= 0; j--) sum = sum * u * u + terms[j];
    return u * sum;
  };
}
