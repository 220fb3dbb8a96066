import { BACKUP_FIELDS } from '@saltflat/contract/shopFields';
import Button from '@mui/material/Button';
import { useBackupsQuery, useMakeBackupMutation, useSetBackupsMutation } from '../../api/backupsApi.ts';
import { problemMessage } from '../../api/problemMessage.ts';
import { Loading, Notice } from '../../ui/Notice.tsx';
import { dayAndTime, megabytes } from '../../ui/fileWords.ts';
import { SettingForm } from './SettingForm.tsx';

/** Copies of the whole shop: when they are made, which there are, and what to do with one. */
export function BackupsPanel() {
  const { data, error, refetch } = useBackupsQuery();
  const [save, saving] = useSetBackupsMutation();
  const [make, making] = useMakeBackupMutation();
  if (error)
    return (
      <Notice title="The backups cannot be shown" onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Notice>
    );
  if (!data) return <Loading what="the backups" />;
  const { kept, folder, settings } = data;
  const [last] = kept;
  return (
    <div className="stack">
      <section className="panel" aria-label="Backups there are">
        <header>
          <h2>{last ? `Last backup ${dayAndTime(last.madeAt)}` : 'No backup yet'}</h2>
          <Button
            variant="outlined"
            size="small"
            disabled={making.isLoading || folder === null}
            onClick={() => void make()}
          >
            {making.isLoading ? 'Backing up …' : 'Back up now'}
          </Button>
        </header>
        <div className="stack" style={{ padding: 16 }}>
          {data.isLate && (
            <p className="alarm" role="alert">
              The backup that was due at {settings.hour}:00 is not there.
            </p>
          )}
          {(data.problem !== null || making.error !== undefined) && (
            <p className="alarm" role="alert">
              {making.error ? problemMessage(making.error) : data.problem}
            </p>
          )}
          {folder === null ? (
            <p>
              This server was started without a folder for backups. Use <code>npm run backup FILE</code>.
            </p>
          ) : (
            <p className="muted">
              Whole copies of the shop, pictures included, each read back after it was written. They are in{' '}
              <code>{folder}</code>; copy them to another disk as well. One is put back with{' '}
              <code>npm run restore FILE</code>.
            </p>
          )}
          {kept.length > 0 && (
            <table className="dense">
              <thead>
                <tr>
                  <th>Made</th>
                  <th>File</th>
                  <th className="number">Size, MB</th>
                </tr>
              </thead>
              <tbody>
                {kept.map(({ name, madeAt, bytes }) => (
                  <tr key={name}>
                    <td className="nowrap">{dayAndTime(madeAt)}</td>
                    <td>{name}</td>
                    <td className="number">{megabytes(bytes)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </div>
      </section>
      <SettingForm
        what="When backups are made"
        draftKey="saltflat.shop.backups"
        fields={BACKUP_FIELDS}
        values={settings}
        version={data.version}
        isSaving={saving.isLoading}
        save={save}
        saveLabel="Save"
      >
        <p className="muted small">
          By the clock of this machine. Of more backups than are kept the oldest go.
        </p>
      </SettingForm>
    </div>
  );
}
