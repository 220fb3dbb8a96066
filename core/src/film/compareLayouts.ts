import { cutsOf } from './cuts.ts';
import { turnedBox } from './problem.ts';
import type { FilmLayout, FilmProblem, Placement } from './problem.ts';

/** What counts of a layout, each the less the better, in the order in which it counts. */
interface Merits {
  /** Sheets that priority pieces are late by. */
  late: number;
  lengthMm: number;
  cuts: number;
  /** Area on the last sheet, mm². */
  lastMm2: number;
}

function meritsOf(problem: FilmProblem, { placements, lengthMm, sheets }: FilmLayout): Merits {
  const byId = new Map(problem.items.map((item) => [item.id, item]));
  const { straight, byHand } = cutsOf(problem, placements);
  const areaOf = ({ itemId, turn }: Placement): number => {
    const item = byId.get(itemId);
    if (item === undefined) return 0;
    const { widthMm, heightMm } = turnedBox(item, turn);
    return widthMm * heightMm;
  };
  return {
    late: placements.reduce((sum, { itemId, sheet }) => sum + (byId.get(itemId)?.priority ?? 0) * sheet, 0),
    lengthMm,
    cuts: straight + byHand,
    lastMm2: placements.reduce((sum, own) => sum + (own.sheet === sheets - 1 ? areaOf(own) : 0), 0),
  };
}

/**
 * Which of two valid layouts of a problem is better: priority pieces on the earliest sheets, then film, then cuts, then
 * the emptier last sheet.
 *
 * @returns below 0 where the first is, above 0 where the second is
 */
export function compareLayouts(problem: FilmProblem, first: FilmLayout, second: FilmLayout): number {
  const p = meritsOf(problem, first);
  const q = meritsOf(problem, second);
  return p.late - q.late || p.lengthMm - q.lengthMm || p.cuts - q.cuts || p.lastMm2 - q.lastMm2;
}
