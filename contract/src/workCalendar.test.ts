import { expect } from 'chai';
import { DomainError, assumedCalendar, parseCalendar } from './index.ts';
import type { FieldProblem } from './index.ts';

const faultsOf = (change: (calendar: ReturnType<typeof assumedCalendar>) => object): FieldProblem[] => {
  try {
    parseCalendar(change(assumedCalendar('Etc/UTC')));
    return [];
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    return error.extra.fields ?? [];
  }
};

describe('a calendar of work that is written', () => {
  it('is refused field by field: a shift that ends before it begins, two of one name, a zone that is none', () => {
    expect(faultsOf((own) => own)).to.deep.equal([]);
    const day = { fromMin: 16 * 60, toMin: 8 * 60 };
    expect(faultsOf((own) => ({ ...own, week: [day, null, null, null, null, null, null] }))).to.deep.equal([
      { path: '/week/0/toMin', message: 'Monday: the shift ends at 08:00, before it begins at 16:00.' },
    ]);
    const [person] = assumedCalendar('Etc/UTC').people;
    expect(faultsOf((own) => ({ ...own, people: [person, person] })).map(({ path }) => path)).to.deep.equal([
      '/people/1/name',
    ]);
    expect(faultsOf((own) => ({ ...own, zone: 'Moon/Tranquility' }))).to.deep.equal([
      { path: '/zone', message: 'Time zone: “Moon/Tranquility” is none. It is written as Europe/Lisbon.' },
    ]);
    const away = { person: 'Nobody', from: '2026-06-04T10:00', to: '2026-06-04T09:00', why: '' };
    expect(faultsOf((own) => ({ ...own, away: [away] })).map(({ path }) => path)).to.deep.equal([
      '/away/0/person',
      '/away/0/to',
    ]);
    expect(faultsOf((own) => ({ ...own, week: [day] })).map(({ path }) => path)).to.deep.equal(['/week']);
  });
});
