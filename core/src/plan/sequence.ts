import type { Blocks } from './blocks.ts';

/** Orders blocks by their keys, each after those it waits for: the smallest key that is ready comes next (a binary heap). */
export class Sequencer {
  readonly #blocks: Blocks;
  readonly #isFirst: Uint8Array;
  readonly #keyOf: Float64Array;
  readonly #left: Int32Array;
  readonly #heap: Int32Array;
  #size = 0;

  /** @param isFirst blocks that go before all others: what has begun already */
  constructor(blocks: Blocks, isFirst: Uint8Array) {
    this.#blocks = blocks;
    this.#isFirst = isFirst;
    this.#keyOf = new Float64Array(blocks.ops.length);
    this.#left = new Int32Array(blocks.ops.length);
    this.#heap = new Int32Array(blocks.ops.length);
  }

  /** @param order written: all blocks */
  write(keys: Float64Array, order: Int32Array): void {
    const { next, waitsFor } = this.#blocks;
    this.#left.set(waitsFor);
    this.#size = 0;
    for (let b = 0; b < waitsFor.length; b++) {
      this.#keyOf[b] = this.#isFirst[b] ? -Infinity : keys[b];
      if (this.#left[b] === 0) this.#push(b);
    }
    for (let at = 0; this.#size > 0; at++) {
      const b = this.#pop();
      order[at] = b;
      for (const other of next[b]) if (--this.#left[other] === 0) this.#push(other);
    }
  }

  #isBefore(p: number, q: number): boolean {
    const [keyP, keyQ] = [this.#keyOf[p], this.#keyOf[q]];
    return keyP < keyQ || (keyP === keyQ && p < q);
  }

  #push(b: number): void {
    const heap = this.#heap;
    let at = this.#size++;
    while (at > 0) {
      const parent = (at - 1) >> 1;
      if (!this.#isBefore(b, heap[parent])) break;
      heap[at] = heap[parent];
      at = parent;
    }
    heap[at] = b;
  }

  #pop(): number {
    const heap = this.#heap;
    const top = heap[0];
    const moved = heap[--this.#size];
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= this.#size) break;
      if (child + 1 < this.#size && this.#isBefore(heap[child + 1], heap[child])) child++;
      if (!this.#isBefore(heap[child], moved)) break;
      heap[at] = heap[child];
      at = child;
    }
    heap[at] = moved;
    return top;
  }
}
