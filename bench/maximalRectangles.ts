import type { FilmProblem } from '@saltflat/core/film';

interface Rectangle {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** Longer than any layout here, mm. */
const LONG = 1e5;

/**
 * Film that the packer most programs have would use: each box, the largest first, into the free rectangle whose shorter
 * side it fits best, the free rectangles being all maximal ones (Jylänki, A Thousand Ways to Pack the Bin, 2010). Once,
 * without search.
 *
 * @returns film along the feed, mm, edges included
 */
export function lengthByMaximalRectangles({ film, keepOut, gapMm, items }: FilmProblem): number {
  const edges = keepOut.topMm + keepOut.bottomMm;
  const width = film.widthMm - keepOut.leftMm - keepOut.rightMm + gapMm;
  const height = film.kind === 'sheet' ? film.heightMm - edges + gapMm : LONG;
  const boxes = items
    .flatMap(({ widthMm, heightMm, count }) =>
      Array.from({ length: count }, () => ({ w: widthMm + gapMm, h: heightMm + gapMm })),
    )
    .toSorted((p, q) => q.w * q.h - p.w * p.h);
  const bins: Rectangle[][] = [];
  let end = 0;
  for (const box of boxes) {
    let spot = bins.map((free) => bestIn(free, box)).find((found) => found !== null) ?? null;
    let bin = spot === null ? -1 : bins.findIndex((free) => bestIn(free, box) !== null);
    if (spot === null) {
      bin = bins.push([{ x: 0, y: 0, w: width, h: height }]) - 1;
      spot = bestIn(bins[bin] ?? [], box);
    }
    if (spot === null) throw new Error('a box fits nowhere');
    const laid = spot;
    end = Math.max(end, laid.y + laid.h);
    bins[bin] = withoutInner((bins[bin] ?? []).flatMap((free) => around(free, laid)));
  }
  return film.kind === 'sheet' ? bins.length * film.heightMm : end - gapMm + edges;
}

function bestIn(free: readonly Rectangle[], { w, h }: { w: number; h: number }): Rectangle | null {
  let best: Rectangle | null = null;
  let least = [Infinity, Infinity];
  for (const room of free)
    for (const [wide, high] of [
      [w, h],
      [h, w],
    ] as const) {
      if (wide > room.w || high > room.h) continue;
      const sides = [room.w - wide, room.h - high].toSorted((p, q) => p - q);
      const isLess =
        (sides[0] ?? 0) - (least[0] ?? 0) || (sides[1] ?? 0) - (least[1] ?? 0) || room.y - (best?.y ?? 0);
      if (best !== null && isLess >= 0) continue;
      best = { x: room.x, y: room.y, w: wide, h: high };
      least = sides;
    }
  return best;
}

/** What of a free rectangle is left round a box: the maximal rectangles, which overlap. */
function around(free: Rectangle, { x, y, w, h }: Rectangle): Rectangle[] {
  const right = free.x + free.w;
  const bottom = free.y + free.h;
  if (x >= right || y >= bottom || x + w <= free.x || y + h <= free.y) return [free];
  return [
    { ...free, w: x - free.x },
    { ...free, x: x + w, w: right - x - w },
    { ...free, h: y - free.y },
    { ...free, y: y + h, h: bottom - y - h },
  ].filter((room) => room.w > 0 && room.h > 0);
}

const withoutInner = (free: Rectangle[]): Rectangle[] =>
  free.filter(
    (own, i) => !free.some((other, j) => i !== j && isIn(own, other) && (!isIn(other, own) || j < i)),
  );

const isIn = (p: Rectangle, q: Rectangle): boolean =>
  p.x >= q.x && p.y >= q.y && p.x + p.w <= q.x + q.w && p.y + p.h <= q.y + q.h;
