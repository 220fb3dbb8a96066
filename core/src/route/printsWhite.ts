import type { SettingRole } from '../work/index.ts';
import type { Process } from './documents.ts';

const READY_MADE: readonly Process[] = ['bought-in', 'shelf', 'patch-cap'];
const WHITE_SETTINGS: readonly (SettingRole | null)[] = ['white-density', 'white-hits'];

/** True where white is in a print: laid here, or brought along by a transfer that was made before. */
export const printsWhite = ({
  prints,
  operations,
}: {
  prints: readonly { process: Process }[];
  operations: readonly { settings: readonly { sets: SettingRole | null }[] }[];
}): boolean =>
  prints.some(({ process }) => READY_MADE.includes(process)) ||
  operations.some(({ settings }) => settings.some(({ sets }) => WHITE_SETTINGS.includes(sets)));
