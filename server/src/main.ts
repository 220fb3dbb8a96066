import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { buildServer, openGround, startWorking } from './buildServer.ts';
import type { ServerOptions } from './buildServer.ts';

const log = pino({
  level: process.env.LOG_LEVEL ?? 'info',
  base: null,
  timestamp: pino.stdTimeFunctions.isoTime,
});

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

async function main(): Promise<void> {
  const own = role();
  const options: ServerOptions = {
    databaseUrl: required('DATABASE_URL'),
    webFolder: process.env.SALTFLAT_WEB ?? null,
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
  stopWith(async () => {
    server.closeAllConnections();
    server.close();
    await stop();
  });
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

main().catch(fail);
