import { strictObject } from '@saltflat/contract';
import { Type } from 'typebox';
import type { Response } from 'express';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { PAPERS } from '../../pdf/index.ts';
import type { PaperService } from './paperService.ts';

const PaperQuery = strictObject({ paper: Type.Optional(Type.Enum([...PAPERS], { title: 'Paper' })) });

export const paperEndpoints = (papers: PaperService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/quote',
      summary: 'What a line is offered for, and how the price comes about',
    },
    ({ params }) => papers.quote(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/run-sheet.pdf',
      summary: 'A line’s stations and settings on paper, with its bar code',
      query: PaperQuery,
    },
    async ({ params, query, res }) =>
      sendPdf(res, await papers.runSheet(params.id ?? '', query.paper ?? 'a4')),
  ),
  endpoint(
    {
      method: 'get',
      path: '/orders/:id/quote.pdf',
      summary: 'The offer for an order on paper',
      query: PaperQuery,
    },
    async ({ params, query, res }) =>
      sendPdf(res, await papers.quoteSheet(params.id ?? '', query.paper ?? 'a4')),
  ),
];

function sendPdf(res: Response, { name, bytes }: { name: string; bytes: Buffer }): void {
  res.attachment(name).type('application/pdf').set('Cache-Control', 'no-store').end(bytes);
}
