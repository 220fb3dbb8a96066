import type { DayPlanDocument } from '@saltflat/contract';
import type { InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { TABLE, columns, instant, integer, json, text } from './columns.ts';

/** A plan that was kept for everybody to follow: written once. */
export interface DayPlanRow extends Model<InferAttributes<DayPlanRow>, InferCreationAttributes<DayPlanRow>> {
  /** Counted up from 1. */
  number: number;
  document: DayPlanDocument;
  byName: string;
  at: Date;
}

export const defineDayPlan = (sequelize: Sequelize) =>
  sequelize.define<DayPlanRow>(
    'day_plan',
    columns({ number: { ...integer, primaryKey: true }, document: json, byName: text, at: instant }),
    TABLE,
  );
