import type { Response } from 'express';

/** Sends a paper to be kept under its name; made anew each time it is asked for. */
export function sendPdf(res: Response, { name, bytes }: { name: string; bytes: Buffer }): void {
  res.attachment(name).type('application/pdf').set('Cache-Control', 'no-store').end(bytes);
}
