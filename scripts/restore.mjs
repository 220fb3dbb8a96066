// npm run restore FILE: puts a backup in place of what the shop holds now, all or nothing; the server may be running.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { shopHome } from './lib/places.mjs';
import { findBinaries, runningUrl } from './lib/postgres.mjs';
import { Plain, run, say } from './lib/say.mjs';

await run(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Plain('Say which backup: npm run restore FILE');
  const source = resolve(process.env.INIT_CWD ?? '.', file);
  if (!existsSync(source)) throw new Plain(`There is no file ${source}`);
  const url = runningUrl(shopHome());
  if (!url) throw new Plain('The shop’s database is not running. Start it with npm start, then restore.');
  const bin = findBinaries();
  const args = [
    '--clean',
    '--if-exists',
    '--single-transaction',
    '--exit-on-error',
    `--dbname=${url}`,
    source,
  ];
  const { status, stderr } = spawnSync(join(bin, 'pg_restore'), args, { encoding: 'utf8' });
  if (status !== 0)
    throw new Plain(`Nothing was restored, the shop is as it was: ${stderr.trim().split('\n').pop()}`);
  spawnSync(join(bin, 'psql'), [
    '-X',
    '-q',
    '-d',
    url,
    '-c',
    `notify saltflat, '{"kind":"changed","noun":"everything","id":""}'`,
  ]);
  say(`The shop is as it was in ${source}`);
});
