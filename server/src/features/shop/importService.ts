import { DomainError } from '@saltflat/contract';
import type { Catalogue, ImportLine, ImportReport, ReplanReport, ShopList } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import { readTable, recordDifferences, recordsOf } from './shopTables.ts';
import type { ReadLine, ShopRecord } from './shopTables.ts';
import type { ShopStore } from './shopStore.ts';

interface Needs {
  shop: ShopStore;
  readCatalogue: () => Promise<Catalogue>;
  replanDrafts: () => Promise<ReplanReport>;
}

export type ImportService = ReturnType<typeof createImportService>;

/** What is there under a name: its identity and version, and itself as a record. */
interface Known {
  id: string | null;
  version: number;
  record: object;
}

/** Takes lists in: says first what would change, and changes all of it or nothing. */
export function createImportService({ shop, readCatalogue, replanDrafts }: Needs) {
  async function bringIn(
    list: ShopList,
    format: 'csv' | 'json',
    text: string,
    isDryRun: boolean,
  ): Promise<ImportReport> {
    const read = readTable(list, format, text);
    const catalogue = await readCatalogue();
    const lines = read.map((line, i) => judged(list, catalogue, line, read.slice(0, i)));
    const isRefused = lines.some(({ action }) => action === 'refuse');
    if (isDryRun || isRefused) return { list, lines, isApplied: false, replanned: [] };
    await shop.transaction(async (tx) => {
      for (const [i, line] of read.entries())
        if ('found' in line && lines[i]?.action !== 'same')
          await write(line.found, known(catalogue, line.found), tx);
    });
    const { replanned } = await replanDrafts();
    return { list, lines, isApplied: true, replanned };
  }

  async function write(found: ShopRecord, former: Known | null, tx: Database): Promise<void> {
    const isWritten = await (former?.id == null ? insert(found, former, tx) : update(found, former, tx));
    if (!isWritten)
      throw new DomainError('stale-version', 'Someone changed the list meanwhile. Choose the file again.');
  }

  async function insert(found: ShopRecord, former: Known | null, tx: Database): Promise<boolean> {
    if (found.list === 'methods')
      return shop.writeSetting('house', former?.version ?? 1, { ...former?.record, ...found.record }, tx);
    if (found.list === 'blanks') await shop.insertBlank(found.record, tx);
    else if (found.list === 'materials') await shop.insertMaterial(found.record, tx);
    else await shop.insertMachine(found.record, tx);
    return true;
  }

  async function update(found: ShopRecord, former: Known, tx: Database): Promise<boolean> {
    const { id, version } = former;
    if (id === null || found.list === 'methods') return insert(found, former, tx);
    if (found.list === 'blanks')
      return shop.updateBlank(id, version, withColourIds(found.record, former), tx);
    return found.list === 'materials'
      ? shop.updateMaterial(id, version, found.record, tx)
      : shop.updateMachine(id, version, found.record, tx);
  }

  return { bringIn };
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

function judged(
  list: ShopList,
  catalogue: Catalogue,
  own: ReadLine,
  before: readonly ReadLine[],
): ImportLine {
  const { line, name } = own;
  if ('problems' in own) return { line, name, action: 'refuse', notes: own.problems };
  const twin = before.find((other) => 'found' in other && isSameRecord(other.found, own.found));
  if (twin) return { line, name, action: 'refuse', notes: [`“${name}” is in line ${twin.line} already.`] };
  const former = known(catalogue, own.found);
  if (former === null) return { line, name, action: 'add', notes: [] };
  const kind = 'kind' in own.found.record ? own.found.record.kind : '';
  const notes = recordDifferences(list, kind, former.record, own.found.record);
  return { line, name, action: notes.length === 0 ? 'same' : 'change', notes };
}

const keyOf = ({ list, record }: ShopRecord): string =>
  list === 'methods' ? list : list === 'blanks' ? record.name : `${record.kind}/${record.name}`;

const isSameRecord = (p: ShopRecord, q: ShopRecord): boolean => keyOf(p) === keyOf(q);

/** What the shop has under a record's name; materials and machines are told apart by kind too. */
function known(catalogue: Catalogue, found: ShopRecord): Known | null {
  if (found.list === 'methods')
    return { id: null, version: catalogue.house.version, record: catalogue.house.document };
  const records: readonly { id: string; version: number; name: string; kind: string }[] =
    found.list === 'blanks'
      ? catalogue.styles
      : found.list === 'materials'
        ? catalogue.materials
        : catalogue.machines;
  const same = records.find(
    ({ name, kind }) => name === found.record.name && (found.list === 'blanks' || kind === found.record.kind),
  );
  return same ? { id: same.id, version: same.version, record: same } : null;
}

/** A list as JSON. */
export const asJson = (list: ShopList, catalogue: Catalogue): string =>
  `${JSON.stringify(recordsOf(list, catalogue), null, 2)}\n`;
