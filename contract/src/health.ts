import { Type } from 'typebox';
import { Instant, strictObject } from './scalars.ts';

export const Health = strictObject({ status: Type.Literal('up'), serverAt: Instant });
export const Readiness = strictObject({ status: Type.Literal('ready') });
