import { useEffect, useState } from 'react';

/** While a value is slid the thread is the trace's: this waits until the hand rests, ms. */
const ASKED_AFTER_MS = 250;

/** Asks whenever what is asked about changes, and drops answers that come too late. */
export function useAnswer<A>(ask: () => Promise<A>, about: readonly unknown[]): A | null {
  const [answer, setAnswer] = useState<A | null>(null);
  useEffect(() => {
    let isGone = false;
    const timer = setTimeout(() => {
      ask().then(
        (found) => !isGone && setAnswer(found),
        () => undefined, // the story of the same route says what is wrong
      );
    }, ASKED_AFTER_MS);
    return () => {
      isGone = true;
      clearTimeout(timer);
    };
  }, about);
  return answer;
}
