// SQL by hand: the log of migrations also says whether the demo is whole, and emptying half a demo is no model's business.
import { QueryTypes } from 'sequelize';
import type { Clock } from '../clock.ts';
import type { Database } from '../db/connection.ts';
import type { Services } from '../services.ts';
import { seedDemo } from './seedDemo.ts';

const BEGUN = 'demo-begun';
const WHOLE = 'demo-whole';

/**
 * Fills an empty database with the made-up shop, once. Runs while all other processes are held off. A demo that was
 * broken off is begun anew: nothing was served meanwhile, so nothing in it is anybody's.
 */
export async function seedOnce(db: Database, services: Services, clock: Clock): Promise<void> {
  const notes = await notesOf(db);
  if (notes.includes(WHOLE)) return;
  if (!notes.includes(BEGUN)) {
    if ((await db.models.styles.count()) > 0) return; // somebody's own shop
    await note(db, BEGUN);
  } else await empty(db);
  await seedDemo(services, clock);
  await note(db, WHOLE);
}

async function notesOf({ sequelize }: Database): Promise<string[]> {
  const rows = await sequelize.query<{ name: string }>(
    `select name from migration where name like 'demo-%'`,
    {
      type: QueryTypes.SELECT,
    },
  );
  return rows.map(({ name }) => name);
}

async function note({ sequelize }: Database, name: string): Promise<void> {
  await sequelize.query(`insert into migration (name) values ($1)`, { bind: [name] });
}

async function empty({ sequelize, models }: Database): Promise<void> {
  const tables = Object.values(models)
    .map(({ name }) => name) // a model is called as its table
    .filter((table) => table !== 'shop_revision')
    .map((table) => `"${table}"`);
  await sequelize.query(`truncate ${tables.join(', ')} cascade`);
  await sequelize.query(`select setval('order_number', 200), setval('quote_number', 1000)`);
}
