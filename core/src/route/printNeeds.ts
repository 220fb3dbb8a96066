import type { ArtFigures, ArtJob, ArtStep, UnderbaseSettings } from '../artwork/index.ts';
import type { Garment } from '../blank/index.ts';
import type { Equipment, Override, PrintNeeds, Process } from './documents.ts';
import { operationIdOf } from './practice.ts';
import { PROCESS_MODULES } from './processes/index.ts';
import { isWithin } from './resolveSetting.ts';
import { PRINTS_WITH } from './sources/roles.ts';
import { TRADE } from './tradeRanges.ts';
import { WHITE_ABILITY } from './whiteSettings.ts';

/** What film ink lays down where no film ink is set up, ml/m² (assumption: mid of trade practice). */
const FILM_LAYDOWN = { colourMlM2: 7, whiteMlM2: 16 };
const POWDER_G_M2 = 45; // likewise

/** Ink and powder that a process lays down in this shop. */
function laydownFor(
  process: Process,
  { inkSets, powders }: Pick<Equipment, 'inkSets' | 'powders'>,
): { colourMlM2: number; whiteMlM2: number; powderGM2: number } {
  const use = PRINTS_WITH[process]?.ink ?? null;
  // garment ink on film is laid down like film ink: what film takes is a matter of its coating
  const wanted = process === 'dtf-platen' || use === null ? 'film' : use;
  const set = inkSets.find((own) => own.use === wanted) ?? FILM_LAYDOWN;
  return {
    colourMlM2: set.colourMlM2,
    whiteMlM2: set.whiteMlM2,
    powderGM2: powders[0]?.gM2 ?? POWDER_G_M2,
  };
}

/** How an artwork is to be measured for a line, so that its figures match the settings of the route. */
export function artJobFor(
  line: {
    /** The print's name within its line. */
    id: string;
    process: Process;
    garment: Pick<Garment, 'tone' | 'colourHex'>;
    widthMm: number;
    equipment: Pick<Equipment, 'inkSets' | 'powders'>;
    /** What is done to the file first, and how its white is separated. */
    preparation?: { steps: readonly ArtStep[]; white: Partial<UnderbaseSettings> } | null;
  },
  overrides: readonly Override[] = [],
): ArtJob {
  const { process, garment, widthMm } = line;
  const { steps = [], white = {} } = line.preparation ?? {};
  const printing = printingOf(process, line.id);
  // a value that cannot be set is refused where the route is planned: the print is measured without it
  const own = (setting: keyof typeof WHITE_ABILITY, fallback: number): number =>
    overrides.find(
      (override) =>
        override.operation === printing &&
        override.setting === setting &&
        isWithin(override.value, WHITE_ABILITY[setting]),
    )?.value ?? fallback;
  const { powderGM2, ...ink } = laydownFor(process, line.equipment);
  const art = PROCESS_MODULES[process].artProcess(garment);
  const base = { widthMm, garment: garment.colourHex, process: art, steps };
  switch (art) {
    case 'dtf':
      return {
        ...base,
        underbase: {
          ...white,
          chokeMm: own('chokeMm', TRADE.filmChokeMm.start),
          density: own('whiteDensity', TRADE.filmWhiteDensity.start),
        },
        laydown: { ...ink, powderGM2 },
      };
    case 'dtg-dark':
      return {
        ...base,
        underbase: {
          ...white,
          chokeMm: own('chokeMm', TRADE.directChokeMm.start),
          density: own('whiteDensity', TRADE.directWhiteDensity.start),
        },
        laydown: ink,
      };
    default:
      return { ...base, underbase: white, laydown: art === 'sub' ? { ...ink, powderGM2 } : ink };
  }
}

/**
 * A line's own values with a print's choke and density where they were tried to another value than its route has.
 *
 * @param tried `kept` is what the art was measured with, `value` what was tried
 */
export function withTriedWhite(
  overrides: readonly Override[],
  { id, process }: { id: string; process: Process },
  tried: { choke: Tried; density: Tried },
  by: { who: string; why: string },
): Override[] {
  const operation = printingOf(process, id);
  if (operation === undefined) return [...overrides];
  const changed = (
    [
      ['chokeMm', tried.choke],
      ['whiteDensity', tried.density],
    ] as const satisfies readonly (readonly [keyof typeof WHITE_ABILITY, Tried])[]
  ).filter(([, { value, kept }]) => value !== kept);
  const others = overrides.filter(
    (own) => own.operation !== operation || !changed.some(([setting]) => setting === own.setting),
  );
  return [...others, ...changed.map(([setting, { value }]) => ({ operation, setting, value, ...by }))];
}

/** The operation that lays a print's ink; nothing where somebody else does. */
function printingOf(process: Process, print: string): string | undefined {
  const practice = PROCESS_MODULES[process].practices.find(({ role }) => role === 'print');
  return practice && operationIdOf(practice, print);
}

interface Tried {
  value: number;
  kept: number | undefined;
}

/** What the route needs to know of one print, out of its figures. */
export function printNeedsOf(figures: ArtFigures): PrintNeeds {
  const { widthMm, heightMm, bboxMm, inkMm2, coverage, ml, powderG, filmM2, sprayM2 } = figures;
  return {
    lineWidthMm: widthMm,
    widthMm: bboxMm?.w ?? widthMm,
    heightMm: bboxMm?.h ?? heightMm,
    inkMm2,
    whiteShare: coverage.w,
    colourMl: ml.c + ml.m + ml.y + ml.k,
    whiteMl: ml.w + ml.h,
    powderG,
    filmM2,
    sprayM2,
  };
}
