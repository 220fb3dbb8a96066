import { costOf, emptyPacking } from './boxWork.ts';
import type { BoxWork } from './boxWork.ts';
import { emptyQueues, lineUp, priorityRanks } from './queues.ts';
import type { Manner, Packer } from './packer.ts';

/** A room that is cut out straight. */
interface Room {
  x: number;
  y: number;
  w: number;
  h: number;
}

/**
 * Packs in rows across the film that straight cuts take apart: the next box of the sequence sets a row's height, what is
 * left beside and above each box is cut into two rooms, the larger of which is as large as can be, and filled alike.
 * Every layout is guillotine. A row is started the way round that fills it better.
 * Method: recursive packing of Zhang, Kang & Deng (Computers & Operations Research 33, 2006).
 *
 * @param count boxes in a sequence
 */
export function rowPacker(work: BoxWork, count: number): Packer {
  const packing = emptyPacking(count);
  const { kinds, width, height } = work;
  const queues = emptyQueues(kinds.length, count);
  const ranks = priorityRanks(kinds);
  let manner: Manner = { isEarly: false, likes: 'level' };
  const early = (kind: number): number => (manner.isEarly ? 10 * ranks[kind] : 0);
  const before = new Int32Array(kinds.length);
  let left = 0;
  let bin = 0;

  function take(kind: number, way: number, x: number, y: number): number {
    const place = queues.first[kind];
    queues.first[kind] = queues.next[place];
    packing.kind[place] = kind;
    packing.way[place] = way;
    packing.bin[place] = bin;
    packing.x[place] = x;
    packing.y[place] = y;
    left--;
    const { w, h } = kinds[kind].ways[way];
    return w * h;
  }

  /** @returns area of the boxes laid into a room */
  function fill({ x, y, w, h }: Room): number {
    const choice = choose(w, h);
    if (choice === null) return 0;
    const { kind, way } = choice;
    const box = kinds[kind].ways[way];
    const beside = w - box.w;
    const above = h - box.h;
    let area = take(kind, way, x, y);
    const isAboveWide = Math.max(w * above, beside * box.h) >= Math.max(beside * h, box.w * above);
    if (beside > 0) area += fill({ x: x + box.w, y, w: beside, h: isAboveWide ? box.h : h });
    if (above > 0) area += fill({ x, y: y + box.h, w: isAboveWide ? w : box.w, h: above });
    return area;
  }

  const chosen = { kind: 0, way: 0 };
  /** The box that leaves the fewest rooms, among equals the first in the sequence. */
  function choose(w: number, h: number): { kind: number; way: number } | null {
    let best = -1;
    let bestPlace = -1;
    for (let kind = 0; kind < kinds.length; kind++) {
      const place = queues.first[kind];
      if (place < 0) continue;
      const { ways } = kinds[kind];
      for (let way = 0; way < ways.length; way++) {
        const box = ways[way];
        if (box.w > w || box.h > h) continue;
        const suits = early(kind) + (manner.likes === 'order' ? 0 : (box.h === h ? 2 : 0) + (box.w === w ? 1 : 0));
        if (suits < best || (suits === best && place >= bestPlace)) continue;
        best = suits;
        bestPlace = place;
        chosen.kind = kind;
        chosen.way = way;
      }
    }
    return best < 0 ? null : chosen;
  }

  /** Kind of the first box of the sequence that a row as high as `above` can start with, −1 where there is none. */
  function starter(above: number): number {
    let found = -1;
    for (let kind = 0; kind < kinds.length; kind++) {
      const place = queues.first[kind];
      if (place < 0 || !kinds[kind].ways.some(({ h }) => h <= above)) continue;
      const isBetter =
        found < 0 ||
        early(kind) > early(found) ||
        (early(kind) === early(found) && place < queues.first[found]);
      if (isBetter) found = kind;
    }
    return found;
  }

  /** Starts a row with a box and fills it. @returns the share of the row that is filled */
  function row(kind: number, way: number, y: number): number {
    const { w, h } = kinds[kind].ways[way];
    const area = take(kind, way, 0, y) + (width > w ? fill({ x: w, y, w: width - w, h }) : 0);
    return area / (width * h);
  }

  function pack(sequence: Int32Array, wished: Manner): number {
    manner = wished;
    lineUp(queues, sequence);
    left = count;
    bin = 0;
    for (let y = 0; left > 0; ) {
      const kind = starter(height - y);
      if (kind < 0) {
        bin++;
        y = 0;
        continue;
      }
      y += startRow(kind, y);
    }
    return costOf(work, packing);
  }

  /** @returns height of the row */
  function startRow(kind: number, y: number): number {
    const { ways } = kinds[kind];
    const fits = ways.map((_, way) => way).filter((way) => ways[way].h <= height - y);
    let best = fits[0];
    if (fits.length > 1) {
      before.set(queues.first);
      const stood = left;
      const shares = fits.map((way) => {
        const share = row(kind, way, y);
        queues.first.set(before);
        left = stood;
        return share;
      });
      if (shares[1] > shares[0]) best = fits[1];
    }
    row(kind, best, y);
    return ways[best].h;
  }

  return { packing, pack };
}
