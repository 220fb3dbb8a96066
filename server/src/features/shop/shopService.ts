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
  ReplanReport,
  ShopChanged,
} from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import type { RetirableTable, ShopStore } from './shopStore.ts';

interface Needs {
  shop: ShopStore;
  readCatalogue: () => Promise<Catalogue>;
  /** Plans every route anew that is not on the floor, and says what differs. */
  replanDrafts: () => Promise<ReplanReport>;
}

export type ShopService = ReturnType<typeof createShopService>;

const TABLES = { blanks: 'garment_style', materials: 'material', machines: 'machine' } as const;
export type RecordList = keyof typeof TABLES;

/** Changes the shop's set-up. Routes that were not run yet follow; those that were stay as they were. */
export function createShopService({ shop, readCatalogue, replanDrafts }: Needs) {
  /** Writes in one transaction, then lets the drafts follow. */
  async function change(
    write: (tx: Database) => Promise<{ id: string | null; version: number | null }>,
  ): Promise<ShopChanged> {
    const written = await shop.transaction(write);
    return { ...written, ...(await replanDrafts()) };
  }

  const added = (insert: (tx: Database) => Promise<string>): Promise<ShopChanged> =>
    change(async (tx) => ({ id: await insert(tx), version: 1 }));

  const changed = (
    id: string,
    version: number,
    update: (tx: Database) => Promise<boolean>,
    name: string,
  ): Promise<ShopChanged> =>
    change(async (tx) => {
      if (!(await update(tx))) await refuseStale(id, name);
      return { id, version: version + 1 };
    });

  async function refuseStale(id: string, name: string): Promise<never> {
    const { styles, materials, machines } = await readCatalogue();
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
  async function refuseStaleSetting(key: 'house' | 'rates'): Promise<never> {
    const { [key]: current } = await readCatalogue();
    const what = key === 'house' ? 'house methods' : 'prices';
    throw new DomainError(
      'stale-version',
      `Someone changed the ${what} meanwhile. Look at them, then save again.`,
      {
        current,
      },
    );
  }

  const setSetting = (key: 'house' | 'rates', { version, record }: HouseChange | RatesChange) =>
    change(async (tx) => {
      if (!(await shop.writeSetting(key, version, record, tx))) await refuseStaleSetting(key);
      return { id: null, version: version + 1 };
    });

  const setRetired = (list: RecordList, id: string, version: number, isRetired: boolean) => {
    const table: RetirableTable = TABLES[list];
    return changed(id, version, (tx) => shop.setRetired(table, { id, version }, isRetired, tx), 'It');
  };

  return {
    addBlank: (record: BlankInput) => added((tx) => shop.insertBlank(parseBlank(record), tx)),
    changeBlank: (id: string, { version, record }: BlankChange) =>
      changed(id, version, (tx) => shop.updateBlank(id, version, parseBlank(record), tx), record.name),
    addMaterial: (record: MaterialInput) => added((tx) => shop.insertMaterial(parseMaterial(record), tx)),
    changeMaterial: (id: string, { version, record }: MaterialChange) =>
      changed(id, version, (tx) => shop.updateMaterial(id, version, parseMaterial(record), tx), record.name),
    addMachine: (record: MachineInput) => added((tx) => shop.insertMachine(parseMachine(record), tx)),
    changeMachine: (id: string, { version, record }: MachineChange) =>
      changed(id, version, (tx) => shop.updateMachine(id, version, parseMachine(record), tx), record.name),
    setHouse: (own: HouseChange) => setSetting('house', own),
    setRates: (own: RatesChange) => setSetting('rates', own),
    setRetired,
    putFirst: (list: 'materials' | 'machines', id: string) =>
      change(async (tx) => {
        if (!(await shop.putFirst(TABLES[list], id, tx))) await refuseStale(id, 'It');
        return { id, version: null };
      }),
  };
}
