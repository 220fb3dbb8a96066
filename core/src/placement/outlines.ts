import type { BlankKind } from '../blank/index.ts';
import { sideOf } from './faces.ts';
import type { PlacementKey } from './placements.ts';

/** A garment's front (or back) as a line drawing in mm, in a middle size; the collar's middle is the origin, y downwards. */
export interface GarmentOutline {
  /** Closed outline. */
  body: string;
  /** Seams, collar and the like, of the front and of the back. */
  details: string;
  back: string;
  /** Rectangle that holds it all, mm. */
  box: { x: number; y: number; width: number; height: number };
  /** Body width the drawing was made for, mm: other sizes are drawn to their share of it. */
  bodyWidthMm: number;
}

const TEE: GarmentOutline = {
  body: 'M -80 -18 C -50 22 50 22 80 -18 L 215 28 L 330 205 L 262 248 L 232 200 L 232 660 Q 0 676 -232 660 L -232 200 L -262 248 L -330 205 L -215 28 Z',
  details:
    'M -92 -12 C -55 40 55 40 92 -12 M 232 200 L 215 28 M -232 200 L -215 28 M -232 640 Q 0 656 232 640',
  back: 'M -92 -12 C -55 6 55 6 92 -12 M 232 200 L 215 28 M -232 200 L -215 28 M -232 640 Q 0 656 232 640',
  box: { x: -330, y: -20, width: 660, height: 696 },
  bodyWidthMm: 464,
};

const HOODIE: GarmentOutline = {
  body: 'M -95 -20 C -120 -150 -60 -190 0 -190 C 60 -190 120 -150 95 -20 L 225 25 L 345 430 L 275 465 L 240 260 L 240 640 L -240 640 L -240 260 L -275 465 L -345 430 L -225 25 Z',
  details:
    'M -95 -20 C -60 40 -20 55 0 95 C 20 55 60 40 95 -20 M -55 -10 C -60 -90 -30 -130 0 -130 C 30 -130 60 -90 55 -10 M -22 60 L -26 190 M 22 60 L 26 190 M -150 470 L -115 410 L 115 410 L 150 470 L 150 590 L -150 590 Z M -240 600 L 240 600',
  back: 'M -95 -20 C -60 10 60 10 95 -20 M 0 -190 L 0 0 M -240 600 L 240 600',
  box: { x: -345, y: -190, width: 690, height: 830 },
  bodyWidthMm: 480,
};

const BIB: GarmentOutline = {
  body: 'M -70 0 C -45 70 45 70 70 0 L 150 0 L 165 90 L 200 140 L 200 560 L -200 560 L -200 140 L -165 90 L -150 0 Z',
  details:
    'M -84 0 C -55 88 55 88 84 0 M -200 330 L -235 335 L -235 365 L -200 370 M 200 330 L 235 335 L 235 365 L 200 370',
  back: 'M -84 0 C -55 18 55 18 84 0 M -200 330 L -235 335 L -235 365 L -200 370 M 200 330 L 235 335 L 235 365 L 200 370',
  box: { x: -235, y: -5, width: 470, height: 570 },
  bodyWidthMm: 400,
};

const TOTE: GarmentOutline = {
  body: 'M -190 0 L 190 0 L 190 410 L -190 410 Z',
  details: 'M -110 0 C -110 -280 110 -280 110 0 M -85 0 C -85 -245 85 -245 85 0 M -190 28 L 190 28',
  back: 'M -110 0 C -110 -280 110 -280 110 0 M -85 0 C -85 -245 85 -245 85 0 M -190 28 L 190 28',
  box: { x: -190, y: -215, width: 380, height: 630 },
  bodyWidthMm: 380,
};

const CAP: GarmentOutline = {
  body: 'M -95 60 C -100 -60 -50 -95 0 -95 C 50 -95 100 -60 95 60 Z',
  details:
    'M 0 -95 L 0 60 M -95 60 C -60 35 60 35 95 60 C 150 90 60 125 0 125 C -60 125 -150 90 -95 60 M -6 -96 A 6 6 0 1 1 6 -96',
  back: 'M 0 -95 L 0 60 M -30 60 C -30 15 30 15 30 60',
  box: { x: -125, y: -105, width: 250, height: 235 },
  bodyWidthMm: 190,
};

