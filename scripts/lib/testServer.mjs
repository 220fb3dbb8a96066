import { execFileSync, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { openSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
import { BUILT, SERVER_ARGS } from './build.mjs';

/**
 * Starts the built server on a new database of the cluster, filled with the demo shop.
 *
 * @param cluster bin, url and env of a throwaway cluster
 * @param template name of the database that is copied, from `makeDemoShop`; without one the shop is filled at the start
 * @returns what `startBuiltServer` does, with its database's address and name
 */
export async function startDemoServer(cluster, { port = 0, log, template = 'template1' }) {
  const name = `demo_${randomUUID().replaceAll('-', '')}`;
  const sql = `create database ${name} template ${template}`;
  execFileSync(join(cluster.bin, 'psql'), ['-X', '-q', '-d', cluster.url, '-c', sql]);
  const databaseUrl = cluster.url.replace(/\/[^/]*$/, `/${name}`);
  return { ...(await startBuiltServer({ databaseUrl, port, log, env: cluster.env })), databaseUrl, name };
}

/**
 * Starts the built server on a database.
 *
 * @returns its address and port, kill(), which ends it as a signal does, and stop(), which waits until it has ended
 */
export async function startBuiltServer({ databaseUrl, port = 0, log, env = {} }) {
  const out = openSync(log, 'a');
  const child = spawn(process.execPath, SERVER_ARGS, {
    stdio: ['ignore', out, out, 'ipc'],
    env: {
      ...process.env,
      ...env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      SALTFLAT_PORT: String(port),
      SALTFLAT_WEB: BUILT.web,
    },
  });
  const ended = once(child, 'exit');
  const got = await new Promise((resolve, reject) => {
    child.on('message', (message) =>
      message.port ? resolve(message.port) : reject(new Error(message.problem)),
    );
    child.on('exit', (code) => reject(new Error(`the server stopped with ${code}; see ${log}`)));
  });
  const stop = async () => {
    child.kill('SIGTERM');
    await ended;
  };
  return { url: `http://127.0.0.1:${got}`, port: got, kill: (signal) => child.kill(signal), stop };
}

/**
 * Fills a demo shop, waits until all its lines are planned, and leaves its database to be copied.
 *
 * @returns the name of the database
 */
export async function makeDemoShop(cluster, { log }) {
  const server = await startDemoServer(cluster, { log });
  const open = async () => (await fetch(`${server.url}/api/v1/open-lines?state=planning`)).json();
  while ((await open()).items.length > 0) await setTimeout(200);
  await server.stop();
  return server.name;
}
