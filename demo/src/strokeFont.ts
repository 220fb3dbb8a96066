/** Strokes of each capital on a grid 4 wide and 6 high, so that the demo's art needs no font on the machine that draws it. */
const STROKES: Record<string, string> = {
  A: '0,6 2,0 4,6;1,4 3,4',
  B: '0,6 0,0 3,0 4,1 4,2 3,3 0,3;3,3 4,4 4,5 3,6 0,6',
  C: '4,1 3,0 1,0 0,1 0,5 1,6 3,6 4,5',
  D: '0,0 0,6 2,6 4,4 4,2 2,0 0,0',
  E: '4,0 0,0 0,6 4,6;0,3 3,3',
  F: '4,0 0,0 0,6;0,3 3,3',
  G: '4,1 3,0 1,0 0,1 0,5 1,6 3,6 4,5 4,3 2,3',
  H: '0,0 0,6;4,0 4,6;0,3 4,3',
  I: '2,0 2,6',
  J: '4,0 4,5 3,6 1,6 0,5',
  K: '0,0 0,6;4,0 0,3 4,6',
  L: '0,0 0,6 4,6',
  M: '0,6 0,0 2,3 4,0 4,6',
  N: '0,6 0,0 4,6 4,0',
  O: '1,0 3,0 4,1 4,5 3,6 1,6 0,5 0,1 1,0',
  P: '0,6 0,0 3,0 4,1 4,2 3,3 0,3',
  R: '0,6 0,0 3,0 4,1 4,2 3,3 0,3;2,3 4,6',
  S: '4,1 3,0 1,0 0,1 0,2 1,3 3,3 4,4 4,5 3,6 1,6 0,5',
  T: '0,0 4,0;2,0 2,6',
  U: '0,0 0,5 1,6 3,6 4,5 4,0',
  V: '0,0 2,6 4,0',
  W: '0,0 1,6 2,3 3,6 4,0',
  Y: '0,0 2,3 4,0;2,3 2,6',
};

const ADVANCE = 5.6;

/**
 * Letters as SVG polylines.
 *
 * @param height of a capital, in the drawing's units
 * @returns SVG elements; characters without strokes leave a gap
 */
export function strokeText(
  text: string,
  x: number,
  y: number,
  height: number,
  stroke: { colour: string; width: number },
): string {
  const scale = height / 6;
  const lines = Array.from(text).flatMap((letter, i) =>
    (STROKES[letter] ?? '').split(';').map((points) => {
      const placed = points.split(' ').map((point) => {
        const [px = 0, py = 0] = point.split(',').map(Number);
        return `${(x + (px + i * ADVANCE) * scale).toFixed(2)},${(y + py * scale).toFixed(2)}`;
      });
      return points === '' ? '' : `<polyline points="${placed.join(' ')}"/>`;
    }),
  );
  return `<g fill="none" stroke="${stroke.colour}" stroke-width="${stroke.width}" stroke-linecap="round" stroke-linejoin="round">${lines.join('')}</g>`;
}

/** Width of a text drawn by {@link strokeText}. */
export const strokeTextWidth = (text: string, height: number): number =>
  ((text.length * ADVANCE - (ADVANCE - 4)) * height) / 6;
