import { FilmPrinter, PlatenMove, PrinterDrive, PrinterJobInput } from '@saltflat/contract';
import { Type } from 'typebox';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { PrinterService } from './printerService.ts';

const jobEndpoints = (printers: PrinterService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/printers',
      summary: 'Printers of film: what each prints, what waits, its ink',
      answer: Type.Array(FilmPrinter),
    },
    () => printers.list(),
  ),
  endpoint(
    {
      method: 'post',
      path: '/printer-jobs',
      summary: 'Send a step’s film to its printer',
      body: PrinterJobInput,
      answer: FilmPrinter,
      status: 201,
    },
    ({ body }) => printers.send(body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/printers/:id/jobs/:jobId/cancel',
      summary: 'Take a job out of the queue, or stop it where it is',
      answer: FilmPrinter,
    },
    ({ params }) => printers.cancel(params.id ?? '', params.jobId ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/printers/:id/clear',
      summary: 'Say that what went wrong was looked at: the queue goes on',
      answer: FilmPrinter,
    },
    ({ params }) => printers.clear(params.id ?? ''),
  ),
];

const deviceEndpoints = (printers: PrinterService): Endpoint[] => [
  endpoint(
    {
      method: 'post',
      path: '/printers/:id/pattern',
      summary: 'Print the test pattern of its nozzles',
      answer: FilmPrinter,
    },
    ({ params }) => printers.printPattern(params.id ?? ''),
  ),
  endpoint(
    { method: 'post', path: '/printers/:id/clean', summary: 'Clean the heads', answer: FilmPrinter },
    ({ params }) => printers.clean(params.id ?? ''),
  ),
  endpoint(
    {
      method: 'post',
      path: '/printers/:id/platen',
      summary: 'Move the platen up or down',
      body: PlatenMove,
      answer: FilmPrinter,
    },
    ({ params, body }) => printers.movePlaten(params.id ?? '', body.by),
  ),
  endpoint(
    {
      method: 'post',
      path: '/printers/:id/drive',
      summary: 'Turn a simulated printer’s knobs',
      body: PrinterDrive,
      answer: FilmPrinter,
    },
    ({ params, body }) => printers.drive(params.id ?? '', body),
  ),
];

export const printerEndpoints = (printers: PrinterService): Endpoint[] => [
  ...jobEndpoints(printers),
  ...deviceEndpoints(printers),
];
