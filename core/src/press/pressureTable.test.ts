import { expect } from 'chai';
import fc from 'fast-check';
import { FELT_KPA, pressureKnown, pressureTable } from './pressureTable.ts';
import type { PressureTest, TestedMark } from './pressureTable.ts';

const PLATE = { widthMm: 400, heightMm: 500 };
const STRIP = { widthMm: 20, lengthMm: 100, underKg: 5, pulledKg: 3 };

const asked = (marks: TestedMark[], own: Partial<PressureTest> = {}): PressureTest => ({
  marks,
  strip: null,
  cylinders: null,
  ...own,
});
function table(test: PressureTest) {
  const found = pressureTable(test, PLATE);
  if (!found.ok) throw new Error(found.why);
  return found.marks;
}

describe('the pressures of a press’s own marks', () => {
  it('follow from a strip that is pulled: the friction under a known weight drops out', () => {
    // 3 kg under 5 kg, 4.2 kg in the press: 7 kg on 20 × 100 mm are 68.6 N on 2000 mm²
    const [mark] = table(asked([{ mark: 3, by: 'strip', value: 4.2 }], { strip: STRIP }));
    expect(mark.kPa).to.be.closeTo(34.32, 0.01);
    expect([mark.low, mark.high]).to.deep.equal([mark.kPa * 0.8, mark.kPa * 1.2]);
  });

  it('follow from air over the plate’s area', () => {
    // two cylinders of 100 mm at 4 bar push with 6283 N; on 0.2 m² that is 31.4 kPa
    const [mark] = table(asked([{ mark: 4, by: 'air', value: 4 }], { cylinders: { count: 2, boreMm: 100 } }));
    expect(mark.kPa).to.be.closeTo(31.42, 0.01);
  });

  it('stand in order, one a mark, and are ranges where only a hand felt them', () => {
    const marks = table(
      asked([
        { mark: 6, by: 'holds', value: null },
        { mark: 2, by: 'gauge', value: 12 },
        { mark: 2, by: 'gauge', value: 14 },
      ]),
    );
    expect(marks.map(({ mark, kPa }) => [mark, kPa])).to.deep.equal([[2, 13], [6, FELT_KPA.holds[0]]]); // prettier-ignore
    expect(marks[1]).to.deep.include({ low: 45, high: 90 });
  });

  it('are taken together where they fall within what a test can be off, and refused where they fall by more', () => {
    const fall = (to: number) =>
      pressureTable(
        asked([
          { mark: 4, by: 'gauge', value: 40 },
          { mark: 6, by: 'gauge', value: to },
        ]),
        PLATE,
      );
    const near = fall(38);
    expect(near.ok && near.marks.map(({ kPa }) => kPa)).to.deep.equal([39, 39]);
    expect(fall(20)).to.deep.equal({ ok: false, why: 'falls', mark: 4, next: 6, kPa: 40, nextKPa: 20 });
  });

  it('need to know the strip and the cylinders', () => {
    const of = (own: Omit<TestedMark, 'mark'>) => pressureTable(asked([{ mark: 1, ...own }]), PLATE);
    expect(of({ by: 'strip', value: 2 })).to.deep.equal({ ok: false, why: 'no-strip', mark: 1 });
    expect(of({ by: 'air', value: 2 })).to.deep.equal({ ok: false, why: 'no-cylinders', mark: 1 });
    expect(of({ by: 'gauge', value: null })).to.deep.equal({ ok: false, why: 'no-value', mark: 1 });
  });

  it('never fall along the marks, and keep within their ranges', () => {
    const own = fc.record({
      mark: fc.integer({ min: 1, max: 9 }),
      by: fc.constantFrom('gauge' as const, 'slides' as const, 'holds' as const),
      value: fc.double({ min: 5, max: 90, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(own, { minLength: 1, maxLength: 12 }), (marks) => {
        const found = pressureTable(asked(marks), PLATE);
        if (!found.ok) return;
        for (const [i, { mark, kPa, low, high }] of found.marks.entries()) {
          expect(low).to.be.below(kPa);
          expect(high).to.be.above(kPa);
          const before = found.marks[i - 1];
          if (i > 0) expect(mark > before.mark && kPa >= before.kPa - 1e-9).to.equal(true);
        }
      }),
    );
  });

  it('tell the model how far a stated pressure may be off, never further than if nobody had tested', () => {
    const within = (own: Omit<TestedMark, 'mark'>) =>
      pressureKnown(table(asked([{ mark: 4, ...own }]))).pressure;
    expect(within({ by: 'gauge', value: 40 })).to.deep.equal({ usual: 1, low: 0.9, high: 1.1 });
    expect(within({ by: 'slides', value: null })).to.deep.equal({ usual: 1, low: 0.7, high: 1.4 });
  });
});
