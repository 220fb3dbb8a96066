import { freeKeys } from './copies.ts';
import { laidOf } from './laid.ts';
import { PER_MM, rounded, tooLarge, usableOf } from './problem.ts';
import type { FilmLayout, FilmProblem, Placement } from './problem.ts';
import type { BoxWork, Packing } from './boxes/boxWork.ts';

/** Placements of a packing of boxes. */
export function placementsOf(problem: FilmProblem, { kinds }: BoxWork, packing: Packing): Placement[] {
  const { leftMm, topMm } = usableOf(problem);
  const keys = freeKeys(problem);
  const given = problem.items.map(() => 0);
  const order = Array.from(packing.kind, (_, i) => i).sort(
    (p, q) => packing.bin[p] - packing.bin[q] || packing.y[p] - packing.y[q] || packing.x[p] - packing.x[q],
  );
  return order.map((i) => {
    const kind = kinds[packing.kind[i]];
    return {
      key: keys[kind.item][given[kind.item]++],
      itemId: problem.items[kind.item].id,
      sheet: packing.bin[i],
      xMm: rounded(leftMm + packing.x[i] / PER_MM),
      yMm: rounded(topMm + packing.y[i] / PER_MM),
      turn: kind.ways[packing.way[i]].turn,
    };
  });
}

/** A layout of placements: how much film it takes, and what it leaves out. */
export function layoutOf(problem: FilmProblem, placements: readonly Placement[]): FilmLayout {
  const sheets = placements.reduce((most, { sheet }) => Math.max(most, sheet + 1), 0);
  const lengthOf = sheetLengthOf(problem, placements);
  let lengthMm = 0;
  for (let sheet = 0; sheet < sheets; sheet++) lengthMm += lengthOf(sheet);
  return { placements, sheets, lengthMm: rounded(lengthMm), unplaced: tooLarge(problem) };
}

/** Film that a sheet takes along the feed, mm: its own length, or of a roll what is cut off behind its last piece. */
export function sheetLengthOf(
  problem: FilmProblem,
  placements: readonly Placement[],
): (sheet: number) => number {
  const { film, keepOut } = problem;
  if (film.kind === 'sheet') return () => film.heightMm;
  const ends = endsOf(problem, placements);
  return (sheet) => (ends.get(sheet) ?? 0) + keepOut.bottomMm;
}

/** Where the last piece of each sheet ends, from the film's own edge, mm. */
export function endsOf(problem: FilmProblem, placements: readonly Placement[]): Map<number, number> {
  const ends = new Map<number, number>();
  for (const { own, heightMm } of laidOf(problem, placements))
    ends.set(own.sheet, Math.max(ends.get(own.sheet) ?? 0, own.yMm + heightMm));
  return ends;
}
