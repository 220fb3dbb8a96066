import { laidOf } from './laid.ts';
import type { FilmProblem, Placement } from './problem.ts';

/** What it takes to cut a layout apart. */
export interface Cuts {
  /** From edge to edge of what is in the hand, with a trimmer. */
  straight: number;
  /** Pieces that no straight cut sets free: each is cut out with knife or scissors. */
  byHand: number;
}

interface Box {
  x: number;
  y: number;
  right: number;
  bottom: number;
}

/**
 * Cuts of a layout: each sheet is taken apart by straight cuts from edge to edge as far as they go, part by part; what
 * they cannot part costs one cut by hand a piece.
 */
export function cutsOf(problem: FilmProblem, placements: readonly Placement[]): Cuts {
  const sheets = new Map<number, Box[]>();
  for (const { own, widthMm, heightMm } of laidOf(problem, placements)) {
    const { sheet, xMm, yMm } = own;
    const boxes = sheets.get(sheet) ?? [];
    boxes.push({ x: xMm, y: yMm, right: xMm + widthMm, bottom: yMm + heightMm });
    sheets.set(sheet, boxes);
  }
  const sum: Cuts = { straight: 0, byHand: 0 };
  for (const boxes of sheets.values()) takeApart(boxes, sum);
  return sum;
}

function takeApart(boxes: readonly Box[], sum: Cuts): void {
  if (boxes.length < 2) return;
  const parts =
    partsAlong(
      boxes,
      ({ x }) => x,
      ({ right }) => right,
    ) ??
    partsAlong(
      boxes,
      ({ y }) => y,
      ({ bottom }) => bottom,
    );
  if (parts === null) {
    sum.byHand += boxes.length;
    return;
  }
  sum.straight += parts.length - 1;
  for (const part of parts) takeApart(part, sum);
}

/** Groups with a straight way between them; `null` where there is none. */
function partsAlong(
  boxes: readonly Box[],
  from: (box: Box) => number,
  to: (box: Box) => number,
): Box[][] | null {
  const parts: Box[][] = [];
  let end = -Infinity;
  for (const box of [...boxes].sort((p, q) => from(p) - from(q))) {
    const isApart = from(box) >= end - 1e-6;
    if (isApart || parts.length === 0) parts.push([box]);
    else parts[parts.length - 1].push(box);
    end = Math.max(end, to(box));
  }
  return parts.length > 1 ? parts : null;
}
