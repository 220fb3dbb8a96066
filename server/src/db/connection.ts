import { QueryTypes, Sequelize } from 'sequelize';
import type { Transaction } from 'sequelize';

/** What SQL is run on: the pool, or one transaction of it. */
export interface Database {
  /** Rows of a query with `$1`, `$2` … bound; column names come back as written. */
  rows: <T extends object>(sql: string, bind?: unknown[]) => Promise<T[]>;
  /** Like `rows`, for at most one row. */
  row: <T extends object>(sql: string, bind?: unknown[]) => Promise<T | undefined>;
  /** Runs all or nothing. Inside a transaction it joins that one. */
  transaction: <T>(work: (tx: Database) => Promise<T>) => Promise<T>;
}

/** Opens the pool; connections are made when needed and remade when the database comes back. */
export function connect(url: string): { sequelize: Sequelize; db: Database } {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: 12, min: 0, acquire: 8000, idle: 10_000 },
    dialectOptions: { connectionTimeoutMillis: 5000, keepAlive: true },
  });
  return { sequelize, db: databaseOn(sequelize) };
}

function databaseOn(sequelize: Sequelize, transaction?: Transaction): Database {
  const rows = async <T extends object>(sql: string, bind: unknown[] = []): Promise<T[]> =>
    sequelize.query<T>(sql, { bind, type: QueryTypes.SELECT, transaction: transaction ?? null });
  return {
    rows,
    row: async <T extends object>(sql: string, bind?: unknown[]) => (await rows<T>(sql, bind))[0],
    transaction: async (work) =>
      transaction
        ? work(databaseOn(sequelize, transaction))
        : sequelize.transaction((own) => work(databaseOn(sequelize, own))),
  };
}
