import { PlanComing, strictObject } from '@saltflat/contract';
import type { Response } from 'express';
import { Type } from 'typebox';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { PAPERS, PAPER_S, sendPdf } from '../../pdf/index.ts';
import type { PlanFiles } from './planFiles.ts';

const DayQuery = strictObject({
  date: Type.String({ title: 'Day', pattern: '^[0-9]{4}-[0-9]{2}-[0-9]{2}$', help: 'a day as 2026-06-03' }),
  paper: Type.Optional(Type.Enum([...PAPERS], { title: 'Paper' })),
});

export const planFileEndpoints = (files: PlanFiles): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/plan/coming',
      summary: 'Hands the plan that is kept still needs today, and when somebody is there',
      answer: PlanComing,
    },
    () => files.coming(),
  ),
  endpoint(
    {
      method: 'get',
      path: '/plan/machines/:id/work.ics',
      summary: 'What is planned on a machine, as a calendar to subscribe to',
      answer: file('text/calendar'),
    },
    async ({ params, res }) => sendCalendar(res, await files.machine(params.id ?? '')),
  ),
  endpoint(
    {
      method: 'get',
      path: '/plan/people/:name/work.ics',
      summary: 'What takes hands while somebody is there, as a calendar to subscribe to',
      textParams: true,
      answer: file('text/calendar'),
    },
    async ({ params, res }) => sendCalendar(res, await files.person(params.name ?? '')),
  ),
  endpoint(
    {
      method: 'get',
      path: '/plan/day.pdf',
      summary: 'A day as it is planned, a page for each station',
      query: DayQuery,
      answer: file('application/pdf'),
      patienceS: PAPER_S,
    },
    async ({ query, res }) => sendPdf(res, await files.day(query.date, query.paper ?? 'a4')),
  ),
];

function sendCalendar(res: Response, text: string): void {
  res.type('text/calendar; charset=utf-8').set('Cache-Control', 'no-store').end(text);
}
