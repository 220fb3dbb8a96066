import { DomainError } from '../problems.ts';

/** A document as it was written once, before it is known what is in it. */
export type Older = Record<string, unknown>;

/** One small step from a format to the next. Written when the format changes, and never edited after. */
export type Upgrade = (older: Older) => Older;

/** A kind of document with every format it has had. */
export interface FormatChain {
  /** What it is called to people. */
  name: string;
  /** `steps[i]` reads format i + 1 and gives format i + 2; the newest format is one more than there are steps. */
  steps: readonly Upgrade[];
}

export const newestFormat = ({ steps }: FormatChain): number => steps.length + 1;

/**
 * Brings a document to the newest format, step by step. The document itself is not changed.
 *
 * @param format the one it was written in, from 1
 * @throws DomainError `invalid-input` for a format this program does not know
 */
export function upgrade(chain: FormatChain, document: Older, format: number): Older {
  const newest = newestFormat(chain);
  if (!Number.isInteger(format) || format < 1 || format > newest) {
    const message = `The ${chain.name} is of format ${String(format)}; this Saltflat reads formats 1 to ${newest}.`;
    throw new DomainError('invalid-input', message, { fields: [{ path: '/format', message }] });
  }
  return chain.steps.slice(format - 1).reduce((older, step) => step(older), document);
}

/** The format a document says it is of; the first formats did not say. */
export function formatOf(document: unknown): number {
  const { format = 1 } = (document ?? {}) as { format?: unknown };
  return typeof format === 'number' ? format : Number.NaN;
}
