import { benchVariants } from '@saltflat/core/heat';
import { expect } from 'chai';
import { documentOf, measuredOf } from './calibrationDraft.ts';
import type { CalibrationValues } from './calibrationDraft.ts';

const [bare] = benchVariants('mat');
if (!bare) throw new Error('the bench has no stack');

/** A press of 15 s, logged ten times a second from four seconds before it closed to a minute after. */
const values: CalibrationValues = {
  stack: bare.stack,
  plateOffsetC: -2,
  logged: {
    fileName: 'a.csv',
    closedAtS: 4,
    channels: [
      {
        name: 'work',
        at: 'glue',
        samples: Array.from({ length: 800 }, (_, i) => ({ atS: i / 10, tempC: 24 + i / 10 })),
      },
      { name: 'bench', at: 'none', samples: [{ atS: 5, tempC: 24 }] },
    ],
  },
  strips: [{ at: 'glue', highestC: null }],
  recipes: [
    { plateC: 160, dwellS: null, kPa: 35, held: true },
    { plateC: 160, dwellS: 15, kPa: 35, held: false },
  ],
  note: ' ',
  by: ' Ada ',
};

describe('what is sent of a calibration', () => {
  it('is what sensors in the stack read from the closing on, no more of it than is needed', () => {
    const measured = measuredOf(values);
    expect(measured?.channels.map(({ name }) => name)).to.deep.equal(['work']);
    const samples = measured?.channels[0]?.samples ?? [];
    expect(samples[0]).to.deep.equal({ atS: 0, tempC: 28 });
    expect(samples.length).to.be.within(150, 300);
    expect(samples.at(-1)?.atS).to.be.closeTo(45, 0.5); // half a minute after it opened
  });

  it('is not what lay where the stack, as it was changed since, has nothing', () => {
    const layers = bare.stack.layers.filter(({ material }) => material === 'cotton-jersey');
    const strips = [{ at: 'face' as const, highestC: 140 }];
    const changed = measuredOf({ ...values, stack: { ...bare.stack, layers }, strips });
    expect(changed).to.deep.include({ channels: [], strips });
  });

  it('leaves out what is not filled in, but not half of a recipe, which the check refuses', () => {
    expect(measuredOf(values)?.recipes).to.have.length(1);
    expect(documentOf(values)).to.deep.include({ strips: [], recipes: values.recipes, note: '', by: 'Ada' });
    const nothing = { ...values, logged: null, recipes: [] };
    expect(measuredOf(nothing)).to.equal(null);
  });
});
