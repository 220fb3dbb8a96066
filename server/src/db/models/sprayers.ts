import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import {
  TABLE,
  columns,
  decimal,
  flag,
  instant,
  integer,
  key,
  named,
  orNull,
  text,
  uuid,
} from './columns.ts';

/** A garment weighed before and after the sprayer. */
export interface SprayWeighingRow extends Model<
  InferAttributes<SprayWeighingRow>,
  InferCreationAttributes<SprayWeighingRow>
> {
  id: string;
  machineId: string;
  fluidId: string;
  nozzle: string;
  setting: number;
  passes: number;
  widthMm: number;
  heightMm: number;
  beforeG: number;
  afterG: number;
  elapsedS: number;
  roomC: number | null;
  humidity: number | null;
  byName: string;
  at: Date;
  isWithdrawn: boolean;
  /** “run step” of the floor it was taken from; `null` where it was weighed in its place. */
  runStep: CreationOptional<string | null>;
}

export const defineSprayWeighing = (sequelize: Sequelize) =>
  sequelize.define<SprayWeighingRow>(
    'spray_weighing',
    columns({
      id: key,
      machineId: uuid,
      fluidId: uuid,
      nozzle: text,
      setting: decimal,
      passes: integer,
      widthMm: decimal,
      heightMm: decimal,
      beforeG: named('before_g', decimal),
      afterG: named('after_g', decimal),
      elapsedS: named('elapsed_s', decimal),
      roomC: named('room_c', orNull(decimal)),
      humidity: orNull(decimal),
      byName: text,
      at: instant,
      isWithdrawn: flag,
      runStep: orNull(text),
    }),
    TABLE,
  );
