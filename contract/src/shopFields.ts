import { BackupSettings } from './backups.ts';
import {
  BlankInput,
  MACHINE_DOCUMENTS,
  MACHINE_HEAD,
  MATERIAL_DOCUMENTS,
  MATERIAL_HEAD,
} from './catalogue.ts';
import type { MachineKind, MaterialKind } from './catalogue.ts';
import { fieldsOf } from './recordFields.ts';
import type { RecordField } from './recordFields.ts';
import { RatesDocument } from './shopSettings.ts';
import { WritingDocument } from './writing.ts';

export { MATERIAL_KINDS } from './catalogue.ts';
export { valueAt, withValueAt, withoutEmptyObjects } from './recordFields.ts';
export type { RecordField } from './recordFields.ts';

/** The fields of a blank, in the order a person fills them in. */
export const BLANK_FIELDS: readonly RecordField[] = fieldsOf(BlankInput);

/** The fields of a kind of material: its head, then its own. */
export const materialFields = (kind: MaterialKind): RecordField[] => [
  ...fieldsOf(MATERIAL_HEAD),
  ...fieldsOf(MATERIAL_DOCUMENTS[kind], ['properties']),
];

/** The same of a kind of machine. */
export const machineFields = (kind: MachineKind): RecordField[] => [
  ...fieldsOf(MACHINE_HEAD),
  ...fieldsOf(MACHINE_DOCUMENTS[kind], ['properties']),
];

export const RATES_FIELDS: readonly RecordField[] = fieldsOf(RatesDocument);

export const WRITING_FIELDS: readonly RecordField[] = fieldsOf(WritingDocument);

export const BACKUP_FIELDS: readonly RecordField[] = fieldsOf(BackupSettings);
