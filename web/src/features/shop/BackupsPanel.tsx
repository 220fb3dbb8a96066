import { rich, t } from '../../words/index.ts';
import { When } from '../../units/Written.tsx';
import type { Backups } from '@saltflat/contract';
import { BACKUP_FIELDS } from '@saltflat/contract/shopFields';
import { useBackupsQuery, useMakeBackupMutation, useSetBackupsMutation } from '../../api/backupsApi.ts';
import { problemMessage } from '../../api/problemMessage.ts';
import { SettingForm } from './SettingForm.tsx';
import {
  Button,
  Failed,
  Loading,
  Note,
  Panel,
  Refusal,
  SimpleTable,
  Stack,
  megabytes,
} from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

/** Copies of the whole shop: when they are made, which there are, and what to do with one. */
export function BackupsPanel() {
  const { data, error, refetch } = useBackupsQuery();
  const [save] = useSetBackupsMutation();
  const [make, making] = useMakeBackupMutation();
  if (error)
    return (
      <Failed title={t('The backups cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!data) return <Loading what={t('the backups')} />;
  const { kept, folder, settings } = data;
  const [last] = kept;
  return (
    <Stack>
      <Panel
        label={t('Backups there are')}
        title={
          last ? (
            <>{rich('Last backup {when}', { when: <When at={last.madeAt} as="weekday-time" /> })}</>
          ) : (
            t('No backup yet')
          )
        }
        actions={
          <Button
            size="small"
            isBusy={making.isLoading}
            disabled={folder === null}
            onClick={() => void make()}
          >
            {making.isLoading ? t('Backing up …') : t('Back up now')}
          </Button>
        }
        pad={16}
      >
        <Stack>
          {data.isLate && (
            <Note tone="alarm" role="alert">
              {rich('The backup that was due at {hour}:00 is not there.', { hour: settings.hour })}
            </Note>
          )}
          <Refusal
            words={making.error ? problemMessage(making.error) : (data.problem ?? '')}
            onRetry={() => void make()}
            isRetrying={making.isLoading}
          />
          {folder === null ? (
            <p>
              {rich('This server was started without a folder for backups. Use {code}.', {
                code: <code>{t('npm run backup FILE')}</code>,
              })}
            </p>
          ) : (
            <p className="muted">
              {rich(
                'Whole copies of the shop, pictures included, each read back after it was written. They are in {code}; copy them to another disk as well. One is put back with {code2}.',
                { code: <code>{folder}</code>, code2: <code>{t('npm run restore FILE')}</code> },
              )}
            </p>
          )}
          {kept.length > 0 && (
            <SimpleTable label={t('Backups')} columns={COLUMNS} rows={kept} keyOf={({ name }) => name} />
          )}
        </Stack>
      </Panel>
      <SettingForm
        what={t('When backups are made')}
        setting="backups"
        fields={BACKUP_FIELDS}
        values={settings}
        version={data.version}
        save={save}
        saveLabel={t('Save')}
      >
        <p className="muted small">
          {t('By the clock of this machine. Of more backups than are kept the oldest go.')}
        </p>
      </SettingForm>
    </Stack>
  );
}

const COLUMNS: TableColumn<Backups['kept'][number]>[] = [
  {
    key: 'made',
    title: t('Made'),
    isNoWrap: true,
    cell: ({ madeAt }) => <When at={madeAt} as="weekday-time" />,
  },
  { key: 'file', title: t('File'), cell: ({ name }) => name },
  { key: 'size', title: t('Size, MB'), isNumber: true, cell: ({ bytes }) => megabytes(bytes) },
];
