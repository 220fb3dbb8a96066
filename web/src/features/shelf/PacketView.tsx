import type { ShelfLine, ShelfMoveInput, ShelfPacket, ShelfPacketWhole } from '@saltflat/contract';
import { PROCESS_SHORT_NAMES } from '@saltflat/core/route';
import { formatQuantity } from '@saltflat/core/units';
import { Link } from 'react-router';
import { useAttempt } from '../../api/useAttempt.ts';
import { Money, When } from '../../units/Written.tsx';
import { useDates, useUnits } from '../../units/writingSlice.ts';
import { Button, Note, Panel, Refusal, Row, Rows, SimpleTable, Stack, styled } from '../../ui/index.ts';
import type { TableColumn } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { MoveForm } from './MoveForm.tsx';
import { CURE_WORDS, MOVE_WORDS, ORIGIN_WORDS, PEEL_WORDS, ageOfPacket } from './shelfWords.ts';

type Sent = Promise<{ data?: unknown; error?: unknown }>;

interface Props {
  whole: ShelfPacketWhole;
  nowMs: number;
  by: string;
  onMove: (move: ShelfMoveInput) => Sent;
  /** Keeps so many for a line that is planned to print them, and has it taken off the shelf in place of that. */
  onInstead: (line: ShelfLine, pieces: number) => Sent;
}

/** A packet: how old it is, how it is pressed, whose it is, what became of it. */
export function PacketView({
  whole: { packet, freeOfKind, history, lines },
  nowMs,
  by,
  onMove,
  onInstead,
}: Props) {
  return (
    <Stack gap={12}>
      <Panel
        title={packet.code}
        says={packet.name}
        pad={12}
        actions={
          <Button size="small" download={`/api/v1/shelf/labels.pdf?packets=${packet.id}`}>
            {t('Label (PDF)')}
          </Button>
        }
      >
        <Stack gap={10}>
          <Age packet={packet} nowMs={nowMs} />
          <Counts packet={packet} />
          <Instructions packet={packet} />
        </Stack>
      </Panel>
      <KeptFor packet={packet} by={by} onMove={onMove} />
      <Wanting freeOfKind={freeOfKind} lines={lines} by={by} onMove={onMove} onInstead={onInstead} />
      <Panel title={t('By hand')} pad={12}>
        <MoveForm key={packet.id} packet={packet} by={by} onMove={onMove} />
      </Panel>
      {history.length > 0 && (
        <Panel title={t('What became of it')}>
          <SimpleTable
            label={t('What became of it')}
            columns={HISTORY}
            rows={history.map((own, i) => ({ ...own, key: i }))}
            keyOf={({ key }) => key}
          />
        </Panel>
      )}
    </Stack>
  );
}

function Age({ packet, nowMs }: { packet: ShelfPacket; nowMs: number }) {
  const dates = useDates();
  const { origin, madeAt, by, cure, lots, note } = packet;
  const { days, state, bestBeforeMs } = ageOfPacket(packet, nowMs);
  const before = dates(bestBeforeMs, 'date');
  return (
    <Stack gap={6}>
      <span className="muted small">
        {t('{origin} {day}, {n} days ago, by {by}; {cure}, best before {before}', {
          origin: ORIGIN_WORDS[origin],
          day: dates(madeAt, 'date'),
          n: days,
          by,
          cure: CURE_WORDS[cure],
          before,
        })}
        {lots.map(({ material, lot }) => ` · ${material} ${lot}`)}
      </span>
      {note !== '' && <span>{note}</span>}
      {state === 'past' && (
        <Note tone="alarm">
          {cure === 'light'
            ? t(
                'Its powder is only lightly melted: it was for pressing at once. Press one as a test, or melt it fully first.',
              )
            : t(
                'Past its time since {before}: press one as a test and pull at its edge before the rest is used.',
                {
                  before,
                },
              )}
        </Note>
      )}
      {state === 'soon' && (
        <Note tone="caution">{t('Use it before younger packets: best before {before}.', { before })}</Note>
      )}
    </Stack>
  );
}

function Counts({ packet: { left, onFloor, reserved, free } }: { packet: ShelfPacket }) {
  const kept = reserved.reduce((sum, { pieces }) => sum + pieces, 0);
  return (
    <Stack gap={8}>
      <Figures>
        {(
          [
            [t('left'), left],
            [t('on the floor'), onFloor],
            [t('kept for lines'), kept],
            [t('free'), free],
          ] as const
        ).map(([word, count]) => (
          <div key={word}>
            <dd>{count}</dd>
            <dt>{word}</dt>
          </div>
        ))}
      </Figures>
      {(left < 0 || free < 0) && (
        <Note tone="alarm" role="status">
          {left < 0
            ? t('{n} more were taken than were counted in it: count it anew.', { n: -left })
            : t('{n} more are promised than lie there: free some, or count anew.', { n: -free })}
        </Note>
      )}
    </Stack>
  );
}

