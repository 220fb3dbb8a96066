import { laidOf } from './laid.ts';
import { sheetLengthOf } from './layoutOf.ts';
import type { FilmProblem, Placement } from './problem.ts';

/**
 * Film that one copy of each item takes of a layout, m²: what a sheet takes is shared by its pieces by their boxes with
 * the gap round them, so that nothing of it is left over, and all copies of an item take alike.
 *
 * @returns by item
 * @throws RangeError where a placement is of no item
 */
export function filmSharesOf(problem: FilmProblem, placements: readonly Placement[]): Map<string, number> {
  const { film, gapMm } = problem;
  const lengthOf = sheetLengthOf(problem, placements);
  const sheetM2 = (sheet: number): number => (film.widthMm * lengthOf(sheet)) / 1e6;
  const pieces = laidOf(problem, placements).map(({ own, widthMm, heightMm }) => ({
    ...own,
    area: (widthMm + gapMm) * (heightMm + gapMm),
  }));
  const onSheet = new Map<number, number>();
  for (const { sheet, area } of pieces) onSheet.set(sheet, (onSheet.get(sheet) ?? 0) + area);
  const taken = new Map<string, { m2: number; copies: number }>();
  for (const { itemId, sheet, area } of pieces) {
    const own = taken.get(itemId) ?? { m2: 0, copies: 0 };
    own.m2 += (sheetM2(sheet) * area) / (onSheet.get(sheet) ?? area);
    own.copies++;
    taken.set(itemId, own);
  }
  return new Map([...taken].map(([itemId, { m2, copies }]) => [itemId, m2 / copies]));
}
