import { WEEKDAYS } from '@saltflat/contract/calendarRules';
import { readHours, writeHours } from '@saltflat/core/plan';
import { t } from '../../../words/index.ts';
import { isDay, newPerson } from './hoursForm.ts';
import type { HoursForm } from './hoursForm.ts';

/** Columns of the file, whatever language the shop reads. */
export const COLUMNS = ['kind', 'name', 'day', 'from', 'to', 'note'] as const;
type Column = (typeof COLUMNS)[number];
export type FileRow = Record<Column, string>;

const KINDS = ['hours', 'break', 'holiday', 'away', 'still'] as const;
type Kind = (typeof KINDS)[number];
const DAYS = WEEKDAYS.map((day) => day.toLowerCase());

interface MachineName {
  id: string;
  name: string;
}

/** Working hours as rows of a file: a day’s hours, a break, a holiday, a time somebody is away or a machine stands still. */
export function hoursRows(form: HoursForm, machines: readonly MachineName[]): string[][] {
  const own = (kind: Kind, cells: Partial<FileRow>): string[] =>
    COLUMNS.map((column) => (column === 'kind' ? kind : (cells[column] ?? '')));
  const span = (text: string): Pick<FileRow, 'from' | 'to'> => {
    const [from = '', to = ''] = text.split('–');
    return { from, to };
  };
  const of = (name: string, { week, breaks }: Pick<HoursForm, 'week' | 'breaks'>): string[][] => [
    ...week.map((text, i) =>
      own('hours', { name, day: DAYS[i] ?? '', ...span(writeHours(readHours(text) ?? null)) }),
    ),
    ...breaks.split(',').flatMap((text) => {
      const read = readHours(text.trim());
      return read ? [own('break', { name, ...span(writeHours(read)) })] : [];
    }),
  ];
  const wall = (at: string): string => at.replace('T', ' ');
  const nameOf = (id: string): string => machines.find((each) => each.id === id)?.name ?? id;
  return [
    [...COLUMNS],
    ...of('', form),
    ...form.people.flatMap((person) =>
      // whoever works as the shop does has one row that says so
      person.hasOwn ? of(person.name, person) : [own('hours', { name: person.name })],
    ),
    ...form.holidays.map(({ date, name }) => own('holiday', { name, day: date })),
    ...form.away.map(({ person, from, to, why }) =>
      own('away', { name: person, from: wall(from), to: wall(to), note: why }),
    ),
    ...form.down.map(({ machine, from, to, why }) =>
      own('still', { name: nameOf(machine), from: wall(from), to: wall(to), note: why }),
    ),
  ];
}

/** What is wrong with a line of the file; its heading is line 1. */
export interface RowFault {
  line: number;
  words: string;
}

/**
 * Takes the rows of a file into working hours: whatever kind it has replaces all of that kind, of hours and breaks those of
 * whom it names; the rest stays.
 */
export function readHoursRows(
  rows: readonly Partial<FileRow>[],
  form: HoursForm,
  machines: readonly MachineName[],
): { form: HoursForm; faults: RowFault[] } {
  const faults: RowFault[] = [];
  const next: HoursForm = { ...form, people: form.people.map((own) => ({ ...own, week: [...own.week] })) };
  const begun = new Set<string>();
  /** Of each kind the first row clears what stood there. */
  const first = (key: string): boolean => !begun.has(key) && Boolean(begun.add(key));
  for (const [i, cells] of rows.entries()) {
    const row = Object.fromEntries(
      COLUMNS.map((column) => [column, (cells[column] ?? '').trim()]),
    ) as FileRow;
    if (COLUMNS.every((column) => row[column] === '')) continue;
    const kind = KINDS.find((own) => own === row.kind.toLowerCase());
    const words =
      kind === undefined
        ? t('Kind: “{kind}” is none. Write {all}.', { kind: row.kind, all: KINDS.join(', ') })
        : takeRow(next, { ...row, kind }, { first, machines });
    if (words !== null) faults.push({ line: i + 2, words });
  }
  return { form: next, faults };
}

