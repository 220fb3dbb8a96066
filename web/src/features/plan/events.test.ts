import { expect } from 'chai';
import { withEvent } from './events.ts';

const CALENDAR = {
  zone: 'Europe/Lisbon',
  week: [null, null, null, null, null, null, null],
  breaks: [],
  people: ['Ines', 'Tomasz'].map((name) => ({ name, week: null, breaks: null, machines: null })),
  holidays: [],
  away: [{ person: 'Ines', from: '2026-12-01T08:00', to: '2026-12-01T12:00', why: 'dentist' }],
  down: [],
};
const span = { from: '2026-12-02T11:00', to: '2026-12-02T15:00', why: 'storm' };

describe('what comes in the way', () => {
  it('is a machine or a person beside those that are away already, and without power all of them', () => {
    const machine = withEvent(CALENDAR, { kind: 'machine', what: 'p', ...span }, ['p', 'q']);
    expect(machine).to.deep.equal({ ...CALENDAR, down: [{ machine: 'p', ...span }] });
    const person = withEvent(CALENDAR, { kind: 'person', what: 'Tomasz', ...span }, ['p', 'q']);
    expect(person.away).to.deep.equal([...CALENDAR.away, { person: 'Tomasz', ...span }]);
    expect(person.down).to.deep.equal([]);
    const power = withEvent(CALENDAR, { kind: 'power', what: 'p', ...span }, ['p', 'q']);
    expect(power.down.map((own) => own.machine)).to.deep.equal(['p', 'q']);
    expect(power.away.slice(1).map((own) => own.person)).to.deep.equal(['Ines', 'Tomasz']);
  });
});
