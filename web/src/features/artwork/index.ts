export { ArtworkView } from './ArtworkView.tsx';
export { Filmstrip } from './Filmstrip.tsx';
export type { PrintPrices } from './FigureTable.tsx';
export { usePrepareMutation, useReplaceArtworkMutation } from './preparationsApi.ts';
export type { ArtDraft } from './useArtDraft.ts';
