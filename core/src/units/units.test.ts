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
} from './index.ts';
import type { QuantityKind, UnitSystem } from './index.ts';

const SHOP: UnitSystem = { temperature: 'F', length: 'in' };
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
    expect(['3.4', '€ 3,40', ' 12 ', '0.05'].map(parseMoney)).to.deep.equal([340, 340, 1200, 5]);
    expect(['', '3.405', '-1', 'free'].map(parseMoney)).to.deep.equal([null, null, null, null]);
  });

  it('reads and writes yes and no', () => {
    expect(['yes', 'No', '1'].map((typed) => parseQuantity(typed, 'flag'))).to.deep.equal(
      [1, 0, 1].map((value) => ({ ok: true, value })),
    );
    expect([1, 0].map((value) => formatQuantity(value, 'flag'))).to.deep.equal(['yes', 'no']);
  });
});
