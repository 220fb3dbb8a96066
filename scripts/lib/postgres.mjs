import { spawn, spawnSync } from 'node:child_process';
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
import { basename, dirname, join } from 'node:path';
import { Plain, say } from './say.mjs';
import { isRoot, makeHome } from './places.mjs';

/** Makes and looks after databases; the program itself never has its password. */
const ADMIN = 'saltflat';
/** The program's own role: owns the tables of its database, and no more. */
const PROGRAM = 'saltflat_app';
export const DATABASE = 'saltflat';
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
 * @returns url of its database, without a password, and env, which has it; and stop(), which stops the cluster only if this call
 *   started it
 */
export async function openCluster({ home, isThrowaway }) {
  const bin = findBinaries();
  const account = isRoot ? postgresAccount() : null;
  makeHome(home, account);
  const release = await takeLock(join(home, 'lock'));
  try {
    const data = join(home, 'data');
    const password = isThrowaway ? null : keepPassword(join(home, 'password'));
    if (!existsSync(join(data, 'PG_VERSION'))) initialise({ bin, home, data, account, password });
    removeStalePid(data);
    const running = runningPort(data);
    const port = running ?? (await startServer({ bin, home, data, account, isThrowaway }));
    const access = { bin, port, password };
    const common = {
      bin,
      data,
      isOurs: running === null,
      stop: () => stopServer({ bin, data, account }),
      isRunning: () => runningPort(data) !== null,
      // where it was before: whoever is connected knows no other port
      revive: () => {
        removeStalePid(data);
        return startServer({ bin, home, data, account, isThrowaway, port });
      },
    };
    if (isThrowaway) {
      ensureDatabase(access);
      return { ...common, url: addressOf(ADMIN, port, DATABASE), env: {} };
    }
    const own = keepPassword(join(home, 'program-password'));
    ensureDatabase(access);
    ensureRole(access, own);
    handOver(access, DATABASE);
    return { ...common, url: addressOf(PROGRAM, port, DATABASE), env: { PGPASSWORD: own } };
  } finally {
    release();
  }
}

const addressOf = (role, port, database) => `postgresql://${role}@127.0.0.1:${port}/${database}`;

/** How the shop's running database is reached by whoever looks after it, for backup and restore; `null` when it is not running. */
export function runningCluster(home) {
  const data = join(home, 'data');
  const port = runningPort(data);
  if (port === null) return null;
  const access = { bin: findBinaries(), port, password: keepPassword(join(home, 'password')) };
  const programEnv = { PGPASSWORD: keepPassword(join(home, 'program-password')) };
  return {
    ...access,
    /** Runs one of PostgreSQL's programs. */
    tool: (name, args, input) => tool(access, name, args, input),
    /** Starts one of them as the program, to be written to as it reads. */
    start: (name, args) =>
      spawn(join(access.bin, name), ['-h', '127.0.0.1', '-p', String(port), '-U', PROGRAM, ...args], {
        env: { ...process.env, ...programEnv },
        stdio: ['pipe', 'pipe', 'pipe'],
      }),
    /** Runs statements; what they give comes back as text. */
    ask: (database, sql) => ask(access, database, sql),
    /** Gives all tables of a database to the program. */
    handOver: (database) => handOver(access, database),
    /** How the program reaches a database. */
    programUrl: (database) => addressOf(PROGRAM, port, database),
    programEnv,
  };
}

/** Passwords go by the environment and statements by standard input: arguments are read by everybody on the machine. */
function tool({ bin, port, password }, name, args, input = '') {
  return spawnSync(join(bin, name), ['-h', '127.0.0.1', '-p', String(port), '-U', ADMIN, ...args], {
    input,
    encoding: 'utf8',
    env: { ...process.env, ...(password === null ? {} : { PGPASSWORD: password }) },
  });
}

