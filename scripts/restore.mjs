// npm run restore FILE: puts a backup in place of what the shop holds now, all or nothing; the server may be running.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { SERVER_ARGS, ensureBuilt } from './lib/build.mjs';
import { shopHome } from './lib/places.mjs';
import { DATABASE, runningCluster } from './lib/postgres.mjs';
import { Plain, run, say } from './lib/say.mjs';

await run(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Plain('Say which backup: npm run restore FILE');
  const source = resolve(process.env.INIT_CWD ?? '.', file);
  if (!existsSync(source)) throw new Plain(`There is no file ${source}`);
  const cluster = runningCluster(shopHome());
  if (!cluster) throw new Plain('The shop’s database is not running. Start it with npm start, then restore.');
  await ensureBuilt();
  restoreBeside(cluster, source);
  say(`The shop is as it was in ${source}`);
});

/** Restores into a new database and puts it in the place of the old one: until all of it is there, nothing changes. */
function restoreBeside(cluster, source) {
  const [fresh, former] = [`${DATABASE}_restored_${process.pid}`, `${DATABASE}_former_${process.pid}`];
  const drop = () => cluster.ask('postgres', `drop database if exists "${fresh}"`);
  cluster.ask('postgres', `create database "${fresh}"`);
  try {
    refuseFailed(
      cluster.tool('pg_restore', [
        '--exit-on-error',
        '--no-owner',
        '--no-privileges',
        `--dbname=${fresh}`,
        source,
      ]),
    );
    cluster.handOver(fresh);
    refuseFailed(migrate(cluster, fresh));
  } catch (error) {
    drop();
    throw error;
  }
  // the server's connections break off here; it connects again by itself
  cluster.ask(
    'postgres',
    `alter database "${DATABASE}" allow_connections false;
     select pg_terminate_backend(pid) from pg_stat_activity where datname = '${DATABASE}'`,
  );
  try {
    cluster.ask('postgres', `alter database "${DATABASE}" rename to "${former}"`);
  } catch (error) {
    cluster.ask('postgres', `alter database "${DATABASE}" allow_connections true`);
    drop();
    throw error;
  }
  cluster.ask('postgres', `alter database "${fresh}" rename to "${DATABASE}"`);
  cluster.ask('postgres', `drop database "${former}"`);
}

/** Brings a database that an earlier version made into the shape the server knows. */
function migrate(cluster, database) {
  const env = {
    ...process.env,
    ...cluster.programEnv,
    NODE_ENV: 'production',
    DATABASE_URL: cluster.programUrl(database),
    SALTFLAT_ROLE: 'migrator',
    LOG_LEVEL: 'fatal',
  };
  return spawnSync(process.execPath, SERVER_ARGS, { encoding: 'utf8', env });
}

function refuseFailed({ status, stderr }) {
  if (status !== 0)
    throw new Plain(`Nothing was restored, the shop is as it was: ${stderr.trim().split('\n').pop()}`);
}
