import {
  ArtOverruleInput,
  ArtworkReport,
  ComparisonAnswer,
  ComparisonQuery,
  Judgement,
  JudgementQuery,
  LineDocument,
  LineOnOrder,
  PreparationInput,
  PrintId,
  ProvenLine,
  RoutePlanInput,
  RouteVersion,
  strictObject,
} from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { ComparisonService } from './comparisonService.ts';
import type { RouteService } from './routeService.ts';

const PrintQuery = strictObject({ print: Type.Optional(PrintId) });

export const routeEndpoints = (routes: RouteService, comparisons: ComparisonService): Endpoint[] => [
  ...readingEndpoints(routes),
  ...planningEndpoints(routes),
  endpoint(
    {
      method: 'post',
      path: '/comparisons',
      summary: 'Every process for a print of a line that is being written, side by side',
      body: ComparisonQuery,
      answer: ComparisonAnswer,
      isWorded: true,
    },
    ({ body }) => comparisons.compare(body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/judgements',
      summary: 'What stands out in an artwork as a print of a line that is being written, worst first',
      body: JudgementQuery,
      answer: Judgement,
    },
    ({ body }) => comparisons.judge(body),
  ),
];

const readingEndpoints = (routes: RouteService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/proven',
      summary: 'Lines of the same processes that were run to the end, to copy settings from',
      answer: Type.Array(ProvenLine),
    },
    ({ params }) => routes.provenLines(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/document',
      summary: 'All that a line’s route is planned from, as the command line reads it',
      answer: LineDocument,
    },
    ({ params }) => routes.lineDocument(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/route',
      summary: 'The route a line is made by as it now stands',
      answer: RouteVersion,
      isWorded: true,
    },
    ({ params }) => routes.current(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/routes',
      summary: 'All versions of a line’s route, newest first',
      answer: Type.Array(RouteVersion),
      isWorded: true,
    },
    ({ params }) => routes.versions(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/figures',
      summary:
        'Figures and findings of a print’s artwork at its printed size; of the line’s first where none is named',
      query: PrintQuery,
      answer: ArtworkReport,
    },
    ({ params, query }) => routes.printFigures(params.id ?? '', query.print ?? null),
  ),
];

const planningEndpoints = (routes: RouteService): Endpoint[] => [
  endpoint(
    {
      method: 'post',
      path: '/lines/:id/routes',
      summary: 'Plan a new version with a person’s own values',
      body: RoutePlanInput,
      answer: RouteVersion,
      isWorded: true,
      status: 201,
    },
    ({ params, body }) => routes.replan(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/lines/:id/art-overrule',
      summary: 'Have a line’s art printed though something stops it: by name, with a word why',
      body: ArtOverruleInput,
      answer: LineOnOrder,
      status: 201,
    },
    ({ params, body }) => routes.overruleArt(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/lines/:id/art-overrule/taken-back',
      summary: 'Take that back: what stops the print stops the line again',
      answer: LineOnOrder,
    },
    ({ params }) => routes.takeBackOverrule(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/lines/:id/preparations',
      summary: 'Have a print made with other steps, white or width',
      body: PreparationInput,
      answer: RouteVersion,
      isWorded: true,
      status: 201,
    },
    ({ params, body }) => routes.prepare(params.id ?? '', body),
  ),
];
