import { expect } from 'chai';
import fc from 'fast-check';
import {
  findSlip,
  formatClock,
  formatDuration,
  formatQuantity,
  fromShown,
  parseQuantity,
  toShown,
  parseMoney,
  formatDate,
} from './index.ts';
import type { DateWriting, QuantityKind, UnitSystem } from './index.ts';

const SHOP: UnitSystem = { temperature: 'F', length: 'in', mass: 'oz' };
const value = (text: string, kind: QuantityKind, system?: UnitSystem) => {
  const parsed = parseQuantity(text, kind, system);
  return parsed.ok ? parsed.value : parsed.problem;
};

describe('parseQuantity', () => {
  it('reads what people type, whatever the screen shows', () => {
    expect(value('325F', 'temperature')).to.be.closeTo(162.78, 0.005);
    expect(value('150 °C', 'temperature', SHOP)).to.equal(150);
    expect(value('14 in', 'length')).to.be.closeTo(355.6, 1e-9);
    expect(value('1:30', 'duration')).to.equal(90);
    expect(value('2,5 min', 'duration')).to.equal(150);
    expect(value('15s', 'duration')).to.equal(15);
    expect(value('60 %', 'share')).to.be.closeTo(0.6, 1e-12);
  });

  it('takes a bare number in the unit shown', () => {
    expect(value('302', 'temperature', SHOP)).to.be.closeTo(150, 1e-9);
    expect(value('302', 'temperature')).to.equal(302);
  });

  it('refuses another kind of unit and says what would be right', () => {
    expect(value('15 mm', 'duration')).to.contain('15 s, 1:30');
    expect(value('hot', 'temperature')).to.contain('not a number');
    expect(value('', 'length')).to.contain('280 mm');
  });

  it('comes back to the same number through either unit system', () => {
    const kinds = fc.constantFrom<QuantityKind>('temperature', 'length', 'share', 'mass');
    fc.assert(
      fc.property(fc.double({ min: -500, max: 5000, noNaN: true }), kinds, (stored, kind) => {
        expect(fromShown(toShown(stored, kind, SHOP), kind, SHOP)).to.be.closeTo(
          stored,
          1e-9 * (1 + Math.abs(stored)),
        );
      }),
    );
  });
});

describe('formatQuantity', () => {
  const plain = (text: string) => text.replaceAll('\u00a0', ' ');
  it('always writes the unit', () => {
    expect(plain(formatQuantity(150, 'temperature'))).to.equal('150 °C');
    expect(plain(formatQuantity(150, 'temperature', SHOP))).to.equal('302 °F');
    expect(plain(formatQuantity(280, 'length', SHOP))).to.equal('11.02 in');
    expect(plain(formatQuantity(0.62, 'share'))).to.equal('62 %');
    expect(plain(formatQuantity(0.15, 'length'))).to.equal('0.15 mm');
  });

  it('writes times as clocks and as words', () => {
    expect(formatClock(72)).to.equal('1:12');
    expect(formatClock(3725)).to.equal('1:02:05');
    expect(formatClock(-8)).to.equal('−0:08');
    expect(plain(formatDuration(15))).to.equal('15 s');
    expect(plain(formatDuration(150))).to.equal('2:30 min');
    expect(plain(formatDuration(1200))).to.equal('20 min');
    expect(plain(formatDuration(7500))).to.equal('2 h 05 min');
  });
});

describe('findSlip', () => {
  it('asks about a temperature in the wrong unit, both ways', () => {
    expect(findSlip(320, 'temperature')?.meantValue).to.be.closeTo(160, 0.01);
    expect(findSlip((160 - 32) / 1.8, 'temperature')?.meantValue).to.be.closeTo(160, 0.01);
    expect(findSlip(160, 'temperature')).to.equal(null);
    expect(findSlip(20, 'temperature')).to.equal(null);
  });

  it('asks about minutes typed as seconds', () => {
    expect(findSlip(2, 'duration')?.meantValue).to.equal(120);
    expect(findSlip(15, 'duration')).to.equal(null);
  });

  it('reads money to the cent, and nothing that is no amount', () => {
    const cents = (typed: string): number | null => parseMoney(typed, 'EUR');
    expect(['3.4', '€ 3,40', ' 12 ', '0.05'].map(cents)).to.deep.equal([340, 340, 1200, 5]);
    expect(['', '3.405', '-1', 'free', '$ 3'].map(cents)).to.deep.equal([null, null, null, null, null]);
    expect([parseMoney('CHF 12', 'CHF'), parseMoney('zł 3,5', 'PLN')]).to.deep.equal([1200, 350]);
  });

  it('reads and writes yes and no', () => {
    expect(['yes', 'No', '1'].map((typed) => parseQuantity(typed, 'flag'))).to.deep.equal(
      [1, 0, 1].map((value) => ({ ok: true, value })),
    );
    expect([1, 0].map((value) => formatQuantity(value, 'flag'))).to.deep.equal(['yes', 'no']);
  });
});

describe('how a shop writes', () => {
  it('writes and reads ounces where mass is written so: 28.35 g are one', () => {
    expect(formatQuantity(28.349523125, 'mass', SHOP)).to.equal('1.000\u00a0oz');
    expect(formatQuantity(24, 'mass', SHOP)).to.equal('0.847\u00a0oz');
    expect(parseQuantity('2', 'mass', SHOP)).to.deep.equal({ ok: true, value: 2 * 28.349523125 });
    // grams are grams wherever they are written
    expect(parseQuantity('24 g', 'mass', SHOP)).to.deep.equal({ ok: true, value: 24 });
    expect(formatQuantity(24, 'mass')).to.equal('24.0\u00a0g');
  });

  it('writes days in the order and the hours that were chosen', () => {
    const at = '2031-03-04T15:05:00Z'; // a Tuesday
    const how = (dayOrder: DateWriting['dayOrder'], hours: DateWriting['hours'] = '24'): DateWriting => ({
      dayOrder,
      hours,
      firstDay: 'monday',
      language: 'en',
    });
    const all = (own: DateWriting) =>
      (['day', 'weekday', 'date', 'weekday-time', 'day-time', 'time'] as const).map((kind) =>
        formatDate(at, kind, own, 'UTC'),
      );
    expect(all(how('day-month'))).to.deep.equal([
      '4 Mar', 'Tue 4 Mar', '4 Mar 2031', 'Tue 4 Mar, 15:05', '4 Mar, 15:05', '15:05',
    ]); // prettier-ignore
    expect(all(how('month-day', '12'))).to.deep.equal([
      'Mar 4', 'Tue Mar 4', 'Mar 4, 2031', 'Tue Mar 4, 3:05 pm', 'Mar 4, 3:05 pm', '3:05 pm',
    ]); // prettier-ignore
    expect(all(how('year-month-day'))[3]).to.equal('Tue 2031-03-04, 15:05');
    // midnight and noon, and the day where somebody is
    expect(formatDate('2031-03-04T00:30:00Z', 'time', how('month-day', '12'), 'UTC')).to.equal('12:30 am');
    expect(formatDate('2031-03-04T12:30:00Z', 'time', how('month-day', '12'), 'UTC')).to.equal('12:30 pm');
    expect(formatDate('2031-03-04T00:30:00Z', 'time', how('day-month'), 'UTC')).to.equal('00:30');
    expect(formatDate('2031-03-04T15:05:00Z', 'day', how('day-month'), 'Pacific/Kiritimati')).to.equal(
      '5 Mar',
    );
  });
});
