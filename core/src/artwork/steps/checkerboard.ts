import { bitsWithout, invertBits } from '../bits.ts';
import { markColours } from '../boxDetection.ts';
import { parseHex } from '../colour.ts';
import { FAINT_ALPHA } from '../pixels.ts';
import type { Pixels } from '../pixels.ts';
import { connectParts, keepParts } from '../runs.ts';
import type { ArtScan } from '../scan.ts';
import { assertRange } from './artStep.ts';
import type { StepWork } from './artStep.ts';
import { clearBits } from './dropSpecks.ts';

const SAME_GREY = 5; // perceptual distance; the two greys of a board lie closer to each other than to most art
const ENCLOSED_CELLS = 2; // areas of board inside the art are at least this many squares

/** Clears the two greys of a painted checkerboard where they are joined to the border, and enclosed areas of some squares. */
export function removeCheckerboard(
  image: Pixels,
  scan: ArtScan,
  { greys, cellPx }: Extract<StepWork, { kind: 'remove-checkerboard' }>,
): Pixels {
  assertRange('remove-checkerboard', 'square', cellPx, 1, 2000);
  const board = markColours(scan, greys.map(parseHex), SAME_GREY, FAINT_ALPHA);
  const passable = invertBits(bitsWithout(scan.ink, board));
  const parts = connectParts(passable, 4);
  const enough = ENCLOSED_CELLS * cellPx * cellPx;
  const cleared = keepParts(parts, (part) => parts.isAtBorder[part] === 1 || parts.areaPx[part] >= enough);
  for (let i = 0; i < cleared.words.length; i++) cleared.words[i] &= board.words[i];
  return clearBits(image, cleared);
}
