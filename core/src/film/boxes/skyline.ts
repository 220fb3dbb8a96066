import { costOf, emptyPacking } from './boxWork.ts';
import type { BoxWork } from './boxWork.ts';
import type { Manner, Packer } from './packer.ts';
import { emptyQueues, lineUp, priorityRanks } from './queues.ts';

const NO_WALL = 2 ** 30;

/**
 * Fills the lowest niche of a skyline with the box that suits it best, ever again: a box that levels the niche with its
 * walls leaves fewer niches. Among equals, the one that stands first in the sequence. Method: best fit by fitness of
 * Leung, Zhang & Sim (European Journal of Operational Research 215, 2011), here over bins as well.
 * O(boxes · (kinds + niches)).
 *
 * @param count boxes in a sequence
 */
export function skylinePacker(work: BoxWork, count: number): Packer {
  const packing = emptyPacking(count);
  const { kinds, width, height } = work;
  const queues = emptyQueues(kinds.length, count);
  const ranks = priorityRanks(kinds);
  let manner: Manner = { isEarly: false, likes: 'level' };
  // niche i goes from x[i] to x[i + 1] at y[i]; each box adds at most one
  const x = new Int32Array(count + 3);
  const y = new Int32Array(count + 3);
  let niches = 0;

  const drop = (i: number): void => {
    x.copyWithin(i, i + 1, niches + 1);
    y.copyWithin(i, i + 1, niches);
    niches--;
  };
  const insert = (i: number): void => {
    x.copyWithin(i + 1, i, niches + 1);
    y.copyWithin(i + 1, i, niches);
    niches++;
  };
  /** Joins a niche with neighbours of its height. */
  const join = (i: number): void => {
    if (i + 1 < niches && y[i + 1] === y[i]) drop(i + 1);
    if (i > 0 && y[i - 1] === y[i]) drop(i);
  };

  function lowest(): number {
    let found = 0;
    for (let i = 1; i < niches; i++) if (y[i] < y[found]) found = i;
    return found;
  }

  /** Puts a box into a niche, on the side whose wall it levels with, else by the taller wall. @returns its x */
  function put(i: number, w: number, h: number, { left, right }: Walls): number {
    const from = x[i];
    const to = x[i + 1];
    const top = y[i] + h;
    if (w === to - from) {
      y[i] = top;
      join(i);
      return from;
    }
    const goesLeft = h === left || (h !== right && left >= right);
    if (goesLeft) {
      insert(i);
      x[i + 1] = from + w;
      y[i] = top;
      if (i > 0 && y[i - 1] === top) drop(i);
      return from;
    }
    insert(i + 1);
    x[i + 1] = to - w;
    y[i + 1] = top;
    if (i + 2 < niches && y[i + 2] === top) drop(i + 2);
    return to - w;
  }

  function pack(sequence: Int32Array, wished: Manner): number {
    manner = wished;
    lineUp(queues, sequence);
    const { first, next } = queues;
    let bin = 0;
    open();
    for (let left = count; left > 0; ) {
      const i = lowest();
      const floor = y[i];
      const walls = { left: i === 0 ? NO_WALL : y[i - 1] - floor, right: i === niches - 1 ? NO_WALL : y[i + 1] - floor };
      const choice = choose(x[i + 1] - x[i], height - floor, walls);
      if (choice === null) {
        if (niches === 1) {
          bin++;
          open();
          continue;
        }
        y[i] = floor + Math.min(walls.left, walls.right);
        join(i);
        continue;
      }
      const place = first[choice.kind];
      const { w, h } = kinds[choice.kind].ways[choice.way];
      first[choice.kind] = next[place];
      packing.kind[place] = choice.kind;
      packing.way[place] = choice.way;
      packing.bin[place] = bin;
      packing.y[place] = floor;
      packing.x[place] = put(i, w, h, walls);
      left--;
    }
    return costOf(work, packing);
  }

  function open(): void {
    niches = 1;
    x[0] = 0;
    x[1] = width;
    y[0] = 0;
  }

  const chosen = { kind: 0, way: 0 };
  function choose(room: number, above: number, { left, right }: Walls): { kind: number; way: number } | null {
    const { first } = queues;
    const taller = Math.max(left, right);
    const lower = Math.min(left, right);
    let best = -1;
    let bestPlace = -1;
    for (let kind = 0; kind < kinds.length; kind++) {
      const place = first[kind];
      if (place < 0) continue;
      const { ways } = kinds[kind];
      for (let way = 0; way < ways.length; way++) {
        const { w, h } = ways[way];
        if (w > room || h > above) continue;
        const suits = (manner.isEarly ? 10 * ranks[kind] : 0) + fitness(w === room, h, taller, lower);
        if (suits < best || (suits === best && place >= bestPlace)) continue;
        best = suits;
        bestPlace = place;
        chosen.kind = kind;
        chosen.way = way;
      }
    }
    return best < 0 ? null : chosen;
  }

  /** How well a box suits a niche. */
  function fitness(isExact: boolean, h: number, taller: number, lower: number): number {
    if (manner.likes === 'order') return 0;
    if (manner.likes === 'width') return isExact ? 1 : 0;
    if (!isExact) return h === taller || h === lower ? 1 : 0;
    if (h === taller) return 4;
    if (h === lower) return 3;
    return h > taller ? 2 : 1.5;
  }

  return { packing, pack };
}

/** How high the walls of a niche rise above its floor. */
interface Walls {
  left: number;
  right: number;
}
