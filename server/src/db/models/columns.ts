import { DataTypes } from 'sequelize';
import type { ModelAttributeColumnOptions, ModelOptions } from 'sequelize';

/** How every table is: its own name, columns in snake case, instants only where we say so. */
export const TABLE = { freezeTableName: true, underscored: true, timestamps: false } satisfies ModelOptions;

type Column = ModelAttributeColumnOptions;

export const key: Column = { type: DataTypes.UUID, primaryKey: true };
export const uuid: Column = { type: DataTypes.UUID, allowNull: false };
export const text: Column = { type: DataTypes.TEXT, allowNull: false };
export const integer: Column = { type: DataTypes.INTEGER, allowNull: false };
export const decimal: Column = { type: DataTypes.DOUBLE, allowNull: false };
export const flag: Column = { type: DataTypes.BOOLEAN, allowNull: false };
export const instant: Column = { type: DataTypes.DATE, allowNull: false };
export const json: Column = { type: DataTypes.JSONB, allowNull: false };
export const texts: Column = { type: DataTypes.ARRAY(DataTypes.TEXT), allowNull: false };
export const bytes: Column = { type: DataTypes.BLOB, allowNull: false };
export const version: Column = { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 };

/** The same column, where nothing may stand in it. */
export const orNull = (column: Column): Column => ({ ...column, allowNull: true });

/** Text that is one of the values a schema lists: the schema says them, the database does not say them again. */
export const oneOf = (values: readonly string[]): Column => ({ ...text, validate: { isIn: [[...values]] } });

/** A column whose name the snake case of the attribute would not give. */
export const named = (field: string, column: Column): Column => ({ ...column, field });

/** Columns of one table. Sequelize writes their names into what it is given, so each table gets its own. */
export const columns = <T extends Record<string, Column>>(own: T): T =>
  Object.fromEntries(Object.entries(own).map(([name, column]) => [name, { ...column }])) as T;
