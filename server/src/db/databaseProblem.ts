import { DomainError } from '@saltflat/contract';
import { ConnectionError, DatabaseError } from 'sequelize';

const AWAY_CODES = new Set([
  '57P01',
  '57P02',
  '57P03',
  '08000',
  '08003',
  '08006',
  '53300',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
]);
const FULL_CODES = new Set(['53100', 'ENOSPC']);
/** A number or a date beyond what its column holds. */
const BEYOND_CODES = new Set(['22003', '22008']);

const MISSING_TABLE = '42P01';
const UNREADY =
  'The database lacks a table that this version works with. Start Saltflat again, which brings it up to date.';

const AWAY =
  'The database is not answering. What you entered is still on your screen: try again in a moment.';
const BEYOND = 'One of the numbers or dates is too large or too small to be kept.';
const FULL = 'The disk of the server is full. Nothing was saved: free some space, then try again.';

/**
 * Turns a database that is away or full, or cannot hold a value, into words; everything else is not ours to explain.
 *
 * @returns `null` when the error is of another kind
 */
export function databaseProblem(error: unknown): DomainError | null {
  const code = codeOf(error);
  if (code === MISSING_TABLE) return new DomainError('not-ready', UNREADY, {}, { cause: error });
  if (FULL_CODES.has(code)) return new DomainError('disk-full', FULL, {}, { cause: error });
  if (BEYOND_CODES.has(code)) return new DomainError('invalid-input', BEYOND, {}, { cause: error });
  if (error instanceof ConnectionError || AWAY_CODES.has(code))
    return new DomainError('database-away', AWAY, {}, { cause: error });
  if (error instanceof Error && error.message.startsWith('Connection terminated'))
    return new DomainError('database-away', AWAY, {}, { cause: error });
  return null;
}

function codeOf(error: unknown): string {
  const source = error instanceof DatabaseError || error instanceof ConnectionError ? error.parent : error;
  const code = (source as { code?: unknown } | null)?.code;
  return typeof code === 'string' ? code : '';
}
