import { USUAL_GRAMS } from '../spray/index.ts';
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

/** Coverage of each colour channel, 0–1. */
export type Coverage = Record<'c' | 'm' | 'y' | 'k', number>;

/**
 * Coverage of each colour channel for an opaque pixel of a colour (0xBBGGRR): grey-component replacement with a total ink
 * limit. Black depends on the brightest channel alone, so that its power function is worked out once for each of 256.
 */
export function separator({
  blackFrom,
  blackGamma,
  blackStrength,
  underColourRemoval,
  totalInk,
}: Separation): (rgb: number) => Coverage {
  const inkOf = Float64Array.from({ length: 256 }, (_, code) => 1 - code / 255); // without black
  const blackOf = inkOf.map((least) => {
    const grey = Math.max(0, (least - blackFrom) / (1 - blackFrom));
    return grey === 0 ? 0 : blackStrength * grey ** blackGamma;
  });
  return (rgb) => {
    const r = rgb & 255;
    const g = (rgb >>> 8) & 255;
    const b = (rgb >>> 16) & 255;
    const k = blackOf[r > g ? (r > b ? r : b) : g > b ? g : b];
    const c = Math.max(0, inkOf[r] - underColourRemoval * k);
    const m = Math.max(0, inkOf[g] - underColourRemoval * k);
    const y = Math.max(0, inkOf[b] - underColourRemoval * k);
    const sum = c + m + y;
    const scale = sum + k > totalInk ? (totalInk - k) / sum : 1;
    return { c: c * scale, m: m * scale, y: y * scale, k };
  };
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

interface Printed {
  colours: ColourTable;
  /** Coverage of a colour (0xBBGGRR). */
  separate: (rgb: number) => Coverage;
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
  const pretreatM2 = process === 'dtg-dark' ? area(USUAL_GRAMS.marginMm) : 0;
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
function sumChannels({ colours, separate, underbase, highlight }: Printed): Record<InkChannel, number> {
  const px = { c: 0, m: 0, y: 0, k: 0 };
  colours.forEach((number, rgb) => {
    const { c, m, y, k } = separate(rgb);
    const alphaPx = colours.alphaPx(number);
    px.c += c * alphaPx;
    px.m += m * alphaPx;
    px.y += y * alphaPx;
    px.k += k * alphaPx;
  });
  return { ...px, w: underbase ? whitePx(underbase) : 0, h: highlight ? whitePx(highlight) : 0 };
}
