import { boxOf, cornersOf, distanceToOutline } from '../shapes.ts';
import type { DepositProblem, SprayGround } from './ground.ts';

/** How even a map is over its target. */
export interface MapFigures {
  meanGm2: number;
  /** Standard deviation / mean, %. */
  cvPct: number;
  minGm2: number;
  maxGm2: number;
  /** Shares of the target's area. */
  belowShare: number;
  aboveShare: number;
  /** Mean of the edge / mean of the rest - 1; `null` where there is no edge, no rest or nothing on it. */
  edgeExcess: { all: number | null; sides: number | null; ends: number | null };
}

/** What a map is judged by. */
export type MapLimits = Pick<DepositProblem, 'target' | 'lowGm2' | 'highGm2' | 'edgeMm'>;

interface Sum {
  of: number;
  cells: number;
}

/** Figures over the target's cells on the open garment. */
export function figuresOf(
  gm2: Float64Array,
  { grid, target, targetCells }: Pick<SprayGround, 'grid' | 'target' | 'targetCells'>,
  { target: shape, lowGm2, highGm2, edgeMm }: MapLimits,
): MapFigures {
  const { x0, y0, stepMm, cols, rows } = grid;
  const corners = cornersOf(shape);
  const box = boxOf(shape);
  const [all, sides, ends, rest] = Array.from({ length: 4 }, (): Sum => ({ of: 0, cells: 0 })) as [
    Sum,
    Sum,
    Sum,
    Sum,
  ];
  const add = (sum: Sum, value: number): void => {
    sum.of += value;
    sum.cells++;
  };
  let [total, low, high, least, most] = [0, 0, 0, Infinity, -Infinity];
  for (let row = 0; row < rows; row++) {
    const y = y0 + (row + 0.5) * stepMm;
    const toEnd = Math.min(Math.abs(y - box.y0), Math.abs(box.y1 - y));
    for (let col = 0; col < cols; col++) {
      const at = row * cols + col;
      if (target[at] === 0) continue;
      const value = gm2[at];
      total += value;
      if (value < lowGm2) low++;
      if (value > highGm2) high++;
      if (value < least) least = value;
      if (value > most) most = value;
      const x = x0 + (col + 0.5) * stepMm;
      const toSide = Math.min(Math.abs(x - box.x0), Math.abs(box.x1 - x));
      // in a rectangle, its box is its outline
      const off = 'rect' in shape ? Math.min(toEnd, toSide) : distanceToOutline(corners, x, y);
      if (off >= edgeMm) add(rest, value);
      else {
        add(all, value);
        if (toSide < edgeMm) add(sides, value);
        if (toEnd < edgeMm) add(ends, value);
      }
    }
  }
  const mean = total / targetCells;
  const excess = (sum: Sum): number | null =>
    sum.cells === 0 || rest.cells === 0 || rest.of === 0
      ? null
      : sum.of / sum.cells / (rest.of / rest.cells) - 1;
  return {
    meanGm2: mean,
    cvPct: mean > 0 ? (100 * spreadAbout(mean, gm2, target, targetCells)) / mean : 0,
    minGm2: least,
    maxGm2: most,
    belowShare: low / targetCells,
    aboveShare: high / targetCells,
    edgeExcess: { all: excess(all), sides: excess(sides), ends: excess(ends) },
  };
}

/** Standard deviation of the whole, not of a sample. */
function spreadAbout(mean: number, gm2: Float64Array, target: Uint8Array, cells: number): number {
  let squares = 0;
  for (let i = 0; i < gm2.length; i++) if (target[i] === 1) squares += (gm2[i] - mean) ** 2;
  return Math.sqrt(squares / cells);
}
