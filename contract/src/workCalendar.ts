import type { DaySpan, WorkCalendar } from '@saltflat/core/plan';
import { Type } from 'typebox';
import { DomainError } from './problems.ts';
import type { FieldProblem } from './problems.ts';
import { Version, longText, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';
import { parse, refusedFields } from './validate.ts';
import { isZone } from './wallClock.ts';

const DAY_MIN = 1440;
const MinuteOfDay = (title: string) => Type.Integer({ title, minimum: 0, maximum: DAY_MIN });
const Span = strictObject({ fromMin: MinuteOfDay('From'), toMin: MinuteOfDay('To') });
const Week = Type.Array(nullable(Span), { title: 'Hours of the week', minItems: 7, maxItems: 7 });
const Breaks = Type.Array(Span, { title: 'Breaks', maxItems: 12 });
const DateText = (title: string) =>
  Type.String({ title, pattern: '^[0-9]{4}-[0-9]{2}-[0-9]{2}$', help: 'a day as 2026-06-03' });
const WallText = (title: string) =>
  Type.String({
    title,
    pattern: '^[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-2][0-9]:[0-5][0-9]$',
    help: 'a day and an hour as 2026-06-03T09:30',
  });
const MachineId = Type.String({ title: 'Machine', minLength: 1, maxLength: 80 });
const wall = { from: WallText('From'), to: WallText('To') };

/** When who works, and when what stands still. */
export const WorkCalendarDocument = Type.Unsafe<WorkCalendar>(
  strictObject({
    zone: Type.String({ title: 'Time zone', minLength: 1, maxLength: 60 }),
    week: Week,
    breaks: Breaks,
    people: Type.Array(
      strictObject({
        name: shortText('Name', 60),
        week: nullable(Week),
        breaks: nullable(Breaks),
        machines: nullable(Type.Array(MachineId, { title: 'May run', maxItems: 100, uniqueItems: true })),
      }),
      { title: 'People', maxItems: 60 },
    ),
    holidays: Type.Array(strictObject({ date: DateText('Day'), name: longText('Name', 80) }), {
      title: 'Holidays',
      maxItems: 200,
    }),
    away: Type.Array(strictObject({ ...wall, person: shortText('Who', 60), why: longText('Why', 120) }), {
      title: 'Away',
      maxItems: 400,
    }),
    down: Type.Array(strictObject({ ...wall, machine: MachineId, why: longText('Why', 120) }), {
      title: 'Machines down',
      maxItems: 200,
    }),
  }),
);

export const ShopCalendar = strictObject({
  document: WorkCalendarDocument,
  version: Version,
  /** Nobody has said yet when the shop works: what stands is assumed. */
  isAssumed: Type.Boolean(),
});
export type ShopCalendar = Static<typeof ShopCalendar>;
export const CalendarChange = strictObject({ version: Version, record: WorkCalendarDocument });
export type CalendarChange = Static<typeof CalendarChange>;

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

/**
 * Checks a calendar beyond its shape.
 *
 * @throws DomainError `invalid-input` naming the fields
 */
export function parseCalendar(data: unknown): WorkCalendar {
  const calendar = parse(WorkCalendarDocument, data);
  const faults = [...faultsOfCalendar(calendar)];
  if (faults.length > 0) throw refusedFields(faults);
  return calendar;
}

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

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

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

/** A calendar that cannot be followed because a change came in between. */
export const staleCalendar = (current: ShopCalendar): DomainError =>
  new DomainError(
    'stale-version',
    'Someone changed the working hours meanwhile. Look at them, then save again.',
    { current },
  );
