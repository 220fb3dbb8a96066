export { backupEndpoints } from './backupEndpoints.ts';
export { BackupService } from './backupService.ts';
export type { BackupPlace } from './backupService.ts';
