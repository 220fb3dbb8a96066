/** Where white will be printed: a rectangle, or rows of runs of cells. */
export type PrintedArea =
  | { rect: readonly [widthMm: number, heightMm: number] }
  | {
      pitchMm: number;
      cols: number;
      /** One a row: start, length, start, length … in cells. */
      rows: readonly (readonly number[])[];
    };

export interface SprayArea {
  /** The print and its margin, by shape. */
  needMm2: number;
  /** Box of that, cut to the platen: width and height. */
  rectMm: readonly [number, number];
  isClipped: boolean;
}

/**
 * What has to be sprayed for a print: all within a margin of what is printed.
 *
 * @param platenMm width and height at most; `null` without a platen
 */
export function sprayArea(
  area: PrintedArea,
  marginMm: number,
  platenMm: readonly [number, number] | null,
): SprayArea {
  const { needMm2, box } = 'rect' in area ? aroundRect(area.rect, marginMm) : aroundCells(area, marginMm);
  const [w, h] = platenMm === null ? box : [Math.min(box[0], platenMm[0]), Math.min(box[1], platenMm[1])];
  return { needMm2, rectMm: [w, h], isClipped: w < box[0] || h < box[1] };
}

interface Around {
  needMm2: number;
  box: readonly [number, number];
}

const aroundRect = ([w, h]: readonly [number, number], margin: number): Around => {
  const box = [w + 2 * margin, h + 2 * margin] as const;
  return { needMm2: box[0] * box[1] - (4 - Math.PI) * margin * margin, box };
};

/** Counts cells whose centre is within the margin of a set cell's, row by row: every run reaches a chord's length over. */
function aroundCells({ pitchMm, rows }: Extract<PrintedArea, { pitchMm: number }>, marginMm: number): Around {
  const reach = marginMm / pitchMm + 1e-9;
  const rowsOver = Math.floor(reach);
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const [row, runs] of rows.entries())
    for (let k = 0; k < runs.length; k += 2) {
      left = Math.min(left, runs[k]);
      right = Math.max(right, runs[k] + runs[k + 1]);
      top = Math.min(top, row);
      bottom = Math.max(bottom, row + 1);
    }
  const width = right - left + 2 * rowsOver;
  const difference = new Int32Array(width + 2);
  let cells = 0;
  for (let row = top - rowsOver; row < bottom + rowsOver; row++) {
    difference.fill(0);
    for (let off = -rowsOver; off <= rowsOver; off++) {
      const runs = rows[row + off];
      if (runs === undefined) continue;
      const over = Math.floor(Math.sqrt(reach * reach - off * off));
      for (let k = 0; k < runs.length; k += 2) {
        const start = runs[k] - left + rowsOver;
        difference[start - over]++;
        difference[start + runs[k + 1] + over]--;
      }
    }
    let covered = 0;
    for (let col = 0; col <= width; col++) {
      covered += difference[col];
      if (covered > 0) cells++;
    }
  }
  return {
    needMm2: cells * pitchMm * pitchMm,
    box: [(right - left) * pitchMm + 2 * marginMm, (bottom - top) * pitchMm + 2 * marginMm],
  };
}
