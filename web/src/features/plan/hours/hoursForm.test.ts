import { assumedCalendar } from '@saltflat/contract/calendarRules';
import { expect } from 'chai';
import { calendarOf, faultsOfHours, hoursFormOf, newPerson } from './hoursForm.ts';

describe('working hours as they are typed', () => {
  const shop = {
    ...assumedCalendar('Etc/UTC'),
    away: [{ person: 'Printer', from: '2026-06-04T10:00', to: '2026-06-04T12:00', why: 'dentist' }],
    holidays: [{ date: '2026-12-24', name: '' }],
  };
  const form = hoursFormOf(shop);

  it('are what they were, written and read again', () => {
    expect(form.week.slice(4)).to.deep.equal(['8:00–16:30', '', '']);
    expect(calendarOf(form)).to.deep.equal(shop);
    const own = {
      ...form.people[0]!,
      hasOwn: true,
      week: ['9-12', '', '', '', '', '', ''],
      isLimited: true,
      machines: ['m'],
    };
    expect(calendarOf({ ...form, people: [own] }).people[0]).to.deep.equal({
      name: 'Printer',
      week: [{ fromMin: 540, toMin: 720 }, null, null, null, null, null, null],
      breaks: [{ fromMin: 720, toMin: 750 }],
      machines: ['m'],
    });
  });

  it('are marked where they cannot be read, and where they run backwards, at the field that holds them', () => {
    expect(faultsOfHours(form)).to.deep.equal([]);
    const bad = {
      ...form,
      week: ['eight to four', '16-8', '', '', '', '', ''],
      breaks: '12-12:30, noon',
      people: [...form.people, { ...newPerson(form), hasOwn: false }],
      holidays: [{ date: '24.12.', name: '' }],
      down: [{ machine: 'm', from: '', to: '2026-06-04T12:00', why: '' }],
    };
    expect(faultsOfHours(bad).map(({ path }) => path)).to.deep.equal([
      '/week/0',
      '/breaks',
      '/people/1/name',
      '/holidays/0/date',
      '/down/0/from',
      '/week/1',
    ]);
    expect(faultsOfHours(bad).at(-1)?.message).to.equal(
      'Tuesday: the shift ends at 08:00, before it begins at 16:00.',
    );
  });
});
