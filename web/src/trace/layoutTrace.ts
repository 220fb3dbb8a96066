/** A stretch of a trace as it is drawn. */
export interface TracePiece {
  durationS: number;
  tempC: number;
  isHandsOn: boolean;
  kind?: 'heat' | 'rest' | 'window';
  label?: string;
  operation?: string;
}

export interface DrawnPiece extends TracePiece {
  x: number;
  width: number;
  y: number;
  /** So long that it is drawn shorter than to scale. */
  isBroken: boolean;
}

const TO_SCALE_S = 60;
const FULL_C = 205;
const ROOM_C = 15;

/**
 * Places pieces on a strip: to scale up to a minute, then ever shorter, so that a long rest does not squeeze the presses.
 *
 * @param width of the strip, px
 * @param height of the temperature axis, px; hot is up
 */
export function layoutTrace(pieces: readonly TracePiece[], width: number, height: number): DrawnPiece[] {
  const lengths = pieces.map(
    ({ durationS }) =>
      6 + (durationS <= TO_SCALE_S ? durationS : TO_SCALE_S + 22 * Math.log2(durationS / TO_SCALE_S)),
  );
  const total = lengths.reduce((sum, length) => sum + length, 0) || 1;
  let x = 0;
  return pieces.map((piece, i) => {
    const drawn = {
      ...piece,
      x,
      width: ((lengths[i] ?? 0) / total) * width,
      y: yOf(piece.tempC, height),
      isBroken: piece.durationS > 3 * TO_SCALE_S,
    };
    x += drawn.width;
    return drawn;
  });
}

/** Height of a temperature on the axis, px from the top. */
export const yOf = (tempC: number, height: number): number =>
  height - ((tempC - ROOM_C) / (FULL_C - ROOM_C)) * height;

/** The outline of the trace as an SVG path with slanted flanks, like heat coming and going. */
export function tracePath(pieces: readonly DrawnPiece[]): string {
  return pieces
    .map(({ x, width, y }, i) => {
      const slant = Math.min(4, width / 4);
      return `${i === 0 ? `M${x},${y}` : `L${x + slant},${y}`} L${x + width - slant},${y}`;
    })
    .join(' ');
}

/**
 * Where a moment is on the strip, px from its left; moments beyond the trace are at its end.
 *
 * @param atS from the trace's beginning, s
 */
export function xAt(pieces: readonly DrawnPiece[], atS: number): number {
  let fromS = 0;
  for (const { x, width, durationS } of pieces) {
    if (atS <= fromS + durationS)
      return x + (durationS > 0 ? (Math.max(0, atS - fromS) / durationS) * width : 0);
    fromS += durationS;
  }
  const last = pieces[pieces.length - 1];
  return last ? last.x + last.width : 0;
}

/** When each operation begins in a trace, s. */
export function beginningsOf(pieces: readonly TracePiece[]): Map<string, number> {
  const begins = new Map<string, number>();
  let atS = 0;
  for (const { operation, durationS } of pieces) {
    if (operation !== undefined && !begins.has(operation)) begins.set(operation, atS);
    atS += durationS;
  }
  return begins;
}
