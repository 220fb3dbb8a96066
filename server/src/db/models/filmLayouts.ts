import type { FilmLayoutDocument } from '@saltflat/contract';
import type { LaidFilm } from '@saltflat/core/route';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { TABLE, columns, decimal, instant, integer, json, key, text, texts } from './columns.ts';

/** Film that one transfer of a print takes of a layout, m², and the version of the route it was laid out by. */
export interface FilmShare extends LaidFilm {
  lineId: string;
  routeNumber: number;
}

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
  /** Film a transfer takes, by line and print. */
  shares: FilmShare[];
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
      shares: json,
      pieces: integer,
      sheets: integer,
      lengthMm: decimal,
      byName: text,
      at: instant,
    }),
    TABLE,
  );
