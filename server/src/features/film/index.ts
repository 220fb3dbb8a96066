export { filmEndpoints } from './filmEndpoints.ts';
export { readFilmWaiting } from './filmReads.ts';
export { LayoutService } from './layoutService.ts';
export { LayoutStore } from './layoutStore.ts';
export { SheetFiles } from './sheetFiles.ts';
