import type { Readable, Writable } from 'node:stream';
import { once } from 'node:events';

const HEAD_BYTES = 8;

/** A message between processes: something to say, and bytes along with it, which are never copied into text. */
export interface Frame {
  said: unknown;
  bytes: Buffer;
}

/** Writes a message and waits until it is on its way. */
export async function writeFrame(out: Writable, { said, bytes }: Frame): Promise<void> {
  const text = Buffer.from(JSON.stringify(said));
  const head = Buffer.alloc(HEAD_BYTES);
  head.writeUInt32LE(text.length, 0);
  head.writeUInt32LE(bytes.length, 4);
  out.write(head);
  out.write(text);
  if (bytes.length > 0 && !out.write(bytes)) await once(out, 'drain');
}

/** Reads one message after the other, until there are no more. */
export async function* readFrames(from: Readable): AsyncGenerator<Frame> {
  let parts: Buffer[] = [];
  let length = 0;
  const take = (count: number): Buffer => {
    const whole = Buffer.concat(parts, length);
    parts = [whole.subarray(count)];
    length -= count;
    return whole.subarray(0, count);
  };
  let sizes: [text: number, bytes: number] | null = null;
  for await (const chunk of from as AsyncIterable<Buffer>) {
    parts.push(chunk);
    length += chunk.length;
    for (;;) {
      if (sizes === null) {
        if (length < HEAD_BYTES) break;
        const head = take(HEAD_BYTES);
        sizes = [head.readUInt32LE(0), head.readUInt32LE(4)];
      }
      const [text, bytes] = sizes;
      if (length < text + bytes) break;
      const whole = take(text + bytes);
      sizes = null;
      yield {
        said: JSON.parse(whole.toString('utf8', 0, text)) as unknown,
        bytes: Buffer.from(whole.subarray(text)),
      };
    }
  }
}
