import type { Artwork, RightsInput } from '@saltflat/contract';
import { ANALYSIS_VERSION } from '@saltflat/core/artwork';
import type { ArtFigures } from '@saltflat/core/artwork';
import { EmptyResultError, col, fn } from 'sequelize';
import type { CreationAttributes } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { ArtworkRow, BlobRow } from '../../db/models/index.ts';
import type { Look } from '../../pictures/index.ts';

export interface NewArtwork extends Look {
  id: string;
  sha256: string;
  name: string;
  bytes: Buffer;
  thumbnail: Buffer;
}

/** A file as it is kept, without its bytes. */
export interface KeptFile {
  sha256: string;
  mediaType: string;
  sizeBytes: number;
  isDrawnAsKept: boolean;
}

/** Bytes come out of the database as twice as many letters: so many at once. */
const SLICE_BYTES = 1024 * 1024;

const WITHOUT_PICTURE = { attributes: { exclude: ['thumbnail'] } };

/** Artworks with their files, kept by content; figures of them by job and by the analysis that measured them. */
export class ArtworkStore {
  constructor(private readonly db: Database) {}

  async find(id: string): Promise<Artwork | undefined> {
    return toArtwork(await this.db.models.artworks.findByPk(id, { ...WITHOUT_PICTURE, raw: true }));
  }

  async exists(id: string): Promise<boolean> {
    return (await this.db.models.artworks.count({ where: { id } })) > 0;
  }

  async findByContent(sha256: string): Promise<Artwork | undefined> {
    return toArtwork(
      await this.db.models.artworks.findOne({ ...WITHOUT_PICTURE, where: { sha256 }, raw: true }),
    );
  }

  /** What is kept of a file, by its content. */
  async file(sha256: string): Promise<KeptFile | undefined> {
    const [row] = await this.db.models.blobs.findAll({
      where: { sha256 },
      attributes: ['sha256', 'mediaType', 'isDrawnAsKept', [fn('length', col('bytes')), 'sizeBytes']],
      raw: true,
    });
    return row as KeptFile | undefined; // named just so above
  }

  /** Its bytes, piece by piece: a file is never in the way twice. */
  async *slices({ sha256, sizeBytes }: Pick<KeptFile, 'sha256' | 'sizeBytes'>): AsyncGenerator<Buffer> {
    for (let at = 0; at < sizeBytes; at += SLICE_BYTES) {
      const [row] = await this.db.models.blobs.findAll({
        where: { sha256 },
        attributes: [[fn('substring', col('bytes'), at + 1, SLICE_BYTES), 'bytes']],
        raw: true,
      });
      if (!row) throw new Error('a file was taken away while it was read');
      yield row.bytes;
    }
  }

  /** All its bytes. */
  async bytes(file: Pick<KeptFile, 'sha256' | 'sizeBytes'>): Promise<Buffer> {
    const whole = Buffer.alloc(file.sizeBytes);
    let at = 0;
    for await (const slice of this.slices(file)) at += slice.copy(whole, at);
    return whole;
  }

  async thumbnail(id: string): Promise<Buffer | undefined> {
    const row = await this.db.models.artworks.findByPk(id, { attributes: ['thumbnail'], raw: true });
    return row?.thumbnail;
  }

  async insert(artwork: NewArtwork, at: Date): Promise<void> {
    const { mediaType, bytes, ...own } = artwork;
    await this.db.transaction(async (tx) => {
      await this.insertBlob({ sha256: artwork.sha256, mediaType, bytes, createdAt: at }, tx);
      await this.db.models.artworks.bulkCreate(
        [
          {
            ...own,
            sizeBytes: bytes.length,
            rights: 'unasked',
            rightsNote: '',
            rightsBy: null,
            createdAt: at,
          },
        ],
        { ignoreDuplicates: true, transaction: tx },
      );
    });
  }

  /** Keeps a file by its content; one that is here already changes nothing. Bytes are bound: written into a statement they would be twice as long. */
  async insertBlob(blob: CreationAttributes<BlobRow>, tx?: Tx): Promise<void> {
    try {
      await this.db.models.blobs.create(blob, {
        ignoreDuplicates: true,
        returning: false,
        transaction: tx ?? null,
      });
    } catch (error) {
      if (!(error instanceof EmptyResultError)) throw error; // nothing was written: it is here already
    }
  }

  async setRights(id: string, { rights, note, by }: RightsInput): Promise<void> {
    await this.db.transaction((transaction) =>
      this.db.models.artworks.update(
        { rights, rightsNote: note, rightsBy: by },
        { where: { id }, transaction },
      ),
    );
  }

  /** Figures this analysis measured; what an older one measured is not read. */
  async figures(artworkId: string, jobKey: string): Promise<ArtFigures | undefined> {
    const where = { artworkId, analysis: ANALYSIS_VERSION, jobKey };
    return (await this.db.models.figures.findOne({ where, raw: true }))?.figures;
  }

  async keepFigures(artworkId: string, jobKey: string, figures: ArtFigures): Promise<void> {
    const row = { artworkId, analysis: ANALYSIS_VERSION, jobKey, figures };
    await this.db.models.figures.bulkCreate([row], { ignoreDuplicates: true });
  }
}

const toArtwork = (row: ArtworkRow | null): Artwork | undefined =>
  row
    ? {
        id: row.id,
        name: row.name,
        sha256: row.sha256,
        format: row.format,
        widthPx: row.widthPx,
        heightPx: row.heightPx,
        bytes: row.sizeBytes,
        readingNotes: row.readingNotes,
        rights: row.rights,
        rightsNote: row.rightsNote,
        createdAt: row.createdAt.toISOString(),
      }
    : undefined;
