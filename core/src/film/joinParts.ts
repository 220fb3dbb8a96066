/** Cells of 1 mm, row by row: 1 where something is printed. */
interface Grid {
  cells: Uint8Array;
  width: number;
  height: number;
}

const JOINED = 1;
const APART = 2;

/** Joins each part to what is nearest to it, cell by cell. Film grown round the way by half a gap holds together. */
export function joinParts({ cells, width, height }: Grid): void {
  const first = cells.indexOf(1);
  if (first < 0) return;
  const parts = { cells: cells.map((own) => (own === 0 ? 0 : APART)), width, height };
  take(parts, first);
  for (let way = shortestWay(parts); way !== null; way = shortestWay(parts)) {
    for (const at of way) cells[at] = 1;
    for (const at of way.slice(1)) parts.cells[at] = JOINED;
    take(parts, way[0]);
  }
}

/** Adds the part that a cell is of to what is joined. */
function take(parts: Grid, start: number): void {
  const open = [start];
  parts.cells[start] = JOINED;
  for (let at = open.pop(); at !== undefined; at = open.pop())
    for (const beside of around(parts, at))
      if (parts.cells[beside] === APART) {
        parts.cells[beside] = JOINED;
        open.push(beside);
      }
}

/** From a cell of another part over empty ones to what is joined; `null` where all is. */
function shortestWay(parts: Grid): number[] | null {
  const { cells } = parts;
  const from = new Int32Array(cells.length).fill(-1);
  const queue: number[] = [];
  cells.forEach((part, at) => {
    if (part !== JOINED) return;
    from[at] = at;
    queue.push(at);
  });
  for (const at of queue)
    for (const beside of around(parts, at)) {
      if (from[beside] >= 0) continue;
      from[beside] = at;
      if (cells[beside] !== APART) {
        queue.push(beside);
        continue;
      }
      const way: number[] = [];
      for (let step = beside; from[step] !== step; step = from[step]) way.push(step);
      return way;
    }
  return null;
}

/** Cells beside a cell, corners too. */
function around({ width, height }: Grid, at: number): number[] {
  const [x, y] = [at % width, Math.floor(at / width)];
  const found: number[] = [];
  for (let j = Math.max(0, y - 1); j <= Math.min(height - 1, y + 1); j++)
    for (let i = Math.max(0, x - 1); i <= Math.min(width - 1, x + 1); i++)
      if (i !== x || j !== y) found.push(j * width + i);
  return found;
}
