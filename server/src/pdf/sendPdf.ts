import type { Response } from 'express';

/** So long somebody waits for a paper at most, s: the thread that writes it may have to open first, on a machine that has more to do. */
export const PAPER_S = 60;

/** Sends a paper to be kept under its name; made anew each time it is asked for. */
export function sendPdf(res: Response, { name, bytes }: { name: string; bytes: Buffer }): void {
  res.attachment(name).type('application/pdf').set('Cache-Control', 'no-store').end(bytes);
}
