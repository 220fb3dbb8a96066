import { LANGUAGES } from '@saltflat/core/language';
import { CURRENCIES } from '@saltflat/core/units';
import type { Writing } from '@saltflat/core/units';
import { Type } from 'typebox';
import { Version, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

/** How measures, money and days are written: on papers, and on screens of who has not chosen otherwise. */
export const WritingDocument = Type.Unsafe<Writing>(
  strictObject({
    temperature: Type.Enum(['C', 'F'], { title: 'Temperature' }),
    length: Type.Enum(['mm', 'in'], { title: 'Length' }),
    mass: Type.Enum(['g', 'oz'], { title: 'Mass' }),
    currency: Type.Enum(Object.keys(CURRENCIES), { title: 'Currency' }),
    dayOrder: Type.Enum(['day-month', 'month-day', 'year-month-day'], { title: 'Order of day and month' }),
    hours: Type.Enum(['24', '12'], { title: 'Hours' }),
    firstDay: Type.Enum(['monday', 'sunday', 'saturday'], { title: 'First day of the week' }),
    language: Type.Enum([...LANGUAGES], { title: 'Language' }),
  }),
);

export const ShopWriting = strictObject({ document: WritingDocument, version: Version });
export type ShopWriting = Static<typeof ShopWriting>;
export const WritingChange = strictObject({ version: Version, record: WritingDocument });
export type WritingChange = Static<typeof WritingChange>;
