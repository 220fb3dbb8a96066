import type { Process } from './documents.ts';

const WHITE_SETTINGS = ['whiteDensity', 'whiteHits'];

/** True where white is in the print: laid here, or brought along by a supplier's transfer. */
export const printsWhite = ({
  process,
  operations,
}: {
  process: Process;
  operations: readonly { settings: readonly { key: string }[] }[];
}): boolean =>
  process === 'bought-in' ||
  operations.some(({ settings }) => settings.some(({ key }) => WHITE_SETTINGS.includes(key)));
