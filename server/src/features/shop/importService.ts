import { DomainError } from '@saltflat/contract';
import type { Catalogue, ImportLine, ImportReport, ShopChanged, ShopList } from '@saltflat/contract';
import type { HouseMethods } from '@saltflat/core/route';
import type { Tx } from '../../db/connection.ts';
import type { BlankStore } from './blankStore.ts';
import type { EquipmentStore } from './equipmentStore.ts';
import type { SettingStore } from './settingStore.ts';
import { readTable, recordDifferences } from './shopTables.ts';
import type { ReadLine, ShopRecord } from './shopTables.ts';

type Records = Pick<Catalogue, 'styles' | 'materials' | 'machines'>;

interface Needs {
  blanks: BlankStore;
  equipment: EquipmentStore;
  settings: SettingStore;
  readCatalogue: () => Promise<Catalogue>;
  /** Records out of use: their names are taken. */
  readRetired: () => Promise<Records>;
  change: (write: (tx: Tx) => Promise<{ id: null; version: null }>) => Promise<ShopChanged>;
}

/** What is there under a name: its identity and version, itself as a record, and whether it is out of use. */
interface Known {
  id: string | null;
  version: number;
  record: object;
  isRetired: boolean;
}
type Shop = Catalogue & { retired: Records };

/** Takes lists in: says first what would change, and changes all of it or nothing. */
export class ImportService {
  constructor(private readonly needs: Needs) {}

  async bringIn(
    list: ShopList,
    format: 'csv' | 'json',
    text: string,
    isDryRun: boolean,
  ): Promise<ImportReport> {
    const read = readTable(list, format, text);
    const shop: Shop = { ...(await this.needs.readCatalogue()), retired: await this.needs.readRetired() };
    const lines = read.map((line, i) => judged(list, shop, line, read.slice(0, i)));
    const isRefused = lines.some(({ action }) => action === 'refuse');
    if (isDryRun || isRefused) return { list, lines, isApplied: false, changeId: null };
    const { changeId } = await this.needs.change(async (tx) => {
      for (const [i, line] of read.entries())
        if ('found' in line && lines[i]?.action !== 'same')
          await this.write(line.found, known(shop, line.found), tx);
      return { id: null, version: null };
    });
    return { list, lines, isApplied: true, changeId };
  }

  private async write(found: ShopRecord, former: Known | null, tx: Tx): Promise<void> {
    const isWritten = await (found.list === 'methods'
      ? this.writeMethods(found.record, former, tx)
      : former?.id == null
        ? this.insert(found, tx)
        : this.update(found, { ...former, id: former.id }, tx));
    if (!isWritten)
      throw new DomainError('stale-version', 'Someone changed the list meanwhile. Choose the file again.');
  }

  private writeMethods(record: Partial<HouseMethods>, former: Known | null, tx: Tx): Promise<boolean> {
    const document = { ...former?.record, ...record } as HouseMethods; // every method has a start
    return this.needs.settings.write('house', former?.version ?? 1, document, tx);
  }

  private async insert(found: Exclude<ShopRecord, { list: 'methods' }>, tx: Tx): Promise<boolean> {
    const { blanks, equipment } = this.needs;
    if (found.list === 'blanks') await blanks.insert(found.record, tx);
    else if (found.list === 'materials') await equipment.insertMaterial(found.record, tx);
    else await equipment.insertMachine(found.record, tx);
    return true;
  }

  private async update(
    found: Exclude<ShopRecord, { list: 'methods' }>,
    former: Known & { id: string },
    tx: Tx,
  ): Promise<boolean> {
    const { blanks, equipment } = this.needs;
    const seen = { id: former.id, version: former.version };
    if (former.isRetired) {
      const isBack = await (found.list === 'blanks'
        ? blanks.setRetired(seen, null, tx)
        : equipment.setRetired(found.list, seen, null, tx));
      if (!isBack) return false;
      seen.version++;
    }
    if (found.list === 'blanks') return blanks.update(seen, withColourIds(found.record, former), tx);
    return found.list === 'materials'
      ? equipment.updateMaterial(seen, found.record, tx)
      : equipment.updateMachine(seen, found.record, tx);
  }
}

/** Colours of the same name stay the ones order lines point at. */
function withColourIds<T extends { colours: { id?: string; name: string }[] }>(blank: T, former: Known): T {
  const colours = (former.record as { colours?: { id: string; name: string }[] }).colours ?? [];
  return {
    ...blank,
    colours: blank.colours.map((colour) => {
      const same = colours.find(({ name }) => name === colour.name);
      return same ? { ...colour, id: same.id } : colour;
    }),
  };
}

function judged(list: ShopList, shop: Shop, own: ReadLine, before: readonly ReadLine[]): ImportLine {
  const { line, name } = own;
  if ('problems' in own) return { line, name, action: 'refuse', notes: own.problems };
  const twin = before.find((other) => 'found' in other && isSameRecord(other.found, own.found));
  if (twin) return { line, name, action: 'refuse', notes: [`“${name}” is in line ${twin.line} already.`] };
  const former = known(shop, own.found);
  if (former === null) return { line, name, action: 'add', notes: [] };
  const kind = 'kind' in own.found.record ? own.found.record.kind : '';
  const notes = [
    ...(former.isRetired ? ['is out of use: comes back into use'] : []),
    ...recordDifferences(list, kind, former.record, own.found.record),
  ];
  return { line, name, action: notes.length === 0 ? 'same' : 'change', notes };
}

const keyOf = ({ list, record }: ShopRecord): string =>
  list === 'methods' ? list : list === 'blanks' ? record.name : `${record.kind}/${record.name}`;

const isSameRecord = (p: ShopRecord, q: ShopRecord): boolean => keyOf(p) === keyOf(q);

/** What the shop has under a record's name, in use or not; materials and machines are told apart by kind too. */
function known(shop: Shop, found: ShopRecord): Known | null {
  if (found.list === 'methods')
    return { id: null, version: shop.house.version, record: shop.house.document, isRetired: false };
  const { list, record } = found;
  const under = (records: Records): { id: string; version: number } | undefined => {
    const all: readonly { id: string; version: number; name: string; kind: string }[] =
      list === 'blanks' ? records.styles : records[list];
    return all.find(({ name, kind }) => name === record.name && (list === 'blanks' || kind === record.kind));
  };
  const inUse = under(shop);
  const same = inUse ?? under(shop.retired);
  return same ? { id: same.id, version: same.version, record: same, isRetired: inUse === undefined } : null;
}
