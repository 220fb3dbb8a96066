import type { Grid, Point } from '../shapes.ts';
import { figuresOf } from './figures.ts';
import type { MapFigures } from './figures.ts';
import { pressesOf, stretchesOf } from './flowing.ts';
import { sprayGround } from './ground.ts';
import type { DepositProblem, SprayGround } from './ground.ts';
import { lay } from './lay.ts';
import { laySpatter } from './spatter.ts';

export interface Deposit extends MapFigures {
  ground: SprayGround;
  /** g/m² at each cell's centre, row by row. */
  gm2: Float64Array;
  sprayedG: number;
  onGarmentG: number;
  onMaskG: number;
  driftG: number;
  offG: number;
  onTargetG: number;
  wasteShare: number;
  /** The trigger is held, s. */
  sprayS: number;
  totalS: number;
}

/**
 * What a gun's way leaves on a garment, as a map and in figures. A model of an ideal cone: no bounce, no running, no air.
 *
 * @param problem with at least one target cell on the open garment
 */
export function simulateDeposit(
  problem: DepositProblem,
  ground: SprayGround = sprayGround(problem),
): Deposit {
  const { gun, path, seed } = problem;
  const { grid } = ground;
  const gm2 = new Float64Array(grid.cols * grid.rows);
  const presses = pressesOf(path);
  let mistG = 0;
  for (const stretch of stretchesOf(path, presses, gun.trigger)) {
    lay(gm2, grid, gun, stretch);
    mistG += ((stretch.flowFrom + stretch.flowTo) / 2) * (stretch.toS - stretch.fromS) * gun.flowGPerS;
  }
  const spatterG = laySpatter(gm2, grid, gun, { path, presses, seed });
  const cellM2 = (grid.stepMm * grid.stepMm) / 1e6;
  const massOf = (cells: Uint8Array): number => {
    let sum = 0;
    for (let i = 0; i < cells.length; i++) if (cells[i] === 1) sum += gm2[i];
    return sum * cellM2;
  };
  const sprayedG = mistG + spatterG;
  const driftG = (1 - gun.efficiency) * mistG;
  const onGarmentG = massOf(ground.open);
  const onMaskG = massOf(ground.covered);
  const onTargetG = massOf(ground.target);
  return {
    ground,
    gm2,
    ...figuresOf(gm2, ground, problem),
    sprayedG,
    onGarmentG,
    onMaskG,
    driftG,
    offG: sprayedG - driftG - onGarmentG - onMaskG,
    onTargetG,
    wasteShare: sprayedG > 0 ? 1 - onTargetG / sprayedG : 0,
    sprayS: presses.reduce((sum, { fromS, toS }) => sum + toS - fromS, 0),
    totalS: path.at(-1)!.t,
  };
}

/** Value of the cell that holds a point; `null` off the grid. */
export function sampleAt(gm2: Float64Array, grid: Grid, point: Point): number | null {
  const cell = cellAt(grid, point);
  return cell === null ? null : gm2[cell];
}

/** The cell that holds a point; `null` off the grid. */
export function cellAt({ x0, y0, stepMm, cols, rows }: Grid, [x, y]: Point): number | null {
  const col = Math.floor((x - x0) / stepMm);
  const row = Math.floor((y - y0) / stepMm);
  return col >= 0 && col < cols && row >= 0 && row < rows ? row * cols + col : null;
}
