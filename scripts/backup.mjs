// npm run backup FILE: the whole shop, pictures included, into one file; while it is running.
import { spawnSync } from 'node:child_process';
import { join, resolve } from 'node:path';
import { shopHome } from './lib/places.mjs';
import { findBinaries, runningUrl } from './lib/postgres.mjs';
import { Plain, run, say } from './lib/say.mjs';

await run(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Plain('Say where the backup goes: npm run backup FILE');
  const url = runningUrl(shopHome());
  if (!url) throw new Plain('The shop’s database is not running. Start it with npm start, then back up.');
  const target = resolve(process.env.INIT_CWD ?? '.', file);
  const { status, stderr } = spawnSync(
    join(findBinaries(), 'pg_dump'),
    ['--format=custom', `--file=${target}`, url],
    { encoding: 'utf8' },
  );
  if (status !== 0) throw new Plain(`The backup failed: ${stderr.trim().split('\n').pop()}`);
  say(`The shop is backed up in ${target}`);
});
