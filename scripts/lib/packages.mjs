import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Plain, say } from './say.mjs';
import { ROOT } from './places.mjs';

/** Installs the packages of the lock file unless just these are installed. */
export function ensurePackages() {
  const wanted = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const stamp = join(ROOT, 'node_modules', '.saltflat-packages');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Installing packages …');
  const { status, stderr } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'pipe'],
    encoding: 'utf8',
  });
  if (status !== 0)
    throw new Plain(
      `The packages could not be installed. npm says: ${stderr.trim().split('\n').slice(-3).join(' ')}`,
    );
  writeFileSync(stamp, wanted);
}

/** Node.js 20.19 or newer, as the packages need. */
export function checkNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Plain(`Saltflat needs Node.js 20.19 or newer; this is ${process.versions.node}.`);
}
