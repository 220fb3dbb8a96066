/** An image as straight (un-premultiplied) sRGB RGBA, 8 bits a channel, row-major. */
export interface Pixels {
  width: number;
  height: number;
  /** `4 · width · height` bytes: R, G, B, A of each pixel. */
  data: Uint8Array | Uint8ClampedArray;
}

/** Alpha below this is treated as nothing at all: no printer lays such a dot. */
export const FAINT_ALPHA = 8;
/** Alpha from here on belongs to the shape. */
export const SHAPE_ALPHA = 128;
/** Alpha from here on is opaque. */
export const OPAQUE_ALPHA = 250;

/** A rectangle in pixels or mm, `x`, `y` its top left. */
export interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** One 8-bit sRGB colour. */
export interface Rgb {
  r: number;
  g: number;
  b: number;
}

/** @throws RangeError unless `data` holds exactly four bytes for each pixel of a non-empty image */
export function assertPixels({ width, height, data }: Pixels): void {
  if (!(width >= 1 && height >= 1))
    throw new RangeError(`image is ${width} × ${height} px, expected at least 1 × 1`);
  if (data.length !== 4 * width * height) {
    throw new RangeError(
      `image has ${data.length} bytes, expected ${4 * width * height} for ${width} × ${height} px`,
    );
  }
}

/**
 * The pixels as one signed 32-bit word each (engines handle those best): alpha in the top byte, then blue, green, red (every machine this runs on is little-endian).
 * A view of the same memory where its alignment allows, else a copy.
 */
export function wordsOf({ data }: Pixels): Int32Array {
  const whole = data.byteOffset % 4 === 0 ? data : data.slice();
  return new Int32Array(whole.buffer, whole.byteOffset, whole.byteLength / 4);
}

/** The red, green and blue of a pixel word as 0xBBGGRR. */
export const RGB_OF_WORD = 0xffffff;
/** The alpha of a pixel word, in place. */
export const ALPHA_OF_WORD = ~RGB_OF_WORD;

/** A colour as the low 24 bits of a pixel word. */
export const wordOfRgb = ({ r, g, b }: Rgb): number => r | (g << 8) | (b << 16);

/** The colour in the low 24 bits of a pixel word. */
export const rgbOfWord = (word: number): Rgb => ({
  r: word & 255,
  g: (word >>> 8) & 255,
  b: (word >>> 16) & 255,
});

/** Copies a rectangle out of an image. The rectangle must lie inside it. */
export function cropPixels(image: Pixels, box: Box): Pixels {
  const data = new Uint8Array(4 * box.w * box.h);
  for (let y = 0; y < box.h; y++) {
    const from = 4 * ((box.y + y) * image.width + box.x);
    data.set(image.data.subarray(from, from + 4 * box.w), 4 * y * box.w);
  }
  return { width: box.w, height: box.h, data };
}
