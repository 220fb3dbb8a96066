import { DomainError } from '@saltflat/contract';
import { DataTypes, QueryTypes } from 'sequelize';
import type { Sequelize, Transaction } from 'sequelize';
import { Umzug } from 'umzug';
import type { UmzugStorage } from 'umzug';
import { createShop } from './migrations/20260131T0900-create-shop.ts';
import { createOrdersAndRuns } from './migrations/20260131T0910-create-orders-and-runs.ts';
import { prepareArtworks } from './migrations/20260214T0900-prepare-artworks.ts';
import { weighPrints } from './migrations/20260221T0900-weigh-prints.ts';
import { editShop } from './migrations/20260228T0900-edit-shop.ts';
import { firmGround } from './migrations/20260314T0900-firm-ground.ts';
import { lighterLists } from './migrations/20260321T0900-lighter-lists.ts';
import { recoveredLines } from './migrations/20260325T0900-recovered-lines.ts';
import { cleanDrawings } from './migrations/20260404T0900-clean-drawings.ts';
import { requestKeys } from './migrations/20260404T0910-request-keys.ts';
import { namesAsTyped } from './migrations/20260404T0920-names-as-typed.ts';
import { pieceFlow } from './migrations/20260411T0900-piece-flow.ts';
import { sharedRuns } from './migrations/20260411T0910-shared-runs.ts';
import { severalPrints } from './migrations/20260418T0900-several-prints.ts';
import { jobs } from './migrations/20260418T0910-jobs.ts';
import { lots } from './migrations/20260418T0920-lots.ts';
import { fabricsAndSources } from './migrations/20260425T0900-fabrics-and-sources.ts';
import { readyMade } from './migrations/20260502T0900-ready-made.ts';
import { artToMend } from './migrations/20260516T0900-art-to-mend.ts';
import { pressChecks } from './migrations/20260530T0900-press-checks.ts';
import { filmLayouts } from './migrations/20260606T0900-film-layouts.ts';
import { shelf } from './migrations/20260613T0900-shelf.ts';
import { filmGuests } from './migrations/20260613T0910-film-guests.ts';
import { filmSpares } from './migrations/20260613T0920-film-spares.ts';
import { sprayWeighings } from './migrations/20260620T0900-spray-weighings.ts';
import { machineCare } from './migrations/20260627T0900-machine-care.ts';
import { dayPlans } from './migrations/20260704T0900-day-plans.ts';
import { workTimes } from './migrations/20260711T0900-work-times.ts';
import { pressSurveys } from './migrations/20260523T0900-press-surveys.ts';
import { findArtworks } from './migrations/20260509T0900-find-artworks.ts';
import type { Migration } from './migration.ts';

/** Named one by one: the same in a bundle, under tsx and in tests. */
export const MIGRATIONS: readonly Migration[] = [
  createShop,
  createOrdersAndRuns,
  prepareArtworks,
  weighPrints,
  editShop,
  firmGround,
  lighterLists,
  recoveredLines,
  cleanDrawings,
  requestKeys,
  namesAsTyped,
  pieceFlow,
  sharedRuns,
  severalPrints,
  jobs,
  lots,
  fabricsAndSources,
  readyMade,
  findArtworks,
  artToMend,
  pressSurveys,
  pressChecks,
  filmLayouts,
  shelf,
  filmGuests,
  filmSpares,
  sprayWeighings,
  machineCare,
  dayPlans,
  workTimes,
];

/** Brings the database's shape up to date. A migration and the row that says it was done are one transaction: there is never one without the other. */
export function createMigrator(sequelize: Sequelize, migrations: readonly Migration[] = MIGRATIONS) {
  const log = sequelize.define(
    'migration',
    { name: { type: DataTypes.STRING, primaryKey: true } },
    { freezeTableName: true, timestamps: false },
  );
  const inOne = (sql: string, note: (transaction: Transaction) => Promise<unknown>): Promise<void> =>
    sequelize.transaction(async (transaction) => {
      await sequelize.query(sql, { transaction, raw: true });
      await note(transaction);
    });
  const storage: UmzugStorage = {
    // written together with the migration itself, above
    logMigration: () => Promise.resolve(),
    unlogMigration: () => Promise.resolve(),
    executed: async () => {
      await log.sync();
      const rows = await sequelize.query<{ name: string }>('select name from migration order by name', {
        type: QueryTypes.SELECT,
      });
      return rows.map(({ name }) => name);
    },
  };
  return new Umzug({
    migrations: migrations.map(({ name, up, down }) => ({
      name,
      up: () => inOne(up, (transaction) => log.create({ name }, { transaction })),
      down: () => inOne(down, (transaction) => log.destroy({ where: { name }, transaction })),
    })),
    storage,
    logger: undefined,
  });
}

const START_LOCK = 7_258_351; // any number, the same for every server of this database

/** Does what must be done once before anything is served, with all other servers and workers held off. */
export async function onceAtStart<T>(sequelize: Sequelize, work: () => Promise<T>): Promise<T> {
  // the lock is held by a transaction of its own, on its own connection, for as long as the work takes
  return sequelize.transaction(async (transaction) => {
    await sequelize.query(`select pg_advisory_xact_lock(${START_LOCK})`, { transaction });
    return work();
  });
}

/** Migrations are named by their instant; the same table notes other things that are done once. */
const MIGRATION_NAME = /^\d{8}T\d{4}-/;

/** Whether every migration of this version is done, and none of a later one. @throws DomainError `not-ready` */
export async function refuseUnready(sequelize: Sequelize): Promise<void> {
  const rows = await sequelize.query<{ name: string }>('select name from migration', {
    type: QueryTypes.SELECT,
  });
  const done = new Set(rows.map(({ name }) => name).filter((name) => MIGRATION_NAME.test(name)));
  if (MIGRATIONS.some(({ name }) => !done.has(name)))
    throw new DomainError(
      'not-ready',
      'The database does not have the tables this version works with. Start Saltflat again, which brings it up to date.',
    );
  if (done.size > MIGRATIONS.length)
    throw new DomainError(
      'not-ready',
      'The database was brought up to date by a later version of Saltflat. Start that version.',
    );
}
