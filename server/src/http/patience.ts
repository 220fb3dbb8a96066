import { DomainError } from '@saltflat/contract';
import type { Response } from 'express';
import { Watch } from '../watch.ts';

/** Whoever asks for something ordinary waits so long at most, s: a database that does not move is told of before eight seconds are over. */
export const PATIENCE_S = 7;

/**
 * Waits for work for a time, what is spent on pictures left out. What is late goes on by itself, but nobody hears of it; an answer
 * that has begun to be sent is sent to its end.
 *
 * @throws DomainError `too-slow`
 */
export async function inTime<T>(seconds: number, res: Response, work: () => Promise<T>): Promise<T> {
  const watch = new Watch();
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_resolve, reject) => {
    const look = (): void => {
      const leftMs = seconds * 1000 - watch.countedMs();
      if (leftMs > 0) timer = setTimeout(look, Math.max(20, leftMs));
      else if (!res.headersSent) reject(tooSlow(seconds));
    };
    look();
  });
  const own = watch.run(work);
  own.catch(() => undefined); // after the time is over nobody asks what became of it
  try {
    return await Promise.race([own, late]);
  } finally {
    clearTimeout(timer);
  }
}

const tooSlow = (seconds: number): DomainError =>
  new DomainError(
    'too-slow',
    `This was not done within ${seconds} s, and it is not known whether it still will be. What you entered is still on your screen: look whether it is there, then try again.`,
  );
