import type { DaySpan, WorkCalendar } from '@saltflat/core/plan';
import type { FieldProblem } from './problems.ts';
import { isZone } from '@saltflat/core/units';

const clock = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;

/** What is assumed of a shop that has said nothing: one person, Monday to Friday from eight to half past four. */
export const assumedCalendar = (zone: string): WorkCalendar => {
  const day: DaySpan = { fromMin: 8 * 60, toMin: 16 * 60 + 30 };
  return {
    zone,
    week: [day, day, day, day, day, null, null],
    breaks: [{ fromMin: 12 * 60, toMin: 12 * 60 + 30 }],
    people: [{ name: 'Printer', week: null, breaks: null, machines: null }],
    holidays: [],
    away: [],
    down: [],
  };
};

/** What is wrong with a calendar: hours that end before they begin, people of one name, somebody away who is not there. */
export function* faultsOfCalendar(calendar: WorkCalendar): Generator<FieldProblem> {
  const { zone, week, breaks, people, away, down } = calendar;
  if (!isZone(zone))
    yield {
      path: '/zone',
      message: `Time zone: “${zone}” is none. It is written as Europe/Lisbon.`,
    };
  yield* faultsOfWeek(week, '/week');
  yield* faultsOfSpans(breaks, '/breaks');
  for (const [i, { name, week: own, breaks: rests }] of people.entries()) {
    if (people.findIndex((other) => other.name === name) < i)
      yield { path: `/people/${i}/name`, message: `Name: there are two of ${name}. Tell them apart.` };
    if (own) yield* faultsOfWeek(own, `/people/${i}/week`);
    if (rests) yield* faultsOfSpans(rests, `/people/${i}/breaks`);
  }
  for (const [i, { person }] of away.entries())
    if (!people.some(({ name }) => name === person))
      yield { path: `/away/${i}/person`, message: `Who: nobody here is called ${person}.` };
  for (const [list, key] of [
    [away, 'away'],
    [down, 'down'],
  ] as const)
    for (const [i, { from, to }] of list.entries())
      if (to <= from)
        yield {
          path: `/${key}/${i}/to`,
          message: `To: it ends ${to.replace('T', ' ')}, before it begins ${from.replace('T', ' ')}.`,
        };
}

/** In English, whatever language the shop reads. */
export const WEEKDAYS = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const;

function* faultsOfWeek(week: WorkCalendar['week'], path: string): Generator<FieldProblem> {
  for (const [i, span] of week.entries())
    if (span && span.toMin <= span.fromMin)
      yield {
        path: `${path}/${i}/toMin`,
        message: `${WEEKDAYS[i] ?? ''}: the shift ends at ${clock(span.toMin)}, before it begins at ${clock(span.fromMin)}.`,
      };
}

function* faultsOfSpans(spans: readonly DaySpan[], path: string): Generator<FieldProblem> {
  for (const [i, { fromMin, toMin }] of spans.entries())
    if (toMin <= fromMin)
      yield {
        path: `${path}/${i}/toMin`,
        message: `Break: it ends at ${clock(toMin)}, before it begins at ${clock(fromMin)}.`,
      };
}
