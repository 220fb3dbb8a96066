/** Remembers the last answer of a stage: it is worked out again only when what it hangs on has changed. */
export function keptStage<I, T>(work: (input: I) => Generator<void, T>): (input: I) => Generator<void, T> {
  let kept: { key: string; value: T } | null = null;
  return function* (input) {
    const key = JSON.stringify(input);
    if (kept?.key === key) return kept.value;
    kept = null; // frees the former answer before the next takes its room
    const value = yield* work(input);
    kept = { key, value };
    return value;
  };
}

/** Runs a generator to its end. */
export function finish<T>(work: Generator<unknown, T>): T {
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
  }
}

/** Lets a generator's pauses through as a growing share. */
export function* withShare<T>(work: Generator<unknown, T>, pauses: number): Generator<number, T> {
  for (let i = 1; ; i++) {
    const { done, value } = work.next();
    if (done) return value;
    yield i / (i + pauses / 4); // never quite one, however many there are
  }
}
