import type { Rates } from '@saltflat/core/cost';
import { HOUSE_KEYS, HOUSE_METHODS } from '@saltflat/core/route';
import type { HouseMethods } from '@saltflat/core/route';
import { Type } from 'typebox';
import type { TSchema } from 'typebox';
import { Version, strictObject } from './scalars.ts';

const choicesOf = (key: (typeof HOUSE_KEYS)[number]) =>
  Type.Enum(Object.keys(HOUSE_METHODS[key].choices), { title: HOUSE_METHODS[key].label });

/** What the shop does where practitioners differ: every point, one choice each. */
export const HouseDocument = Type.Unsafe<HouseMethods>(
  strictObject(Object.fromEntries(HOUSE_KEYS.map((key) => [key, choicesOf(key)])) as Record<string, TSchema>),
);
export type HouseDocument = HouseMethods;

/** A line's own choices, in front of the shop's. */
export const HouseChoices = Type.Unsafe<Partial<HouseMethods>>(
  strictObject(
    Object.fromEntries(HOUSE_KEYS.map((key) => [key, Type.Optional(choicesOf(key))])) as Record<
      string,
      TSchema
    >,
    { title: 'House methods' },
  ),
);
export type HouseChoices = Partial<HouseMethods>;

const share = (title: string, maximum = 1) => Type.Number({ title, minimum: 0, maximum, quantity: 'share' });
const cents = (title: string) => Type.Number({ title, minimum: 0, maximum: 1_000_000, money: true });

/** What time costs here and how a price is made. */
export const RatesDocument = Type.Unsafe<Rates>(
  strictObject({
    centsPerHour: cents('An hour of a person'),
    machineCentsPerHour: cents('An hour of a machine'),
    setUpMinutes: Type.Number({ title: 'Set-up of a line, min', minimum: 0, maximum: 600 }),
    linesPerWarmUp: Type.Number({
      title: 'Lines that share a warm-up',
      minimum: 1,
      maximum: 1000,
      default: 5,
    }),
    spoilageShare: share('Made again', 0.9),
    spoilageFrom: Type.Enum(['assumed', 'measured'], { title: 'Spoilage is' }),
    marginShare: share('Margin of the price', 0.95),
    priceBreaks: Type.Array(
      strictObject({
        from: Type.Integer({ title: 'From pieces', minimum: 2, maximum: 100_000 }),
        offShare: share('Off the price', 0.9),
      }),
      { title: 'Price breaks', maxItems: 12 },
    ),
    performanceCents: cents('Extra for performance fabric'),
    capCents: cents('Extra for caps'),
  }),
);
export type RatesDocument = Rates;

/** A document of the shop with the version it is at. */
export const versioned = <T extends TSchema>(document: T) => strictObject({ document, version: Version });
