/** A plane shape, mm: x to the right, y down. */
export type SprayShape =
  { rect: readonly [x: number, y: number, w: number, h: number] } | { polygon: readonly Point[] };

export type Point = readonly [x: number, y: number];

export interface Box {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

/** Corners in order. */
export function cornersOf(shape: SprayShape): readonly Point[] {
  if ('polygon' in shape) return shape.polygon;
  const [x, y, w, h] = shape.rect;
  return [
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ];
}

export function boxOf(shape: SprayShape): Box {
  const corners = cornersOf(shape);
  const xs = corners.map(([x]) => x);
  const ys = corners.map(([, y]) => y);
  return { x0: Math.min(...xs), y0: Math.min(...ys), x1: Math.max(...xs), y1: Math.max(...ys) };
}

/** Square cells over a box, from its least corner; those at the far sides may stand over. */
export interface Grid {
  x0: number;
  y0: number;
  stepMm: number;
  cols: number;
  rows: number;
}

export function gridOver({ x0, y0, x1, y1 }: Box, stepMm: number): Grid {
  return {
    x0,
    y0,
    stepMm,
    cols: Math.ceil((x1 - x0) / stepMm - 1e-9),
    rows: Math.ceil((y1 - y0) / stepMm - 1e-9),
  };
}

/** Cells whose centre lies in a shape (even-odd rule), as ones, row by row. */
export function cellsIn(shape: SprayShape, { x0, y0, stepMm, cols, rows }: Grid): Uint8Array {
  const cells = new Uint8Array(cols * rows);
  const corners = cornersOf(shape);
  const at = (x: number): number => Math.min(cols, Math.max(0, Math.ceil((x - x0) / stepMm - 0.5)));
  for (let row = 0; row < rows; row++) {
    const y = y0 + (row + 0.5) * stepMm;
    const crossings: number[] = [];
    for (let i = 0; i < corners.length; i++) {
      const [ax, ay] = corners[i];
      const [bx, by] = corners[(i + 1) % corners.length];
      if (ay > y !== by > y) crossings.push(ax + ((y - ay) / (by - ay)) * (bx - ax));
    }
    crossings.sort((a, b) => a - b);
    for (let k = 0; k + 1 < crossings.length; k += 2)
      cells.fill(1, row * cols + at(crossings[k]), row * cols + at(crossings[k + 1]));
  }
  return cells;
}

/** Distance from a point to the nearest side of a shape, mm, from inside or outside. */
export function distanceToOutline(corners: readonly Point[], x: number, y: number): number {
  let least = Infinity;
  for (let i = 0; i < corners.length; i++) {
    const [ax, ay] = corners[i];
    const [bx, by] = corners[(i + 1) % corners.length];
    const dx = bx - ax;
    const dy = by - ay;
    const length2 = dx * dx + dy * dy;
    const along = length2 === 0 ? 0 : ((x - ax) * dx + (y - ay) * dy) / length2;
    const share = Math.min(1, Math.max(0, along));
    least = Math.min(least, (x - ax - share * dx) ** 2 + (y - ay - share * dy) ** 2);
  }
  return Math.sqrt(least);
}
