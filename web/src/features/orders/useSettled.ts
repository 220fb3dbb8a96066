import { useEffect, useState } from 'react';

/** The value once it has stayed the same for a while, so that nothing is asked at every key; the first one at once. */
export function useSettled<T>(value: T, ms: number): T {
  const [settled, setSettled] = useState(value);
  const key = JSON.stringify(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), settled === null ? 0 : ms);
    return () => clearTimeout(timer);
    // compared by content: a new object of the same content is the same question
  }, [key, ms]);
  return JSON.stringify(settled) === key ? value : settled;
}
