import { t } from '../words/t.ts';
import type { FieldProblem, Problem } from '@saltflat/contract/problems';

interface FailedCall {
  status?: unknown;
  data?: unknown;
}

/** The server's refusal, when there is one. */
export function problemOf(error: unknown): Problem | null {
  const data = (error as FailedCall | undefined)?.data;
  const parsed = typeof data === 'string' ? tryJson(data) : data;
  return typeof parsed === 'object' && parsed !== null && 'code' in parsed ? (parsed as Problem) : null;
}

/** What the user reads: what happened and what to do next. */
export function problemMessage(error: unknown): string {
  const problem = problemOf(error);
  if (problem) return problem.detail;
  const status = (error as FailedCall | undefined)?.status;
  if (status === 'FETCH_ERROR' || status === 'TIMEOUT_ERROR')
    return t('The server does not answer. What you entered is still here: try again in a moment.');
  return t('Something went wrong. Try again; if it stays so, reload the page.');
}

/** The refused fields, by path. */
export const fieldProblems = (error: unknown): FieldProblem[] => problemOf(error)?.fields ?? [];

function tryJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
