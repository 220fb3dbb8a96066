import { randomUUID } from 'node:crypto';
import type { Artwork, Preparation, PreparationInput, RightsInput } from '@saltflat/contract';
import type { ArtFigures } from '@saltflat/core/artwork';
import type { Database } from '../../db/connection.ts';

export interface ArtworkStore {
  find: (id: string) => Promise<Artwork | undefined>;
  findByContent: (sha256: string) => Promise<Artwork | undefined>;
  /** The original file, exactly as it came. */
  bytes: (id: string) => Promise<{ bytes: Buffer; mediaType: string; name: string } | undefined>;
  thumbnail: (id: string) => Promise<Buffer | undefined>;
  insert: (artwork: NewArtwork) => Promise<void>;
  /** Keeps a picture that is not art: the photo of a fault. */
  insertBlob: (sha256: string, mediaType: string, bytes: Buffer) => Promise<void>;
  blob: (sha256: string) => Promise<{ bytes: Buffer; mediaType: string } | undefined>;
  setRights: (id: string, rights: RightsInput) => Promise<void>;
  preparations: (artworkId: string) => Promise<Preparation[]>;
  /** Keeps a preparation under the next number, or finds the one that is just the same. */
  keepPreparation: (
    artworkId: string,
    made: Pick<PreparationInput, 'steps' | 'white' | 'by'>,
    tx: Database,
  ) => Promise<string>;
  figures: (artworkId: string, jobKey: string) => Promise<ArtFigures | undefined>;
  keepFigures: (artworkId: string, jobKey: string, figures: ArtFigures) => Promise<void>;
}

export interface NewArtwork extends Pick<
  Artwork,
  'id' | 'sha256' | 'name' | 'format' | 'widthPx' | 'heightPx' | 'readingNotes'
> {
  mediaType: string;
  bytes: Buffer;
  thumbnail: Buffer;
}

interface ArtworkRow extends Omit<Artwork, 'createdAt'> {
  createdAt: Date;
}

/** The columns of an artwork `a` with its blob `b`, as the contract names them. */
const COLUMNS = `a.id, a.name, a.sha256, a.format, a.width_px as "widthPx", a.height_px as "heightPx", octet_length(b.bytes) as bytes,
  a.reading_notes as "readingNotes", a.rights, a.rights_note as "rightsNote", a.created_at as "createdAt"`;
const toArtwork = (row: ArtworkRow | undefined): Artwork | undefined =>
  row && { ...row, createdAt: row.createdAt.toISOString() };

export function artworkStore(db: Database): ArtworkStore {
  const insertBlob = async (
    on: Database,
    sha256: string,
    mediaType: string,
    bytes: Buffer,
  ): Promise<void> => {
    await on.rows(
      `insert into blob (sha256, media_type, bytes) values ($1, $2, $3) on conflict (sha256) do nothing returning sha256`,
      [sha256, mediaType, bytes],
    );
  };
  return {
    find: async (id) =>
      toArtwork(
        await db.row(`select ${COLUMNS} from artwork a join blob b using (sha256) where a.id = $1`, [id]),
      ),
    findByContent: async (sha256) =>
      toArtwork(
        await db.row(`select ${COLUMNS} from artwork a join blob b using (sha256) where a.sha256 = $1`, [
          sha256,
        ]),
      ),
    bytes: (id) =>
      db.row(
        `select b.bytes, b.media_type as "mediaType", a.name from artwork a join blob b using (sha256) where a.id = $1`,
        [id],
      ),
    thumbnail: async (id) =>
      (await db.row<{ thumbnail: Buffer }>(`select thumbnail from artwork where id = $1`, [id]))?.thumbnail,
    insert: (artwork) =>
      db.transaction(async (tx) => {
        await insertBlob(tx, artwork.sha256, artwork.mediaType, artwork.bytes);
        await tx.rows(
          `insert into artwork (id, sha256, name, format, width_px, height_px, reading_notes, thumbnail)
           values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict (sha256) do nothing returning id`,
          [
            artwork.id,
            artwork.sha256,
            artwork.name,
            artwork.format,
            artwork.widthPx,
            artwork.heightPx,
            artwork.readingNotes,
            artwork.thumbnail,
          ],
        );
      }),
    insertBlob: (sha256, mediaType, bytes) => insertBlob(db, sha256, mediaType, bytes),
    blob: (sha256) => db.row(`select bytes, media_type as "mediaType" from blob where sha256 = $1`, [sha256]),
    setRights: async (id, { rights, note, by }) => {
      await db.rows(
        `update artwork set rights = $2, rights_note = $3, rights_by = $4 where id = $1 returning id`,
        [id, rights, note, by],
      );
    },
    preparations: async (artworkId) =>
      (
        await db.rows<Omit<Preparation, 'createdAt'> & { createdAt: Date }>(
          `select id, artwork_id as "artworkId", number, steps, white, by_name as "byName", created_at as "createdAt"
           from artwork_preparation where artwork_id = $1 order by number desc`,
          [artworkId],
        )
      ).map((row) => ({ ...row, createdAt: row.createdAt.toISOString() })),
    keepPreparation: async (artworkId, { steps, white, by }, tx) => {
      await tx.rows(`select id from artwork where id = $1 for update`, [artworkId]); // numbers are given out one at a time
      const same = await tx.row<{ id: string }>(
        `select id from artwork_preparation where artwork_id = $1 and steps = $2::jsonb and white = $3::jsonb`,
        [artworkId, JSON.stringify(steps), JSON.stringify(white)],
      );
      if (same) return same.id;
      const id = randomUUID();
      await tx.rows(
        `insert into artwork_preparation (id, artwork_id, number, steps, white, by_name)
         values ($1, $2, (select coalesce(max(number), 0) + 1 from artwork_preparation where artwork_id = $2), $3, $4, $5) returning id`,
        [id, artworkId, JSON.stringify(steps), JSON.stringify(white), by],
      );
      return id;
    },
    figures: async (artworkId, jobKey) =>
      (
        await db.row<{ figures: ArtFigures }>(
          `select figures from artwork_figures where artwork_id = $1 and job_key = $2`,
          [artworkId, jobKey],
        )
      )?.figures,
    keepFigures: async (artworkId, jobKey, figures) => {
      await db.rows(
        `insert into artwork_figures (artwork_id, job_key, figures) values ($1, $2, $3) on conflict (artwork_id, job_key) do nothing returning job_key`,
        [artworkId, jobKey, JSON.stringify(figures)],
      );
    },
  };
}
