import { expect } from 'chai';
import { cottonTee, hoodie, lineInput, lineOf, polyesterBib, routeOf } from '../fixtures/index.ts';
import type { LoadingCard, PrintInput, RoutePrint } from './index.ts';

const printOf = (own: Partial<PrintInput>): RoutePrint =>
  routeOf(lineOf({ process: 'dtg', ...own })).prints[0];
const cardOf = (own: Partial<PrintInput>): LoadingCard | null => printOf(own).loading ?? null;

describe('a loading card', () => {
  it('lays the collar at the platen’s edge and the print as far below it as it was written', () => {
    const { loading, placement } = printOf({
      garment: cottonTee,
      placement: { ...lineInput().placement, dropMm: 75 },
    });
    const card = loading!;
    expect(card).to.include({ edge: 'collar', isHooped: true, isSplit: false, riserMm: null });
    for (const [i, own] of card.sizes.entries()) {
      const { platen } = card;
      expect(own.edgeAboveMm).to.equal(0);
      // as far from the left as from the right, and the collar's middle over the platen's
      expect(own.print.xMm * 2 + own.print.widthMm).to.be.closeTo(platen.widthMm, 1);
      expect(own.garment.xMm).to.be.closeTo(platen.widthMm / 2, 1e-9);
      expect(own.print.yMm - own.garment.yMm).to.be.closeTo(placement.sizes[i].dropMm, 1);
      expect(own.print.yMm + own.print.heightMm).to.be.at.most(platen.heightMm);
      expect(own.tape).to.deep.equal([]);
    }
  });

  it('pulls up over the edge what hangs too low for the platen, by no more than that', () => {
    const low = cardOf({ garment: cottonTee, placement: { ...lineInput().placement, dropMm: 400 } })!;
    for (const { edgeAboveMm, print } of low.sizes) {
      expect(edgeAboveMm).to.be.greaterThan(0);
      expect(print.yMm + print.heightMm).to.be.closeTo(low.platen.heightMm, 1);
    }
  });

  it('raises what lies above a hoodie’s pocket by the pocket’s cloth, up to the pocket', () => {
    const { loading, placement } = printOf({
      garment: hoodie,
      placement: { ...lineInput().placement, dropMm: 140 },
    });
    const over = loading!;
    // fleece of 1.2 mm under the press is 1.7 mm where nothing presses it: two halves more than one
    expect(over.riserMm).to.equal(2);
    const [own] = over.sizes;
    const collarMm = own.print.yMm - placement.sizes[0].dropMm;
    expect(own.riser!.toMm).to.be.closeTo(collarMm + 410, 1); // a hoodie's pocket begins 410 mm below its collar
    expect(own.riser!.fromMm).to.be.lessThan(own.print.yMm + 1);
    expect(
      cardOf({ garment: hoodie, placement: { ...lineInput().placement, dropMm: 60 } })?.riserMm,
    ).to.equal(null);
  });

  it('splits a thin wicking knit open, and is for direct prints alone', () => {
    expect(cardOf({ garment: polyesterBib })).to.include({ isSplit: true, isHooped: false });
    expect(cardOf({ process: 'dtf' })).to.equal(null);
  });

  it('wants tape where the print runs off the garment', () => {
    const narrow = lineInput().placement.sizes.map((size) => ({ ...size, bodyWidthMm: 250 }));
    const card = cardOf({ garment: cottonTee, placement: { ...lineInput().placement, sizes: narrow } })!;
    expect(card.sizes[0].tape).to.include.members(['left', 'right']);
  });
});
