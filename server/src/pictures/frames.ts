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

/** Reads one message after the other, until there are no more. What comes is put where it belongs as it comes. */
export async function* readFrames(from: Readable): AsyncGenerator<Frame> {
  let filling = new Filling(HEAD_BYTES);
  let sizes: [text: number, bytes: number] | null = null;
  for await (const chunk of from as AsyncIterable<Buffer>) {
    let rest = chunk;
    for (;;) {
      rest = filling.take(rest);
      if (!filling.isFull) break;
      const { buffer } = filling;
      if (sizes === null) {
        sizes = [buffer.readUInt32LE(0), buffer.readUInt32LE(4)];
        filling = new Filling(sizes[0] + sizes[1]);
        continue;
      }
      const [text] = sizes;
      sizes = null;
      filling = new Filling(HEAD_BYTES);
      yield { said: JSON.parse(buffer.toString('utf8', 0, text)) as unknown, bytes: buffer.subarray(text) };
    }
  }
}

/** A buffer of known length that is being filled. */
class Filling {
  readonly buffer: Buffer;
  private at = 0;

  constructor(length: number) {
    this.buffer = Buffer.allocUnsafeSlow(length);
  }

  get isFull(): boolean {
    return this.at === this.buffer.length;
  }

  /** Takes what fits, and gives back what does not. */
  take(chunk: Buffer): Buffer {
    const count = chunk.copy(this.buffer, this.at);
    this.at += count;
    return chunk.subarray(count);
  }
}
