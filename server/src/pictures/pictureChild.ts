import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { setPriority } from 'node:os';
import { fileURLToPath } from 'node:url';
import { DomainError } from '@saltflat/contract';
import type { ProblemCode } from '@saltflat/contract';
import type { Readable, Writable } from 'node:stream';
import { readFrames, writeFrame } from './frames.ts';
import type { Frame } from './frames.ts';
import type { PictureTask, Reply } from './tasks.ts';

const LOOK_MS = 100;
const BEHIND_OTHERS = 10; // niceness: whoever asks for a page goes first
const HEAP_MB = 700;
/** Read from source in tests, from the bundle otherwise. */
const IS_SOURCE = import.meta.url.endsWith('.ts');
const PROGRAM = fileURLToPath(
  new URL(IS_SOURCE ? './pictureProcess.ts' : './pictureProcess.js', import.meta.url),
);
/** A picture of a stranger is read here: of all that the server knows, nothing but where programs and fonts are. */
const HANDED_ON = ['PATH', 'HOME', 'LANG', 'TMPDIR', 'XDG_CACHE_HOME', 'XDG_CONFIG_HOME', 'FONTCONFIG_PATH'];

/** What one task may take. */
export interface TaskLimits {
  /** Time of a processor, s; three times as long by the clock. */
  seconds: number;
  memoryMb: number;
}

/** A process that reads and draws pictures: whatever is in one, it ends when it takes too long or too much. */
export class PictureChild {
  private readonly child: ChildProcess;
  private readonly replies: AsyncGenerator<Frame>;
  isGone = false;

  constructor() {
    this.child = spawn(
      process.execPath,
      [`--max-old-space-size=${HEAP_MB}`, ...(IS_SOURCE ? ['--import', 'tsx'] : []), PROGRAM],
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
    const gone = (): void => {
      this.isGone = true;
    };
    this.child.on('error', gone).on('exit', gone);
    this.child.stdin?.on('error', gone); // it ended while it was written to
    this.replies = readFrames(this.child.stdout as Readable); // both are pipes
    if (this.child.pid !== undefined) lowerPriority(this.child.pid);
  }

  /** @throws DomainError as the process says, or `picture-too-heavy` */
  async run(
    task: PictureTask,
    bytes: Buffer,
    limits: TaskLimits,
  ): Promise<{ answer: object; bytes: Buffer }> {
    let why: string | null = null;
    const stopWatching = this.watch(limits, (own) => {
      why = own;
      this.stop();
    });
    try {
      await writeFrame(this.child.stdin as Writable, { said: task, bytes });
      const next = await this.replies.next();
      if (next.done) throw new Error('it ended');
      const reply = next.value.said as Reply; // written by our own program
      if (!reply.ok) throw refusal(reply);
      return { answer: reply.answer, bytes: next.value.bytes };
    } catch (error) {
      if (error instanceof DomainError || !this.isOver()) throw error;
      throw new DomainError(
        'picture-too-heavy',
        `“${task.name}” ${why ?? 'could not be drawn: it takes more memory than there is for it'}. Export the art as a PNG at the size it is printed.`,
        {},
        { cause: error },
      );
    } finally {
      stopWatching();
    }
  }

  stop(): void {
    this.isGone = true;
    this.child.kill('SIGKILL');
  }

  private isOver(): boolean {
    return this.isGone || this.child.exitCode !== null || this.child.signalCode !== null;
  }

  private watch({ seconds, memoryMb }: TaskLimits, over: (why: string) => void): () => void {
    const { pid } = this.child;
    const begunMs = performance.now();
    const before = pid === undefined ? null : usage(pid);
    const timer = setInterval(() => {
      const now = pid === undefined ? null : usage(pid);
      const clock = (performance.now() - begunMs) / 1000;
      const taken = now && before ? now.seconds - before.seconds : clock;
      if (taken > seconds || clock > 3 * seconds) over(`takes more than ${Math.round(seconds)} s to draw`);
      else if (now && now.memoryMb > memoryMb) over(`takes more than ${memoryMb} MB of memory to draw`);
    }, LOOK_MS);
    return () => clearInterval(timer);
  }
}

/** The process's own errors, and what nobody foresaw. */
const refusal = ({ code, message }: { code: string; message: string }): Error =>
  code === 'internal'
    ? new Error(`a picture could not be worked on: ${message}`)
    : new DomainError(code as ProblemCode, message); // the process knows the same codes

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
