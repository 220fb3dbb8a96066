export { ArtworkView } from './ArtworkView.tsx';
export { Filmstrip } from './Filmstrip.tsx';
export { pricesOf } from './pricesOf.ts';
export { useReplaceArtworkMutation } from './preparationsApi.ts';
export type { ArtDraft } from './useArtDraft.ts';
export { withWhite } from './withWhite.ts';
