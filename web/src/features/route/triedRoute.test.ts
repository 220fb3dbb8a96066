import type { RouteVersion } from '@saltflat/contract';
import { expect } from 'chai';
import { planTried, withTried } from './triedRoute.ts';
import type { Tried } from './triedRoute.ts';

const version = {
  route: {
    operations: [
      {
        id: 'press',
        settings: [
          { key: 'tempC', value: 157 },
          { key: 'dwellS', value: 15 },
        ],
      },
      { id: 'second-press', settings: [{ key: 'tempC', value: 157 }] },
    ],
  },
  cost: { totalCents: 512 },
} as unknown as RouteVersion;
const own = (operation: string, setting: string, value: number): Tried => ({ operation, setting, value });

describe('values being tried', () => {
  it('are one a setting, the latest; another operation’s setting of the same name is another', () => {
    const first = withTried(version, [], own('press', 'tempC', 150));
    const second = withTried(version, first, own('second-press', 'tempC', 140));
    expect(withTried(version, second, own('press', 'tempC', 152))).to.deep.equal([
      own('second-press', 'tempC', 140),
      own('press', 'tempC', 152),
    ]);
  });

  it('are none once they are what the route has anyway', () => {
    const tried = withTried(version, [], own('press', 'dwellS', 18));
    expect(withTried(version, tried, own('press', 'dwellS', 15 + 1e-12))).to.deep.equal([]);
    expect(withTried(version, tried, own('press', 'gone', 3))).to.have.lengthOf(2);
  });

  it('change nothing while there is nothing to plan from, or nothing tried', () => {
    for (const planned of [
      planTried(version, null, [own('press', 'tempC', 150)]),
      planTried(version, null, []),
    ])
      expect(planned).to.deep.equal({ route: version.route, cost: version.cost, problem: '' });
  });
});
