import { hasBit, runEnd } from './bits.ts';
import type { BitPlane } from './bits.ts';
import { LINEAR, parseHex, perceptualDistance, toLab, toPerceptual } from './colour.ts';
import { makeDisc } from './disc.ts';
import { ALPHA_OF_WORD, FAINT_ALPHA, RGB_OF_WORD, rgbOfWord } from './pixels.ts';
import type { Box, Rgb } from './pixels.ts';
import type { ArtScan } from './scan.ts';
import { erodeAny } from './thinParts.ts';

/** How the art gets onto the garment, as far as ink is concerned. */
export type PrintProcess = 'dtf' | 'dtg-dark' | 'dtg-light' | 'sub';

/** Knobs of the white under the colour. */
export interface UnderbaseSettings {
  /** How far the white stays inside the colour's edge, mm, ≥ 0. */
  chokeMm: number;
  /** Share (0–1) of the full white that is laid down. */
  density: number;
  /** White below this share (0–1) is not laid at all: single droplets do not hold. */
  minDot: number;
  /** Below 1 lifts light whites, since fabric swallows the first of it. Only direct print on dark. */
  gamma: number;
  /** Perceptual distance to the garment's colour at which white begins, and from which it is full. Only direct print. */
  nearGarment: { from: number; to: number };
  /** On light garments: lay white under tints all the same. */
  lightTints: boolean;
  /** Strength (0–1) of a second hit of white under what is light and nearly grey; 0 for none. Only direct print. */
  highlight: number;
}

/** Trade defaults per process; every one is a starting point to be tested. */
export function defaultUnderbase(process: PrintProcess): UnderbaseSettings {
  const chokeMm = process === 'dtg-dark' ? 0.15 : process === 'dtf' ? 0.1 : 0;
  return {
    chokeMm,
    density: 1,
    minDot: 0.05,
    gamma: 0.45,
    nearGarment: { from: 3, to: 10 },
    lightTints: false,
    highlight: 0,
  };
}

/** The white to be printed, one byte a pixel over the ink's rectangle: 255 is full white. */
export interface WhitePlane {
  box: Box;
  /** Row-major over `box`. */
  plane: Uint8Array;
  /** Pixels of the rectangle by their code. */
  counts: Float64Array;
}

/** The white of a whole plane, in pixels of full white. */
export const whitePx = ({ counts }: WhitePlane): number =>
  counts.reduce((sum, count, code) => sum + count * code, 0) / 255;

/** Both whites of a print, and what the choke took. */
export interface Whites {
  underbase: WhitePlane;
  /** The second hit; `null` when there is none. */
  highlight: WhitePlane | null;
  /** Pixels that wanted white but lost all of it to the choke. */
  lostToChokePx: number;
  /** Sum over all pixels of the white (0–1) wanted, before choke and smallest dot. */
  unchokedPx: number;
}

/** White wanted under each colour, before any choke: what a moving choke leaves as it is. */
export interface WantedWhite {
  /** White wanted under each colour number, 0–1; one number where it is the same under every colour. */
  wanted: Float64Array | number;
  /** Second white wanted under each colour number, 0–1; `null` for none. */
  lifted: Float64Array | null;
}

/** White being laid, band of rows by band of rows. */
export interface WhiteWork extends WantedWhite {
  scan: ArtScan;
  settings: UnderbaseSettings;
  whites: Whites;
  choke: Choke | null;
}

/** What of the settings {@link wantWhite} hangs on. */
type WantedSettings = Pick<
  UnderbaseSettings,
  'density' | 'gamma' | 'nearGarment' | 'lightTints' | 'highlight'
>;

const hasSecondWhite = (process: PrintProcess, { highlight }: WantedSettings): boolean =>
  highlight > 0 && process === 'dtg-dark';

/** Works the wanted white out once for each colour. */
export function wantWhite(
  { colours }: ArtScan,
  garmentHex: string,
  process: PrintProcess,
  settings: WantedSettings,
): WantedWhite {
  const garment = parseHex(garmentHex);
  return {
    wanted:
      process === 'dtf'
        ? settings.density
        : colours.map((rgb) => wantedWhite(rgbOfWord(rgb), garment, process, settings)),
    lifted: hasSecondWhite(process, settings)
      ? colours.map((rgb) => settings.highlight * highlightShare(rgbOfWord(rgb)))
      : null,
  };
}

/**
 * Begins the white underbase of an image on a garment.
 * Least white through which a transparent ink still reaches its colour (Neugebauer, in linear light), choked by an
 * exact distance, so that fractions of a pixel count and a straight edge loses exactly the choke.
 *
 * @param pitchMm width of one pixel as printed, mm
 * @param garmentHex the garment's colour, "#rrggbb"
 * @param wanted see {@link wantWhite}, when it is known already
 * @returns `null` when the image is empty
 * @throws RangeError for settings out of range
 */
