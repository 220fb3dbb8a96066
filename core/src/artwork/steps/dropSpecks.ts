import { bitsWithout, forEachBit, isEmpty } from '../bits.ts';
import type { BitPlane } from '../bits.ts';
import { makeDisc } from '../disc.ts';
import type { Pixels } from '../pixels.ts';
import { connectParts, keepParts } from '../runs.ts';
import type { ArtScan } from '../scan.ts';
import { dilateAny } from '../thinParts.ts';
import { assertRange } from './artStep.ts';
import type { StepWork } from './artStep.ts';

const RIM_PX = 2; // how far the soft edge of a speck reaches

/** Clears parts of the shape smaller than an area, with the soft rim round them. */
export function dropSpecks(
  image: Pixels,
  { ink, shape }: ArtScan,
  { smallerThanMm2 }: Extract<StepWork, { kind: 'drop-specks' }>,
  pitchMm: number,
): Pixels {
  assertRange('drop-specks', 'area', smallerThanMm2, 0.001, 100);
  const parts = connectParts(shape, 8);
  const most = smallerThanMm2 / (pitchMm * pitchMm);
  const specks = keepParts(parts, (part) => parts.areaPx[part] < most);
  const rim = dilateAny(specks, makeDisc(RIM_PX, true), bitsWithout(ink, bitsWithout(shape, specks)));
  return clearBits(image, rim);
}

/** The image with nothing left where bits are set; the same image when none are. */
export function clearBits(image: Pixels, bits: BitPlane): Pixels {
  if (isEmpty(bits)) return image;
  const data = new Uint8Array(image.data);
  forEachBit(bits, (x, y) => data.fill(0, 4 * (y * bits.width + x), 4 * (y * bits.width + x) + 4));
  return { ...image, data };
}
