import type { FilmLayoutDocument } from '@saltflat/contract';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { TABLE, columns, decimal, instant, integer, json, key, text, texts } from './columns.ts';

/** A layout of film: written once, never changed. */
export interface FilmLayoutRow extends Model<
  InferAttributes<FilmLayoutRow>,
  InferCreationAttributes<FilmLayoutRow>
> {
  id: string;
  /** Counts up; the database gives it. */
  number: CreationOptional<number>;
  /** Of `document`. */
  format: number;
  document: FilmLayoutDocument;
  film: string;
  /** Codes of its lines, and which they are. */
  lines: string[];
  lineIds: string[];
  pieces: number;
  sheets: number;
  lengthMm: number;
  byName: string;
  at: Date;
}

export const defineFilmLayout = (sequelize: Sequelize) =>
  sequelize.define<FilmLayoutRow>(
    'film_layout',
    columns({
      id: key,
      number: { ...integer, autoIncrement: true },
      format: integer,
      document: json,
      film: text,
      lines: texts,
      lineIds: texts,
      pieces: integer,
      sheets: integer,
      lengthMm: decimal,
      byName: text,
      at: instant,
    }),
    TABLE,
  );
