import { request } from 'node:http';
import { connect } from 'node:net';
import type { Socket } from 'node:net';

export interface Answer {
  status: number;
  bytes: number;
  body: Buffer;
  ms: number;
}

const HEAD_END = Buffer.from('\r\n\r\n');

/**
 * One client on a connection that stays open, asking one thing at a time. By hand, since clients share the server's two cores
 * here, where a shop's do not: Node's own client costs a sixth of what the server has to do.
 */
class Asker {
  private readonly socket: Socket;
  private chunks: Buffer[] = [];
  private answered: ((answer: Omit<Answer, 'ms'>) => void) | null = null;
  private broken: ((error: Error) => void) | null = null;

  constructor(private readonly base: URL) {
    this.socket = connect(Number(base.port), base.hostname);
    this.socket.setNoDelay(true);
    this.socket.on('data', (chunk) => this.take(chunk));
    this.socket.on('error', (error) => this.broken?.(error));
    this.socket.on('close', () => this.broken?.(new Error('the server closed the connection')));
  }

  async ask(path: string, sent?: object): Promise<Answer> {
    const from = performance.now();
    const text = sent === undefined ? '' : JSON.stringify(sent);
    const head =
      text === ''
        ? `GET /api/v1${path} HTTP/1.1\r\nhost: ${this.base.host}\r\n\r\n`
        : `POST /api/v1${path} HTTP/1.1\r\nhost: ${this.base.host}\r\ncontent-type: application/json\r\ncontent-length: ${Buffer.byteLength(text)}\r\n\r\n`;
    const answer = await new Promise<Omit<Answer, 'ms'>>((resolve, reject) => {
      this.answered = resolve;
      this.broken = reject;
      this.socket.write(head + text);
    });
    return { ...answer, ms: performance.now() - from };
  }

  stop(): void {
    this.broken = null;
    this.socket.destroy();
  }

  /** Puts an answer together; all that is asked this way is answered with its length. */
  private take(chunk: Buffer): void {
    this.chunks.push(chunk);
    const [first = chunk] = this.chunks;
    if (this.chunks.length === 2 && first.indexOf(HEAD_END) < 0) this.chunks = [Buffer.concat(this.chunks)];
    const [start = chunk] = this.chunks;
    const headEnd = start.indexOf(HEAD_END);
    if (headEnd < 0) return;
    const head = start.toString('latin1', 0, headEnd);
    const length = Number(/\r\ncontent-length: (\d+)/i.exec(head)?.[1] ?? Number.NaN);
    const wanted = headEnd + HEAD_END.length + length;
    if (Number.isNaN(wanted)) return this.broken?.(new Error(`an answer without its length: ${head}`));
    if (this.chunks.reduce((sum, own) => sum + own.length, 0) < wanted) return;
    const body = Buffer.concat(this.chunks).subarray(headEnd + HEAD_END.length, wanted);
    this.chunks = [];
    this.answered?.({ status: Number(head.slice(9, 12)), bytes: length, body });
  }
}

/** Several clients that each ask again as soon as they are answered. */
export class Askers {
  private readonly base: URL;
  private readonly all: Asker[];

  constructor(base: string, count: number) {
    this.base = new URL(base);
    this.all = Array.from({ length: count }, () => new Asker(this.base));
  }

  /** One question, by one of them. */
  ask(path: string, sent?: object): Promise<Answer> {
    const [one] = this.all;
    if (!one) throw new Error('there is nobody to ask');
    return one.ask(path, sent);
  }

  /** Reads a stream to its end without keeping it. */
  drain(path: string): Promise<Pick<Answer, 'status' | 'bytes' | 'ms'>> {
    const from = performance.now();
    return new Promise((resolve, reject) => {
      const own = request(
        { host: this.base.hostname, port: this.base.port, path: `/api/v1${path}` },
        (res) => {
          let bytes = 0;
          res.on('data', (chunk: Buffer) => (bytes += chunk.length));
          res.on('end', () => resolve({ status: res.statusCode ?? 0, bytes, ms: performance.now() - from }));
        },
      );
      own.on('error', reject);
      own.end();
    });
  }

  /** Times of so many questions asked by all of them at once, ms, sorted. */
  async times(paths: readonly string[], count: number): Promise<{ sorted: number[]; bytes: number }> {
    const times: number[] = [];
    let asked = 0;
    let bytes = 0;
    const keepAsking = async (one: Asker): Promise<void> => {
      while (asked < count) {
        const path = paths[asked++ % paths.length] ?? '';
        const answer = await one.ask(path);
        if (answer.status !== 200)
          throw new Error(`${path} was answered ${answer.status}: ${answer.body.toString().slice(0, 300)}`);
        times.push(answer.ms);
        bytes = Math.max(bytes, answer.bytes);
      }
    };
    await Promise.all(this.all.map(keepAsking));
    return { sorted: times.sort((p, q) => p - q), bytes };
  }

  stop(): void {
    for (const one of this.all) one.stop();
  }
}
