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
  viscose: number;
  modal: number;
  linen: number;
  wool: number;
  silk: number;
  acrylic: number;
  leatherette: number;
  other: number;
  construction: GarmentStyle['construction'];
  massGM2: number;
  thicknessMm: number | null;
  features: GarmentStyle['features'];
  maxPressC: number | null;
  pretreated: GarmentStyle['pretreated'];
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
      viscose: decimal,
      modal: decimal,
      linen: decimal,
      wool: decimal,
      silk: decimal,
      acrylic: decimal,
      leatherette: decimal,
      other: decimal,
      construction: text,
      massGM2: named('mass_g_m2', decimal),
      thicknessMm: orNull(decimal),
      features: texts,
      maxPressC: named('max_press_c', orNull(decimal)),
      pretreated: orNull(json),
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
  dye: GarmentColour['dye'];
  style?: NonAttribute<StyleRow>;
}

export const defineColour = (sequelize: Sequelize) =>
  sequelize.define<ColourRow>(
    'garment_colour',
    columns({ id: key, styleId: uuid, position: integer, name: text, hex: text, tone: text, dye: text }),
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
