import type { Piece } from './pieces.ts';

/** Marks of a piece by its state: a fault is a shape as well as a colour. */
export const pieceClass = ({ isLocked, fault }: Piece, isSelected: boolean): string =>
  ['film-piece', isSelected && 'is-selected', isLocked && 'is-locked', fault !== null && 'is-faulty']
    .filter(Boolean)
    .join(' ');
