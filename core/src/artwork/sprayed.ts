import { USUAL_GRAMS, sprayArea } from '../spray/index.ts';
import { runsOf } from './runs.ts';
import type { ArtScan } from './scan.ts';
import type { PrintProcess, WhitePlane, Whites } from './white.ts';

/** What has to be pretreated for a print, its margin included, m²; nothing on film. */
export interface SprayNeed {
  /** The rectangle round what is printed. */
  box: number;
  /** All within the margin of what is printed, as a mask leaves it open. */
  shape: number;
}

/** Finer than a hand cuts a mask, mm; a cell that the print only touches counts as printed. */
const CELL_MM = 0.5;
/** Along the longer side: prints of more than a metre are counted coarser. */
const MOST_CELLS = 2000;

/** A stretch of a row of pixels, up to but not including `to`. */
type Visit = (y: number, from: number, to: number) => void;

/**
 * Follows the white; where none is printed, the ink: art in the garment's own colour wants no pretreatment.
 *
 * @param pitchMm width of one pixel as printed, mm
 */
export function sprayNeedOf(
  { width, height, ink }: Pick<ArtScan, 'width' | 'height' | 'ink'>,
  whites: Whites | null,
  pitchMm: number,
  process: PrintProcess,
): SprayNeed {
  if (process !== 'dtg-dark' && process !== 'dtg-light') return NOTHING;
  const printed = new PrintedCells(width * pitchMm, height * pitchMm, pitchMm);
  if (process === 'dtg-dark' && whites !== null) visitWhite(whites.underbase, printed.add);
  if (printed.isEmpty()) {
    const { rowStart, from, to } = runsOf(ink);
    for (let y = 0; y < height; y++)
      for (let run = rowStart[y]; run < rowStart[y + 1]; run++) printed.add(y, from[run], to[run]);
  }
  return printed.isEmpty() ? NOTHING : printed.need(USUAL_GRAMS.marginMm);
}

const NOTHING: SprayNeed = { box: 0, shape: 0 };

function visitWhite({ box, plane }: WhitePlane, visit: Visit): void {
  for (let y = 0; y < box.h; y++) {
    const row = y * box.w;
    for (let x = 0; x < box.w; x++) {
      if (plane[row + x] === 0) continue;
      const from = x;
      while (x < box.w && plane[row + x] !== 0) x++;
      visit(box.y + y, box.x + from, box.x + x);
    }
  }
}

/** Which half millimetres of a print something is printed on. */
class PrintedCells {
  private readonly cellMm: number;
  private readonly cols: number;
  private readonly cells: Uint8Array;
  private readonly box = { left: Infinity, right: 0, top: Infinity, bottom: 0 }; // px

  constructor(
    widthMm: number,
    heightMm: number,
    private readonly pitchMm: number,
  ) {
    this.cellMm = Math.max(CELL_MM, Math.max(widthMm, heightMm) / MOST_CELLS);
    this.cols = Math.ceil(widthMm / this.cellMm) + 1;
    this.cells = new Uint8Array(this.cols * (Math.ceil(heightMm / this.cellMm) + 1));
  }

  readonly add: Visit = (y, from, to) => {
    const { box, cells, cols } = this;
    box.left = Math.min(box.left, from);
    box.right = Math.max(box.right, to);
    box.top = Math.min(box.top, y);
    box.bottom = Math.max(box.bottom, y + 1);
    const scale = this.pitchMm / this.cellMm;
    const last = Math.ceil((y + 1) * scale - ROUNDING);
    for (let row = Math.floor(y * scale + ROUNDING); row < last; row++)
      cells.fill(
        1,
        row * cols + Math.floor(from * scale + ROUNDING),
        row * cols + Math.ceil(to * scale - ROUNDING),
      );
  };

  isEmpty(): boolean {
    return this.box.right === 0;
  }

  need(marginMm: number): SprayNeed {
    const { left, right, top, bottom } = this.box;
    const sideMm = (px: number): number => px * this.pitchMm + 2 * marginMm;
    const { cellMm: pitchMm, cols } = this;
    const rows = Array.from({ length: this.cells.length / cols }, (_, row) => this.runsOfRow(row));
    return {
      box: (sideMm(right - left) * sideMm(bottom - top)) / 1e6,
      shape: sprayArea({ pitchMm, cols, rows }, marginMm, null).needMm2 / 1e6,
    };
  }

  /** Start, length, start, length …, in cells. */
  private runsOfRow(row: number): number[] {
    const cells = this.cells.subarray(row * this.cols, (row + 1) * this.cols);
    const runs: number[] = [];
    for (let from = cells.indexOf(1); from >= 0;) {
      const end = cells.indexOf(0, from); // the last column is never printed on
      runs.push(from, end - from);
      from = cells.indexOf(1, end);
    }
    return runs;
  }
}

const ROUNDING = 1e-9; // of cells: a pixel that ends at a cell's edge does not touch the next
