import { makeBits } from './bits.ts';
import type { BitPlane } from './bits.ts';

/**
 * A disc of whole-pixel offsets as one span per row: row `dy = top + i` holds offsets `from[i]` … `to[i]`.
 * Its centre may lie between pixels.
 */
export interface Disc {
  top: number;
  from: readonly number[];
  to: readonly number[];
  /** Farthest offset to any side, px. */
  reach: number;
}

/**
 * Offsets (dx, dy) whose distance to the centre `(ox, oy)` is below `radius`, or at most `radius` when `isClosed`.
 *
 * @param radius px, ≥ 0
 * @param ox centre in px from a pixel's centre, 0 or ½
 */
export function makeDisc(radius: number, isClosed: boolean, ox = 0, oy = 0): Disc {
  const bound = radius * radius;
  const isIn = (dx: number, dy: number): boolean => {
    const d2 = (dx - ox) * (dx - ox) + (dy - oy) * (dy - oy);
    return isClosed ? d2 <= bound : d2 < bound;
  };
  const whole = Math.ceil(radius) + 1;
  const from: number[] = [];
  const to: number[] = [];
  let top = 0;
  let reach = 0;
  for (let dy = -whole; dy <= whole; dy++) {
    let first = -whole;
    while (first <= whole && !isIn(first, dy)) first++;
    if (first > whole) continue;
    let last = whole;
    while (!isIn(last, dy)) last--;
    if (from.length === 0) top = dy;
    from.push(first);
    to.push(last);
    reach = Math.max(reach, Math.abs(first), Math.abs(last), Math.abs(dy));
  }
  return { top, from, to, reach };
}

/** The disc turned about the origin: what {@link dilate} needs to undo {@link erode} with an off-centre disc. */
export function turned({ top, from, to, reach }: Disc): Disc {
  const bottom = top + from.length - 1;
  return {
    top: -bottom,
    from: to.map((dx) => -dx).reverse(),
    to: from.map((dx) => -dx).reverse(),
    reach,
  };
}

/** Longest reach that the word-wise passes handle, px: a span may touch the words beside, no further. */
export const MAX_REACH = 31;

/**
 * Words that are mixed or unlike a neighbour: everywhere else the mask is uniform for a word around.
 *
 * @returns indices of words, ascending
 */
export function changingWords({ height, stride, words }: BitPlane): Int32Array {
  const changes = new Uint8Array(stride);
  let found = new Int32Array(1024);
  let count = 0;
  for (let y = 0; y < height; y++) {
    readChanges(words, y * stride, stride, y === 0, y === height - 1, changes);
    if (count + stride > found.length) {
      const larger = new Int32Array(2 * found.length + stride);
      larger.set(found);
      found = larger;
    }
    for (let j = 0; j < stride; j++) if (changes[j] !== 0) found[count++] = y * stride + j;
  }
  return found.subarray(0, count);
}

/**
 * Words within `reach` rows and one column of words of some that change. Round all others the mask is uniform, so no disc of
 * that reach changes them.
 *
 * @param reach px, at most {@link MAX_REACH}
 * @param changing see {@link changingWords}
 * @returns indices of words, ascending
 */
export function activeWords(bits: BitPlane, reach: number, changing = changingWords(bits)): Int32Array {
  const { height, stride } = bits;
  const left = new Int32Array(stride); // rows for which the column of words is still within reach of a change
  let active = new Int32Array(4 * changing.length + stride);
  let count = 0;
  let next = 0;
  for (let lead = 0; lead < height + reach; lead++) {
    for (const end = (lead + 1) * stride; next < changing.length && changing[next] < end; next++) {
      const j = changing[next] - lead * stride;
      left[j] = 2 * reach + 1;
      if (j > 0) left[j - 1] = 2 * reach + 1;
      if (j + 1 < stride) left[j + 1] = 2 * reach + 1;
    }
    const row = (lead - reach) * stride;
    if (count + stride > active.length) {
      const larger = new Int32Array(2 * active.length + stride);
      larger.set(active);
      active = larger;
    }
    for (let j = 0; j < stride; j++) {
      if (left[j] === 0) continue;
      left[j]--;
      if (row >= 0) active[count++] = row + j;
    }
  }
  return active.subarray(0, count);
}

/** Flags each word of a row that is mixed or unlike the word after it or below it; beyond the mask nothing is set. */
function readChanges(
  words: Int32Array,
  row: number,
  stride: number,
  isFirst: boolean,
  isLast: boolean,
  changes: Uint8Array,
): void {
  for (let j = 0; j < stride; j++) {
    const word = words[row + j];
    const after = j + 1 < stride ? words[row + j + 1] : 0;
    const below = isLast ? 0 : words[row + stride + j];
    const isEdge = (isFirst || j === 0) && word !== 0;
    changes[j] = (word !== 0 && word !== -1) || word !== after || word !== below || isEdge ? 1 : 0;
  }
}

