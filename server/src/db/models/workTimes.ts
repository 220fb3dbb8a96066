import { UNITS } from '@saltflat/core/work';
import type { Unit } from '@saltflat/core/work';
import type { InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { TABLE, columns, decimal, instant, integer, named, oneOf, orNull, text, uuid } from './columns.ts';

/** How long a step of a line took that is finished. */
export interface WorkTimeRow extends Model<
  InferAttributes<WorkTimeRow>,
  InferCreationAttributes<WorkTimeRow>
> {
  runId: string;
  /** The line’s name within its run. */
  line: string;
  /** Counts a line’s times up from 1. */
  place: number;
  /** By {@link workKind}. */
  kind: string;
  /** What its route called it. */
  title: string;
  /** What was done in one go. */
  unit: Unit;
  handsPlannedS: number | null;
  handsS: number | null;
  machinePlannedS: number | null;
  machineS: number | null;
  at: Date;
}

export const defineWorkTime = (sequelize: Sequelize) =>
  sequelize.define<WorkTimeRow>(
    'work_time',
    columns({
      runId: { ...uuid, primaryKey: true },
      line: { ...text, primaryKey: true },
      place: { ...integer, primaryKey: true },
      kind: text,
      title: text,
      unit: oneOf(UNITS),
      handsPlannedS: named('hands_planned_s', orNull(decimal)),
      handsS: named('hands_s', orNull(decimal)),
      machinePlannedS: named('machine_planned_s', orNull(decimal)),
      machineS: named('machine_s', orNull(decimal)),
      at: instant,
    }),
    TABLE,
  );
