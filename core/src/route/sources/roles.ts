import { SOURCE_NAMES } from '../../words/index.ts';
import type { ProcessName } from '../../words/index.ts';

/** What a thing of the set-up is chosen for. */
export const SOURCE_ROLES = Object.keys(SOURCE_NAMES) as (keyof typeof SOURCE_NAMES)[];
export type SourceRole = (typeof SOURCE_ROLES)[number];

/** A person's choice of a thing for one print, in place of what fits best. */
export interface SourceChoice {
  print: string;
  role: SourceRole;
  /** Of the thing in the set-up; a platen's is its name. */
  id: string;
  who: string;
  why: string;
}

/** Inks a process prints with here, and what its printer is asked to do; nothing where somebody else prints. */
export const PRINTS_WITH = {
  dtg: { ink: 'textile', task: 'direct' },
  dtf: { ink: 'film', task: 'film' },
  'dtf-platen': { ink: 'textile', task: 'direct' },
  'sub-film': { ink: 'sublimation', task: 'sublimation' },
  'bought-in': null,
  shelf: null,
  'patch-cap': { ink: 'film', task: 'film' },
} as const satisfies Record<ProcessName, { ink: string; task: string } | null>;
