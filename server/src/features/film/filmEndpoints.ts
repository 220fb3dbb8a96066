import { FilmWaiting } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { readFilmWaiting } from './filmReads.ts';

export const filmEndpoints = (db: Database): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/film/waiting',
      summary: 'Transfers of lines that are ready for the floor, to be laid on film, soonest due first',
      answer: FilmWaiting,
    },
    () => readFilmWaiting(db),
  ),
];
