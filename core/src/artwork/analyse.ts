import { detectOpaqueBox } from './boxDetection.ts';
import type { OpaqueBox } from './boxDetection.ts';
import { readFileFacts } from './fileFacts.ts';
import type { FileFacts } from './fileFacts.ts';
import { listFindings } from './findings.ts';
import type { Finding } from './findings.ts';
import { defaultLaydown, measureInk } from './ink.ts';
import type { InkUse, Laydown } from './ink.ts';
import { assertPixels, inkBox } from './pixels.ts';
import type { PixelBox, Pixels } from './pixels.ts';
import { defaultUnderbase, layWhite } from './white.ts';
import type { PrintProcess, UnderbaseSettings, WhitePlane } from './white.ts';

/** What has to be known about the print besides the pixels. */
export interface ArtJob {
  /** Printed width of the whole image, mm, > 0. */
  widthMm: number;
  garmentHex: string;
  process: PrintProcess;
  /** Leave out for the process's defaults. */
  underbase?: Partial<UnderbaseSettings>;
  laydown?: Partial<Laydown>;
}

/** Everything the route, the cost and the eye need to know about one artwork at one size on one garment. */
export interface ArtFigures {
  widthPx: number;
  heightPx: number;
  widthMm: number;
  heightMm: number;
  perInch: number;
  /** Rectangle round the ink, px and mm; `null` when the image is empty. */
  box: PixelBox | null;
  boxMm: { x: number; y: number; width: number; height: number } | null;
  file: FileFacts;
  opaqueBox: OpaqueBox;
  ink: InkUse;
  /** White relative to the inked area, 0–1. */
  whiteShare: number;
  lostToChokePx: number;
  underbase: UnderbaseSettings;
  laydown: Laydown;
  findings: Finding[];
}

/**
 * Judges an artwork for one job. About thirty passes over the pixels; memory is the image plus
 * at most two 4-byte planes of its ink's rectangle.
 *
 * @returns the figures and the white plane they were taken from (`null` when nothing is printed)
 * @throws RangeError for an image of the wrong byte count, a width that is not positive or settings out of range
 */
export function analyseArtwork(
  image: Pixels,
  job: ArtJob,
): { figures: ArtFigures; white: WhitePlane | null } {
  assertPixels(image);
  if (!(job.widthMm > 0)) throw new RangeError(`printed width is ${job.widthMm} mm, expected more than 0`);
  const pitchMm = job.widthMm / image.width;
  const underbase = { ...defaultUnderbase(job.process), ...job.underbase };
  const laydown = { ...defaultLaydown(job.process), ...job.laydown };
  const box = inkBox(image);
  const file = readFileFacts(image, box, pitchMm);
  const opaqueBox = detectOpaqueBox(image, box, job.garmentHex);
  const white = box && layWhite(image, box, pitchMm, job.garmentHex, job.process, underbase);
  const ink = measureInk(image, white, pitchMm, job.process, laydown);
  const figures: ArtFigures = {
    widthPx: image.width,
    heightPx: image.height,
    widthMm: job.widthMm,
    heightMm: image.height * pitchMm,
    perInch: 25.4 / pitchMm,
    box,
    boxMm: box && {
      x: box.x * pitchMm,
      y: box.y * pitchMm,
      width: box.width * pitchMm,
      height: box.height * pitchMm,
    },
    file,
    opaqueBox,
    ink,
    whiteShare: ink.coverage.w,
    lostToChokePx: white?.lostToChokePx ?? 0,
    underbase,
    laydown,
    findings: listFindings({ image, box, pitchMm, facts: file, opaqueBox }),
  };
  return { figures, white };
}
