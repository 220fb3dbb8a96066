import { expect } from 'chai';
import { BENCH_QUESTIONS, benchVariants } from './benchPresets.ts';
import type { BenchName, BenchQuestion } from './benchPresets.ts';
import { heatOfStack, placesIn, stackOf } from './benchStack.ts';
import { TEE, inHeat, pressing, room, transferOn } from './fixtures/pressings.ts';
import { heatOperation } from './heatOperation.ts';

/** What each question comes to, by the name of its stacks. */
const answers = (question: BenchQuestion): Map<BenchName, ReturnType<typeof heatOfStack>> =>
  new Map(benchVariants(question).map(({ name, stack }) => [name, heatOfStack(stack)]));
const bond = (question: BenchQuestion, name: BenchName): number =>
  answers(question).get(name)?.doses['bond@glue'] ?? NaN;

describe('a stack on the bench', () => {
  it('answers what people argue about the way the trade and the physics have it', () => {
    expect(bond('mat', 'bare')).to.be.above(bond('mat', 'parchment'));
    expect(bond('mat', 'parchment')).to.be.above(3 * bond('mat', 'thin-mat'));
    expect(bond('mat-start', 'mat-parked')).to.be.above(3 * bond('mat-start', 'mat-cold'));
    expect(bond('bursts', 'one-press')).to.be.above(bond('bursts', 'bursts')); // it cools in between
    expect(bond('damp', 'dry')).to.be.above(bond('damp', 'damp'));
    expect(bond('damp', 'damp')).to.be.above(bond('damp', 'wet'));
    expect(bond('lower', 'form-hot')).to.be.above(bond('lower', 'form-cold'));
    const loose = answers('lower').get('form-hot')?.doses['stiffener@stiffener'] ?? 0;
    expect(loose).to.be.above(answers('lower').get('form-warm')?.doses['stiffener@stiffener'] ?? 1);
    const coldest = (name: BenchName): number => answers('cooling').get(name)?.courses.glue?.at(-1) ?? NaN;
    expect(coldest('on-metal')).to.be.below(coldest('on-wood'));
    expect(coldest('on-wood')).to.be.below(coldest('on-press'));
  });

  it('has four stacks a question at most, each of its own name', () => {
    for (const question of BENCH_QUESTIONS) {
      const names = benchVariants(question).map(({ name }) => name);
      expect(names.length).to.be.within(2, 4);
      expect(new Set(names).size).to.equal(names.length);
    }
  });

  it('is taken from an operation as it lies under the plate, and comes to the same', () => {
    const burst = { tempC: 155, forS: 8, layers: transferOn([TEE]) };
    const operation = pressing([burst, burst], 6);
    const stack = stackOf(operation, 'parked');
    expect(stack).to.deep.include({ plateC: 155, dwellS: 8, closings: 2, openS: 6, kPa: 35 });
    if (stack === null) throw new Error('no stack');
    const pressed = heatOperation(inHeat(operation), room());
    expect(heatOfStack(stack).doses['bond@glue']).to.be.closeTo(pressed?.doses['bond@glue'] ?? NaN, 0.02);
    const held = pressing([{ ...burst, press: { over: 'hover', gapMm: 8, kPa: 0 } }]);
    expect(stackOf(held, 'parked')).to.equal(null);
  });

  it('says where a sensor can lie in it', () => {
    const [first] = benchVariants('sheet');
    expect(placesIn(first.stack)).to.include.members(['glue', 'ink', 'face', 'back']);
    expect(placesIn(first.stack)).not.to.include('stiffener');
  });

  it('needs a layer', () => {
    const [first] = benchVariants('sheet');
    expect(() => heatOfStack({ ...first.stack, layers: [] })).to.throw(RangeError, 'a stack needs a layer');
  });
});
