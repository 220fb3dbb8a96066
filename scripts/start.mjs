// From a fresh clone to one URL: packages, database, build, server. Ctrl-C stops all it started.
import { spawn } from 'node:child_process';
import { closeSync, openSync, readFileSync } from 'node:fs';
import { get } from 'node:http';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { BUILT, SERVER_ARGS, ensureBuilt } from './lib/build.mjs';
import { dropFormerBackedUp } from './lib/former.mjs';
import { checkNode, ensurePackages } from './lib/packages.mjs';
import { shopHome } from './lib/places.mjs';
import { openCluster, runningCluster } from './lib/postgres.mjs';
import { Plain, run, say } from './lib/say.mjs';

const WATCH_MS = 3000;
const FORMER_MS = 10 * 60_000;
/** Who does not say within so long that it is well has been hung up, and is started anew. */
const SILENT_MS = 15_000;
const ASK_MS = 4000;
/** A first start fills the demo, on a slow machine. */
const START_MS = 300_000;
/** Waits between starts that fail one after the other, the last of them for ever. */
const WAITS_MS = [500, 1000, 2000, 5000, 10_000, 20_000, 30_000];
/** Who stayed up for so long begins with the shortest wait again. */
const WELL_MS = 60_000;

const WHY = {
  ENOSPC: 'the disk is full',
  EACCES: 'it cannot be written (EACCES)',
  EPERM: 'it cannot be written (EPERM)',
  EROFS: 'it cannot be written (EROFS)',
  ENOTDIR: 'there is a file in its way',
  EEXIST: 'there is a file in its way',
};

await run(async () => {
  checkNode();
  const port = wantedPort();
  await refuseTakenPort(port);
  ensurePackages();
  const home = shopHome();
  const [cluster] = await Promise.all([openOrSay(home), ensureBuilt()]);
  keepServing(cluster, port, home);
});

function wantedPort() {
  const text = process.env.SALTFLAT_PORT ?? '4680';
  const port = Number(text);
  if (!/^\d{1,5}$/.test(text) || port < 1 || port > 65535)
    throw new Plain(`SALTFLAT_PORT is “${text}”; it must be a whole number from 1 to 65535.`);
  return port;
}

async function refuseTakenPort(port) {
  const problem = await new Promise((resolve) => {
    const probe = createServer();
    probe.on('error', ({ code }) => resolve(code));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(null)));
  });
  if (problem === 'EACCES')
    throw new Plain(
      `Port ${port} is for the system alone: start with one above 1023: SALTFLAT_PORT=4680 npm start`,
    );
  if (problem !== null)
    throw new Plain(
      `Port ${port} is in use, perhaps by Saltflat itself: open http://127.0.0.1:${port}/ or start with another one: SALTFLAT_PORT=4681 npm start`,
    );
}

async function openOrSay(home) {
  try {
    return await openCluster({ home, isThrowaway: false });
  } catch (error) {
    if (!(error?.code in WHY)) throw error;
    throw new Plain(
      `The shop's data belongs in ${home}, but ${WHY[error.code]}. Set SALTFLAT_HOME to another folder.`,
    );
  }
}

/** Starts the database again when it dies without being told to; the server connects again by itself. */
function watchDatabase(cluster, isStopping) {
  let isReviving = false;
  const look = async () => {
    if (isReviving || isStopping() || cluster.isRunning()) return;
    isReviving = true;
    say('The database stopped unexpectedly. Starting it again …');
    await cluster
      .revive()
      .then(() => say('The database is running again.'))
      .catch((error) => say(error.message));
    isReviving = false;
  };
  setInterval(() => void look(), WATCH_MS).unref();
}

