/** A garment's front (or back) as a line drawing in mm, in a middle size; the collar's middle is the origin, y downwards. */
export interface GarmentOutline {
  /** Closed outline. */
  body: string;
  /** Seams, collar and the like, of the front and of the back. */
  details: string;
  back: string;
  /** Rectangle that holds it all, mm. */
  box: { x: number; y: number; width: number; height: number };
}

const TEE: GarmentOutline = {
  body: 'M -80 -18 C -50 22 50 22 80 -18 L 215 28 L 330 205 L 262 248 L 232 200 L 232 660 Q 0 676 -232 660 L -232 200 L -262 248 L -330 205 L -215 28 Z',
  details:
    'M -92 -12 C -55 40 55 40 92 -12 M 232 200 L 215 28 M -232 200 L -215 28 M -232 640 Q 0 656 232 640',
  back: 'M -92 -12 C -55 6 55 6 92 -12 M 232 200 L 215 28 M -232 200 L -215 28 M -232 640 Q 0 656 232 640',
  box: { x: -330, y: -20, width: 660, height: 696 },
};

const HOODIE: GarmentOutline = {
  body: 'M -95 -20 C -120 -150 -60 -190 0 -190 C 60 -190 120 -150 95 -20 L 225 25 L 345 430 L 275 465 L 240 260 L 240 640 L -240 640 L -240 260 L -275 465 L -345 430 L -225 25 Z',
  details:
    'M -95 -20 C -60 40 -20 55 0 95 C 20 55 60 40 95 -20 M -55 -10 C -60 -90 -30 -130 0 -130 C 30 -130 60 -90 55 -10 M -22 60 L -26 190 M 22 60 L 26 190 M -150 470 L -115 410 L 115 410 L 150 470 L 150 590 L -150 590 Z M -240 600 L 240 600',
  back: 'M -95 -20 C -60 10 60 10 95 -20 M 0 -190 L 0 0 M -240 600 L 240 600',
  box: { x: -345, y: -190, width: 690, height: 830 },
};

const BIB: GarmentOutline = {
  body: 'M -70 0 C -45 70 45 70 70 0 L 150 0 L 165 90 L 200 140 L 200 560 L -200 560 L -200 140 L -165 90 L -150 0 Z',
  details:
    'M -84 0 C -55 88 55 88 84 0 M -200 330 L -235 335 L -235 365 L -200 370 M 200 330 L 235 335 L 235 365 L 200 370',
  back: 'M -84 0 C -55 18 55 18 84 0 M -200 330 L -235 335 L -235 365 L -200 370 M 200 330 L 235 335 L 235 365 L 200 370',
  box: { x: -235, y: -5, width: 470, height: 570 },
};

const TOTE: GarmentOutline = {
  body: 'M -190 0 L 190 0 L 190 410 L -190 410 Z',
  details: 'M -110 0 C -110 -280 110 -280 110 0 M -85 0 C -85 -245 85 -245 85 0 M -190 28 L 190 28',
  back: 'M -110 0 C -110 -280 110 -280 110 0 M -85 0 C -85 -245 85 -245 85 0 M -190 28 L 190 28',
  box: { x: -190, y: -215, width: 380, height: 630 },
};

const CAP: GarmentOutline = {
  body: 'M -95 60 C -100 -60 -50 -95 0 -95 C 50 -95 100 -60 95 60 Z',
  details:
    'M 0 -95 L 0 60 M -95 60 C -60 35 60 35 95 60 C 150 90 60 125 0 125 C -60 125 -150 90 -95 60 M -6 -96 A 6 6 0 1 1 6 -96',
  back: 'M 0 -95 L 0 60 M -30 60 C -30 15 30 15 30 60',
  box: { x: -125, y: -105, width: 250, height: 235 },
};

const OUTLINES: Record<string, GarmentOutline> = { tee: TEE, hoodie: HOODIE, bib: BIB, tote: TOTE, cap: CAP };

/** The outline for a kind of garment, from the side a placement is on; a tee for a kind without its own. */
export function outlineOf(kind: string, placement: string): GarmentOutline {
  const outline = OUTLINES[kind] ?? TEE;
  return placement === 'back' ? { ...outline, details: outline.back } : outline;
}

/**
 * Middle of the top edge of a print from the collar's middle, mm. Sizes differ: this is a middle one.
 *
 * @param placement key of the placement
 */
export function printTop(placement: string, dropMm: number): { x: number; y: number } {
  if (placement === 'left-chest') return { x: 95, y: dropMm }; // the wearer's left is the viewer's right
  if (placement === 'right-chest') return { x: -95, y: dropMm };
  if (placement.startsWith('cap')) return { x: 0, y: -70 };
  return { x: 0, y: dropMm };
}
