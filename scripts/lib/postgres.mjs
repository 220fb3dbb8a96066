import { execFileSync, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import {
  chmodSync,
  chownSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { Plain, say } from './say.mjs';
import { isRoot, makeHome } from './places.mjs';

const ROLE = 'saltflat';
const DATABASE = 'saltflat';
const PORT_TRIES = 5;

/** Folder of initdb, pg_ctl and the rest; installs Debian's package when there is none. */
export function findBinaries() {
  const found = searchBinaries();
  if (found) return found;
  installServer();
  const installed = searchBinaries();
  if (!installed)
    throw new Plain(
      'PostgreSQL was installed, but its programs are not where Debian puts them (/usr/lib/postgresql).',
    );
  return installed;
}

function searchBinaries() {
  const base = '/usr/lib/postgresql';
  const versions = existsSync(base) ? readdirSync(base).sort((p, q) => Number(q) - Number(p)) : [];
  const folders = [
    ...versions.map((version) => join(base, version, 'bin')),
    ...(process.env.PATH ?? '').split(':'),
  ];
  return (
    folders.find((folder) =>
      ['initdb', 'pg_ctl', 'postgres', 'pg_dump', 'pg_restore'].every((name) =>
        existsSync(join(folder, name)),
      ),
    ) ?? null
  );
}

function installServer() {
  const prefix = isRoot ? [] : ['sudo', '-n'];
  if (!isRoot && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status !== 0) {
    throw new Plain(
      'PostgreSQL is not installed. Ask whoever looks after this machine to run: apt-get install postgresql',
    );
  }
  say('Installing PostgreSQL …');
  if (isRoot && !existsSync('/etc/postgresql-common/createcluster.conf')) {
    mkdirSync('/etc/postgresql-common', { recursive: true });
    writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n'); // the shop has a cluster of its own
  }
  const apt = (...words) => {
    const [command, ...args] = [
      ...prefix,
      'env',
      'DEBIAN_FRONTEND=noninteractive',
      'apt-get',
      '-qq',
      '-o',
      'Dpkg::Options::=--force-confold',
      ...words,
    ];
    return spawnSync(command, args, { stdio: ['ignore', 'ignore', 'pipe'], encoding: 'utf8' });
  };
  apt('update');
  const { status, stderr } = apt('install', '-y', '--no-install-recommends', 'postgresql');
  if (status !== 0) throw new Plain(`PostgreSQL could not be installed: ${lastLine(stderr)}`);
}

/**
 * Opens a private cluster, making it on first use. Safe to call from two processes at once.
 *
 * @param home its folder
 * @param isThrowaway no fsync and no password: for tests alone
 * @returns url of its database, and stop(), which stops the cluster only if this call started it
 */
export async function openCluster({ home, isThrowaway }) {
  const bin = findBinaries();
  makeHome(home);
  const account = isRoot ? postgresAccount() : null;
  const release = await takeLock(join(home, 'lock'));
  try {
    const data = join(home, 'data');
    const password = isThrowaway ? null : keepPassword(join(home, 'password'));
    if (!existsSync(join(data, 'PG_VERSION'))) initialise({ bin, home, data, account, password });
    const running = runningPort(data);
    const port = running ?? (await startServer({ bin, home, data, account, isThrowaway }));
    const url = `postgresql://${ROLE}${password ? `:${password}` : ''}@127.0.0.1:${port}/${DATABASE}`;
    ensureDatabase(bin, url);
    return {
      url,
      bin,
      data,
      isOurs: running === null,
      stop: () => stopServer({ bin, data, account }),
      isRunning: () => runningPort(data) !== null,
      // where it was before: whoever is connected knows no other port
      revive: () => startServer({ bin, home, data, account, isThrowaway, port }),
    };
  } finally {
    release();
  }
}

/** Address of the shop's running database, for backup and restore; `null` when it is not running. */
export function runningUrl(home) {
  const port = runningPort(join(home, 'data'));
  if (port === null) return null;
  return `postgresql://${ROLE}:${readFileSync(join(home, 'password'), 'utf8').trim()}@127.0.0.1:${port}/${DATABASE}`;
}

function postgresAccount() {
  const line = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((entry) => entry.startsWith('postgres:'));
  if (!line)
    throw new Plain('There is no user “postgres” on this machine, and PostgreSQL will not run as root.');
  const [, , uid, gid] = line.split(':');
  return { uid: Number(uid), gid: Number(gid) };
}

function keepPassword(file) {
  if (!existsSync(file)) {
    writeFileSync(file, `${randomBytes(24).toString('base64url')}\n`, { mode: 0o600 });
  }
  chmodSync(file, 0o600);
  return readFileSync(file, 'utf8').trim();
}

/** Makes the cluster beside its place and moves it there whole, so that a killed start leaves nothing half made. */
function initialise({ bin, home, data, account, password }) {
  for (const name of readdirSync(home))
    if (name.startsWith('new.')) rmSync(join(home, name), { recursive: true, force: true });
  const fresh = join(home, `new.${process.pid}`);
  const passwordFile = join(home, `new.${process.pid}.password`);
  mkdirSync(fresh, { mode: 0o700 });
  if (account) chownSync(fresh, account.uid, account.gid);
  const auth = password === null ? ['--auth=trust'] : ['--auth=scram-sha-256', `--pwfile=${passwordFile}`];
  if (password !== null) {
    writeFileSync(passwordFile, `${password}\n`, { mode: 0o600 });
    if (account) chownSync(passwordFile, account.uid, account.gid);
  }
  const args = [
    '-D',
    fresh,
    '-U',
    ROLE,
    '-E',
    'UTF8',
    '--locale=C.UTF-8',
    ...auth,
    ...(password === null ? ['--no-sync'] : []),
  ];
  const { status, stderr } = spawnSync(join(bin, 'initdb'), args, { ...account, cwd: '/', encoding: 'utf8' });
  rmSync(passwordFile, { force: true });
  if (status !== 0) {
    rmSync(fresh, { recursive: true, force: true });
    throw new Plain(`The database could not be created in ${home}: ${plainReason(stderr)}`);
  }
  renameSync(fresh, data);
}

/** Port of a live server on this data folder, or null. A dead one's files are passed over. */
function runningPort(data) {
  try {
    const [pid, , , port, , , , status] = readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n');
    return isAlive(Number(pid)) && (status ?? 'ready').trim().startsWith('ready') ? Number(port) : null;
  } catch {
    return null;
  }
}

/** Asks /proc, since a dead process nobody has waited for still answers a signal. */
function isAlive(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return !['Z', 'X'].includes(stat.slice(stat.lastIndexOf(')') + 2)[0]);
  } catch {
    return false;
  }
}

async function startServer({ bin, home, data, account, isThrowaway, port: wanted }) {
  const log = join(data, 'server.log');
  let reason = '';
  for (let attempt = 0; attempt < PORT_TRIES; attempt++) {
    const port = wanted ?? (await freePort());
    const options = [
      '-p',
      String(port),
      '-c',
      'listen_addresses=127.0.0.1',
      '-c',
      "unix_socket_directories=''",
      '-c',
      `fsync=${isThrowaway ? 'off' : 'on'}`,
      '-c',
      'max_connections=60',
      '-c',
      'shared_buffers=256MB', // years of orders with their indexes stay in memory
    ];
    const { status } = spawnSync(
      join(bin, 'pg_ctl'),
      ['start', '-w', '-t', '60', '-D', data, '-l', log, '-o', options.join(' ')],
      { ...account, cwd: '/', stdio: 'ignore' },
    );
    if (status === 0) return port;
    reason = existsSync(log) ? plainReason(readFileSync(log, 'utf8')) : 'no reason was given';
    if (!/in use/.test(reason)) break;
  }
  throw new Plain(`The database in ${home} does not start: ${reason}`);
}

function stopServer({ bin, data, account }) {
  spawnSync(join(bin, 'pg_ctl'), ['stop', '-w', '-m', 'fast', '-D', data], {
    ...account,
    cwd: '/',
    stdio: 'ignore',
  });
}

function ensureDatabase(bin, url) {
  const admin = url.replace(/\/[^/]*$/, '/postgres');
  const ask = (sql) =>
    execFileSync(join(bin, 'psql'), ['-X', '-q', '-A', '-t', '-d', admin, '-c', sql], {
      encoding: 'utf8',
    }).trim();
  if (ask(`select 1 from pg_database where datname = '${DATABASE}'`) !== '1')
    ask(`create database ${DATABASE}`);
}

function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.on('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

/** One opener at a time; a lock whose holder is dead is taken over. */
async function takeLock(file) {
  for (let tries = 0; tries < 600; tries++) {
    try {
      writeFileSync(file, String(process.pid), { flag: 'wx' });
      return () => rmSync(file, { force: true });
    } catch (error) {
      if (error.code === 'ENOSPC') throw new Plain('The disk is full: free some space, then start again.');
      if (error.code !== 'EEXIST') throw error;
    }
    const holder = Number(readOrNothing(file));
    const ageMs = Date.now() - (statSync(file, { throwIfNoEntry: false })?.mtimeMs ?? Date.now());
    if ((holder > 0 && !isAlive(holder)) || (holder === 0 && ageMs > 5000)) rmSync(file, { force: true });
    else await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Plain(
    'Another start of Saltflat has held the database for two minutes. Stop it, then start again.',
  );
}

function readOrNothing(file) {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}

const lastLine = (text) => text.trim().split('\n').pop() ?? '';

function plainReason(text) {
  if (/No space left/.test(text)) return 'the disk is full. Free some space, then start again.';
  const fatal = text
    .split('\n')
    .reverse()
    .find((line) => /FATAL|error:|could not/i.test(line));
  return (fatal ?? lastLine(text)).replace(/^.*?(FATAL|error):\s*/i, '');
}
