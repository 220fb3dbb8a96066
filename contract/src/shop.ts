import { Type } from 'typebox';
import type { TSchema } from 'typebox';
import {
  BlankInput,
  MACHINE_DOCUMENTS,
  MATERIAL_DOCUMENTS,
  MachineInput,
  MaterialInput,
} from './catalogue.ts';
import { DomainError } from './problems.ts';
import type { FieldProblem } from './problems.ts';
import { faultsOfBlank, faultsOfMachine, faultsOfMaterial } from './recordRules.ts';
import { RouteDifference } from './routes.ts';
import { Id, Instant, Version, nullable, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';
import { HouseDocument, RatesDocument } from './shopSettings.ts';
import { parse, refusedFields } from './validate.ts';

/** The lists of the shop's set-up that can be taken out and in as tables. */
export const SHOP_LISTS = ['blanks', 'materials', 'machines', 'methods'] as const;
export type ShopList = (typeof SHOP_LISTS)[number];

const changed = <T extends TSchema>(record: T) => strictObject({ record, version: Version });
export const BlankChange = changed(BlankInput);
export type BlankChange = Static<typeof BlankChange>;
export const MaterialChange = changed(MaterialInput);
export type MaterialChange = Static<typeof MaterialChange>;
export const MachineChange = changed(MachineInput);
export type MachineChange = Static<typeof MachineChange>;
export const HouseChange = changed(HouseDocument);
export type HouseChange = Static<typeof HouseChange>;
export const RatesChange = changed(RatesDocument);
export type RatesChange = Static<typeof RatesChange>;

/** Draft routes that were planned anew after a change of the set-up, with what differs. */
export const Replanned = strictObject({
  lineId: Id,
  code: Type.String(),
  customer: Type.String(),
  /** Why it can no longer be planned; `null` where it can. */
  problem: nullable(Type.String()),
  /** Number of the new version; `null` where none was made. */
  number: nullable(Type.Integer()),
  differences: Type.Array(RouteDifference),
});
export type Replanned = Static<typeof Replanned>;

/** The answer to every change of the set-up: what it is now. The routes not run yet follow; how far they are is asked for by the change. */
export const ShopChanged = strictObject({
  id: nullable(Id),
  version: nullable(Version),
  /** Names the change, to ask what it did to the routes. */
  changeId: Id,
  /** Routes that are planned anew. */
  drafts: Type.Integer(),
});
export type ShopChanged = Static<typeof ShopChanged>;

/** What a change of the set-up did to the routes not run yet, as far as they are planned by now. */
export const ShopChange = strictObject({
  id: Id,
  at: Instant,
  drafts: Type.Integer(),
  /** Planned by now; of those the ones that came out otherwise are named. */
  planned: Type.Integer(),
  unchanged: Type.Integer(),
  replanned: Type.Array(Replanned),
});
export type ShopChange = Static<typeof ShopChange>;

export const ImportQuery = strictObject({
  list: Type.Enum([...SHOP_LISTS], { title: 'List' }),
  format: Type.Enum(['csv', 'json'], { title: 'Format' }),
  /** Only says what would change. */
  dryRun: Type.Optional(Type.Boolean({ title: 'Dry run' })),
});
export type ImportQuery = Static<typeof ImportQuery>;
export const ExportQuery = strictObject({
  list: Type.Enum([...SHOP_LISTS], { title: 'List' }),
  format: Type.Enum(['csv', 'json'], { title: 'Format' }),
});

/** What an import does, or would do, with one line of the file. */
export const ImportLine = strictObject({
  /** Counted as a spreadsheet counts: the heading is line 1. In JSON the first record is 1. */
  line: Type.Integer(),
  name: Type.String(),
  action: Type.Enum(['add', 'change', 'same', 'refuse']),
  /** What would change, in words; or why it is refused. */
  notes: Type.Array(Type.String()),
});
export type ImportLine = Static<typeof ImportLine>;
export const ImportReport = strictObject({
  list: Type.Enum([...SHOP_LISTS]),
  lines: Type.Array(ImportLine),
  /** Lines that cannot be taken beyond those that are listed. */
  untold: Type.Integer(),
  /** False for a dry run, and where anything was refused: then nothing is changed at all. */
  isApplied: Type.Boolean(),
  /** The change it made; `null` where nothing was changed. */
  changeId: nullable(Id),
});
export type ImportReport = Static<typeof ImportReport>;

/** Checks a blank beyond its shape. @throws DomainError `invalid-input` naming the fields */
export function parseBlank(data: unknown): BlankInput {
  const blank = parse(BlankInput, data);
  refuse(faultsOfBlank(blank));
  return blank;
}

/** Checks a material with its own kind's document. @throws DomainError `invalid-input` naming the fields */
export function parseMaterial(data: unknown): MaterialInput {
  const record = parse(MaterialInput, data);
  const material = { ...record, properties: parseProperties(MATERIAL_DOCUMENTS[record.kind], record) };
  refuse(faultsOfMaterial(material));
  return material;
}

/** Checks a machine with its own kind's document. @throws DomainError `invalid-input` naming the fields */
export function parseMachine(data: unknown): MachineInput {
  const record = parse(MachineInput, data);
  const machine = { ...record, properties: parseProperties(MACHINE_DOCUMENTS[record.kind], record) };
  refuse(faultsOfMachine(machine));
  return machine;
}

const parseProperties = (schema: TSchema, { properties }: { properties: unknown }): Record<string, unknown> =>
  within('/properties', () => parse(schema, properties)) as Record<string, unknown>;

/** Refusals of a part, as refusals of the whole. */
function within<T>(path: string, work: () => T): T {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof DomainError)) throw error;
    const fields = error.extra.fields?.map((field) => ({ ...field, path: `${path}${field.path}` }));
    throw new DomainError(error.code, error.message, fields ? { fields } : {}, { cause: error });
  }
}

function refuse(problems: FieldProblem[]): void {
  if (problems.length === 0) return;
  throw refusedFields(problems);
}
