import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { setPriority } from 'node:os';
import { fileURLToPath } from 'node:url';
import { DomainError } from '@saltflat/contract';
import type { ProblemCode } from '@saltflat/contract';
import { HostDied, TaskClient, TaskFailed } from '@saltflat/core/task';
import type { FromHost, HostPort, InputOf, ToHost } from '@saltflat/core/task';
import type { Readable, Writable } from 'node:stream';
import { programBeside } from '../programBeside.ts';
import { framePort } from './framePort.ts';
import type { PictureAnswer, PictureKind, PictureTasks } from './pictureTasks.ts';

const LOOK_MS = 100;
const BEHIND_OTHERS = 10; // niceness: whoever asks for a page goes first
const HEAP_MB = 700;
/** By the clock it may take so many times what it may take of a processor: on a busy machine it waits for others; this finds one that stands still. */
const STANDS_STILL = 10;
/** A picture of a stranger is read here: of all that the server knows, nothing but where programs and fonts are. */
const HANDED_ON = ['PATH', 'HOME', 'LANG', 'TMPDIR', 'XDG_CACHE_HOME', 'XDG_CONFIG_HOME', 'FONTCONFIG_PATH'];

/** What one task may take. */
export interface TaskLimits {
  /** Time of a processor, s. */
  seconds: number;
  memoryMb: number;
}

/** A process died under a task, and nobody had stopped it. */
export class ChildDied extends Error {
  override readonly name = 'ChildDied';
}

/** A process that reads and draws pictures: whatever is in one, it ends when it takes too long or too much. */
export class PictureChild {
  private readonly child: ChildProcess;
  private readonly client: TaskClient<PictureTasks>;
  isGone = false;

  constructor() {
    const { url, isSource } = programBeside(import.meta.url, 'pictureProcess');
    this.child = spawn(
      process.execPath,
      [`--max-old-space-size=${HEAP_MB}`, ...(isSource ? ['--import', 'tsx'] : []), fileURLToPath(url)],
      {
        stdio: ['pipe', 'pipe', 'ignore'],
        env: {
          ...Object.fromEntries(
            HANDED_ON.flatMap((name) => (name in process.env ? [[name, process.env[name]]] : [])),
          ),
          NODE_ENV: 'production',
          MALLOC_ARENA_MAX: '2', // memory goes back to the system
          UV_THREADPOOL_SIZE: '2',
        },
      },
    );
    this.child.stdin?.on('error', () => (this.isGone = true)); // it ended while it was written to
    // one process, one host: whether another is tried is for the pool to say
    this.client = new TaskClient<PictureTasks>(() => this.asHost(), { mostDeaths: 1 });
    if (this.child.pid !== undefined) lowerPriority(this.child.pid);
  }

  /**
   * @param onProgress told the share done, 0–1
   * @throws DomainError as the process says, or `picture-too-heavy`; {@link ChildDied}
   */
  async run<K extends PictureKind>(
    kind: K,
    input: InputOf<PictureTasks[K]> & { name: string },
    { limits, onProgress }: { limits: TaskLimits; onProgress?: (share: number) => void },
  ): Promise<PictureAnswer<K>> {
    let why: string | null = null;
    const stopWatching = this.watch(limits, (own) => {
      why = own;
      this.stop();
    });
    try {
      return await this.client.ask(kind, input, onProgress).answer;
    } catch (error) {
      if (error instanceof TaskFailed) throw failure(error);
      if (!(error instanceof HostDied)) throw error;
      if (why === null) throw new ChildDied(error.message, { cause: error });
      throw tooHeavy(input.name, why, error);
    } finally {
      stopWatching();
    }
  }

  private asHost(): HostPort {
    const { stdin, stdout } = this.child;
    return {
      ...framePort<ToHost, FromHost>(stdout as Readable, stdin as Writable), // both are pipes
      onDeath: (die) => {
        const gone = (why: string): void => {
          this.isGone = true;
          die(why);
        };
        this.child
          .on('error', ({ message }) => gone(message))
          .on('exit', (code, signal) => gone(`it ended with ${signal ?? String(code)}`));
        if (this.child.exitCode !== null || this.child.signalCode !== null) gone('it has ended already');
      },
      end: () => this.stop(),
    };
  }

  stop(): void {
    this.isGone = true;
    this.child.kill('SIGKILL');
  }

  private watch({ seconds, memoryMb }: TaskLimits, over: (why: string) => void): () => void {
    const { pid } = this.child;
    const begunMs = performance.now();
    const before = pid === undefined ? null : usage(pid);
    const timer = setInterval(() => {
      const now = pid === undefined ? null : usage(pid);
      const clock = (performance.now() - begunMs) / 1000;
      const taken = now && before ? now.seconds - before.seconds : clock;
      if (taken > seconds || clock > STANDS_STILL * seconds)
        over(`takes more than ${Math.round(seconds)} s to draw`);
      else if (now && now.memoryMb > memoryMb) over(`takes more than ${memoryMb} MB of memory to draw`);
    }, LOOK_MS);
    return () => clearInterval(timer);
  }
}

/** What the process itself refuses, and what nobody foresaw. */
const failure = ({ failure: name, code, message }: TaskFailed): Error =>
  name === 'DomainError' && code !== null
    ? new DomainError(code as ProblemCode, message) // the process knows the same codes
    : new Error(`a picture could not be worked on: ${message}`);

/** @param why it was let go, as the end of a sentence about it */
export const tooHeavy = (name: string, why: string, cause: unknown): DomainError =>
  new DomainError(
    'picture-too-heavy',
    `“${name}” ${why}. Export the art as a PNG at the size it is printed.`,
    {},
    { cause },
  );

function lowerPriority(pid: number): void {
  try {
    setPriority(pid, BEHIND_OTHERS);
  } catch {
    // it has ended already
  }
}

const TICKS_A_SECOND = 100; // USER_HZ, the same on every Linux
const PAGE_MB = 4096 / 1024 / 1024;

/** Time of a processor and memory a process has taken, as Linux tells; `null` elsewhere, or once it is gone. */
function usage(pid: number): { seconds: number; memoryMb: number } | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'latin1');
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' '); // the third field on
    const [user, system, pages] = [fields[11], fields[12], fields[21]].map(Number);
    return {
      seconds: ((user ?? 0) + (system ?? 0)) / TICKS_A_SECOND,
      memoryMb: (pages ?? 0) * PAGE_MB,
    };
  } catch {
    return null;
  }
}
