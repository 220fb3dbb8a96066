import { Catalogue } from '@saltflat/contract';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { CatalogueStore } from './catalogueStore.ts';

export const catalogueEndpoints = (store: CatalogueStore): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/catalogue',
      summary: 'Customers, garments, materials and machines of the shop',
      answer: Catalogue,
    },
    () => store.read(),
  ),
];
