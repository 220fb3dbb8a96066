// npm run restore FILE: puts a backup in place of what the shop holds now, all or nothing; the server may be running.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { SERVER_ARGS, ensureBuilt } from './lib/build.mjs';
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
  await ensureBuilt();
  restoreBeside(url, source);
  say(`The shop is as it was in ${source}`);
});

/** Restores into a new database and puts it in the place of the old one: until all of it is there, nothing changes. */
function restoreBeside(url, source) {
  const { pathname } = new URL(url);
  const name = pathname.slice(1);
  const [fresh, former] = [`${name}_restored_${process.pid}`, `${name}_former_${process.pid}`];
  const at = (database) => Object.assign(new URL(url), { pathname: `/${database}` }).href;
  const ask = (sql) => tool('psql', ['-X', '-q', '-v', 'ON_ERROR_STOP=1', '-d', at('postgres'), '-c', sql]);
  refuseFailed(ask(`create database "${fresh}"`));
  const restored = tool('pg_restore', ['--exit-on-error', '--no-owner', `--dbname=${at(fresh)}`, source]);
  if (restored.status !== 0) {
    ask(`drop database "${fresh}"`);
    refuseFailed(restored);
  }
  const upToDate = migrate(at(fresh));
  if (upToDate.status !== 0) {
    ask(`drop database "${fresh}"`);
    refuseFailed(upToDate);
  }
  // the server's connections break off here; it connects again by itself
  const close = (database) =>
    ask(
      `alter database "${database}" allow_connections false; select pg_terminate_backend(pid) from pg_stat_activity where datname = '${database}'`,
    );
  refuseFailed(close(name));
  const renamed = ask(`alter database "${name}" rename to "${former}"`);
  if (renamed.status !== 0) {
    ask(`alter database "${name}" allow_connections true; drop database "${fresh}"`);
    refuseFailed(renamed);
  }
  refuseFailed(ask(`alter database "${fresh}" rename to "${name}"`));
  ask(`drop database "${former}"`);
}

/** Brings a database that an earlier version made into the shape the server knows. */
function migrate(url) {
  const env = {
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: url,
    SALTFLAT_ROLE: 'migrator',
    LOG_LEVEL: 'fatal',
  };
  return spawnSync(process.execPath, SERVER_ARGS, { encoding: 'utf8', env });
}

function tool(name, args) {
  return spawnSync(join(findBinaries(), name), args, { encoding: 'utf8' });
}

function refuseFailed({ status, stderr }) {
  if (status !== 0)
    throw new Plain(`Nothing was restored, the shop is as it was: ${stderr.trim().split('\n').pop()}`);
}
