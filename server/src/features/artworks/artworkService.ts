import { createHash, randomUUID } from 'node:crypto';
import { DomainError } from '@saltflat/contract';
import type { Artwork, Photo, Preparation, PreparationInput, RightsInput } from '@saltflat/contract';
import type { ArtFigures, ArtJob } from '@saltflat/core/artwork';
import type { Tx } from '../../db/connection.ts';
import type { ArtworkStore } from './artworkStore.ts';
import type { PreparationStore } from './preparationStore.ts';
import { decodePixels, readImage } from './readImage.ts';

/** Measures pixels somewhere that does not hold requests up. */
export type MeasureArt = (
  pixels: { data: Buffer; width: number; height: number },
  job: ArtJob,
) => Promise<ArtFigures>;

interface Needs {
  artworks: ArtworkStore;
  preparations: PreparationStore;
  measure: MeasureArt;
  now: () => number;
}

/** Artworks: taken in, given out, measured, made ready. */
export class ArtworkService {
  constructor(private readonly needs: Needs) {}

  async get(id: string): Promise<Artwork> {
    return (await this.needs.artworks.find(id)) ?? missing(id);
  }

  /** Keeps an upload. The same content is the same artwork, whatever its name. */
  async add(bytes: Buffer, name: string): Promise<{ artwork: Artwork; isNew: boolean }> {
    const { artworks, now } = this.needs;
    if (bytes.length === 0)
      throw new DomainError('invalid-input', `“${name}” is empty. Choose the file again.`);
    const sha256 = contentHash(bytes);
    const known = await artworks.findByContent(sha256);
    if (known) return { artwork: known, isNew: false };
    const image = await readImage(bytes, name);
    await artworks.insert({ id: randomUUID(), sha256, name, bytes, ...image }, new Date(now()));
    return { artwork: (await artworks.findByContent(sha256)) ?? missing(sha256), isNew: true };
  }

  /** Keeps a photo of a fault; its hash names it. */
  async addPhoto(bytes: Buffer, name: string): Promise<Photo> {
    const { mediaType } = await readImage(bytes, name);
    const sha256 = contentHash(bytes);
    await this.needs.artworks.insertBlob({ sha256, mediaType, bytes, createdAt: new Date(this.needs.now()) });
    return { sha256 };
  }

  async original(id: string): Promise<{ bytes: Buffer; mediaType: string; name: string }> {
    return (await this.needs.artworks.bytes(id)) ?? missing(id);
  }

  async thumbnail(id: string): Promise<Buffer> {
    return (await this.needs.artworks.thumbnail(id)) ?? missing(id);
  }

  async photo(sha256: string): Promise<{ bytes: Buffer; mediaType: string }> {
    return (await this.needs.artworks.blob(sha256)) ?? missing(sha256);
  }

  async pixels(id: string, maxPx: number | null): Promise<{ data: Buffer; width: number; height: number }> {
    const artwork = await this.get(id);
    const { bytes } = await this.original(id);
    return decodePixels(bytes, artwork.widthPx, maxPx);
  }

  /** Figures of an artwork for a job, measured once and kept: content and job never change, and another analysis measures anew. */
  async figures(id: string, job: ArtJob): Promise<ArtFigures> {
    const { artworks, measure } = this.needs;
    const jobKey = JSON.stringify(job);
    const kept = await artworks.figures(id, jobKey);
    if (kept) return kept;
    const measured = await measure(await this.pixels(id, null), job);
    await artworks.keepFigures(id, jobKey, measured);
    return measured;
  }

  async setRights(id: string, rights: RightsInput): Promise<Artwork> {
    await this.get(id);
    await this.needs.artworks.setRights(id, rights);
    return this.get(id);
  }

  async preparations(id: string): Promise<Preparation[]> {
    await this.get(id);
    return this.needs.preparations.ofArtwork(id);
  }

  keepPreparation(
    artworkId: string,
    made: Pick<PreparationInput, 'steps' | 'white' | 'by'>,
    tx: Tx,
  ): Promise<string> {
    return this.needs.preparations.keep(artworkId, made, { at: new Date(this.needs.now()), tx });
  }
}

const contentHash = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

function missing(id: string): never {
  throw new DomainError('not-found', `There is no picture ${id.slice(0, 12)}.`);
}
