import { expect } from 'chai';
import { inWords } from '../words/index.ts';
import { DEFAULT_RATES } from '../cost/index.ts';
import { PRINT, cap, cottonTee, equipment, lineInput, polyesterBib, small } from '../fixtures/index.ts';
import { PROCESSES } from '../route/index.ts';
import type { LineInput } from '../route/index.ts';
import { compareProcesses } from './index.ts';
import type { Comparison } from './index.ts';

const compare = (own: Partial<LineInput> = {}): Comparison => {
  const { print, ...line } = lineInput(own);
  const white = { ...print, whiteMl: 3.2, colourMl: 0.6 };
  return compareProcesses({
    line,
    id: '1',
    others: [],
    prints: {
      dtf: print,
      'dtg-dark': white,
      'dtg-light': { ...print, whiteMl: 0 },
      sub: { ...print, whiteMl: 0 },
    },
    blankCents: 340,
    rates: DEFAULT_RATES,
  });
};

describe('the comparison of processes', () => {
  it('has every process, each with a plan or with reasons why not', () => {
    const { options } = compare();
    expect(options.map(({ process }) => process)).to.deep.equal([...PROCESSES]);
    for (const { plan, refusals } of options) expect(plan === null).to.equal(refusals.length > 0);
    const sub = options.find(({ process }) => process === 'sub-film');
    expect(sub?.refusals[0]?.code).to.equal('refusal.sublimation-ground');
  });

  it('recommends one that can be done, with two reasons and what would change it', () => {
    for (const own of [
      {},
      { pieces: 60 },
      { garment: polyesterBib },
      { garment: { ...cottonTee, tone: 'light' as const } },
    ]) {
      const { options, recommended, reasons, wouldChange } = compare(own);
      expect(options.find(({ process }) => process === recommended)?.plan).to.not.equal(null);
      expect(reasons).to.have.length.within(1, 2);
      expect(inWords(wouldChange)).to.match(/\.$/);
    }
  });

  it('prefers direct print where the whole front is light cotton, a transfer where polyester cannot take the cure', () => {
    expect(compare({ garment: { ...cottonTee, tone: 'light' }, pieces: 6 }).recommended).to.equal('dtg');
    expect(compare({ garment: polyesterBib, pieces: 20 }).recommended).to.equal('dtf');
  });

  it('never recommends what breaks a limit while another keeps them all', () => {
    const { options, recommended } = compare({ garment: { ...polyesterBib, maxPressC: 140 } });
    const clean = options
      .filter(({ plan }) => plan && plan.conflicts.length === 0)
      .map(({ process }) => process);
    expect(clean).to.include(recommended);
  });

  it('offers a cap what caps can have, and says when nothing can be done', () => {
    const { options } = compare({ garment: cap, ...small('cap-front') });
    const possible = options.filter(({ plan }) => plan !== null).map(({ process }) => process);
    expect(possible).to.have.members(['dtf', 'dtf-platen', 'bought-in', 'patch-cap']);
    const bare = { ...equipment, printers: [], boughtIns: [] };
    const none = compare({ equipment: bare });
    expect(none.recommended).to.equal(null);
    expect(none.wouldChange.code).to.equal('turn.none');
    expect(PRINT.inkMm2).to.be.above(0);
  });
});
