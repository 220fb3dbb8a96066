import type {
  BlankInput,
  Catalogue,
  Learnt,
  MachineInput,
  MachineKind,
  MaterialInput,
  MaterialKind,
} from '@saltflat/contract';
import { faultsOfBlank, faultsOfMachine, faultsOfMaterial } from '@saltflat/contract/recordRules';
import {
  BLANK_FIELDS,
  machineFields,
  materialFields,
  valueAt,
  withoutEmptyObjects,
} from '@saltflat/contract/shopFields';
import type { RecordField } from '@saltflat/contract/shopFields';
import type { FieldValues } from 'react-hook-form';
import { compiled } from '../../form/compiled.ts';
import type { Filled } from '../../form/index.ts';
import { emptyOf } from './emptyRecord.ts';
import type { RecordList } from './shopApi.ts';

/** A record of the set-up as a list shows it. */
export interface ShopRow {
  id: string;
  version: number;
  kind: string;
  name: string;
  maker: string;
  /** Without identity, version and what was learnt: what a form edits. */
  record: object;
  learnt: Learnt | null;
}

/** Records that stand in for each other: a route takes the first of them. */
export const standInsOf = (row: ShopRow, rows: readonly ShopRow[]): ShopRow[] => {
  const use = useOf(row);
  return rows.filter((own) => useOf(own) === use);
};

/** Of each use that several records have, the one that is used first. */
export function usedFirst(rows: readonly ShopRow[]): ReadonlySet<string> {
  const firsts = new Map<string, { id: string; count: number }>();
  for (const row of rows) {
    const known = firsts.get(useOf(row));
    if (known) known.count++;
    else firsts.set(useOf(row), { id: row.id, count: 1 });
  }
  return new Set([...firsts.values()].filter(({ count }) => count > 1).map(({ id }) => id));
}

const useOf = ({ kind, record }: ShopRow): string =>
  JSON.stringify([kind, ...USES.map((key) => valueAt(record, ['properties', key]))]);

/** What tells one use of a kind from another. */
const USES = ['use', 'fibre', 'purpose', 'kind', 'peel', 'tasks', 'isHandGun'];

const KEPT_OUT = new Set(['id', 'version', 'learnt']);

/** The records of a list in the shop's order of preference. */
export function rowsOf(list: RecordList, catalogue: Catalogue): ShopRow[] {
  const records =
    list === 'blanks' ? catalogue.styles : list === 'materials' ? catalogue.materials : catalogue.machines;
  return records.map((own) => ({
    id: own.id,
    version: own.version,
    kind: own.kind,
    name: own.name,
    maker: own.maker,
    record: Object.fromEntries(Object.entries(own).filter(([key]) => !KEPT_OUT.has(key))),
    learnt: 'learnt' in own ? own.learnt : null,
  }));
}

/** What a record is filled in with; a material's and a machine's kind decides. */
export function fieldsOfRecord(list: RecordList, record: object): readonly RecordField[] {
  const kind = String(valueAt(record, ['kind']));
  if (list === 'blanks') return BLANK_FIELDS;
  return list === 'materials' ? materialFields(kind as MaterialKind) : machineFields(kind as MachineKind);
}

const SIZES = ['S', 'M', 'L', 'XL', 'XXL'];

/** A new record to fill in. A blank begins with the usual sizes and one colour, so that nobody starts at an empty table. */
export function newRecord(list: RecordList, kind: string): object {
  if (list !== 'blanks') return { ...emptyOf(fieldsOfRecord(list, { kind })), kind };
  const columns = BLANK_FIELDS.find(({ path }) => path.join('/') === 'colours')?.columns ?? [];
  return {
    ...emptyOf(BLANK_FIELDS),
    colours: [{ ...emptyOf(columns), tone: 'dark' }],
    sizes: SIZES.map((size) => ({ size, cents: null, bodyWidthMm: null, collarDropMm: null })),
  };
}

/** How a record is checked before it is sent: by the document of its kind, and by what that cannot say. */
export const filledRecord = (list: RecordList): Filled<FieldValues, FieldValues> => ({
  check: (record) =>
    list === 'blanks' ? compiled('blank', 'blank')() : compiled(list, String(valueAt(record, ['kind'])))(),
  documentOf: (record) => withoutEmptyObjects(record, fieldsOfRecord(list, record)),
  more: (record) => {
    if (list === 'blanks') return faultsOfBlank(record as BlankInput);
    return list === 'materials'
      ? faultsOfMaterial(record as MaterialInput)
      : faultsOfMachine(record as MachineInput);
  },
});

/** A refused field of a change, as the record alone names it. */
export const ofRecord = (path: string): string => path.replace(/^\/record/, '');
