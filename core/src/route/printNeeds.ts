import type { ArtFigures, ArtJob } from '../artwork/index.ts';
import type { Garment, InkSet, Override, PrintNeeds, Process } from './documents.ts';
import { needsWhite } from './fabric.ts';
import { TRADE } from './tradeRanges.ts';

const SPRAY_MARGIN_MM = 15; // pretreatment reaches beyond the print so that no edge is dry

/** How an artwork is to be measured for a line, so that its figures match the settings of the route. */
export function artJobFor(
  line: { process: Process; garment: Garment; widthMm: number; inkSet: InkSet },
  overrides: readonly Override[] = [],
): ArtJob {
  const { process, garment, widthMm, inkSet } = line;
  const own = (setting: string, fallback: number): number =>
    overrides.find((override) => override.setting === setting)?.value ?? fallback;
  const { colourMlM2, whiteMlM2 } = inkSet;
  const laydown = { colourMlM2, whiteMlM2 };
  if (process === 'dtf') {
    const underbase = {
      chokeMm: own('chokeMm', TRADE.filmChokeMm.start),
      density: own('whiteDensity', TRADE.filmWhiteDensity.start),
    };
    return { widthMm, garmentHex: garment.colourHex, process: 'dtf', underbase, laydown };
  }
  if (!needsWhite(garment)) return { widthMm, garmentHex: garment.colourHex, process: 'dtg-light', laydown };
  return {
    widthMm,
    garmentHex: garment.colourHex,
    process: 'dtg-dark',
    underbase: { chokeMm: own('chokeMm', TRADE.directChokeMm.start) },
    laydown,
  };
}

/** What the route needs to know of one print, out of its figures. */
export function printNeedsOf({ widthMm, heightMm, boxMm, ink, whiteShare }: ArtFigures): PrintNeeds {
  const { c, m, y, k, w } = ink.ml;
  const sprayedMm2 =
    boxMm === null ? 0 : (boxMm.width + 2 * SPRAY_MARGIN_MM) * (boxMm.height + 2 * SPRAY_MARGIN_MM);
  return {
    widthMm: boxMm?.width ?? widthMm,
    heightMm: boxMm?.height ?? heightMm,
    inkMm2: ink.inkMm2,
    whiteShare,
    colourMl: c + m + y + k,
    whiteMl: w,
    powderG: ink.powderG,
    filmM2: ink.filmM2,
    pretreatmentM2: sprayedMm2 / 1e6,
  };
}
