import type { Care, Catalogue, PlanGround } from '@saltflat/contract';
import { nextNight, overnight, spanOf, switchedOn } from '@saltflat/core/plan';
import type { PlanPicture } from '@saltflat/core/plan';
import { formatQuantity } from '@saltflat/core/units';
import { Link } from 'react-router';
import { useCareQuery } from '../../api/careApi.ts';
import type { PlanRoom } from '../../planned/index.ts';
import { Mark, Panel, Rows } from '../../ui/index.ts';
import { useUnits } from '../../units/writingSlice.ts';
import { t } from '../../words/index.ts';
import { ROW, ROW_LINK, lineTo } from './rows.ts';
import type { Shown } from './rows.ts';

const DAY_MIN = 1440;
/** How long before the last leaves it is said what must not be left, min. */
const EVENING_MIN = 120;

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

/** Transfers that are not printed here, and are fetched until a minute: from the shelf, or as a supplier sent them. */
function toFetch(ground: PlanGround, { ops }: PlanPicture, [now, until]: readonly [number, number]) {
  const lines = new Map(ground.jobs.flatMap((job) => job.lines).map((line) => [line.lineId, line]));
  return ops.filter((op) => {
    const line = lines.get(op.lines[0] ?? '');
    const lane = line?.operations.find(({ id }) => id === op.operation)?.lane;
    const own = line?.operations.filter((each) => each.lane === lane) ?? [];
    const isMade = own.some(({ role }) => role === 'print');
    const isTransfer = line?.lanes.find(({ id }) => id === lane)?.part === 'transfer';
    const { from, to } = spanOf(op);
    return isTransfer && !isMade && own[0]?.id === op.operation && !op.isFixed && to > now && from < until;
  });
}

interface Props extends Shown {
  ground: PlanGround;
  catalogue: Catalogue;
  room: PlanRoom;
  picture: PlanPicture;
  machineName: (id: string) => string;
}

/** What has to be switched on and when, the cool first; what is stirred and fetched before the work that needs it. */
export function GettingReady({
  ground,
  room,
  picture,
  catalogue,
  machineName,
  codesOf,
  toOf,
  time,
  now,
}: Props) {
  const system = useUnits();
  const { data: care } = useCareQuery();
  const midnight = (Math.floor(now / DAY_MIN) + 1) * DAY_MIN;
  const isOver = !room.own.instance.people.some(([, to]) => to > now && to <= midnight);
  // after the last has gone the morning is tomorrow’s
  const until = isOver ? midnight + DAY_MIN : midnight;
  const soon = [
    ...switchedOn(picture, [now, until]).map(({ machine, at, tempC, hotAt }) => ({
      key: machine,
      at,
      to: '/plan',
      words: t('{machine} on, {temp}', {
        machine: machineName(machine),
        temp: formatQuantity(tempC, 'temperature', system),
      }),
      says: t('hot at {time}', { time: time(hotAt, 'time') }),
    })),
    ...whiteToStir(picture, catalogue, { care, time, now, until, epochMs: room.epochMs }).map(
      ({ id, name, at }) => ({
        key: `stir ${id}`,
        at,
        to: '/shop/upkeep',
        words: t('{name}: white ink stirred before its first print', { name }),
        says: '',
      }),
    ),
    ...toFetch(ground, picture, [now, until]).map((op) => ({
      key: op.id,
      at: spanOf(op).from,
      to: toOf(op),
      words: `${codesOf(op)} ${t(op.title)}`,
      says: `×${op.parts}`,
    })),
  ].sort((p, q) => p.at - q.at);
  if (soon.length === 0) return null;
  return (
    <Panel title={isOver ? t('Getting ready tomorrow') : t('Getting ready')} pad="4px 14px 10px">
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
      </Rows>
    </Panel>
  );
}

/** What must not be left when the last leaves, and what rests through the night. */
export function BeforeLeaving({
  room,
  picture,
  lines,
  codesOf,
  toOf,
  time,
  now,
}: Shown &
  Pick<Props, 'room' | 'picture'> & { lines: ReadonlyMap<string, { code: string; customer: string }> }) {
  const night = nextNight(room.own);
  if (night === null) return null;
  const { mustGoOn, resting } = overnight(room.own, picture, night);
  const urgent = night.leave - now <= EVENING_MIN ? mustGoOn : [];
  if (urgent.length + resting.length === 0) return null;
  return (
    <Panel title={t('Before leaving at {time}', { time: time(night.leave, 'time') })} pad="4px 14px 10px">
      <Rows>
        {urgent.map(({ op, by }) => (
          <li key={`left ${op.id}`} style={ROW}>
            <Mark mark="◆" tone="hands">
              {t('not to be left')}
            </Mark>
            <Link to={toOf(op)} style={ROW_LINK}>
              <span className="code">{codesOf(op)}</span> {t(op.title)}
            </Link>
            <span className="muted small nowrap">{t('by {time}', { time: time(by, 'time') })}</span>
          </li>
        ))}
        {resting.map(({ lines: own, title, until }) => (
          <li key={`rests ${own.join(' ')} ${title}`} style={ROW}>
            <Mark mark="∿" tone="calm">
              {t('rests')}
            </Mark>
            <Link to={lineTo(own)} style={ROW_LINK}>
              <span className="code">{own.map((id) => lines.get(id)?.code ?? '').join(' ')}</span>{' '}
              {title === '' ? lines.get(own[0] ?? '')?.customer : title}
            </Link>
            <span className="muted small nowrap">
              {t('until {when}', { when: time(until, 'weekday-time') })}
            </span>
          </li>
        ))}
      </Rows>
    </Panel>
  );
}
