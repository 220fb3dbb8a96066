import type { DateKind } from '@saltflat/core/units';
import { useDates, useMoney } from './writingSlice.ts';

/** An instant as this person reads it. */
export const When = ({ at, as }: { at: string | number; as: DateKind }) => useDates()(at, as);

/** An amount in the shop's currency. */
export const Money = ({ cents }: { cents: number }) => useMoney()(cents);
