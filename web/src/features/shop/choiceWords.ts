import { BLANK_KIND_NAMES } from '@saltflat/core/blank';
import { PLACEMENTS } from '@saltflat/core/placement';

const NAMED: Record<string, string> = {
  ...BLANK_KIND_NAMES,
  ...Object.fromEntries(Object.entries(PLACEMENTS).map(([key, { label }]) => [key, label])),
};

/** A stored choice in people's words. */
export const choiceWords = (choice: string): string => NAMED[choice] ?? choice.replaceAll('-', ' ');
