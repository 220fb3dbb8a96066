import type { WaitingTransfers } from '@saltflat/contract';
import { endsOf, faultsOf, freeKeys, layoutOf } from '@saltflat/core/film';
import type { FilmProblem, Placement } from '@saltflat/core/film';
import { piecesOf } from './pieces.ts';
import type { ArtRead } from './useFilmArt.ts';

/** A layout as it lies there, and what is wrong with it. */
export function laid(
  transfers: readonly WaitingTransfers[],
  problem: FilmProblem,
  {
    locked,
    art,
    placements,
  }: { locked: readonly string[]; art: ArtRead['art']; placements: readonly Placement[] },
) {
  const known = new Set(freeKeys({ items: problem.items }).flat());
  const layout = layoutOf(
    problem,
    placements.filter(({ key }) => known.has(key)),
  );
  const faults = faultsOf(problem, layout.placements);
  const { film, keepOut } = problem;
  const ends = endsOf(problem, layout.placements);
  const pieces = piecesOf(problem, transfers, {
    placements: layout.placements,
    locked,
    art,
    faults,
  });
  const wanted = problem.items.reduce((sum, { count }) => sum + count, 0);
  const left = layout.unplaced.reduce((sum, { count }) => sum + count, 0);
  const cutOf = (end: number | undefined): number => (end ?? 0) + keepOut.bottomMm;
  return {
    layout,
    faults,
    pieces,
    /** Copies that are to lie on film, and those of them that fit and do not yet. */
    wanted,
    missing: wanted - left - layout.placements.length,
    heightMm:
      film.kind === 'sheet' ? film.heightMm : (film.maxLengthMm ?? cutOf(Math.max(0, ...ends.values()))),
    cutMm: (sheet: number): number | null => (film.kind === 'sheet' ? null : cutOf(ends.get(sheet))),
  };
}
