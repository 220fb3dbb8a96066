// npm run backup FILE: the whole shop, pictures included, into one file; while it is running.
import { chmodSync } from 'node:fs';
import { resolve } from 'node:path';
import { shopHome } from './lib/places.mjs';
import { DATABASE, runningCluster } from './lib/postgres.mjs';
import { Plain, run, say } from './lib/say.mjs';

await run(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Plain('Say where the backup goes: npm run backup FILE');
  const cluster = runningCluster(shopHome());
  if (!cluster) throw new Plain('The shop’s database is not running. Start it with npm start, then back up.');
  const target = resolve(process.env.INIT_CWD ?? '.', file);
  const { status, stderr } = cluster.tool('pg_dump', ['--format=custom', `--file=${target}`, DATABASE]);
  if (status !== 0) throw new Plain(`The backup failed: ${stderr.trim().split('\n').pop()}`);
  chmodSync(target, 0o600);
  say(`The shop is backed up in ${target}`);
});
