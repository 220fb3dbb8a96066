export { artworkEndpoints } from './artworkEndpoints.ts';
export { createArtworkService } from './artworkService.ts';
export type { ArtworkService } from './artworkService.ts';
export { artworkStore } from './artworkStore.ts';
