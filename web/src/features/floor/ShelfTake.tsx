import type { FloorAction } from '@saltflat/core/run';
import { ageOf } from '@saltflat/core/shelf';
import type { Operation } from '@saltflat/core/work';
import { useRunShelfQuery } from '../../api/shelfApi.ts';
import { When } from '../../units/Written.tsx';
import { Note, Panel, SimpleTable } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { lineOf } from './moments.ts';
import type { LiveRun } from './useRunState.ts';

interface Props {
  live: LiveRun;
  action: FloorAction;
  operation: Operation;
  nowMs: number;
}

/** Which packets transfers are taken out of, the oldest first: where they come off the shelf. */
export function ShelfTake({ live, action, operation, nowMs }: Props) {
  const { route } = lineOf(live.run, action.step.line);
  const print = route.prints.find(({ id }) => id === operation.print);
  const isTaken =
    operation.role === 'cut' && print?.sources.some(({ role }) => role === 'shelf-transfer') === true;
  return isTaken ? (
    <Packets runId={live.run.id} lineKey={action.step.line} print={operation.print} nowMs={nowMs} />
  ) : null;
}

function Packets({
  runId,
  lineKey,
  print,
  nowMs,
}: {
  runId: string;
  lineKey: string;
  print: string | null;
  nowMs: number;
}) {
  const { data } = useRunShelfQuery(runId);
  const uses = data?.uses.filter((own) => own.lineKey === lineKey && own.print === print) ?? [];
  if (uses.length === 0) return null; // nobody counts them in packets, or they are not known yet
  const isPast = uses.some(
    (own) => ageOf({ ...own, madeMs: Date.parse(own.madeAt) }, nowMs).state === 'past',
  );
  return (
    <Panel label={t('Off the shelf')} style={{ margin: '0 20px 14px' }}>
      <SimpleTable
        label={t('Off the shelf')}
        columns={[
          { key: 'packet', title: t('Packet'), cell: ({ code }) => <strong className="code">{code}</strong> },
          {
            key: 'take',
            title: t('Take'),
            isNumber: true,
            cell: ({ pieces, taken }) =>
              taken > 0 ? t('{taken} of {pieces} taken', { taken, pieces }) : pieces,
          },
          { key: 'made', title: t('Made or came'), cell: ({ madeAt }) => <When at={madeAt} as="date" /> },
          { key: 'name', title: t('Transfer'), cell: ({ name }) => name },
        ]}
        rows={uses}
        keyOf={({ code }) => code}
      />
      {isPast && (
        <Note tone="alarm" isSmall>
          {t('Some of them are past their time: press one as a test and pull at its edge first.')}
        </Note>
      )}
    </Panel>
  );
}
