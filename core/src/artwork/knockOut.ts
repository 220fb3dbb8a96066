import { bitsWithout, countBits, invertBits, makeBits } from './bits.ts';
import type { BitPlane } from './bits.ts';
import { markColours } from './boxDetection.ts';
import { LINEAR, encodeSrgb, parseHex, perceptualDistance, toPerceptual } from './colour.ts';
import { makeDisc } from './disc.ts';
import { FAINT_ALPHA, RGB_OF_WORD, rgbOfWord, wordOfRgb } from './pixels.ts';
import type { Pixels, Rgb } from './pixels.ts';
import { connectParts, keepParts } from './runs.ts';
import type { ArtScan } from './scan.ts';
import { dilateAny } from './thinParts.ts';

/** A colour to take out of the art. */
export interface KnockOut {
  /** "#rrggbb". */
  hex: string;
  /** Perceptual distance within which a pixel goes altogether, ≥ 0. */
  tol: number;
  /** Distance beyond `tol` over which pixels fade, ≥ 0. */
  soft: number;
  /** `global`: wherever the colour is; `flood`: only what is joined to the image's border. */
  mode: 'global' | 'flood';
  /** Takes the removed colour out of what fades too, so that no rim of it stays. Leave out for yes. */
  decontaminate?: boolean;
}

/** The art without the colour. */
export interface KnockedOut {
  image: Pixels;
  /** Inked pixels taken out altogether. */
  removedPx: number;
  /** Inked pixels faded. */
  softPx: number;
}

const FLOOD_RIM_PX = 2; // edges of what was flooded fade too

/**
 * Takes a colour out. What fades is un-mixed in linear light, so that on a garment of that colour nothing changes.
 *
 * @returns a new image; the given one is not written
 * @throws RangeError for a negative tolerance or fade, or something that is not a colour
 */
export function knockOut(scan: ArtScan, spec: KnockOut): KnockedOut {
  const { hex, tol, soft, mode, decontaminate = true } = spec;
  if (!(tol >= 0)) throw new RangeError(`knock-out tolerance is ${tol}, expected 0 or more`);
  if (!(soft >= 0)) throw new RangeError(`knock-out fade is ${soft}, expected 0 or more`);
  const target = parseHex(hex);
  const { width, height, pixels } = scan;
  const region = mode === 'flood' ? floodRegion(scan, target, tol) : null;
  const keep = keeper(target, tol, soft, decontaminate);
  const keptOf = scan.colours.map((rgb) => keep(rgb).share);
  const colourOf = scan.colours.map((rgb) => keep(rgb).rgb);
  const out = new Uint32Array(pixels.length);
  let removedPx = 0;
  let softPx = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0, i = y * width; x < width; x++, i++) {
      const word = pixels[i];
      if (region !== null && ((region.words[y * region.stride + (x >> 5)] >>> (x & 31)) & 1) === 0) {
        out[i] = word;
        continue;
      }
      const alpha = word >>> 24;
      if (alpha === 0) {
        out[i] = word;
        continue;
      }
      const number = scan.colours.known(word & RGB_OF_WORD);
      const own = number < 0 ? keep(word & RGB_OF_WORD) : null; // a colour met in faint pixels alone
      const share = own === null ? keptOf[number] : own.share;
      if (share === 0) {
        if (alpha >= FAINT_ALPHA) removedPx++;
        continue;
      }
      if (share < 1 && alpha >= FAINT_ALPHA) softPx++;
      const rgb = own === null ? colourOf[number] : own.rgb;
      out[i] = ((Math.floor(alpha * share + 0.5) << 24) | rgb) >>> 0;
    }
  }
  return { image: { width, height, data: new Uint8Array(out.buffer) }, removedPx, softPx };
}

/** For a colour: the share of its alpha that stays (0–1), and the colour it then has. */
function keeper(
  target: Rgb,
  tol: number,
  soft: number,
  decontaminate: boolean,
): (rgb: number) => { share: number; rgb: number } {
  const near = toPerceptual(target);
  return (rgb) => {
    const colour = rgbOfWord(rgb);
    const distance = perceptualDistance(toPerceptual(colour), near);
    const share = distance <= tol ? 0 : distance < tol + soft ? (distance - tol) / soft : 1;
    if (share === 0 || share === 1 || !decontaminate) return { share, rgb };
    const unmixed = (c: number, t: number): number =>
      encodeSrgb((LINEAR[c] - (1 - share) * LINEAR[t]) / share);
    return {
      share,
      rgb: wordOfRgb({
        r: unmixed(colour.r, target.r),
        g: unmixed(colour.g, target.g),
        b: unmixed(colour.b, target.b),
      }),
    };
  };
}

/** What is joined to the image's border through nothing or the colour, and a rim round it. */
function floodRegion(scan: ArtScan, target: Rgb, tol: number): BitPlane {
  const flooded = bordered(scan, markColours(scan, [target], tol, FAINT_ALPHA));
  const everywhere = invertBits(makeBits(scan.width, scan.height));
  return dilateAny(flooded, makeDisc(FLOOD_RIM_PX, true), everywhere);
}

const LOOSEST = 30; // perceptual distance beyond which other colours go too
const TOLERANCE_STEP = 2;
/** Area, mm², under which what is left of the removed colour counts as a crumb. */
const CRUMB_MM2 = 0.2;
/** Share of what the loosest tolerance takes that has to be gone: before that the colour may stand as one whole, without a crumb. */
const GONE_SHARE = 0.9;

/**
 * The least tolerance from the given one up at which nearly all of the colour is gone and no more crumbs of it are left than at
 * the loosest. A generator: it yields the tolerance tried next.
 *
 * @param pitchMm width of one pixel as printed, mm
 */
export function* findCleanTolerance(
  scan: ArtScan,
  spec: KnockOut,
  pitchMm: number,
): Generator<number, number> {
  const target = parseHex(spec.hex);
  const most = CRUMB_MM2 / (pitchMm * pitchMm);
  const tryOut = (tol: number): { gonePx: number; crumbs: number } => {
    const alike = markColours(scan, [target], tol, FAINT_ALPHA);
    const gone = spec.mode === 'global' ? alike : bordered(scan, alike);
    const parts = connectParts(bitsWithout(scan.ink, gone), 8);
    const crumbs = parts.areaPx.reduce((count, area) => count + (area < most ? 1 : 0), 0);
    return { gonePx: scan.inkPx - countBits(bitsWithout(scan.ink, gone)), crumbs };
  };
  const loosest = tryOut(LOOSEST);
  for (let tol = spec.tol; tol < LOOSEST; tol += TOLERANCE_STEP) {
    yield tol;
    const { gonePx, crumbs } = tryOut(tol);
    if (gonePx >= GONE_SHARE * loosest.gonePx && crumbs <= loosest.crumbs) return tol;
  }
  return LOOSEST;
}

/** Of the pixels that would go, those joined to the image's border. */
function bordered(scan: ArtScan, gone: BitPlane): BitPlane {
  const parts = connectParts(invertBits(bitsWithout(scan.ink, gone)), 4);
  return keepParts(parts, (part) => parts.isAtBorder[part] === 1);
}
