import { spawn } from 'node:child_process';
import { openSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { BUILT, SERVER_ARGS } from '../lib/build.mjs';
import { Plain } from '../lib/say.mjs';

const PORT = 4699;
const BACK_MS = 30_000;
const READY_MS = 180_000;

export const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

/** A server on its database, each of which is killed and started again as often as is wanted. */
export async function openTarget(cluster, logFile) {
  const url = `http://127.0.0.1:${PORT}/api/v1`;
  const log = openSync(logFile, 'a', 0o600);
  let child = null;
  let isStopping = false;
  let longest = 0;

  const launch = () => {
    child = spawn(process.execPath, SERVER_ARGS, {
      stdio: ['ignore', log, log, 'ipc'],
      env: {
        ...process.env,
        ...cluster.env,
        NODE_ENV: 'production',
        DATABASE_URL: cluster.url,
        SALTFLAT_PORT: String(PORT),
        SALTFLAT_WEB: BUILT.web,
        LOG_LEVEL: 'warn',
      },
    });
    child.on('exit', () => {
      if (!isStopping) setTimeout(launch, 100);
    });
  };
  const isReady = () =>
    fetch(`${url}/health/ready`, { signal: AbortSignal.timeout(3000) }).then(
      async (answer) => (await answer.arrayBuffer(), answer.status === 200),
      () => false,
    );
  const ready = async (withinMs) => {
    const began = Date.now();
    while (!(await isReady())) {
      if (Date.now() - began > withinMs)
        throw new Plain(`The server was not back within ${withinMs / 1000} s; see ${logFile}`);
      await pause(50);
    }
    return Date.now() - began;
  };
  const back = async () => {
    longest = Math.max(longest, await ready(BACK_MS));
  };
  launch();
  await ready(READY_MS);
  return {
    url,
    calm: pause,
    longestMs: () => longest,
    killServer: async () => {
      child.kill('SIGKILL');
      await pause(20);
      await back();
    },
    killDatabase: async () => {
      process.kill(
        Number(readFileSync(join(cluster.data, 'postmaster.pid'), 'utf8').split('\n')[0]),
        'SIGKILL',
      );
      while (cluster.isRunning()) await pause(20);
      await pause(200); // its own processes notice and end
      await cluster.revive();
      await back();
    },
    stop: async () => {
      isStopping = true;
      child.kill('SIGKILL');
      await pause(300);
    },
  };
}
