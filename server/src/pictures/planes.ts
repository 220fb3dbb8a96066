import { mirrorPixels, mirrorPlane, previewOnGarment, wholePlane } from '@saltflat/core/artwork';
import type { ArtAnalysis, ArtJob } from '@saltflat/core/artwork';

/** What can be made of an artwork for a job, besides its figures. */
export const PLANES = [
  'knocked-out',
  'white',
  'second-white',
  'composite',
  'film-colour',
  'film-white',
] as const;
export type Plane = (typeof PLANES)[number];

/** Pixels of a plane: four bytes each for pictures in colour, one for whites. */
export interface Raster {
  width: number;
  height: number;
  channels: 1 | 4;
  data: Uint8Array;
  pitchMm: number;
}

/** One plane of an analysed artwork. */
export function drawPlane(plane: Plane, analysis: ArtAnalysis, { garment, process }: ArtJob): Raster {
  const { image, scan, whites, figures } = analysis;
  const { width, height } = image;
  const raster = (channels: 1 | 4, data: Uint8Array | Uint8ClampedArray): Raster => ({
    width,
    height,
    channels,
    data: new Uint8Array(data),
    pitchMm: figures.pitchMm,
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
  }
}
