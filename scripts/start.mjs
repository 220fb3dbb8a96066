// From a fresh clone to one URL: packages, database, build, server. Ctrl-C stops all it started.
import { spawn } from 'node:child_process';
import { openSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { BUILT, SERVER_ARGS, ensureBuilt } from './lib/build.mjs';
import { checkNode, ensurePackages } from './lib/packages.mjs';
import { makeHome, shopHome } from './lib/places.mjs';
import { openCluster } from './lib/postgres.mjs';
import { Plain, run, say } from './lib/say.mjs';

const PORT = Number(process.env.SALTFLAT_PORT ?? 4680);
const RESTARTS_A_MINUTE = 5;
const WATCH_MS = 3000;

await run(async () => {
  checkNode();
  await refuseTakenPort();
  ensurePackages();
  const home = shopHome();
  makeHomeOrSay(home);
  const [cluster] = await Promise.all([openCluster({ home, isThrowaway: false }), ensureBuilt()]);
  keepServing(cluster, join(home, 'server.log'));
});

async function refuseTakenPort() {
  const isFree = await new Promise((resolve) => {
    const probe = createServer();
    probe.on('error', () => resolve(false));
    probe.listen(PORT, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
  if (!isFree)
    throw new Plain(
      `Port ${PORT} is in use, perhaps by Saltflat itself: open http://127.0.0.1:${PORT}/ or start with another one: SALTFLAT_PORT=4681 npm start`,
    );
}

function makeHomeOrSay(home) {
  try {
    makeHome(home);
  } catch (error) {
    const why = error.code === 'ENOSPC' ? 'the disk is full' : `it cannot be written (${error.code})`;
    throw new Plain(`The shop's data belongs in ${home}, but ${why}. Set SALTFLAT_HOME to another folder.`);
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

/** Runs the server, and runs it again when it dies without being told to. */
function keepServing(cluster, logFile) {
  const log = openSync(logFile, 'a');
  const deaths = [];
  let child = null;
  let isStopping = false;
  let isUrlSaid = false;

  const launch = () => {
    child = spawn(process.execPath, ['--enable-source-maps', ...SERVER_ARGS], {
      stdio: ['ignore', log, log, 'ipc'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        DATABASE_URL: cluster.url,
        SALTFLAT_PORT: String(PORT),
        SALTFLAT_WEB: BUILT.web,
      },
    });
    child.on('message', ({ port, problem }) => {
      if (problem) say(`The server did not start: ${problem}`);
      else if (isUrlSaid) say('The server is running again.');
      else say(`Saltflat is ready: http://127.0.0.1:${port}/`);
      isUrlSaid ||= Boolean(port);
    });
    child.on('exit', onExit);
  };
  const onExit = () => {
    if (isStopping) return;
    const now = Date.now();
    deaths.push(now);
    if (!isUrlSaid || deaths.filter((at) => now - at < 60_000).length > RESTARTS_A_MINUTE) {
      say(`The server has stopped and does not stay up. What it said is in ${logFile}`);
      stop(1);
      return;
    }
    say('The server stopped unexpectedly. Starting it again …');
    setTimeout(launch, 500);
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
  process.on('SIGINT', () => stop(0));
  process.on('SIGTERM', () => stop(0));
  process.on('SIGHUP', () => stop(0));
  launch();
}