export function startWhite(
  scan: ArtScan,
  pitchMm: number,
  garmentHex: string,
  process: PrintProcess,
  settings: UnderbaseSettings,
  wanted: WantedWhite = wantWhite(scan, garmentHex, process, settings),
): WhiteWork | null {
  assertSettings(settings);
  const { box } = scan;
  if (box === null) return null;
  const empty = (): WhitePlane => {
    const counts = new Float64Array(256);
    counts[0] = box.w * box.h;
    return { box, plane: new Uint8Array(box.w * box.h), counts };
  };
  const chokePx = settings.chokeMm / pitchMm;
  return {
    scan,
    settings,
    whites: {
      underbase: empty(),
      highlight: hasSecondWhite(process, settings) ? empty() : null,
      lostToChokePx: 0,
      unchokedPx: 0,
    },
    ...wanted,
    choke: chokePx > 0 ? makeChoke(scan.ink, chokePx) : null,
  };
}

function assertSettings({
  chokeMm,
  density,
  minDot,
  gamma,
  highlight,
  nearGarment,
}: UnderbaseSettings): void {
  if (!(chokeMm >= 0 && chokeMm <= 20)) throw new RangeError(`choke is ${chokeMm} mm, expected 0 to 20`);
  if (!(density >= 0 && density <= 1)) throw new RangeError(`white density is ${density}, expected 0 to 1`);
  if (!(minDot >= 0 && minDot <= 1)) throw new RangeError(`smallest white dot is ${minDot}, expected 0 to 1`);
  if (!(gamma > 0 && gamma <= 5))
    throw new RangeError(`white gamma is ${gamma}, expected above 0, at most 5`);
  if (!(highlight >= 0 && highlight <= 1))
    throw new RangeError(`second white is ${highlight}, expected 0 to 1`);
  if (!(nearGarment.from >= 0 && nearGarment.to > nearGarment.from))
    throw new RangeError(
      `near-garment ramp goes from ${nearGarment.from} to ${nearGarment.to}, expected a rising one from 0 or more`,
    );
}

/** Lays white on rows `from` up to but not including `to` of the ink's rectangle, run by run of what wants the same. */
export function layWhiteRows(work: WhiteWork, from: number, to: number): void {
  const { scan, choke, whites, wanted, lifted, settings } = work;
  const { box, width, pixels, colours } = scan;
  if (box === null) return;
  const { underbase, highlight } = whites;
  const { minDot } = settings;
  const uniform = typeof wanted === 'number' ? wanted : null;
  const needsColour = uniform === null || lifted !== null; // a look into far memory
  const wants = needsColour ? -1 : ALPHA_OF_WORD; // what of a pixel its white hangs on
  const inner = choke?.inner ?? null;
  let unchokedPx = 0;
  for (let y = from; y < to; y++) {
    const at = (box.y + y) * width + box.x;
    const row = y * box.w;
    for (let x = 0; x < box.w;) {
      const word = pixels[at + x];
      let end = x + 1;
      while (end < box.w && ((pixels[at + end] ^ word) & wants) === 0) end++;
      const start = x;
      x = end;
      const alpha = word >>> 24;
      if (alpha < FAINT_ALPHA) continue;
      const number = needsColour ? colours.known(word & RGB_OF_WORD) : 0;
      const want = ((uniform ?? (wanted as Float64Array)[number]) * alpha) / 255; // not a number only where uniform is null
      const lift = lifted === null ? 0 : (lifted[number] * alpha) / 255;
      if (want === 0 && lift === 0) continue;
      unchokedPx += want * (end - start);
      if (
        end - start === 1 &&
        highlight === null &&
        (inner === null || isSet(inner, box.x + start, box.y + y))
      ) {
        const code = codeOf(want, minDot); // soft art is made of such runs: one pixel, away from edges
        underbase.plane[row + start] = code;
        underbase.counts[code]++;
        underbase.counts[0]--;
        continue;
      }
      chokeRun(work, { y, from: start, to: end, want, lift });
    }
  }
  whites.unchokedPx += unchokedPx;
}

/** A run of pixels of row `y` of the ink's rectangle, and the whites each wants. */
interface WantingRun {
  y: number;
  from: number;
  to: number;
  want: number;
  lift: number;
}

