/** What is said to a host of tasks. Plain objects: they go between threads, processes and machines alike. */
export type ToHost =
  | { say: 'start'; id: number; kind: string; input: unknown }
  /** Enough: give the best there is. */
  | { say: 'stop'; id: number }
  /** Forget it. */
  | { say: 'cancel'; id: number };

/** What a host says back. */
export type FromHost =
  | { say: 'progress'; id: number; share: number }
  /** The best there is by now, of work that tells. */
  | { say: 'so-far'; id: number; answer: unknown }
  | { say: 'answer'; id: number; how: 'done' | 'stopped'; answer: unknown }
  | { say: 'cancelled'; id: number }
  /** `code`: what the error calls itself to programs, where it does. */
  | { say: 'failed'; id: number; name: string; code: string | null; message: string };

/** One end of the way between a host and whoever asks it: a worker, a thread, a process, or a call. */
export interface Port<Sent, Heard> {
  /** @param moves what is handed over rather than copied, where that can be done */
  send: (message: Sent, moves?: readonly object[]) => void;
  listen: (hear: (message: Heard) => void) => void;
}

/** A host seen from outside: it can die. */
export interface HostPort extends Port<ToHost, FromHost> {
  /** @param die told once, with why */
  onDeath: (die: (why: string) => void) => void;
  end: () => void;
}
