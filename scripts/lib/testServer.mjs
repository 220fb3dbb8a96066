import { execFileSync, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { openSync } from 'node:fs';
import { join } from 'node:path';
import { BUILT, SERVER_ARGS } from './build.mjs';

/** Starts the built server on a new database of the cluster, filled with the demo shop. */
export async function startDemoServer(cluster, { port = 0, log }) {
  const name = `demo_${randomUUID().replaceAll('-', '')}`;
  execFileSync(join(cluster.bin, 'psql'), ['-X', '-q', '-d', cluster.url, '-c', `create database ${name}`]);
  const databaseUrl = cluster.url.replace(/\/[^/]*$/, `/${name}`);
  const out = openSync(log, 'a');
  const child = spawn(process.execPath, SERVER_ARGS, {
    stdio: ['ignore', out, out, 'ipc'],
    env: {
      ...process.env,
      ...cluster.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      SALTFLAT_PORT: String(port),
      SALTFLAT_WEB: BUILT.web,
    },
  });
  const got = await new Promise((resolve, reject) => {
    child.on('message', (message) =>
      message.port ? resolve(message.port) : reject(new Error(message.problem)),
    );
    child.on('exit', (code) => reject(new Error(`the server stopped with ${code}; see ${log}`)));
  });
  return { url: `http://127.0.0.1:${got}`, databaseUrl, stop: () => child.kill('SIGTERM') };
}
