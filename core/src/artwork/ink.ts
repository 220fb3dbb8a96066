import { rgbOfWord } from './pixels.ts';
import type { Box } from './pixels.ts';
import type { ColourTable } from './colourTable.ts';
import { whitePx } from './white.ts';
import type { PrintProcess, WhitePlane } from './white.ts';

/** The channels a garment printer lays down: four colours, white, and a second white. */
export const INK_CHANNELS = ['c', 'm', 'y', 'k', 'w', 'h'] as const;
export type InkChannel = (typeof INK_CHANNELS)[number];

/** What one full layer weighs or takes; each an assumption until a print has been weighed. */
export interface Laydown {
  /** Colour ink at 100 % coverage, ml/m². */
  colourMlM2: number;
  /** White ink at 100 % coverage, ml/m². */
  whiteMlM2: number;
  /** Second white at 100 % coverage, ml/m². */
  highlightMlM2: number;
  /** Adhesive powder picked up by wet ink, g/m². */
  powderGM2: number;
  /** Powder also clings this far beyond the ink's edge, mm. */
  powderRimMm: number;
  /** Pretreatment sprayed, g/m². */
  pretreatmentGM2: number;
}

/** Trade starting points per process: direct print lays far more white, since fabric swallows it. */
export function defaultLaydown(process: PrintProcess): Laydown {
  const isDirect = process === 'dtg-dark' || process === 'dtg-light';
  return {
    colourMlM2: isDirect ? 9 : 7,
    whiteMlM2: isDirect ? 75 : 16,
    highlightMlM2: 35,
    powderGM2: process === 'dtf' ? 45 : 0,
    powderRimMm: 0.05,
    pretreatmentGM2: process === 'dtg-dark' ? 130 : 0,
  };
}

/** How colour becomes four inks: where black takes over and how much ink a surface holds. */
export interface Separation {
  /** Grey above this (0–1) is given to black. */
  blackFrom: number;
  blackGamma: number;
  blackStrength: number;
  /** Share (0–1) of black taken out of the other three. */
  underColourRemoval: number;
  /** Largest sum of the four coverages. */
  totalInk: number;
}

/** Trade starting points. */
export const DEFAULT_SEPARATION: Separation = {
  blackFrom: 0.2,
  blackGamma: 1.5,
  blackStrength: 1,
  underColourRemoval: 1,
  totalInk: 2.6,
};

/** Coverage of each colour channel (0–1) for an opaque pixel: grey-component replacement with a total ink limit. */
export function separateColour(
  { r, g, b }: { r: number; g: number; b: number },
  { blackFrom, blackGamma, blackStrength, underColourRemoval, totalInk }: Separation = DEFAULT_SEPARATION,
): Record<'c' | 'm' | 'y' | 'k', number> {
  let c = 1 - r / 255;
  let m = 1 - g / 255;
  let y = 1 - b / 255;
  const grey = Math.max(0, (Math.min(c, m, y) - blackFrom) / (1 - blackFrom));
  const k = grey === 0 ? 0 : blackStrength * grey ** blackGamma;
  c = Math.max(0, c - underColourRemoval * k);
  m = Math.max(0, m - underColourRemoval * k);
  y = Math.max(0, y - underColourRemoval * k);
  const sum = c + m + y;
  const scale = sum + k > totalInk ? (totalInk - k) / sum : 1;
  return { c: c * scale, m: m * scale, y: y * scale, k };
}

/** Ink of one print and what it takes along. */
export interface InkUse {
  /** Coverage of each channel relative to the inked area, 0–1. */
  coverage: Record<InkChannel, number>;
  ml: Record<InkChannel, number>;
  powderG: number;
  filmM2: number;
  pretreatG: number;
  /** Rectangle that pretreatment is sprayed on, m². */
  pretreatM2: number;
}

export const FILM_MARGIN_MM = 5; // round the print on its piece of film
export const SPRAY_MARGIN_MM = 15; // pretreatment reaches beyond the print so that no edge is dry

/** Coverage of the four colours of each colour number, 0–1 each. */
export interface Separated {
  c: Float64Array;
  m: Float64Array;
  y: Float64Array;
  k: Float64Array;
}

/** Separates every colour of an image once. */
export function separateAll(colours: ColourTable, separation: Separation): Separated {
  const make = (): Float64Array => new Float64Array(colours.size);
  const out: Separated = { c: make(), m: make(), y: make(), k: make() };
  for (let i = 0; i < colours.size; i++) {
    const { c, m, y, k } = separateColour(rgbOfWord(colours.colour(i)), separation);
    out.c[i] = c;
    out.m[i] = m;
    out.y[i] = y;
    out.k[i] = k;
  }
  return out;
}

interface Printed {
  colours: ColourTable;
  separated: Separated;
  alphaPx: number;
  underbase: WhitePlane | null;
  highlight: WhitePlane | null;
  boxMm: Box | null;
  inkMm2: number;
  perimeterMm: number;
  pitchMm: number;
  process: PrintProcess;
  laydown: Laydown;
}

/** Adds up ink, powder, film and pretreatment for one print. */
export function measureInk(printed: Printed): InkUse {
  const { alphaPx, boxMm, inkMm2, perimeterMm, pitchMm, process, laydown } = printed;
  const px = sumChannels(printed);
  const coverage = {} as Record<InkChannel, number>;
  const ml = {} as Record<InkChannel, number>;
  const full = { w: laydown.whiteMlM2, h: laydown.highlightMlM2 };
  for (const channel of INK_CHANNELS) {
    const mlM2 = channel === 'w' || channel === 'h' ? full[channel] : laydown.colourMlM2;
    coverage[channel] = alphaPx === 0 ? 0 : px[channel] / alphaPx;
    ml[channel] = (px[channel] * pitchMm * pitchMm * mlM2) / 1e6;
  }
  const area = (marginMm: number): number =>
    boxMm === null ? 0 : ((boxMm.w + 2 * marginMm) * (boxMm.h + 2 * marginMm)) / 1e6;
  const isOnFilm = process === 'dtf' || process === 'sub';
  const pretreatM2 = process === 'dtg-dark' ? area(SPRAY_MARGIN_MM) : 0;
  return {
    coverage,
    ml,
    powderG: process === 'dtf' ? ((inkMm2 + perimeterMm * laydown.powderRimMm) / 1e6) * laydown.powderGM2 : 0,
    filmM2: isOnFilm ? area(FILM_MARGIN_MM) : 0,
    pretreatG: pretreatM2 * laydown.pretreatmentGM2,
    pretreatM2,
  };
}

/** Coverage of each channel summed over the image, in pixels of full coverage. */
function sumChannels({ colours, separated, underbase, highlight }: Printed): Record<InkChannel, number> {
  const { c, m, y, k } = separated;
  const px = { c: 0, m: 0, y: 0, k: 0 };
  for (let i = 0; i < colours.size; i++) {
    const alphaPx = colours.alphaPx(i);
    px.c += c[i] * alphaPx;
    px.m += m[i] * alphaPx;
    px.y += y[i] * alphaPx;
    px.k += k[i] * alphaPx;
  }
  return { ...px, w: underbase ? whitePx(underbase) : 0, h: highlight ? whitePx(highlight) : 0 };
}
