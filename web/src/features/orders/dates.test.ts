import { expect } from 'chai';
import fc from 'fast-check';
import { fromLocalField, toLocalField, usualDue } from './dates.ts';
import { isLate } from './isLate.ts';

describe('dates of an order', () => {
  it('go into a field and come back to the minute, summer time or not', () => {
    const minutes = fc.integer({ min: Date.UTC(2026, 0, 1) / 60_000, max: Date.UTC(2031, 0, 1) / 60_000 });
    fc.assert(
      fc.property(minutes, (minute) => {
        const iso = new Date(minute * 60_000).toISOString();
        const back = fromLocalField(toLocalField(iso)) ?? '';
        // the hour that clocks go through twice reads the same both times
        expect([0, 3_600_000]).to.include(Math.abs(Date.parse(back) - Date.parse(iso)));
      }),
    );
  });

  it('are none where nothing sensible is typed', () => {
    for (const text of ['', 'soon', '2031-13-45T99:00']) expect(fromLocalField(text), text).to.equal(null);
  });

  it('are late once past, as long as there is work in the order', () => {
    const due = '2031-01-03T15:00:00Z';
    const after = Date.parse(due) + 1;
    expect(isLate(due, 'ready', after)).to.equal(true);
    expect(isLate(due, 'ready', after - 2)).to.equal(false);
    for (const state of ['done', 'cancelled']) expect(isLate(due, state, after), state).to.equal(false);
  });

  it('start at five in the afternoon, three days on', () => {
    const now = new Date(2031, 0, 3, 9, 41, 27, 5).getTime();
    expect(usualDue(now)).to.equal('2031-01-06T17:00');
  });
});
