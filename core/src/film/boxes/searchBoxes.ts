import { copyOf, costOf } from './boxWork.ts';
import type { BoxWork, Packing } from './boxWork.ts';
import type { Manner } from './packer.ts';
import { rowPacker } from './rows.ts';
import { skylinePacker } from './skyline.ts';

/** Kinds looked at between two looks up: some milliseconds of work. */
const LOOKS_A_STEP = 150_000;
/** Exchanges without success after which the search begins elsewhere, times the number of boxes. */
const PATIENCE = 20;
/** It begins near the best this often, else at one of the starting orders. */
const NEAR_BEST = 0.8;
/** With at least so many exchanges, up to half the boxes: as often a few as many. */
const LEAST_EXCHANGES = 2;
/** How often boxes may lie any way round when it begins elsewhere. */
const ANY_WAY = 0.85;
const LIKES: readonly Manner['likes'][] = ['level', 'width', 'order'];

/** A search for packings that goes on for ever, each step a little. */
export interface BoxSearch {
  /** Steps until all orders were tried, each way round, before anything is exchanged. */
  starts: number;
  /** The best packing yet and its cost. */
  best: () => { packing: Packing; cost: number };
  /** @returns whether it found a better one */
  step: () => boolean;
}

/**
 * Looks for an order of boxes that packs well: exchanges two, keeps what is no worse, and begins elsewhere when that has
 * led nowhere for long. Random local search over the order given to a greedy packer (Leung, Zhang & Sim, 2011).
 *
 * @param how `skyline`: as close as can be; `rows`: only what straight cuts take apart
 */
export function searchBoxes(work: BoxWork, how: 'skyline' | 'rows', random: () => number): BoxSearch {
  const starts = startsOf(work);
  const count = starts[0].order.length;
  const packer = (how === 'skyline' ? skylinePacker : rowPacker)(work, count);
  const hasPriority = work.kinds.some(({ priority }) => priority > 0);
  const perStep = Math.max(2, Math.ceil(LOOKS_A_STEP / (count * (10 + work.kinds.length))));
  const patience = PATIENCE * Math.max(20, count);
  const pick = (below: number): number => Math.floor(random() * below);

  let current: Int32Array = starts[0].order.slice();
  let cost = Infinity;
  let best: { packing: Packing; cost: number; order: Int32Array } | null = null;
  let idle = 0;
  let manner: Manner = { isEarly: hasPriority, likes: 'level', lies: null };

  /** @returns its cost */
  function tryOrder(order: Int32Array): number {
    const found = packer.pack(order, manner);
    if (best === null || found < best.cost)
      best = { packing: copyOf(packer.packing), cost: found, order: order.slice() };
    return found;
  }

  let likeliest = starts[0];
  function begin(start: Start): void {
    manner = { ...manner, ...start };
    const found = tryOrder(start.order);
    if (found >= cost) return;
    cost = found;
    likeliest = start;
  }
  begin(starts[0]); // a first packing is there at once, the others are tried with the first steps

  function exchange(): void {
    const i = pick(count);
    const j = pick(count);
    if (current[i] === current[j]) return;
    swap(current, i, j);
    const found = tryOrder(current);
    if (found < cost) idle = 0;
    if (found <= cost) cost = found;
    else {
      swap(current, i, j);
      idle++;
    }
  }

  function beginElsewhere(): void {
    idle = 0;
    const isEarly = hasPriority && random() < 0.5;
    manner = { isEarly, likes: LIKES[pick(LIKES.length)], lies: someWays(work.kinds.length, random) };
    current = (
      best !== null && random() < NEAR_BEST ? best.order : starts[pick(starts.length)].order
    ).slice();
    const more = Math.max(5, count / 4) ** random();
    for (let k = Math.round(LEAST_EXCHANGES * more); k > 0; k--) swap(current, pick(count), pick(count));
    cost = tryOrder(current);
  }

  let begun = 1;
  function beginSome(): void {
    for (let k = 0; k < perStep && begun < starts.length; k++) begin(starts[begun++]);
    if (begun < starts.length) return;
    manner = { ...manner, ...likeliest };
    current = likeliest.order.slice();
  }
  function exchangeSome(): void {
    for (let k = 0; k < perStep; k++) {
      exchange();
      if (idle > patience) beginElsewhere();
    }
  }

  return {
    starts: Math.ceil((starts.length - 1) / perStep),
    best: () => best ?? { packing: packer.packing, cost: costOf(work, packer.packing) },
    step: () => {
      const before = best?.cost ?? Infinity;
      if (begun < starts.length) beginSome();
      else exchangeSome();
      return (best?.cost ?? Infinity) < before;
    },
  };
}

function swap(order: Int32Array, i: number, j: number): void {
  const held = order[i];
  order[i] = order[j];
  order[j] = held;
}

/** Most often any; else every kind one way round, or some of them: copies of one lie closest alike more often than not. */
function someWays(kinds: number, random: () => number): Uint8Array | null {
  if (random() < ANY_WAY) return null;
  const one = (): number => Math.floor(random() * 3);
  const all = one();
  return Uint8Array.from({ length: kinds }, () => (all === 0 ? one() : all));
}

/** A packing to begin with: an order, and the manner it is packed in. */
interface Start extends Pick<Manner, 'likes' | 'lies'> {
  order: Int32Array;
}

/** With so few kinds every way of laying each of them is tried. */
const FEW_KINDS = 3;

/** Orders and manners to begin with, the one that is mostly good first. */
function startsOf(work: BoxWork): Start[] {
  const orders = startingOrders(work);
  const lies = waysToLie(work.kinds.length);
  return lies.flatMap((own) =>
    LIKES.flatMap((likes) => orders.map((order) => ({ order, likes, lies: own }))),
  );
}

/** Any way first; then each kind one way round, all alike where there are many. */
function waysToLie(kinds: number): (Uint8Array | null)[] {
  if (kinds > FEW_KINDS) return [null, new Uint8Array(kinds).fill(1), new Uint8Array(kinds).fill(2)];
  return Array.from({ length: 3 ** kinds }, (_, i) =>
    i === 0 ? null : Uint8Array.from({ length: kinds }, (_own, kind) => Math.floor(i / 3 ** kind) % 3),
  );
}

/** Every box, the largest first by several measures; those of high priority before all others. */
function startingOrders({ kinds }: BoxWork): Int32Array[] {
  const all = kinds.flatMap(({ count }, kind) => Array.from({ length: count }, () => kind));
  const measures: ((way: { w: number; h: number }) => number)[] = [
    ({ w, h }) => w * h,
    ({ w, h }) => Math.max(w, h),
    ({ w }) => w,
    ({ h }) => h,
    ({ w, h }) => w + h,
  ];
  const orders = measures.map((measure) => {
    const size = kinds.map(({ ways }) => measure(ways[0]));
    return Int32Array.from(
      [...all].sort((p, q) => kinds[q].priority - kinds[p].priority || size[q] - size[p] || p - q),
    );
  });
  return kinds.length === 1 ? orders.slice(0, 1) : orders;
}
