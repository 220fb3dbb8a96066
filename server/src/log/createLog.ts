import { pino } from 'pino';
import type { DestinationStream, Logger } from 'pino';
import { createLogFile } from './logFile.ts';

/**
 * What the program writes about itself: to a file that is turned when full, or to standard output. It holds no names, no search
 * terms and no values of the database.
 *
 * @param file `null` for standard output
 */
export function createLog(level: string, file: string | null): Logger {
  for (const out of [process.stdout, process.stderr]) out.on('error', () => undefined); // a full disk, or nobody listening
  const destination: DestinationStream =
    file === null ? { write: (line) => process.stdout.write(line) } : createLogFile(file);
  return pino(
    {
      level,
      base: null,
      timestamp: pino.stdTimeFunctions.isoTime,
      serializers: { err: errorForLog },
    },
    destination,
  );
}

interface LoggedError {
  type: string;
  code?: string;
  message?: string;
  at: string[];
  cause?: LoggedError;
}

/** An error without what people typed: a database's message, statement and parameters hold it. */
export function errorForLog(error: unknown, depth = 0): LoggedError {
  if (!(error instanceof Error)) return { type: typeof error, at: [] };
  const { code, sql } = error as { code?: unknown; sql?: unknown };
  const source = (error as { parent?: object }).parent ?? error;
  const sqlState = (source as { code?: unknown }).code;
  const isOfDatabase = sql !== undefined || 'severity' in source || 'parent' in error;
  const told = typeof code === 'string' ? code : typeof sqlState === 'string' ? sqlState : null;
  return {
    type: error.name,
    ...(told === null ? {} : { code: told }),
    ...(isOfDatabase ? {} : { message: withoutSecrets(error.message).slice(0, 300) }),
    at: (error.stack ?? '')
      .split('\n')
      .filter((line) => line.trimStart().startsWith('at '))
      .slice(0, 8)
      .map((line) => line.trim()),
    ...(error.cause !== undefined && depth < 3 ? { cause: errorForLog(error.cause, depth + 1) } : {}),
  };
}

/** Whatever stands where a password stands in an address. */
const withoutSecrets = (text: string): string => text.replace(/(\w+:\/\/[^\s:/@]*):[^\s/@]*@/g, '$1:…@');
