import { expect } from 'chai';
import { inWords, say } from '../words/index.ts';
import {
  cap,
  cottonTee,
  eachRoute,
  equipment,
  hoodie,
  lineOf,
  polyesterBib,
  routeOf,
  small,
} from '../fixtures/index.ts';
import { plannedMode, traceHeat } from '../work/index.ts';
import type { Operation, StackLayer } from '../work/index.ts';
import { promiseSlip } from './index.ts';
import { stackUnder } from './stack.ts';

const rested = (minS: number, maxS: number | null): Operation => {
  const { operations } = routeOf(lineOf());
  const [first] = operations;
  return {
    ...first,
    modes: [{ ...plannedMode(first), phases: [] }],
    waitAfter: { minS, maxS, why: say('wait.powder') },
  };
};

describe('the heat trace', () => {
  it('shows a rest and then what is left of its window, a minute of it at most', () => {
    const spans = (minS: number, maxS: number | null): [string, number, number][] =>
      traceHeat([rested(minS, maxS)], 1).map(({ kind, fromS, toS }) => [kind, fromS, toS]);
    expect(spans(20, 50)).to.deep.equal([
      ['rest', 0, 20],
      ['window', 20, 50],
    ]);
    expect(spans(20, 600)).to.deep.equal([
      ['rest', 0, 20],
      ['window', 20, 80],
    ]);
    expect(spans(0, 4)).to.deep.equal([['window', 0, 4]]);
    expect(spans(45, null)).to.deep.equal([['rest', 0, 45]]);
    expect(spans(0, null)).to.deep.equal([]);
  });

  it('has no gap and no empty stretch, whatever the route', () => {
    eachRoute(({ operations }, { pieces }) => {
      let at = 0;
      for (const { fromS, toS, tempC, kind } of traceHeat(operations, pieces)) {
        expect(fromS).to.equal(at);
        expect(toS).to.be.above(fromS);
        if (kind !== 'heat') expect(tempC).to.equal(22);
        at = toS;
      }
    }, 60);
  });
});

describe('an operation as a plan reads it', () => {
  it('holds its machine at the temperature set, and none where there is none', () => {
    const { operations } = routeOf(lineOf());
    const press = operations.find(({ id }) => id === 'press-transfer')!;
    const tempC = press.settings.find(({ key }) => key === 'tempC')!.value;
    expect(plannedMode(press)).to.include({ machineKind: 'press', stateC: tempC });
    const cut = operations.find(({ id }) => id === 'cut')!;
    expect(plannedMode(cut)).to.include({ machineKind: null, stateC: null });
  });

  it('lets a piece lie in a press that opens by itself, and empties any other within a minute', () => {
    const [press] = equipment.presses;
    const waits = (isAutoOpening: boolean): (number | null)[] =>
      routeOf(lineOf({ equipment: { ...equipment, presses: [{ ...press, isAutoOpening }] } }))
        .operations.filter(({ role }) => role === 'bond')
        .flatMap((own) => plannedMode(own).phases)
        .filter(({ people }) => people === 0)
        .map(({ maxWaitS }) => maxWaitS);
    expect(waits(true)).to.deep.equal([null]);
    expect(waits(false)).to.deep.equal([60]);
  });
});

