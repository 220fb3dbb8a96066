import { readFileSync } from 'node:fs';
import { routeInputOf } from '@saltflat/contract';
import { quoteLine } from '@saltflat/core/cost';
import { planRoute, refusalText } from '@saltflat/core/route';
import { demoLine } from '@saltflat/demo';
import { expect } from 'chai';

const PAGE = readFileSync(new URL('../../docs/prices.md', import.meta.url), 'utf8');

/** Rows of the example: what, how it is worked out, and what comes out. */
const EXAMPLE = PAGE.slice(PAGE.indexOf('## One line by hand'))
  .split('\n')
  .map((line) => line.split('|').map((cell) => cell.trim()))
  .filter((cells) => cells.length === 5 && /\d/.test(cells[3] ?? ''))
  .map(([, what = '', how = '', cents = '']) => ({ what, how, cents: Number(cents) }));

/** A sum as people write it: numbers, brackets and the four rules. */
function workedOut(how: string): number {
  const tokens = how.match(/[\d.]+|[×÷+−()]/g) ?? [];
  expect(tokens.join(''), 'nothing else stands in it').to.equal(how.replaceAll(' ', ''));
  let at = 0;
  const value = (): number => {
    if (tokens[at] !== '(') return Number(tokens[at++]);
    at++;
    const inner = sum();
    at++;
    return inner;
  };
  const product = (): number => {
    let result = value();
    while (tokens[at] === '×' || tokens[at] === '÷') {
      const isTimes = tokens[at++] === '×';
      const other = value();
      result = isTimes ? result * other : result / other;
    }
    return result;
  };
  const sum = (): number => {
    let result = product();
    while (tokens[at] === '+' || tokens[at] === '−') result += tokens[at++] === '+' ? product() : -product();
    return result;
  };
  return sum();
}

/** The same figures as the program counts them. */
function quoted(): Record<string, number> {
  const document = demoLine();
  const input = routeInputOf(document);
  const result = quoteLine({
    routeFor: (pieces) => planRoute({ ...input, pieces }),
    garment: document.garment,
    sizes: document.sizes.map(({ size, quantity, cents }) => ({ size, quantity, blankCents: cents })),
    rates: document.rates,
  });
  if (!result.ok) throw new Error(refusalText(result.refusals));
  const { cost, sizes, totalCents } = result.quote;
  const eachOf = (name: string): number => sizes.find(({ size }) => size === name)?.eachCents ?? NaN;
  return {
    Blank: cost.blankCents,
    ...Object.fromEntries(cost.materials.map(({ what, cents }) => [what, cents])),
    Labour: cost.labourCents,
    'Set-up': cost.setUpCents,
    Machines: cost.machineCents,
    'Warming up': cost.warmUpCents,
    Spoilage: cost.spoilageCents,
    'Cost of a piece': cost.totalCents,
    'Price of an M': eachOf('M'),
    'Price of an XL': eachOf('XL'),
    'The line': totalCents,
  };
}

describe('the worked example of a price', () => {
  const program = quoted();

  it('has every figure of the quote, and no other', () => {
    expect(EXAMPLE.map(({ what }) => what)).to.deep.equal(Object.keys(program));
  });

  for (const { what, how, cents } of EXAMPLE)
    it(`${what} comes out by hand as the program counts it`, () => {
      const near = cents >= 800 ? 0.5 : 0.006; // prices are whole cents, the rest is written with two places
      expect(workedOut(how), 'by hand').to.be.closeTo(cents, near + 0.005);
      expect(program[what], 'by the program').to.be.closeTo(cents, near + 0.005);
    });
});
