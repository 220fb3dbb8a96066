import { IMPERIAL, METRIC, USUAL_WRITING, formatDate, formatMoney } from '@saltflat/core/units';
import type { DateKind, UnitSystem, Writing } from '@saltflat/core/units';
import { createSelector, createSlice } from '@reduxjs/toolkit';
import type { PayloadAction } from '@reduxjs/toolkit';
import { useCallback } from 'react';
import { useSelector } from 'react-redux';
import { OWN_KEY, SHOP_KEY, remembered } from './remembered.ts';
import { shopZone } from './shopClock.ts';

/** What a person can choose for this device; the currency is the shop's alone. */
export type OwnWriting = Partial<Omit<Writing, 'currency'>>;

interface WritingState {
  /** How the shop writes, as last heard. */
  shop: Writing;
  /** What is chosen otherwise on this device. */
  own: OwnWriting;
}

/** How measures, money and days are written, everywhere at once: as the shop does, or as it was chosen on this device. */
export const writingSlice = createSlice({
  name: 'writing',
  initialState: (): WritingState => ({
    shop: { ...USUAL_WRITING, ...remembered(SHOP_KEY) },
    own: remembered(OWN_KEY),
  }),
  reducers: {
    shopWritingHeard: (state, { payload }: PayloadAction<Writing>) => {
      state.shop = payload;
      localStorage.setItem(SHOP_KEY, JSON.stringify(payload));
    },
    /** What is `undefined` is as the shop does again. */
    ownWritingChosen: (
      state,
      { payload }: PayloadAction<{ [K in keyof OwnWriting]: OwnWriting[K] | undefined }>,
    ) => {
      state.own = JSON.parse(JSON.stringify({ ...state.own, ...payload })) as OwnWriting; // without what is undefined
      localStorage.setItem(OWN_KEY, JSON.stringify(state.own));
    },
  },
});

export const { shopWritingHeard, ownWritingChosen } = writingSlice.actions;

interface Rooted {
  writing: WritingState;
}
const merged = createSelector(
  [({ writing }: Rooted) => writing.shop, ({ writing }: Rooted) => writing.own],
  (shop, own): Writing => ({ ...shop, ...own, currency: shop.currency }),
);

export const useWriting = (): Writing => useSelector(merged);
export const useUnits = (): UnitSystem => useSelector(merged);
export const useOwnWriting = (): OwnWriting => useSelector(({ writing }: Rooted) => writing.own);

/** Writes money in the shop's currency, cents in. */
export function useMoney(): (cents: number) => string {
  const { currency } = useWriting();
  return useCallback((cents) => formatMoney(cents, currency), [currency]);
}

/** Writes an instant as this person reads it, by the clock of the shop. */
export function useDates(): (at: string | number, kind: DateKind) => string {
  const writing = useWriting();
  return useCallback((at, kind) => formatDate(at, kind, writing, shopZone()), [writing]);
}

/** What the switch changes to: all units together. */
export const otherUnits = ({ temperature }: UnitSystem): UnitSystem =>
  temperature === 'C' ? IMPERIAL : METRIC;
