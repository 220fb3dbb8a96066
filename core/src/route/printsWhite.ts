import type { SettingRole } from '../work/index.ts';
import type { Process } from './documents.ts';

const WHITE_SETTINGS: readonly (SettingRole | null)[] = ['white-density', 'white-hits'];

/** True where white is in a print: laid here, or brought along by a supplier's transfer. */
export const printsWhite = ({
  prints,
  operations,
}: {
  prints: readonly { process: Process }[];
  operations: readonly { settings: readonly { sets: SettingRole | null }[] }[];
}): boolean =>
  prints.some(({ process }) => process === 'bought-in') ||
  operations.some(({ settings }) => settings.some(({ sets }) => WHITE_SETTINGS.includes(sets)));
