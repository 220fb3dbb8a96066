import type { UnitSystem } from '@saltflat/core/units';
import { createSlice } from '@reduxjs/toolkit';
import type { PayloadAction } from '@reduxjs/toolkit';
import { useSelector } from 'react-redux';

const KEY = 'saltflat.units';

function remembered(): UnitSystem {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<UnitSystem>;
    return { temperature: kept.temperature === 'F' ? 'F' : 'C', length: kept.length === 'in' ? 'in' : 'mm' };
  } catch {
    return { temperature: 'C', length: 'mm' };
  }
}

/** How heat and length are written, everywhere at once, remembered on this device. */
export const unitsSlice = createSlice({
  name: 'units',
  initialState: remembered,
  reducers: {
    unitsChanged: (state, { payload }: PayloadAction<Partial<UnitSystem>>) => {
      Object.assign(state, payload);
      localStorage.setItem(KEY, JSON.stringify(state));
    },
  },
});

export const { unitsChanged } = unitsSlice.actions;

export const useUnits = (): UnitSystem => useSelector((state: { units: UnitSystem }) => state.units);

/** What the switch changes to: both units together. */
export const otherUnits = ({ temperature }: UnitSystem): UnitSystem =>
  temperature === 'C' ? { temperature: 'F', length: 'in' } : { temperature: 'C', length: 'mm' };