/** Lays white under a run: in full away from edges, as far as the choke leaves it near them. */
function chokeRun(
  { scan, choke, whites, settings }: WhiteWork,
  { y, from, to, want, lift }: WantingRun,
): void {
  const { underbase, highlight } = whites;
  const { box } = underbase;
  const { minDot } = settings;
  const row = y * box.w;
  for (let x = from; x < to;) {
    const first = x;
    x = choke === null ? to : runEnd(choke.inner, box.y + y, box.x + x, box.x + to) - box.x;
    fillRun(underbase, codeOf(want, minDot), row + first, row + x);
    if (highlight !== null) fillRun(highlight, codeOf(lift, minDot), row + first, row + x);
    if (choke === null || x >= to) continue;
    const keep = keptShare(choke, scan.ink, box.x + x, box.y + y);
    const kept = codeOf(want * keep, minDot);
    fillRun(underbase, kept, row + x, row + x + 1);
    if (highlight !== null) fillRun(highlight, codeOf(lift * keep, minDot), row + x, row + x + 1);
    if (kept === 0 && want >= minDot) whites.lostToChokePx++;
    x++;
  }
}

/** Writes a code over a run that was 0: by `fill` for long runs, a plain loop for short ones, where a call costs more than it does. */
function fillRun({ plane, counts }: WhitePlane, code: number, from: number, to: number): void {
  if (code === 0 || from === to) return;
  counts[0] -= to - from;
  counts[code] += to - from;
  if (to - from > 24) plane.fill(code, from, to);
  else for (let i = from; i < to; i++) plane[i] = code;
}

/** Lays all the white at once. */
export function layWhite(
  scan: ArtScan,
  pitchMm: number,
  garmentHex: string,
  process: PrintProcess,
  settings: UnderbaseSettings = defaultUnderbase(process),
): Whites | null {
  const work = startWhite(scan, pitchMm, garmentHex, process, settings);
  if (work === null) return null;
  layWhiteRows(work, 0, work.whites.underbase.box.h);
  return work.whites;
}

const isSet = ({ stride, words }: BitPlane, x: number, y: number): boolean =>
  ((words[y * stride + (x >> 5)] >>> (x & 31)) & 1) === 1;

const codeOf = (white: number, minDot: number): number =>
  white < minDot ? 0 : Math.floor(255 * white + 0.5);

/** What the choke needs to know: pixels it does not reach, and for the others where to look for the edge. */
interface Choke {
  chokePx: number;
  /** Pixels at least choke + 1 px from anything without ink: they keep all their white. */
  inner: BitPlane;
  /** Offsets within choke + 1 px, nearest first, as dx, dy pairs, with their distances. */
  offsets: Int32Array;
  distances: Float64Array;
}

function makeChoke(ink: BitPlane, chokePx: number): Choke {
  const disc = makeDisc(chokePx + 1, false);
  const pairs = disc.from.flatMap((first, i) =>
    Array.from({ length: disc.to[i] - first + 1 }, (_, k): [number, number] => [first + k, disc.top + i]),
  );
  pairs.sort(([ax, ay], [bx, by]) => ax * ax + ay * ay - bx * bx - by * by);
  return {
    chokePx,
    inner: erodeAny(ink, disc),
    offsets: Int32Array.from(pairs.flat()),
    distances: Float64Array.from(pairs, ([dx, dy]) => Math.hypot(dx, dy)),
  };
}

/** Share (0–1) of its white that an inked pixel keeps: its exact distance to the edge less the choke. */
function keptShare({ chokePx, offsets, distances }: Choke, ink: BitPlane, x: number, y: number): number {
  for (let i = 1; i < distances.length; i++) {
    if (hasBit(ink, x + offsets[2 * i], y + offsets[2 * i + 1])) continue;
    const keep = distances[i] - chokePx;
    return keep <= 0 ? 0 : keep;
  }
  return 1;
}

/** White wanted under an opaque pixel of a colour, 0–1. */
function wantedWhite(colour: Rgb, garment: Rgb, process: PrintProcess, settings: WantedSettings): number {
  const { density, gamma, nearGarment, lightTints } = settings;
  if (process === 'sub' || (process === 'dtg-light' && !lightTints)) return 0;
  const { from, to } = nearGarment;
  const distance = perceptualDistance(toPerceptual(colour), toPerceptual(garment));
  const ramp = Math.min(1, Math.max(0, (distance - from) / (to - from)));
  return ramp === 0 ? 0 : Math.min(1, leastWhite(colour, garment) ** gamma * ramp * density);
}

/** How much a colour gains from a second white, 0–1: only what is light and nearly grey does. */
function highlightShare(colour: Rgb): number {
  const { lightness, chroma } = toLab(colour);
  const unit = (v: number): number => Math.min(1, Math.max(0, v));
  return unit((lightness - 80) / 15) * unit((20 - chroma) / 12);
}

/**
 * Smallest white coverage (0–1) on which a transparent ink can still reach `colour` over `garment`:
 * the brightest channel decides (Murray–Davies mixing in linear light).
 */
export function leastWhite(colour: Rgb, garment: Rgb): number {
  const need = (c: number, g: number): number => (g >= 255 ? 0 : (LINEAR[c] - LINEAR[g]) / (1 - LINEAR[g]));
  return Math.max(0, need(colour.r, garment.r), need(colour.g, garment.g), need(colour.b, garment.b));
}
