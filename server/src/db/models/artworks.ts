import type { Artwork, Preparation } from '@saltflat/contract';
import type { ArtFigures } from '@saltflat/core/artwork';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import {
  TABLE,
  columns,
  bytes,
  flag,
  instant,
  integer,
  json,
  key,
  orNull,
  text,
  texts,
  uuid,
} from './columns.ts';

/** A file's bytes, by their content. */
export interface BlobRow extends Model<InferAttributes<BlobRow>, InferCreationAttributes<BlobRow>> {
  sha256: string;
  mediaType: string;
  bytes: Buffer;
  /** False for a drawing from before drawings were cleaned when they came. */
  isDrawnAsKept: CreationOptional<boolean>;
  createdAt: Date;
}

export const defineBlob = (sequelize: Sequelize) =>
  sequelize.define<BlobRow>(
    'blob',
    columns({
      sha256: { ...text, primaryKey: true },
      mediaType: text,
      bytes,
      isDrawnAsKept: { ...flag, defaultValue: true },
      createdAt: instant,
    }),
    TABLE,
  );

export interface ArtworkRow extends Model<InferAttributes<ArtworkRow>, InferCreationAttributes<ArtworkRow>> {
  id: string;
  sha256: string;
  name: string;
  format: Artwork['format'];
  widthPx: number;
  heightPx: number;
  /** Length of the file. */
  sizeBytes: number;
  readingNotes: string[];
  thumbnail: Buffer;
  rights: Artwork['rights'];
  rightsNote: string;
  rightsBy: string | null;
  createdAt: Date;
}

export const defineArtwork = (sequelize: Sequelize) =>
  sequelize.define<ArtworkRow>(
    'artwork',
    columns({
      id: key,
      sha256: text,
      name: text,
      format: text,
      widthPx: integer,
      heightPx: integer,
      sizeBytes: integer,
      readingNotes: texts,
      thumbnail: bytes,
      rights: text,
      rightsNote: text,
      rightsBy: orNull(text),
      createdAt: instant,
    }),
    TABLE,
  );

/** Figures of an artwork for a job, by the analysis that measured them. */
export interface FiguresRow extends Model<InferAttributes<FiguresRow>, InferCreationAttributes<FiguresRow>> {
  artworkId: string;
  analysis: number;
  jobKey: string;
  figures: ArtFigures;
}

export const defineFigures = (sequelize: Sequelize) =>
  sequelize.define<FiguresRow>(
    'artwork_figures',
    columns({
      artworkId: { ...uuid, primaryKey: true },
      analysis: { ...integer, primaryKey: true },
      jobKey: { ...text, primaryKey: true },
      figures: json,
    }),
    TABLE,
  );

export interface PreparationRow extends Model<
  InferAttributes<PreparationRow>,
  InferCreationAttributes<PreparationRow>
> {
  id: string;
  artworkId: string;
  number: number;
  steps: Preparation['steps'];
  white: Preparation['white'];
  byName: string;
  createdAt: Date;
}

export const definePreparation = (sequelize: Sequelize) =>
  sequelize.define<PreparationRow>(
    'artwork_preparation',
    columns({
      id: key,
      artworkId: uuid,
      number: integer,
      steps: json,
      white: json,
      byName: text,
      createdAt: instant,
    }),
    TABLE,
  );
