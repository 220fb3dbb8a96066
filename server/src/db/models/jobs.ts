import { JOB_KINDS, JOB_STATES } from '@saltflat/contract';
import type { Job } from '@saltflat/contract';
import type { InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { TABLE, columns, decimal, instant, oneOf, orNull, text, uuid } from './columns.ts';

/** Heavy work about one thing, and how far it is. */
export interface JobRow extends Model<InferAttributes<JobRow>, InferCreationAttributes<JobRow>> {
  kind: Job['kind'];
  about: string;
  state: Job['state'];
  share: number;
  why: string | null;
  begunAt: Date;
  toldAt: Date;
  endedAt: Date | null;
}

export const defineJob = (sequelize: Sequelize) =>
  sequelize.define<JobRow>(
    'job',
    columns({
      kind: { ...oneOf(JOB_KINDS), primaryKey: true },
      about: { ...uuid, primaryKey: true },
      state: oneOf(JOB_STATES),
      share: decimal,
      why: orNull(text),
      begunAt: instant,
      toldAt: instant,
      endedAt: orNull(instant),
    }),
    TABLE,
  );
