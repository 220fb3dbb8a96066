import { existsSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DATABASE } from './postgres.mjs';

/** The shop that a restore took the place of: kept until the next backup. */
export const FORMER = `${DATABASE}_former`;

const noteOf = (home) => join(home, 'former');

/** Notes since when there is one. */
export const noteFormer = (home) => writeFileSync(noteOf(home), '', { mode: 0o600 });

/** Lets the former shop go. */
export function dropFormer(cluster, home) {
  cluster.ask('postgres', `drop database if exists ${FORMER}`);
  rmSync(noteOf(home), { force: true });
}

/** Lets it go once a backup was made since. */
export function dropFormerBackedUp(cluster, home) {
  if (!existsSync(noteOf(home))) return;
  const since = statSync(noteOf(home)).mtimeMs;
  const folder = join(home, 'backups');
  const names = existsSync(folder) ? readdirSync(folder).filter((name) => name.endsWith('.backup')) : [];
  if (names.some((name) => statSync(join(folder, name)).mtimeMs > since)) dropFormer(cluster, home);
}
