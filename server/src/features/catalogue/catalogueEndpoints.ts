import { Catalogue, LaydownFit, Lot, LotInput, WeighingInput } from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { CatalogueStore } from './catalogueStore.ts';
import type { LotService } from './lotService.ts';
import type { WeighingService } from './weighingService.ts';

export const catalogueEndpoints = (
  store: CatalogueStore,
  weighings: WeighingService,
  lots: LotService,
): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/lots',
      summary: 'Lots of materials, newest first: the first of each is the one in use',
      answer: Type.Array(Lot),
    },
    () => lots.all(),
  ),
  endpoint(
    {
      method: 'post',
      path: '/materials/:id/lots',
      summary: 'A lot of a material is begun: from now on it is the one in use',
      body: LotInput,
      answer: Type.Array(Lot),
      status: 201,
    },
    ({ params, body }) => lots.open(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'get',
      path: '/catalogue',
      summary: 'Garments, materials and machines of the shop, house methods and prices',
      answer: Catalogue,
    },
    () => store.read(),
  ),
  endpoint(
    {
      method: 'get',
      path: '/laydowns',
      summary: 'What inks and powders lay down, by assumption and by weighing',
      answer: Type.Array(LaydownFit),
    },
    () => weighings.fits(),
  ),
  endpoint(
    {
      method: 'post',
      path: '/lines/:id/weighings',
      summary: 'A print of a line weighed before and after ink or powder was laid on',
      body: WeighingInput,
      answer: Type.Array(LaydownFit),
      status: 201,
    },
    ({ params, body }) => weighings.weigh(params.id ?? '', body),
  ),
];
