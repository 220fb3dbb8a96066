import { bitsWithout, clearBeyondWidth, countBits, invertBits, isEmpty, makeBits, popCount } from './bits.ts';
import type { BitPlane } from './bits.ts';
import {
  MAX_REACH,
  activeWords,
  changingWords,
  dilate,
  dilatedWord,
  erode,
  erodedWord,
  makeDisc,
  turned,
} from './disc.ts';
import type { Disc } from './disc.ts';
import { dilateRuns, erodeRuns } from './runMorphology.ts';
import { bitsOfRuns, connectParts, keepParts, runsOf } from './runs.ts';

/** Disc centres lie on pixel centres and half-way between: else a line of 3 px could not be told from one of 4. */
const LATTICE: readonly (readonly [ox: number, oy: number])[] = [
  [0, 0],
  [0.5, 0],
  [0, 0.5],
  [0.5, 0.5],
];

/** Finds thin parts of one shape at several diameters, sharing what is the same for all of them. */
export interface ThinFinder {
  /**
   * Pixels of the shape that no disc of a given diameter inside the shape covers: where it is thinner than that.
   * Opening by a disc with centres on the half-pixel lattice (Serra, Image Analysis and Mathematical Morphology, 1982);
   * leftovers in corners, every pixel of which is within 1.5 r + ½ px of a possible centre, do not count.
   *
   * @param diameterPx px, > 0, at most the finder's own
   * @returns a new mask
   */
  find: (diameterPx: number) => BitPlane;
}

/** @param maxDiameterPx the largest diameter that will be asked for, px */
export function thinFinder(shape: BitPlane, maxDiameterPx: number): ThinFinder {
  if (reachOf(maxDiameterPx) > MAX_REACH) return { find: (diameterPx) => findThinByRuns(shape, diameterPx) };
  const changing = changingWords(shape);
  // possible centres on each lattice; away from the edges they are the shape itself, whatever the disc
  const centres = LATTICE.map((): BitPlane => ({ ...shape, words: shape.words.slice() }));
  return {
    find: (diameterPx) => {
      const r = radiusOf(diameterPx);
      const reach = reachOf(diameterPx);
      const active = activeWords(shape, reach, changing);
      const residue = makeBits(shape.width, shape.height);
      for (let k = 0; k < active.length; k++) residue.words[active[k]] = shape.words[active[k]];
      LATTICE.forEach(([ox, oy], i) => {
        // after the first lattice little is left: centres are only wanted near it
        const wanted = i === 0 ? active : activeWords(shape, reach, setWords(residue, active));
        const inside = makeDisc(r + 0.5, false, ox, oy);
        const isOverOrigin = Math.hypot(ox, oy) < r + 0.5; // then a centre's own pixel is set
        for (let k = 0; k < wanted.length; k++) {
          const at = wanted[k];
          centres[i].words[at] = shape.words[at] === 0 && isOverOrigin ? 0 : erodedWord(shape, inside, at);
        }
        takeOutCovered(residue, centres[i], makeDisc(r, true, ox, oy), active);
      });
      if (isEmpty(residue)) return residue;
      const far = { ...residue, words: residue.words.slice() };
      LATTICE.forEach(([ox, oy], i) =>
        takeOutCovered(far, centres[i], makeDisc(1.5 * r + 0.5, true, ox, oy), active),
      );
      return keepTouching(residue, far);
    },
  };
}

/** Indices of words in which something is set, of those listed. */
function setWords({ words }: BitPlane, listed: Int32Array): Int32Array {
  let count = 0;
  const found = new Int32Array(listed.length);
  for (let k = 0; k < listed.length; k++) if (words[listed[k]] !== 0) found[count++] = listed[k];
  return found.subarray(0, count);
}

/** Thin parts at one diameter, see {@link ThinFinder}. */
export const findThinParts = (shape: BitPlane, diameterPx: number): BitPlane =>
  thinFinder(shape, diameterPx).find(diameterPx);

const reachOf = (diameterPx: number): number => Math.ceil(0.75 * diameterPx + 2); // of the widest disc used, px

function radiusOf(diameterPx: number): number {
  if (!(diameterPx > 0)) throw new RangeError(`diameter is ${diameterPx} px, expected more than 0`);
  return diameterPx / 2;
}

/** Clears pixels that the disc covers from some centre, in the active words. */
function takeOutCovered(target: BitPlane, centres: BitPlane, disc: Disc, active: Int32Array): void {
  const back = turned(disc);
  for (let k = 0; k < active.length; k++) {
    const at = active[k];
    const want = target.words[at];
    if (want !== 0) target.words[at] = want & ~dilatedWord(centres, back, at, want);
  }
}

