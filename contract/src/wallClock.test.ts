import { expect } from 'chai';
import { dayIn, isZone, midnightIn, minuteIn, minuteOfIn } from './wallClock.ts';

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
});
