import type { OpaqueBox } from './boxDetection.ts';
import type { Finding } from './finding.ts';
import type { InkUse, Laydown, Separation } from './ink.ts';
import type { Box } from './pixels.ts';
import type { ShapeFigures } from './shape.ts';
import type { SprayNeed } from './sprayed.ts';
import type { ArtStep } from './steps/index.ts';
import type { Water } from './water.ts';
import type { PrintProcess, UnderbaseSettings } from './white.ts';

/** What has to be known about the print besides the pixels. */
export interface ArtJob {
  /** Printed width of the whole image, mm, > 0. */
  widthMm: number;
  /** The garment's colour, "#rrggbb". */
  garment: string;
  process: PrintProcess;
  /** What is done to the file before it is printed, in order. */
  steps?: readonly ArtStep[];
  /** Leave out for the process's defaults. */
  underbase?: Partial<UnderbaseSettings>;
  laydown?: Partial<Laydown>;
  separation?: Partial<Separation>;
}

/** How printed white looks in figures. */
export interface WhiteFigures {
  chokePx: number;
  /** Mean of the plane over the whole image, 0–1; and what it would be without choke. */
  meanPlane: number;
  unchokedMean: number;
  /** White relative to the inked area, 0–1. */
  coverageOfInk: number;
  /** Pixels that wanted white but lost all of it to the choke. */
  lostToChokePx: number;
  /** Share of the ink's area that vanishes, rather than shrinks, under the choke. */
  chokeLostShare: number;
  /** Pixels of the whole image by white code, sixteen bins. */
  hist16: number[];
}

/** Everything the route, the cost and the eye need to know about one artwork at one size on one garment. */
export interface ArtFigures extends ShapeFigures, InkUse {
  /** Pixels of the art as printed, after all steps. */
  px: [width: number, height: number];
  widthMm: number;
  heightMm: number;
  pitchMm: number;
  dpi: number;
  /** What the original file says, before any step. */
  src: {
    px: [width: number, height: number];
    ghostPx: number;
    bbox: Box | null;
    semiShare: number;
    noAlpha: boolean;
    nnScale: number;
    trueDpi: number;
  };
  /** The box behind the art in the original file. */
  box: OpaqueBox;
  /** The box that is still there after all steps. */
  boxLeft: OpaqueBox;
  /** What the knock-out steps took, when there are any. */
  knockout: { removedPx: number; softPx: number } | null;
  /** Rectangle round the ink, px and mm; `null` when there is none. */
  bbox: Box | null;
  bboxMm: Box | null;
  inkMm2: number;
  maskMm2: number;
  bboxFill: number;
  semiShare: number;
  softShare: number;
  colours: { unique: number; flatShare: number; flat: number; kind: 'flat' | 'tonal' };
  white: WhiteFigures;
  /** Share of the ink that would need white but gets none; `null` where white is printed. */
  unprintableLightShare: number | null;
  /** What has to be pretreated where it is printed directly. */
  sprayM2: SprayNeed;
  water: Water;
  /** Codes of what is wrong, in the order things are looked at. */
  warnings: string[];
  /** The same for people, in order of harm, with places and fixes. */
  findings: Finding[];
  underbase: UnderbaseSettings;
  laydown: Laydown;
  separation: Separation;
}
