import {
  FloorWeighing,
  FloorWeighingInput,
  SprayInput,
  SprayWeighing,
  SprayWeighingInput,
  SprayerDevice,
  SprayerDrive,
  WithdrawnInput,
} from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { SprayerService } from './sprayerService.ts';
import type { StandInSprayers } from './standInSprayers.ts';

export const sprayerEndpoints = (sprayers: SprayerService, standIns: StandInSprayers): Endpoint[] => [
  ...weighingEndpoints(sprayers),
  ...deviceEndpoints(standIns),
];

const deviceEndpoints = (sprayers: StandInSprayers): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/sprayers',
      summary: 'Sprayers: what is left in the bottle, what was sprayed last',
      answer: Type.Array(SprayerDevice),
    },
    () => sprayers.list(),
  ),
  endpoint(
    {
      method: 'post',
      path: '/sprayers/:id/sprays',
      summary: 'Spray a step’s garment',
      body: SprayInput,
      answer: SprayerDevice,
      status: 201,
    },
    ({ params, body }) => sprayers.spray(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/sprayers/:id/refill',
      summary: 'A full bottle is put on',
      answer: SprayerDevice,
    },
    ({ params }) => sprayers.refill(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/sprayers/:id/drive',
      summary: 'Turn a simulated sprayer’s knobs',
      body: SprayerDrive,
      answer: SprayerDevice,
    },
    ({ params, body }) => sprayers.drive(params.id ?? '', body),
  ),
];

const weighingEndpoints = (sprayers: SprayerService): Endpoint[] => [
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
      method: 'get',
      path: '/machines/:id/floor-weighings',
      summary: 'Garments weighed in on the floor after a sprayer, newest first',
      answer: Type.Array(FloorWeighing),
    },
    ({ params }) => sprayers.onFloor(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/machines/:id/floor-weighings',
      summary: 'A garment of the floor is taken among a sprayer’s weighings',
      body: FloorWeighingInput,
      answer: SprayWeighing,
      status: 201,
    },
    ({ params, body }) => sprayers.takeFromFloor(params.id ?? '', body),
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
