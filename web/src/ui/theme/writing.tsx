import { USUAL_WRITING } from '@saltflat/core/units';
import type { Writing } from '@saltflat/core/units';
import { createContext, useContext } from 'react';

/** How fields of money and days are written; the kit knows no store. */
export interface FieldWriting extends Writing {
  /** Whose clock days and hours are typed by, in words, where it is not the device’s own. */
  clock?: string | undefined;
}

const WritingContext = createContext<FieldWriting>(USUAL_WRITING);

export const WritingProvider = WritingContext.Provider;
export const useFieldWriting = (): FieldWriting => useContext(WritingContext);
