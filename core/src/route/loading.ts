import type { BlankKind } from '../blank/index.ts';

/** What sticks out of a garment and wants a pad cut out for it. */
export const PADDED = ['zip', 'thick-seams', 'panel-seam', 'drawcord'] as const;

/** One size on the platen, mm from the platen's upper left corner, y downwards. */
export interface LoadedSize {
  size: string;
  /** Of the outline's own drawing. */
  scale: number;
  /** The collar's middle, or that of the upper edge: where the outline's origin lies. */
  garment: { xMm: number; yMm: number };
  /** The collar or edge is pulled so far above the platen's upper edge; 0 where it lies at it. */
  edgeAboveMm: number;
  print: { xMm: number; yMm: number; widthMm: number; heightMm: number };
  /** Sides where the print runs off the garment: tape on the bare platen there. */
  tape: ('left' | 'right' | 'below')[];
  /** From where to where the platen is raised under what lies lower, across the print. */
  riser: { fromMm: number; toMm: number } | null;
}

/** How a garment lies on a direct printer's platen. */
export interface LoadingCard {
  platen: { name: string; widthMm: number; heightMm: number };
  kind: BlankKind;
  /** What lies at the platen's upper edge. */
  edge: 'collar' | 'edge';
  /** Opened up, one layer on the platen, something under it where ink may come through. */
  isSplit: boolean;
  isHooped: boolean;
  sizes: LoadedSize[];
  /** Height of the riser, mm; `null` where nothing is lower. */
  riserMm: number | null;
  /** What sticks out under the print or beside it and wants a pad cut out for it. */
  pad: (typeof PADDED)[number][];
}
