import type { WorkCalendar } from '@saltflat/core/plan';
import { Type } from 'typebox';
import { faultsOfCalendar } from './calendarRules.ts';
import { DomainError } from './problems.ts';
import { Version, longText, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';
import { parse, refusedFields } from './validate.ts';

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

/** A calendar that cannot be followed because a change came in between. */
export const staleCalendar = (current: ShopCalendar): DomainError =>
  new DomainError(
    'stale-version',
    'Someone changed the working hours meanwhile. Look at them, then save again.',
    { current },
  );
