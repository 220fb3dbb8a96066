import type { Gun } from '../gun.ts';
import type { PathPoint } from '../pattern/handPath.ts';
import { boxOf, cellsIn, gridOver } from '../shapes.ts';
import type { Grid, SprayShape } from '../shapes.ts';

/** What is sprayed over what, with the figures it is judged by. */
export interface DepositProblem {
  gun: Gun;
  garment: SprayShape;
  /** What is to be covered. */
  target: SprayShape;
  /** Opening of a mask that lies over everything else; `null` without one. */
  mask: SprayShape | null;
  lowGm2: number;
  highGm2: number;
  /** So near to the target's outline counts as its edge. */
  edgeMm: number;
  stepMm: number;
  seed: number;
  path: readonly PathPoint[];
}

/** Cells of the garment's box, and which of them count. */
export interface SprayGround {
  grid: Grid;
  /** Garment that lies open: not under a mask. */
  open: Uint8Array;
  /** Garment under the mask. */
  covered: Uint8Array;
  /** Target on the open garment. */
  target: Uint8Array;
  targetCells: number;
  /** Part of the target lies off the garment or under the mask. */
  isTargetCovered: boolean;
}

export function sprayGround({
  garment,
  target,
  mask,
  stepMm,
}: Pick<DepositProblem, 'garment' | 'target' | 'mask' | 'stepMm'>): SprayGround {
  const box = boxOf(garment);
  const grid = gridOver(box, stepMm);
  const open = cellsIn(garment, grid);
  const opening = mask === null ? null : cellsIn(mask, grid);
  const wanted = cellsIn(target, grid);
  const covered = new Uint8Array(open.length);
  let targetCells = 0;
  const { x0, y0, x1, y1 } = boxOf(target);
  const half = stepMm / 2;
  let isTargetCovered = x0 < box.x0 - half || y0 < box.y0 - half || x1 > box.x1 + half || y1 > box.y1 + half;
  for (let i = 0; i < open.length; i++) {
    if (opening !== null && opening[i] === 0 && open[i] === 1) {
      open[i] = 0;
      covered[i] = 1;
    }
    if (wanted[i] === 0) continue;
    if (open[i] === 0) {
      isTargetCovered = true;
      wanted[i] = 0;
    } else targetCells++;
  }
  return { grid, open, covered, target: wanted, targetCells, isTargetCovered };
}
