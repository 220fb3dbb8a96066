import type { CutPath, Point, SheetOut } from '@saltflat/core/film';
import { letterPaths } from '../../pdf/index.ts';
import type { LaidPath } from '../../pdf/index.ts';

/** Lines that are printed: thin enough to be cut along, mm. */
export const LINE_MM = 0.2;

/** What is drawn over a sheet, in mm from the corner of the film as it is read through. */
export interface SheetDrawing {
  /** Filled. */
  letters: LaidPath[];
  /** Drawn as lines of {@link LINE_MM}, as SVG writes paths. */
  lines: string[];
}

/** The marks of a sheet as shapes. */
export const drawingOf = ({ marks }: Pick<SheetOut, 'marks'>): SheetDrawing => ({
  letters: marks.texts.flatMap((own) => letterPaths(own.text, own)),
  lines: marks.lines.map((line) => pathOf(line)),
});

/** To thousandths of a millimetre: finer than anything that prints or cuts. */
const fine = (mm: number): string => String(Math.round(mm * 1000) / 1000);
const pathOf = (points: readonly Point[]): string =>
  `M${points.map(([x, y]) => `${fine(x)} ${fine(y)}`).join('L')}`;

/** Film as it lies with its printed side up is the other way round from how it is read through. */
const asSeen = (widthMm: number, isMirrored: boolean): string =>
  isMirrored ? ` transform="matrix(-1 0 0 1 ${fine(widthMm)} 0)"` : '';

/** The marks of a sheet as a drawing that is laid over its picture, as large as that, px; `null` where there are none. */
export function marksSvg(
  out: SheetOut,
  { widthPx, heightPx, isMirrored }: { widthPx: number; heightPx: number; isMirrored: boolean },
): string | null {
  const { letters, lines } = drawingOf(out);
  if (letters.length + lines.length === 0) return null;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthPx}" height="${heightPx}" viewBox="0 0 ${fine(out.widthMm)} ${fine(out.heightMm)}" preserveAspectRatio="none">`,
    `<g${asSeen(out.widthMm, isMirrored)}>`,
    ...letters.map(({ d, matrix }) => `<path d="${d}" transform="matrix(${matrix.join(' ')})"/>`),
    ...lines.map((d) => `<path d="${d}" fill="none" stroke="#000" stroke-width="${LINE_MM}"/>`),
    '</g></svg>',
  ].join('\n');
}

/** Paths that cut a sheet's pieces out, in mm, each named by its piece; the page is as large as the film. */
export function cutSvg(
  { widthMm, heightMm, paths }: Pick<SheetOut, 'widthMm' | 'heightMm' | 'paths'>,
  { title, isMirrored, nameOf }: { title: string; isMirrored: boolean; nameOf: (key: string) => string },
): string {
  const [w, h] = [fine(widthMm), fine(heightMm)];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}">`,
    `<title>${escaped(title)}</title>`,
    `<g fill="none" stroke="#000" stroke-width="${LINE_MM}"${asSeen(widthMm, isMirrored)}>`,
    ...paths.map(
      ({ key, loops }: CutPath) =>
        `<path id="${escaped(nameOf(key))}" d="${loops.map((loop) => `${pathOf(loop)}Z`).join('')}"/>`,
    ),
    '</g>',
    '</svg>',
    '',
  ].join('\n');
}

const escaped = (text: string): string =>
  text.replace(
    /[&<>"]/g,
    (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign,
  );
