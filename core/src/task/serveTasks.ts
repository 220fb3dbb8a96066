import type { FromHost, Port, ToHost } from './protocol.ts';
import { runTask } from './runTask.ts';
import type { Running, Wish } from './runTask.ts';
import type { Tasks } from './task.ts';

/** The clock and the pauses of the thread that tasks live in. */
export type Pacing = Required<Pick<Running, 'pause' | 'now'>> & Pick<Running, 'everyMs'>;

/** Progress is told this often at most, ms: more is not seen. */
const TELL_MS = 50;

/**
 * Hosts tasks at the end of a port: begins what is asked for, tells how far it is, hears a stop or a cancel between two
 * steps, and answers. Tasks that run at once take turns.
 */
export function serveTasks(port: Port<FromHost, ToHost>, tasks: Tasks, pacing: Pacing): void {
  const wishes = new Map<number, Wish>();
  port.listen((message) => {
    const { id } = message;
    if (message.say !== 'start') {
      if (wishes.has(id)) wishes.set(id, message.say);
      return;
    }
    wishes.set(id, 'go-on');
    void begin(message).finally(() => wishes.delete(id));
  });

  async function begin({ id, kind, input }: Extract<ToHost, { say: 'start' }>): Promise<void> {
    const task = tasks[kind];
    let toldAt = -Infinity;
    try {
      if (task === undefined) throw new Error(`there is no task “${kind}” here`);
      const end = await runTask<unknown, unknown, unknown>(task, input, {
        ...pacing,
        wish: () => wishes.get(id) ?? 'cancel',
        onProgress: (share) => {
          if (share < 1 && pacing.now() - toldAt < TELL_MS) return;
          toldAt = pacing.now();
          port.send({ say: 'progress', id, share });
        },
        ...(task.isTelling ? { onSoFar: (answer) => port.send({ say: 'so-far', id, answer }) } : {}),
      });
      if (end.how === 'cancelled') port.send({ say: 'cancelled', id });
      else port.send({ say: 'answer', id, ...end }, task.moves?.(end.answer));
    } catch (error) {
      const { name, message, code } = (error instanceof Error ? error : new Error(String(error))) as Error & {
        code?: unknown;
      };
      port.send({ say: 'failed', id, name, code: typeof code === 'string' ? code : null, message });
    }
  }
}
