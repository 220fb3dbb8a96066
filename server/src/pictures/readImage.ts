import { DomainError, UPLOAD_LIMIT_PIXELS } from '@saltflat/contract';
import type { Artwork } from '@saltflat/contract';
import type { Metadata, Sharp } from 'sharp';
import sharp from 'sharp';
import { cleanSvg } from './cleanSvg.ts';

/** What an upload is, before any of its pixels is decoded. */
export interface Look {
  format: Artwork['format'];
  mediaType: string;
  widthPx: number;
  heightPx: number;
  readingNotes: string[];
}

const THUMBNAIL_PX = 256;
const SVG_LONG_SIDE_PX = 2400; // a vector has no pixels of its own: 300 per inch at 200 mm
const MEDIA_TYPES: Record<Artwork['format'], string> = {
  png: 'image/png',
  jpeg: 'image/jpeg',
  tiff: 'image/tiff',
  svg: 'image/svg+xml',
};

/**
 * Looks at an upload: its kind by its bytes (never its name), its size by its header. A drawing is rebuilt from what is known to
 * draw.
 *
 * @returns what it is, and for a drawing the bytes to keep and draw from here on; anything else is kept as it came
 * @throws DomainError `not-an-image`, `too-many-pixels`, `broken-image` …, with the file's name in the sentence
 */
export async function lookAt(sent: Buffer, name: string): Promise<{ look: Look; drawing: Buffer | null }> {
  const drawing = cleanSvg(sent, name);
  const bytes = drawing?.svg ?? sent;
  const metadata = await readMetadata(bytes, name);
  const format = metadata.format as Artwork['format'];
  if ((format === 'svg') !== (drawing !== null)) throw noImage(name);
  const { width, height } = uprightSize(metadata);
  refuseTooLarge(name, width, height);
  const scale = format === 'svg' ? SVG_LONG_SIDE_PX / Math.max(width, height) : 1;
  const look = {
    format,
    mediaType: MEDIA_TYPES[format],
    widthPx: Math.round(width * scale),
    heightPx: Math.round(height * scale),
    readingNotes: [...(drawing?.notes ?? []), ...notesOn(metadata, isAnimatedPng(bytes))],
  };
  return { look, drawing: drawing?.svg ?? null };
}

/** A small PNG for lists; all of the file is decoded for it, which finds out truncated ones. @throws DomainError `broken-image` */
export async function thumbnailOf(bytes: Buffer, widthPx: number, name: string): Promise<Buffer> {
  try {
    return await (
      await openAt(bytes, widthPx)
    )
      .resize(THUMBNAIL_PX, THUMBNAIL_PX, { fit: 'inside', withoutEnlargement: true })
      .png()
      .toBuffer();
  } catch (cause) {
    throw new DomainError(
      'broken-image',
      `“${name}” is damaged or cut short: it begins like a picture but cannot be read to its end. Export it again.`,
      {},
      { cause },
    );
  }
}

/**
 * Decodes to straight sRGB RGBA, 8 bits a channel: upright, profiles applied, first frame.
 *
 * @param widthPx its own, px, which a drawing is drawn at
 * @param maxPx longest side wanted, px; `null` for all pixels
 */
export async function decodePixels(
  bytes: Buffer,
  widthPx: number,
  maxPx: number | null,
): Promise<{ data: Buffer; width: number; height: number }> {
  const image = await openAt(bytes, widthPx);
  const sized =
    maxPx === null ? image : image.resize(maxPx, maxPx, { fit: 'inside', withoutEnlargement: true });
  const { data, info } = await sized
    .ensureAlpha()
    .raw({ depth: 'uchar' })
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

async function openAt(bytes: Buffer, widthPx: number): Promise<Sharp> {
  const { format, width } = await sharp(bytes, { limitInputPixels: UPLOAD_LIMIT_PIXELS }).metadata();
  return openImage(bytes, format === 'svg' ? widthPx / width : 1);
}

function openImage(bytes: Buffer, scale: number): Sharp {
  const density = scale === 1 ? {} : { density: Math.min(100_000, 72 * scale) };
  return sharp(bytes, { limitInputPixels: UPLOAD_LIMIT_PIXELS, failOn: 'truncated', ...density })
    .autoOrient()
    .toColourspace('srgb');
}

async function readMetadata(bytes: Buffer, name: string): Promise<Metadata> {
  let metadata: Metadata;
  try {
    metadata = await sharp(bytes, { limitInputPixels: false }).metadata(); // the header alone: no pixel is decoded here
  } catch (cause) {
    throw noImage(name, cause);
  }
  if (!(metadata.format in MEDIA_TYPES)) {
    throw new DomainError(
      'not-an-image',
      `“${name}” is a ${metadata.format.toUpperCase()} file. Export the art as PNG, JPEG, TIFF or SVG.`,
    );
  }
  return metadata;
}

const noImage = (name: string, cause?: unknown): DomainError =>
  new DomainError(
    'not-an-image',
    `“${name}” is not a PNG, JPEG, TIFF or SVG picture, whatever its name says. Export the art as a PNG.`,
    {},
    { cause },
  );

function uprightSize({ width, height, orientation = 1 }: Metadata): { width: number; height: number } {
  return orientation >= 5 ? { width: height, height: width } : { width, height };
}

function refuseTooLarge(name: string, width: number, height: number): void {
  if (width * height <= UPLOAD_LIMIT_PIXELS) return;
  const megapixels = Math.round((width * height) / 1e6);
  throw new DomainError(
    'too-many-pixels',
    `“${name}” has ${width} × ${height} px, ${megapixels} megapixels; up to ${UPLOAD_LIMIT_PIXELS / 1e6} are taken. Export it at 300 px per inch of its printed size.`,
  );
}

function notesOn(
  { depth, space, hasProfile, orientation = 1, pages = 1 }: Metadata,
  isAnimated: boolean,
): string[] {
  const notes: string[] = [];
  if (space === 'cmyk') notes.push('CMYK colours were converted to sRGB: look at them once more.');
  else if (hasProfile) notes.push('Colours were converted from the file’s profile to sRGB.');
  if (depth === 'ushort') notes.push('16 bits a channel were reduced to 8.');
  if (orientation > 1) notes.push('The picture was turned upright as its camera noted.');
  if (isAnimated) notes.push('Only the first frame of the animation was taken.');
  if (pages > 1) notes.push(`Only the first of ${pages} pages or frames was taken.`);
  return notes;
}

const PNG_SIGNATURE = Buffer.from('89504e470d0a1a0a', 'hex');

/** An animated PNG says so in a chunk of its own before the first pixels, which the decoder passes over. */
function isAnimatedPng(bytes: Buffer): boolean {
  if (!bytes.subarray(0, 8).equals(PNG_SIGNATURE)) return false;
  for (let at = 8; at + 8 <= bytes.length; at += 12 + bytes.readUInt32BE(at)) {
    const kind = bytes.toString('latin1', at + 4, at + 8);
    if (kind === 'acTL') return true;
    if (kind === 'IDAT') return false;
  }
  return false;
}
