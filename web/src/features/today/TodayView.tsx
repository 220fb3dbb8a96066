import type { Catalogue, PlanGround } from '@saltflat/contract';
import { deadlines, handsNeeded, planPicture, stationsNow } from '@saltflat/core/plan';
import type { Deadline, HandsNeeded, PicturedOp } from '@saltflat/core/plan';
import { STATION_NAMES } from '@saltflat/core/work';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { serverNow } from '../../api/serverClock.ts';
import { inHours, planRoom, usePlanTime } from '../../planned/index.ts';
import { Columns, Note, Panel, Rows, Split, Stack, useNow } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { BeforeLeaving, GettingReady } from './MorningAndEvening.tsx';
import { StationColumn } from './StationColumn.tsx';
import { ROW, ROW_LINK, lineTo } from './rows.ts';
import type { Shown } from './rows.ts';
import { useOrdersAtRisk } from './useOrdersAtRisk.ts';
import type { Known } from './useWorthKnowing.ts';

interface Props {
  ground: PlanGround;
  catalogue: Catalogue;
  known: readonly Known[];
}

/** Times hands are needed that are shown. */
const HANDS = 14;
/** Deadlines farther away are no news, min. */
const SOON_MIN = 30;

/** The room as it is: stations with what waits, runs and rests, where hands are needed next, what is worth knowing. */
export function TodayView({ ground, catalogue, known }: Props) {
  const nowMs = useNow(serverNow, 1000);
  const minute = Math.floor(nowMs / 60_000);
  const room = useMemo(
    // the plan is followed anew each minute: what is late pushes on what comes after it
    () => planRoom(ground, catalogue.machines, minute * 60_000, null),
    [ground, catalogue, minute],
  );
  const picture = useMemo(() => planPicture(room.own, room.followed?.ops ?? room.own.instance.fixed), [room]);
  const time = usePlanTime(room.epochMs, room.zone);
  const lines = useMemo(
    () => new Map(ground.jobs.flatMap((job) => job.lines).map((line) => [line.lineId, line])),
    [ground],
  );
  const runOf = useMemo(() => new Map(ground.jobs.map(({ key, runId }) => [key, runId])), [ground]);
  const atRisk = useOrdersAtRisk(room, picture, lines);
  const now = (nowMs - room.epochMs) / 60_000;
  const codesOf = (op: PicturedOp): string => op.lines.map((id) => lines.get(id)?.code ?? '').join(' ');
  const toOf = (op: PicturedOp): string => {
    const run = runOf.get(op.job) ?? null;
    return run === null ? lineTo(op.lines) : `/floor/${run}`;
  };
  const shown = { codesOf, toOf, time, now };
  const stations = stationsNow(room.own, picture);
  const machineName = (id: string): string => catalogue.machines.find((own) => own.id === id)?.name ?? id;
  return (
    <Stack gap={16}>
      {ground.kept === null && (
        <Note tone="caution" actions={<Link to="/plan">{t('Make a plan')}</Link>}>
          {t('Nobody has kept a plan yet: what is on the floor is shown, not what comes next.')}
        </Note>
      )}
      <Columns least={136} gap={8}>
        {stations.map((own) => (
          <StationColumn key={own.station} own={own} {...shown} />
        ))}
      </Columns>
      <Split columns="minmax(0, 1.2fr) minmax(0, 1fr)">
        <Panel title={t('Hands needed next')} pad="4px 14px 10px">
          <HandsList hands={handsNeeded(picture, now, HANDS)} machineName={machineName} {...shown} />
        </Panel>
        <Stack gap={16}>
          <Panel title={t('Worth knowing')} pad="4px 14px 10px">
            <KnownList known={[...deadlineWords(deadlines(room.own, picture), shown), ...atRisk, ...known]} />
          </Panel>
          <GettingReady {...{ ground, room, picture, catalogue, machineName }} {...shown} />
          <BeforeLeaving {...{ room, picture, lines }} {...shown} />
        </Stack>
      </Split>
    </Stack>
  );
}

function HandsList({
  hands,
  codesOf,
  toOf,
  time,
  now,
  machineName,
}: Shown & { hands: readonly HandsNeeded[]; machineName: (id: string) => string }) {
  if (hands.length === 0) return <p className="muted">{t('Nobody is needed as far as is planned.')}</p>;
  return (
    <Rows>
      {hands.map(({ op, at, until }) => (
        <li key={`${op.id} ${at}`} style={ROW}>
          <strong style={{ minWidth: 52 }}>{at <= now ? t('now') : time(at, 'time')}</strong>
          <span style={{ flex: '0 0 124px' }} className="muted">
            {op.machine === null ? t(STATION_NAMES[op.station]) : machineName(op.machine)}
          </span>
          <Link to={toOf(op)} style={ROW_LINK}>
            <span className="code">{codesOf(op)}</span> {t(op.title)}
            {op.parts > 1 && ` ×${op.parts}`}
          </Link>
          <span className="muted small nowrap">
            {inHours(Math.max(1, Math.round(until - Math.max(at, now))))}
          </span>
        </li>
      ))}
    </Rows>
  );
}

function KnownList({ known }: { known: readonly Known[] }) {
  if (known.length === 0) return <p className="muted">{t('Nothing stands out.')}</p>;
  return (
    <Rows>
      {known.map(({ key, mark, words, to }) => (
        <li key={key} style={{ display: 'flex', gap: 10, alignItems: 'baseline' }}>
          <span aria-hidden="true" style={mark === '◆' ? { color: 'var(--rose)' } : {}}>
            {mark}
          </span>
          <Link to={to} style={ROW_LINK}>
            {words}
          </Link>
        </li>
      ))}
    </Rows>
  );
}

/** What was made and may not stand much longer, by its minutes. */
const deadlineWords = (all: readonly Deadline[], { codesOf, toOf, now }: Shown): Known[] =>
  all
    .filter(({ by }) => by - now < SOON_MIN)
    .map(({ op, by }) => ({
      key: `deadline ${op.id}`,
      mark: '◆',
      words:
        by > now
          ? t('{code}: “{what}” must begin within {time}', {
              code: codesOf(op),
              what: t(op.title),
              time: inHours(Math.max(1, Math.floor(by - now))),
            })
          : t('{code}: “{what}” should have begun {time} ago: look at what was made', {
              code: codesOf(op),
              what: t(op.title),
              time: inHours(Math.max(1, Math.floor(now - by))),
            }),
      to: toOf(op),
    }));
