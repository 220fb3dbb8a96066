import { mkdir, readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { DomainError } from '@saltflat/contract';
import type { BackupSettings, Backups } from '@saltflat/contract';
import type { Logger } from 'pino';
import { backupRefusal, writeBackup } from '../../backup/index.ts';
import type { BackupTools } from '../../backup/index.ts';

export interface BackupPlace {
  folder: string;
  tools: BackupTools;
}

interface Needs {
  /** Where backups are kept and what makes them; `null` for a server that was started without a home of its own. */
  place: BackupPlace | null;
  readSettings: () => Promise<{ document: BackupSettings; version: number }>;
  /** @returns false where somebody was quicker */
  writeSettings: (version: number, document: BackupSettings) => Promise<boolean>;
  /** Runs work unless another process is at it. @returns false where one is */
  alone: (work: () => Promise<void>) => Promise<boolean>;
  now: () => number;
  log: Logger;
}

const NAME = /^saltflat-(\d{4}-\d\d-\d\dT\d{6}Z)\.backup$/;
const PART = /^saltflat-.*\.backup\.part-/;
const LOOK_MS = 5 * 60_000;
const HOUR_MS = 3_600_000;
/** A backup that is due is made within the hour; after that somebody should know. */
const LATE_MS = 2 * HOUR_MS;

/** The shop's own backups: one a day at its hour, so many kept. */
export class BackupService {
  private timer: NodeJS.Timeout | undefined;
  private problem: string | null = null;

  constructor(private readonly needs: Needs) {}

  /** Looks now and then whether one is due. */
  start(): void {
    if (this.needs.place === null) return;
    const look = (): void => {
      void this.makeIfDue().catch((error: unknown) => this.needs.log.error({ err: error }, 'backup failed'));
    };
    look();
    this.timer = setInterval(look, LOOK_MS);
    this.timer.unref();
  }

  stop(): void {
    clearInterval(this.timer);
  }

  async read(): Promise<Backups> {
    const { document: settings, version } = await this.needs.readSettings();
    const kept = await this.list();
    const [last = null] = kept;
    const dueMs = lastDue(this.needs.now(), settings.hour);
    const { place } = this.needs;
    const isLate =
      settings.isDaily &&
      place !== null &&
      this.needs.now() - dueMs > LATE_MS &&
      (last === null || Date.parse(last.madeAt) < dueMs);
    return { settings, version, folder: place?.folder ?? null, kept, isLate, problem: this.problem };
  }

  async set(version: number, document: BackupSettings): Promise<Backups> {
    if (!(await this.needs.writeSettings(version, document)))
      throw new DomainError(
        'stale-version',
        'Someone changed when backups are made meanwhile. Look at it, then save again.',
        { current: await this.read() },
      );
    return this.read();
  }

  /** Makes one at once. */
  async make(): Promise<Backups> {
    if (this.needs.place === null)
      throw new DomainError(
        'not-now',
        'This server was started without a folder for backups: use npm run backup FILE.',
      );
    if (!(await this.needs.alone(() => this.makeOne())))
      throw new DomainError('not-now', 'A backup is being made already.');
    return this.read();
  }

  private async makeIfDue(): Promise<void> {
    const { document: settings } = await this.needs.readSettings();
    if (!settings.isDaily) return;
    const [last] = await this.list();
    if (last && Date.parse(last.madeAt) >= lastDue(this.needs.now(), settings.hour)) return;
    await this.needs.alone(() => this.makeOne());
  }

  private async makeOne(): Promise<void> {
    const { place, now, readSettings, log } = this.needs;
    if (place === null) return;
    const stamp = new Date(now()).toISOString().slice(0, 19).replaceAll(':', '');
    try {
      await mkdir(place.folder, { recursive: true, mode: 0o700 });
      await this.removeParts(place.folder);
      await writeBackup(join(place.folder, `saltflat-${stamp}Z.backup`), place.tools);
      this.problem = null;
      log.info({}, 'backup made');
    } catch (error) {
      const refusal = backupRefusal(error, place.folder);
      this.problem = refusal.message;
      throw refusal;
    }
    const { document } = await readSettings();
    for (const { name } of (await this.list()).slice(document.kept)) await rm(join(place.folder, name));
  }

  /** What was broken off with the server: nobody else writes here while this one does. */
  private async removeParts(folder: string): Promise<void> {
    for (const name of await readdir(folder))
      if (PART.test(name)) await rm(join(folder, name), { force: true });
  }

  /** Newest first. */
  private async list(): Promise<Backups['kept']> {
    const { place } = this.needs;
    if (place === null) return [];
    const names = (await readdir(place.folder).catch(() => []))
      .filter((name) => NAME.test(name))
      .sort()
      .reverse();
    return Promise.all(
      names.map(async (name) => ({
        name,
        madeAt: instantOf(name),
        bytes: (await stat(join(place.folder, name))).size,
      })),
    );
  }
}

/** `2031-02-03T030000Z` of a name as an instant. */
function instantOf(name: string): string {
  const [, stamp = ''] = NAME.exec(name) ?? [];
  return `${stamp.slice(0, 13)}:${stamp.slice(13, 15)}:${stamp.slice(15, 17)}.000Z`;
}

/** The last time it was that hour by the server's own clock, ms. */
export function lastDue(nowMs: number, hour: number): number {
  const due = new Date(nowMs);
  due.setHours(hour, 0, 0, 0);
  if (due.getTime() > nowMs) due.setDate(due.getDate() - 1);
  return due.getTime();
}
