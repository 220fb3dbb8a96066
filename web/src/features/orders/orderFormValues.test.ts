import { DomainError, OrderInput, parse } from '@saltflat/contract';
import type { Artwork } from '@saltflat/contract';
import { expect } from 'chai';
import { STYLES } from '../../testing/styles.ts';
import {
  anotherPrint,
  emptyLine,
  emptyOrder,
  piecesOf,
  orderOf,
  placeToPaste,
  printsOn,
  roomFor,
  sizesProblem,
  usualPlace,
  valuesOf,
  withArtAsLines,
  withArtAsPrints,
} from './orderFormValues.ts';
import type { OrderValues } from './orderFormValues.ts';

const NOW = Date.parse('2031-02-03T08:00:00Z');
const order = (own: Partial<OrderValues> = {}): OrderValues => {
  const values = emptyOrder(STYLES, NOW);
  const [line] = values.lines;
  return { ...values, customer: 'Test Pier', lines: [{ ...line!, quantities: { M: '4', L: '' } }], ...own };
};
/** What a server would refuse of it, by path. */
const problemsOf = (values: OrderValues): Record<string, string> => {
  try {
    parse(OrderInput, orderOf(values));
    return {};
  } catch (error) {
    const fields = error instanceof DomainError ? error.extra.fields : undefined;
    return Object.fromEntries((fields ?? []).map(({ path, message }) => [path, message]));
  }
};
const sent = (values: OrderValues): OrderInput => parse(OrderInput, orderOf(values));

