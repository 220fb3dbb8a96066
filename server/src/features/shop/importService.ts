import { DomainError } from '@saltflat/contract';
import type { Catalogue, ImportLine, ImportReport, ShopChanged, ShopList } from '@saltflat/contract';
import type { HouseMethods } from '@saltflat/core/route';
import { mapBreathing } from '../../breathe.ts';
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
/** The set-up, its records by what tells them apart. */
interface Shop {
  house: Catalogue['house'];
  records: Map<string, Known>;
}

/** So many lines that cannot be taken are told of: who has more mends these first. */
const MOST_REFUSED = 20;
const MOST_NOTES = 8;
const NOTE_LENGTH = 160;

/** Takes lists in: says first what would change, and changes all of it or nothing. */
export class ImportService {
  constructor(private readonly needs: Needs) {}

  async bringIn(
    list: ShopList,
    format: 'csv' | 'json',
    text: string,
    isDryRun: boolean,
  ): Promise<ImportReport> {
    const read = await readTable(list, format, text);
    const shop = knownShop(await this.needs.readCatalogue(), await this.needs.readRetired());
    const seen = new Map<string, number>();
    const judgements = await mapBreathing(read, (line) => judged(list, shop, line, seen));
    const refused = judgements.filter(({ action }) => action === 'refuse');
    const told = new Set(refused.slice(0, MOST_REFUSED));
    const lines = judgements.filter((own) => own.action !== 'refuse' || told.has(own));
    const report = { list, lines, untold: refused.length - told.size };
    if (isDryRun || refused.length > 0) return { ...report, isApplied: false, changeId: null };
    const { changeId } = await this.needs.change(async (tx) => {
      for (const [i, line] of read.entries())
        if ('found' in line && judgements[i]?.action !== 'same')
          await this.write(line.found, known(shop, line.found), tx);
      return { id: null, version: null };
    });
    return { ...report, isApplied: true, changeId };
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

function judged(list: ShopList, shop: Shop, own: ReadLine, seen: Map<string, number>): ImportLine {
  const { line } = own;
  const name = own.name.slice(0, NOTE_LENGTH);
  const say = (action: ImportLine['action'], notes: string[]): ImportLine => ({
    line,
    name,
    action,
    notes: told(notes),
  });
  if ('problems' in own) return say('refuse', own.problems);
  const twin = seen.get(keyOf(own.found));
  if (twin !== undefined) return say('refuse', [`“${name}” is in line ${twin} already.`]);
  seen.set(keyOf(own.found), line);
  const former = known(shop, own.found);
  if (former === null) return say('add', []);
  const kind = 'kind' in own.found.record ? own.found.record.kind : '';
  const notes = [
    ...(former.isRetired ? ['is out of use: comes back into use'] : []),
    ...recordDifferences(list, kind, former.record, own.found.record),
  ];
  return say(notes.length === 0 ? 'same' : 'change', notes);
}

const told = (notes: readonly string[]): string[] => [
  ...notes
    .slice(0, MOST_NOTES)
    .map((note) => (note.length > NOTE_LENGTH ? `${note.slice(0, NOTE_LENGTH - 1)}…` : note)),
  ...(notes.length > MOST_NOTES ? [`and ${notes.length - MOST_NOTES} more`] : []),
];

const keyOf = ({ list, record }: ShopRecord): string =>
  list === 'methods' ? list : recordKey(list, list === 'blanks' ? '' : record.kind, record.name);

const recordKey = (list: string, kind: string, name: string): string => JSON.stringify([list, kind, name]);

/** All records by what tells them apart: materials and machines by kind too. What is in use comes before what is not. */
function knownShop(shop: Catalogue, retired: Records): Shop {
  const records = new Map<string, Known>();
  const take = ({ styles, materials, machines }: Records, isRetired: boolean): void => {
    const all = [
      ...styles.map((record) => ({ record, key: recordKey('blanks', '', record.name) })),
      ...materials.map((record) => ({ record, key: recordKey('materials', record.kind, record.name) })),
      ...machines.map((record) => ({ record, key: recordKey('machines', record.kind, record.name) })),
    ];
    for (const { record, key } of all)
      if (!records.has(key)) records.set(key, { id: record.id, version: record.version, record, isRetired });
  };
  take(shop, false);
  take(retired, true);
  return { house: shop.house, records };
}

/** What the shop has under a record's name, in use or not. */
const known = (shop: Shop, found: ShopRecord): Known | null =>
  found.list === 'methods'
    ? { id: null, version: shop.house.version, record: shop.house.document, isRetired: false }
    : (shop.records.get(keyOf(found)) ?? null);
