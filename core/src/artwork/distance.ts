/**
 * Squared Euclidean distance from each pixel centre to the nearest pixel outside the mask (all beyond the image is), exact integers as far as
 * `reachPx` and held at `reachPx²` beyond. Two passes (columns, then rows); only pixels within reach of an edge cost more than a look.
 *
 * @param mask row-major, non-zero inside; read, never written
 * @param reachPx farthest distance of interest, whole px, 1 to 65 535
 * @returns px², 0 outside the mask
 * @throws RangeError when `mask.length` is not `width * height` or the reach is out of range
 */
export function squaredDistances(
  mask: Uint8Array,
  width: number,
  height: number,
  reachPx: number,
): Uint32Array {
  if (mask.length !== width * height)
    throw new RangeError(`mask has ${mask.length} px, expected ${width} × ${height}`);
  if (!(Number.isInteger(reachPx) && reachPx >= 1 && reachPx <= 65535)) {
    throw new RangeError(`reach is ${reachPx} px, expected a whole number from 1 to 65535`);
  }
  const columns = columnDistances(mask, width, height, reachPx);
  const field = new Uint32Array(mask.length);
  const nearest = new Int32Array(width); // px along the row to a pixel that is nearer than the reach in its column
  for (let y = 0; y < height; y++) alongRow(columns, field, y * width, width, { reachPx, nearest });
  return field;
}

/** Distance, px, up or down the column to the nearest background pixel, at most the reach. */
function columnDistances(mask: Uint8Array, width: number, height: number, reachPx: number): Uint16Array {
  const field = new Uint16Array(mask.length);
  for (let x = 0; x < width; x++) field[x] = mask[x] ? 1 : 0;
  for (let i = width; i < field.length; i++) {
    const above = field[i - width] + 1;
    field[i] = mask[i] ? (above < reachPx ? above : reachPx) : 0;
  }
  const last = field.length - width;
  for (let i = last; i < field.length; i++) if (field[i] > 1) field[i] = 1;
  for (let i = last - 1; i >= 0; i--) {
    const below = field[i + width] + 1;
    if (field[i] > below) field[i] = below;
  }
  return field;
}

interface RowWork {
  reachPx: number;
  nearest: Int32Array;
}

/** One row of min over u of (x − u)² + column(u)², looking only as far as the reach. */
function alongRow(columns: Uint16Array, field: Uint32Array, at: number, width: number, work: RowWork): void {
  const { reachPx, nearest } = work;
  const cap = reachPx * reachPx;
  let gap = 0; // the image's sides are background too
  for (let x = 0; x < width; x++) {
    gap = columns[at + x] < reachPx ? 0 : gap + 1;
    nearest[x] = gap;
  }
  gap = 0;
  for (let x = width - 1; x >= 0; x--) {
    const column = columns[at + x];
    gap = column < reachPx ? 0 : gap + 1;
    if (gap < nearest[x]) nearest[x] = gap;
    if (column === 0) continue;
    field[at + x] = nearest[x] >= reachPx ? cap : nearestInRow(columns, at, x, width, reachPx);
  }
}

function nearestInRow(columns: Uint16Array, at: number, x: number, width: number, reachPx: number): number {
  let best = columns[at + x] * columns[at + x];
  for (let d = 1; d * d < best && d <= reachPx; d++) {
    const left = x - d < 0 ? 0 : columns[at + x - d];
    const right = x + d >= width ? 0 : columns[at + x + d];
    const column = left < right ? left : right;
    const candidate = d * d + column * column;
    if (candidate < best) best = candidate;
  }
  return best;
}
