// npm run backup FILE: the whole shop, pictures included, into one file; while it is running.
import { join, resolve } from 'node:path';
import { ensureBuilt } from './lib/build.mjs';
import { dropFormer } from './lib/former.mjs';
import { shopHome } from './lib/places.mjs';
import { DATABASE, runningCluster } from './lib/postgres.mjs';
import { runProgram } from './lib/program.mjs';
import { Plain, run, say } from './lib/say.mjs';

await run(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Plain('Say where the backup goes: npm run backup FILE');
  const cluster = runningCluster(shopHome());
  if (!cluster) throw new Plain('The shop’s database is not running. Start it with npm start, then back up.');
  await ensureBuilt();
  const target = resolve(process.env.INIT_CWD ?? '.', file);
  const { counts, dumpBytes } = await runProgram('backup', {
    ...cluster.programEnv,
    DATABASE_URL: cluster.programUrl(DATABASE),
    SALTFLAT_PG_DUMP: join(cluster.bin, 'pg_dump'),
    SALTFLAT_FILE: target,
  });
  dropFormer(cluster, shopHome());
  const megabytes = (dumpBytes / 1024 / 1024).toFixed(1);
  say(
    `The shop is backed up in ${target}: ${counts.customer_order} orders, ${counts.run} runs, ${megabytes} MB, read back and whole.`,
  );
});
