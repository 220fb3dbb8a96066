import { DomainError } from '@saltflat/contract';
import { ConnectionError, DatabaseError } from 'sequelize';

const AWAY_CODES = new Set([
  '57P01',
  '57P02',
  '57P03',
  '25P03', // a transaction that stood still
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

/** Cancelled for taking too long, a lock not got in time, or crossed with others again and again. */
const LATE_CODES = new Set(['57014', '55P03', '40P01', '40001']);
const LATE =
  'The database took too long over this. What you entered is still on your screen: look whether it is there, then try again.';
/** What the driver itself says of a connection that is gone. */
const LOST =
  /^(Connection terminated|timeout expired|Client (has encountered a connection error|was closed))/;
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
  if (LATE_CODES.has(code) || message(error) === 'Query read timeout')
    return new DomainError('too-slow', LATE, {}, { cause: error });
  if (error instanceof ConnectionError || AWAY_CODES.has(code))
    return new DomainError('database-away', AWAY, {}, { cause: error });
  // the database itself always says a code: without one its connection was lost before it could say anything
  if (error instanceof DatabaseError && code === '')
    return new DomainError('database-away', AWAY, {}, { cause: error });
  if (LOST.test(message(error))) return new DomainError('database-away', AWAY, {}, { cause: error });
  return null;
}

const message = (error: unknown): string => (error instanceof Error ? error.message : '');

function codeOf(error: unknown): string {
  const source = error instanceof DatabaseError || error instanceof ConnectionError ? error.parent : error;
  const code = (source as { code?: unknown } | null)?.code;
  return typeof code === 'string' ? code : '';
}
