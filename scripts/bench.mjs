// npm run bench [-- api | film | heat | lists | pixels | plan | spray]: one JSON line a case, each with what it is measured against or its budget.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { SERVER_ARGS, ensureBuilt } from './lib/build.mjs';
import { ensureChromium } from './lib/chromium.mjs';
import { ROOT, testHome } from './lib/places.mjs';
import { openCluster } from './lib/postgres.mjs';
import { Plain, run } from './lib/say.mjs';
import { startDemoServer } from './lib/testServer.mjs';

const node = (file, env = {}) =>
  spawnSync(process.execPath, ['--expose-gc', '--import', 'tsx', join(ROOT, 'bench', file)], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  }).status ?? 1;

await run(async () => {
  const [what = 'all'] = process.argv.slice(2);
  if (!['all', 'api', 'film', 'heat', 'lists', 'pixels', 'plan', 'spray'].includes(what))
    throw new Plain(
      `There is no bench “${what}”: it is api, film, heat, lists, pixels, plan, spray, or nothing for all of them.`,
    );
  const isAsked = (name) => what === 'all' || what === name;
  const fail = (code) => (process.exitCode = Math.max(process.exitCode ?? 0, code));
  if (isAsked('pixels')) fail(node('pixels.ts'));
  if (isAsked('film')) fail(node('film.ts'));
  if (isAsked('heat')) fail(node('heat.ts'));
  if (isAsked('plan')) fail(node('plan.ts'));
  if (isAsked('spray')) fail(node('spray.ts'));
  if (['pixels', 'film', 'heat', 'plan', 'spray'].includes(what)) return;
  const home = testHome();
  const cluster = await openCluster({ home, isThrowaway: true });
  try {
    await ensureBuilt();
    if (isAsked('lists')) {
      ensureChromium();
      const server = await startDemoServer(cluster, { log: join(home, 'server.log') });
      fail(node('lists.ts', { BENCH_URL: server.url }));
      await server.stop();
    }
    if (isAsked('api'))
      fail(
        node('api.ts', {
          BENCH_DATABASE: cluster.url,
          BENCH_POSTGRES: cluster.bin,
          BENCH_SERVER: JSON.stringify(SERVER_ARGS),
        }),
      );
  } finally {
    cluster.stop();
  }
});
