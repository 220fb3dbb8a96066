import type { FromHost, Port, ToHost } from '@saltflat/core/task';
import type { Readable, Writable } from 'node:stream';
import { readFrames, writeFrame } from './frames.ts';

type Message = ToHost | FromHost;
/** Where a message holds what is asked or answered. */
type Held = { input?: unknown; answer?: unknown };

/**
 * A way between two processes for what is said about tasks. Bytes in what is asked or answered, under `bytes`, travel beside
 * the words and are never copied into text.
 */
export function framePort<Sent extends Message, Heard extends Message>(
  from: Readable,
  to: Writable,
): Port<Sent, Heard> {
  let writing: Promise<unknown> = Promise.resolve();
  return {
    send: (message) => {
      const { said, bytes } = apart(message);
      // one after the other; where the other side is gone, its death says so
      writing = writing.then(() => writeFrame(to, { said, bytes })).catch(() => undefined);
    },
    listen: (hear) => {
      const read = async (): Promise<void> => {
        for await (const { said, bytes } of readFrames(from)) hear(together(said as Heard, bytes)); // written by our own program
      };
      read().catch(() => undefined); // it ended: whoever waits hears of that
    },
  };
}

const NOTHING = Buffer.alloc(0);

function apart(message: Message): { said: object; bytes: Buffer } {
  const key = heldIn(message);
  const held = key && ((message as Held)[key] as { bytes?: unknown } | undefined);
  if (!key || !held || !(held.bytes instanceof Uint8Array)) return { said: message, bytes: NOTHING };
  const { bytes, ...words } = held;
  const { buffer, byteOffset, byteLength } = bytes;
  return { said: { ...message, [key]: words }, bytes: Buffer.from(buffer, byteOffset, byteLength) };
}

function together<M extends Message>(said: M, bytes: Buffer): M {
  const key = heldIn(said);
  if (!key) return said;
  return { ...said, [key]: { ...((said as Held)[key] as object), bytes } };
}

const heldIn = ({ say }: Message): keyof Held | null =>
  say === 'start' ? 'input' : say === 'answer' ? 'answer' : null;
