import type { FromHost, HostPort, ToHost } from './protocol.ts';
import type { AnswerOf, InputOf, Tasks } from './task.ts';

/** A task that was cancelled has no answer. */
export class TaskCancelled extends Error {
  override readonly name = 'TaskCancelled';
}

/** The host of a task died, again and again. */
export class HostDied extends Error {
  override readonly name = 'HostDied';
}

/** A task failed where it was run. */
export class TaskFailed extends Error {
  override readonly name = 'TaskFailed';
  /** Name of the error there, and what it calls itself to programs. */
  readonly failure: string;
  readonly code: string | null;
  constructor({ name, code, message }: { name: string; code: string | null; message: string }) {
    super(message);
    this.failure = name;
    this.code = code;
  }
}

/** A task that was asked for. */
export interface Asked<Answer> {
  /** @throws TaskCancelled, TaskFailed or HostDied */
  answer: Promise<Answer>;
  /** Enough: the best it has becomes the answer. */
  stop: () => void;
  cancel: () => void;
}

interface Open {
  message: Extract<ToHost, { say: 'start' }>;
  /** Hosts that died while it was under way. */
  deaths: number;
  onProgress: (share: number) => void;
  onSoFar: (answer: unknown) => void;
  settle: (end: { answer: unknown } | { error: Error }) => void;
}

export interface ClientOptions {
  /** A task under way when so many hosts died is not begun again: it may be why. */
  mostDeaths?: number;
  /** Said to whoever waits then. */
  diedWords?: (why: string) => string;
}

/**
 * Asks a host for tasks, by its kinds. A host is made when it is first needed; one that dies is replaced, and what was under
 * way is begun again there, unless hosts keep dying under it.
 */
export class TaskClient<T extends Tasks> {
  private readonly make: () => HostPort;
  private readonly mostDeaths: number;
  private readonly diedWords: (why: string) => string;
  private host: HostPort | null = null;
  private readonly open = new Map<number, Open>();
  private last = 0;

  constructor(make: () => HostPort, { mostDeaths = 2, diedWords = (why) => why }: ClientOptions = {}) {
    this.make = make;
    this.mostDeaths = mostDeaths;
    this.diedWords = diedWords;
  }

  /** How many tasks are under way. */
  get busy(): number {
    return this.open.size;
  }

  /**
   * Begins a task.
   *
   * @param onProgress told the share done, 0–1; from the beginning again where its host died
   * @param onSoFar told the best there is, by tasks that tell
   */
  ask<K extends keyof T & string>(
    kind: K,
    input: InputOf<T[K]>,
    onProgress: (share: number) => void = () => undefined,
    onSoFar: (answer: AnswerOf<T[K]>) => void = () => undefined,
  ): Asked<AnswerOf<T[K]>> {
    const id = ++this.last;
    const message = { say: 'start', id, kind, input } as const;
    const answer = new Promise<AnswerOf<T[K]>>((resolve, reject) => {
      const settle: Open['settle'] = (end) => {
        this.open.delete(id);
        if ('error' in end) reject(end.error);
        else resolve(end.answer as AnswerOf<T[K]>); // the host's tasks are of these kinds
      };
      const hearSoFar = (own: unknown): void => onSoFar(own as AnswerOf<T[K]>);
      this.open.set(id, { message, deaths: 0, onProgress, onSoFar: hearSoFar, settle });
    });
    this.port().send(message);
    const say = (what: 'stop' | 'cancel') => (): void => {
      if (this.open.has(id)) this.host?.send({ say: what, id });
    };
    return { answer, stop: say('stop'), cancel: say('cancel') };
  }

  /** Lets the host go; whatever is under way is cancelled. */
  end(): void {
    this.host?.end();
    this.host = null;
    for (const own of [...this.open.values()])
      own.settle({ error: new TaskCancelled('The work was put away before it was done.') });
  }

  private port(): HostPort {
    if (this.host) return this.host;
    const host = this.make();
    this.host = host;
    host.listen((message) => this.hear(message));
    host.onDeath((why) => {
      if (this.host !== host) return; // let go by ourselves
      this.host = null;
      this.beginAgain(why);
    });
    return host;
  }

  private hear(message: FromHost): void {
    const own = this.open.get(message.id);
    if (own === undefined) return;
    switch (message.say) {
      case 'progress':
        own.onProgress(message.share);
        break;
      case 'so-far':
        own.onSoFar(message.answer);
        break;
      case 'answer':
        own.settle({ answer: message.answer });
        break;
      case 'cancelled':
        own.settle({ error: new TaskCancelled('The work was cancelled.') });
        break;
      case 'failed':
        own.settle({ error: new TaskFailed(message) });
    }
  }

  private beginAgain(why: string): void {
    for (const own of [...this.open.values()]) {
      own.deaths++;
      if (own.deaths >= this.mostDeaths) own.settle({ error: new HostDied(this.diedWords(why)) });
      else this.port().send(own.message);
    }
  }
}
