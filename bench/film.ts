import { layOutFilm } from '@saltflat/core/film';
import type { FilmAnswer, FilmItem, FilmProblem } from '@saltflat/core/film';
import { runTask } from '@saltflat/core/task';
import { FEW_KINDS, MANY_KINDS, OUTLINES, PERFECT } from '../core/src/film/fixtures/instances.ts';
import { lengthByMaximalRectangles } from './maximalRectangles.ts';
import { say, tenth, timeMs } from './race.ts';

/** Film used after so long, against the packer that others would take, and how long the first answer takes. */
const SECONDS = 5;
const FIRST_MS = 200;

async function laidOut(problem: FilmProblem): Promise<FilmAnswer> {
  const until = performance.now() + 1000 * SECONDS;
  const end = await runTask(
    layOutFilm,
    { problem, seed: 1, rounds: Infinity },
    { wish: () => (performance.now() < until ? 'go-on' : 'stop') },
  );
  if (end.how === 'cancelled') throw new Error('the layout was cancelled');
  return end.answer;
}

/** Sixty outlines of twelve kinds: what an answer is wanted of at once. */
const sixty: FilmProblem = {
  ...OUTLINES,
  items: [1, 2, 3].flatMap((n) =>
    OUTLINES.items.slice(0, 4).map((item): FilmItem => ({ ...item, id: `${item.id}-${n}`, count: 5 })),
  ),
};
/** Two thousand boxes of twenty kinds. */
const many: FilmProblem = {
  ...MANY_KINDS,
  items: MANY_KINDS.items.slice(0, 20).map((item) => ({ ...item, count: 100, priority: 0 })),
};

const CASES: Record<string, FilmProblem> = {
  'few kinds on a roll': FEW_KINDS,
  'many kinds on sheets': MANY_KINDS,
  'a layout without waste': PERFECT,
  outlines: OUTLINES,
};
for (const [name, problem] of Object.entries(CASES)) {
  const { best, rows, bound } = await laidOut(problem);
  const rival = lengthByMaximalRectangles(problem);
  say({
    name: `film for ${name}, ${SECONDS} s`,
    rival: 'maximal rectangles, best short side, once',
    ratio: Number((best.lengthMm / rival).toPrecision(3)),
    filmMm: best.lengthMm,
    rivalMm: rival,
    rowsMm: rows?.lengthMm ?? null,
    boundMm: bound.lengthMm,
  });
}
for (const [name, problem] of Object.entries({ '60 outlines': sixty, '2000 boxes': many }))
  say({
    name: `first layout of ${name}`,
    medianMs: tenth(timeMs(() => void layOutFilm.start({ problem, seed: 1, rounds: 1 }))),
    budgetMs: FIRST_MS,
  });
