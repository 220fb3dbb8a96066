import { t } from '../../words/index.ts';
import { Link } from 'react-router';
import { useBackupsQuery } from '../../api/backupsApi.ts';
import { useDates } from '../../units/writingSlice.ts';
import { Note } from '../../ui/index.ts';

const ASK_MS = 10 * 60_000;

/** Worth knowing on the first page of the day: the backup that was due is not there. Says nothing while all is well. */
export function BackupNotice() {
  const when = useDates();
  const { data } = useBackupsQuery(undefined, { pollingInterval: ASK_MS });
  if (!data?.isLate) return null;
  const [last] = data.kept;
  return (
    <Note tone="alarm" role="status">
      {last
        ? t('The last backup is from {madeAt}: the one that was due is not there. ', {
            madeAt: when(last.madeAt, 'weekday-time'),
          })
        : t('There is no backup of this shop yet, and one was due. ')}
      <Link to="/shop/backups">{t('Look at the backups')}</Link>
    </Note>
  );
}