describe('what lies under the plate', () => {
  const materials = (...given: Parameters<typeof stackUnder>): string[] =>
    layersUnder(...given).map(({ material }) => material);
  const layersUnder = (...given: Parameters<typeof stackUnder>): StackLayer[] => {
    const { layers, pad } = stackUnder(...given);
    return [...layers, pad!];
  };

  it('is two layers of a garment slipped over, one of what is opened up, of a cap and of a patch', () => {
    expect(materials(cottonTee)).to.deep.equal(['cotton-jersey', 'cotton-jersey', 'sponge-pad']);
    expect(materials(cottonTee, { layers: 1 })).to.deep.equal(['cotton-jersey', 'sponge-pad']);
    expect(materials(cap)).to.deep.equal(['cap-twill', 'buckram', 'solid-pad']);
    expect(materials(equipment.patch!.blank)).to.deep.equal(['leatherette', 'sponge-pad']);
  });

  it('is named by fabric: fleece, woven, polyester or cotton knit; foam and stiffener in a cap', () => {
    const knit = { ...cottonTee, fibres: { ...cottonTee.fibres, cotton: 0, polyester: 1 } };
    expect(materials(hoodie)[0]).to.equal('fleece');
    expect(materials(knit)[0]).to.equal('polyester-knit');
    expect(materials({ ...cottonTee, construction: 'woven' })[0]).to.equal('canvas');
    expect(materials({ ...cap, features: ['foam', 'stiffener'] })).to.include.ordered.members([
      'cap-twill',
      'cap-foam',
      'buckram',
    ]);
  });

  it('has moisture in every layer, and fluid or ink on the one it was laid on', () => {
    const water = (...given: Parameters<typeof stackUnder>): number[] =>
      layersUnder(...given)
        .filter(({ material }) => material === 'cotton-jersey')
        .map(({ waterGM2 }) => waterGM2);
    expect(water(cottonTee, { waterGM2: 14 })).to.deep.equal([14, 14]);
    expect(water(cottonTee, { wetGM2: 117 })).to.deep.equal([117, 0]);
    expect(water(cottonTee, { waterGM2: 14, wetGM2: 117 })).to.deep.equal([131, 14]);
  });

  it('is one layer of a thin wicking knit for direct print, two for a transfer', () => {
    const layers = (process: 'dtg' | 'dtf'): number[] =>
      routeOf(lineOf({ process, garment: polyesterBib }))
        .operations.flatMap((own) => plannedMode(own).phases)
        .filter(({ heat }) => heat?.stack.pad)
        .map(({ heat }) => heat!.stack.layers.filter(({ material }) => material === 'polyester-knit').length);
    expect(new Set(layers('dtg'))).to.deep.equal(new Set([1]));
    expect(new Set(layers('dtf'))).to.deep.equal(new Set([2]));
  });

  it('has the sheet on top and a patch over its cap, each with its own thickness', () => {
    const [parchment, , mat] = equipment.coverSheets;
    expect(layersUnder(cottonTee, { sheet: parchment })[0]).to.include({ material: 'parchment', dMm: 0.05 });
    const stack = layersUnder(cap, { sheet: mat, carries: 'bonded', patch: equipment.patch!.blank });
    expect(stack.map(({ material }) => material)).to.deep.equal([
      'silicone-mat',
      'transfer-ink',
      'adhesive-fused',
      'leatherette',
      'cap-twill',
      'buckram',
      'solid-pad',
    ]);
    expect(stack[0].dMm).to.equal(3);
    expect(stack[3].dMm).to.equal(1.1);
  });
});

describe('a promise', () => {
  const patched = routeOf(lineOf({ process: 'patch-cap', garment: cap, ...small('cap-front') }));
  const HOUR = 3_600_000;
  it('is too soon while the making and the rest together do not fit, to the second', () => {
    const needed = (patched.restBeforeDispatchS + patched.totals.elapsedS) * 1000;
    expect(promiseSlip(patched, 0, needed)).to.equal(null);
    expect(promiseSlip(patched, 0, needed - 1000)?.code).to.equal('slip.promised-too-soon');
  });

  it('is no slip once it is past, nor where nothing rests; and a short while is said as an hour', () => {
    expect(promiseSlip(patched, 2 * HOUR, HOUR)).to.equal(null);
    expect(promiseSlip({ ...patched, restBeforeDispatchS: 0 }, 0, HOUR)).to.equal(null);
    expect(inWords(promiseSlip(patched, 0, 60_000)!)).to.match(/there are 1 h left/);
    expect(inWords(promiseSlip({ ...patched, prints: [{ process: 'dtf' }] }, 0, HOUR)!)).to.contain(
      'a piece rests',
    );
  });
});
