import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { isRoot } from './places.mjs';
import { Plain, say } from './say.mjs';

/** Debian's Chromium, installed when missing: the browser the journeys are driven in. */
export function ensureChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  say('Installing Chromium …');
  const prefix = isRoot ? [] : ['sudo', '-n'];
  const apt = (...words) => {
    const [command, ...args] = [
      ...prefix,
      'env',
      'DEBIAN_FRONTEND=noninteractive',
      'apt-get',
      '-qq',
      ...words,
    ];
    return spawnSync(command, args, { stdio: 'ignore' });
  };
  apt('update');
  if (apt('install', '-y', '--no-install-recommends', 'chromium').status !== 0)
    throw new Plain(
      'Chromium could not be installed. Ask whoever looks after this machine to run: apt-get install chromium',
    );
}
