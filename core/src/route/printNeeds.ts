import type { ArtFigures, ArtJob, ArtStep, UnderbaseSettings } from '../artwork/index.ts';
import type { Garment, InkSet, Override, Powder, PrintNeeds, Process } from './documents.ts';
import { needsWhite } from './fabric.ts';
import { TRADE } from './tradeRanges.ts';

const SPRAY_MARGIN_MM = 15; // pretreatment reaches beyond the print so that no edge is dry

/** How an artwork is to be measured for a line, so that its figures match the settings of the route. */
export function artJobFor(
  line: {
    process: Process;
    garment: Garment;
    widthMm: number;
    inkSet: InkSet;
    powder: Pick<Powder, 'gM2'>;
    /** What is done to the file first, and how its white is separated. */
    preparation?: { steps: readonly ArtStep[]; white: Partial<UnderbaseSettings> } | null;
  },
  overrides: readonly Override[] = [],
): ArtJob {
  const { process, garment, widthMm, inkSet, powder } = line;
  const { steps = [], white = {} } = line.preparation ?? {};
  const own = (setting: string, fallback: number): number =>
    overrides.find((override) => override.setting === setting)?.value ?? fallback;
  const { colourMlM2, whiteMlM2 } = inkSet;
  const laydown = { colourMlM2, whiteMlM2 };
  if (process === 'dtf') {
    const underbase = {
      chokeMm: own('chokeMm', TRADE.filmChokeMm.start),
      density: own('whiteDensity', TRADE.filmWhiteDensity.start),
    };
    return {
      widthMm,
      garment: garment.colourHex,
      process: 'dtf',
      steps,
      underbase: { ...white, ...underbase },
      laydown: { ...laydown, powderGM2: powder.gM2 },
    };
  }
  if (!needsWhite(garment))
    return { widthMm, garment: garment.colourHex, process: 'dtg-light', steps, underbase: white, laydown };
  return {
    widthMm,
    garment: garment.colourHex,
    process: 'dtg-dark',
    steps,
    underbase: {
      ...white,
      chokeMm: own('chokeMm', TRADE.directChokeMm.start),
      density: own('whiteDensity', TRADE.directWhiteDensity.start),
    },
    laydown,
  };
}

/** What the route needs to know of one print, out of its figures. */
export function printNeedsOf(figures: ArtFigures): PrintNeeds {
  const { widthMm, heightMm, bboxMm, inkMm2, coverage, ml, powderG, filmM2 } = figures;
  const sprayedMm2 =
    bboxMm === null ? 0 : (bboxMm.w + 2 * SPRAY_MARGIN_MM) * (bboxMm.h + 2 * SPRAY_MARGIN_MM);
  return {
    widthMm: bboxMm?.w ?? widthMm,
    heightMm: bboxMm?.h ?? heightMm,
    inkMm2,
    whiteShare: coverage.w,
    colourMl: ml.c + ml.m + ml.y + ml.k,
    whiteMl: ml.w + ml.h,
    powderG,
    filmM2,
    pretreatmentM2: sprayedMm2 / 1e6,
  };
}
