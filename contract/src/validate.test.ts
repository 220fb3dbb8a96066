import { expect } from 'chai';
import { Type } from 'typebox';
import { DomainError, OrderInput, OrderQuery, parse, strictObject } from './index.ts';

const line = {
  styleId: '7f1d9a54-0b1e-4c5e-9a52-3f6f0b7f3a01',
  colourId: '7f1d9a54-0b1e-4c5e-9a52-3f6f0b7f3a02',
  prints: [{ artworkId: null, placement: 'full-front', dropMm: 75, widthMm: 280, process: 'dtf' }],
  sizes: [{ size: 'M', quantity: 3 }],
};
const order = { customer: 'Gull Rock Kite Club', dueAt: '2030-05-06T08:00:00Z', note: '', lines: [line] };

function refusalOf(data: unknown): DomainError {
  try {
    parse(OrderInput, data);
  } catch (error) {
    if (error instanceof DomainError) return error;
  }
  throw new Error('nothing was refused');
}

const refusal = (data: unknown): Record<string, string> =>
  Object.fromEntries((refusalOf(data).extra.fields ?? []).map(({ path, message }) => [path, message]));

describe('parse', () => {
  it('takes a sound order as it is', () => {
    expect(parse(OrderInput, order)).to.equal(order);
  });

  it('names every wrong field at once and says what would be right', () => {
    const bad = {
      ...order,
      colour: 'red',
      customer: '  ',
      lines: [
        {
          ...line,
          prints: [{ ...line.prints[0], widthMm: -4, process: 'stencil' }],
          sizes: [
            { size: 'M', quantity: 0 },
            { size: 'L', quantity: -2.5 },
          ],
        },
      ],
    };
    expect(refusal(bad)).to.deep.equal({
      '/colour': 'There is no field “colour” here; leave it out.',
      '/customer': 'Say which customer it is for.',
      '/lines/0/prints/0/widthMm': '“Printed width, mm” must be at least 5, but -4 was given.',
      '/lines/0/prints/0/process':
        '“Process” must be one of dtg, dtf, dtf-platen, sub-film, bought-in, shelf, patch-cap, but “stencil” was given.',
      '/lines/0/sizes/0/quantity': '“Quantity” must be at least 1, but 0 was given.',
      '/lines/0/sizes/1/quantity': '“Quantity” must be a whole number, but -2.5 was given.',
    });
  });

  it('names a missing field by its title', () => {
    const { dueAt: _left, ...without } = order;
    expect(refusal(without)).to.deep.equal({ '/dueAt': 'Give the day and hour it is due.' });
  });

  it('reads numbers out of query strings, and only there', () => {
    expect(parse(OrderQuery, { limit: '20' }, { coerce: true })).to.deep.equal({ limit: 20 });
    expect(() => parse(OrderQuery, { limit: '20' })).to.throw('“Limit” must be a whole number');
  });

  it('refuses a number beyond all numbers, which would pass every limit', () => {
    for (const limit of ['1e400', 'Infinity', '-1e999'])
      expect(() => parse(OrderQuery, { limit }, { coerce: true }), limit).to.throw('“Limit” is too large');
  });

  it('tells the first twenty faults, counts the others, and repeats no more than a person reads', () => {
    const unknown = Object.fromEntries(Array.from({ length: 5000 }, (_own, i) => [`f${i}`, 1]));
    const problem = refusalOf({ ...order, ...unknown });
    expect(problem.extra.fields).to.have.length(20);
    expect(problem.message).to.match(/leave it out\. And 4980 more\.$/);
    const long = refusalOf({ ...order, ['k'.repeat(200_000)]: 1, customer: ['c'.repeat(200_000)] });
    expect(JSON.stringify(long.extra.fields).length).to.be.below(1500);
  });

  it('reads a text once however long it is, and tells a thing twice without comparing all with all', () => {
    // a pattern that goes back for every letter, or comparing each with each, would take minutes here
    const long = `${' '.repeat(400_000)}${'a'.repeat(400_000)}\u0000`;
    expect(refusalOf({ ...order, customer: long }).extra.fields?.map(({ path }) => path)).to.deep.equal([
      '/customer',
    ]);
    const features = Array.from({ length: 20_000 }, (_own, i) => `feature ${i}`);
    const twice = strictObject({
      features: Type.Array(Type.String(), { title: 'Features', uniqueItems: true }),
    });
    expect(parse(twice, { features }).features).to.have.length(20_000);
    expect(() => parse(twice, { features: [...features, 'feature 7'] })).to.throw(
      '“Features” has something twice.',
    );
  });
});
