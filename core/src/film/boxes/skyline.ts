import { costOf } from './boxWork.ts';
import type { BoxWork } from './boxWork.ts';
import { Niches } from './niches.ts';
import type { Niche } from './niches.ts';
import type { Manner, Packer } from './packer.ts';
import { Waiting } from './waiting.ts';

/**
 * Fills the lowest niche of a skyline with the box that suits it best, ever again: a box that levels the niche with its
 * walls leaves fewer niches. Among equals, the one that stands first in the sequence. Method: best fit by fitness of
 * Leung, Zhang & Sim (European Journal of Operational Research 215, 2011), here over bins as well.
 * O(boxes · (kinds + niches)).
 *
 * @param count boxes in a sequence
 */
export function skylinePacker(work: BoxWork, count: number): Packer {
  const waiting = new Waiting(work, count);
  const niches = new Niches(work.width, count);

  function pack(sequence: Int32Array, manner: Manner): number {
    const { likes } = manner;
    waiting.lineUp(sequence, manner);
    niches.clear();
    for (let bin = 0; waiting.left > 0;) {
      const niche = niches.lowest();
      const choice = waiting.choose(niche.width, work.height - niche.floor, (w, h) =>
        fitness(niche, likes, w, h),
      );
      if (choice !== null) {
        const { w, h } = work.kinds[choice.kind].ways[choice.way];
        const y = niche.floor;
        waiting.lay(choice, { bin, x: niches.put(niche, w, h), y });
      } else if (niches.isLevel) {
        bin++;
        niches.clear();
      } else niches.raise(niche);
    }
    return costOf(work, waiting.packing);
  }

  return { packing: waiting.packing, pack };
}

/** How well a box suits a niche: what is levelled counts. */
function fitness({ width, left, right }: Niche, likes: Manner['likes'], w: number, h: number): number {
  if (likes === 'order') return 0;
  const isExact = w === width;
  if (likes === 'width') return isExact ? 1 : 0;
  if (!isExact) return h === left || h === right ? 1 : 0;
  const taller = Math.max(left, right);
  if (h === taller) return 4;
  if (h === Math.min(left, right)) return 3;
  return h > taller ? 2 : 1.5;
}
