import { QueryTypes, Sequelize } from 'sequelize';
import type { Transaction } from 'sequelize';
import { defineModels } from './models/index.ts';
import type { Models } from './models/index.ts';
import { preparedReader } from './preparedRead.ts';
import { inKeyedTransaction } from './requestKeys.ts';

/** A transaction; every method that takes one does its work in it. */
export type Tx = Transaction;

/** The pool and the tables on it. */
export interface Database {
  sequelize: Sequelize;
  models: Models;
  /** Runs all or nothing; again from its beginning where it crossed another. */
  transaction: <T>(work: (tx: Tx) => Promise<T>) => Promise<T>;
  /**
   * Rows of a hand-written query with `$1`, `$2` … bound. Only for reads that models cannot say well; each file that
   * uses it says why.
   */
  read: <T extends object>(sql: string, bind: readonly unknown[], tx?: Tx) => Promise<T[]>;
  /**
   * The same for many rows: the database writes them as one JSON text, which is read at once rather than cell by cell. Instants
   * come as text with an offset.
   */
  readMany: <T extends object>(sql: string, bind: readonly unknown[]) => Promise<T[]>;
}

/** Times a statement may take, ms: by the database's own clock, and by ours where the database does not move at all. */
const STATEMENT_MS = 6000;
const SILENT_MS = 6500;
const LOCK_MS = 4000;
/** A transaction that nobody goes on with is ended, and its locks with it. */
const IDLE_MS = 15_000;

/**
 * Opens the pool; connections are made when needed and remade when the database comes back.
 *
 * @param how.isPatient for bringing a database up to date, which takes as long as it takes
 */
export function connect(url: string, how = { isPatient: false }): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: 12, min: 0, acquire: 5000, idle: 10_000 },
    dialectOptions: {
      connectionTimeoutMillis: 4000,
      ...(how.isPatient ? {} : { statement_timeout: STATEMENT_MS, query_timeout: SILENT_MS }),
      keepAlive: true,
      // joins go as they are written, from the few rows of a page to what names them: trying every order of eight tables took
      // the database longer than the page
      options: [
        '-c join_collapse_limit=1 -c plan_cache_mode=force_generic_plan',
        ...(how.isPatient
          ? []
          : [`-c lock_timeout=${LOCK_MS} -c idle_in_transaction_session_timeout=${IDLE_MS}`]),
      ].join(' '),
    },
  });
  const prepared = preparedReader(sequelize);
  const read = async <T extends object>(sql: string, bind: readonly unknown[], tx?: Tx): Promise<T[]> =>
    tx === undefined
      ? ((await prepared(sql, bind)) as T[]) // the caller names what its query gives
      : sequelize.query<T>(sql, { bind: [...bind], type: QueryTypes.SELECT, transaction: tx });
  const models = defineModels(sequelize);
  return {
    sequelize,
    models,
    read,
    readMany: async <T extends object>(sql: string, bind: readonly unknown[]) => {
      const [all] = await read<{ rows: T[] }>(
        `select coalesce(json_agg(own), '[]') as rows from (${sql}) own`,
        bind,
      );
      return all?.rows ?? [];
    },
    transaction: (work) => retrying(() => inKeyedTransaction(sequelize, models, work)),
  };
}

/** Two changes that waited for each other: one of them is undone by the database, and done again here. */
const CROSSED = new Set(['40P01', '40001']);
const MOST_TRIES = 5;

async function retrying<T>(work: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries++)
    try {
      return await work();
    } catch (error) {
      const { parent } = error as { parent?: { code?: string } };
      if (tries === MOST_TRIES || !CROSSED.has(parent?.code ?? '')) throw error;
      await new Promise((resolve) => setTimeout(resolve, Math.random() * 50 * 2 ** tries));
    }
}

/** As the database writes an instant in UTC: with as much of a fraction as it has. */
const IN_UTC = /^(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d)(?:\.(\d{1,6}))?\+00:00$/;

/** An instant as the contract writes it: JSON of the database writes it with an offset. A page has hundreds of them. */
export function instant(written: string): string {
  const [, second, fraction = ''] = IN_UTC.exec(written) ?? [];
  if (second === undefined) return new Date(written).toISOString();
  return `${second}.${fraction.slice(0, 3).padEnd(3, '0')}Z`;
}
