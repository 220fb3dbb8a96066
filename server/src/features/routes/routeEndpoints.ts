import { ArtworkReport, PreparationInput, RoutePlanInput, RouteVersion } from '@saltflat/contract';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { RouteService } from './routeService.ts';

export const routeEndpoints = (routes: RouteService): Endpoint[] => [
  endpoint(
    { method: 'get', path: '/lines/:id/route', summary: 'The newest route of a line', answer: RouteVersion },
    ({ params }) => routes.latest(params.id ?? ''),
  ),
  endpoint(
    { method: 'get', path: '/lines/:id/routes', summary: 'All versions of a line’s route, newest first' },
    ({ params }) => routes.versions(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/lines/:id/routes',
      summary: 'Plan a new version with a person’s own values',
      body: RoutePlanInput,
      answer: RouteVersion,
      status: 201,
    },
    ({ params, body }) => routes.replan(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/lines/:id/preparations',
      summary: 'Have a line printed with other steps, white or width',
      body: PreparationInput,
      answer: RouteVersion,
      status: 201,
    },
    ({ params, body }) => routes.prepare(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/figures',
      summary: 'Figures and findings of a line’s artwork at its printed size',
      answer: ArtworkReport,
    },
    ({ params }) => routes.lineFigures(params.id ?? ''),
  ),
];
