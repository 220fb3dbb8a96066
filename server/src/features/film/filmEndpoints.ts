import {
  FILM_SIDES,
  FilmLayout,
  FilmLayoutInput,
  FilmLayoutPage,
  FilmLayoutQuery,
  FilmLayoutStart,
  FilmWaiting,
  PRINT_DPI,
  Run,
  strictObject,
} from '@saltflat/contract';
import type { Response } from 'express';
import { Type } from 'typebox';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { PAPERS, PAPER_S, sendPdf } from '../../pdf/index.ts';
import type { LayoutService } from './layoutService.ts';
import type { SheetFiles } from './sheetFiles.ts';
import type { WaitingFilm } from './waitingFilm.ts';

const Sheet = Type.Integer({ title: 'Sheet', minimum: 1, maximum: 1000 });
const Dpi = Type.Optional(
  Type.Integer({ title: 'Pixels per inch', minimum: PRINT_DPI.least, maximum: PRINT_DPI.most }),
);
const PrintQuery = strictObject({
  sheet: Sheet,
  plane: Type.Enum(['colour', 'white'], { title: 'Plane' }),
  dpi: Dpi,
});
const CutQuery = strictObject({ sheet: Sheet, side: Type.Enum([...FILM_SIDES], { title: 'Side' }) });
const PaperQuery = strictObject({ paper: Type.Optional(Type.Enum([...PAPERS], { title: 'Paper' })) });

/** A sheet full of different art is drawn for that long, and may have to wait for others. */
const DRAWING_S = 240;
/** Outlines of a full sheet; a piece’s place and its outline’s rows. */
const LAYOUT_BYTES = 4 * 1024 * 1024;

export const filmEndpoints = (
  waiting: WaitingFilm,
  layouts: LayoutService,
  files: SheetFiles,
): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/film/waiting',
      summary:
        'Transfers to be laid on film, soonest due first: of lines that are ready for the floor, and what was spoiled there',
      answer: FilmWaiting,
    },
    () => waiting.read(),
  ),
  ...layoutEndpoints(layouts),
  ...fileEndpoints(files),
];

const layoutEndpoints = (layouts: LayoutService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/film/layouts',
      summary: 'Layouts as they were kept, newest first, page by page',
      query: FilmLayoutQuery,
      answer: FilmLayoutPage,
    },
    ({ query }) => layouts.list(query),
  ),
  endpoint(
    {
      method: 'post',
      path: '/film/layouts',
      summary: 'Keep a layout with all that it was made of',
      body: FilmLayoutInput,
      bodyBytes: LAYOUT_BYTES,
      answer: FilmLayout,
      status: 201,
    },
    ({ body }) => layouts.keep(body),
  ),
  endpoint(
    { method: 'get', path: '/film/layouts/:id', summary: 'A layout as it was kept', answer: FilmLayout },
    ({ params }) => layouts.get(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/film/layouts/:id/runs',
      summary: 'Put a layout’s lines on the floor, with their sheets as they lie',
      body: FilmLayoutStart,
      answer: Run,
      isWorded: true,
      status: 201,
    },
    ({ params, body }) => layouts.start(params.id ?? '', body.by),
  ),
];

const fileEndpoints = (files: SheetFiles): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/film/layouts/:id/print.png',
      summary: 'A sheet as its printer takes it, colour or white, PNG',
      query: PrintQuery,
      answer: file('image/png'),
      patienceS: DRAWING_S,
    },
    async ({ params, query: { sheet, plane, dpi = PRINT_DPI.usual }, res }) =>
      send(res, 'image/png', await files.print(params.id ?? '', sheet, { plane, dpi })),
  ),
  endpoint(
    {
      method: 'get',
      path: '/film/layouts/:id/print.pdf',
      summary: 'All sheets as pages of their own size, with crop marks',
      query: strictObject({ dpi: Dpi }),
      answer: file('application/pdf'),
      patienceS: DRAWING_S,
    },
    async ({ params, query: { dpi = PRINT_DPI.usual }, res }) =>
      sendPdf(res, await files.pdf(params.id ?? '', dpi)),
  ),
  endpoint(
    {
      method: 'get',
      path: '/film/layouts/:id/cut.svg',
      summary: 'Paths to cut a sheet’s pieces out along',
      query: CutQuery,
      answer: file('image/svg+xml'),
    },
    async ({ params, query: { sheet, side }, res }) =>
      send(res, 'image/svg+xml', await files.cut(params.id ?? '', sheet, side)),
  ),
  endpoint(
    {
      method: 'get',
      path: '/film/layouts/:id/cutting-list.pdf',
      summary: 'What lies where and how it is cut apart, on paper',
      query: PaperQuery,
      answer: file('application/pdf'),
      patienceS: PAPER_S,
    },
    async ({ params, query, res }) =>
      sendPdf(res, await files.cuttingList(params.id ?? '', query.paper ?? 'a4')),
  ),
  endpoint(
    {
      method: 'get',
      path: '/film/layouts/:id/labels.pdf',
      summary: 'Labels for the transfers of each line, with the code that the floor scans',
      query: PaperQuery,
      answer: file('application/pdf'),
      patienceS: PAPER_S,
    },
    async ({ params, query, res }) => sendPdf(res, await files.labels(params.id ?? '', query.paper ?? 'a4')),
  ),
];

const send = (
  res: Response,
  mediaType: string,
  { name, bytes }: { name: string; bytes: Buffer | string },
): void => void res.attachment(name).type(mediaType).set('Cache-Control', 'no-store').end(bytes);
