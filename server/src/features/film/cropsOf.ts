import type { SheetOut } from '@saltflat/core/film';
import type { SheetsToPrint } from './sheetsPdf.ts';

type Crop = SheetsToPrint['sheets'][number]['crops'][number];

/** Longest crop mark, mm: it stays clear of what is used by a fifth of the strip. */
const LONGEST_MM = 5;

/**
 * Crop marks in the strips along the edges: where those are trimmed off, and where the straight cuts that go from edge to
 * edge begin and end. Without strips there are none.
 *
 * @param edgeMm width of the strips
 */
export function cropsOf(
  { widthMm, heightMm, plan }: Pick<SheetOut, 'widthMm' | 'heightMm' | 'plan'>,
  edgeMm: number,
): Crop[] {
  const length = Math.min(LONGEST_MM, 0.8 * edgeMm);
  if (length <= 0) return [];
  const down = (x: number): Crop[] => [
    [[x, 0], [x, length]], // prettier-ignore
    [[x, heightMm], [x, heightMm - length]], // prettier-ignore
  ];
  const across = (y: number): Crop[] => [
    [[0, y], [length, y]], // prettier-ignore
    [[widthMm, y], [widthMm - length, y]], // prettier-ignore
  ];
  const isWhole = ({ way, fromMm, toMm }: SheetOut['plan']['straight'][number]): boolean =>
    fromMm < 1e-6 && toMm > (way === 'down' ? heightMm : widthMm) - 1e-6;
  return [
    ...[edgeMm, widthMm - edgeMm].flatMap(down),
    ...[edgeMm, heightMm - edgeMm].flatMap(across),
    ...plan.straight.filter(isWhole).flatMap(({ way, atMm }) => (way === 'down' ? down(atMm) : across(atMm))),
  ];
}