const SWEATSHIRT: GarmentOutline = {
  body: 'M -85 -18 C -50 24 50 24 85 -18 L 225 25 L 345 430 L 275 465 L 240 260 L 240 640 L -240 640 L -240 260 L -275 465 L -345 430 L -225 25 Z',
  details: 'M -97 -12 C -58 42 58 42 97 -12 M -240 600 L 240 600',
  back: 'M -97 -12 C -58 8 58 8 97 -12 M -240 600 L 240 600',
  box: { x: -345, y: -20, width: 690, height: 665 },
  bodyWidthMm: 480,
};

const APRON: GarmentOutline = {
  body: 'M -130 0 L 130 0 C 140 140 190 230 300 260 L 300 800 L -300 800 L -300 260 C -190 230 -140 140 -130 0 Z',
  details: 'M -130 0 C -130 -190 130 -190 130 0 M -160 470 L 160 470 L 160 640 L -160 640 Z',
  back: 'M -130 0 C -130 -190 130 -190 130 0',
  box: { x: -300, y: -145, width: 600, height: 950 },
  bodyWidthMm: 600,
};

const CUSHION: GarmentOutline = {
  body: 'M -200 0 Q 0 12 200 0 Q 188 200 200 400 Q 0 388 -200 400 Q -188 200 -200 0 Z',
  details: '',
  back: 'M -150 370 L 150 370',
  box: { x: -200, y: 0, width: 400, height: 400 },
  bodyWidthMm: 400,
};

const MASK: GarmentOutline = {
  body: 'M -95 0 L 95 0 L 90 95 L -90 95 Z',
  details: 'M -95 4 C -150 0 -150 95 -90 91 M 95 4 C 150 0 150 95 90 91 M -93 32 L 93 32 M -91 62 L 91 62',
  back: '',
  box: { x: -140, y: -2, width: 280, height: 100 },
  bodyWidthMm: 190,
};

const JEANS: GarmentOutline = {
  body: 'M -190 0 L 190 0 L 225 980 L 60 980 L 0 300 L -60 980 L -225 980 Z',
  details:
    'M -190 45 L 190 45 M 0 45 L 0 300 M -180 60 C -120 70 -95 110 -95 150 M 180 60 C 120 70 95 110 95 150',
  back: 'M -190 45 L 190 45 M 0 45 L 0 300',
  box: { x: -225, y: 0, width: 450, height: 985 },
  bodyWidthMm: 380,
};

const PATCH: GarmentOutline = {
  body: 'M -30 0 L 30 0 Q 40 0 40 10 L 40 40 Q 40 50 30 50 L -30 50 Q -40 50 -40 40 L -40 10 Q -40 0 -30 0 Z',
  details: 'M -36 10 Q -36 4 -30 4 L 30 4 Q 36 4 36 10 L 36 40 Q 36 46 30 46 L -30 46 Q -36 46 -36 40 Z',
  back: '',
  box: { x: -40, y: 0, width: 80, height: 50 },
  bodyWidthMm: 80,
};

const TOP: GarmentOutline = {
  body: 'M -80 -18 C -50 50 50 50 80 -18 L 130 -8 C 130 90 160 170 225 200 L 225 640 Q 0 656 -225 640 L -225 200 C -160 170 -130 90 -130 -8 Z',
  details: 'M -92 -14 C -56 66 56 66 92 -14 M -225 620 Q 0 636 225 620',
  back: 'M -92 -14 C -56 12 56 12 92 -14 M -225 620 Q 0 636 225 620',
  box: { x: -225, y: -20, width: 450, height: 680 },
  bodyWidthMm: 450,
};

const LEGGINGS: GarmentOutline = {
  body: 'M -150 0 L 150 0 C 180 120 175 300 130 520 L 95 900 L 40 900 L 30 520 L 0 260 L -30 520 L -40 900 L -95 900 L -130 520 C -175 300 -180 120 -150 0 Z',
  details: 'M -152 55 L 152 55 M 0 55 L 0 260',
  back: 'M -152 55 L 152 55 M 0 55 L 0 260',
  box: { x: -180, y: 0, width: 360, height: 905 },
  bodyWidthMm: 300,
};

