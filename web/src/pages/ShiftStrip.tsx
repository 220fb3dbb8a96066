import type { PlanComing } from '@saltflat/contract';
import { formatClock, formatDate } from '@saltflat/core/units';
import { STATION_NAMES } from '@saltflat/core/work';
import dayjs from 'dayjs';
import type { CSSProperties } from 'react';
import { Link } from 'react-router';
import { usePlanComingQuery } from '../api/planApi.ts';
import { codesIn } from '../features/floor/index.ts';
import type { Moment } from '../features/floor/moments.ts';
import { useWriting } from '../units/writingSlice.ts';
import { t } from '../words/index.ts';
import './shiftStrip.css';

/** Minutes of a day that are shown at least: a shop seldom works outside of them. */
const STARTS_AT = 7 * 60;
const ENDS_AT = 19 * 60;
/** What is planned moves on by itself: it is asked for again, ms. */
const ASKED_EACH_MS = 60_000;
/** Marks closer than this share of the strip are one. */
const APART = 0.012;

/** The shift from start to end by the shop’s clock: the time now, breaks, hands that are needed, and whose are next. */
export function ShiftStrip({ moments, nowMs }: { moments: readonly Moment[]; nowMs: number }) {
  const { data } = usePlanComingQuery(undefined, { pollingInterval: ASKED_EACH_MS });
  const writing = useWriting();
  const epochMs = data ? Date.parse(data.epoch) : dayjs(nowMs).startOf('day').valueOf();
  const from = Math.min(STARTS_AT, data?.shift?.from ?? STARTS_AT);
  const to = Math.max(ENDS_AT, data?.shift?.to ?? ENDS_AT);
  const share = (minute: number): number => Math.min(1, Math.max(0, (minute - from) / (to - from)));
  const span = (a: number, b: number): CSSProperties => ({
    left: `${100 * share(a)}%`,
    width: `${100 * (share(b) - share(a))}%`,
  });
  const now = (nowMs - epochMs) / 60_000;
  const hours = Array.from(
    { length: Math.floor(to / 60) - Math.ceil(from / 60) + 1 },
    (_, i) => 60 * (Math.ceil(from / 60) + i),
  );
  const time = (minute: number): string => formatDate(epochMs + 60_000 * minute, 'time', writing, data?.zone);
  const hands = (data?.hands ?? []).filter((own) => own.to > now);
  return (
    <section className="shift-strip" aria-label={t('Shift')}>
      <div className="shift-line" aria-hidden="true">
        {data?.breaks.map((own) => (
          <span key={own.from} className="break" style={span(own.from, own.to)} />
        ))}
        {data?.busy.map((own) => (
          <span key={own.from} className="hands" style={span(Math.max(own.from, now), own.to)} />
        ))}
        {hours
          .filter((minute) => minute > from && minute < to)
          .map((minute) => (
            <span key={minute} className="hour" style={{ left: `${100 * share(minute)}%` }}>
              {String(minute / 60).padStart(2, '0')}
            </span>
          ))}
        <span
          className="now"
          data-outside={now < from || now > to}
          style={{ left: `${100 * share(now)}%` }}
        />
        {marksOf(moments, hands, { share, now, epochMs }).map(({ minute, says, to: where, isPlanned }) => (
          <Link
            key={`${minute} ${says}`}
            to={where}
            tabIndex={-1}
            className="moment"
            data-planned={isPlanned}
            title={`${time(minute)} ${says}`}
            style={{ left: `${100 * share(minute)}%` }}
          >
            ◆
          </Link>
        ))}
      </div>
      <div className="shift-next">
        <span>{time(now)}</span>
        <Next moments={moments} hands={hands} now={now} nowMs={nowMs} time={time} />
      </div>
    </section>
  );
}

type Hands = PlanComing['hands'];

interface NextProps {
  moments: readonly Moment[];
  hands: Hands;
  now: number;
  nowMs: number;
  time: (minute: number) => string;
}

/** What takes hands next: on the floor, or, where nothing is, by the plan. */
function Next({ moments, hands, now, nowMs, time }: NextProps) {
  const [live] = moments;
  const [planned] = hands;
  if (live) {
    const inS = (live.action.dueAt - nowMs) / 1000;
    return (
      <Link to={`/floor/${live.live.run.id}`}>
        ◆ {inS > 0 ? `${formatClock(Math.ceil(inS))} ` : t('now: ')}
        {live.title.toLowerCase()}, {codesIn(live.live, live.action.step)}
      </Link>
    );
  }
  if (planned)
    return (
      <Link to={placeOf(planned)}>
        ◆ {planned.from <= now ? t('now: ') : `${time(planned.from)} `}
        {t(planned.title).toLowerCase()}, {planned.codes.join(' ')}
      </Link>
    );
  return <span className="muted">{t('no hands needed')}</span>;
}

const placeOf = ({ runId, lineId }: Hands[number]): string =>
  runId === null ? `/route/${lineId ?? ''}` : `/floor/${runId}`;

interface Mark {
  minute: number;
  says: string;
  to: string;
  isPlanned: boolean;
}

/** Moments of the floor and hands of the plan to come, none closer to the one before than can be told apart. */
function marksOf(
  moments: readonly Moment[],
  hands: Hands,
  { share, now, epochMs }: { share: (minute: number) => number; now: number; epochMs: number },
): Mark[] {
  const all: Mark[] = [
    ...moments.map(({ live, action, title }) => ({
      minute: Math.max(now, (action.dueAt - epochMs) / 60_000),
      says: `${codesIn(live, action.step)} ${title}`,
      to: `/floor/${live.run.id}`,
      isPlanned: false,
    })),
    ...hands.map((own) => ({
      minute: Math.max(now, own.from),
      says: `${t(STATION_NAMES[own.station])}: ${own.codes.join(' ')} ${t(own.title)}`,
      to: placeOf(own),
      isPlanned: true,
    })),
  ].sort((p, q) => p.minute - q.minute || Number(p.isPlanned) - Number(q.isPlanned));
  const shown: Mark[] = [];
  for (const mark of all) {
    const last = shown.at(-1);
    if (last === undefined || share(mark.minute) - share(last.minute) >= APART) shown.push(mark);
  }
  return shown;
}
