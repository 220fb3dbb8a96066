import type { Gun } from '../gun.ts';
import type { PathPoint } from '../pattern/handPath.ts';
import type { Grid, Point } from '../shapes.ts';
import { figuresOf } from './figures.ts';
import type { MapFigures, MapLimits } from './figures.ts';
import { pressesOf, stretchesOf } from './flowing.ts';
import type { Press, Stretch } from './flowing.ts';
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
  const laid = new LaidMap(gun, ground);
  const presses = pressesOf(path);
  laid.mist(stretchesOf(path, presses, gun.trigger));
  laid.spatter(path, presses, seed);
  return {
    ...laid.judged(problem),
    sprayS: presses.reduce((sum, { fromS, toS }) => sum + toS - fromS, 0),
    totalS: path.at(-1)!.t,
  };
}

/** A map that is laid bit by bit, with the books of what left the gun. */
export class LaidMap {
  /** g/m² at each cell's centre, row by row. */
  readonly gm2: Float64Array;
  private readonly gun: Gun;
  private readonly ground: SprayGround;
  private mistG = 0;
  private spatterG = 0;

  constructor(gun: Gun, ground: SprayGround) {
    this.gun = gun;
    this.ground = ground;
    this.gm2 = new Float64Array(ground.grid.cols * ground.grid.rows);
  }

  mist(stretches: Iterable<Stretch>): void {
    const { flowGPerS } = this.gun;
    for (const stretch of stretches) {
      lay(this.gm2, this.ground.grid, this.gun, stretch);
      const { fromS, toS, flowFrom, flowTo } = stretch;
      this.mistG += ((flowFrom + flowTo) / 2) * (toS - fromS) * flowGPerS;
    }
  }

  spatter(path: readonly PathPoint[], presses: readonly Press[], seed: number): void {
    this.spatterG += laySpatter(this.gm2, this.ground.grid, this.gun, { path, presses, seed });
  }

  judged(limits: MapLimits): Omit<Deposit, 'sprayS' | 'totalS'> {
    const { ground, gm2 } = this;
    const sprayedG = this.mistG + this.spatterG;
    const driftG = (1 - this.gun.efficiency) * this.mistG;
    const onGarmentG = this.massOf(ground.open);
    const onMaskG = this.massOf(ground.covered);
    const onTargetG = this.massOf(ground.target);
    return {
      ground,
      gm2,
      ...figuresOf(gm2, ground, limits),
      sprayedG,
      onGarmentG,
      onMaskG,
      driftG,
      offG: sprayedG - driftG - onGarmentG - onMaskG,
      onTargetG,
      wasteShare: sprayedG > 0 ? 1 - onTargetG / sprayedG : 0,
    };
  }

  private massOf(cells: Uint8Array): number {
    let sum = 0;
    for (let i = 0; i < cells.length; i++) if (cells[i] === 1) sum += this.gm2[i];
    return (sum * this.ground.grid.stepMm ** 2) / 1e6;
  }
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
