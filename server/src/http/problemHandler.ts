import { DomainError, PROBLEMS } from '@saltflat/contract';
import type { Problem } from '@saltflat/contract';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { databaseProblem } from '../db/databaseProblem.ts';
import { withoutValues } from '../log/index.ts';

const RETRY_S = 2;

/** The last handler: every error leaves as problem+json; what nobody foresaw is logged whole and told as little. */
export function problemHandler(log: Logger): ErrorRequestHandler {
  return (error: unknown, req, res, next) => {
    if (res.headersSent) {
      next(error);
      return;
    }
    const known = error instanceof DomainError ? error : (databaseProblem(error) ?? expressRefusal(error));
    const requestId = req.id as string; // made by genReqId
    if (!known) log.error({ err: error, requestId, url: withoutValues(req.originalUrl) }, 'unforeseen error');
    const code = known?.code ?? 'internal';
    const problem: Problem = {
      type: `about:blank#${code}`,
      code,
      status: PROBLEMS[code].status,
      title: PROBLEMS[code].title,
      detail:
        known?.message ??
        `Something went wrong on our side; nothing was changed. Tell whoever looks after the server: ${requestId}.`,
      ...known?.extra,
      requestId,
    };
    if (problem.status === 503) res.set('Retry-After', String(RETRY_S));
    res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  };
}

/** Anything under the API that no endpoint answered. */
export const unknownPath: RequestHandler = (req) => {
  throw new DomainError('not-found', `There is no ${req.method} ${req.originalUrl.slice(0, 120)} here.`);
};

/** Express's own refusals, in our words. */
function expressRefusal(error: unknown): DomainError | null {
  if (error instanceof URIError)
    return new DomainError(
      'invalid-input',
      'The address has characters that cannot be read.',
      {},
      { cause: error },
    );
  return null;
}
