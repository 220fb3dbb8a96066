import { cutsOf } from './cuts.ts';
import { laidOf } from './laid.ts';
import type { FilmLayout, FilmProblem } from './problem.ts';

/**
 * Which of two valid layouts of a problem is better: priority pieces on the earliest sheets, then film, then cuts, then
 * the emptier last sheet. What counts less is worked out only where all before it is equal.
 *
 * @returns below 0 where the first is, above 0 where the second is
 */
export function compareLayouts(problem: FilmProblem, first: FilmLayout, second: FilmLayout): number {
  const by = (merit: (problem: FilmProblem, layout: FilmLayout) => number): number =>
    merit(problem, first) - merit(problem, second);
  return by(lateness) || first.lengthMm - second.lengthMm || by(cuts) || by(areaOnLast);
}

/** Sheets that priority pieces are late by. */
const lateness = (problem: FilmProblem, { placements }: FilmLayout): number =>
  laidOf(problem, placements).reduce((sum, { own, item }) => sum + item.priority * own.sheet, 0);

const cuts = (problem: FilmProblem, { placements }: FilmLayout): number => {
  const { straight, byHand } = cutsOf(problem, placements);
  return straight + byHand;
};

/** mm² */
const areaOnLast = (problem: FilmProblem, { placements, sheets }: FilmLayout): number =>
  laidOf(
    problem,
    placements.filter(({ sheet }) => sheet === sheets - 1),
  ).reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);
