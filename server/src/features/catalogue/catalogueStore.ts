import { FIBRES, fibresOf } from '@saltflat/core/blank';
import { Op } from 'sequelize';
import type { Catalogue, GarmentStyle, Machine, Material } from '@saltflat/contract';
import { DEFAULT_RATES } from '@saltflat/core/cost';
import { DEFAULT_HOUSE } from '@saltflat/core/route';
import { withStock } from '@saltflat/core/shelf';
import { USUAL_WRITING } from '@saltflat/core/units';
import type { Database } from '../../db/connection.ts';
import type { MachineRow, MaterialRow, StyleRow } from '../../db/models/index.ts';
import { withWeighings } from './weighedMaterials.ts';
import type { WeighingStore } from './weighingStore.ts';

const IN_ORDER = [['kind', 'asc'], ['position', 'asc'], ['name', 'asc']] as [string, string][]; // prettier-ignore

/** Reads the shop's set-up; retired records are left out. What was read is kept for as long as the database says it is the same. */
export class CatalogueStore {
  private kept: { revision: string; catalogue: Promise<Catalogue> } | null = null;

  constructor(
    private readonly db: Database,
    private readonly weighings: WeighingStore,
    /** Transfers that are free of each kind that is kept in packets. */
    private readonly shelfStock: () => Promise<Map<string, number>>,
    /** Machines with what was weighed of them. */
    private readonly withFits: (machines: readonly Machine[]) => Promise<Machine[]>,
  ) {}

  /** The whole set-up. Shared by everybody who reads it: never written to. */
  async read(): Promise<Catalogue> {
    const revision = await this.revision();
    if (this.kept?.revision !== revision) {
      const catalogue = this.readAll();
      this.kept = { revision, catalogue };
      catalogue.catch(() => (this.kept = null)); // a read that failed is not kept
    }
    return this.kept.catalogue;
  }

  /** After the database was away: another one may have come back in its place, whose count says something else. */
  forget(): void {
    this.kept = null;
  }

  /** Counted up by the database at every change of the set-up. */
  async revision(): Promise<string> {
    const row = await this.db.models.revisions.findOne({ raw: true });
    return row?.revision ?? '';
  }

  /** Names that are taken by records out of use, with what is there. */
  async retired(): Promise<Pick<Catalogue, 'styles' | 'materials' | 'machines'>> {
    return this.readRecords(true);
  }

  private async readAll(): Promise<Catalogue> {
    const [records, settings] = await Promise.all([
      this.readRecords(false),
      this.db.models.settings.findAll({ raw: true }),
    ]);
    // a method or rate that is newer than the stored document stands at its usual start
    const setting = <T extends object>(
      key: 'house' | 'rates' | 'writing',
      start: T,
    ): { document: T; version: number } => {
      const row = settings.find((own) => own.key === key);
      return { document: { ...start, ...row?.document }, version: row?.version ?? 1 };
    };
    return {
      ...records,
      house: setting('house', DEFAULT_HOUSE),
      rates: setting('rates', DEFAULT_RATES),
      writing: setting('writing', USUAL_WRITING),
    };
  }

  private async readRecords(
    isRetired: boolean,
  ): Promise<Pick<Catalogue, 'styles' | 'materials' | 'machines'>> {
    const { models } = this.db;
    const where = { retiredAt: isRetired ? { [Op.ne]: null } : null };
    const [styles, materials, machines, weighings, onShelf] = await Promise.all([
      models.styles.findAll({
        where,
        include: ['colours', 'sizes'],
        order: [['name', 'asc'], ['colours', 'position', 'asc'], ['sizes', 'position', 'asc']], // prettier-ignore
      }),
      models.materials.findAll({ where, order: IN_ORDER, raw: true }),
      models.machines.findAll({ where, order: IN_ORDER, raw: true }),
      this.weighings.all(),
      this.shelfStock(),
    ]);
    return {
      styles: styles.map(toStyle),
      materials: withStock(withWeighings(materials.map(toMaterial), weighings), onShelf),
      machines: await this.withFits(machines.map(toMachine)),
    };
  }
}

const toMaterial = (row: MaterialRow): Material => {
  const { id, kind, name, maker, lot, stock, stockUnit, properties, version } = row;
  return { id, kind, name, maker, lot, stock, stockUnit, properties, learnt: null, version };
};

const toMachine = ({ id, kind, name, maker, properties, version }: MachineRow): Machine => ({
  id,
  kind,
  name,
  maker,
  properties,
  version,
});

function toStyle(row: StyleRow): GarmentStyle {
  const { id, name, maker, kind } = row;
  const { construction, massGM2, thicknessMm, features, maxPressC, pretreated, areas, version } = row;
  return {
    id,
    name,
    maker,
    kind,
    fibres: fibresOf(Object.fromEntries(FIBRES.map((fibre) => [fibre, row[fibre]]))),
    construction,
    massGM2,
    thicknessMm,
    features,
    maxPressC,
    pretreated,
    areas,
    version,
    colours: (row.colours ?? []).map((own) => ({
      id: own.id,
      name: own.name,
      hex: own.hex,
      tone: own.tone,
      dye: own.dye,
    })),
    sizes: (row.sizes ?? []).map((own) => ({
      size: own.size,
      cents: own.cents,
      bodyWidthMm: own.bodyWidthMm,
      collarDropMm: own.collarDropMm,
    })),
  };
}