describe('the order form', () => {
  it('begins with a line that can be filled in and a due time ahead', () => {
    const values = emptyOrder(STYLES, NOW);
    expect(values.lines).to.have.length(1);
    expect(values.lines[0]?.prints).to.have.length(1);
    expect(values.lines[0]?.prints[0]).to.include({ placement: 'full-front', isProcessChosen: false });
    expect(Date.parse(values.dueAt)).to.be.above(NOW);
  });

  it('sends what was typed: trimmed, without empty sizes', () => {
    const input = sent(order({ customer: '  Test Pier ' }));
    expect(input.customer).to.equal('Test Pier');
    expect(input.lines[0]?.sizes).to.deep.equal([{ size: 'M', quantity: 4 }]);
    expect(input.lines[0]).to.not.have.property('id');
  });

  it('asks for what is empty in the words of the field, and for the size that cannot be', () => {
    const [line] = order().lines;
    expect(problemsOf(order({ customer: ' ', dueAt: '' }))).to.deep.equal({
      '/customer': 'Say which customer it is for.',
      '/dueAt': 'Give the day and hour it is due.',
    });
    const wrong = { ...line!, quantities: { S: '', M: '2', L: 'two' } };
    expect(sizesProblem(wrong, '/lines/0', problemsOf(order({ lines: [wrong] })))).to.deep.equal({
      size: 'L',
      words: 'Size L: “Quantity” must be a whole number, but “two” was given.',
    });
    const none = { ...line!, quantities: {} };
    expect(sizesProblem(none, '/lines/0', problemsOf(order({ lines: [none] })))).to.deep.equal({
      size: null,
      words: 'Give the number of pieces in at least one size.',
    });
    const bare = { ...line!.prints[0]!, widthMm: null, dropMm: null };
    expect(problemsOf(order({ lines: [{ ...line!, prints: [bare] }] }))).to.deep.equal({
      '/lines/0/prints/0/widthMm': 'Give the printed width.',
      '/lines/0/prints/0/dropMm': 'Give the distance below the collar, or the upper edge.',
    });
  });

  it('counts pieces as typed so far', () => {
    expect(piecesOf({ ...emptyLine(STYLES), quantities: { M: '3', L: 'two', XL: '-1' } })).to.equal(3);
  });

  it('adds another print on the same garment, at the next place that is free and without art', () => {
    const [line] = order().lines;
    const [style] = STYLES;
    const back = anotherPrint(style, line!.prints);
    expect(back).to.deep.include({ id: '2', isNew: true, placement: 'back', artwork: null });
    expect(anotherPrint(style, [...line!.prints, back!])).to.include({ id: '3', placement: 'left-sleeve' });
    const chest = { ...line!.prints[0]!, placement: 'left-chest' as const };
    expect(anotherPrint(style, [chest])?.placement, 'a front would lie on the mark').to.equal('back');
    const mask = { ...style!, kind: 'mask' as const };
    const [only] = emptyLine([mask]).prints;
    expect(anotherPrint(mask, [only!]), 'a mask has one place').to.equal(null);
  });

  it('keeps the prints that another garment has a place for', () => {
    const [first] = order().lines[0]!.prints;
    const prints = [
      { ...first!, id: '1', placement: 'back' as const, widths: { M: 200, XXL: 300 } },
      { ...first!, id: '2', placement: 'left-chest' as const },
      { ...first!, id: '3', placement: 'left-sleeve' as const },
    ];
    const bib = { ...STYLES[0]!, kind: 'bib' as const };
    expect(printsOn(bib, prints).map(({ id, placement }) => [id, placement])).to.deep.equal([
      ['1', 'back'],
      ['2', 'left-chest'],
      ['3', 'full-front'],
    ]);
    expect(printsOn(bib, prints)[0]!.widths).to.deep.equal({ M: 200 });
    const tote = { ...STYLES[0]!, kind: 'tote' as const };
    expect(printsOn(tote, prints).map(({ id }) => id)).to.deep.equal(['1']);
  });

  it('gathers widths of their own by size, and drops those of sizes that are not ordered', () => {
    const [line] = order().lines;
    const input = sent(
      order({
        lines: [
          {
            ...line!,
            quantities: { M: '4', L: '2' },
            prints: [{ ...line!.prints[0]!, widths: { M: 250, L: 250, XL: 300 } }],
          },
        ],
      }),
    );
    expect(input.lines[0]?.prints[0]?.grades).to.deep.equal([{ sizes: ['M', 'L'], widthMm: 250 }]);
  });

  it('places a print where the blank has a place', () => {
    const cap = { ...STYLES[0]!, kind: 'cap-five' as const };
    expect(usualPlace(cap, 'back').placement).to.equal('cap-front');
    expect(usualPlace(STYLES[0], 'back').placement).to.equal('back');
  });

  it('turns an order into values and back without a change', () => {
    const colour = STYLES[0]!.colours[0]!;
    const stored = {
      id: '33333333-3333-4333-8333-333333333333',
      code: 'K-1',
      customer: 'Test Pier',
      dueAt: '2031-02-05T16:00:00.000Z',
      note: 'as before',
      state: 'ready' as const,
      version: 2,
      createdAt: '2031-02-01T08:00:00.000Z',
      cancelledAt: null,
      lines: [
        {
          id: '44444444-4444-4444-8444-444444444444',
          position: 1,
          code: 'K-1',
          styleId: STYLES[0]!.id,
          styleName: 'Made-up tee',
          styleKind: 'tee' as const,
          colour,
          proof: null,
          prints: [
            {
              id: '1',
              artwork: null,
              preparation: null,
              placement: 'back' as const,
              dropMm: 90,
              widthMm: 300,
              process: 'dtg' as const,
              grades: [{ sizes: ['L'], widthMm: 320 }],
              findings: [],
            },
            {
              id: '3',
              artwork: null,
              preparation: null,
              placement: 'left-chest' as const,
              dropMm: 95,
              widthMm: 90,
              process: 'dtf' as const,
              grades: [],
              findings: [],
            },
          ],
          sizes: [{ size: 'L', quantity: 2 }],
          house: { secondPress: 'none' as const },
          pieces: 2,
          state: 'ready' as const,
          planProblem: null,
          routeNumber: 1,
          artOverrule: null,
          activeRunId: null,
        },
      ],
    };
    const input = sent(valuesOf(stored));
    expect(input).to.deep.equal({
      customer: 'Test Pier',
      dueAt: '2031-02-05T16:00:00.000Z',
      note: 'as before',
      lines: [
        {
          id: stored.lines[0]!.id,
          styleId: STYLES[0]!.id,
          colourId: colour.id,
          prints: [
            {
              id: '1',
              artworkId: null,
              preparationId: null,
              placement: 'back',
              dropMm: 90,
              widthMm: 300,
              process: 'dtg',
              grades: [{ sizes: ['L'], widthMm: 320 }],
            },
            {
              id: '3',
              artworkId: null,
              preparationId: null,
              placement: 'left-chest',
              dropMm: 95,
              widthMm: 90,
              process: 'dtf',
              grades: [],
            },
          ],
          sizes: [{ size: 'L', quantity: 2 }],
          house: { secondPress: 'none' },
        },
      ],
    });
  });

  it('makes lines or prints of several artworks, and says for how many a garment has room', () => {
    const art = ['front', 'back', 'mark'].map((name) => ({ id: name, name: `${name}.png` }) as Artwork);
    const line = { ...emptyLine(STYLES), quantities: { M: '4' } };
    const names = (prints: typeof line.prints) => prints.map(({ artwork }) => artwork?.name);

    const lines = withArtAsLines(line, '1', art);
    expect(lines.map(({ prints }) => names(prints))).to.deep.equal([
      ['front.png'],
      ['back.png'],
      ['mark.png'],
    ]);
    // how many of the others nobody has said yet
    expect(lines.map(piecesOf)).to.deep.equal([4, 0, 0]);
    expect(new Set(lines.map(({ styleId, colourId }) => styleId + colourId)).size).to.equal(1);

    const { prints } = withArtAsPrints(STYLES[0], line, '1', art);
    expect(names(prints)).to.deep.equal(['front.png', 'back.png', 'mark.png']);
    expect(new Set(prints.map(({ placement }) => placement)).size).to.equal(3);
    // a line has at most six prints
    expect(roomFor(STYLES[0], line)).to.equal(6);
    expect(roomFor(STYLES[0], { ...line, prints })).to.equal(4);
  });

  it('gives pasted art to the first print without any, else to the last', () => {
    const withArt = withArtAsLines(emptyLine(STYLES), '1', [{ id: 'a' } as Artwork])[0]!;
    expect(placeToPaste([withArt, emptyLine(STYLES)])).to.deep.equal({ line: 1, print: '1' });
    expect(placeToPaste([withArt, withArt])).to.deep.equal({ line: 1, print: '1' });
    expect(placeToPaste([emptyLine(STYLES), withArt])).to.deep.equal({ line: 0, print: '1' });
  });
});
