import type { Writing } from '@saltflat/core/units';
import { MATERIAL_KINDS } from '@saltflat/contract';
import type {
  MachineKind,
  MaterialKind,
  Replanned,
  ShopFacts,
  BackupSettings,
  BenchNoteInput,
  PressCheckInputs,
  PressCheckKind,
} from '@saltflat/contract';
import type { Rates } from '@saltflat/core/cost';
import type { WorkCalendar } from '@saltflat/core/plan';
import { MACHINE_KINDS } from '@saltflat/core/work';
import type { HouseMethods } from '@saltflat/core/route';
import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import {
  TABLE,
  columns,
  decimal,
  flag,
  instant,
  integer,
  json,
  key,
  named,
  oneOf,
  orNull,
  text,
  uuid,
  version,
} from './columns.ts';

export interface MaterialRow extends Model<
  InferAttributes<MaterialRow>,
  InferCreationAttributes<MaterialRow>
> {
  id: string;
  kind: MaterialKind;
  name: string;
  maker: string;
  lot: string;
  stock: number | null;
  stockUnit: string;
  position: number;
  properties: Record<string, unknown>;
  version: CreationOptional<number>;
  retiredAt: Date | null;
}

export const defineMaterial = (sequelize: Sequelize) =>
  sequelize.define<MaterialRow>(
    'material',
    columns({
      id: key,
      kind: oneOf(MATERIAL_KINDS),
      name: text,
      maker: text,
      lot: text,
      stock: orNull(decimal),
      stockUnit: text,
      position: integer,
      properties: json,
      version,
      retiredAt: orNull(instant),
    }),
    TABLE,
  );

export interface MachineRow extends Model<InferAttributes<MachineRow>, InferCreationAttributes<MachineRow>> {
  id: string;
  kind: MachineKind;
  name: string;
  maker: string;
  position: number;
  properties: Record<string, unknown>;
  version: CreationOptional<number>;
  retiredAt: Date | null;
}

export const defineMachine = (sequelize: Sequelize) =>
  sequelize.define<MachineRow>(
    'machine',
    columns({
      id: key,
      kind: oneOf(MACHINE_KINDS),
      name: text,
      maker: text,
      position: integer,
      properties: json,
      version,
      retiredAt: orNull(instant),
    }),
    TABLE,
  );

/** The shop's documents that there is one of, each under its key. */
export const SETTING_KEYS = ['house', 'rates', 'backups', 'writing', 'calendar'] as const;
export type SettingKey = (typeof SETTING_KEYS)[number];

export interface SettingRow extends Model<InferAttributes<SettingRow>, InferCreationAttributes<SettingRow>> {
  key: SettingKey;
  document: HouseMethods | Rates | BackupSettings | Writing | WorkCalendar;
  version: CreationOptional<number>;
}

export const defineSetting = (sequelize: Sequelize) =>
  sequelize.define<SettingRow>(
    'shop_setting',
    columns({ key: { ...oneOf(SETTING_KEYS), primaryKey: true }, document: json, version }),
    TABLE,
  );

/** One row, counted up by the database at every change of the set-up: who knows the number knows the catalogue. */
export interface RevisionRow extends Model<
  InferAttributes<RevisionRow>,
  InferCreationAttributes<RevisionRow>
> {
  isOnly: boolean;
  revision: string;
}

export const defineRevision = (sequelize: Sequelize) =>
  sequelize.define<RevisionRow>(
    'shop_revision',
    columns({
      isOnly: { type: DataTypes.BOOLEAN, primaryKey: true },
      revision: { type: DataTypes.BIGINT, allowNull: false },
    }),
    TABLE,
  );

/** What routes were planned with, kept once by its content. */
export interface FactsRow extends Model<InferAttributes<FactsRow>, InferCreationAttributes<FactsRow>> {
  sha256: string;
  document: ShopFacts;
}

export const defineFacts = (sequelize: Sequelize) =>
  sequelize.define<FactsRow>(
    'shop_facts',
    columns({ sha256: { ...text, primaryKey: true }, document: json }),
    TABLE,
  );

/** A change of the set-up, and how many routes followed it. */
export interface ChangeRow extends Model<InferAttributes<ChangeRow>, InferCreationAttributes<ChangeRow>> {
  id: string;
  at: Date;
  drafts: number;
}

export const defineChange = (sequelize: Sequelize) =>
  sequelize.define<ChangeRow>('shop_change', columns({ id: key, at: instant, drafts: integer }), TABLE);

export interface ChangedLineRow extends Model<
  InferAttributes<ChangedLineRow>,
  InferCreationAttributes<ChangedLineRow>
> {
  changeId: string;
  lineId: string;
  /** It could not be planned before the change: that it can be now is news, though its route be the one it had. */
  hadFailed: boolean;
  /** `null` until it is planned; rows of before recovered lines were named also have it where it came out the same. */
  outcome: Replanned | null;
  plannedAt: Date | null;
}

export const defineChangedLine = (sequelize: Sequelize) =>
  sequelize.define<ChangedLineRow>(
    'shop_change_line',
    columns({
      changeId: { ...uuid, primaryKey: true },
      lineId: { ...uuid, primaryKey: true },
      hadFailed: flag,
      outcome: orNull(json),
      plannedAt: orNull(instant),
    }),
    TABLE,
  );

export interface WeighingRow extends Model<
  InferAttributes<WeighingRow>,
  InferCreationAttributes<WeighingRow>
> {
  id: string;
  materialId: string;
  lineId: string;
  colourM2: number;
  whiteM2: number;
  baseM2: number;
  grams: number;
  byName: string;
  at: Date;
}

export const defineWeighing = (sequelize: Sequelize) =>
  sequelize.define<WeighingRow>(
    'weighing',
    columns({
      id: key,
      materialId: uuid,
      lineId: uuid,
      colourM2: named('colour_m2', decimal),
      whiteM2: named('white_m2', decimal),
      baseM2: named('base_m2', decimal),
      grams: decimal,
      byName: text,
      at: instant,
    }),
    TABLE,
  );

/** A lot of a material, in use from when it was opened. */
export interface LotRow extends Model<InferAttributes<LotRow>, InferCreationAttributes<LotRow>> {
  id: string;
  materialId: string;
  lot: string;
  byName: string;
  openedAt: Date;
}

export const defineLot = (sequelize: Sequelize) =>
  sequelize.define<LotRow>(
    'material_lot',
    columns({ id: key, materialId: uuid, lot: text, byName: text, openedAt: instant }),
    TABLE,
  );

/** What was measured of a press once. */
export interface CheckRow extends Model<InferAttributes<CheckRow>, InferCreationAttributes<CheckRow>> {
  id: string;
  machineId: string;
  kind: PressCheckKind;
  /** Of its kind and the machine, from 1. */
  number: number;
  document: PressCheckInputs[PressCheckKind];
  at: Date;
}

export const definePressCheck = (sequelize: Sequelize) =>
  sequelize.define<CheckRow>(
    'press_check',
    columns({ id: key, machineId: uuid, kind: text, number: integer, document: json, at: instant }),
    TABLE,
  );

/** Stacks that were tried on the bench and noted. */
export interface BenchNoteRow extends Model<
  InferAttributes<BenchNoteRow>,
  InferCreationAttributes<BenchNoteRow>
> {
  id: string;
  document: BenchNoteInput;
  at: Date;
}

export const defineBenchNote = (sequelize: Sequelize) =>
  sequelize.define<BenchNoteRow>('bench_note', columns({ id: key, document: json, at: instant }), TABLE);