function ask(access, database, sql) {
  const args = ['-X', '-q', '-A', '-t', '-v', 'ON_ERROR_STOP=1', '-d', database];
  const { status, stdout, stderr } = tool(access, 'psql', args, sql);
  if (status !== 0) throw new Plain(`The database refused: ${lastLine(stderr)}`);
  return stdout.trim();
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

/** Made once; written beside its place, so that a power cut leaves no half of one. */
function keepPassword(file) {
  if (readOrNothing(file).trim() === '') {
    const fresh = join(dirname(file), `new.${process.pid}.${basename(file)}`);
    writeFileSync(fresh, `${randomBytes(24).toString('base64url')}\n`, { mode: 0o600, flush: true });
    renameSync(fresh, file);
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
    ADMIN,
    '-E',
    'UTF8',
    '--locale=C.UTF-8',
    ...auth,
    ...(password === null ? ['--no-sync'] : ['--data-checksums']),
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
  const file = readPid(data);
  return file && file.isReady && isServerOf(file.pid, data) ? file.port : null;
}

function readPid(data) {
  try {
    const [pid, , , port, , , , status] = readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n');
    return { pid: Number(pid), port: Number(port), isReady: (status ?? 'ready').trim().startsWith('ready') };
  } catch {
    return null;
  }
}

/** After a power cut the number may be that of any other process, and the server would not start for it. */
function removeStalePid(data) {
  const file = readPid(data);
  if (file && !isServerOf(file.pid, data)) rmSync(join(data, 'postmaster.pid'), { force: true });
}

/** Whether a process is the database server of this folder. */
function isServerOf(pid, data) {
  if (!isAlive(pid)) return false;
  const words = readOrNothing(`/proc/${pid}/cmdline`).split('\0');
  return words.some((word) => /(^|\/)postgres$/.test(word)) && words.includes(data);
}

/** Asks /proc, since a dead process nobody has waited for still answers a signal. */
function isAlive(pid) {
  return processStat(pid) !== null;
}

/** When a living process began, in ticks since the machine did; `null` where there is none. */
function processStat(pid) {
  const stat = readOrNothing(`/proc/${pid}/stat`);
  const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
  return stat === '' || ['Z', 'X'].includes(fields[0]) ? null : { began: fields[19] };
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
      '-c',
      'log_parameter_max_length_on_error=0', // what people typed stays out of its log
      '-c',
      'log_min_error_statement=panic',
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

function ensureDatabase(access) {
  if (ask(access, 'postgres', `select 1 from pg_database where datname = '${DATABASE}'`) !== '1')
    ask(access, 'postgres', `create database ${DATABASE}`);
  // closed by a restore that was broken off
  else ask(access, 'postgres', `alter database ${DATABASE} allow_connections true`);
}

/** The program's role, with the password it is given; it reaches its own database alone. */
function ensureRole(access, password) {
  ask(
    access,
    'postgres',
    `do $$ begin
       if not exists (select from pg_roles where rolname = '${PROGRAM}') then create role ${PROGRAM}; end if;
     end $$;
     alter role ${PROGRAM} login nosuperuser nocreatedb nocreaterole noreplication nobypassrls password '${password}';
     revoke connect on database postgres from public;
     revoke connect on database template1 from public;`,
  );
}

/**
 * Gives a database's schemas to the program: what they hold already, from when one role did everything or from a backup, with them.
 */
function handOver(access, database) {
  ask(
    access,
    database,
    `create extension if not exists pg_trgm;
     create schema if not exists pgboss;
     revoke all on database ${database} from public;
     grant connect on database ${database} to ${PROGRAM};
     do $$
     declare own record;
     begin
       for own in
         select 'schema ' || quote_ident(nspname) as what
           from pg_namespace where nspname in ('public', 'pgboss') and pg_get_userbyid(nspowner) <> '${PROGRAM}'
         union all
         select case relkind when 'v' then 'view ' when 'm' then 'materialized view ' when 'S' then 'sequence ' else 'table ' end
             || c.oid::regclass
           from pg_class c join pg_namespace n on n.oid = relnamespace
           where nspname in ('public', 'pgboss') and relkind in ('r', 'p', 'v', 'm', 'S')
             and pg_get_userbyid(relowner) <> '${PROGRAM}'
             and not exists (select from pg_depend d where d.objid = c.oid and d.classid = 'pg_class'::regclass and deptype in ('a', 'i', 'e') and refclassid in ('pg_class'::regclass, 'pg_extension'::regclass) and relkind = 'S')
         union all
         select 'routine ' || p.oid::regprocedure
           from pg_proc p join pg_namespace n on n.oid = pronamespace
           where nspname in ('public', 'pgboss') and pg_get_userbyid(proowner) <> '${PROGRAM}'
             and not exists (select from pg_depend d where d.objid = p.oid and d.classid = 'pg_proc'::regclass and deptype = 'e')
         union all
         select 'type ' || t.oid::regtype
           from pg_type t join pg_namespace n on n.oid = typnamespace
           where nspname in ('public', 'pgboss') and typtype in ('e', 'd') and pg_get_userbyid(typowner) <> '${PROGRAM}'
             and not exists (select from pg_depend d where d.objid = t.oid and d.classid = 'pg_type'::regclass and deptype = 'e')
       loop
         execute 'alter ' || own.what || ' owner to ${PROGRAM}';
       end loop;
     end $$;`,
  );
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

/** One opener at a time; a lock whose holder is gone is taken over, even where another process has its number now. */
async function takeLock(file) {
  const own = `${process.pid} ${processStat(process.pid)?.began ?? ''}`;
  for (let tries = 0; tries < 600; tries++) {
    try {
      writeFileSync(file, own, { flag: 'wx', mode: 0o600 });
      return () => rmSync(file, { force: true });
    } catch (error) {
      if (error.code === 'ENOSPC') throw new Plain('The disk is full: free some space, then start again.');
      if (error.code !== 'EEXIST') throw error;
    }
    const [pid = '', began = ''] = readOrNothing(file).split(' ');
    const holder = processStat(Number(pid));
    const isSame =
      began === '' ? /node/.test(readOrNothing(`/proc/${pid}/cmdline`)) : holder?.began === began;
    const isGone = Number(pid) > 0 && (holder === null || !isSame);
    const ageMs = Date.now() - (statSync(file, { throwIfNoEntry: false })?.mtimeMs ?? Date.now());
    if (isGone || (!(Number(pid) > 0) && ageMs > 5000)) rmSync(file, { force: true });
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
