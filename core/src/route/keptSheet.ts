import { inEnglish } from '../language/index.ts';
import type { Phrasing } from '../language/index.ts';
import type { Ref } from '../work/index.ts';
import type { CoverSheet } from './materials.ts';

/** A sheet as an operation names it where the wrong one would spoil the print: routes keep it so. */
export const keptSheet = ({ id, name, purpose }: Pick<CoverSheet, 'id' | 'name' | 'purpose'>): Ref => ({
  id,
  name: named(name, purpose, inEnglish),
});

const PURPOSES: Record<CoverSheet['purpose'], string> = {
  ink: '{name}, the one kept for ink',
  pretreatment: '{name}, the one kept for pretreatment',
};

const named = (name: string, purpose: CoverSheet['purpose'], t: Phrasing): string =>
  t(PURPOSES[purpose], { name });

/** What a route calls a sheet, in another language: the name is the shop's own, what it is kept for is not. */
export function sheetWords(kept: string, t: Phrasing): string {
  for (const [purpose, english] of Object.entries(PURPOSES) as [CoverSheet['purpose'], string][]) {
    const end = english.replace('{name}', '');
    if (kept.endsWith(end)) return named(kept.slice(0, -end.length), purpose, t);
  }
  return kept;
}
