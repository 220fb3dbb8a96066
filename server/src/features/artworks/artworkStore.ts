import type { Artwork, RightsInput } from '@saltflat/contract';
import { ANALYSIS_VERSION } from '@saltflat/core/artwork';
import type { ArtFigures } from '@saltflat/core/artwork';
import type { CreationAttributes } from 'sequelize';
import type { Database, Tx } from '../../db/connection.ts';
import type { ArtworkRow, BlobRow } from '../../db/models/index.ts';

export interface NewArtwork extends Pick<
  Artwork,
  'id' | 'sha256' | 'name' | 'format' | 'widthPx' | 'heightPx' | 'readingNotes'
> {
  mediaType: string;
  bytes: Buffer;
  thumbnail: Buffer;
}

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

  /** The original file, exactly as it came. */
  async bytes(id: string): Promise<{ bytes: Buffer; mediaType: string; name: string } | undefined> {
    const { artworks } = this.db.models;
    const artwork = await artworks.findByPk(id, { attributes: ['name', 'sha256'], raw: true });
    const blob = artwork && (await this.blob(artwork.sha256));
    return artwork && blob ? { ...blob, name: artwork.name } : undefined;
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

  /** Keeps a file by its content; one that is here already changes nothing. */
  async insertBlob(blob: CreationAttributes<BlobRow>, tx?: Tx): Promise<void> {
    await this.db.models.blobs.bulkCreate([blob], {
      ignoreDuplicates: true,
      transaction: tx ?? null,
    });
  }

  async blob(sha256: string): Promise<{ bytes: Buffer; mediaType: string } | undefined> {
    const row = await this.db.models.blobs.findByPk(sha256, { raw: true });
    return row ? { bytes: row.bytes, mediaType: row.mediaType } : undefined;
  }

  async setRights(id: string, { rights, note, by }: RightsInput): Promise<void> {
    await this.db.models.artworks.update({ rights, rightsNote: note, rightsBy: by }, { where: { id } });
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
