import type { LinePrint, SettingOverride } from '@saltflat/contract';
import type { ArtJob } from '@saltflat/core/artwork';
import { withTriedWhite } from '@saltflat/core/route';
import type { ArtDraft } from './useArtDraft.ts';

/** The route's overrides with the white that was tried; none where none is printed. */
export function withWhite(
  overrides: readonly SettingOverride[],
  { chokeMm, density }: ArtDraft,
  { process: separation, underbase = {} }: ArtJob,
  { print, who }: { print: LinePrint; who: string },
): SettingOverride[] {
  if (separation === 'dtg-light' || separation === 'sub') return [...overrides];
  const tried = {
    choke: { value: chokeMm, kept: underbase.chokeMm },
    density: { value: density, kept: underbase.density },
  };
  return withTriedWhite(overrides, print, tried, { who, why: 'tried on the artwork' });
}
