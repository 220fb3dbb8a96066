import { withValueAt } from '@saltflat/contract/shopFields';
import type { RecordField } from '@saltflat/contract/shopFields';

/** A record with nothing in it yet: what is usual stands as it is, choices and flags at their first, all else is to be filled in. */
export function emptyOf(fields: readonly RecordField[]): object {
  return fields.reduce<object>((record, field) => withValueAt(record, field.path, emptyValue(field)), {});
}

function emptyValue({ type, choices, usual, isOptional }: RecordField): unknown {
  if (usual !== undefined) return structuredClone(usual);
  switch (type) {
    case 'choice':
      return isOptional ? null : choices[0];
    case 'flag':
      return false;
    case 'set':
    case 'rows':
      return [];
    case 'text':
      return isOptional ? null : '';
    default:
      return null;
  }
}
