import { FAINT_ALPHA, SHAPE_ALPHA } from './pixels.ts';
import type { PixelBox, Pixels } from './pixels.ts';
import { ColourCount } from './colourCount.ts';
import type { PrintProcess, WhitePlane } from './white.ts';

/** The channels a garment printer lays down. */
export type InkChannel = 'c' | 'm' | 'y' | 'k' | 'w';
export const INK_CHANNELS: readonly InkChannel[] = ['c', 'm', 'y', 'k', 'w'];

/** What one full layer weighs or takes; each an assumption until a print has been weighed. */
export interface Laydown {
  /** Colour ink at 100 % coverage, ml/m². */
  colourMlM2: number;
  /** White ink at 100 % coverage, ml/m². */
  whiteMlM2: number;
  /** Adhesive powder picked up by wet ink, g/m². */
  powderGM2: number;
  /** Powder also clings this far beyond the ink's edge, mm. */
  powderRimMm: number;
  /** Pretreatment sprayed, g/m². */
  pretreatmentGM2: number;
}

/** Trade starting points per process: direct print lays far more white, since fabric swallows it. */
export function defaultLaydown(process: PrintProcess): Laydown {
  const isFilm = process === 'dtf';
  return {
    colourMlM2: isFilm ? 7 : 9,
    whiteMlM2: isFilm ? 16 : 75,
    powderGM2: isFilm ? 45 : 0,
    powderRimMm: 0.05,
    pretreatmentGM2: process === 'dtg-dark' ? 130 : 0,
  };
}

// Separation constants: black takes over from here, and this much ink in all is as much as a surface holds.
const BLACK_FROM = 0.2;
const BLACK_GAMMA = 1.5;
const BLACK_STRENGTH = 1;
const UNDER_COLOUR_REMOVAL = 1;
const TOTAL_INK = 2.6;

/** Coverage of each colour channel (0–1) for an opaque pixel: grey-component replacement with a total ink limit. */
export function separateColour(
  r: number,
  g: number,
  b: number,
): [c: number, m: number, y: number, k: number] {
  let c = 1 - r / 255;
  let m = 1 - g / 255;
  let y = 1 - b / 255;
  const grey = Math.max(0, (Math.min(c, m, y) - BLACK_FROM) / (1 - BLACK_FROM));
  const k = BLACK_STRENGTH * grey ** BLACK_GAMMA;
  c = Math.max(0, c - UNDER_COLOUR_REMOVAL * k);
  m = Math.max(0, m - UNDER_COLOUR_REMOVAL * k);
  y = Math.max(0, y - UNDER_COLOUR_REMOVAL * k);
  const sum = c + m + y;
  if (sum + k > TOTAL_INK) {
    const scale = (TOTAL_INK - k) / sum;
    return [c * scale, m * scale, y * scale, k];
  }
  return [c, m, y, k];
}

/** What one print uses. Areas in mm², ink in ml, masses in g, film in m². */
export interface InkUse {
  inkMm2: number;
  perimeterMm: number;
  /** Coverage of each channel relative to the inked area, 0–1. */
  coverage: Record<InkChannel, number>;
  ml: Record<InkChannel, number>;
  powderG: number;
  filmM2: number;
  pretreatmentG: number;
  /** Rectangle that pretreatment is sprayed on, m². */
  pretreatmentM2: number;
}

const FILM_MARGIN_MM = 5; // round the print on its piece of film
const SPRAY_MARGIN_MM = 15; // pretreatment reaches beyond the print so that no edge is dry

/** Adds up ink, powder, film and pretreatment for one print of the image with its white. */
export function measureInk(
  image: Pixels,
  white: WhitePlane | null,
  pitchMm: number,
  process: PrintProcess,
  laydown: Laydown = defaultLaydown(process),
): InkUse {
  const { colours, alphaPx } = countColours(image);
  const px = sumChannels(colours, white);
  const pixelMm2 = pitchMm * pitchMm;
  const inkMm2 = alphaPx * pixelMm2;
  const perimeterMm = (Math.PI / 4) * countEdges(image) * pitchMm; // π/4: mean of a 4-neighbour edge count over all directions
  const coverage = {} as Record<InkChannel, number>;
  const ml = {} as Record<InkChannel, number>;
  for (const channel of INK_CHANNELS) {
    coverage[channel] = alphaPx === 0 ? 0 : px[channel] / alphaPx;
    ml[channel] = (px[channel] * pixelMm2 * (channel === 'w' ? laydown.whiteMlM2 : laydown.colourMlM2)) / 1e6;
  }
  const side = (box: PixelBox, marginMm: number): number =>
    ((box.width * pitchMm + 2 * marginMm) * (box.height * pitchMm + 2 * marginMm)) / 1e6;
  const pretreatmentM2 = white && process === 'dtg-dark' ? side(white.box, SPRAY_MARGIN_MM) : 0;
  return {
    inkMm2,
    perimeterMm,
    coverage,
    ml,
    powderG: process === 'dtf' ? ((inkMm2 + perimeterMm * laydown.powderRimMm) / 1e6) * laydown.powderGM2 : 0,
    filmM2: white && process === 'dtf' ? side(white.box, FILM_MARGIN_MM) : 0,
    pretreatmentG: pretreatmentM2 * laydown.pretreatmentGM2,
    pretreatmentM2,
  };
}

function countColours({ data }: Pixels): { colours: ColourCount; alphaPx: number } {
  const colours = new ColourCount();
  let alphaPx = 0;
  for (let p = 0; p < data.length; p += 4) {
    const alpha = data[p + 3];
    if (alpha < FAINT_ALPHA) continue;
    alphaPx += alpha / 255;
    colours.add((data[p] << 16) | (data[p + 1] << 8) | data[p + 2], alpha / 255);
  }
  return { colours, alphaPx };
}

/** Coverage of each channel summed over the image, in pixels of full coverage. */
function sumChannels(colours: ColourCount, white: WhitePlane | null): Record<InkChannel, number> {
  const px = { c: 0, m: 0, y: 0, k: 0, w: 0 };
  colours.each((rgb, alphaPx) => {
    const [c, m, y, k] = separateColour(rgb >> 16, (rgb >> 8) & 255, rgb & 255);
    px.c += c * alphaPx;
    px.m += m * alphaPx;
    px.y += y * alphaPx;
    px.k += k * alphaPx;
  });
  let codes = 0;
  const plane = white?.plane ?? new Uint8Array(0);
  for (let i = 0; i < plane.length; i++) codes += plane[i];
  px.w = codes / 255;
  return px;
}

/** Edges between the shape and what is not, over the four neighbours; beyond the image there is no shape. */
function countEdges({ width, height, data }: Pixels): number {
  let edges = 0;
  for (let y = 0; y < height; y++) {
    let left = false;
    for (let x = 0; x < width; x++) {
      const at = 4 * (y * width + x) + 3;
      const isShape = data[at] >= SHAPE_ALPHA;
      const above = y > 0 && data[at - 4 * width] >= SHAPE_ALPHA;
      if (isShape !== left) edges++;
      if (isShape !== above) edges++;
      if (isShape && y === height - 1) edges++;
      left = isShape;
    }
    if (left) edges++;
  }
  return edges;
}
