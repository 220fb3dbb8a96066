import type { Care, Catalogue, PlanGround } from '@saltflat/contract';
import { deadlines, handsNeeded, planPicture, spanOf, stationsNow, switchedOn } from '@saltflat/core/plan';
import type { Deadline, HandsNeeded, PicturedOp, PlanPicture } from '@saltflat/core/plan';
import { formatQuantity } from '@saltflat/core/units';
import { STATION_NAMES } from '@saltflat/core/work';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useCareQuery } from '../../api/careApi.ts';
import { serverNow } from '../../api/serverClock.ts';
import { useUnits } from '../../units/writingSlice.ts';
import { Columns, Mark, Note, Panel, Rows, Split, Stack, useNow } from '../../ui/index.ts';
import { t } from '../../words/index.ts';
import { inHours, lateMin, planRoom, usePlanTime } from '../../planned/index.ts';
import type { PlanRoom, PlanTime } from '../../planned/index.ts';
import { StationColumn } from './StationColumn.tsx';
import type { Known } from './useWorthKnowing.ts';

interface Props {
  ground: PlanGround;
  catalogue: Catalogue;
  known: readonly Known[];
}

/** A link in a list of links: high enough for a thumb beside the next. */
const ROW = { display: 'flex', gap: 12, alignItems: 'baseline' } as const;
const ROW_LINK = { flex: 1, padding: '4px 0' } as const;
/** Times hands are needed that are shown. */
const HANDS = 9;
const DAY_MIN = 1440;
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
  const now = (nowMs - room.epochMs) / 60_000;
  const codesOf = (op: PicturedOp): string => op.lines.map((id) => lines.get(id)?.code ?? '').join(' ');
  const toOf = (op: PicturedOp): string => {
    const run = runOf.get(op.job) ?? null;
    return run === null ? `/route/${op.lines[0] ?? ''}` : `/floor/${run}`;
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
            <KnownList
              known={[
                ...deadlineWords(deadlines(room.own, picture), shown),
                ...lateWords(picture.orders, lines),
                ...known,
              ]}
            />
          </Panel>
          <OnAndOff
            room={room}
            picture={picture}
            catalogue={catalogue}
            machineName={machineName}
            lines={lines}
            {...shown}
          />
        </Stack>
      </Split>
    </Stack>
  );
}

interface Shown {
  codesOf: (op: PicturedOp) => string;
  toOf: (op: PicturedOp) => string;
  time: PlanTime;
  now: number;
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
            <span className="code">{codesOf(op)}</span> {op.title}
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
              what: op.title,
              time: inHours(Math.max(1, Math.floor(by - now))),
            })
          : t('{code}: “{what}” should have begun {time} ago: look at what was made', {
              code: codesOf(op),
              what: op.title,
              time: inHours(Math.max(1, Math.floor(now - by))),
            }),
      to: toOf(op),
    }));

const lateWords = (
  orders: PlanPicture['orders'],
  lines: ReadonlyMap<string, { code: string; customer: string }>,
): Known[] =>
  orders
    .filter((own) => lateMin(own) > 0)
    .map((own) => ({
      key: `late ${own.id}`,
      mark: '◆',
      words: t('{code} for {customer} will be {time} late', {
        code: lines.get(own.id)?.code ?? '',
        customer: lines.get(own.id)?.customer ?? '',
        time: inHours(lateMin(own)),
      }),
      to: '/plan',
    }));

/** Printers whose first print of the day is to come, and whose white nobody has noted as stirred today. */
function whiteToStir(
  { ops }: PlanPicture,
  { machines }: Catalogue,
  own: Pick<Shown, 'time' | 'now'> & { care: Care | undefined; until: number; epochMs: number },
): { id: string; name: string; at: number }[] {
  const { care, time, now, until, epochMs } = own;
  if (!care) return [];
  return machines.flatMap(({ id, name, kind }) => {
    const mine = ops.filter(({ machine, role }) => kind === 'printer' && machine === id && role === 'print');
    const first = Math.min(Infinity, ...mine.map((op) => spanOf(op).from));
    const start = care.starts.find(({ machineId }) => machineId === id);
    const day = time(first === Infinity ? now : first, 'date');
    const isStirred = start !== undefined && time((Date.parse(start.at) - epochMs) / 60_000, 'date') === day;
    return first > now && first < until && !isStirred ? [{ id, name, at: first }] : [];
  });
}

interface OnAndOffProps extends Shown {
  catalogue: Catalogue;
  room: PlanRoom;
  picture: PlanPicture;
  machineName: (id: string) => string;
  lines: ReadonlyMap<string, { code: string; customer: string }>;
}

/** What has to be switched on and when, the cool first; what rests overnight. */
function OnAndOff({ room, picture, catalogue, machineName, lines, time, now }: OnAndOffProps) {
  const system = useUnits();
  const { data: care } = useCareQuery();
  const midnight = (Math.floor(now / DAY_MIN) + 1) * DAY_MIN;
  const people = room.own.instance.people;
  const isOver = !people.some(([, to]) => to > now && to <= midnight);
  // after the last has gone the morning is tomorrow’s
  const until = isOver ? midnight + DAY_MIN : midnight;
  const on = switchedOn(picture, [now, until]);
  const resting = picture.orders.filter(
    ({ through, tail }) => through !== null && tail > 0 && through - tail < midnight && through >= midnight,
  );
  const stir = whiteToStir(picture, catalogue, { care, time, now, until, epochMs: room.epochMs });
  if (on.length + stir.length + resting.length === 0) return null;
  const soon = [
    ...on.map(({ machine, at, tempC, hotAt }) => ({
      key: machine,
      at,
      to: '/plan',
      words: t('{machine} on, {temp}', {
        machine: machineName(machine),
        temp: formatQuantity(tempC, 'temperature', system),
      }),
      says: t('hot at {time}', { time: time(hotAt, 'time') }),
    })),
    ...stir.map(({ id, name, at }) => ({
      key: `stir ${id}`,
      at,
      to: '/shop/upkeep',
      words: t('{name}: white ink stirred before its first print', { name }),
      says: '',
    })),
  ].sort((p, q) => p.at - q.at);
  return (
    <Panel title={t('On and off')} pad="4px 14px 10px">
      <Rows>
        {soon.map(({ key, at, to, words, says }) => (
          <li key={`${key} ${at}`} style={ROW}>
            <strong style={{ minWidth: 52 }}>{at <= now ? t('now') : time(at, 'time')}</strong>
            <Link to={to} style={ROW_LINK}>
              {words}
            </Link>
            <span className="muted small nowrap">{says}</span>
          </li>
        ))}
        {resting.map(({ id, through }) => (
          <li key={id} style={ROW}>
            <Mark mark="∿" tone="calm">
              {t('rests')}
            </Mark>
            <span style={{ flex: 1 }}>
              <span className="code">{lines.get(id)?.code}</span> {lines.get(id)?.customer}
            </span>
            <span className="muted small nowrap">
              {t('until {when}', { when: time(through ?? 0, 'weekday-time') })}
            </span>
          </li>
        ))}
      </Rows>
    </Panel>
  );
}
