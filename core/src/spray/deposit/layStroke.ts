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
  if (lastCol < firstCol || lastRow < firstRow) return; // beside the garment
  const whole1 = 2 * antiderivative(1);
  // of a cell: how far beside the stroke, and when it is nearest; both go on evenly along a row
  const besideStep = ((va * bx - vb * ax) / root) * stepMm;
  const nearestStep = ((va * ax + vb * bx) / B) * stepMm;
  const dx0 = x0 + (firstCol + 0.5) * stepMm - from.x;
  // a stroke along x or y, as they usually are: how far beside it a cell is hangs on its row or its column alone
  const isAlongRows = Math.abs(besideStep) < STRAIGHT;
  const isAcrossRows = Math.abs(nearestStep * root) < STRAIGHT;
  const halves = new Float64Array(lastCol + 1);
  const wholes = new Float64Array(lastCol + 1);
  for (let row = firstRow; row <= lastRow; row++) {
    const dy = y0 + (row + 0.5) * stepMm - from.y;
    const [ra, rb] = [ax * dx0 + ay * dy, bx * dx0 + by * dy];
    const beside0 = (va * rb - vb * ra) / root;
    const nearest0 = (va * ra + vb * rb) / B;
    if (isAlongRows && Math.abs(beside0) >= 1) continue;
    if (row === firstRow || !isAcrossRows) {
      const last = isAlongRows ? firstCol : lastCol;
      for (let col = firstCol; col <= last; col++) {
        const beside = beside0 + (col - firstCol) * besideStep;
        const C = 1 - beside * beside;
        halves[col] = C > 0 ? Math.sqrt(C) / root : 0;
        wholes[col] = C > 0 ? raised(C, shape) * halves[col] : 0;
      }
      if (isAlongRows) {
        halves.fill(halves[firstCol]);
        wholes.fill(wholes[firstCol]);
      }
    }
    for (let col = firstCol; col <= lastCol; col++) {
      const half = halves[col];
      if (half <= 0) continue;
      const nearestS = nearest0 + (col - firstCol) * nearestStep;
      const isBegun = nearestS >= half;
      const isOver = takesS - nearestS >= half;
      const at = row * cols + col;
      if (isBegun && isOver) {
        // the ramp's own part is odd about the nearest time, and cancels
        map[at] += scale * (flowFrom + slope * nearestS) * wholes[col] * whole1;
        continue;
      }
      const begin = isBegun ? -half : -nearestS;
      const end = isOver ? half : takesS - nearestS;
      if (begin >= end) continue;
      const covered = antiderivative(end / half) - antiderivative(begin / half);
      let dose = (flowFrom + slope * nearestS) * wholes[col] * covered;
      if (slope !== 0) {
        const C = half * half * B;
        dose += (slope * (fallen(C, B, begin, shape) - fallen(C, B, end, shape))) / (2 * B * (shape + 1));
      }
      map[at] += scale * dose;
    }
  }
}

/** A stroke that strays by less over all its cells is straight. */
const STRAIGHT = 1e-12;

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
