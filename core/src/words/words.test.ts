import { expect } from 'chai';
import { eachRoute } from '../fixtures/index.ts';
import { compareProcesses } from '../compare/index.ts';
import { lineInput, small, cap, polyesterBib, PRINT } from '../fixtures/index.ts';
import { DEFAULT_RATES } from '../cost/index.ts';
import { hardestOf, inWords, isCode, isSaid, pressureWord, say, withWords } from './index.ts';
import type { AnySaid, Speech } from './index.ts';

const IMPERIAL: Speech = {
  system: { temperature: 'F', length: 'in', mass: 'oz' },
  currency: 'EUR',
  language: 'en',
};

/** Everything that is said in a document, however deep. */
function saidIn(document: unknown): AnySaid[] {
  if (Array.isArray(document)) return document.flatMap(saidIn);
  if (typeof document !== 'object' || document === null) return [];
  return [...(isSaid(document) ? [document] : []), ...Object.values(document).flatMap(saidIn)];
}

describe('sentences', () => {
  const check = (document: unknown): void => {
    for (const said of saidIn(document)) {
      expect(isCode(said.code), said.code).to.equal(true);
      const [metric, imperial] = [inWords(said), inWords(said, IMPERIAL)];
      expect(metric, said.code).to.not.match(/undefined|NaN|Infinity|\[object/);
      expect(metric, said.code).to.not.equal('');
      // the one place where a unit is spoken of rather than measured in
      if (said.code !== 'slip.fahrenheit') expect(imperial, said.code).to.not.match(/°C|\d\s?mm\b/);
    }
  };

  it('are there for everything a route says, whole in metric and in °F and inches', () => {
    eachRoute((route) => check(route), 300);
  });

  it('are there for everything a comparison says', () => {
    const prints = { 'dtg-dark': PRINT, 'dtg-light': PRINT, dtf: PRINT, sub: PRINT };
    for (const own of [{}, { garment: polyesterBib }, { garment: cap, ...small('cap-front') }]) {
      const { print: _print, ...line } = lineInput(own);
      check(compareProcesses({ line, id: '1', others: [], prints, blankCents: 300, rates: DEFAULT_RATES }));
    }
  });

  it('write a span’s unit once, in the units of who reads it', () => {
    const said = say('reason.cure-light', { min: 30, max: 45 });
    expect(inWords(said)).to.equal('Light garments with little ink need 30 to 45\u00a0s.');
    const heat = say('reason.lower-off', { max: 105 });
    expect([inWords(heat), inWords(heat, IMPERIAL)]).to.deep.equal([
      'Off, or up to 105\u00a0°C.',
      'Off, or up to 221\u00a0°F.',
    ]);
    const lengths = say('rule.fingers', { count: 3, minMm: 54, maxMm: 60 });
    expect(inWords(lengths)).to.contain('54 to 60\u00a0mm');
    expect(inWords(lengths, IMPERIAL)).to.contain('2.13 to 2.36\u00a0in');
  });

  it('say a limit with what breaks it, and a pressure with its word', () => {
    const limit = say('limit.wet-ink');
    const said = say('conflict', {
      label: 'Pressure',
      kind: 'pressure',
      value: 50,
      bound: 12,
      isOver: true,
      limit,
    });
    expect(inWords(said)).to.equal(
      'Pressure 50\u00a0kPa (firm) is over 12\u00a0kPa: wet ink is squeezed into the sheet by any more: the lightest only (trade).',
    );
  });

  it('stand beside their codes in a document for people, and the document is left as it was', () => {
    const document = {
      checks: [say('check.lint')],
      reasons: [{ source: 'trade', said: say('check.weigh'), value: 3 }],
    };
    const before = JSON.stringify(document);
    expect(withWords(document)).to.deep.equal({
      checks: [{ code: 'check.lint', params: {}, text: 'Lint rolled off' }],
      reasons: [
        {
          source: 'trade',
          said: { code: 'check.weigh', params: {}, text: 'Weigh before and after' },
          value: 3,
        },
      ],
    });
    expect(JSON.stringify(document)).to.equal(before);
  });

  it('of a code nobody knows are the code', () => {
    expect(inWords({ code: 'check.of-tomorrow', params: {} })).to.equal('check.of-tomorrow');
    expect(inWords({ code: 'toString', params: {} })).to.equal('toString');
  });
});

describe('words for a pressure', () => {
  it('run from lightest to extra hard, and never milder for more', () => {
    const rank = ['lightest', 'light', 'medium', 'firm', 'hard', 'extra hard'] as const;
    expect([8, 20, 35, 55, 80, 120].map(pressureWord)).to.deep.equal(rank);
    const ranks = Array.from({ length: 150 }, (_, kPa) => rank.indexOf(pressureWord(kPa)));
    ranks.slice(1).forEach((own, i) => expect(own).to.be.at.least(ranks[i] ?? NaN));
    for (const word of rank.slice(0, 5)) {
      expect(pressureWord(hardestOf(word)), word).to.equal(word);
      expect(pressureWord(hardestOf(word) + 1), word).to.not.equal(word);
    }
  });
});
