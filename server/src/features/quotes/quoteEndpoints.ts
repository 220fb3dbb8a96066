import {
  GivenQuote,
  LineQuote,
  OrderQuotes,
  QuoteAcceptance,
  QuoteGiving,
  strictObject,
} from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { PAPERS, PAPER_S, sendPdf } from '../../pdf/index.ts';
import type { QuoteService } from './quoteService.ts';

const PaperQuery = strictObject({ paper: Type.Optional(Type.Enum([...PAPERS], { title: 'Paper' })) });

export const quoteEndpoints = (quotes: QuoteService): Endpoint[] => [...quoting(quotes), ...onPaper(quotes)];

const quoting = (quotes: QuoteService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/quote',
      summary: 'What a line is offered for by its route, and how the price comes about',
      answer: LineQuote,
    },
    ({ params }) => quotes.ofLine(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'get',
      path: '/orders/:id/quotes',
      summary: 'What an order would be offered for now, and the quotes that were given',
      answer: OrderQuotes,
    },
    ({ params }) => quotes.ofOrder(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/orders/:id/quotes',
      summary: 'Give the draft to the customer: it gets a number and never moves again',
      body: QuoteGiving,
      answer: OrderQuotes,
      status: 201,
    },
    ({ params, body }) => quotes.give(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/quotes/:id/accept',
      summary: 'Note that the customer said yes',
      body: QuoteAcceptance,
      answer: GivenQuote,
    },
    ({ params, body }) => quotes.accept(params.id ?? '', body),
  ),
];

const onPaper = (quotes: QuoteService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/quotes/:id/quote.pdf',
      summary: 'A given quote on paper',
      query: PaperQuery,
      answer: file('application/pdf'),
      patienceS: PAPER_S,
    },
    async ({ params, query, res }) =>
      sendPdf(res, await quotes.paperOf(params.id ?? '', query.paper ?? 'a4')),
  ),
  endpoint(
    {
      method: 'get',
      path: '/orders/:id/quote.pdf',
      summary: 'The draft of an order’s quote on paper',
      query: PaperQuery,
      answer: file('application/pdf'),
      patienceS: PAPER_S,
    },
    async ({ params, query, res }) =>
      sendPdf(res, await quotes.draftPaper(params.id ?? '', query.paper ?? 'a4')),
  ),
];
