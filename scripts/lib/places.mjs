import { createHash } from 'node:crypto';
import { accessSync, chmodSync, chownSync, constants, mkdirSync, readdirSync, statSync } from 'node:fs';
import { homedir, tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Plain } from './say.mjs';

/** Folder of this checkout. */
export const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))));

export const isRoot = process.getuid?.() === 0;

/** Lasting place of the shop's data: never in the checkout, never under a temporary folder. */
export function shopHome() {
  if (process.env.SALTFLAT_HOME) return process.env.SALTFLAT_HOME;
  if (isRoot) return '/var/lib/saltflat';
  return join(process.env.XDG_DATA_HOME || join(homedir(), '.local', 'share'), 'saltflat');
}

/** Throwaway place for tests, one for each checkout. */
export function testHome() {
  const name = `saltflat-test-${process.getuid?.() ?? 0}-${createHash('sha256').update(ROOT).digest('hex').slice(0, 10)}`;
  for (const base of ['/var/tmp', '/tmp', tmpdir()]) {
    try {
      accessSync(base, constants.W_OK | constants.X_OK);
      return join(base, name);
    } catch {
      // not here: try the next
    }
  }
  throw new Error('no folder for temporary files can be written to');
}

const OWN = /^(data|lock|password|program-password|backups|former|new\..*|server\..*)$/;

/** Makes the folder, readable by its owner alone: where root starts, that is the database's user, which root need not ask. */
export function makeHome(home, account) {
  mkdirSync(home, { recursive: true, mode: 0o700 });
  const foreign = readdirSync(home).find((name) => !OWN.test(name));
  if (foreign !== undefined)
    throw new Plain(
      `The shop’s data belongs in a folder of its own, but ${home} holds “${foreign}”. Set SALTFLAT_HOME to an empty or a new folder.`,
    );
  if (account) chownSync(home, account.uid, account.gid);
  if ((statSync(home).mode & 0o777) !== 0o700) chmodSync(home, 0o700);
}
