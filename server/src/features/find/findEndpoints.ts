import { FindQuery, Found } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { readFound } from './findReads.ts';

export const findEndpoints = (db: Database): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/find',
      summary: 'Lines and artworks that a few letters lead to; orders are found in their list',
      query: FindQuery,
      answer: Found,
    },
    ({ query }) => readFound(db, query.text),
  ),
];
