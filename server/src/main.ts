import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { buildServer, openGround, startWorking } from './buildServer.ts';
import type { ServerOptions } from './buildServer.ts';
import { createLog } from './log/index.ts';

const log = createLog(process.env.LOG_LEVEL ?? 'info', process.env.SALTFLAT_LOG ?? null);

/** What this process does: serve and work, serve alone, work alone, or only bring the database up to date and end. */
const ROLES = ['all', 'server', 'worker', 'migrator'] as const;
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
  const options: ServerOptions = {
    databaseUrl: required('DATABASE_URL'),
    webFolder: process.env.SALTFLAT_WEB ?? null,
    hosts: hosts(),
    log,
    now: Date.now,
    isDemo: process.env.SALTFLAT_DEMO !== '0',
    isWorking: own === 'all',
  };
  if (own === 'migrator') await (await openGround({ ...options, isDemo: false })).stop();
  else if (own === 'worker') await work(options);
  else await serve(options);
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

for (const event of ['uncaughtException', 'unhandledRejection'] as const)
  process.on(event, (error: unknown) => {
    log.fatal({ err: error, event }, 'stopped by a fault');
    process.exit(1); // whoever started us starts us again
  });

main().catch(fail);
