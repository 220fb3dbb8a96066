import type { Device } from '@saltflat/contract';
import { act } from '@testing-library/react';
import { expect } from 'chai';
import { deviceSpoke } from '../../api/liveSlice.ts';
import { show } from '../../testing/render.tsx';
import { WeighBack } from './WeighBack.tsx';

describe('a garment weighed back', () => {
  it('tells the water left of what was sprayed, and whether it is this garment at all', () => {
    const { store, getByRole } = show(<WeighBack sprayed={{ beforeG: 180, afterG: 200 }} />);
    const says = (value: number | null): string => {
      const scale = { id: 'scale', name: 'Scale', unit: 'g', value, isStable: true, fault: null } as Device;
      act(() => void store.dispatch(deviceSpoke(scale)));
      return getByRole('note').textContent;
    };
    expect(says(null)).to.match(/says nothing/);
    // 20 g of fluid are 17.6 of water and 2.4 that stay
    expect(says(190)).to.match(/◆ 7\.6\sg of 17\.6\sg of water still in it/);
    expect(says(183)).to.match(/● dry, 0\.6\sg of 17\.6/);
    expect(says(0)).to.match(/put this garment on the scale/);
    expect(says(260)).to.match(/put this garment on the scale/);
  });
});
