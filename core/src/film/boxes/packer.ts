import type { Packing } from './boxWork.ts';

/** What a packer prefers among boxes that fit. */
export interface Manner {
  /** Priority boxes are taken before all others wherever they fit. */
  isEarly: boolean;
  /** `level`: what levels with walls; `width`: what is just as wide; `order`: whatever comes first in the sequence. */
  likes: 'level' | 'width' | 'order';
  /** By kind, which of its ways its boxes lie in, from 1; 0 or nothing where they may lie in any. */
  lies: Uint8Array | null;
}

/** Packs a sequence of kinds greedily; what it made lies in `packing` until the next call. */
export interface Packer {
  readonly packing: Packing;
  /** @returns the packing's cost, see `costOf` */
  pack: (sequence: Int32Array, manner: Manner) => number;
}
