import { expect } from 'chai';
import { daysFrom, machineThere, peopleThere, readHours, readSpans, workOf, writeHours } from '../index.ts';
import type { WorkCalendar } from '../index.ts';

const day = (from: number, to: number) => ({ fromMin: 60 * from, toMin: 60 * to });
const nine = day(9, 17);
const WEEK = [nine, nine, nine, nine, nine, null, null];
const calendar = (own: Partial<WorkCalendar> = {}): WorkCalendar => ({
  zone: 'Etc/UTC',
  week: WEEK,
  breaks: [day(12, 13)],
  people: [{ name: 'Ines', week: null, breaks: null, machines: null }],
  holidays: [],
  away: [],
  down: [],
  ...own,
});
/** Thursday 4 June 2026 is the first day. */
const DAYS = daysFrom('2026-06-04', 5);
const minuteOf = (date: string, minute: number): number => 1440 * DAYS.indexOf(date) + minute;
const at = (dayNumber: number, hour: number): number => 1440 * (dayNumber - 1) + 60 * hour;
const tomasz = { name: 'Tomasz', week: WEEK.map(() => day(8, 12)), breaks: [], machines: ['press'] };

describe('working hours', () => {
  it('are those of the shop by the weekday, breaks out, nobody at the weekend', () => {
    // Thursday, Friday; not on Saturday 6 and Sunday 7; Monday 8 is the fifth day
    expect(DAYS).to.deep.equal(['2026-06-04', '2026-06-05', '2026-06-06', '2026-06-07', '2026-06-08']);
    expect(peopleThere(calendar(), DAYS, minuteOf)).to.deep.equal(
      [1, 2, 5].flatMap((n) => [
        [at(n, 9), at(n, 12), 100],
        [at(n, 13), at(n, 17), 100],
      ]),
    );
    expect(daysFrom('2026-12-30', 4).at(-1)).to.equal('2027-01-02');
  });

  it('add up over people with hours of their own', () => {
    const people = [...calendar().people, tomasz];
    expect(peopleThere(calendar({ people }), DAYS.slice(0, 1), minuteOf)).to.deep.equal([
      [at(1, 8), at(1, 9), 100],
      [at(1, 9), at(1, 12), 200],
      [at(1, 13), at(1, 17), 100],
    ]);
  });

  it('leave out holidays, who is away, and what a machine stands still', () => {
    const own = calendar({
      holidays: [{ date: '2026-06-05', name: 'Regatta' }],
      away: [{ person: 'Ines', from: '2026-06-04T15:30', to: '2026-06-08T10:00', why: '' }],
      down: [{ machine: 'press', from: '2026-06-04T11:00', to: '2026-06-04T14:00', why: 'belt' }],
    });
    const [ines] = own.people;
    expect(workOf(own, ines, DAYS, minuteOf)).to.deep.equal([
      [at(1, 9), at(1, 12)],
      [at(1, 13), at(1, 15.5)],
      [at(5, 10), at(5, 12)],
      [at(5, 13), at(5, 17)],
    ]);
    // a machine runs through the break, and is there as long as Ines is
    expect(machineThere(own, 'press', DAYS, minuteOf)).to.deep.equal([
      [at(1, 9), at(1, 11)],
      [at(1, 14), at(1, 15.5)],
      [at(5, 10), at(5, 17)],
    ]);
  });

  it('let a machine run only while somebody is in who may run it', () => {
    const people = [{ ...calendar().people[0], machines: [] }, tomasz];
    const one = DAYS.slice(0, 1);
    expect(machineThere(calendar({ people }), 'press', one, minuteOf)).to.deep.equal([[at(1, 8), at(1, 12)]]);
    expect(machineThere(calendar({ people }), 'oven', one, minuteOf)).to.deep.equal([]);
  });

  it('are read as people type them, and refused where they are none', () => {
    expect(readHours('8-16:30')).to.deep.equal({ fromMin: 480, toMin: 990 });
    expect(readHours(' 07:00 – 15.30 ')).to.deep.equal({ fromMin: 420, toMin: 930 });
    expect(readHours('9 to 24')).to.deep.equal({ fromMin: 540, toMin: 1440 });
    expect(readHours('  ')).to.equal(null);
    for (const text of ['8', '8-', '25-26', '8:70-9', 'eight to four', '8-12-16'])
      expect(readHours(text), text).to.equal(undefined);
    expect(readSpans('10:00-10:15, 12-12:45')).to.deep.equal([
      { fromMin: 600, toMin: 615 },
      { fromMin: 720, toMin: 765 },
    ]);
    expect(readSpans('noon')).to.equal(undefined);
    expect(writeHours({ fromMin: 425, toMin: 1020 })).to.equal('7:05–17:00');
  });
});
