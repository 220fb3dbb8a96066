import { PROCESSES } from './documents.ts';
import type { Process } from './documents.ts';

const AND = '+';

/** The processes of a garment as one word, each once, in a fixed order: what pieces are counted under. */
export const processKey = (prints: readonly { process: Process }[]): string =>
  PROCESSES.filter((own) => prints.some(({ process }) => process === own)).join(AND);

/** The processes such a word names. */
export const processesIn = (key: string): Process[] =>
  key.split(AND).filter((own): own is Process => (PROCESSES as readonly string[]).includes(own));
