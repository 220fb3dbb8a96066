import {
  Care,
  PlatenHeight,
  PlatenHeightInput,
  PrintStart,
  PrintStartInput,
  Upkeep,
  UpkeepDone,
  UpkeepInput,
  WithdrawnInput,
} from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { CareService } from './careService.ts';

const printEndpoints = (care: CareService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/care',
      summary: 'What printers need to begin: their newest check, and their platens by kind of garment',
      answer: Care,
    },
    () => care.printers(),
  ),
  endpoint(
    {
      method: 'get',
      path: '/machines/:id/print-starts',
      summary: 'Checks of a printer before its first prints, newest first',
      answer: Type.Array(PrintStart),
    },
    ({ params }) => care.starts(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/machines/:id/print-starts',
      summary: 'A printer was looked at before it prints',
      body: PrintStartInput,
      answer: PrintStart,
      status: 201,
    },
    ({ params, body }) => care.noteStart(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/machines/:id/platen-heights',
      summary: 'How high a platen was set for a kind of garment',
      body: PlatenHeightInput,
      answer: PlatenHeight,
      status: 201,
    },
    ({ params, body }) => care.noteHeight(params.id ?? '', body),
  ),
];

const upkeepEndpoints = (care: CareService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/upkeep',
      summary: 'Tasks of upkeep, how they stand, and what came of them',
      answer: Upkeep,
    },
    () => care.upkeep(),
  ),
  endpoint(
    {
      method: 'post',
      path: '/machines/:id/upkeep',
      summary: 'A task of upkeep was done, or left out on purpose',
      body: UpkeepInput,
      answer: UpkeepDone,
      status: 201,
    },
    ({ params, body }) => care.noteUpkeep(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/upkeep/:id/withdrawal',
      summary: 'A task that was noted is taken back, or given again',
      body: WithdrawnInput,
      answer: UpkeepDone,
    },
    ({ params, body }) => care.withdraw(params.id ?? '', body.isWithdrawn),
  ),
];

export const careEndpoints = (care: CareService): Endpoint[] => [
  ...printEndpoints(care),
  ...upkeepEndpoints(care),
];
