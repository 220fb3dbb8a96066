import type { Blocks } from './blocks.ts';

/** What a search decides; everything else follows from it by placing operations one after the other. */
export interface Genes {
  /** When each block is to have its turn: the smallest first. */
  keys: Float64Array;
  /** The way each is done; −1: the one that ends first. */
  modes: Int8Array;
  /** 1 where a change that takes a person comes as soon as it can. */
  early: Uint8Array;
}

/** Genes of a block's key each, nothing else decided. */
export const newGenes = ({ ops, blockOf }: Blocks, keyOf: (block: number) => number = () => 0): Genes => ({
  keys: Float64Array.from(ops, (_, block) => keyOf(block)),
  modes: new Int8Array(blockOf.length).fill(-1),
  early: new Uint8Array(blockOf.length),
});

/** Writes genes over others. */
export function copyGenes(from: Genes, to: Genes): void {
  to.keys.set(from.keys);
  to.modes.set(from.modes);
  to.early.set(from.early);
}
