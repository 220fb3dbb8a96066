import type { ArtFigures, Raster } from '@saltflat/core/artwork';
import type { Sharp } from 'sharp';
import sharp from 'sharp';

export type PlaneFormat = 'png' | 'tiff';

/** A plane as a file, with its resolution written into it. */
export async function encodePlane(raster: Raster, format: PlaneFormat): Promise<Buffer> {
  const density = 25.4 / raster.pitchMm; // pixels per inch
  const sized = greyOrColour(raster).withDensity(density);
  if (format === 'png') return encodePng(sized);
  const perMm = 1 / raster.pitchMm;
  return sized.tiff({ compression: 'lzw', xres: perMm, yres: perMm, resolutionUnit: 'inch' }).toBuffer();
}

/** As a PNG that is packed as far as it is worth the time. */
export const encodePng = (image: Sharp): Promise<Buffer> => image.png({ compressionLevel: 6 }).toBuffer();

/** A plane without what has no ink around it. */
export const inked = (raster: Raster, figures: ArtFigures): Sharp =>
  greyOrColour(raster).extract(inkBox(figures, raster));

const greyOrColour = (raster: Raster): Sharp =>
  raster.channels === 1 ? toSharp(raster).toColourspace('b-w') : toSharp(raster);

/** A print on its garment as a PNG no longer than `maxPx` either way; cropped, without the file's empty margins. */
export async function encodeComposite(
  raster: Raster,
  figures: ArtFigures,
  { maxPx, isCropped }: { maxPx: number; isCropped: boolean },
): Promise<Buffer> {
  const image = isCropped ? inked(raster, figures) : toSharp(raster);
  return image.resize(maxPx, maxPx, { fit: 'inside', withoutEnlargement: true }).png().toBuffer();
}

function toSharp({ data, width, height, channels }: Raster): Sharp {
  return sharp(data, { raw: { width, height, channels }, limitInputPixels: false });
}

/** Where the ink is, px; the whole picture where there is none. */
function inkBox({ bboxMm }: ArtFigures, { width, height, pitchMm }: Raster) {
  if (bboxMm === null) return { left: 0, top: 0, width, height };
  const left = Math.min(width - 1, Math.max(0, Math.floor(bboxMm.x / pitchMm)));
  const top = Math.min(height - 1, Math.max(0, Math.floor(bboxMm.y / pitchMm)));
  return {
    left,
    top,
    width: Math.max(1, Math.min(width - left, Math.ceil(bboxMm.w / pitchMm))),
    height: Math.max(1, Math.min(height - top, Math.ceil(bboxMm.h / pitchMm))),
  };
}
