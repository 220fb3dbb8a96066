import type { PrinterJob, PrinterJobInput } from '@saltflat/contract';
import { DomainError } from '@saltflat/contract';
import { expect } from 'chai';
import { SimulatedPrinter } from './simulatedPrinter.ts';
import type { PrintWork } from './simulatedPrinter.ts';

const RUN = '6f2c2c1e-0000-4000-8000-000000000001';
const input = (step: string, part: PrinterJobInput['part'] = 'whole'): PrinterJobInput => ({
  runId: RUN,
  step,
  part,
});
const COLOUR = { layer: 'colour', durationS: 100, ml: 4 } as const;
const PAUSE = { layer: 'pause', durationS: 20, ml: 0 } as const;
const WHITE = { layer: 'white', durationS: 100, ml: 10 } as const;
const work = (layers: PrintWork['layers'] = [COLOUR, PAUSE, WHITE]): PrintWork => ({
  name: 'K-1, 6 transfers',
  mode: 'Fine',
  areaM2: 0.2,
  layers,
});
const printer = (whiteJobs: 'one' | 'two' = 'one'): SimulatedPrinter =>
  new SimulatedPrinter({ machineId: RUN, name: 'Film printer', whiteJobs, hasPlaten: true }, 0);
const at = (own: SimulatedPrinter, s: number): PrinterJob[] => own.read(1000 * s).jobs;
const refusal = (act: () => void): string => {
  try {
    act();
  } catch (error) {
    if (error instanceof DomainError) return error.message;
    throw error;
  }
  return '';
};

describe('a simulated film printer', () => {
  it('works through its queue layer by layer, and its ink falls by what is laid', () => {
    const own = printer();
    own.add(input('a'), work(), 0);
    own.add(input('b'), work(), 0);
    expect(at(own, 50)[0]).to.include({
      state: 'printing',
      layer: 'colour',
      leftS: 170,
      colourMl: 2,
      whiteMl: 0,
    });
    expect(at(own, 110)[0]).to.include({ state: 'pausing', layer: 'pause' });
    expect(at(own, 170)[0]).to.include({ state: 'printing', layer: 'white', whiteMl: 5 });
    const [first, second] = at(own, 270);
    expect(first).to.include({ state: 'done', share: 1, colourMl: 4, whiteMl: 10 });
    expect(second).to.include({ state: 'printing', layer: 'colour', colourMl: 2 }); // begun as the first was done
    const { colourMl, whiteMl, tankMl } = own.read(440_000);
    expect([tankMl - colourMl, tankMl - whiteMl]).to.deep.equal([8, 20]);
  });

  it('stands the same however often it is looked at', () => {
    const [often, once] = [printer(), printer()];
    for (const own of [often, once]) own.add(input('a'), work(), 0);
    for (let s = 0; s < 217; s += 0.7) at(often, s);
    const [p, q] = [at(often, 217)[0], at(once, 217)[0]];
    expect(p?.leftS).to.be.closeTo(q?.leftS ?? NaN, 1e-6);
    expect(p?.whiteMl).to.be.closeTo(q?.whiteMl ?? NaN, 1e-9);
  });

  it('prints film in two jobs: cancelled in the pause, dried, then the white; not cancelled, the white goes on wet', () => {
    const own = printer('two');
    own.add(input('a', 'first'), work(), 0);
    expect(at(own, 105)[0]).to.include({ state: 'pausing', isWet: false });
    own.cancel(at(own, 105)[0]!.id, 106_000);
    own.add(input('a', 'second'), work([WHITE]), 160_000);
    const [first, second] = at(own, 400);
    expect(first).to.include({ state: 'cancelled', colourMl: 4, whiteMl: 0, isWet: false });
    expect(second).to.include({ state: 'done', colourMl: 0, whiteMl: 10 });

    const late = printer('two');
    late.add(input('a', 'first'), work(), 0);
    expect(at(late, 130)[0]).to.include({ state: 'printing', layer: 'white', isWet: true });
  });

  it('fails where the film slips, the head strikes or ink runs out, and holds its queue until somebody has looked', () => {
    const own = printer();
    own.turn({ nextFault: 'feed' }, 0);
    own.add(input('a'), work(), 0);
    own.add(input('b'), work(), 0);
    const [first, second] = at(own, 300);
    expect(first).to.include({ state: 'failed', layer: 'colour', colourMl: 1.6 });
    expect(first?.fault).to.contain('slipped');
    expect(second?.state).to.equal('waiting');
    expect(own.isAtWork(300_000)).to.equal(false);
    own.turn({ whiteMl: 3 }, 300_000);
    own.clear(300_000);
    // 3 ml of white are 30 s of a layer that takes 100 s
    expect(at(own, 300 + 149)[1]).to.include({ state: 'printing', layer: 'white' });
    expect(at(own, 300 + 151)[1]).to.include({ state: 'failed' });
    expect(at(own, 300 + 151)[1]?.fault).to.contain('white ran out');
  });

  it('loses nozzles as it stands and by a strike, shows them in its pattern, and gets them back by cleaning', () => {
    const own = printer();
    const missing = (s: number): number => {
      own.printPattern(1000 * s);
      return Object.values(own.read(1000 * s).pattern?.missing ?? {}).flat().length;
    };
    expect(missing(60)).to.equal(0);
    // thirty per cent of a loss each half hour: 96 of them leave it whole once in 10^15
    expect(missing(2 * 86_400)).to.be.greaterThan(4);
    own.clean(2 * 86_400_000);
    expect(missing(2 * 86_400 + 1)).to.equal(0);
    own.turn({ clogged: 2 }, 2 * 86_400_000 + 1000);
    expect(own.read(2 * 86_400_000 + 2000).pattern?.missing).to.deep.equal({}); // until another is printed
    expect(missing(2 * 86_400 + 3)).to.equal(2);
    own.clean(2 * 86_400_000 + 4000);
    expect(missing(2 * 86_400 + 5)).to.equal(2); // clogged ones want more than one
    own.clean(2 * 86_400_000 + 6000);
    expect(missing(2 * 86_400 + 7)).to.equal(0);
    const { whiteMl, tankMl } = own.read(2 * 86_400_000 + 8000);
    expect(tankMl - whiteMl).to.be.closeTo(3 * 4 + 6 * 0.1, 1e-9);
  });

  it('has a platen whose sensor objects to what comes too near the head, and says so', () => {
    const own = printer();
    own.turn({ garmentMm: 3 }, 0);
    own.movePlaten(24, 0);
    expect(own.read(0).platen).to.deep.equal({ step: 24, isObjecting: false }); // 12 + 3 of 15 mm
    own.movePlaten(1, 0);
    expect(own.read(0).platen).to.deep.equal({ step: 25, isObjecting: true });
    expect(refusal(() => own.movePlaten(40, 0))).to.contain('at its highest');
    own.add(input('a'), work(), 0);
    expect(refusal(() => own.clean(1000))).to.contain('is at work');
  });

  it('refuses in words what it cannot print, and what it prints already', () => {
    const own = printer('two');
    expect(refusal(() => own.add(input('a'), work(), 0))).to.equal(
      'Film printer prints colour and white in two jobs.',
    );
    own.add(input('a', 'first'), work(), 0);
    expect(refusal(() => own.add(input('a', 'first'), work(), 0))).to.contain(
      'in the queue of Film printer already',
    );
    const [job] = at(own, 400);
    expect(refusal(() => own.cancel(job!.id, 400_000))).to.contain('is over already');
  });
});
