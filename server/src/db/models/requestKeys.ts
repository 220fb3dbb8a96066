import type { CreationOptional, InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { TABLE, columns, instant, integer, json, orNull, text } from './columns.ts';

/** A request that changed something, by the key its sender gave it. */
export interface RequestKeyRow extends Model<
  InferAttributes<RequestKeyRow>,
  InferCreationAttributes<RequestKeyRow>
> {
  key: string;
  /** Hash of what was asked. */
  request: string;
  /** What its transaction gave, written by that transaction itself. */
  result: CreationOptional<{ value: unknown } | null>;
  /** How it was answered; nothing where the server ended in between. */
  status: CreationOptional<number | null>;
  answer: CreationOptional<object | null>;
  createdAt: Date;
}

export const defineRequestKey = (sequelize: Sequelize) =>
  sequelize.define<RequestKeyRow>(
    'request_key',
    columns({
      key: { ...text, primaryKey: true },
      request: text,
      result: orNull(json),
      status: orNull(integer),
      answer: orNull(json),
      createdAt: instant,
    }),
    TABLE,
  );
