import { isZone } from '@saltflat/core/units';
import { expect } from 'chai';
import { dayIn, instantIn, midnightIn, minuteIn, minuteOfIn, wallIn } from './wallClock.ts';

describe('the clock on the wall', () => {
  it('counts minutes of a plan through the days on which clocks are changed', () => {
    // in Lisbon the clocks went forward on 29 March 2026 at one and back on 25 October at two
    const spring = midnightIn('Europe/Lisbon', Date.parse('2026-03-29T12:00:00Z'));
    expect(new Date(spring).toISOString()).to.equal('2026-03-29T00:00:00.000Z');
    const of = minuteOfIn('Europe/Lisbon', spring);
    expect(of('2026-03-29', 0)).to.equal(0);
    expect(of('2026-03-29', 8 * 60)).to.equal(7 * 60); // an hour is missing before it
    expect(of('2026-03-30', 8 * 60)).to.equal(23 * 60 + 8 * 60);
    expect(of('2026-03-29', 1440)).to.equal(23 * 60);
    const autumn = midnightIn('Europe/Lisbon', Date.parse('2026-10-25T12:00:00Z'));
    expect(minuteOfIn('Europe/Lisbon', autumn)('2026-10-26', 8 * 60)).to.equal(25 * 60 + 8 * 60);
  });

  it('knows the day and the hour of an instant where the shop is, over a year’s end too', () => {
    const at = Date.parse('2026-12-31T23:30:00Z');
    expect(dayIn('Etc/GMT-10', at)).to.equal('2027-01-01');
    expect(minuteIn('Etc/GMT-10', at)).to.equal(9 * 60 + 30);
    expect(minuteOfIn('Etc/GMT-10', midnightIn('Etc/GMT-10', at))('2027-01-01', 600)).to.equal(600);
    expect([isZone('Europe/Lisbon'), isZone('Moon/Tranquility')]).to.deep.equal([true, false]);
  });

  it('finds the instant at which it shows what was typed, wherever it is read', () => {
    // New York is four hours behind Greenwich in summer, five in winter
    expect(instantIn('America/New_York', '2026-07-01T16:00')).to.equal(Date.parse('2026-07-01T20:00:00Z'));
    expect(instantIn('America/New_York', '2026-12-01T16:00')).to.equal(Date.parse('2026-12-01T21:00:00Z'));
    expect(instantIn('Etc/GMT-10', '2027-01-01T00:15')).to.equal(Date.parse('2026-12-31T14:15:00Z'));
    expect(wallIn('Etc/GMT-10', Date.parse('2026-12-31T14:15:00Z'))).to.equal('2027-01-01T00:15');
    // left out by summer time; no day; no month; no time at all
    for (const none of ['2026-03-29T01:30', '2026-02-30T10:00', '2031-13-45T99:00', 'soon', ''])
      expect(instantIn('Europe/Lisbon', none), none).to.equal(null);
  });
});
