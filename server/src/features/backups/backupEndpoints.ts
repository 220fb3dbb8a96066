import { Backups, BackupsChange } from '@saltflat/contract';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { BackupService } from './backupService.ts';

/** A large shop is written, read back and written to disk. */
const PATIENCE_S = 600;

export const backupEndpoints = (backups: BackupService): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/backups',
      summary: 'Backups there are, when they are made, and whether one is late',
      answer: Backups,
    },
    () => backups.read(),
  ),
  endpoint(
    {
      method: 'put',
      path: '/backups',
      summary: 'Set when backups are made and how many are kept',
      body: BackupsChange,
      answer: Backups,
    },
    ({ body }) => backups.set(body.version, body.record),
  ),
  endpoint(
    {
      method: 'post',
      path: '/backups',
      summary: 'Make a backup now',
      answer: Backups,
      status: 201,
      patienceS: PATIENCE_S,
    },
    () => backups.make(),
  ),
];