/** Runs the server, and runs it again when it dies without being told to, or answers no more. */
function keepServing(cluster, port, home) {
  const last = join(home, 'server.last'); // what it says when it breaks off; its log is beside
  let child = null;
  let isStopping = false;
  let isUrlSaid = false;
  let problem = null;
  let startedMs = 0;
  let wellMs = null;
  let failures = 0;

  const launch = () => {
    problem = null;
    wellMs = null;
    startedMs = Date.now();
    const out = openSync(last, 'w', 0o600);
    child = spawn(process.execPath, ['--enable-source-maps', ...SERVER_ARGS], {
      stdio: ['ignore', out, out, 'ipc'],
      env: {
        ...process.env,
        ...cluster.env,
        NODE_ENV: 'production',
        DATABASE_URL: cluster.url,
        SALTFLAT_PORT: String(port),
        SALTFLAT_WEB: BUILT.web,
        SALTFLAT_LOG: join(home, 'server.log'),
        SALTFLAT_BACKUPS: join(home, 'backups'),
        SALTFLAT_PG_DUMP: join(cluster.bin, 'pg_dump'),
      },
    });
    closeSync(out);
    child.on('message', (said) => {
      if (said.problem) problem = said.problem;
      if (!said.port) return;
      wellMs = Date.now();
      say(isUrlSaid ? 'The server is running again.' : `Saltflat is ready: http://127.0.0.1:${said.port}/`);
      isUrlSaid = true;
    });
    child.on('exit', onExit);
  };
  const onExit = (code, signal) => {
    if (isStopping) return;
    if (wellMs !== null && Date.now() - wellMs > WELL_MS) failures = 0;
    const wait = WAITS_MS[Math.min(failures, WAITS_MS.length - 1)];
    failures++;
    const why = problem ?? lastWords(last) ?? `it ended with ${signal ?? code}`;
    say(`The server stopped (${why}). Starting it again in ${wait / 1000} s …`);
    setTimeout(() => {
      if (!isStopping) launch();
    }, wait);
  };
  const stop = (code) => {
    if (isStopping) return;
    isStopping = true;
    const finish = () => {
      if (cluster.isOurs) cluster.stop();
      process.exit(code);
    };
    if (!child || child.exitCode !== null || child.signalCode !== null) finish();
    child.on('exit', finish);
    child.kill('SIGTERM');
    setTimeout(() => child.kill('SIGKILL'), 8000).unref();
  };
  watchDatabase(cluster, () => isStopping);
  setInterval(() => letFormerGo(home), FORMER_MS).unref();
  watchServer(port, {
    isWatched: () => !isStopping && child !== null && child.exitCode === null && child.signalCode === null,
    sinceMs: () => wellMs,
    isLate: () => wellMs === null && Date.now() - startedMs > START_MS,
    restart: (why) => {
      problem = why;
      child.kill('SIGKILL'); // one that is stopped or turns in a circle hears nothing else
    },
  });
  process.on('SIGINT', () => stop(0));
  process.on('SIGTERM', () => stop(0));
  process.on('SIGHUP', () => stop(0));
  launch();
}

/** What a restore took the place of is kept until the next backup. */
function letFormerGo(home) {
  try {
    const cluster = runningCluster(home);
    if (cluster) dropFormerBackedUp(cluster, home);
  } catch (error) {
    say(`The former shop could not be let go: ${error.message}`);
  }
}

/** Asks the server every few seconds whether it is well, as anybody on this machine can. */
function watchServer(port, { isWatched, sinceMs, isLate, restart }) {
  let answeredMs = null;
  const look = async () => {
    if (!isWatched()) answeredMs = null;
    else if (isLate()) restart(`it was not ready within ${START_MS / 60_000} minutes`);
    else if (sinceMs() !== null) {
      if (answeredMs === null || answeredMs < sinceMs()) answeredMs = Date.now();
      if (await isWell(port)) answeredMs = Date.now();
      else if (isWatched() && answeredMs !== null && Date.now() - answeredMs > SILENT_MS) {
        answeredMs = null;
        restart(`it did not answer for ${SILENT_MS / 1000} s`);
      }
    }
    setTimeout(() => void look(), WATCH_MS).unref();
  };
  void look();
}

function isWell(port) {
  return new Promise((resolve) => {
    const asked = get({ host: '127.0.0.1', port, path: '/api/v1/health', timeout: ASK_MS }, (res) => {
      res.resume().on('end', () => resolve(res.statusCode === 200));
    });
    asked.on('timeout', () => asked.destroy());
    asked.on('error', () => resolve(false));
  });
}

/** The last thing it said that reads like a reason. */
function lastWords(file) {
  try {
    const lines = readFileSync(file, 'utf8').trim().split('\n').slice(-40);
    return (
      lines
        .reverse()
        .find((line) => /error|fatal/i.test(line))
        ?.trim()
        .slice(0, 200) ?? null
    );
  } catch {
    return null;
  }
}
