import { assumedCalendar } from '@saltflat/contract/calendarRules';
import { expect } from 'chai';
import { hoursFormOf } from './hoursForm.ts';
import { COLUMNS, hoursRows, readHoursRows } from './hoursFile.ts';
import type { FileRow } from './hoursFile.ts';

const MACHINES = [{ id: 'm', name: 'Press A' }];
const shop = hoursFormOf({
  ...assumedCalendar('Etc/UTC'),
  people: [
    { name: 'Ines', week: null, breaks: null, machines: null },
    {
      name: 'Tomasz',
      week: [{ fromMin: 540, toMin: 720 }, null, null, null, null, null, null],
      breaks: [{ fromMin: 600, toMin: 615 }],
      machines: ['m'],
    },
  ],
  holidays: [{ date: '2026-12-25', name: 'Midwinter' }],
  away: [{ person: 'Ines', from: '2026-06-04T10:00', to: '2026-06-04T12:00', why: 'dentist' }],
  down: [{ machine: 'm', from: '2026-06-05T08:00', to: '2026-06-05T09:00', why: 'pad, new' }],
});
const read = (rows: readonly Partial<FileRow>[]) => readHoursRows(rows, shop, MACHINES);
const asRead = (rows: string[][]): Partial<FileRow>[] =>
  rows.slice(1).map((cells) => Object.fromEntries(COLUMNS.map((column, i) => [column, cells[i] ?? ''])));

describe('working hours as a file', () => {
  it('are what they were, taken out and read into a shop that knows nothing of them', () => {
    const bare = { ...shop, week: shop.week.map(() => ''), breaks: '', holidays: [], away: [], down: [] };
    const back = readHoursRows(asRead(hoursRows(shop, MACHINES)), bare, MACHINES);
    expect(back.faults).to.deep.equal([]);
    expect(back.form).to.deep.equal(shop);
  });

  it('replace what the file has of a kind, and leave the rest', () => {
    const { form, faults } = read([
      { kind: 'Holiday', day: '2026-12-24', name: 'half the town is shut' },
      { kind: 'away', name: 'Tomasz', day: '2026-07-01', note: 'moving house' },
      { kind: 'hours', name: 'Wanjiru', day: 'Tuesday', from: '9', to: '13:30' },
      { kind: 'break', name: 'Wanjiru', from: '11:00', to: '11:15' },
    ]);
    expect(faults).to.deep.equal([]);
    expect(form.holidays).to.deep.equal([{ date: '2026-12-24', name: 'half the town is shut' }]);
    expect(form.away).to.deep.equal([
      { person: 'Tomasz', from: '2026-07-01T00:00', to: '2026-07-01T23:59', why: 'moving house' },
    ]);
    expect(form.down).to.deep.equal(shop.down);
    expect(form.week).to.deep.equal(shop.week);
    expect(form.people.slice(0, 2)).to.deep.equal(shop.people);
    expect(form.people[2]).to.include({ name: 'Wanjiru', hasOwn: true, breaks: '11:00–11:15' });
    expect(form.people[2]?.week).to.deep.equal(['', '9:00–13:30', '', '', '', '', '']);
    expect(shop.holidays, 'what is typed stays until it is taken').to.have.length(1);
  });

  it('say line by line what is wrong and what would be right', () => {
    const { faults } = read([
      { kind: 'shift', name: 'Ines' },
      {},
      { kind: 'hours', name: 'Ines', day: 'Someday', from: '8', to: '9' },
      { kind: 'hours', name: 'Ines', day: 'Monday', from: '8 o’clock', to: '9' },
      { kind: 'away', name: 'Olga', from: '2026-06-04 10:00', to: '2026-06-04 12:00' },
      { kind: 'still', name: 'Press Z', day: '2026-06-04' },
      { kind: 'away', name: 'Ines', from: '2026-06-04 12:00', to: '2026-06-04 10:00' },
      { kind: 'holiday', day: '24.12.' },
      { kind: 'away', name: 'Ines', from: '2026-02-30 12:00', to: '2026-03-01 10:00' },
    ]);
    expect(faults.map(({ line, words }) => `${line} ${words}`)).to.deep.equal([
      '2 Kind: “shift” is none. Write hours, break, holiday, away, still.',
      '4 Day: write a day of the week, as Monday.',
      '5 From and to: write hours as 8:00 and 16:30, or nothing for a day off.',
      '6 Name: nobody here is called “Olga”.',
      '7 Name: no machine here is called “Press Z”.',
      '8 To: it ends 2026-06-04 10:00, before it begins 2026-06-04 12:00.',
      '9 Day: write a holiday’s day as 2026-12-24.',
      '10 From and to: write a day and an hour as 2026-12-24 09:30, or a day alone.',
    ]);
  });
});
