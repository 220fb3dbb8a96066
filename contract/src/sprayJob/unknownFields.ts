import type { TSchema } from 'typebox';
import { dotted } from './parts.ts';

interface Described {
  properties?: Record<string, TSchema>;
  items?: TSchema | TSchema[];
}

/**
 * Fields that a schema does not speak of, as paths: a name that was mistyped would else do nothing and say nothing.
 *
 * @param also fields of the outermost object that are known besides
 */
export function* unknownFields(
  schema: TSchema,
  data: unknown,
  also: readonly string[] = [],
): Generator<string> {
  for (const path of within(schema, data, '')) if (!also.includes(path.slice(1))) yield dotted(path);
}

function* within(schema: TSchema, data: unknown, path: string): Generator<string> {
  const { properties, items } = schema as Described;
  if (Array.isArray(data)) {
    if (items !== undefined && !Array.isArray(items))
      for (const [i, own] of data.entries()) yield* within(items, own, `${path}/${i}`);
    return;
  }
  if (properties === undefined || typeof data !== 'object' || data === null) return;
  for (const [key, own] of Object.entries(data)) {
    const known = properties[key];
    if (known === undefined) yield `${path}/${key}`;
    else yield* within(known, own, `${path}/${key}`);
  }
}
