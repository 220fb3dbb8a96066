import type { ArtFigures, Raster } from '@saltflat/core/artwork';
import type { Turn } from '@saltflat/core/film';
import sharp from 'sharp';
import { encodePng, inked } from './render.ts';

/** Two pictures in one stretch of bytes, the colour first. */
export interface FilmPiece {
  bytes: Buffer;
  colourBytes: number;
}

/**
 * What of an artwork is printed on film, colour and white, without the file’s empty margins, at the size of the print.
 *
 * @param size px
 */
export async function encodeFilmPiece(
  { colour, white }: { colour: Raster; white: Raster },
  figures: ArtFigures,
  size: { widthPx: number; heightPx: number },
): Promise<FilmPiece> {
  const drawn = [colour, white].map((raster) =>
    encodePng(inked(raster, figures).resize(size.widthPx, size.heightPx, { fit: 'fill' })),
  );
  const [first = Buffer.alloc(0), second = Buffer.alloc(0)] = await Promise.all(drawn);
  return { bytes: Buffer.concat([first, second]), colourBytes: first.length };
}

/** A piece of art on a sheet: which, where its box begins on the sheet as it is printed, px, and how it lies in it. */
export interface PlacedArt {
  art: number;
  left: number;
  top: number;
  turn: Turn;
}

/** A sheet to be drawn. */
export interface FilmSheet {
  widthPx: number;
  heightPx: number;
  dpi: number;
  /** The colour has the marks, the white has not. */
  plane: 'colour' | 'white';
  isMirrored: boolean;
  placed: readonly PlacedArt[];
  /** What is drawn over it, as a drawing of the sheet’s size; nothing where nothing is. */
  overlay: string | null;
}

/**
 * A sheet of film as a file to print, its resolution written into it: colour with what is clear left clear, or the white
 * as a plane of grey.
 *
 * @param arts of the plane, PNG, each as large as it is printed
 */
export async function encodeFilmSheet(
  { widthPx, heightPx, dpi, plane, isMirrored, placed, overlay }: FilmSheet,
  arts: readonly Buffer[],
): Promise<Buffer> {
  const read = await Promise.all(arts.map((bytes) => pixelsOf(bytes, plane)));
  const turned = new Map<string, Picture>();
  const layers = placed.flatMap(({ art, left, top, turn }) => {
    const own = read[art];
    if (!own) return [];
    const name = `${art} ${turn}`;
    const picture = turned.get(name) ?? asLaid(own, turn, isMirrored);
    turned.set(name, picture);
    const { words, width, height } = picture;
    return [
      {
        input: Buffer.from(words.buffer),
        raw: { width, height, channels: 4 as const },
        // half a pixel may be lost to rounding at the very edge
        left: Math.max(0, Math.min(left, widthPx - width)),
        top: Math.max(0, Math.min(top, heightPx - height)),
      },
    ];
  });
  const marks = overlay === null ? [] : [{ input: Buffer.from(overlay), left: 0, top: 0 }];
  const background = plane === 'white' ? { r: 0, g: 0, b: 0, alpha: 1 } : { r: 0, g: 0, b: 0, alpha: 0 };
  const sheet = sharp({
    create: { width: widthPx, height: heightPx, channels: 4, background },
    limitInputPixels: false,
  }).composite([...layers, ...marks]);
  const shown = plane === 'white' ? sheet.extractChannel('red').toColourspace('b-w') : sheet;
  return encodePng(shown.withDensity(dpi));
}

/** Pixels, one word each. */
interface Picture {
  words: Uint32Array;
  width: number;
  height: number;
}

async function pixelsOf(png: Buffer, plane: FilmSheet['plane']): Promise<Picture> {
  const image = sharp(png, { limitInputPixels: false });
  const { data, info } = await (plane === 'white' ? image.toColourspace('b-w') : image.ensureAlpha())
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  if (plane === 'colour') return { words: new Uint32Array(new Uint8Array(data).buffer), width, height };
  // as white as it is laid, over black
  const step = info.channels;
  const words = new Uint32Array(width * height);
  for (let i = 0; i < words.length; i++) words[i] = ((data[step * i] ?? 0) << 24) | 0xffffff;
  return { words, width, height };
}

/** A picture turned clockwise, then mirrored left to right where that is wished: pixels change places and nothing else. */
export function asLaid({ words, width, height }: Picture, turn: Turn, isMirrored: boolean): Picture {
  const [w, h] = turn % 180 === 0 ? [width, height] : [height, width];
  const out = new Uint32Array(w * h);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [atX, atY] = turnedPlace(x, y, { width, height }, turn);
      out[atY * w + (isMirrored ? w - 1 - atX : atX)] = words[y * width + x] ?? 0;
    }
  return { words: out, width: w, height: h };
}

function turnedPlace(
  x: number,
  y: number,
  { width, height }: { width: number; height: number },
  turn: Turn,
): [x: number, y: number] {
  if (turn === 90) return [height - 1 - y, x];
  if (turn === 180) return [width - 1 - x, height - 1 - y];
  return turn === 270 ? [y, width - 1 - x] : [x, y];
}
