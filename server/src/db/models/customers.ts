import type { InferAttributes, InferCreationAttributes, Model, Sequelize } from 'sequelize';
import { TABLE, columns, instant, key, text } from './columns.ts';

export interface CustomerRow extends Model<
  InferAttributes<CustomerRow>,
  InferCreationAttributes<CustomerRow>
> {
  id: string;
  name: string;
  createdAt: Date;
}

export const defineCustomer = (sequelize: Sequelize) =>
  sequelize.define<CustomerRow>('customer', columns({ id: key, name: text, createdAt: instant }), TABLE);
