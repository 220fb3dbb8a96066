export { ArtworkView } from './ArtworkView.tsx';
export type { PrintPrices } from './FigureTable.tsx';
export { usePrepareMutation, useReplaceArtworkMutation } from './preparationsApi.ts';
export type { ArtDraft } from './useArtDraft.ts';
