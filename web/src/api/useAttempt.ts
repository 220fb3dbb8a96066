import { useCallback, useState } from 'react';
import { problemMessage } from './problemMessage.ts';

/** How a request ended: what it gave, or why it was refused. */
export interface Sent<T> {
  data?: T;
  error?: unknown;
}

interface Refused {
  at: string;
  words: string;
  again: () => void;
}

/** What a `Refusal` shows of one thing that can be done. */
export interface RefusalProps {
  words: string;
  onRetry?: () => void;
  isRetrying: boolean;
}

export interface Attempt {
  /**
   * Sends something. Refused, it is told at that place, and can be tried again by one press.
   *
   * @param at names what is pressed, so that a refusal appears there
   * @param then done with what came back
   */
  make: <T>(at: string, send: () => Promise<Sent<T>>, then?: (data: T) => void) => Promise<void>;
  /** What is to be told where `at` is pressed. */
  refusal: (at: string) => RefusalProps;
  isBusy: (at: string) => boolean;
}

/** Things that are sent from one part of the page, and what became of the last of them. */
export function useAttempt(): Attempt {
  const [refused, setRefused] = useState<Refused | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const make = useCallback(async function make<T>(
    at: string,
    send: () => Promise<Sent<T>>,
    then?: (data: T) => void,
  ): Promise<void> {
    setBusy(at);
    const { data, error } = await send();
    setBusy(null);
    setRefused(error ? { at, words: problemMessage(error), again: () => void make(at, send, then) } : null);
    if (!error) then?.(data as T); // what is not refused gives what it promises
  }, []);
  return {
    make,
    refusal: (at) =>
      refused?.at === at
        ? { words: refused.words, onRetry: refused.again, isRetrying: busy === at }
        : { words: '', isRetrying: false },
    isBusy: (at) => busy === at,
  };
}