interface Taking {
  first: (key: string) => boolean;
  machines: readonly MachineName[];
}

/** @returns what is wrong with it, or `null` */
function takeRow(next: HoursForm, row: FileRow & { kind: Kind }, { first, machines }: Taking): string | null {
  switch (row.kind) {
    case 'hours':
      return takeHours(next, row, first);
    case 'break':
      return takeBreak(next, row, first);
    case 'holiday': {
      if (!isDay(row.day)) return t('Day: write a holiday’s day as 2026-12-24.');
      if (first('holiday')) next.holidays = [];
      next.holidays.push({ date: row.day, name: row.name });
      return null;
    }
    case 'away': {
      const span = spanOf(row);
      if (typeof span === 'string') return span;
      if (!next.people.some(({ name }) => name === row.name))
        return t('Name: nobody here is called “{name}”.', { name: row.name });
      if (first('away')) next.away = [];
      next.away.push({ person: row.name, ...span, why: row.note });
      return null;
    }
    case 'still': {
      const span = spanOf(row);
      if (typeof span === 'string') return span;
      const machine = machines.find(({ name }) => name.toLowerCase() === row.name.toLowerCase());
      if (!machine) return t('Name: no machine here is called “{name}”.', { name: row.name });
      if (first('still')) next.down = [];
      next.down.push({ machine: machine.id, ...span, why: row.note });
      return null;
    }
  }
}

/** Whose hours a row says: the shop’s where it names nobody; a name that is new is a new person. */
function ownerOf(next: HoursForm, name: string): Pick<HoursForm, 'week' | 'breaks'> {
  if (name === '') return next;
  const known = next.people.find((own) => own.name === name);
  if (known) return known;
  const person = { ...newPerson(next), name };
  next.people.push(person);
  return person;
}

function takeHours(next: HoursForm, { name, day, from, to }: FileRow, first: Taking['first']): string | null {
  if (day === '' && from === '' && to === '' && name !== '') {
    const person = ownerOf(next, name);
    Object.assign(person, { hasOwn: false });
    return null;
  }
  const weekday = DAYS.indexOf(day.toLowerCase());
  if (weekday < 0) return t('Day: write a day of the week, as Monday.');
  const text = from === '' && to === '' ? '' : `${from}–${to}`;
  const read = readHours(text);
  if (read === undefined) return t('From and to: write hours as 8:00 and 16:30, or nothing for a day off.');
  const own = ownerOf(next, name);
  if (first(`hours ${name}`)) own.week = DAYS.map(() => '');
  own.week[weekday] = writeHours(read);
  if (name !== '') Object.assign(own, { hasOwn: true });
  return null;
}

function takeBreak(next: HoursForm, { name, from, to }: FileRow, first: Taking['first']): string | null {
  const read = readHours(`${from}–${to}`);
  if (!read) return t('From and to: write a break as 12:00 and 12:30.');
  const own = ownerOf(next, name);
  if (first(`break ${name}`)) own.breaks = '';
  own.breaks = [own.breaks, writeHours(read)].filter((text) => text !== '').join(', ');
  if (name !== '') Object.assign(own, { hasOwn: true });
  return null;
}

const WALL = /^(\d{4}-\d{2}-\d{2})[ T](\d{1,2}):(\d{2})$/;

/** From and to of a row; a day alone is the whole of it. @returns what is wrong, in words */
function spanOf({ day, from, to }: FileRow): { from: string; to: string } | string {
  if (from === '' && to === '' && isDay(day)) return { from: `${day}T00:00`, to: `${day}T23:59` };
  const [begin, end] = [from, to].map((text) => {
    const [, date = '', hour = '', minute = ''] = WALL.exec(text) ?? [];
    return isDay(date) && Number(hour) < 24 && Number(minute) < 60
      ? `${date}T${hour.padStart(2, '0')}:${minute}`
      : null;
  });
  if (!begin || !end) return t('From and to: write a day and an hour as 2026-12-24 09:30, or a day alone.');
  return end > begin
    ? { from: begin, to: end }
    : t('To: it ends {to}, before it begins {from}.', { from, to });
}
