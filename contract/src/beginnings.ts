import { Type } from 'typebox';
import { nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** `filling`: the made-up shop is being taken in; `broken-off`: that ended half-way; `filled`: it is here; `cleared`: it was, and is gone. */
export const DEMO_STATES = ['none', 'filling', 'broken-off', 'filled', 'cleared'] as const;

/** How much of a shop is set up, for who begins with it. */
export const Beginnings = strictObject({
  blanks: Type.Integer(),
  materials: Type.Integer(),
  machines: Type.Integer(),
  orders: Type.Integer(),
  demo: strictObject({
    state: Type.Enum([...DEMO_STATES]),
    /** Taken in so far, 0–1, while it goes on. */
    share: nullable(Type.Number({ minimum: 0, maximum: 1 })),
    /** Orders that are not of the made-up shop, and would go with it. */
    ownOrders: Type.Integer(),
  }),
});
export type Beginnings = Static<typeof Beginnings>;
