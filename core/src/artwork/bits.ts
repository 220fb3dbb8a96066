/**
 * A mask of one bit a pixel, rows packed into 32-bit words: pixel x of row y is bit `x & 31` of word `y · stride + (x >> 5)`.
 * Bits beyond the width are 0.
 */
export interface BitPlane {
  width: number;
  height: number;
  /** Words per row. */
  stride: number;
  words: Int32Array;
}

/** An empty mask. */
export function makeBits(width: number, height: number): BitPlane {
  const stride = (width + 31) >> 5;
  return { width, height, stride, words: new Int32Array(stride * height) };
}

/** True when pixel (x, y) is set; everything outside the mask is not. */
export function hasBit({ width, height, stride, words }: BitPlane, x: number, y: number): boolean {
  if (x < 0 || y < 0 || x >= width || y >= height) return false;
  return ((words[y * stride + (x >> 5)] >>> (x & 31)) & 1) === 1;
}

/** Where the run of set pixels that begins at `from` ends: the first unset pixel of row `y` from there on, or `to`. */
export function runEnd({ stride, words }: BitPlane, y: number, from: number, to: number): number {
  for (let x = from; x < to;) {
    const clear = ~words[y * stride + (x >> 5)] >>> (x & 31);
    if (clear !== 0) return Math.min(to, x + lowestBit(clear));
    x = (x | 31) + 1;
  }
  return to;
}

/** Sets pixels `from` up to but not including `to` of row `y`; both must lie inside the mask. */
export function setRun({ stride, words }: BitPlane, y: number, from: number, to: number): void {
  if (to <= from) return;
  const first = y * stride + (from >> 5);
  const last = y * stride + ((to - 1) >> 5);
  const head = -1 << (from & 31);
  const tail = -1 >>> (31 - ((to - 1) & 31));
  if (first === last) {
    words[first] |= head & tail;
    return;
  }
  words[first] |= head;
  for (let i = first + 1; i < last; i++) words[i] = -1;
  words[last] |= tail;
}

/** True when no pixel is set. */
export function isEmpty({ words }: BitPlane): boolean {
  for (let i = 0; i < words.length; i++) if (words[i] !== 0) return false;
  return true;
}

/** Number of pixels set. */
export function countBits({ words }: BitPlane): number {
  let count = 0;
  for (let i = 0; i < words.length; i++) {
    const word = words[i];
    if (word !== 0) count += word === -1 ? 32 : popCount(word);
  }
  return count;
}

/** Bits set in a 32-bit word (Warren, Hacker's Delight, 5–1). */
export function popCount(word: number): number {
  let v = word - ((word >>> 1) & 0x55555555);
  v = (v & 0x33333333) + ((v >>> 2) & 0x33333333);
  return Math.imul((v + (v >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

/** A new mask of the pixels in `a` that are not in `b`, both of one size. */
export function bitsWithout(a: BitPlane, b: BitPlane): BitPlane {
  const out = makeBits(a.width, a.height);
  for (let i = 0; i < out.words.length; i++) out.words[i] = a.words[i] & ~b.words[i];
  return out;
}

/** A new mask of every pixel not set, with `padWords` words of set pixels left and right and `padRows` rows above and below. */
export function invertBits(bits: BitPlane, padWords = 0, padRows = 0): BitPlane {
  const { width, height, stride, words } = bits;
  const out = makeBits(width + 64 * padWords, height + 2 * padRows);
  if (padWords > 0 || padRows > 0) out.words.fill(-1);
  for (let y = 0; y < height; y++) {
    const to = (y + padRows) * out.stride + padWords;
    for (let j = 0; j < stride; j++) out.words[to + j] = ~words[y * stride + j];
  }
  clearBeyondWidth(out);
  return out;
}

/** Restores the promise that bits beyond the width are 0. */
export function clearBeyondWidth({ width, height, stride, words }: BitPlane): void {
  const spare = stride * 32 - width;
  if (spare === 0) return;
  const keep = -1 >>> spare;
  for (let y = 0; y < height; y++) words[y * stride + stride - 1] &= keep;
}

/** Pixels set that have an unset one (or the mask's outside) left, right, above or below, counted once for each such side. */
export function countEdges({ width, height, stride, words }: BitPlane): number {
  let edges = 0;
  for (let y = 0; y < height; y++) {
    const row = y * stride;
    let carry = 0; // last pixel of the word before
    for (let j = 0; j < stride; j++) {
      const word = words[row + j];
      if (word !== 0 && !(word === -1 && carry === 1)) edges += popCount(word ^ ((word << 1) | carry));
      else if (word === 0) edges += carry;
      carry = word >>> 31;
      const above = y === 0 ? 0 : words[row - stride + j];
      if (word !== above) edges += popCount(word ^ above);
      if (y === height - 1 && word !== 0) edges += popCount(word);
    }
    if (carry === 1 && (width & 31) === 0) edges++; // otherwise the run ended inside the last word
  }
  return edges;
}

/** Smallest rectangle round all set pixels, `null` when there are none. */
export function boundsOfBits(bits: BitPlane): { x: number; y: number; w: number; h: number } | null {
  const { height, stride, words } = bits;
  const columns = new Int32Array(stride);
  let top = -1;
  let bottom = -1;
  for (let y = 0; y < height; y++) {
    let any = 0;
    for (let j = 0; j < stride; j++) {
      const word = words[y * stride + j];
      any |= word;
      columns[j] |= word;
    }
    if (any === 0) continue;
    if (top < 0) top = y;
    bottom = y;
  }
  if (top < 0) return null;
  let first = 0;
  while (columns[first] === 0) first++;
  let last = stride - 1;
  while (columns[last] === 0) last--;
  const x = 32 * first + lowestBit(columns[first]);
  const right = 32 * last + 31 - Math.clz32(columns[last]);
  return { x, y: top, w: right - x + 1, h: bottom - top + 1 };
}

/** Place of the lowest set bit of a word that is not 0. */
export const lowestBit = (word: number): number => 31 - Math.clz32(word & -word);

/** Calls `visit` with each set pixel, row by row from the left; words with nothing set cost one look. */
export function forEachBit({ height, stride, words }: BitPlane, visit: (x: number, y: number) => void): void {
  for (let y = 0; y < height; y++) {
    for (let j = 0; j < stride; j++)
      for (let word = words[y * stride + j]; word !== 0; word &= word - 1) visit(32 * j + lowestBit(word), y);
  }
}