function Instructions({ packet: { instructions, centsEach, widthMm } }: { packet: ShelfPacket }) {
  const units = useUnits();
  const { pressC, dwellS, kPa, sheet, peel, pull, secondPressS, capPressC, capDwellS } = instructions;
  const span = ({ min, max }: { min: number; max: number }, kind: 'temperature' | 'duration'): string =>
    min === max
      ? formatQuantity(min, kind, units)
      : `${formatQuantity(min, kind, units)} – ${formatQuantity(max, kind, units)}`;
  const rows: [string, React.ReactNode][] = [
    [t('Print, wide'), formatQuantity(widthMm, 'length', units)],
    [
      t('Press'),
      `${span(pressC, 'temperature')}, ${span(dwellS, 'duration')}, ${formatQuantity(kPa, 'pressure', units)}`,
    ],
    [t('Under'), t(sheet.replaceAll('-', ' '))],
    [t('Peel'), `${PEEL_WORDS[peel]}, ${pull === 'fast' ? t('one fast pull') : t('slow and low')}`],
    [t('Second press'), secondPressS > 0 ? formatQuantity(secondPressS, 'duration', units) : t('none')],
    ...(capPressC === null
      ? []
      : ([[t('On caps'), `${span(capPressC, 'temperature')}, ${span(capDwellS ?? dwellS, 'duration')}`]] as [
          string,
          string,
        ][])),
    [t('Each costs'), <Money key="cents" cents={centsEach} />],
  ];
  return (
    <SimpleTable
      label={t('How it is pressed')}
      isHeadHidden
      columns={[
        { key: 'what', title: t('What'), cell: ([what]) => <span className="muted">{what}</span> },
        { key: 'value', title: t('Value'), cell: ([, value]) => value },
      ]}
      rows={rows}
      keyOf={([what]) => what}
    />
  );
}

function KeptFor({ packet, by, onMove }: Pick<Props, 'by' | 'onMove'> & { packet: ShelfPacket }) {
  const attempt = useAttempt();
  if (packet.reserved.length === 0) return null;
  return (
    <Panel title={t('Kept for')}>
      <Rows>
        {packet.reserved.map(({ lineId, code, customer, pieces }) => (
          <Item key={lineId}>
            <Row gap={8}>
              <Link className="code" to={`/route/${lineId}`}>
                {code}
              </Link>
              <span>{customer}</span>
              <strong>{t('{n} transfers', { n: pieces })}</strong>
            </Row>
            <Button
              size="small"
              isBusy={attempt.isBusy(lineId)}
              onClick={() =>
                void attempt.make(lineId, () => onMove({ kind: 'freed', pieces, lineId, why: '', by }))
              }
            >
              {t('Free them')}
            </Button>
            <Refusal {...attempt.refusal(lineId)} />
          </Item>
        ))}
      </Rows>
    </Panel>
  );
}

/** Lines that these transfers would do for. */
function Wanting({
  freeOfKind,
  lines,
  by,
  onMove,
  onInstead,
}: Pick<Props, 'by' | 'onMove' | 'onInstead'> & { freeOfKind: number; lines: readonly ShelfLine[] }) {
  const dates = useDates();
  const attempt = useAttempt();
  return (
    <Panel title={t('Would do for')} says={t('lines not begun; the oldest packets go first')}>
      {lines.length === 0 ? (
        <p className="muted" style={{ padding: '4px 16px 12px' }}>
          {t('No line that waits has this art at this size.')}
        </p>
      ) : (
        <Rows>
          {lines.map((line) => {
            const { lineId, code, customer, dueAt, pieces, process, kept } = line;
            const isPrinted = process !== 'shelf' && process !== 'patch-cap';
            const count = Math.min(pieces - kept, freeOfKind);
            const isInstead = isPrinted && count === pieces;
            return (
              <Item key={`${lineId} ${line.print}`}>
                <Stack gap={2}>
                  <Row gap={8}>
                    <Link className="code" to={`/route/${lineId}`}>
                      {code}
                    </Link>
                    <span>{customer}</span>
                  </Row>
                  <span className="muted small">
                    {t('{n} pieces, due {due}, planned: {process}', {
                      n: pieces,
                      due: dates(dueAt, 'day'),
                      process: t(PROCESS_SHORT_NAMES[process]),
                    })}
                  </span>
                </Stack>
                {count > 0 && (
                  <Button
                    size="small"
                    isBusy={attempt.isBusy(lineId)}
                    onClick={() =>
                      void attempt.make(lineId, () =>
                        isInstead
                          ? onInstead(line, count)
                          : onMove({ kind: 'reserved', pieces: count, lineId, why: '', by }),
                      )
                    }
                  >
                    {isInstead
                      ? t('Take {n} in place of printing', { n: count })
                      : t('Keep {n}', { n: count })}
                  </Button>
                )}
                {kept > 0 && <span className="muted small">{t('{n} kept', { n: kept })}</span>}
                <Refusal {...attempt.refusal(lineId)} />
              </Item>
            );
          })}
        </Rows>
      )}
    </Panel>
  );
}

type History = ShelfPacketWhole['history'][number] & { key: number };
const HISTORY: TableColumn<History>[] = [
  { key: 'at', title: t('When'), isNoWrap: true, cell: ({ at }) => <When at={at} as="day-time" /> },
  {
    key: 'what',
    title: t('What'),
    cell: ({ kind, line, why }) => (
      <>
        {MOVE_WORDS[kind]} {line !== null && <span className="code">{line}</span>}
        {why !== '' && <span className="muted"> · {why}</span>}
      </>
    ),
  },
  {
    key: 'pieces',
    title: t('Transfers'),
    isNumber: true,
    // what is promised neither comes nor goes
    cell: ({ kind, pieces }) =>
      kind === 'reserved' || kind === 'freed' ? Math.abs(pieces) : pieces > 0 ? `+${pieces}` : `−${-pieces}`,
  },
  { key: 'by', title: t('By'), cell: ({ by }) => (by === '' ? t('the floor') : by) },
];

const Figures = styled('dl')({
  display: 'grid',
  gridTemplateColumns: 'repeat(4, auto)',
  gap: 12,
  margin: 0,
  '& dd': { margin: 0, fontSize: 26, fontWeight: 650, fontVariantNumeric: 'tabular-nums', lineHeight: 1.1 },
  '& dt': { fontSize: 13, color: 'var(--muted)' },
});

const Item = styled('li')({
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  justifyContent: 'space-between',
  gap: 8,
  padding: '8px 16px',
});
