/** A place on a plate, mm from its left and back edge as one stands before it. */
export interface Spot {
  xMm: number;
  yMm: number;
}

/** Of a plate, mm. */
export interface PlateSize {
  widthMm: number;
  heightMm: number;
}

const APART_MM = 120; // between spots (assumption: a plate's hot and cold places are hands wide)
const FEWEST = 3;
const MOST = 7;

/** Spots to read, row by row from the back: a grid from the plate's size, three to seven each way. */
export function spotsFor({ widthMm, heightMm }: PlateSize): Spot[] {
  const count = (lengthMm: number): number =>
    Math.min(MOST, Math.max(FEWEST, Math.round(lengthMm / APART_MM)));
  const [columns, rows] = [count(widthMm), count(heightMm)];
  return Array.from({ length: rows * columns }, (_, i) => ({
    xMm: Math.round(((i % columns) + 0.5) * (widthMm / columns)),
    yMm: Math.round((Math.floor(i / columns) + 0.5) * (heightMm / rows)),
  }));
}

/** Diameter of what a thermometer sees, mm: its distance over its ratio, never smaller than its lens. */
export const seenMm = (distanceMm: number, ratio: number, lensMm = 12): number =>
  Math.max(lensMm, distanceMm / ratio);

/** Spots from which a thermometer sees past the plate's edge too. */
export const pastEdge = (spots: readonly Spot[], size: PlateSize, diameterMm: number): Spot[] =>
  spots.filter(
    ({ xMm, yMm }) => Math.min(xMm, size.widthMm - xMm, yMm, size.heightMm - yMm) < diameterMm / 2,
  );

/** The third of a plate a place is in, each way, as one stands before it. */
export interface PlaceOnPlate {
  across: 'left' | 'middle' | 'right';
  along: 'back' | 'middle' | 'front';
}

export function placeOn({ xMm, yMm }: Spot, { widthMm, heightMm }: PlateSize): PlaceOnPlate {
  const third = (at: number, length: number): number => Math.min(2, Math.floor((3 * at) / length));
  return {
    across: (['left', 'middle', 'right'] as const)[third(xMm, widthMm)],
    along: (['back', 'middle', 'front'] as const)[third(yMm, heightMm)],
  };
}
