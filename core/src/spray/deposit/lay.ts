import { halfFan } from '../gun.ts';
import type { Nozzle } from '../gun.ts';
import type { PathPoint } from '../pattern/handPath.ts';
import type { Grid } from '../shapes.ts';
import { layStroke } from './layStroke.ts';
import { layStill } from './layStill.ts';
import type { Stretch } from './flowing.ts';

/** Steps of the mid-point rule are no longer than this share of the footprint's short half axis. */
const STEP_SHARE = 1 / 12;
const LONGEST_STROKE_POWER = 12;

/**
 * Lays what one stretch sprays onto a map: exactly where the gun moves level and square to the garment, by mid-points in
 * time where it tilts or climbs, or moves only a little.
 *
 * @param map g/m² at each cell's centre, added to in place
 */
export function lay(map: Float64Array, grid: Grid, nozzle: Nozzle, stretch: Stretch): void {
  const { from, to, fromS, toS, flowFrom, flowTo } = stretch;
  const { Q } = halfFan(nozzle.fan);
  const step = Q * Math.min(from.z, to.z) * STEP_SHARE;
  const movesMm = Math.hypot(to.x - from.x, to.y - from.y);
  const swingsMm = aimMm(from, to);
  if (swingsMm === 0 && movesMm > 3 * step && isExact(nozzle)) return layStroke(map, grid, nozzle, stretch);
  const parts = Math.max(1, Math.ceil((movesMm + swingsMm) / step));
  const partS = (toS - fromS) / parts;
  for (let i = 0; i < parts; i++) {
    const share = (i + 0.5) / parts;
    const flow = flowFrom + share * (flowTo - flowFrom);
    layStill(map, grid, nozzle, { pose: midway(from, to, share), massG: nozzle.flowGPerS * flow * partS });
  }
}

const isExact = ({ shape }: Nozzle): boolean => Number.isInteger(shape) && shape <= LONGEST_STROKE_POWER;

/** How far climbing and tilting move the cone between two poses; 0 only for a level, square stroke. */
function aimMm(from: PathPoint, to: PathPoint): number {
  const tilts = [from.tiltXDeg, from.tiltYDeg, to.tiltXDeg, to.tiltYDeg];
  const climbs = Math.abs(to.z - from.z);
  if (climbs === 0 && tilts.every((own) => own === 0)) return 0;
  const lands = ({ z, tiltXDeg, tiltYDeg }: PathPoint): [number, number] => [
    z * Math.tan((tiltXDeg * Math.PI) / 180),
    z * Math.tan((tiltYDeg * Math.PI) / 180),
  ];
  const [ax, ay] = lands(from);
  const [bx, by] = lands(to);
  return Math.max(1e-9, climbs + Math.hypot(bx - ax, by - ay));
}

const midway = (from: PathPoint, to: PathPoint, share: number): PathPoint => ({
  ...from,
  x: from.x + share * (to.x - from.x),
  y: from.y + share * (to.y - from.y),
  z: from.z + share * (to.z - from.z),
  tiltXDeg: from.tiltXDeg + share * (to.tiltXDeg - from.tiltXDeg),
  tiltYDeg: from.tiltYDeg + share * (to.tiltYDeg - from.tiltYDeg),
});
