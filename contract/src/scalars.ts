import { Type } from 'typebox';
import type { Static, TSchema } from 'typebox';

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

/** A line of text a person wrote: something in it, no control characters. */
export const shortText = (title: string, maxLength = 120) =>
  Type.String({
    title,
    minLength: 1,
    maxLength,
    pattern:
      '^[^\\u0000-\\u0008\\u000b\\u000c\\u000e-\\u001f\\u007f]*[^\\s\\u0000-\\u001f\\u007f][^\\u0000-\\u0008\\u000b\\u000c\\u000e-\\u001f\\u007f]*$',
  });

/** Text that may be empty. */
export const longText = (title: string, maxLength = 2000) =>
  Type.String({ title, maxLength, pattern: '^[^\\u0000-\\u0008\\u000b\\u000c\\u000e-\\u001f\\u007f]*$' });

/** The version a person saw when they began to edit; a write against an older one is refused. */
export const Version = Type.Integer({ title: 'Version', minimum: 1 });

/** One page of a long list. */
export const page = <T extends TSchema>(item: T) =>
  strictObject({ items: Type.Array(item), nextCursor: nullable(Type.String()), total: Type.Integer() });

export type { Static };
