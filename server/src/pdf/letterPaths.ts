import { MARK_LETTERS } from '@saltflat/core/film';
import type { Rect } from '@saltflat/core/film';
import { openSync } from 'fontkit';
import type { Font } from 'fontkit';
import { splitByFace } from './faces.ts';

/** A shape and how it is laid on the sheet: x and y are `a·X + c·Y + e` and `b·X + d·Y + f` of its own. */
export interface LaidPath {
  /** As SVG writes paths. */
  d: string;
  matrix: readonly [a: number, b: number, c: number, d: number, e: number, f: number];
}

const fonts = new Map<string, Font>();
function fontOf(file: string): Font {
  const known = fonts.get(file) ?? (openSync(file) as Font); // one face a file
  fonts.set(file, known);
  return known;
}

/**
 * A line of text as shapes, in our own letters, so that it is drawn alike wherever the file is opened: as high as its box,
 * narrower than usual where it would be longer, read downwards where it is turned.
 */
export function letterPaths(text: string, { rect, isTurned }: { rect: Rect; isTurned: boolean }): LaidPath[] {
  const [wide, tall] = [rect.right - rect.x, rect.bottom - rect.y];
  const [long, high] = isTurned ? [tall, wide] : [wide, tall];
  const runs = splitByFace(text).map((run) => {
    const font = fontOf(run.file(600));
    return { size: (MARK_LETTERS.size * high) / font.unitsPerEm, laid: font.layout(run.text) };
  });
  const natural = runs.reduce((sum, { size, laid }) => sum + size * laid.advanceWidth, 0);
  const narrowed = Math.min(1, long / natural);
  const paths: LaidPath[] = [];
  let along = 0;
  for (const { size, laid } of runs)
    for (const [i, glyph] of laid.glyphs.entries()) {
      const position = laid.positions[i];
      if (!position) continue;
      const [x, y] = [along + narrowed * size * position.xOffset, size * position.yOffset];
      along += narrowed * size * position.xAdvance;
      const d = glyph.path.toSVG();
      if (d === '') continue;
      const stands = MARK_LETTERS.standAt * high - y;
      const matrix = isTurned
        ? ([0, narrowed * size, size, 0, rect.right - stands, rect.y + x] as const)
        : ([narrowed * size, 0, 0, -size, rect.x + x, rect.y + stands] as const);
      paths.push({ d, matrix });
    }
  return paths;
}