/** {@link findThinParts} for discs too large for words: only at very high resolutions. */
export function findThinByRuns(shape: BitPlane, diameterPx: number): BitPlane {
  const r = radiusOf(diameterPx);
  const runs = runsOf(shape);
  const centres = LATTICE.map(([ox, oy]) => erodeRuns(runs, makeDisc(r + 0.5, false, ox, oy)));
  const without = (from: BitPlane, radius: number): BitPlane =>
    LATTICE.reduce(
      (left, [ox, oy], i) =>
        bitsWithout(left, bitsOfRuns(dilateRuns(centres[i], makeDisc(radius, true, ox, oy)))),
      from,
    );
  const residue = without(shape, r);
  return isEmpty(residue) ? residue : keepTouching(residue, without(residue, 1.5 * r + 0.5));
}

/** Finds gaps of a shape narrower than given widths, as thin parts of what is around it. The world beyond the image is gap. */
export function gapFinder(shape: BitPlane, maxWidthPx: number): ThinFinder {
  const padRows = Math.ceil(maxWidthPx) + 2; // a disc touching the image from outside lies wholly in the padding
  const padWords = Math.ceil(padRows / 32);
  const around = thinFinder(invertBits(shape, padWords, padRows), maxWidthPx);
  return {
    find: (widthPx) => {
      const thin = around.find(widthPx);
      const out = makeBits(shape.width, shape.height);
      for (let y = 0; y < out.height; y++) {
        const from = (y + padRows) * thin.stride + padWords;
        out.words.set(thin.words.subarray(from, from + out.stride), y * out.stride);
      }
      clearBeyondWidth(out);
      return out;
    },
  };
}

/**
 * Share of a shape that vanishes, rather than shrinks, when it is choked: what an opening by the choke does not give back.
 *
 * @param chokePx px, ≥ 0
 * @returns 0–1
 */
export function vanishingShare(shape: BitPlane, chokePx: number): number {
  const area = countBits(shape);
  if (area === 0 || chokePx === 0) return 0;
  const disc = makeDisc(chokePx, true);
  if (disc.reach > MAX_REACH) {
    const open = bitsOfRuns(dilateRuns(erodeRuns(runsOf(shape), disc), disc));
    return 1 - countBits(open) / area;
  }
  const active = activeWords(shape, disc.reach);
  const centres = erode(shape, disc, active);
  const back = turned(disc);
  let lost = 0;
  for (let k = 0; k < active.length; k++) {
    const want = shape.words[active[k]];
    if (want !== 0) lost += popCount(want & ~dilatedWord(centres, back, active[k], want));
  }
  return lost / area;
}

/** {@link erode} for discs of any reach. */
export const erodeAny = (bits: BitPlane, disc: Disc): BitPlane =>
  disc.reach <= MAX_REACH ? erode(bits, disc) : bitsOfRuns(erodeRuns(runsOf(bits), disc));

/** {@link dilate} for discs of any reach; exact for the wanted pixels. */
export const dilateAny = (bits: BitPlane, disc: Disc, wanted: BitPlane): BitPlane =>
  disc.reach <= MAX_REACH ? dilate(bits, disc, wanted) : bitsOfRuns(dilateRuns(runsOf(bits), disc));

/** Eight-connected parts of `bits` that hold at least one pixel of `seeds`, which lie in `bits`. */
function keepTouching(bits: BitPlane, seeds: BitPlane): BitPlane {
  const parts = connectParts(bits, 8);
  const { runs, partOf } = parts;
  const isHit = new Uint8Array(parts.count);
  for (let y = 0; y < runs.height; y++) {
    for (let i = runs.rowStart[y]; i < runs.rowStart[y + 1]; i++)
      if (isHit[partOf[i]] === 0 && anyInRun(seeds, y, runs.from[i], runs.to[i])) isHit[partOf[i]] = 1;
  }
  return keepParts(parts, (part) => isHit[part] === 1);
}

function anyInRun({ stride, words }: BitPlane, y: number, from: number, to: number): boolean {
  for (let x = from; x < to;) {
    const word = words[y * stride + (x >> 5)] >>> (x & 31);
    const span = Math.min(32 - (x & 31), to - x);
    if ((word & (span === 32 ? -1 : (1 << span) - 1)) !== 0) return true;
    x += span;
  }
  return false;
}
