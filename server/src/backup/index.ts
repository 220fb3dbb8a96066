export { checkBackup, dumpRange } from './backupFile.ts';
export { readEveryPlace } from './readEveryPlace.ts';
export { backupRefusal, writeBackup } from './writeBackup.ts';
export type { BackupTools } from './writeBackup.ts';
