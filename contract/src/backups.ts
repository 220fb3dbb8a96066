import { Type } from 'typebox';
import { Instant, Version, nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** When the shop is backed up by itself, and how many backups are kept. */
export const BackupSettings = strictObject({
  isDaily: Type.Boolean({ title: 'A backup every day' }),
  hour: Type.Integer({ title: 'At, hour of the day', minimum: 0, maximum: 23 }),
  kept: Type.Integer({ title: 'Backups that are kept', minimum: 1, maximum: 60 }),
});
export type BackupSettings = Static<typeof BackupSettings>;

/** As a shop begins: at night, two weeks of them. */
export const DEFAULT_BACKUPS: BackupSettings = { isDaily: true, hour: 3, kept: 14 };

export const BackupsChange = strictObject({ version: Version, record: BackupSettings });

export const Backups = strictObject({
  settings: BackupSettings,
  version: Version,
  /** Where they are; `null` for a server that was started without such a place. */
  folder: nullable(Type.String()),
  /** Newest first. */
  kept: Type.Array(strictObject({ name: Type.String(), madeAt: Instant, bytes: Type.Integer() })),
  /** The one that was due is not there, hours after its time. */
  isLate: Type.Boolean(),
  /** Why the last one failed. */
  problem: nullable(Type.String()),
});
export type Backups = Static<typeof Backups>;
