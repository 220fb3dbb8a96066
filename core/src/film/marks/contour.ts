/** A point on film, mm from its corner. */
export type Point = readonly [xMm: number, yMm: number];

interface Field {
  /** Values at the crossings of a lattice, row by row; negative is inside. */
  values: Float64Array;
  columns: number;
  rows: number;
}

/** Corners of a square of the lattice, clockwise from the upper left, as steps along x and y. */
const CORNERS = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
] as const;

/**
 * Where a field is 0, as closed lines round what is inside, the inside at the right hand of whoever walks along them;
 * holes are walked the other way. The border of the lattice has to be outside. Marching squares with straight
 * interpolation (textbook); where two insides meet in a corner they are parted.
 *
 * @returns lines in steps of the lattice; the first point is not repeated at the end
 */
export function contoursOf({ values, columns, rows }: Field): Point[][] {
  const next = new Map<number, number>();
  const points = new Map<number, Point>();
  for (let y = 0; y + 1 < rows; y++)
    for (let x = 0; x + 1 < columns; x++) {
      const at = y * columns + x;
      const insides = [at, at + 1, at + columns, at + columns + 1].filter((own) => values[own] < 0).length;
      if (insides === 0 || insides === 4) continue;
      const corners = CORNERS.map(([i, j]) => values[(y + j) * columns + x + i]);
      const crossed: { edge: number; isIn: boolean }[] = [];
      for (let k = 0; k < 4; k++) {
        const [p, q] = [corners[k], corners[(k + 1) % 4]];
        if (p < 0 === q < 0) continue;
        const edge = edgeOf(x, y, k, columns);
        points.set(edge, crossing([x, y], k, p / (p - q)));
        crossed.push({ edge, isIn: q < 0 }); // walking clockwise round the square, the inside begins here
      }
      // each way in is joined to the way out that follows it: the inside lies between
      for (const [k, { edge, isIn }] of crossed.entries()) {
        const out = crossed[(k + 1) % crossed.length];
        if (isIn && out) next.set(out.edge, edge);
      }
    }
  return loopsOf(next).map((loop) =>
    loop.flatMap((edge): Point[] => {
      const point = points.get(edge);
      return point ? [point] : [];
    }),
  );
}

/** Each edge of the lattice has a number: the ones along x first. */
function edgeOf(x: number, y: number, k: number, columns: number): number {
  const at = (i: number, j: number): number => 2 * (j * columns + i);
  if (k === 0) return at(x, y);
  if (k === 2) return at(x, y + 1);
  return k === 1 ? at(x + 1, y) + 1 : at(x, y) + 1;
}

function crossing([x, y]: Point, k: number, share: number): Point {
  const [i, j] = CORNERS[k];
  const [toI, toJ] = CORNERS[(k + 1) % 4];
  return [x + i + share * (toI - i), y + j + share * (toJ - j)];
}

function loopsOf(next: Map<number, number>): number[][] {
  const loops: number[][] = [];
  for (const [start] of next) {
    const loop: number[] = [];
    for (let at: number | undefined = start; at !== undefined;) {
      const to: number | undefined = next.get(at);
      next.delete(at);
      if (to !== undefined) loop.push(at);
      at = to;
    }
    if (loop.length > 2) loops.push(loop);
  }
  return loops;
}

/** Twice the area a closed line encloses: above 0 where it goes clockwise as seen, y downwards. */
export const turningOf = (loop: readonly Point[]): number =>
  loop.reduce((sum, [x, y], i) => {
    const [toX, toY] = loop[(i + 1) % loop.length];
    return sum + x * toY - toX * y;
  }, 0);

/**
 * A closed line without the points that lie nearer than `slack` to the straight line between those that are kept
 * (Douglas and Peucker, Cartographica 10, 1973).
 */
export function simplified(loop: readonly Point[], slack: number): Point[] {
  if (loop.length < 4) return [...loop];
  let far = 0;
  for (const [i, point] of loop.entries()) if (apart(point, loop[0]) > apart(loop[far], loop[0])) far = i;
  const there = loop.slice(0, far + 1);
  const back = [...loop.slice(far), loop[0]];
  return [...thinned(there, slack).slice(0, -1), ...thinned(back, slack).slice(0, -1)];
}

const apart = ([x, y]: Point, [toX, toY]: Point): number => Math.hypot(toX - x, toY - y);

function thinned(line: readonly Point[], slack: number): Point[] {
  const keep = new Uint8Array(line.length);
  keep[0] = 1;
  keep[line.length - 1] = 1;
  const open: [number, number][] = [[0, line.length - 1]];
  for (let own = open.pop(); own !== undefined; own = open.pop()) {
    const [from, to] = own;
    let [worst, at] = [slack, -1];
    for (let i = from + 1; i < to; i++) {
      const off = offLine(line[i], line[from], line[to]);
      if (off > worst) [worst, at] = [off, i];
    }
    if (at < 0) continue;
    keep[at] = 1;
    open.push([from, at], [at, to]);
  }
  return line.filter((_, i) => keep[i] === 1);
}

function offLine(point: Point, from: Point, to: Point): number {
  const length = apart(from, to);
  if (length === 0) return apart(point, from);
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  return Math.abs(dx * (from[1] - point[1]) - dy * (from[0] - point[0])) / length;
}
