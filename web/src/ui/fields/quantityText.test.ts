import { METRIC } from '@saltflat/core/units';
import type { UnitSystem } from '@saltflat/core/units';
import { expect } from 'chai';
import { shownText, stillSays } from './quantityText.ts';

const INCHES: UnitSystem = { temperature: 'F', length: 'in', mass: 'oz' };

describe('what a quantity field shows', () => {
  it('is readable for a choke in either unit', () => {
    expect(shownText(0.3, 'length', METRIC)).to.equal('0.3');
    expect(shownText(0.3, 'length', INCHES)).to.equal('0.012');
    expect(shownText(280, 'length', INCHES)).to.equal('11.024');
    expect(shownText(null, 'length', METRIC)).to.equal('');
  });

  it('stays as typed while it says the value, and gives way to a change from outside however small', () => {
    expect(stillSays('14 in', 355.6, 'length', METRIC)).to.equal(true);
    expect(stillSays('1:30', 90, 'duration', METRIC)).to.equal(true);
    expect(stillSays('0.30', 0.3, 'length', METRIC)).to.equal(true);
    expect(stillSays('0.30', 0.34, 'length', METRIC)).to.equal(false);
    expect(stillSays('150', 150.04, 'temperature', METRIC)).to.equal(false);
    expect(stillSays('150', 150, 'temperature', INCHES), 'another unit').to.equal(false);
    expect(stillSays('hot', 150, 'temperature', METRIC)).to.equal(false);
  });
});
