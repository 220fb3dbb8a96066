import type { RecordField } from '@saltflat/contract/shopFields';
import { BLANK_KIND_NAMES } from '@saltflat/core/blank';
import { PLACEMENTS } from '@saltflat/core/placement';

const KINDS: Partial<Record<string, string>> = BLANK_KIND_NAMES;
const PLACES: Partial<Record<string, { label: string }>> = PLACEMENTS;

/** A stored choice in people's words: kinds of blank and places have names of their own. */
export function choiceWords({ path }: RecordField, choice: string): string {
  const named =
    path.at(-1) === 'placement' ? PLACES[choice]?.label : path.at(-1) === 'kind' ? KINDS[choice] : undefined;
  return named ?? choice.replaceAll('-', ' ');
}
