import { createHash, randomUUID } from 'node:crypto';
import { DomainError } from '@saltflat/contract';
import type { Artwork, Preparation, RightsInput } from '@saltflat/contract';
import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import type { ArtworkStore } from './artworkStore.ts';
import { decodePixels, readImage } from './readImage.ts';

/** Measures pixels somewhere that does not hold requests up. */
export type MeasureArt = (
  pixels: { data: Buffer; width: number; height: number },
  job: ArtJob,
) => Promise<ArtFigures>;

export type ArtworkService = ReturnType<typeof createArtworkService>;

export function createArtworkService({ artworks, measure }: { artworks: ArtworkStore; measure: MeasureArt }) {
  async function get(id: string): Promise<Artwork> {
    return (await artworks.find(id)) ?? missing(id);
  }

  /** Keeps an upload. The same content is the same artwork, whatever its name. */
  async function add(bytes: Buffer, name: string): Promise<{ artwork: Artwork; isNew: boolean }> {
    if (bytes.length === 0)
      throw new DomainError('invalid-input', `“${name}” is empty. Choose the file again.`);
    const sha256 = contentHash(bytes);
    const known = await artworks.findByContent(sha256);
    if (known) return { artwork: known, isNew: false };
    const image = await readImage(bytes, name);
    await artworks.insert({ id: randomUUID(), sha256, name, bytes, ...image });
    return { artwork: (await artworks.findByContent(sha256)) ?? missing(sha256), isNew: true };
  }

  /** Keeps a photo of a fault; its hash names it. */
  async function addPhoto(bytes: Buffer, name: string): Promise<{ sha256: string }> {
    const { mediaType } = await readImage(bytes, name);
    const sha256 = contentHash(bytes);
    await artworks.insertBlob(sha256, mediaType, bytes);
    return { sha256 };
  }

  async function original(id: string) {
    return (await artworks.bytes(id)) ?? missing(id);
  }

  async function thumbnail(id: string): Promise<Buffer> {
    return (await artworks.thumbnail(id)) ?? missing(id);
  }

  async function photo(sha256: string) {
    return (await artworks.blob(sha256)) ?? missing(sha256);
  }

  async function pixels(id: string, maxPx: number | null) {
    const artwork = await get(id);
    const { bytes } = await original(id);
    return decodePixels(bytes, artwork.widthPx, maxPx);
  }

  /** Figures of an artwork for a job, measured once and kept: content and job never change. */
  async function figures(id: string, job: ArtJob): Promise<ArtFigures> {
    const jobKey = JSON.stringify(job);
    const kept = await artworks.figures(id, jobKey);
    if (kept) return kept;
    const measured = await measure(await pixels(id, null), job);
    await artworks.keepFigures(id, jobKey, measured);
    return measured;
  }

  async function setRights(id: string, rights: RightsInput): Promise<Artwork> {
    await get(id);
    await artworks.setRights(id, rights);
    return get(id);
  }

  async function preparations(id: string): Promise<Preparation[]> {
    await get(id);
    return artworks.preparations(id);
  }

  return {
    get,
    add,
    addPhoto,
    original,
    thumbnail,
    photo,
    pixels,
    figures,
    setRights,
    preparations,
    keepPreparation: artworks.keepPreparation,
  };
}

const contentHash = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

function missing(id: string): never {
  throw new DomainError('not-found', `There is no picture ${id.slice(0, 12)}.`);
}
