export { artworkEndpoints } from './artworkEndpoints.ts';
export { createArtworkService } from './artworkService.ts';
export type { ArtworkService, MeasureArt } from './artworkService.ts';
export { artworkStore } from './artworkStore.ts';
