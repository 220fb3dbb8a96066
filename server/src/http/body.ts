import { DomainError } from '@saltflat/contract';
import type { Request, Response } from 'express';
import express from 'express';

const KB = 1024;

/** How a body may come. */
export interface BodyLimits {
  /** Media types that are taken. */
  media: readonly string[];
  /** So many bytes at most. */
  bytes: number;
}

/** A body of JSON: the longest that people make, an order of many lines, is a fifth of this. */
export const JSON_BODY: BodyLimits = { media: ['application/json'], bytes: 512 * KB };

const DEEPEST = 24;
const MOST_VALUES = 20_000;

/**
 * Reads a body whole.
 *
 * @throws DomainError `wrong-type` for a type that is not taken, `too-large`, or `invalid-input` where it breaks off
 */
export async function readBody(req: Request, res: Response, limits: BodyLimits): Promise<Buffer> {
  const { media, bytes } = limits;
  const type = (req.headers['content-type'] ?? '').split(';')[0]?.trim().toLowerCase() ?? '';
  if (!media.includes(type))
    throw new DomainError(
      'wrong-type',
      `This is sent as ${media.join(' or ')}, but it came ${type === '' ? 'without a type' : `as ${type.slice(0, 60)}`}.`,
    );
  const read = express.raw({ type: () => true, limit: bytes, inflate: false });
  await new Promise<void>((resolve, reject) => {
    // Express's request is Node's own object with more on it
    // eslint-disable-next-line @typescript-eslint/no-unsafe-class-instance-assignment
    read(req, res, (error?: unknown) => {
      if (!error) resolve();
      else reject(bodyRefusal(error, bytes));
    });
  });
  return Buffer.isBuffer(req.body) ? req.body : Buffer.alloc(0);
}

/** Whether anything is sent at all. */
export const isEmpty = ({ headers }: Request): boolean =>
  headers['transfer-encoding'] === undefined && Number(headers['content-length'] ?? 0) === 0;

/** Text of a body, which is UTF-8. */
export function textOf(body: Buffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(body);
  } catch (cause) {
    throw new DomainError(
      'invalid-input',
      'What was sent is not UTF-8 text. Save the file as UTF-8, then send it again.',
      {},
      { cause },
    );
  }
}

/**
 * Reads JSON, after one look over its text: who sends more values than any form has, or values deep inside each other, would
 * keep everybody waiting while they are checked.
 *
 * @param mostValues commas and colons outside texts, which is what values are told apart by
 * @throws DomainError `invalid-input`
 */
export function readJson(text: string, mostValues = MOST_VALUES): unknown {
  refuseLarge(text, mostValues);
  try {
    return JSON.parse(text);
  } catch (cause) {
    throw new DomainError('invalid-input', 'What was sent is not valid JSON.', {}, { cause });
  }
}

const [QUOTE, BACKSLASH, COMMA, COLON, OPEN_LIST, OPEN_SET, CLOSE_LIST, CLOSE_SET] = Array.from(
  '"\\,:[{]}',
  (own) => own.charCodeAt(0),
);

function refuseLarge(text: string, mostValues: number): void {
  let depth = 0;
  let values = 0;
  let isText = false;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (isText) {
      if (code === BACKSLASH) at++;
      else if (code === QUOTE) isText = false;
      continue;
    }
    if (code === QUOTE) isText = true;
    else if (code === COMMA || code === COLON) values++;
    else if (code === OPEN_LIST || code === OPEN_SET) depth++;
    else if (code === CLOSE_LIST || code === CLOSE_SET) depth--;
    if (depth > DEEPEST)
      throw new DomainError(
        'invalid-input',
        `What was sent is nested more than ${DEEPEST} deep; nothing here is.`,
      );
    if (values > mostValues)
      throw new DomainError(
        'invalid-input',
        `What was sent holds more than ${mostValues} values. Send less at once.`,
      );
  }
}

function bodyRefusal(error: unknown, bytes: number): Error {
  const { type } = error as { type?: unknown };
  const size = bytes >= KB * KB ? `${Math.round(bytes / KB / KB)} MB` : `${Math.round(bytes / KB)} kB`;
  if (type === 'entity.too.large')
    return new DomainError(
      'too-large',
      `What was sent is larger than the ${size} that are taken here. Send less at once.`,
      {},
      { cause: error },
    );
  if (type === 'encoding.unsupported')
    return new DomainError('wrong-type', 'What is sent is not to be compressed.', {}, { cause: error });
  if (type === 'request.aborted' || type === 'request.size.invalid')
    return new DomainError(
      'invalid-input',
      'The request ended before all of it had arrived.',
      {},
      { cause: error },
    );
  return error instanceof Error ? error : new Error('the body could not be read', { cause: error });
}
