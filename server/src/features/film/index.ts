export { filmEndpoints } from './filmEndpoints.ts';
export { LayoutService } from './layoutService.ts';
export { LayoutStore } from './layoutStore.ts';
export { SheetFiles } from './sheetFiles.ts';
export { WaitingFilm } from './waitingFilm.ts';
