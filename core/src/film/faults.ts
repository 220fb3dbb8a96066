import { laidOf } from './laid.ts';
import type { Laid } from './laid.ts';
import { PER_MM, TURNS } from './problem.ts';
import type { FilmProblem, Placement } from './problem.ts';
import { cellsOf } from './shapes/cells.ts';
import { Clashes, depthAt, reachOf } from './shapes/clashTable.ts';

/** What is wrong with where a copy lies. */
export type LayoutFault =
  /** It lies over the edge that stays empty, by so much at most. */
  | { fault: 'edge'; key: string; byMm: number }
  /** It is nearer to another than the gap allows. */
  | { fault: 'near'; key: string; other: string }
  /** It may not lie this way round. */
  | { fault: 'turn'; key: string };

/**
 * Everything that keeps placements from being a layout of a problem, but for copies that are missing: what an editor
 * shows while a hand moves them. O(copies²) of comparisons, outlines compared only where their boxes are too near.
 *
 * @throws RangeError where a placement is of no item
 */
export function faultsOf(problem: FilmProblem, placements: readonly Placement[]): LayoutFault[] {
  const laid = laidOf(problem, placements);
  return [...laid.flatMap((piece) => ownFaults(problem, piece)), ...nearFaults(problem, laid)];
}

/** Less than this is no fault: half of what places are given in, mm. */
const SLACK_MM = 0.5 / PER_MM;

function ownFaults({ film, keepOut }: FilmProblem, { own, item, widthMm, heightMm }: Laid): LayoutFault[] {
  const end = film.kind === 'sheet' ? film.heightMm : (film.maxLengthMm ?? Infinity);
  const byMm = Math.max(
    keepOut.leftMm - own.xMm,
    own.xMm + widthMm - (film.widthMm - keepOut.rightMm),
    keepOut.topMm - own.yMm,
    own.yMm + heightMm - (end - keepOut.bottomMm),
  );
  return [
    ...(byMm > SLACK_MM ? [{ fault: 'edge' as const, key: own.key, byMm }] : []),
    ...(item.turns.includes(own.turn) ? [] : [{ fault: 'turn' as const, key: own.key }]),
  ];
}

function nearFaults(problem: FilmProblem, laid: readonly Laid[]): LayoutFault[] {
  const { gapMm, isByOutline } = problem;
  const clash = isByOutline ? outlineClash(problem) : (): boolean => true;
  const found: LayoutFault[] = [];
  for (let i = 0; i < laid.length; i++)
    for (let j = 0; j < i; j++) {
      const p = laid[i];
      const q = laid[j];
      if (p.own.sheet !== q.own.sheet) continue;
      const apartX = Math.max(q.own.xMm - p.own.xMm - p.widthMm, p.own.xMm - q.own.xMm - q.widthMm);
      const apartY = Math.max(q.own.yMm - p.own.yMm - p.heightMm, p.own.yMm - q.own.yMm - q.heightMm);
      if (Math.max(apartX, apartY) < gapMm - SLACK_MM && clash(p, q))
        found.push({ fault: 'near', key: p.own.key, other: q.own.key });
    }
  return found;
}

/** Whether two outlines come too near, on the whole millimetres that they lie nearest to. */
function outlineClash({ items, gapMm }: FilmProblem): (p: Laid, q: Laid) => boolean {
  const outlines = items.map(cellsOf);
  const variants = outlines.flatMap((cells, outline) => TURNS.map((turn) => ({ outline, turn, cells })));
  const clashes = new Clashes(outlines, variants, reachOf(gapMm, 'outline'));
  const places = new Map(items.map((item, place) => [item, place]));
  const variantOf = ({ item, own }: Laid): number => 4 * (places.get(item) ?? 0) + TURNS.indexOf(own.turn);
  return (p, q) =>
    depthAt(
      clashes.view(variantOf(p), variantOf(q)),
      Math.round(q.own.xMm) - Math.round(p.own.xMm),
      Math.round(q.own.yMm) - Math.round(p.own.yMm),
    ) > 0;
}
