/** How far a task has come. */
export interface Step {
  /** Share of the work done, 0–1; of work that can always be made better, of what it meant to do. */
  share: number;
  /** Nothing more can be made better. */
  isDone: boolean;
}

/**
 * Heavy work as something that is begun, made better in small steps, and asked for the best it has. It knows nothing of
 * threads: whoever runs it decides when it pauses, stops and where it lives.
 */
export interface Task<Input, State, Answer> {
  /** May wait for what it needs, pixels for example. */
  start: (input: Input) => State | Promise<State>;
  /** Goes on for a moment, some milliseconds: progress is told and a stop is heard between two of these. */
  improve: (state: State) => Step | Promise<Step>;
  /** The best it has by now; `null` while it has nothing to show. */
  answer: (state: State) => Answer | null;
  /** Whoever waits is told its best while it runs: each answer is then an object of its own, the same as long as nothing is better. */
  isTelling?: true;
  /** What of an answer is handed over rather than copied, where threads can do that: buffers, pictures. */
  moves?: (answer: Answer) => readonly object[];
}

/** Tasks of a host by the kinds they are asked for. */
// any: each task has types of its own, which are read off it again by InputOf and AnswerOf
// eslint-disable-next-line @typescript-eslint/no-explicit-any
export type Tasks = Record<string, Task<any, any, any>>;
export type InputOf<T> = T extends Task<infer Input, infer _State, infer _Answer> ? Input : never;
export type AnswerOf<T> = T extends Task<infer _Input, infer _State, infer Answer> ? Answer : never;

interface Walk<Answer> {
  steps: Generator<number, Answer>;
  answer: Answer | null;
}

/** A task out of a generator that yields the share done and returns the answer: it has none before it is done. */
export const taskOf = <Input, Answer>(
  begin: (input: Input) => Generator<number, Answer> | Promise<Generator<number, Answer>>,
  moves?: (answer: Answer) => readonly object[],
): Task<Input, Walk<Answer>, Answer> => ({
  start: async (input) => ({ steps: await begin(input), answer: null }),
  improve: (state) => {
    const next = state.steps.next();
    if (next.done !== true) return { share: next.value, isDone: false };
    state.answer = next.value;
    return { share: 1, isDone: true };
  },
  answer: ({ answer }) => answer,
  ...(moves ? { moves } : {}),
});

/** A task out of a generator that yields ever better answers, of which the last stands; how far it is nobody knows. */
export const improving = <Input, Answer>(
  begin: (input: Input) => Generator<Answer, void>,
): Task<Input, { steps: Generator<Answer, void>; answer: Answer | null }, Answer> => ({
  start: (input) => ({ steps: begin(input), answer: null }),
  improve: (state) => {
    const next = state.steps.next();
    if (next.done === true) return { share: 1, isDone: true };
    state.answer = next.value;
    return { share: 0, isDone: false };
  },
  answer: ({ answer }) => answer,
  isTelling: true,
});

/** A task that is done in one go: for what takes a moment, but belongs where the heavy work is. */
export const atOnce = <Input, Answer>(
  work: (input: Input) => Answer | Promise<Answer>,
  moves?: (answer: Answer) => readonly object[],
): Task<Input, { input: Input; answer: Answer | null }, Answer> => ({
  start: (input) => ({ input, answer: null }),
  improve: async (state) => {
    state.answer = await work(state.input);
    return { share: 1, isDone: true };
  },
  answer: ({ answer }) => answer,
  ...(moves ? { moves } : {}),
});
