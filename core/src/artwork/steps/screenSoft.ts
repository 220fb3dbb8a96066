import { bitsWithout, forEachBit, hasBit, invertBits } from '../bits.ts';
import type { BitPlane } from '../bits.ts';
import { FAINT_ALPHA } from '../pixels.ts';
import type { Pixels } from '../pixels.ts';
import { connectParts, keepParts } from '../runs.ts';
import { scanArt } from '../scan.ts';
import type { ArtScan } from '../scan.ts';
import { SPECK_MM2, findSoft } from '../shape.ts';
import { assertRange } from './artStep.ts';
import type { StepWork } from './artStep.ts';
import { clearBits } from './dropSpecks.ts';

const RANKS = 64; // samples of the dot's shape along a cell's side
const ANGLE = Math.PI / 4; // rows at 45° are seen least

/**
 * Turns what is softly transparent into dots of full ink whose area is its alpha: ink, white and powder hold on a dot, not on a mist.
 * Round dots on a lattice turned by 45° (amplitude-modulated screening); a dot, or a gap, under 0.2 mm² is left out, as it would not hold.
 */
export function screenSoft(
  image: Pixels,
  scan: ArtScan,
  { cellMm }: Extract<StepWork, { kind: 'screen-soft' }>,
  pitchMm: number,
): Pixels {
  assertRange('screen-soft', 'distance of the dots', cellMm, 0.5, 5);
  const soft = findSoft(scan, pitchMm);
  const ranks = dotRanks();
  const cell = cellMm / pitchMm;
  const least = SPECK_MM2 / (cellMm * cellMm);
  const data = new Uint8Array(image.data);
  for (let y = 0; y < image.height; y++) {
    for (let x = 0; x < image.width; x++) {
      if (!hasBit(soft, x, y)) continue;
      const a = 4 * (y * image.width + x) + 3;
      const share = data[a] < FAINT_ALPHA ? 0 : data[a] / 255;
      const u = (x * Math.cos(ANGLE) + y * Math.sin(ANGLE)) / cell;
      const v = (y * Math.cos(ANGLE) - x * Math.sin(ANGLE)) / cell;
      const rank = ranks[RANKS * rankIndex(v) + rankIndex(u)];
      data[a] = share < least ? 0 : share > 1 - least || share > rank ? 255 : 0;
    }
  }
  const screened = { ...image, data };
  return mendCutDots(screened, soft, SPECK_MM2 / (pitchMm * pitchMm));
}

const rankIndex = (u: number): number => Math.floor((u - Math.floor(u)) * RANKS) & (RANKS - 1);

/** For each place in a cell, the share (0–1) of the cell that is nearer the dot's middle: a dot of area a is where the rank is below a. */
function dotRanks(): Float64Array {
  const spot = Float64Array.from({ length: RANKS * RANKS }, (_, i) => {
    const u = ((i % RANKS) + 0.5) / RANKS;
    const v = (Math.floor(i / RANKS) + 0.5) / RANKS;
    return -Math.cos(2 * Math.PI * (u - 0.5)) - Math.cos(2 * Math.PI * (v - 0.5));
  });
  const order = [...spot.keys()].sort((p, q) => spot[p] - spot[q]);
  const ranks = new Float64Array(spot.length);
  order.forEach((place, rank) => (ranks[place] = (rank + 0.5) / spot.length));
  return ranks;
}

/** Clears dots that the edge of the soft area cut too small to hold, and fills gaps too small to stay open. */
function mendCutDots(image: Pixels, soft: BitPlane, leastPx: number): Pixels {
  const { ink } = scanArt(image);
  const small = (bits: BitPlane, neighbours: 4 | 8): BitPlane => {
    const parts = connectParts(bits, neighbours);
    return keepParts(parts, (part) => parts.areaPx[part] < leastPx);
  };
  const within = (bits: BitPlane): BitPlane => bitsWithout(bits, bitsWithout(bits, soft));
  const cleared = clearBits(image, within(small(ink, 8)));
  return fillBits(cleared, within(small(invertBits(ink), 4)));
}

/** The image with full ink where bits are set. */
function fillBits(image: Pixels, bits: BitPlane): Pixels {
  const data = new Uint8Array(image.data);
  forEachBit(bits, (x, y) => (data[4 * (y * bits.width + x) + 3] = 255));
  return { ...image, data };
}
