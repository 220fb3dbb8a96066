// npm run restore FILE: puts a backup in place of what the shop holds now, all or nothing; the server may be running.
// npm run restore -- --former: puts back what a restore took the place of.
import { createReadStream, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ensureBuilt } from './lib/build.mjs';
import { FORMER, noteFormer } from './lib/former.mjs';
import { shopHome } from './lib/places.mjs';
import { DATABASE, runningCluster } from './lib/postgres.mjs';
import { runProgram } from './lib/program.mjs';
import { Plain, run, say } from './lib/say.mjs';

const FRESH = `${DATABASE}_restored`;
/** What the program may not make is there already. */
const MADE_ALREADY = /^\d+; \d+ \d+ (SCHEMA|EXTENSION|COMMENT - (SCHEMA|EXTENSION)) /;

await run(async () => {
  const [file] = process.argv.slice(2);
  if (!file)
    throw new Plain(
      'Say which backup: npm run restore FILE; or what was there before: npm run restore -- --former',
    );
  const home = shopHome();
  const cluster = runningCluster(home);
  if (!cluster) throw new Plain('The shop’s database is not running. Start it with npm start, then restore.');
  if (file === '--former') {
    if (cluster.ask('postgres', `select 1 from pg_database where datname = '${FORMER}'`) !== '1')
      throw new Plain('There is no former shop: it is kept from a restore to the next backup.');
    exchange(cluster, FORMER);
    noteFormer(home);
    say('The shop is as it was before the last restore. The same command puts the restored one back.');
    return;
  }
  await ensureBuilt();
  const source = resolve(process.env.INIT_CWD ?? '.', file);
  await restoreBeside(cluster, source);
  exchange(cluster, FRESH);
  noteFormer(home);
  say(
    `The shop is as it was in ${source}. What was there before is kept until the next backup: npm run restore -- --former`,
  );
});

/** Restores into a new database, and looks whether all of it is there: until then nothing changes. */
async function restoreBeside(cluster, source) {
  const { manifest, start, end } = await runProgram('backup-check', { SALTFLAT_FILE: source });
  const drop = () => cluster.ask('postgres', `drop database if exists ${FRESH}`);
  drop(); // from a restore that was broken off
  cluster.ask('postgres', `create database ${FRESH}`);
  try {
    await fill(cluster, source, { start, end });
    refuseMissing(cluster, manifest.counts);
    const program = { ...cluster.programEnv, DATABASE_URL: cluster.programUrl(FRESH), SALTFLAT_DEMO: '0' };
    await runProgram('migrator', program);
    await runProgram('verifier', program);
  } catch (error) {
    drop();
    throw new Plain(`Nothing was restored, the shop is as it was: ${error.message}`);
  }
}

/** As the program, which may do no more than the program: a backup is a file of statements, whoever wrote it. */
async function fill(cluster, source, range) {
  cluster.handOver(FRESH); // schemas and the extension, which the program may not make
  const folder = mkdtempSync(join(tmpdir(), 'saltflat-restore-'));
  try {
    const all = await pgRestore(cluster, ['--list'], source, range);
    const list = join(folder, 'list');
    writeFileSync(
      list,
      all
        .split('\n')
        .filter((line) => !MADE_ALREADY.test(line))
        .join('\n'),
      { mode: 0o600 },
    );
    const how = [
      '--exit-on-error',
      '--no-owner',
      '--no-privileges',
      `--use-list=${list}`,
      `--dbname=${FRESH}`,
    ];
    await pgRestore(cluster, how, source, range);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function pgRestore(cluster, args, source, range) {
  const child = cluster.start('pg_restore', args);
  let [given, said] = ['', ''];
  child.stdout.on('data', (text) => (given += text));
  child.stderr.on('data', (text) => (said = `${said}${text}`.slice(-2000)));
  const ended = new Promise((done) => child.on('close', done));
  await pipeline(createReadStream(source, range), child.stdin).catch(() => undefined); // it says itself why it stopped
  if ((await ended) !== 0) throw new Plain(said.trim().split('\n').pop());
  return given;
}

/** Every table as full as the backup says. */
function refuseMissing(cluster, counts) {
  for (const [table, count] of Object.entries(counts)) {
    const found = Number(cluster.ask(FRESH, `select count(*) from ${table}`));
    if (found !== count) throw new Plain(`${table} has ${found} rows, the backup says ${count}.`);
  }
}

/**
 * Puts a database in the shop's place and the shop in its own as the former one, both at once or neither. Connections break off
 * here; a running server makes new ones by itself.
 */
function exchange(cluster, other) {
  const close = (name) =>
    `alter database ${name} allow_connections false;
     select pg_terminate_backend(pid) from pg_stat_activity where datname = '${name}';`;
  const aside = `${DATABASE}_aside`;
  try {
    if (other !== FORMER) cluster.ask('postgres', `drop database if exists ${FORMER}`);
    cluster.ask('postgres', `${close(DATABASE)} ${close(other)}`);
    // the sessions that were ended take a moment to be gone
    retry(() =>
      cluster.ask(
        'postgres',
        `begin;
         alter database ${DATABASE} rename to ${aside};
         alter database ${other} rename to ${DATABASE};
         alter database ${aside} rename to ${FORMER};
         commit;`,
      ),
    );
  } finally {
    cluster.ask('postgres', `alter database ${DATABASE} allow_connections true`);
  }
}

function retry(work) {
  for (let tries = 1; ; tries++)
    try {
      return work();
    } catch (error) {
      if (tries === 20) throw error;
      Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 250);
    }
}
