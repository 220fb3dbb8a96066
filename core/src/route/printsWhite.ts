import type { SettingRole } from '../work/index.ts';
import type { Process } from './documents.ts';

const WHITE_SETTINGS: readonly (SettingRole | null)[] = ['white-density', 'white-hits'];

/** True where white is in the print: laid here, or brought along by a supplier's transfer. */
export const printsWhite = ({
  process,
  operations,
}: {
  process: Process;
  operations: readonly { settings: readonly { sets: SettingRole | null }[] }[];
}): boolean =>
  process === 'bought-in' ||
  operations.some(({ settings }) => settings.some(({ sets }) => WHITE_SETTINGS.includes(sets)));
