import { costOf } from './boxWork.ts';
import type { BoxWork } from './boxWork.ts';
import type { Manner, Packer } from './packer.ts';
import { Waiting } from './waiting.ts';
import type { Choice } from './waiting.ts';

/** A room that is cut out straight. */
interface Room {
  bin: number;
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
  const { kinds, width, height } = work;
  const waiting = new Waiting(work, count);
  let likes: Manner['likes'] = 'level';

  /** Lays a box into the corner of a room, and others beside and above it. @returns area of them all */
  function fillWith(choice: Choice, { bin, x, y, w, h }: Room): number {
    const box = kinds[choice.kind].ways[choice.way];
    waiting.lay(choice, { bin, x, y });
    const beside = w - box.w;
    const above = h - box.h;
    const isAboveWide = Math.max(w * above, beside * box.h) >= Math.max(beside * h, box.w * above);
    let area = box.w * box.h;
    if (beside > 0) area += fill({ bin, x: x + box.w, y, w: beside, h: isAboveWide ? box.h : h });
    if (above > 0) area += fill({ bin, x, y: y + box.h, w: isAboveWide ? w : box.w, h: above });
    return area;
  }

  /** Fills a room, first with the box that leaves the fewest rooms. */
  function fill(room: Room): number {
    const choice = waiting.choose(room.w, room.h, (w, h) =>
      likes === 'order' ? 0 : (h === room.h ? 2 : 0) + (w === room.w ? 1 : 0),
    );
    return choice === null ? 0 : fillWith({ ...choice }, room);
  }

  const startRow = (choice: Choice, bin: number, y: number): number => {
    const { h } = kinds[choice.kind].ways[choice.way];
    return fillWith(choice, { bin, x: 0, y, w: width, h }) / (width * h);
  };

  /** @returns height of a row that begins with a box of a kind */
  function row(kind: number, bin: number, y: number): number {
    const { ways } = kinds[kind];
    const fits = ways
      .map((_, way) => ({ kind, way }))
      .filter(({ way }) => waiting.mayLie(kind, way) && ways[way].h <= height - y);
    let [best] = fits;
    if (fits.length > 1) {
      const before = waiting.keep();
      const shares = fits.map((choice) => {
        const share = startRow(choice, bin, y);
        waiting.restore(before);
        return share;
      });
      if (shares[1] > shares[0]) best = fits[1];
    }
    startRow(best, bin, y);
    return ways[best.way].h;
  }

  function pack(sequence: Int32Array, manner: Manner): number {
    likes = manner.likes;
    waiting.lineUp(sequence, manner);
    for (let bin = 0, y = 0; waiting.left > 0;) {
      const starter = waiting.choose(width, height - y, () => 0);
      if (starter !== null) y += row(starter.kind, bin, y);
      else {
        bin++;
        y = 0;
      }
    }
    return costOf(work, waiting.packing);
  }

  return { packing: waiting.packing, pack };
}
