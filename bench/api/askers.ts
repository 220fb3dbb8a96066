import { Agent, request } from 'node:http';

export interface Answer {
  status: number;
  bytes: number;
  body: Buffer;
  ms: number;
}

/** Several clients that each ask again as soon as they are answered, over connections that stay open. */
export class Askers {
  private readonly agent: Agent;
  private readonly base: URL;

  constructor(base: string, count: number) {
    this.base = new URL(base);
    this.agent = new Agent({ keepAlive: true, maxSockets: count });
  }

  ask(path: string, sent?: object): Promise<Answer> {
    const from = performance.now();
    const text = sent === undefined ? null : JSON.stringify(sent);
    return new Promise((resolve, reject) => {
      const own = request(
        {
          agent: this.agent,
          host: this.base.hostname,
          port: this.base.port,
          path: `/api/v1${path}`,
          method: text === null ? 'GET' : 'POST',
          headers:
            text === null
              ? {}
              : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) },
        },
        (res) => {
          const chunks: Buffer[] = [];
          res.on('data', (chunk: Buffer) => chunks.push(chunk));
          res.on('end', () => {
            const body = Buffer.concat(chunks);
            resolve({ status: res.statusCode ?? 0, bytes: body.length, body, ms: performance.now() - from });
          });
        },
      );
      own.on('error', reject);
      own.end(text);
    });
  }

  /** Reads a stream to its end without keeping it. */
  drain(path: string): Promise<Pick<Answer, 'status' | 'bytes' | 'ms'>> {
    const from = performance.now();
    return new Promise((resolve, reject) => {
      const own = request(
        { agent: this.agent, host: this.base.hostname, port: this.base.port, path: `/api/v1${path}` },
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

  /** Times of so many questions asked by so many clients at once, ms, sorted. */
  async times(
    paths: readonly string[],
    clients: number,
    count: number,
  ): Promise<{ sorted: number[]; bytes: number }> {
    const times: number[] = [];
    let asked = 0;
    let bytes = 0;
    const client = async (): Promise<void> => {
      while (asked < count) {
        const path = paths[asked++ % paths.length] ?? '';
        const answer = await this.ask(path);
        if (answer.status !== 200)
          throw new Error(`${path} was answered ${answer.status}: ${answer.body.toString().slice(0, 300)}`);
        times.push(answer.ms);
        bytes = Math.max(bytes, answer.bytes);
      }
    };
    await Promise.all(Array.from({ length: clients }, client));
    return { sorted: times.sort((p, q) => p - q), bytes };
  }

  stop(): void {
    this.agent.destroy();
  }
}
