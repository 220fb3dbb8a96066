import { LAYOUT_FORMAT, readFilmLayout } from '@saltflat/contract';
import type { FilmLayout, FilmLayoutDocument, FilmLayoutHead, FilmLayoutPage } from '@saltflat/contract';
import type { LaidFilm } from '@saltflat/core/route';
import { Op } from 'sequelize';
import type { Database } from '../../db/connection.ts';
import type { FilmLayoutRow, FilmShare, RunRow } from '../../db/models/index.ts';
import { isCount, readCursor, writeCursor } from '../../http/keyset.ts';

const PAGE = 20;
/** Layouts that wait for the floor and are looked at. */
const MOST_WAITING = 30;

interface NewLayout {
  id: string;
  document: FilmLayoutDocument;
  shares: FilmShare[];
  sheets: number;
  lengthMm: number;
  by: string;
  at: Date;
}

/** The film of a line’s transfers, and the layouts that say so. */
export interface LaidLine {
  layouts: { id: string; code: string }[];
  films: LaidFilm[];
}

type HeadRow = Omit<FilmLayoutRow, 'document' | 'shares'> & { run?: Pick<RunRow, 'id'> | null };

/** Layouts of film as they were kept. */
export class LayoutStore {
  constructor(private readonly db: Database) {}

  async insert({ id, document, shares, sheets, lengthMm, by, at }: NewLayout): Promise<void> {
    const { transfers, placements, film } = document;
    await this.db.models.filmLayouts.create({
      id,
      format: LAYOUT_FORMAT,
      document,
      film: film.name,
      lines: [...new Set(transfers.map(({ code }) => code))],
      lineIds: [...new Set(transfers.map(({ lineId }) => lineId))],
      shares,
      pieces: placements.length,
      sheets,
      lengthMm,
      byName: by,
      at,
    });
  }

  async find(id: string): Promise<FilmLayout | undefined> {
    const row = await this.db.models.filmLayouts.findByPk(id, { include: WITH_RUN });
    return row ? { ...toHead(row), document: readFilmLayout(row.format, row.document) } : undefined;
  }

  /** Layouts that are not on the floor, newest first, as many as may still be meant. */
  async waiting(): Promise<FilmLayout[]> {
    const rows = await this.db.models.filmLayouts.findAll({
      where: { '$run.id$': null },
      include: WITH_RUN,
      order: [['number', 'desc']], // prettier-ignore
      limit: MOST_WAITING,
      subQuery: false,
    });
    return rows.map((row) => ({ ...toHead(row), document: readFilmLayout(row.format, row.document) }));
  }

  /** Film that a line’s transfers take by a version of its route, as they were laid out last, print by print. */
  async laidFilm(lineId: string, routeNumber: number): Promise<LaidLine | null> {
    const rows = await this.db.models.filmLayouts.findAll({
      attributes: ['id', 'number', 'shares'],
      where: { lineIds: { [Op.contains]: [lineId] } },
      order: [['number', 'desc']],
      raw: true,
    });
    const laid: LaidLine = { layouts: [], films: [] };
    for (const { id, number, shares } of rows)
      for (const { print, filmM2, ...own } of shares) {
        const isKnown = laid.films.some((known) => known.print === print);
        if (own.lineId !== lineId || own.routeNumber !== routeNumber || isKnown) continue;
        laid.films.push({ print, filmM2 });
        if (!laid.layouts.some((known) => known.id === id)) laid.layouts.push({ id, code: codeOf(number) });
      }
    return laid.films.length > 0 ? laid : null;
  }

  /** The newest first, a stretch at a time. */
  async page({ limit = PAGE, cursor }: { limit?: number; cursor?: string }): Promise<FilmLayoutPage> {
    const before = cursor === undefined ? null : readCursor<[number]>(cursor, [isCount])[0];
    const rows = await this.db.models.filmLayouts.findAll({
      attributes: { exclude: ['document', 'shares'] },
      where: before === null ? {} : { number: { [Op.lt]: before } },
      include: WITH_RUN,
      order: [['number', 'desc']],
      limit: limit + 1, // one more than wanted tells whether there are more
    });
    const items = rows.slice(0, limit);
    const last = items[items.length - 1];
    return {
      items: items.map(toHead),
      nextCursor: rows.length > limit && last ? writeCursor([last.number]) : null,
    };
  }
}

const codeOf = (number: number): string => `F-${number}`;

const WITH_RUN = [{ association: 'run', attributes: ['id'] }];

const toHead = ({
  id,
  number,
  byName,
  at,
  film,
  lines,
  pieces,
  sheets,
  lengthMm,
  run,
}: HeadRow): FilmLayoutHead => ({
  id,
  code: codeOf(number),
  by: byName,
  at: at.toISOString(),
  film,
  lines,
  pieces,
  sheets,
  lengthMm,
  runId: run?.id ?? null,
});
