export { artworkEndpoints } from './artworkEndpoints.ts';
export { ArtworkService } from './artworkService.ts';
export { ArtworkStore } from './artworkStore.ts';
export { PreparationStore } from './preparationStore.ts';
