import { DomainError } from '@saltflat/contract';
import type { Beginnings } from '@saltflat/contract';
import type { Logger } from 'pino';
import type { Database } from '../../db/connection.ts';
import type { DemoNotes } from '../../demo/demoNotes.ts';

interface Needs {
  db: Database;
  notes: DemoNotes;
  /** Takes the made-up shop in. */
  seed: (onProgress: (share: number) => void) => Promise<void>;
  /** Orders of the made-up shop. */
  demoOrders: number;
  /** Does it with its progress kept for whoever looks. */
  watched: (work: (onProgress: (share: number) => void) => Promise<void>) => Promise<void>;
  /** How far that is; `null` where nobody does it. */
  share: () => Promise<number | null>;
  log: Logger;
}

/** What a shop begins with: nothing, or the made-up one, which goes when it is no longer wanted. */
export class BeginningService {
  constructor(private readonly needs: Needs) {}

  async read(): Promise<Beginnings> {
    const { db, notes, demoOrders, share } = this.needs;
    const { styles, materials, machines, orders } = db.models;
    const inUse = { where: { retiredAt: null } };
    const [blanks, ofMaterials, ofMachines, ofOrders, state, done] = await Promise.all([
      styles.count(inUse),
      materials.count(inUse),
      machines.count(inUse),
      orders.count(),
      notes.state(),
      share(),
    ]);
    const isStuck = state === 'filling' && done === null;
    return {
      blanks,
      materials: ofMaterials,
      machines: ofMachines,
      orders: ofOrders,
      demo: {
        state: isStuck ? 'broken-off' : state,
        share: state === 'filling' ? done : null,
        ownOrders: state === 'filled' ? Math.max(0, ofOrders - demoOrders) : 0,
      },
    };
  }

  /** Begins to fill an empty shop; how far it is, {@link read} says. */
  async fill(): Promise<Beginnings> {
    const { notes, seed, watched, log } = this.needs;
    const { blanks, materials, machines, orders, demo } = await this.read();
    if (demo.state === 'filling') return this.read();
    if (blanks + materials + machines + orders > 0)
      throw new DomainError(
        'not-now',
        'The demo fills a shop that is empty, and something is set up here already.',
      );
    if (!(await notes.begin())) return this.read(); // somebody else has pressed it too
    void watched(seed)
      .then(() => notes.finish())
      .catch((error: unknown) => log.error({ err: error }, 'the demo could not be taken in whole'));
    const begun = await this.read();
    return { ...begun, demo: { ...begun.demo, state: 'filling', share: 0 } }; // it is not in the table of jobs yet
  }

  /** Clears what was made, and keeps what is set up. */
  async clear(): Promise<Beginnings> {
    const { db, notes } = this.needs;
    const { demo } = await this.read();
    if (demo.state === 'filling')
      throw new DomainError('not-now', 'The demo is being taken in: wait until it is whole.');
    if (demo.state !== 'filled' && demo.state !== 'broken-off')
      throw new DomainError('not-now', 'There is no demo here to clear: this shop’s orders are its own.');
    await db.transaction((tx) => notes.clear(tx));
    return this.read();
  }
}
