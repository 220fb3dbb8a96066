// SQL by hand: the log of migrations also says whether the demo is here, and emptying tables is no model's business.
import type { Beginnings } from '@saltflat/contract';
import { QueryTypes } from 'sequelize';
import type { Database, Tx } from '../db/connection.ts';

/** At the start, before anything is served. */
export const BEGUN = 'demo-begun';
/** By a person, while the shop is open. */
const FILLING = 'demo-filling';
export const WHOLE = 'demo-whole';
const CLEARED = 'demo-cleared';

/** What is made day by day, and what it is made of: all that a demo has but its set-up. */
const MADE = [
  'customer', 'customer_order', 'order_line', 'order_line_size', 'line_print', 'route_version', 'proof_answer', 'weighing',
  'quote', 'run', 'run_line', 'run_event', 'outcome', 'outcome_tally', 'shop_change_line', 'artwork', 'artwork_figures',
  'artwork_preparation', 'blob', 'job', 'press_check', 'bench_note', 'film_layout',
  'shelf_packet', 'shelf_move', 'shelf_use', 'spray_weighing', 'machine_care', 'day_plan', 'work_time',
]; // prettier-ignore

/** Notes of what became of the demo in this database. */
export class DemoNotes {
  constructor(private readonly db: Database) {}

  async all(): Promise<string[]> {
    const rows = await this.db.sequelize.query<{ name: string }>(
      `select name from migration where name like 'demo-%'`,
      { type: QueryTypes.SELECT },
    );
    return rows.map(({ name }) => name);
  }

  async state(): Promise<Beginnings['demo']['state']> {
    const notes = await this.all();
    if (notes.includes(CLEARED)) return 'cleared';
    if (notes.includes(WHOLE)) return 'filled';
    return notes.includes(FILLING) ? 'filling' : 'none';
  }

  async note(name: string): Promise<void> {
    await this.db.sequelize.query(`insert into migration (name) values ($1)`, { bind: [name] });
  }

  /** A person wants the demo. @returns false where somebody has wanted it just before */
  async begin(): Promise<boolean> {
    const rows = await this.db.sequelize.query<{ name: string }>(
      `insert into migration (name) values ($1) on conflict do nothing returning name`,
      { bind: [FILLING], type: QueryTypes.SELECT },
    );
    return rows.length > 0;
  }

  async finish(): Promise<void> {
    await this.note(WHOLE);
  }

  /** Empties everything that is made, the ledger's append-only rows too, and tells every page; numbers go on where they were. */
  async clear(tx: Tx): Promise<void> {
    const { sequelize } = this.db;
    await sequelize.query(`truncate ${MADE.join(', ')}`, { transaction: tx });
    await sequelize.query(`insert into migration (name) values ($1) on conflict do nothing`, {
      bind: [CLEARED],
      transaction: tx,
    });
    const everything = JSON.stringify({ kind: 'changed', noun: 'everything', id: '' });
    await sequelize.query(`select pg_notify('saltflat', $1)`, { bind: [everything], transaction: tx });
  }

  /** Empties a demo that was broken off before anything was served: nothing in it is anybody's. */
  async emptyAll(): Promise<void> {
    const { sequelize, models } = this.db;
    const tables = Object.values(models)
      .map(({ name }) => name) // a model is called as its table
      .filter((table) => table !== 'shop_revision')
      .map((table) => `"${table}"`);
    await sequelize.query(`truncate ${tables.join(', ')} cascade`);
    await sequelize.query(`select setval('order_number', 200), setval('quote_number', 1000)`);
  }
}
