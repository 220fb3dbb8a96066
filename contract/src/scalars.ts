import { Type } from 'typebox';
import type { Static, TSchema } from 'typebox';

/** A print's name within its line, of digits: given once and kept. */
export const PrintId = Type.String({ title: 'Print', pattern: '^[1-9][0-9]?$', help: 'a number, as 1' });

/** A record's identity. */
export const Id = Type.String({ format: 'uuid' });

/** An instant, ISO 8601 with zone. */
export const Instant = Type.String({ format: 'date-time' });

/** Something or null. */
export const nullable = <T extends TSchema>(schema: T) => Type.Union([schema, Type.Null()]);

/** An object that refuses fields it does not know. */
export const strictObject = <P extends Record<string, TSchema>>(
  properties: P,
  options: { title?: string } = {},
) => Type.Object(properties, { additionalProperties: false, ...options });

/** Control characters and halves of characters: nothing a person writes. */
const NO_TEXT = '\\u0000-\\u0008\\u000b\\u000c\\u000e-\\u001f\\u007f\\ud800-\\udfff';

/** In one line no breaks either. */
const NO_LINE = '\\u0000-\\u001f\\u007f\\u0085\\u2028\\u2029\\ud800-\\udfff';

/**
 * A line of text a person wrote: something in it, no control characters, no break. What is blank before the first letter and the
 * letter itself share no character, so that a text is read once however long it is.
 *
 * @param ask what a form says where it is left empty
 */
export const shortText = (title: string, maxLength = 120, ask?: string) =>
  Type.String({
    title,
    ...(ask === undefined ? {} : { ask }),
    minLength: 1,
    maxLength,
    pattern: `^[^\\S${NO_LINE}]*[^\\s${NO_LINE}][^${NO_LINE}]*$`,
  });

/** Text that may be empty. */
export const longText = (title: string, maxLength = 2000) =>
  Type.String({ title, maxLength, pattern: `^[^${NO_TEXT}]*$` });

/** Counters are 32-bit in the database. */
export const MOST_ROWS = 2_147_483_647;

/** The version a person saw when they began to edit; a write against an older one is refused. */
export const Version = Type.Integer({ title: 'Version', minimum: 1, maximum: MOST_ROWS });

/** Counting stops here: beyond it a list says "more than". */
export const MOST_COUNTED = 1000;

/** One page of a long list. `total` is counted up to {@link MOST_COUNTED}, or as far as a search looked; `isMore` says that there are more. */
export const page = <T extends TSchema>(item: T) =>
  strictObject({
    items: Type.Array(item),
    nextCursor: nullable(Type.String()),
    total: Type.Integer(),
    isMore: Type.Boolean(),
  });

/** A stretch of a list that nobody counts: `nextCursor` says where to go on, `null` that this was all. */
export const stretch = <T extends TSchema>(item: T) =>
  strictObject({ items: Type.Array(item), nextCursor: nullable(Type.String()) });

/** A place in a sorted list, opaque to clients. */
export const Cursor = Type.String({ title: 'Cursor', maxLength: 300 });

export type { Static };
