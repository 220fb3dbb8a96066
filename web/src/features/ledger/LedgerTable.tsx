import type { ReadyItem } from '@saltflat/core/care';
import { rich, t } from '../../words/index.ts';
import type { LedgerRow } from '@saltflat/contract';
import { sayOverrule } from '@saltflat/core/artwork';
import { shortNames } from '@saltflat/core/route';
import { FAULTS, readStepId } from '@saltflat/core/run';
import type { Role } from '@saltflat/core/work';
import { formatClock, formatQuantity, scaleDigits } from '@saltflat/core/units';
import { When } from '../../units/Written.tsx';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useUnits } from '../../units/writingSlice.ts';
import { useWords } from '../../units/useWords.ts';
import type { UnitSystem } from '@saltflat/core/units';
import { DataTable, StateMark } from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';

const seconds = (value: number | null): string =>
  value === null ? '–' : formatQuantity(Math.round(value), 'duration');

const columnsIn = (system: UnitSystem): TableColumn<LedgerRow>[] => [
  { key: 'at', title: t('When'), isNoWrap: true, cell: ({ at }) => <When at={at} as="day-time" /> },
  {
    key: 'code',
    title: t('Line'),
    isNoWrap: true,
    cell: ({ code, orderId }) => (
      <Link className="code" to={`/orders/${orderId}`}>
        {code}
      </Link>
    ),
  },
  { key: 'piece', title: t('Piece'), isNumber: true, cell: ({ piece }) => piece },
  {
    key: 'customer',
    title: t('Customer and garment'),
    cell: ({ customer, garment }) => (
      <>
        {customer} <span className="muted">{garment}</span>
      </>
    ),
  },
  {
    key: 'process',
    title: t('Process'),
    isWideOnly: true,
    cell: ({ processes }) => shortNames(processes, t),
  },
  {
    key: 'plate',
    title: t('Plate'),
    isWideOnly: true,
    isNumber: true,
    cell: ({ plateC }) => (plateC === null ? '' : formatQuantity(plateC, 'temperature', system)),
  },
  {
    key: 'dwell',
    title: t('Dwell, set / kept'),
    isWideOnly: true,
    isNumber: true,
    cell: ({ dwellS, actualDwellS }) => `${seconds(dwellS)} / ${seconds(actualDwellS)}`,
  },
  {
    key: 'pretreatment',
    title: t('Pretreated, wanted / weighed'),
    isWideOnly: true,
    isNumber: true,
    cell: ({ pretreatmentTargetG, pretreatmentG }) =>
      pretreatmentTargetG === null
        ? ''
        : `${formatQuantity(pretreatmentTargetG, 'mass', system, scaleDigits(system))} / ${
            pretreatmentG === null
              ? 'not weighed'
              : formatQuantity(pretreatmentG, 'mass', system, scaleDigits(system))
          }`,
  },
  { key: 'verdict', title: t('Came out'), cell: ({ verdict }) => <StateMark state={verdict} /> },
  { key: 'fault', title: t('Fault, first cause to look at'), cell: (row) => <Seen row={row} /> },
  {
    key: 'made',
    title: t('Made together with, and from which lots'),
    isWideOnly: true,
    cell: (row) => <MadeTogether row={row} />,
  },
  { key: 'by', title: t('By'), isWideOnly: true, cell: ({ by }) => by },
];

/** What was seen on a piece, with its first cause, a photo, and the route it was made by. */
const Seen = ({ row }: { row: LedgerRow }) => (
  <>
    {row.faults.map((fault) => (
      <div key={fault}>
        {FAULTS[fault]?.name ?? fault} <span className="muted">{FAULTS[fault]?.firstCause}</span>
      </div>
    ))}
    {row.note && <div className="muted">“{row.note}”</div>}
    {row.made.map(
      ({ role, step, lateS }) =>
        lateS !== undefined && (
          <div key={step} className="small">
            <span aria-hidden="true">◆ </span>
            {t('{done} {time} after its window', { done: DONE[role] ?? role, time: formatClock(lateS) })}
          </div>
        ),
    )}
    {row.made.map(
      ({ role, step, missed = [] }) =>
        missed.length > 0 && (
          <div key={`${role} ${step}`} className="small">
            <span aria-hidden="true">◆ </span>
            {t('{done} without: {items}', {
              done: DONE[role] ?? role,
              items: missed.map((item) => MISSED[item]).join(', '),
            })}
          </div>
        ),
    )}
    {row.artOverrule && <Overruled overrule={row.artOverrule} />}
    {row.photo && (
      <a href={`/api/v1/photos/${row.photo}`} target="_blank" rel="noreferrer">
        {t('Photo')}
      </a>
    )}{' '}
    {row.verdict !== 'good' && (
      <Link to={`/route/${row.lineId}?version=${row.routeNumber}`}>
        {rich('Route, version {routeNumber}', { routeNumber: row.routeNumber })}
      </Link>
    )}
  </>
);

const Overruled = ({ overrule }: { overrule: NonNullable<LedgerRow['artOverrule']> }) => {
  const words = useWords();
  return (
    <div className="small">
      <span aria-hidden="true">◆ </span>
      {words(sayOverrule(overrule))}
    </div>
  );
};

const MISSED: Record<ReadyItem, string> = {
  agitated: t('stirred white'),
  nozzles: t('all nozzles'),
  room: t('a room within its range'),
  'mock-up': t('a look at the mock-up'),
  layers: t('a look at mirror and layers'),
  height: t('a look at the platen’s height'),
};

const DONE: Partial<Record<Role, string>> = {
  print: 'printed',
  powder: 'powdered',
  peel: 'peeled',
  dry: 'dried',
  melt: 'melted',
  spray: 'sprayed',
  bond: 'pressed',
  cure: 'cured',
};

/** Sheets and loads the piece shared, each leading to all that came of it. */
function MadeTogether({ row: { runId, made, lots } }: { row: LedgerRow }) {
  return (
    <>
      {made.flatMap(({ role, step }) => {
        const others = (readStepId(step)?.parts.length ?? 1) - 1;
        return others < 1
          ? []
          : [
              <Link
                key={step}
                className="nowrap"
                style={{ display: 'block', lineHeight: '28px' }}
                to={`/ledger?${new URLSearchParams({ run: runId, step }).toString()}`}
              >
                {t('{done} with {others} more', { done: DONE[role] ?? role, others })}
              </Link>,
            ];
      })}
      {lots.map(({ material, lot }) => (
        <Link
          key={`${material} ${lot}`}
          className="nowrap small"
          style={{ display: 'block', lineHeight: '24px' }}
          to={`/ledger?${new URLSearchParams({ search: lot }).toString()}`}
        >
          {material} {lot}
        </Link>
      ))}
    </>
  );
}

interface Props {
  rows: readonly LedgerRow[];
  says: string;
  csvHref: string;
  isMoreComing: boolean;
  onNearEnd: (() => void) | undefined;
}

/** What came out, one row a piece, with the settings and readings it really had; newest first, however many there are. */
export function LedgerTable(props: Props) {
  const system = useUnits();
  const columns = useMemo(() => columnsIn(system), [system]);
  return (
    <DataTable
      name="ledger"
      label={t('Judged pieces')}
      columns={columns}
      keyOf={({ runId, code, piece, at }) => `${runId}/${code}/${piece}/${at}`}
      sorting={NEWEST}
      onSort={() => undefined}
      {...props}
    />
  );
}

const NEWEST = { key: 'at', direction: 'desc' } as const;
