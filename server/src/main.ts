import { once } from 'node:events';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { DEMO_ORDERS } from '@saltflat/demo';
import { checkBackup, dumpRange, readEveryPlace, writeBackup } from './backup/index.ts';
import { buildServer, openGround, startWorking } from './buildServer.ts';
import type { ServerOptions } from './buildServer.ts';
import { databaseProblem } from './db/databaseProblem.ts';
import { MIGRATIONS } from './db/migrator.ts';
import { createLog } from './log/index.ts';

const log = createLog(process.env.LOG_LEVEL ?? 'info', process.env.SALTFLAT_LOG ?? null);

/**
 * What this process does: serve and work, serve alone, work alone; or one task, and then it ends: bring the database up to date,
 * write a backup, check one, read every place of a shop.
 */
const ROLES = ['all', 'server', 'worker', 'migrator', 'backup', 'backup-check', 'verifier'] as const;
type Role = (typeof ROLES)[number];

function required(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: start with “npm start”, which sets it.`);
  return value;
}

function role(): Role {
  const wished = process.env.SALTFLAT_ROLE ?? 'all';
  const known = ROLES.find((own) => own === wished);
  if (!known) throw new Error(`SALTFLAT_ROLE is “${wished}”; it must be one of ${ROLES.join(', ')}.`);
  return known;
}

/** Until sign-in exists nobody but this machine may call. */
const HOST = '127.0.0.1';

/** Names the shop gave this machine, as for a proxy before the server. */
const hosts = (): string[] =>
  (process.env.SALTFLAT_HOSTS ?? '')
    .split(',')
    .map((host) => host.trim())
    .filter((host) => host !== '');

async function main(): Promise<void> {
  const own = role();
  if (own === 'backup-check') {
    const manifest = await checkBackup(required('SALTFLAT_FILE'), KNOWN);
    return done({ manifest, ...dumpRange(manifest) });
  }
  const options: ServerOptions = {
    databaseUrl: required('DATABASE_URL'),
    webFolder: process.env.SALTFLAT_WEB ?? null,
    hosts: hosts(),
    log,
    now: Date.now,
    isDemo: process.env.SALTFLAT_DEMO !== '0',
    demoOrders: demoOrders(),
    isWorking: own === 'all',
    backups: backups(),
  };
  if (own === 'migrator') await (await openGround({ ...options, isDemo: false })).stop();
  else if (own === 'backup') done(await backUp(options.databaseUrl));
  else if (own === 'verifier') await verify({ ...options, isDemo: false });
  else if (own === 'worker') await work(options);
  else await serve(options);
}

/** All that was ordered in the made-up shop, or the oldest so many of it. */
function demoOrders(): typeof DEMO_ORDERS {
  const { SALTFLAT_DEMO_ORDERS: wished = String(DEMO_ORDERS.length) } = process.env;
  if (!/^\d+$/.test(wished))
    throw new Error(`SALTFLAT_DEMO_ORDERS is “${wished}”; it must be a whole number of orders.`);
  return DEMO_ORDERS.slice(0, Number(wished));
}

const KNOWN = MIGRATIONS.map(({ name }) => name);

function backups(): ServerOptions['backups'] {
  const { SALTFLAT_BACKUPS: folder, SALTFLAT_PG_DUMP: pgDump } = process.env;
  return folder && pgDump ? { folder, pgDump } : null;
}

const backUp = (databaseUrl: string): Promise<object> =>
  writeBackup(required('SALTFLAT_FILE'), {
    databaseUrl,
    pgDump: required('SALTFLAT_PG_DUMP'),
    known: KNOWN,
    now: Date.now,
  });

/** Says what a task gave; the process ends when nothing is left to do. */
function done(what: object): void {
  process.send?.({ done: what });
  process.disconnect?.();
}

/** Serves a database to itself, and reads everything. */
async function verify(options: ServerOptions): Promise<void> {
  const { app, stop } = await buildServer(options);
  const server = app.listen(0, HOST);
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  const faults = await readEveryPlace(`http://${HOST}:${port}/api/v1`);
  server.closeAllConnections();
  server.close();
  await stop();
  if (faults.length > 0) throw new Error(faults.slice(0, 5).join(' '));
  done({});
}

async function work(options: ServerOptions): Promise<void> {
  const ground = await openGround(options);
  await startWorking(ground);
  process.send?.({ isWorking: true });
  stopWith(() => ground.stop());
}

async function serve(options: ServerOptions): Promise<void> {
  const { app, stop } = await buildServer(options);
  const server = app.listen(Number(process.env.SALTFLAT_PORT ?? 0), HOST, (error?: Error) => {
    if (error) fail(error);
    else process.send?.({ port: (server.address() as AddressInfo).port });
  });
  limit(server);
  stopWith(async () => {
    server.closeAllConnections();
    server.close();
    await stop();
  });
}

/** Who sends nothing, or very slowly, keeps no place. */
function limit(server: Server): void {
  server.headersTimeout = 10_000;
  server.requestTimeout = 60_000;
  server.maxConnections = 400;
}

/** Ends when told to, or when whoever started us is gone. */
function stopWith(stop: () => Promise<void>): void {
  let isStopping = false;
  const shutDown = async (): Promise<void> => {
    if (isStopping) return;
    isStopping = true;
    await stop();
    process.exit(0);
  };
  process.on('SIGINT', () => void shutDown());
  process.on('SIGTERM', () => void shutDown());
  process.on('disconnect', () => void shutDown());
}

function fail(error: unknown): void {
  log.fatal({ err: error }, 'could not start');
  process.send?.({ problem: error instanceof Error ? error.message : String(error) });
  process.exitCode = 1;
  setTimeout(() => process.exit(1), 200); // lets the message and the log leave
}

function stopByFault(error: unknown, event: string): void {
  log.fatal({ err: error, event }, 'stopped by a fault');
  process.exit(1); // whoever started us starts us again
}

process.on('uncaughtException', (error) => stopByFault(error, 'uncaughtException'));
process.on('unhandledRejection', (error) => {
  // the queue's library waits for nobody when it notes what became of a job: a database that is away meanwhile comes back,
  // and the sweep finds what was lost
  if (databaseProblem(error)) log.warn({ err: error }, 'the database was away');
  else stopByFault(error, 'unhandledRejection');
});

main().catch(fail);
