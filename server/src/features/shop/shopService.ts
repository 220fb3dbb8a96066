import { DomainError, parseBlank, parseMachine, parseMaterial } from '@saltflat/contract';
import type {
  BlankChange,
  BlankInput,
  Catalogue,
  HouseChange,
  MachineChange,
  MachineInput,
  MaterialChange,
  MaterialInput,
  RatesChange,
  ShopChange,
  ShopChanged,
  ShopWriting,
  WritingChange,
} from '@saltflat/contract';
import type { Database, Tx } from '../../db/connection.ts';
import type { BlankStore } from './blankStore.ts';
import type { ChangeStore, PlannedAnew } from './changeStore.ts';
import type { EquipmentStore } from './equipmentStore.ts';
import type { SettingStore } from './settingStore.ts';

interface Needs {
  db: Database;
  blanks: BlankStore;
  equipment: EquipmentStore;
  settings: SettingStore;
  changes: ChangeStore;
  readCatalogue: () => Promise<Catalogue>;
  /** Has every route planned anew that is not on the floor; in this transaction, so that none is forgotten. */
  askForDrafts: (
    note: (drafts: readonly PlannedAnew[]) => Promise<string>,
    tx: Tx,
  ) => Promise<{ changeId: string; drafts: number }>;
  /** Whether a quote was ever given. */
  hasGivenQuotes: () => Promise<boolean>;
  now: () => number;
}

/** Settings that routes are planned by. */
type PlannedSetting = 'house' | 'rates';

export type RecordList = 'blanks' | 'materials' | 'machines';
interface Written {
  id: string | null;
  version: number | null;
}

/** Changes the shop's set-up. Routes that were not run yet follow, in the background; those that were stay as they were. */
export class ShopService {
  constructor(private readonly needs: Needs) {}

  addBlank = (record: BlankInput): Promise<ShopChanged> =>
    this.added((tx) => this.needs.blanks.insert(parseBlank(record), tx));
  addMaterial = (record: MaterialInput): Promise<ShopChanged> =>
    this.added((tx) => this.needs.equipment.insertMaterial(parseMaterial(record), tx));
  addMachine = (record: MachineInput): Promise<ShopChanged> =>
    this.added((tx) => this.needs.equipment.insertMachine(parseMachine(record), tx));

  changeBlank = (id: string, { version, record }: BlankChange): Promise<ShopChanged> =>
    this.changed({ id, version }, record.name, (seen, tx) =>
      this.needs.blanks.update(seen, parseBlank(record), tx),
    );
  changeMaterial = (id: string, { version, record }: MaterialChange): Promise<ShopChanged> =>
    this.changed({ id, version }, record.name, (seen, tx) =>
      this.needs.equipment.updateMaterial(seen, parseMaterial(record), tx),
    );
  changeMachine = (id: string, { version, record }: MachineChange): Promise<ShopChanged> =>
    this.changed({ id, version }, record.name, (seen, tx) =>
      this.needs.equipment.updateMachine(seen, parseMachine(record), tx),
    );

  setHouse = (own: HouseChange): Promise<ShopChanged> => this.setSetting('house', own);
  setRates = (own: RatesChange): Promise<ShopChanged> => this.setSetting('rates', own);

  /** How measures, money and days are written; no route is planned otherwise for it. Prices that were offered keep their currency. */
  async setWriting({ version, record }: WritingChange): Promise<ShopWriting> {
    const { db, settings, readCatalogue, hasGivenQuotes } = this.needs;
    const { currency } = (await readCatalogue()).writing.document;
    if (record.currency !== currency && (await hasGivenQuotes())) {
      const message = `Currency: quotes were given in ${currency}, and amounts are not turned into others. It stays ${currency}.`;
      throw new DomainError('not-now', message, { fields: [{ path: '/record/currency', message }] });
    }
    await db.transaction(async (tx) => {
      if (!(await settings.write('writing', version, record, tx))) await this.refuseStaleSetting('writing');
    });
    return { document: record, version: version + 1 };
  }

  setRetired = (list: RecordList, id: string, version: number, isRetired: boolean): Promise<ShopChanged> => {
    const { blanks, equipment, now } = this.needs;
    const at = isRetired ? new Date(now()) : null;
    return this.changed({ id, version }, 'It', (seen, tx) =>
      list === 'blanks' ? blanks.setRetired(seen, at, tx) : equipment.setRetired(list, seen, at, tx),
    );
  };

  putFirst = (list: 'materials' | 'machines', id: string): Promise<ShopChanged> =>
    this.change(async (tx) => {
      if (!(await this.needs.equipment.putFirst(list, id, tx))) await this.refuseStale(id, 'It');
      return { id, version: null };
    });

  /** What a change did to the routes so far. */
  async changeReport(id: string): Promise<ShopChange> {
    const change = await this.needs.changes.find(id);
    if (!change) throw new DomainError('not-found', `There is no change ${id.slice(0, 8)} of the set-up.`);
    return change;
  }

  /** Writes in one transaction with the drafts' being asked for: neither is ever there without the other. */
  async change(write: (tx: Tx) => Promise<Written>): Promise<ShopChanged> {
    const { db, changes, askForDrafts, now } = this.needs;
    return db.transaction(async (tx) => {
      const written = await write(tx);
      const asked = await askForDrafts((drafts) => changes.insert(new Date(now()), drafts, tx), tx);
      return { ...written, ...asked };
    });
  }

  private added(insert: (tx: Tx) => Promise<string>): Promise<ShopChanged> {
    return this.change(async (tx) => ({ id: await insert(tx), version: 1 }));
  }

  private changed(
    seen: { id: string; version: number },
    name: string,
    update: (seen: { id: string; version: number }, tx: Tx) => Promise<boolean>,
  ): Promise<ShopChanged> {
    return this.change(async (tx) => {
      if (!(await update(seen, tx))) await this.refuseStale(seen.id, name);
      return { id: seen.id, version: seen.version + 1 };
    });
  }

  private setSetting(
    key: PlannedSetting,
    { version, record }: HouseChange | RatesChange,
  ): Promise<ShopChanged> {
    return this.change(async (tx) => {
      if (!(await this.needs.settings.write(key, version, record, tx))) await this.refuseStaleSetting(key);
      return { id: null, version: version + 1 };
    });
  }

  private async refuseStale(id: string, name: string): Promise<never> {
    const { styles, materials, machines } = await this.needs.readCatalogue();
    const current = [...styles, ...materials, ...machines].find((own) => own.id === id);
    throw current
      ? new DomainError(
          'stale-version',
          `Someone changed “${current.name}” meanwhile. Look at what it is now, then save again.`,
          { current },
        )
      : new DomainError('not-found', `${name} is not in the shop’s list, or no longer.`);
  }

  /** Settings whose version is no longer the one seen. */
  private async refuseStaleSetting(key: PlannedSetting | 'writing'): Promise<never> {
    const { [key]: current } = await this.needs.readCatalogue();
    const what = { house: 'house methods', rates: 'prices', writing: 'units and dates' }[key];
    throw new DomainError(
      'stale-version',
      `Someone changed the ${what} meanwhile. Look at them, then save again.`,
      { current },
    );
  }
}
