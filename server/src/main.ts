import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { buildServer } from './buildServer.ts';

const log = pino({
  level: process.env.LOG_LEVEL ?? 'info',
  base: null,
  timestamp: pino.stdTimeFunctions.isoTime,
});

function required(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: start with “npm start”, which sets it.`);
  return value;
}

/** Until sign-in exists nobody but this machine may call. */
const HOST = '127.0.0.1';

async function main(): Promise<void> {
  const { app, stop } = await buildServer({
    databaseUrl: required('DATABASE_URL'),
    webFolder: process.env.SALTFLAT_WEB ?? null,
    log,
    now: Date.now,
    isDemo: process.env.SALTFLAT_DEMO !== '0',
  });
  const server = app.listen(Number(process.env.SALTFLAT_PORT ?? 0), HOST, (error?: Error) => {
    if (error) fail(error);
    else process.send?.({ port: (server.address() as AddressInfo).port });
  });
  let isStopping = false;
  const shutDown = async (): Promise<void> => {
    if (isStopping) return;
    isStopping = true;
    server.closeAllConnections();
    server.close();
    await stop();
    process.exit(0);
  };
  process.on('SIGINT', () => void shutDown());
  process.on('SIGTERM', () => void shutDown());
  process.on('disconnect', () => void shutDown()); // whoever started us is gone
}

function fail(error: unknown): void {
  log.fatal({ err: error }, 'could not start');
  process.send?.({ problem: error instanceof Error ? error.message : String(error) });
  process.exitCode = 1;
  setTimeout(() => process.exit(1), 200); // lets the message and the log leave
}

main().catch(fail);
