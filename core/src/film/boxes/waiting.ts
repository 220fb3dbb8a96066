import { emptyPacking } from './boxWork.ts';
import type { BoxWork, Packing } from './boxWork.ts';
import type { Manner } from './packer.ts';

/** A kind and a way it lies. */
export interface Choice {
  kind: number;
  way: number;
}

/** How well a box suits a room, ≥ 0: the most is taken. */
export type Suits = (w: number, h: number) => number;

/** Boxes of a sequence that are still to be packed, by kind, and where those lie that are. */
export class Waiting {
  readonly packing: Packing;
  readonly #kinds: BoxWork['kinds'];
  readonly #ranks: Float64Array;
  /** Place in the sequence of the next box of each kind, −1 where none is left. */
  readonly #first: Int32Array;
  /** Place of the next box of the same kind, by place. */
  readonly #next: Int32Array;
  readonly #chosen: Choice = { kind: 0, way: 0 };
  /** What rank of a priority counts: more than any fitness, or nothing. */
  #perRank = 0;
  #lies: Uint8Array | null = null;
  left = 0;

  constructor({ kinds }: BoxWork, count: number) {
    this.packing = emptyPacking(count);
    this.#kinds = kinds;
    const levels = [...new Set(kinds.map(({ priority }) => priority))].sort((p, q) => p - q);
    this.#ranks = Float64Array.from(kinds, ({ priority }) => levels.indexOf(priority));
    this.#first = new Int32Array(kinds.length);
    this.#next = new Int32Array(count);
  }

  /** Lines the boxes of a sequence up, to be taken in a manner. */
  lineUp(sequence: Int32Array, { isEarly, lies }: Pick<Manner, 'isEarly' | 'lies'>): void {
    this.#perRank = isEarly ? 10 : 0;
    this.#lies = lies;
    this.#first.fill(-1);
    for (let place = sequence.length - 1; place >= 0; place--) {
      const kind = sequence[place];
      this.#next[place] = this.#first[kind];
      this.#first[kind] = place;
    }
    this.left = sequence.length;
  }

  /** The box that suits a room best, among equals the first in the sequence; the answer is good until the next call. */
  choose(width: number, height: number, suits: Suits): Choice | null {
    let best = -1;
    let bestPlace = -1;
    for (let kind = 0; kind < this.#kinds.length; kind++) {
      const place = this.#first[kind];
      if (place < 0) continue;
      const { ways } = this.#kinds[kind];
      for (let way = 0; way < ways.length; way++) {
        if (!this.mayLie(kind, way)) continue;
        const { w, h } = ways[way];
        if (w > width || h > height) continue;
        const own = this.#perRank * this.#ranks[kind] + suits(w, h);
        if (own < best || (own === best && place >= bestPlace)) continue;
        best = own;
        bestPlace = place;
        this.#chosen.kind = kind;
        this.#chosen.way = way;
      }
    }
    return best < 0 ? null : this.#chosen;
  }

  /** Whether boxes of a kind lie this way at present. */
  mayLie(kind: number, way: number): boolean {
    const only = this.#lies === null ? 0 : this.#lies[kind];
    return only === 0 || only === way + 1 || this.#kinds[kind].ways.length === 1;
  }

  /** Lays the next box of a kind. */
  lay({ kind, way }: Choice, at: { bin: number; x: number; y: number }): void {
    const place = this.#first[kind];
    this.#first[kind] = this.#next[place];
    this.packing.kind[place] = kind;
    this.packing.way[place] = way;
    this.packing.bin[place] = at.bin;
    this.packing.x[place] = at.x;
    this.packing.y[place] = at.y;
    this.left--;
  }

  /** What waits now, to come back to. */
  keep(): { first: Int32Array; left: number } {
    return { first: this.#first.slice(), left: this.left };
  }

  restore({ first, left }: { first: Int32Array; left: number }): void {
    this.#first.set(first);
    this.left = left;
  }
}
