import type { BackupSettings, Backups } from '@saltflat/contract';
import { baseApi } from './baseApi.ts';

/** A large shop is written and read back. */
const BACKUP_MS = 600_000;

const backupsApi = baseApi.injectEndpoints({
  endpoints: (build) => ({
    backups: build.query<Backups, void>({ query: () => '/backups', providesTags: ['Backup'] }),
    setBackups: build.mutation<Backups, { version: number; record: BackupSettings }>({
      query: (body) => ({ url: '/backups', method: 'PUT', body }),
      invalidatesTags: ['Backup'],
    }),
    makeBackup: build.mutation<Backups, void>({
      query: () => ({ url: '/backups', method: 'POST', timeout: BACKUP_MS }),
      invalidatesTags: ['Backup'],
    }),
  }),
});

export const { useBackupsQuery, useSetBackupsMutation, useMakeBackupMutation } = backupsApi;
