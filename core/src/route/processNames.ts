import type { Process } from './documents.ts';

/** The process as people call it. */
export const PROCESS_NAMES: Record<Process, string> = {
  dtg: 'Direct print (DTG)',
  dtf: 'Film transfer (DTF)',
  'dtf-platen': 'Film made on the direct printer',
  'sub-film': 'Sublimation ink on film',
  'bought-in': 'Bought-in transfers',
  'patch-cap': 'Film transfer on a patch, patch on a cap',
};

/** The same for narrow columns. */
export const PROCESS_SHORT_NAMES: Record<Process, string> = {
  dtg: 'DTG',
  dtf: 'DTF',
  'dtf-platen': 'DTF on platen',
  'sub-film': 'Sublimation film',
  'bought-in': 'Bought-in',
  'patch-cap': 'Patch on cap',
};

/** Several processes of one garment, for narrow columns. */
export const shortNames = (processes: readonly Process[]): string =>
  processes.map((process) => PROCESS_SHORT_NAMES[process]).join(' + ');

/** True where transfers are made: sold alone, they need a licence for the image. */
export const isFilmProcess = (process: Process): boolean => process !== 'dtg' && process !== 'bought-in';
