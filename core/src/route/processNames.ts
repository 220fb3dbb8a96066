import { inEnglish } from '../language/index.ts';
import type { Phrasing } from '../language/index.ts';
import { PROCESS_NAMES, PROCESS_SHORT_NAMES } from '../words/index.ts';
import type { Process } from './documents.ts';

export { PROCESS_NAMES, PROCESS_SHORT_NAMES };

/** Several processes of one garment, for narrow columns. */
export const shortNames = (processes: readonly Process[], t: Phrasing = inEnglish): string =>
  processes.map((process) => t(PROCESS_SHORT_NAMES[process])).join(' + ');

/** True where transfers are made: sold alone, they need a licence for the image. */
export const isFilmProcess = (process: Process): boolean =>
  process !== 'dtg' && process !== 'bought-in' && process !== 'shelf';
