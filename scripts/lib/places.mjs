import { createHash } from 'node:crypto';
import { accessSync, chmodSync, constants, mkdirSync, statSync } from 'node:fs';
import { homedir, tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

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

/** Makes a folder that the database's user can pass through. */
export function makeHome(home) {
  mkdirSync(home, { recursive: true });
  if (isRoot && (statSync(home).mode & 0o777) !== 0o711) chmodSync(home, 0o711);
}