const JACKET: GarmentOutline = {
  body: 'M -75 -55 L 75 -55 L 90 -15 L 230 25 L 350 440 L 280 475 L 250 270 L 250 650 L -250 650 L -250 270 L -280 475 L -350 440 L -230 25 L -90 -15 Z',
  details:
    'M 0 -55 L 0 650 M -90 -15 L -75 -55 M 90 -15 L 75 -55 M -200 470 L -110 400 M 200 470 L 110 400 M -250 610 L 250 610',
  back: 'M -90 -15 C -50 5 50 5 90 -15 M -250 610 L 250 610',
  box: { x: -350, y: -60, width: 700, height: 715 },
  bodyWidthMm: 500,
};

const BLANKET: GarmentOutline = {
  body: 'M -600 0 L 600 0 L 600 900 L -600 900 Z',
  details: 'M -575 25 L 575 25 L 575 875 L -575 875 Z',
  back: '',
  box: { x: -600, y: 0, width: 1200, height: 900 },
  bodyWidthMm: 1200,
};

const BAG: GarmentOutline = {
  body: 'M -150 0 Q -160 -10 -140 -14 L 140 -14 Q 160 -10 150 0 L 165 300 Q 165 330 135 330 L -135 330 Q -165 330 -165 300 Z',
  details: 'M -60 -14 C -60 -70 60 -70 60 -14 M -152 30 L 152 30 M -110 200 L 110 200 L 110 310 L -110 310 Z',
  back: 'M -60 -14 C -60 -70 60 -70 60 -14',
  box: { x: -165, y: -62, width: 330, height: 395 },
  bodyWidthMm: 330,
};

const OUTLINES: Record<BlankKind, GarmentOutline> = {
  tee: TEE,
  'performance-shirt': TEE,
  sweatshirt: SWEATSHIRT,
  hoodie: HOODIE,
  bib: BIB,
  'cap-five': { ...CAP, details: CAP.details.replace('M 0 -95 L 0 60 ', '') },
  'cap-six': CAP,
  'cap-stretch': CAP,
  tote: TOTE,
  apron: APRON,
  cushion: CUSHION,
  mask: MASK,
  jeans: JEANS,
  patch: PATCH,
  top: TOP,
  leggings: LEGGINGS,
  jacket: JACKET,
  blanket: BLANKET,
  bag: BAG,
};

/** How much larger than drawn a size is: by its body width; 1 where the chart does not say. */
export const outlineScale = ({ bodyWidthMm }: GarmentOutline, sizeWidthMm: number | null): number =>
  sizeWidthMm === null ? 1 : sizeWidthMm / bodyWidthMm;

/** The outline for a kind of blank, from the side a placement is on. */
export function outlineOf(kind: BlankKind, placement: PlacementKey): GarmentOutline {
  const outline = OUTLINES[kind];
  return sideOf(placement) === 'back' ? { ...outline, details: outline.back } : outline;
}

/**
 * Middle of the top edge of a print from the collar's middle (or the middle of the upper edge), mm, in the drawing's size.
 *
 * @param dropMm as measured: below the collar, or below the upper edge
 */
export function printTop(placement: PlacementKey, dropMm: number): { x: number; y: number } {
  switch (placement) {
    case 'left-chest': // the wearer's left is the viewer's right
    case 'pocket':
      return { x: 95, y: dropMm };
    case 'right-chest':
      return { x: -95, y: dropMm };
    case 'left-sleeve':
      return { x: 262, y: 60 + dropMm };
    case 'right-sleeve':
      return { x: -262, y: 60 + dropMm };
    case 'cap-front':
    case 'cap-rear':
      return { x: 0, y: dropMm - 85 };
    case 'cap-corner':
      return { x: 45, y: dropMm - 80 };
    case 'cap-side':
      return { x: 60, y: dropMm - 75 };
    case 'jeans-leg':
      return { x: 120, y: dropMm };
    case 'leggings-leg':
      return { x: 88, y: dropMm };
    case 'blanket-corner':
      return { x: 420, y: dropMm };
    default:
      return { x: 0, y: dropMm };
  }
}
