import { Piscina } from 'piscina';
import type { ArtJob } from '@saltflat/core/artwork';
import type { PixelAnswer, PixelTask, Plane } from './pixelTask.ts';

/** Worker threads for pixel work, so that no request waits behind it. */
export function createPixelPool() {
  const isSource = import.meta.url.endsWith('.ts'); // run from source in tests, from the bundle otherwise
  const pool = new Piscina({
    filename: new URL(isSource ? './pixelTask.ts' : './pixelTask.js', import.meta.url).href,
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 30_000,
    execArgv: isSource ? ['--import', 'tsx'] : [],
  });
  return {
    /** Figures of an artwork for a job and, if wanted, planes of it. */
    work: async (
      pixels: { data: Buffer; width: number; height: number },
      job: ArtJob,
      planes: readonly Plane[] | null = null,
    ): Promise<PixelAnswer> => {
      const data = new Uint8Array(pixels.data); // a buffer of its own, which can be moved
      const task: PixelTask = { data, width: pixels.width, height: pixels.height, job, planes };
      return (await pool.run(task, { transferList: [data.buffer] })) as PixelAnswer;
    },
    stop: () => pool.destroy(),
  };
}
