import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { createShop } from './migrations/20260131T0900-create-shop.ts';
import { createOrdersAndRuns } from './migrations/20260131T0910-create-orders-and-runs.ts';
import { prepareArtworks } from './migrations/20260214T0900-prepare-artworks.ts';
import { weighPrints } from './migrations/20260221T0900-weigh-prints.ts';
import { editShop } from './migrations/20260228T0900-edit-shop.ts';

const MIGRATIONS = [createShop, createOrdersAndRuns, prepareArtworks, weighPrints, editShop]; // named one by one: the same in a bundle, under tsx and in tests

/** Brings the database's shape up to date; each migration is one transaction. */
export function createMigrator(sequelize: Sequelize) {
  const runSql = async (sql: string): Promise<void> => {
    await sequelize.transaction(async (transaction) => sequelize.query(sql, { transaction, raw: true }));
  };
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => runSql(up),
      down: () => runSql(down),
    })),
    storage: new SequelizeStorage({ sequelize, modelName: 'migration', tableName: 'migration' }),
    logger: undefined,
  });
}

const MIGRATION_LOCK = 7_258_351; // any number, the same for every server of this database

/** Migrates with all other servers held off. */
export async function migrate(sequelize: Sequelize): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    await sequelize.query(`select pg_advisory_xact_lock(${MIGRATION_LOCK})`, { transaction });
    await createMigrator(sequelize).up();
  });
}
