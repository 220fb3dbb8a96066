import { SprayWeighing, SprayWeighingInput, WithdrawnInput } from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { SprayerService } from './sprayerService.ts';

export const sprayerEndpoints = (sprayers: SprayerService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/machines/:id/spray-weighings',
      summary: 'Garments weighed before and after a sprayer, newest first',
      answer: Type.Array(SprayWeighing),
    },
    ({ params }) => sprayers.weighings(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/machines/:id/spray-weighings',
      summary: 'A garment was weighed before and after a sprayer',
      body: SprayWeighingInput,
      answer: SprayWeighing,
      status: 201,
    },
    ({ params, body }) => sprayers.weigh(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/spray-weighings/:id/withdrawal',
      summary: 'A weighing is taken back, or given again',
      body: WithdrawnInput,
      answer: SprayWeighing,
    },
    ({ params, body }) => sprayers.withdraw(params.id ?? '', body.isWithdrawn),
  ),
];
