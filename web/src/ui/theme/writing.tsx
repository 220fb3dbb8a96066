import { USUAL_WRITING } from '@saltflat/core/units';
import type { Writing } from '@saltflat/core/units';
import { createContext, useContext } from 'react';

/** How fields of money and days are written; the kit knows no store. */
const WritingContext = createContext<Writing>(USUAL_WRITING);

export const WritingProvider = WritingContext.Provider;
export const useFieldWriting = (): Writing => useContext(WritingContext);
