import type { Said as SaidData } from '@saltflat/core/words';
import { Type } from 'typebox';
import { strictObject } from './scalars.ts';

/** A sentence as data; answers that people read carry its words beside it. */
export const Said = Type.Unsafe<SaidData>(
  strictObject({
    code: Type.String(),
    params: Type.Record(Type.String(), Type.Unknown()),
    text: Type.Optional(Type.String()),
  }),
);
