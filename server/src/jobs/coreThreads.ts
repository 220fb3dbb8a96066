import { Worker } from 'node:worker_threads';
import { DomainError } from '@saltflat/contract';
import { HostDied, TaskClient } from '@saltflat/core/task';
import type { AnswerOf, FromHost, HostPort, InputOf } from '@saltflat/core/task';
import { programBeside } from '../programBeside.ts';
import type { CoreTasks } from './coreTasks.ts';

const HEAP_MB = 256;
/** More than a handful at once means that nobody waits for the first any more. */
const MOST_WAITING = 40;

/** The core's heavy work in a thread beside the one that answers; one that dies is replaced and its work begun again. */
export interface CoreThreads {
  /** @throws DomainError `busy` where too much waits already, or where the work ended its thread twice */
  run: <K extends keyof CoreTasks>(kind: K, input: InputOf<CoreTasks[K]>) => Promise<AnswerOf<CoreTasks[K]>>;
  stop: () => void;
}

export function createCoreThreads(open: () => HostPort = openThread): CoreThreads {
  const client = new TaskClient<CoreTasks>(open, { mostDeaths: 2 });
  return {
    run: async (kind, input) => {
      if (client.busy >= MOST_WAITING)
        throw new DomainError('busy', 'More is being worked out than can wait. Try again in a moment.');
      try {
        return await client.ask(kind, input).answer;
      } catch (error) {
        if (!(error instanceof HostDied)) throw error;
        throw new DomainError(
          'busy',
          'This took more memory than there is for it. Try again in a moment.',
          {},
          { cause: error },
        );
      }
    },
    stop: () => client.end(),
  };
}

function openThread(): HostPort {
  const limits = { resourceLimits: { maxOldGenerationSizeMb: HEAP_MB } };
  const { url, isSource } = programBeside(import.meta.url, 'coreThread');
  const worker = isSource
    ? new Worker(
        // the thread has to learn to read it first
        `import('tsx/esm/api').then(({ register }) => { register(); return import(${JSON.stringify(url.href)}); })`,
        { ...limits, eval: true },
      )
    : new Worker(url, limits);
  worker.unref(); // nobody waits for it where the program ends
  return {
    send: (message) => worker.postMessage(message),
    listen: (hear) => worker.on('message', (message: FromHost) => hear(message)), // from our own program
    onDeath: (die) => {
      worker.on('error', (error) => die(error instanceof Error ? error.message : String(error)));
      worker.on('exit', (code) => die(`the thread ended with ${code}`));
    },
    end: () => void worker.terminate(),
  };
}
