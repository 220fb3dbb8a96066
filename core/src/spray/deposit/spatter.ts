import { halfFan } from '../gun.ts';
import type { Gun } from '../gun.ts';
import { mulberry32 } from '../noise.ts';
import type { PathPoint } from '../pattern/handPath.ts';
import type { Grid } from '../shapes.ts';
import { coneOf } from './cone.ts';
import { poseAt } from './flowing.ts';
import type { Press } from './flowing.ts';

const SEED_MIX = 0x5eed; // so that drops do not follow the hand's own sway

/**
 * Lays the drops a trigger spits as it opens: each a small square where a random ray of the cone lands, shared among the
 * cells it covers (free choice: how drops fly is measured nowhere).
 *
 * @param map g/m² of each cell, added to in place
 * @returns all of their mass, g, on the map or beside it
 */
export function laySpatter(
  map: Float64Array,
  grid: Grid,
  gun: Gun,
  { path, presses, seed }: { path: readonly PathPoint[]; presses: readonly Press[]; seed: number },
): number {
  const { spatterG, drops, dropMm, onLagS } = gun.trigger;
  if (spatterG <= 0 || drops <= 0) return 0;
  const { P, Q } = halfFan(gun.fan);
  const random = mulberry32(seed ^ SEED_MIX);
  for (const { fromS } of presses) {
    const pose = poseAt(path, fromS + onLagS);
    const { axis, major, minor } = coneOf(pose);
    for (let i = 0; i < drops; i++) {
      const rho = Math.sqrt(random());
      const phi = 2 * Math.PI * random();
      const [p, q] = [P * rho * Math.cos(phi), Q * rho * Math.sin(phi)];
      const ray = [0, 1, 2].map((k) => axis[k] + p * major[k] + q * minor[k]);
      if (ray[2] >= 0) continue; // flies past the plane
      const depth = -pose.z / ray[2];
      layDrop(map, grid, {
        x: pose.x + depth * ray[0],
        y: pose.y + depth * ray[1],
        dropMm,
        massG: spatterG / drops,
      });
    }
  }
  return spatterG * presses.length;
}

function layDrop(
  map: Float64Array,
  { x0, y0, stepMm, cols, rows }: Grid,
  { x, y, dropMm, massG }: { x: number; y: number; dropMm: number; massG: number },
): void {
  const [left, top] = [x - dropMm / 2 - x0, y - dropMm / 2 - y0];
  const gm2 = (1e6 * massG) / (dropMm * dropMm);
  const overlap = (start: number, cell: number): number =>
    Math.max(0, Math.min(start + dropMm, (cell + 1) * stepMm) - Math.max(start, cell * stepMm)) / stepMm;
  const last = (start: number, count: number): number =>
    Math.min(count - 1, Math.floor((start + dropMm) / stepMm));
  for (let row = Math.max(0, Math.floor(top / stepMm)); row <= last(top, rows); row++)
    for (let col = Math.max(0, Math.floor(left / stepMm)); col <= last(left, cols); col++)
      map[row * cols + col] += gm2 * overlap(left, col) * overlap(top, row);
}
