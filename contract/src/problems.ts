/** Every refusal the server can give, with its HTTP status and a sentence for when nothing better is known. */
export const PROBLEMS = {
  'invalid-input': { status: 400, title: 'Some values cannot be used' },
  'not-found': { status: 404, title: 'It does not exist, or no longer' },
  'name-taken': { status: 409, title: 'That name is already in use' },
  'stale-version': { status: 409, title: 'Someone else changed it first' },
  'key-reused': { status: 409, title: 'That key was used for another request' },
  'not-now': { status: 409, title: 'That cannot be done in its present state' },
  'wrong-host': { status: 421, title: 'This server does not answer under that name' },
  'foreign-page': { status: 403, title: 'It was asked for from a page that is not ours' },
  'wrong-type': { status: 415, title: 'It was sent as something that is not taken here' },
  'too-large': { status: 413, title: 'That is too large to send' },
  'not-an-image': { status: 415, title: 'The file is not an image that can be printed' },
  'broken-image': { status: 422, title: 'The image file is damaged' },
  'too-many-pixels': { status: 422, title: 'The image has too many pixels' },
  'picture-too-heavy': { status: 422, title: 'The picture takes too long or too much memory to draw' },
  'disk-full': { status: 507, title: 'The disk of the server is full' },
  'database-away': { status: 503, title: 'The database is not answering' },
  'not-ready': { status: 503, title: 'The server is not ready yet' },
  busy: { status: 503, title: 'Too much is asked of the server at once' },
  'too-slow': { status: 503, title: 'It took too long' },
  internal: { status: 500, title: 'Something went wrong on our side' },
} as const;

export type ProblemCode = keyof typeof PROBLEMS;

/** One field that was refused: where it is, and a sentence that says what would be right. */
export interface FieldProblem {
  /** JSON Pointer into the body or query, for example `/lines/0/sizes/1/quantity`. */
  path: string;
  message: string;
}

/** The body of every refusal, application/problem+json (RFC 9457). */
export interface Problem {
  type: string;
  code: ProblemCode;
  status: number;
  title: string;
  /** What happened and what to do, for a person. */
  detail: string;
  fields?: FieldProblem[];
  /** The record as it now is, for `stale-version`. */
  current?: unknown;
  requestId: string;
}

/** A refusal the caller can understand and act on. Anything else that is thrown is a bug. */
export class DomainError extends Error {
  override readonly name = 'DomainError';
  readonly code: ProblemCode;
  readonly extra: Pick<Problem, 'fields' | 'current'>;

  constructor(
    code: ProblemCode,
    detail: string,
    extra: Pick<Problem, 'fields' | 'current'> = {},
    options?: ErrorOptions,
  ) {
    super(detail, options);
    this.code = code;
    this.extra = extra;
  }
}

/** A refusal of one field, in the sentence that is said of the whole as well. */
export const refused = (path: string, message: string): DomainError =>
  new DomainError('invalid-input', message, { fields: [{ path, message }] });
