import { PlateMap } from './plateMap.ts';
import type { SpotReading } from './plateMap.ts';
import type { PlateSize } from './spots.ts';

/** A rectangle on a plate, mm. */
export interface PlateArea {
  leftMm: number;
  backMm: number;
  widthMm: number;
  heightMm: number;
}

/** What a survey tells of a plate. */
export interface SurveySummary {
  meanC: number;
  /** Mean above the display, K. */
  offsetK: number;
  /** Hottest less coldest spot, K. */
  spreadK: number;
  /** Spots so much below the mean that a print over them is not heated like the rest. */
  coldSpots: SpotReading[];
  /** Share of the plate within the tolerance about its mean, 0–1. */
  usableShare: number;
  /** The largest rectangle all of which is within it; `null` where there is none. */
  usable: PlateArea | null;
}

/** Readings a survey needs: fewer say nothing of corners. */
export const FEWEST_READINGS = 5;
const CELLS = 40;

/**
 * What is to be known of a plate from its spots.
 *
 * @param setC what its display said
 * @param toleranceK how far a place may be from the mean and still be used, > 0
 * @throws RangeError for fewer than five spots
 */
export function summarise(
  spots: readonly SpotReading[],
  size: PlateSize,
  { setC, toleranceK }: { setC: number; toleranceK: number },
): SurveySummary {
  if (spots.length < FEWEST_READINGS)
    throw new RangeError(`${spots.length} readings, ${FEWEST_READINGS} are needed`);
  const temps = spots.map(({ plateC }) => plateC);
  const meanC = temps.reduce((sum, own) => sum + own, 0) / temps.length;
  const isWithin = new PlateMap(size, spots)
    .grid(CELLS, CELLS)
    .map((tempC) => Math.abs(tempC - meanC) <= toleranceK);
  return {
    meanC,
    offsetK: meanC - setC,
    spreadK: Math.max(...temps) - Math.min(...temps),
    coldSpots: spots.filter(({ plateC }) => plateC < meanC - toleranceK),
    usableShare: isWithin.filter(Boolean).length / isWithin.length,
    usable: largestArea(isWithin, size),
  };
}

/** The largest rectangle of cells that are all true (heights of columns, row by row). */
function largestArea(isWithin: readonly boolean[], { widthMm, heightMm }: PlateSize): PlateArea | null {
  const heights = new Array<number>(CELLS).fill(0);
  let best = { cells: 0, left: 0, top: 0, columns: 0, rows: 0 };
  for (let row = 0; row < CELLS; row++) {
    for (let x = 0; x < CELLS; x++) heights[x] = isWithin[row * CELLS + x] ? heights[x] + 1 : 0;
    for (let left = 0; left < CELLS; left++) {
      let low = Infinity;
      for (let right = left; right < CELLS && heights[right] > 0; right++) {
        low = Math.min(low, heights[right]);
        const cells = low * (right - left + 1);
        if (cells > best.cells)
          best = { cells, left, top: row - low + 1, columns: right - left + 1, rows: low };
      }
    }
  }
  if (best.cells === 0) return null;
  return {
    leftMm: (best.left * widthMm) / CELLS,
    backMm: (best.top * heightMm) / CELLS,
    widthMm: (best.columns * widthMm) / CELLS,
    heightMm: (best.rows * heightMm) / CELLS,
  };
}

/** What a print gets where it lies. */
export interface UnderPrint {
  meanC: number;
  coldestC: number;
  coldestAt: { xMm: number; yMm: number };
}

/** The plate over an area: its mean, and its coldest place. */
export function underPrint(map: PlateMap, { leftMm, backMm, widthMm, heightMm }: PlateArea): UnderPrint {
  let sum = 0;
  let coldest = { meanC: 0, coldestC: Infinity, coldestAt: { xMm: 0, yMm: 0 } };
  const n = 16;
  for (let i = 0; i < n * n; i++) {
    const xMm = leftMm + (((i % n) + 0.5) * widthMm) / n;
    const yMm = backMm + ((Math.floor(i / n) + 0.5) * heightMm) / n;
    const tempC = map.at(xMm, yMm);
    sum += tempC;
    if (tempC < coldest.coldestC) coldest = { meanC: 0, coldestC: tempC, coldestAt: { xMm, yMm } };
  }
  return { ...coldest, meanC: sum / (n * n) };
}
