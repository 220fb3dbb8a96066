import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { open, stat } from 'node:fs/promises';
import { DomainError } from '@saltflat/contract';

/** First and last bytes of a backup: what does not begin or end so is none, or is cut short. */
export const HEAD = 'SALTFLAT BACKUP 1\n';
export const TAIL = 'SALTFLAT END OF BACKUP\n';
/** How PostgreSQL's own archives begin. */
const DUMP = 'PGDMP';
const LENGTH_DIGITS = 12;
const MOST_MANIFEST_BYTES = 1024 * 1024;

/** What a backup says of itself, written after the database's own dump. */
export interface Manifest {
  madeAt: string;
  /** The shape of the database: names of the migrations that were done. */
  migrations: string[];
  /** Rows of every table at the moment of the backup. */
  counts: Record<string, number>;
  dumpBytes: number;
  /** Of the dump, hex. */
  sha256: string;
}

export const encodeEnd = (manifest: Manifest): Buffer => {
  const text = Buffer.from(JSON.stringify(manifest));
  return Buffer.concat([text, Buffer.from(`${String(text.length).padStart(LENGTH_DIGITS, '0')}${TAIL}`)]);
};

/** Where the dump is in a backup, bytes. */
export const dumpRange = ({ dumpBytes }: Manifest): { start: number; end: number } => ({
  start: HEAD.length,
  end: HEAD.length + dumpBytes - 1,
});

/**
 * Reads a backup to its end and holds it against what it says of itself.
 *
 * @param known migrations this version has; a backup of a later one is refused
 * @throws DomainError `invalid-input` with what is wrong
 */
export async function checkBackup(file: string, known: readonly string[]): Promise<Manifest> {
  const manifest = await readManifest(file);
  const later = manifest.migrations.filter((name) => !known.includes(name));
  if (later.length > 0)
    throw refusal(
      `${file} was made by a later version of Saltflat (${later[0]}). Restore it with that version.`,
    );
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(file, dumpRange(manifest))) hash.update(chunk as Buffer);
  if (hash.digest('hex') !== manifest.sha256)
    throw refusal(`${file} is damaged: what it holds is not what was written into it. Take another backup.`);
  return manifest;
}

async function readManifest(file: string): Promise<Manifest> {
  const { size, isFile } = await stat(file).then(
    (own) => ({ size: own.size, isFile: own.isFile() }),
    () => ({ size: 0, isFile: false }),
  );
  if (!isFile) throw refusal(`There is no file ${file}.`);
  const handle = await open(file, 'r');
  const read = async (length: number, at: number): Promise<string> => {
    const buffer = Buffer.alloc(Math.max(0, Math.min(length, size - at)));
    await handle.read(buffer, 0, buffer.length, at);
    return buffer.toString('utf8');
  };
  try {
    const head = await read(HEAD.length, 0);
    if (head.startsWith(DUMP))
      throw refusal(
        `${file} is a bare dump, as earlier versions made them: nothing in it says whether it is whole. Restore it with the version that made it, then start this one.`,
      );
    if (head !== HEAD) throw refusal(`${file} is not a backup of Saltflat.`);
    const endAt = size - TAIL.length - LENGTH_DIGITS;
    const end = endAt > HEAD.length ? await read(LENGTH_DIGITS + TAIL.length, endAt) : '';
    const length = Number(end.slice(0, LENGTH_DIGITS));
    const isWhole = end.endsWith(TAIL) && length > 0 && length <= Math.min(endAt, MOST_MANIFEST_BYTES);
    const manifest = isWhole ? asManifest(await read(length, endAt - length)) : null;
    if (manifest === null || HEAD.length + manifest.dumpBytes + length !== endAt)
      throw refusal(`${file} is cut short or damaged at its end. Take another backup.`);
    return manifest;
  } finally {
    await handle.close();
  }
}

function asManifest(text: string): Manifest | null {
  try {
    const { madeAt, migrations, counts, dumpBytes, sha256 } = JSON.parse(text) as Partial<Manifest>;
    const isSound =
      typeof madeAt === 'string' &&
      Array.isArray(migrations) &&
      isCounts(counts) &&
      typeof dumpBytes === 'number' &&
      typeof sha256 === 'string';
    return isSound ? { madeAt, migrations, counts, dumpBytes, sha256 } : null;
  } catch {
    return null;
  }
}

/** Names of tables go into statements: a file that was not written here may hold any. */
const isCounts = (counts: unknown): counts is Record<string, number> =>
  typeof counts === 'object' &&
  counts !== null &&
  Object.entries(counts).every(([name, rows]) => /^[a-z0-9_]+$/.test(name) && Number.isInteger(rows));

export const refusal = (message: string): DomainError => new DomainError('invalid-input', message);
