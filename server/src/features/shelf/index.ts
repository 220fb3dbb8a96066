export { shelfEndpoints } from './shelfEndpoints.ts';
export { ShelfOnFloor, concernsShelf } from './shelfOnFloor.ts';
export { ShelfReads } from './shelfReads.ts';
export { ShelfService } from './shelfService.ts';
export { StockWishes } from './stockWishes.ts';
export { ShelfStore } from './shelfStore.ts';
