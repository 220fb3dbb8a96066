import { spawn } from 'node:child_process';
import { createHash, randomUUID } from 'node:crypto';
import { open, readdir, rename, rm } from 'node:fs/promises';
import type { FileHandle } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import { DomainError } from '@saltflat/contract';
import pg from 'pg';
import { HEAD, checkBackup, encodeEnd } from './backupFile.ts';
import type { Manifest } from './backupFile.ts';

export interface BackupTools {
  /** Address of the database; its password comes by the environment. */
  databaseUrl: string;
  /** PostgreSQL's pg_dump. */
  pgDump: string;
  /** Migrations of this version. */
  known: readonly string[];
  now: () => number;
}

/**
 * Writes a backup beside its place, reads it back, and only then puts it there: a former backup under that name is there whole until
 * the new one is. Readable by the owner alone. Rows are counted in the same view of the database that is dumped.
 *
 * @throws DomainError with what is wrong; then the former backup is as it was
 */
export async function writeBackup(file: string, tools: BackupTools): Promise<Manifest> {
  const folder = dirname(file);
  await removeParts(folder, basename(file));
  const part = `${file}.part-${randomUUID()}`;
  try {
    const handle = await open(part, 'wx', 0o600);
    const manifest = await dumpInto(handle, tools).finally(() => handle.close());
    await checkBackup(part, tools.known);
    await rename(part, file);
    await syncFolder(folder);
    return manifest;
  } catch (error) {
    await rm(part, { force: true });
    throw backupRefusal(error, folder);
  }
}

/** What a backup that was broken off left behind. */
async function removeParts(folder: string, name: string): Promise<void> {
  const names = await readdir(folder).catch(() => []);
  for (const own of names) if (own.startsWith(`${name}.part-`)) await rm(join(folder, own), { force: true });
}

async function dumpInto(handle: FileHandle, { databaseUrl, pgDump, now }: BackupTools): Promise<Manifest> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    await client.query('begin isolation level repeatable read read only');
    const { rows: views } = await client.query<{ id: string }>('select pg_export_snapshot() as id');
    const counts = await countRows(client);
    const { rows: done } = await client.query<{ name: string }>(
      `select name from migration where name ~ '^[0-9]{8}T' order by name`,
    );
    await handle.write(HEAD);
    const hash = createHash('sha256');
    let dumpBytes = 0;
    // files are packed already: more than the lowest packing takes minutes and saves little
    const args = [
      '--format=custom',
      '--compress=1',
      `--snapshot=${views[0]?.id ?? ''}`,
      '--no-password',
      databaseUrl,
    ];
    const dump = spawn(pgDump, args, { stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    dump.stderr.on('data', (text: Buffer) => (said = `${said}${text.toString()}`.slice(-2000)));
    const ended = new Promise<number | null>((resolve, reject) =>
      dump.on('error', reject).on('close', resolve),
    );
    for await (const chunk of dump.stdout as AsyncIterable<Buffer>) {
      hash.update(chunk);
      dumpBytes += chunk.length;
      await handle.appendFile(chunk);
    }
    if ((await ended) !== 0)
      throw new Error(said.trim().split('\n').pop() ?? 'the database could not be read');
    const manifest: Manifest = {
      madeAt: new Date(now()).toISOString(),
      migrations: done.map(({ name }) => name),
      counts,
      dumpBytes,
      sha256: hash.digest('hex'),
    };
    await handle.appendFile(encodeEnd(manifest));
    await handle.sync();
    return manifest;
  } finally {
    await client.end();
  }
}

/** Rows of every table of ours. */
async function countRows(client: pg.Client): Promise<Record<string, number>> {
  const { rows: tables } = await client.query<{ name: string }>(
    `select quote_ident(relname) as name from pg_class where relnamespace = 'public'::regnamespace and relkind in ('r', 'p') order by 1`,
  );
  const counts: Record<string, number> = {};
  for (const { name } of tables) {
    const { rows } = await client.query<{ count: string }>(`select count(*) as count from ${name}`);
    counts[name] = Number(rows[0]?.count);
  }
  return counts;
}

async function syncFolder(folder: string): Promise<void> {
  const handle = await open(folder, 'r');
  await handle.sync().finally(() => handle.close());
}

/** The database's own word for a full disk. */
const FULL = '53100';

/** Why a backup failed, in words. */
export function backupRefusal(error: unknown, folder: string): DomainError {
  if (error instanceof DomainError) return error;
  const { code, message } = error as { code?: string; message?: string };
  const why: Record<string, string> = {
    ENOSPC: `the disk with ${folder} is full`,
    [FULL]: 'the disk of the database is full',
    ENOENT: `there is no folder ${folder}`,
    ENOTDIR: `${folder} is no folder`,
    EACCES: `${folder} cannot be written to`,
    EROFS: `${folder} cannot be written to`,
    EISDIR: 'a folder has that name',
    ENOTEMPTY: 'a folder has that name',
    EEXIST: `there is a file where the folder ${folder} would be`,
  };
  const text = why[code ?? ''] ?? message ?? 'it is not known why';
  return new DomainError(
    code === 'ENOSPC' || code === FULL ? 'disk-full' : 'not-now',
    `The backup failed: ${text}. A former backup of that name is as it was.`,
    {},
    { cause: error },
  );
}
