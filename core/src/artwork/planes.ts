import type { ArtJob } from './artFigures.ts';
import type { Pixels } from './pixels.ts';
import { mirrorPixels, mirrorPlane, pictureWhite, previewOnGarment, wholePlane } from './preview.ts';
import type { ArtScan } from './scan.ts';
import type { Whites } from './white.ts';

/** What can be made of an artwork for a job, besides its figures. */
export const PLANES = [
  'knocked-out', // the art as printed
  'white',
  'second-white',
  'composite', // on the garment's colour
  'film-colour', // mirrored once
  'film-white',
  'film-printed', // the printed side of the film: white over colour
] as const;
export type Plane = (typeof PLANES)[number];

/** Pixels of a plane: four bytes each for pictures in colour, one for whites. */
export interface Raster {
  width: number;
  height: number;
  channels: 1 | 4;
  data: Uint8Array;
  /** Width of a pixel on the print, mm. */
  pitchMm: number;
}

/** An artwork made ready for a job: from a whole analysis, or from a preview. */
export interface ReadyArt {
  image: Pixels;
  scan: ArtScan;
  whites: Whites | null;
}

/** One plane of an artwork made ready for a job: the same wherever it is drawn. White that is not there is empty. */
export function renderPlane(
  plane: Plane,
  { image, scan, whites }: ReadyArt,
  { garment, process, widthMm }: Pick<ArtJob, 'garment' | 'process' | 'widthMm'>,
): Raster {
  const { width, height } = image;
  const raster = (channels: 1 | 4, { buffer, byteOffset, byteLength }: Pixels['data']): Raster => ({
    width,
    height,
    channels,
    data: new Uint8Array(buffer, byteOffset, byteLength),
    pitchMm: widthMm / width,
  });
  const white = (which: 'underbase' | 'highlight'): Uint8Array => {
    const laid = whites?.[which];
    return laid ? wholePlane(laid, width, height) : new Uint8Array(width * height);
  };
  switch (plane) {
    case 'knocked-out':
      return raster(4, image.data);
    case 'white':
      return raster(1, white('underbase'));
    case 'second-white':
      return raster(1, white('highlight'));
    case 'composite':
      return raster(4, previewOnGarment(scan, whites?.underbase ?? null, garment, process).data);
    case 'film-colour':
      return raster(4, mirrorPixels(image).data);
    case 'film-white':
      return raster(1, mirrorPlane(white('underbase'), width));
    case 'film-printed':
      return raster(
        4,
        mirrorPixels(whites ? whiteOverColour(image, pictureWhite(whites.underbase, width, height)) : image)
          .data,
      );
  }
}

/** A white plane as a picture: white as far as it is laid. */
export function asPicture({ width, height, channels, data }: Raster): Pixels {
  if (channels === 4) return { width, height, data };
  const words = Uint32Array.from(data, (white) => ((white << 24) | 0xffffff) >>> 0);
  return { width, height, data: new Uint8Array(words.buffer) };
}

/** The printed side of a film: white lies on top of the colour. */
function whiteOverColour(image: Pixels, white: Pixels): Pixels {
  const data = new Uint8Array(image.data);
  for (let p = 0; p < data.length; p += 4) {
    const share = white.data[p + 3] / 255;
    for (let i = 0; i < 3; i++) data[p + i] = Math.round(255 * share + data[p + i] * (1 - share));
  }
  return { ...image, data };
}
