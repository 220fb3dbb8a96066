import type { Upkeep, UpkeepRow } from '@saltflat/contract';
import type { UpkeepUnit } from '@saltflat/core/care';
import { useNoteUpkeepMutation, useUpkeepQuery, useWithdrawUpkeepMutation } from '../../api/careApi.ts';
import { problemMessage } from '../../api/problemMessage.ts';
import { useAttempt } from '../../api/useAttempt.ts';
import { signedBy, useSignature } from '../../person/personSlice.ts';
import { When } from '../../units/Written.tsx';
import {
  Button,
  Empty,
  Failed,
  Loading,
  Mark,
  Panel,
  Refusal,
  Row,
  SimpleTable,
  Stack,
  useToast,
} from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { NozzleTrends } from './NozzleTrend.tsx';

const EVERY: Record<UpkeepUnit, readonly [one: string, many: string]> = {
  days: [t('each day'), 'every {count} days'],
  hours: [t('each hour of work'), 'every {count} hours of work'],
  prints: [t('each print'), 'every {count} prints'],
  garments: [t('each garment'), 'every {count} garments'],
  presses: [t('each press'), 'every {count} presses'],
};

const STANDINGS: Record<UpkeepRow['standing'], { mark: string; words: string; tone: 'calm' | 'hands' }> = {
  due: { mark: '◆', words: t('due'), tone: 'hands' },
  never: { mark: '◌', words: t('never noted'), tone: 'hands' },
  soon: { mark: '◐', words: t('soon'), tone: 'calm' },
  kept: { mark: '●', words: t('done'), tone: 'calm' },
};

const ORDER: readonly UpkeepRow['standing'][] = ['due', 'never', 'soon', 'kept'];

/** What keeps machines well: what is due, done with one press, and what came of pieces while it was left. */
export function UpkeepPanel() {
  const { data: upkeep, error, refetch } = useUpkeepQuery(undefined, { refetchOnMountOrArgChange: true });
  if (error)
    return (
      <Failed title={t('Upkeep cannot be shown')} onRetry={() => void refetch()}>
        {problemMessage(error)}
      </Failed>
    );
  if (!upkeep) return <Loading what={t('upkeep')} />;
  if (upkeep.tasks.length === 0)
    return (
      <Empty
        isPage
        title={t('Nothing is due on anything')}
        action={<Button to="/shop/machines">{t('Add a machine')}</Button>}
      >
        {t('Printers, presses, sprayers and ovens bring their tasks with them.')}
      </Empty>
    );
  const rows = [...upkeep.tasks].sort(
    (p, q) => ORDER.indexOf(p.standing) - ORDER.indexOf(q.standing) || p.machine.localeCompare(q.machine),
  );
  const wanted = rows.filter(isWanted).length;
  return (
    <Stack gap={12}>
      <Panel
        title={t('Upkeep')}
        says={
          wanted === 0
            ? t('Everything is done. Intervals are trade ranges; a machine’s own book goes before them.')
            : t('{wanted} to do. Intervals are trade ranges; a machine’s own book goes before them.', {
                wanted,
              })
        }
      >
        <SimpleTable
          label={t('Upkeep')}
          columns={COLUMNS}
          rows={rows}
          keyOf={({ machineId, task }) => `${machineId} ${task}`}
          isTopAligned
        />
      </Panel>
      <NozzleTrends tasks={upkeep.tasks} />
      <BeforePrinting printed={upkeep.printed} />
    </Stack>
  );
}

const isWanted = ({ standing }: Pick<UpkeepRow, 'standing'>): boolean =>
  standing === 'due' || standing === 'never';

/** “3 of 80”; nothing where no piece was made meanwhile. */
const countWords = ({ pieces, spoiled }: UpkeepRow['counts']['kept']): string =>
  pieces === 0 ? '–' : t('{spoiled} of {pieces}', { spoiled, pieces });

