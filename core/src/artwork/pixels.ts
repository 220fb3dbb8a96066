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

/** A rectangle in pixels, `x`, `y` its top left. */
export interface PixelBox {
  x: number;
  y: number;
  width: number;
  height: number;
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
 * The smallest rectangle round every pixel with ink (alpha ≥ {@link FAINT_ALPHA}).
 *
 * @returns `null` for an image without any ink
 */
export function inkBox({ width, height, data }: Pixels): PixelBox | null {
  let left = width;
  let right = -1;
  let top = -1;
  let bottom = -1;
  for (let y = 0; y < height; y++) {
    const row = 4 * y * width + 3;
    let x = 0;
    while (x < width && data[row + 4 * x] < FAINT_ALPHA) x++;
    if (x === width) continue;
    if (top < 0) top = y;
    bottom = y;
    if (x < left) left = x;
    x = width - 1;
    while (x > right && data[row + 4 * x] < FAINT_ALPHA) x--;
    if (x > right) right = x;
  }
  return top < 0 ? null : { x: left, y: top, width: right - left + 1, height: bottom - top + 1 };
}

/** Marks each pixel whose alpha is at least `threshold` with 1, all others with 0. */
export function alphaMask({ width, height, data }: Pixels, threshold: number): Uint8Array {
  const mask = new Uint8Array(width * height);
  for (let i = 0, a = 3; i < mask.length; i++, a += 4) mask[i] = data[a] >= threshold ? 1 : 0;
  return mask;
}

/** Copies a rectangle out of an image. The rectangle must lie inside it. */
export function cropPixels(image: Pixels, box: PixelBox): Pixels {
  const data = new Uint8Array(4 * box.width * box.height);
  for (let y = 0; y < box.height; y++) {
    const from = 4 * ((box.y + y) * image.width + box.x);
    data.set(image.data.subarray(from, from + 4 * box.width), 4 * y * box.width);
  }
  return { width: box.width, height: box.height, data };
}
