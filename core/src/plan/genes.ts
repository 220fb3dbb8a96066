import type { Problem } from './problem.ts';

/** What a search decides; everything else follows from it by placing operations one after the other. */
export interface Genes {
  /** When each operation is to have its turn: the smallest first. */
  keys: Float64Array;
  /** The way each is done; −1: the one that ends first. */
  modes: Int8Array;
  /** 1 where a change that takes a person comes as soon as it can. */
  early: Uint8Array;
}

/** @param keyOf an operation's key; 0 without it */
export const newGenes = ({ n }: Problem, keyOf: (op: number) => number = () => 0): Genes => ({
  keys: Float64Array.from({ length: n }, (_, op) => keyOf(op)),
  modes: new Int8Array(n).fill(-1),
  early: new Uint8Array(n),
});

/** Writes genes over others. */
export function copyGenes(from: Genes, to: Genes): void {
  to.keys.set(from.keys);
  to.modes.set(from.modes);
  to.early.set(from.early);
}
