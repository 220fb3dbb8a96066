import type { GarmentColour, GarmentStyle } from '@saltflat/contract';
import { BLANK_KINDS } from '@saltflat/core/blank';
import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  NonAttribute,
  Sequelize,
} from 'sequelize';
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
  texts,
  uuid,
  version,
} from './columns.ts';

export interface StyleRow extends Model<InferAttributes<StyleRow>, InferCreationAttributes<StyleRow>> {
  id: string;
  name: string;
  maker: string;
  kind: GarmentStyle['kind'];
  cotton: number;
  polyester: number;
  elastane: number;
  nylon: number;
  other: number;
  construction: GarmentStyle['construction'];
  massGM2: number;
  thicknessMm: number | null;
  features: GarmentStyle['features'];
  dyeMigrates: boolean;
  maxPressC: number | null;
  areas: GarmentStyle['areas'];
  version: CreationOptional<number>;
  retiredAt: Date | null;
  colours?: NonAttribute<ColourRow[]>;
  sizes?: NonAttribute<SizeRow[]>;
}

export const defineStyle = (sequelize: Sequelize) =>
  sequelize.define<StyleRow>(
    'garment_style',
    columns({
      id: key,
      name: text,
      maker: text,
      kind: oneOf(BLANK_KINDS),
      cotton: decimal,
      polyester: decimal,
      elastane: decimal,
      nylon: decimal,
      other: decimal,
      construction: text,
      massGM2: named('mass_g_m2', decimal),
      thicknessMm: orNull(decimal),
      features: texts,
      dyeMigrates: flag,
      maxPressC: named('max_press_c', orNull(decimal)),
      areas: json,
      version,
      retiredAt: orNull(instant),
    }),
    TABLE,
  );

export interface ColourRow extends Model<InferAttributes<ColourRow>, InferCreationAttributes<ColourRow>> {
  id: string;
  styleId: string;
  position: number;
  name: string;
  hex: string;
  tone: GarmentColour['tone'];
  style?: NonAttribute<StyleRow>;
}

export const defineColour = (sequelize: Sequelize) =>
  sequelize.define<ColourRow>(
    'garment_colour',
    columns({ id: key, styleId: uuid, position: integer, name: text, hex: text, tone: text }),
    TABLE,
  );

export interface SizeRow extends Model<InferAttributes<SizeRow>, InferCreationAttributes<SizeRow>> {
  styleId: string;
  size: string;
  position: number;
  cents: number;
  bodyWidthMm: number | null;
  collarDropMm: number | null;
}

export const defineSize = (sequelize: Sequelize) =>
  sequelize.define<SizeRow>(
    'garment_size',
    columns({
      styleId: { ...uuid, primaryKey: true },
      size: { ...text, primaryKey: true },
      position: integer,
      cents: integer,
      bodyWidthMm: orNull(decimal),
      collarDropMm: orNull(decimal),
    }),
    TABLE,
  );
