// npm run bench [-- api | pixels]: one JSON line a case, each with what it is measured against or its budget.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { SERVER_ARGS, ensureBuilt } from './lib/build.mjs';
import { ROOT, testHome } from './lib/places.mjs';
import { openCluster } from './lib/postgres.mjs';
import { Plain, run } from './lib/say.mjs';

const node = (file, env = {}) =>
  spawnSync(process.execPath, ['--expose-gc', '--import', 'tsx', join(ROOT, 'bench', file)], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  }).status ?? 1;

await run(async () => {
  const [what = 'all'] = process.argv.slice(2);
  if (!['all', 'api', 'pixels'].includes(what))
    throw new Plain(`There is no bench “${what}”: it is api, pixels, or nothing for both.`);
  if (what !== 'api') process.exitCode = node('pixels.ts');
  if (what === 'pixels') return;
  const cluster = await openCluster({ home: testHome(), isThrowaway: true });
  try {
    await ensureBuilt();
    process.exitCode = node('api.ts', {
      BENCH_DATABASE: cluster.url,
      BENCH_POSTGRES: cluster.bin,
      BENCH_SERVER: JSON.stringify(SERVER_ARGS),
    });
  } finally {
    cluster.stop();
  }
});
