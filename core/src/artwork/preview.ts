import { LINEAR, encodeSrgb, parseHex } from './colour.ts';
import { FAINT_ALPHA } from './pixels.ts';
import type { Pixels } from './pixels.ts';
import type { PrintProcess, WhitePlane } from './white.ts';

/**
 * How the print will look on the garment: transparent inks over white over fabric, mixed in linear light.
 * A picture of a model: real fabric, ink gain and gloss differ.
 *
 * @param white the underbase; `null` for none
 * @param garmentHex the garment's colour, "#rrggbb"
 * @returns an opaque image of the same size
 */
export function previewOnGarment(
  image: Pixels,
  white: WhitePlane | null,
  garmentHex: string,
  process: PrintProcess,
): Pixels {
  const { width, height, data } = image;
  const out = new Uint8Array(data.length);
  const garment = parseHex(garmentHex);
  const light = { r: LINEAR[garment.r], g: LINEAR[garment.g], b: LINEAR[garment.b] };
  let lastKey = -1; // colour, alpha and white of the former pixel: neighbours mostly repeat
  let from = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const p = 4 * (y * width + x);
      const alpha = data[p + 3] < FAINT_ALPHA ? 0 : data[p + 3];
      const w = whiteAt(white, x, y);
      const key =
        alpha === 0 ? w : ((data[p] * 256 + data[p + 1]) * 256 + data[p + 2]) * 65536 + alpha * 256 + w;
      if (key === lastKey) {
        out[p] = out[from];
        out[p + 1] = out[from + 1];
        out[p + 2] = out[from + 2];
      } else {
        out[p] = mix(data[p], alpha / 255, w / 255, light.r, process);
        out[p + 1] = mix(data[p + 1], alpha / 255, w / 255, light.g, process);
        out[p + 2] = mix(data[p + 2], alpha / 255, w / 255, light.b, process);
        lastKey = key;
        from = p;
      }
      out[p + 3] = 255;
    }
  }
  return { width, height, data: out };
}

function mix(code: number, alpha: number, white: number, garment: number, process: PrintProcess): number {
  const c = LINEAR[code];
  const surface = (1 - white) * garment + white; // what shines back through the ink
  if (process === 'dtg-light') return encodeSrgb(surface * (1 - alpha + alpha * c));
  return encodeSrgb(Math.min(alpha * c + (1 - alpha) * garment, surface));
}

/** White code (0–255) at an image pixel; 0 outside the plane. */
export function whiteAt(white: WhitePlane | null, x: number, y: number): number {
  if (white === null) return 0;
  const { box, plane } = white;
  const dx = x - box.x;
  const dy = y - box.y;
  return dx < 0 || dy < 0 || dx >= box.width || dy >= box.height ? 0 : plane[dy * box.width + dx];
}

/** The white plane as a picture: grey is white ink, the rest transparent. Same size as the image. */
export function pictureWhite(white: WhitePlane, width: number, height: number): Pixels {
  const out = new Uint8Array(4 * width * height);
  for (let y = 0; y < white.box.height; y++) {
    for (let x = 0; x < white.box.width; x++) {
      const p = 4 * ((white.box.y + y) * width + white.box.x + x);
      out[p] = out[p + 1] = out[p + 2] = 255;
      out[p + 3] = white.plane[y * white.box.width + x];
    }
  }
  return { width, height, data: out };
}
