import { randomUUID, subtle } from 'node:crypto';
import { DomainError } from '@saltflat/contract';
import type {
  Artwork,
  NewPreparation,
  Photo,
  Preparation,
  PreparationInput,
  RightsInput,
} from '@saltflat/contract';
import type { ArtFigures, ArtJob, Finding, Plane } from '@saltflat/core/artwork';
import type { Tx } from '../../db/connection.ts';
import type { KeptPicture, Look, Pictures, PlaneFormat } from '../../pictures/index.ts';
import type { ArtworkStore } from './artworkStore.ts';
import type { PreparationStore } from './preparationStore.ts';

interface Needs {
  artworks: ArtworkStore;
  preparations: PreparationStore;
  pictures: Pictures;
  transaction: <T>(work: (tx: Tx) => Promise<T>) => Promise<T>;
  now: () => number;
}

/** A picture of an artwork made for a job, with what was measured of it. */
export interface DrawnArt {
  bytes: Buffer;
  figures: ArtFigures;
}

/** A look alone decodes nothing, but reads all of a drawing. */
const LOOK_MEGAPIXELS = 6;

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
    const known = await artworks.findByContent(await contentHash(bytes));
    if (known) return { artwork: known, isNew: false };
    const { look, thumbnail, bytes: kept } = await this.read(bytes, name);
    const sha256 = await contentHash(kept);
    const same = kept === bytes ? undefined : await artworks.findByContent(sha256);
    if (same) return { artwork: same, isNew: false };
    await artworks.insert(
      { id: randomUUID(), sha256, name, bytes: kept, thumbnail, ...look },
      new Date(now()),
    );
    return { artwork: (await artworks.findByContent(sha256)) ?? missing(sha256), isNew: true };
  }

  /** Keeps a photo of a fault; its hash names it. */
  async addPhoto(bytes: Buffer, name: string): Promise<Photo> {
    const { look, bytes: kept } = await this.read(bytes, name);
    const sha256 = await contentHash(kept);
    const { mediaType } = look;
    await this.needs.artworks.insertBlob({
      sha256,
      mediaType,
      bytes: kept,
      createdAt: new Date(this.needs.now()),
    });
    return { sha256 };
  }

  /** The file as it is kept: a drawing cleaned, everything else as it came. */
  async file(id: string): Promise<StreamedFile & { name: string }> {
    const { sha256, name } = await this.get(id);
    return { ...(await this.stream(sha256)), name };
  }

  photo(sha256: string): Promise<StreamedFile> {
    return this.stream(sha256);
  }

  async thumbnail(id: string): Promise<Buffer> {
    return (await this.needs.artworks.thumbnail(id)) ?? missing(id);
  }

  /**
   * Pixels, packed by gzip.
   *
   * @param use sends them: they are held until then
   */
  async pixels(
    id: string,
    maxPx: number | null,
    use: (packed: { bytes: Buffer; width: number; height: number }) => Promise<void>,
  ): Promise<void> {
    const { kept, megapixels, bytes } = await this.kept(id);
    const question = { maxPx, ...kept };
    await this.needs.pictures.run({ kind: 'pixels', question, megapixels, bytes }, use);
  }

  /**
   * Figures of an artwork for a job, measured once and kept: content and job never change, and another analysis measures
   * anew.
   *
   * @param onProgress told the share measured, 0–1, where it is measured now
   */
  async figures(
    id: string,
    job: ArtJob,
    onProgress: (share: number) => void = () => undefined,
  ): Promise<ArtFigures> {
    const { artworks, pictures } = this.needs;
    const jobKey = JSON.stringify(job);
    const known = await artworks.figures(id, jobKey);
    if (known) return known;
    const { kept, megapixels, bytes } = await this.kept(id);
    const question = { job, ...kept };
    const how = { kind: 'figures', question, megapixels, bytes, onProgress } as const;
    const { figures } = await pictures.run(how, (done) => done);
    await artworks.keepFigures(id, jobKey, figures);
    return figures;
  }

  /**
   * What stands out in an artwork for a job, worst first, sooner than all of its figures: of a large one that was not measured
   * yet, as seen in small.
   */
  async atFirstLook(id: string, job: ArtJob): Promise<{ findings: Finding[]; isFirstLook: boolean }> {
    const known = await this.needs.artworks.figures(id, JSON.stringify(job));
    if (known) return { findings: known.findings, isFirstLook: false };
    const { kept, megapixels, bytes } = await this.kept(id);
    const question = { job, ...kept };
    return this.needs.pictures.run(
      { kind: 'firstLook', question, megapixels, bytes },
      ({ findings, isFirstLook }) => ({ findings, isFirstLook }),
    );
  }

  /** A plane of an artwork for a job as a file, at the print's own resolution. */
  async plane(id: string, job: ArtJob, plane: Plane, format: PlaneFormat): Promise<DrawnArt> {
    const { kept, megapixels, bytes } = await this.kept(id);
    const question = { job, plane, format, ...kept };
    return this.needs.pictures.run({ kind: 'plane', question, megapixels, bytes }, (done) => done);
  }

  /** What of an artwork is printed on film for a job, colour and white, PNG, as large as it is printed. */
  async filmPiece(
    id: string,
    job: ArtJob,
    size: { widthPx: number; heightPx: number },
  ): Promise<{ bytes: Buffer; colourBytes: number; hasWhite: boolean }> {
    const { kept, megapixels, bytes } = await this.kept(id);
    const question = { job, size, ...kept };
    return this.needs.pictures.run({ kind: 'filmPiece', question, megapixels, bytes }, (done) => done);
  }

  /** What an artwork looks like on its garment, PNG. */
  async composite(id: string, job: ArtJob, how: { maxPx: number; isCropped: boolean }): Promise<DrawnArt> {
    const { kept, megapixels, bytes } = await this.kept(id);
    const question = { job, ...how, ...kept };
    return this.needs.pictures.run({ kind: 'composite', question, megapixels, bytes }, (done) => done);
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

  /** Keeps a way to make an artwork ready, for a line that is being written. */
  async prepare(artworkId: string, made: NewPreparation): Promise<Preparation> {
    await this.get(artworkId);
    const id = await this.needs.transaction((tx) => this.keepPreparation(artworkId, made, tx));
    return (await this.preparations(artworkId)).find((own) => own.id === id) ?? missing(id);
  }

  keepPreparation(
    artworkId: string,
    made: Pick<PreparationInput, 'steps' | 'white' | 'by'>,
    tx: Tx,
  ): Promise<string> {
    return this.needs.preparations.keep(artworkId, made, { at: new Date(this.needs.now()), tx });
  }

  /** Reads an upload whole: what it is, its thumbnail, and the bytes to keep. */
  private async read(sent: Buffer, name: string): Promise<{ look: Look; thumbnail: Buffer; bytes: Buffer }> {
    const { pictures } = this.needs;
    const {
      look,
      isAsItCame,
      bytes: drawing,
    } = await pictures.run(
      {
        kind: 'look',
        question: { name },
        megapixels: LOOK_MEGAPIXELS,
        bytes: () => Promise.resolve(sent),
      },
      (done) => done,
    );
    const bytes = isAsItCame ? sent : drawing;
    const { widthPx, heightPx } = look;
    const thumbnail = await pictures.run(
      {
        kind: 'thumbnail',
        question: { name, widthPx },
        megapixels: megapixelsOf(widthPx, heightPx),
        bytes: () => Promise.resolve(bytes),
      },
      (done) => done.bytes,
    );
    return { look, thumbnail, bytes };
  }

  /** What a drawing task needs of an artwork. */
  private async kept(
    id: string,
  ): Promise<{ kept: KeptPicture; megapixels: number; bytes: () => Promise<Buffer> }> {
    const { name, widthPx, heightPx, sha256 } = await this.get(id);
    const { artworks } = this.needs;
    const file = (await artworks.file(sha256)) ?? missing(sha256);
    return {
      kept: { name, widthPx, heightPx, isDrawnAsKept: file.isDrawnAsKept },
      megapixels: megapixelsOf(widthPx, heightPx),
      bytes: () => artworks.bytes(file),
    };
  }

  private async stream(sha256: string): Promise<StreamedFile> {
    const { artworks } = this.needs;
    const file = (await artworks.file(sha256)) ?? missing(sha256);
    return { mediaType: file.mediaType, sizeBytes: file.sizeBytes, slices: artworks.slices(file) };
  }
}

/** A file given out piece by piece, as fast as it is taken. */
export interface StreamedFile {
  mediaType: string;
  sizeBytes: number;
  slices: AsyncIterable<Buffer>;
}

const megapixelsOf = (widthPx: number, heightPx: number): number => (widthPx * heightPx) / 1e6;

/** Worked out beside: of a large file it takes longer than anybody should wait for a page. */
async function contentHash(bytes: Buffer): Promise<string> {
  return Buffer.from(await subtle.digest('SHA-256', bytes)).toString('hex');
}

function missing(id: string): never {
  throw new DomainError('not-found', `There is no picture ${id.slice(0, 12)}.`);
}