const COLUMNS: TableColumn<UpkeepRow>[] = [
  {
    key: 'standing',
    title: t('Stands'),
    isNoWrap: true,
    cell: ({ standing }) => (
      <Mark mark={STANDINGS[standing].mark} tone={STANDINGS[standing].tone}>
        {STANDINGS[standing].words}
      </Mark>
    ),
  },
  {
    key: 'task',
    title: t('What'),
    cell: ({ machine, title, why }) => (
      <>
        <strong>{machine}</strong> {t(title)}
        <div className="muted small">{t(why)}</div>
      </>
    ),
  },
  {
    key: 'every',
    title: t('How often'),
    isNoWrap: true,
    cell: ({ every: { count, unit }, used, last }) => (
      <>
        {count === 1 ? EVERY[unit][0] : t(EVERY[unit][1], { count })}
        {unit !== 'days' && last && <div className="muted small">{t('{used} since', { used })}</div>}
      </>
    ),
  },
  {
    key: 'last',
    title: t('Last'),
    isNoWrap: true,
    cell: ({ last }) =>
      last && (
        <>
          <When at={last.at} as="day-time" />
          <div className="muted small">
            {last.isSkipped ? t('left out, {by}', { by: signedBy(last.by) }) : signedBy(last.by)}
          </div>
        </>
      ),
  },
  {
    key: 'kept',
    title: t('Not good, kept'),
    isNumber: true,
    isNoWrap: true,
    cell: ({ counts: { kept } }) => countWords(kept),
  },
  {
    key: 'not-kept',
    title: t('Not good, left'),
    isNumber: true,
    isNoWrap: true,
    cell: ({ counts: { notKept } }) => countWords(notKept),
  },
  { key: 'do', title: t('Note it'), cell: (row) => <NoteIt row={row} /> },
];

/** Done, or left out on purpose; taken back as quickly. */
function NoteIt({ row: { machineId, machine, task, title, standing } }: { row: UpkeepRow }) {
  const by = useSignature();
  const [note] = useNoteUpkeepMutation();
  const [withdraw] = useWithdrawUpkeepMutation();
  const attempt = useAttempt();
  const tell = useToast();
  const send = (isSkipped: boolean): void =>
    void attempt.make(
      isSkipped ? 'skip' : 'done',
      () => note({ machineId, input: { task, isSkipped, by } }),
      ({ id }) =>
        tell({
          words: isSkipped
            ? t('{machine}: “{title}” is left out this time.', { machine, title: t(title) })
            : t('{machine}: “{title}” is done.', { machine, title: t(title) }),
          undo: () => void withdraw({ id, isWithdrawn: true }),
        }),
    );
  return (
    <>
      <Row gap={6} isOneLine>
        <Button
          size="small"
          look={isWanted({ standing }) ? 'primary' : 'second'}
          label={t('Done: {title}, {machine}', { title: t(title), machine })}
          isBusy={attempt.isBusy('done')}
          onClick={() => send(false)}
        >
          {t('Done')}
        </Button>
        <Button
          size="small"
          label={t('Leave out: {title}, {machine}', { title: t(title), machine })}
          isBusy={attempt.isBusy('skip')}
          onClick={() => send(true)}
        >
          {t('Leave out')}
        </Button>
      </Row>
      <Refusal {...attempt.refusal('done')} />
      <Refusal {...attempt.refusal('skip')} />
    </>
  );
}

/** Pieces by what was noted before their print: what happened, no more. */
function BeforePrinting({ printed: { right, missed, notNoted } }: Pick<Upkeep, 'printed'>) {
  return (
    <Panel
      title={t('Looked at before printing')}
      says={t('Counts of what happened, no causes: pieces of one order spoil together.')}
    >
      <SimpleTable
        label={t('Looked at before printing')}
        columns={[
          { key: 'name', title: t('What was noted'), cell: ({ name }) => name },
          { key: 'pieces', title: t('Pieces'), isNumber: true, cell: ({ pieces }) => pieces },
          { key: 'spoiled', title: t('Not good'), isNumber: true, cell: ({ spoiled }) => spoiled },
        ]}
        rows={[
          { name: t('all was right'), ...right },
          { name: t('something was left out or not right'), ...missed },
          { name: t('nothing was noted'), ...notNoted },
        ]}
        keyOf={({ name }) => name}
      />
    </Panel>
  );
}