/**
 * Which pixels of the word at index `at` have the whole disc round them set; outside the mask nothing is.
 * Reads the mask only: whoever keeps the answers decides where.
 */
export function erodedWord({ height, stride, words }: BitPlane, disc: Disc, at: number): number {
  const y = Math.floor(at / stride);
  const j = at - y * stride;
  const { top, from, to } = disc;
  let left = -1;
  for (let i = 0; i < from.length && left !== 0; i++) {
    const v = y + top + i;
    left = v < 0 || v >= height ? 0 : left & allOfSpan(words, v * stride, j, stride, from[i], to[i]);
  }
  return left;
}

/**
 * Which of the wanted pixels of the word at index `at` the disc, turned about the origin and laid round them, finds a set pixel in.
 *
 * @param disc already {@link turned}: the answer is then the dilation by the disc as it was
 */
export function dilatedWord(
  { height, stride, words }: BitPlane,
  disc: Disc,
  at: number,
  want: number,
): number {
  const y = Math.floor(at / stride);
  const j = at - y * stride;
  const { top, from, to } = disc;
  let got = 0;
  for (let i = 0; i < from.length && (got & want) !== want; i++) {
    const v = y + top + i;
    if (v >= 0 && v < height) got |= anyOfSpan(words, v * stride, j, stride, from[i], to[i]);
  }
  return got & want;
}

/**
 * Pixels round which the whole disc is set (outside the mask nothing is).
 *
 * @param active words to look at, see {@link activeWords}, for this reach or a longer one; the others stay as they are
 * @throws RangeError for a disc reaching farther than {@link MAX_REACH}
 */
export function erode(bits: BitPlane, disc: Disc, active = activeWords(bits, disc.reach)): BitPlane {
  assertReach(disc);
  const out = { ...bits, words: bits.words.slice() };
  for (let k = 0; k < active.length; k++) out.words[active[k]] = erodedWord(bits, disc, active[k]);
  return out;
}

/**
 * Pixels that the disc, laid round any set pixel, covers; only those wanted are worked out.
 *
 * @param wanted the answer is exact for these pixels; others are missing
 * @throws RangeError for a disc reaching farther than {@link MAX_REACH}
 */
export function dilate(bits: BitPlane, disc: Disc, wanted: BitPlane): BitPlane {
  assertReach(disc);
  const out = makeBits(bits.width, bits.height);
  const back = turned(disc);
  for (let at = 0; at < out.words.length; at++) {
    const want = wanted.words[at];
    if (want !== 0) out.words[at] = dilatedWord(bits, back, at, want);
  }
  return out;
}

/** For each pixel of word `j`, whether all pixels from `x + from` to `x + to` of the row are set. */
function allOfSpan(
  words: Int32Array,
  row: number,
  j: number,
  stride: number,
  from: number,
  to: number,
): number {
  const here = words[row + j];
  const before = j > 0 ? words[row + j - 1] : 0;
  const after = j + 1 < stride ? words[row + j + 1] : 0;
  if ((before & here & after) === -1) return -1;
  let all = -1;
  for (let dx = from; dx <= to; dx++) {
    if (dx === 0) all &= here;
    else if (dx > 0) all &= (here >>> dx) | (after << (32 - dx));
    else all &= (here << -dx) | (before >>> (32 + dx));
    if (all === 0) return 0;
  }
  return all;
}

/** For each pixel of word `j`, whether any pixel from `x + from` to `x + to` of the row is set. */
function anyOfSpan(
  words: Int32Array,
  row: number,
  j: number,
  stride: number,
  from: number,
  to: number,
): number {
  const here = words[row + j];
  const before = j > 0 ? words[row + j - 1] : 0;
  const after = j + 1 < stride ? words[row + j + 1] : 0;
  if ((before | here | after) === 0) return 0;
  let any = 0;
  for (let dx = from; dx <= to; dx++) {
    if (dx === 0) any |= here;
    else if (dx > 0) any |= (here >>> dx) | (after << (32 - dx));
    else any |= (here << -dx) | (before >>> (32 + dx));
    if (any === -1) return -1;
  }
  return any;
}

function assertReach({ reach }: Disc): void {
  if (reach > MAX_REACH) throw new RangeError(`disc reaches ${reach} px, expected at most ${MAX_REACH}`);
}
