import { strictObject } from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { PAPERS, sendPdf } from '../../pdf/index.ts';
import type { PaperService } from './paperService.ts';

const PaperQuery = strictObject({ paper: Type.Optional(Type.Enum([...PAPERS], { title: 'Paper' })) });

/** Its picture is drawn first, which may have to wait for others. */
const DRAWING_S = 120;

export const paperEndpoints = (papers: PaperService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/run-sheet.pdf',
      summary: 'A line’s stations and settings on paper, with its bar code',
      query: PaperQuery,
      answer: file('application/pdf'),
      patienceS: DRAWING_S,
    },
    async ({ params, query, res }) =>
      sendPdf(res, await papers.runSheet(params.id ?? '', query.paper ?? 'a4')),
  ),
];
