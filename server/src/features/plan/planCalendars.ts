import { DomainError } from '@saltflat/contract';
import { spanOf, workOf } from '@saltflat/core/plan';
import type { PicturedOp } from '@saltflat/core/plan';
import { STATION_NAMES } from '@saltflat/core/work';
import { createHash } from 'node:crypto';
import ical from 'ical-generator';
import { paperWords } from '../../pdf/index.ts';
import type { Followed } from './followedPlan.ts';

const MINUTE_MS = 60_000;
/** How often whoever subscribes should look again, s. */
const AGAIN_S = 15 * 60;

/**
 * What is planned on a machine, as a calendar (RFC 5545): its work and its changes of temperature, to the minute.
 *
 * @throws DomainError where there is no such machine
 */
export function machineCalendar(followed: Followed, machine: string): string {
  const name = followed.machines.get(machine);
  if (name === undefined) throw new DomainError('not-found', 'There is no such machine.');
  const { picture } = followed;
  const words = paperWords(followed.writing);
  const events = picture.ops.filter((op) => op.machine === machine).map((op) => eventOf(followed, op));
  const changes = picture.changes
    .filter((change) => change.machine === machine)
    .map(({ from, to, after }) => ({
      key: `change ${machine} ${from}`,
      from,
      to,
      summary:
        typeof after === 'number'
          ? words.t('Bring to {temp}', { temp: words.q(after, 'temperature') })
          : words.t('Change over'),
      about: '',
    }));
  return calendarOf(followed, name, [...events, ...changes]);
}

/**
 * Work that takes hands while somebody is there, on machines they may run, as a calendar. Who does what is theirs to settle:
 * plans count hands, not names.
 *
 * @throws DomainError where nobody here is called so
 */
export function personCalendar(followed: Followed, name: string): string {
  const { shop, picture } = followed;
  const person = shop.calendar.people.find((own) => own.name === name);
  if (person === undefined)
    throw new DomainError(
      'not-found',
      'Nobody in the working hours is called so. Names are as they stand there.',
    );
  const there = workOf(shop.calendar, person, shop.days, shop.minuteOf);
  const isTheirs = ({ machine, phases }: PicturedOp): boolean =>
    (machine === null || person.machines === null || person.machines.includes(machine)) &&
    phases.some(
      ({ from, to, people }) => people > 0 && there.some(([a, b]) => Math.max(a, from) < Math.min(b, to)),
    );
  return calendarOf(
    followed,
    name,
    picture.ops.filter(isTheirs).map((op) => eventOf(followed, op)),
  );
}

interface CalendarEvent {
  /** Stays the same from one reading to the next. */
  key: string;
  from: number;
  to: number;
  summary: string;
  about: string;
}

function eventOf({ lines, machines, writing }: Followed, op: PicturedOp): CalendarEvent {
  const words = paperWords(writing);
  const own = op.lines.flatMap((id) => lines.get(id) ?? []);
  const pieces = op.parts > 1 ? ` ×${op.parts}` : '';
  const where = op.machine === null ? words.t(STATION_NAMES[op.station]) : (machines.get(op.machine) ?? '');
  const facts = [
    where,
    ...(typeof op.state === 'number' ? [words.q(op.state, 'temperature')] : []),
    ...own.map(({ customer }) => customer),
  ];
  return {
    key: op.id,
    ...spanOf(op),
    summary: `${own.map(({ code }) => code).join(' ')} ${op.title}${pieces}`,
    about: [...new Set(facts)].join(', '),
  };
}

function calendarOf({ shop }: Followed, name: string, events: readonly CalendarEvent[]): string {
  const calendar = ical({
    name: `${name}, Saltflat`,
    prodId: { company: 'Saltflat', product: 'Plan' },
    ttl: AGAIN_S,
  });
  const at = (minute: number): Date => new Date(shop.epochMs + minute * MINUTE_MS);
  for (const { key, from, to, summary, about } of events)
    if (from < to)
      calendar.createEvent({
        id: createHash('sha256').update(key).digest('hex').slice(0, 32),
        start: at(from),
        end: at(to),
        stamp: new Date(shop.nowMs),
        summary,
        description: about,
      });
  return calendar.toString();
}
