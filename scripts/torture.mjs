// npm run torture: kills the server and its database a hundred times under four clients, then holds what was acknowledged against what
// is stored. Bounded: SALTFLAT_KILLS (100) kills, at most half a minute for each to be answered again. Its shop is thrown away.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt } from './lib/build.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { openCluster } from './lib/postgres.mjs';
import { Plain, run, say } from './lib/say.mjs';
import { checkShop } from './torture/checks.mjs';
import { startClient } from './torture/clients.mjs';
import { openTarget } from './torture/target.mjs';

const CLIENTS = 4;

await run(async () => {
  const kills = Number(process.env.SALTFLAT_KILLS ?? 100);
  if (!Number.isInteger(kills) || kills < 1)
    throw new Plain('SALTFLAT_KILLS must be a whole number above 0.');
  ensurePackages();
  await ensureBuilt();
  const home = mkdtempSync(join(tmpdir(), 'saltflat-torture-'));
  const cluster = await openCluster({ home, isThrowaway: false });
  const target = await openTarget(cluster, join(home, 'server.log'));
  try {
    const clients = await Promise.all(
      Array.from({ length: CLIENTS }, (_own, number) => startClient(target.url, number)),
    );
    say(`Killing ${kills} times …`);
    const began = Date.now();
    for (let kill = 0; kill < kills; kill++) {
      await target.calm(300 + 2200 * Math.random());
      await (kill % 2 === 0 ? target.killServer() : target.killDatabase());
      if ((kill + 1) % 20 === 0)
        say(
          `  ${kill + 1} kills, ${clients.reduce((sum, { acknowledged }) => sum + acknowledged(), 0)} acknowledged`,
        );
    }
    const ledgers = await Promise.all(clients.map((client) => client.stop()));
    const faults = await checkShop(cluster, target, ledgers);
    const minutes = ((Date.now() - began) / 60_000).toFixed(1);
    for (const line of faults.lines) say(line);
    say(
      `${kills} kills in ${minutes} min, longest without an answer ${(target.longestMs() / 1000).toFixed(1)} s: ${faults.count === 0 ? 'nothing lost, nothing twice' : `${faults.count} FAULTS`}.`,
    );
    if (faults.count > 0) process.exitCode = 1;
  } finally {
    await target.stop();
    cluster.stop();
    if (process.exitCode) say(`What the server said is in ${join(home, 'server.log')}`);
    else rmSync(home, { recursive: true, force: true });
  }
});
