import { CARE_KINDS } from '@saltflat/contract';
import type { CareInputs, CareKind } from '@saltflat/contract';
import type { InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { TABLE, columns, flag, instant, json, key, oneOf, uuid } from './columns.ts';

/** Something looked at or done on a machine: written once; taken back, and given again, at most. */
export interface CareRow extends Model<InferAttributes<CareRow>, InferCreationAttributes<CareRow>> {
  id: string;
  machineId: string;
  kind: CareKind;
  document: CareInputs[CareKind];
  at: Date;
  isWithdrawn: boolean;
}

export const defineCare = (sequelize: Sequelize) =>
  sequelize.define<CareRow>(
    'machine_care',
    columns({
      id: key,
      machineId: uuid,
      kind: oneOf(CARE_KINDS),
      document: json,
      at: instant,
      isWithdrawn: flag,
    }),
    TABLE,
  );
