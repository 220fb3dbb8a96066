import { Job } from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { JobService } from './jobService.ts';

interface Needs {
  jobs: JobService;
  /** @throws DomainError where there is no such line */
  findLine: (lineId: string) => Promise<unknown>;
}

export const jobEndpoints = ({ jobs, findLine }: Needs): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/lines/:id/job',
      summary:
        'How far the art of a line’s prints is measured, or was the last time; nothing where it was done at once',
      answer: Type.Object({ job: Type.Union([Job, Type.Null()]) }, { additionalProperties: false }),
    },
    async ({ params }) => {
      const lineId = params.id ?? '';
      await findLine(lineId);
      return { job: await jobs.find('measure-line', lineId) };
    },
  ),
];
