import { halfFan } from '../gun.ts';
import type { Nozzle } from '../gun.ts';
import type { PathPoint } from '../pattern/handPath.ts';
import type { Grid } from '../shapes.ts';
import { footprintOf, raised, spanAbove0 } from './cone.ts';

/**
 * Lays a mass from one pose: an elliptical cone whose flux is (n+1)/(π P Q) s^n z / w³ a gram, the beta profile over its
 * half angles with the Jacobian of the projection, so that all of it lands however the gun is tilted.
 *
 * @param map g/m² at each cell's centre, added to in place
 */
export function layStill(
  map: Float64Array,
  { x0, y0, stepMm, cols, rows }: Grid,
  { fan, shape, efficiency }: Nozzle,
  { pose, massG }: { pose: PathPoint; massG: number },
): void {
  const { P, Q } = halfFan(fan);
  const { w1, w2, w0, room } = footprintOf(pose, fan);
  const { xx, xy, yy, x, y, one } = room;
  const scale = (1e6 * massG * efficiency * (shape + 1) * pose.z) / (Math.PI * P * Q);
  const isSquare = w1 === 0 && w2 === 0;
  const reach = spanAbove0(xy * xy - 4 * xx * yy, 2 * xy * x - 4 * xx * y, x * x - 4 * xx * one);
  if (reach === null) return;
  const first = Math.max(0, Math.ceil((pose.y + reach[0] - y0) / stepMm - 0.5));
  const last = Math.min(rows - 1, Math.floor((pose.y + reach[1] - y0) / stepMm - 0.5));
  for (let row = first; row <= last; row++) {
    const dy = y0 + (row + 0.5) * stepMm - pose.y;
    const linear = xy * dy + x;
    const fixed = (yy * dy + y) * dy + one;
    const chord = spanAbove0(xx, linear, fixed);
    if (chord === null) continue;
    const from = Math.max(0, Math.ceil((pose.x + chord[0] - x0) / stepMm - 0.5));
    const to = Math.min(cols - 1, Math.floor((pose.x + chord[1] - x0) / stepMm - 0.5));
    let dx = x0 + (from + 0.5) * stepMm - pose.x;
    const depth0 = w2 * dy + w0;
    for (let at = row * cols + from; at <= row * cols + to; at++, dx += stepMm) {
      const inside = (xx * dx + linear) * dx + fixed;
      const depth = isSquare ? w0 : w1 * dx + depth0;
      if (inside <= 0 || depth <= 0) continue;
      map[at] += (scale * raised(inside / (depth * depth), shape)) / (depth * depth * depth);
    }
  }
}
