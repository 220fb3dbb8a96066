import type { Catalogue, GarmentStyle, Machine, Material } from '@saltflat/contract';
import { DEFAULT_RATES } from '@saltflat/core/cost';
import { DEFAULT_HOUSE } from '@saltflat/core/route';
import type { Database } from '../../db/connection.ts';
import { withWeighings } from './weighedMaterials.ts';
import type { MaterialWeighing } from './weighedMaterials.ts';

/** Reads the shop's set-up; retired records are left out. */
export interface CatalogueStore {
  read: () => Promise<Catalogue>;
  /** Materials as assumed: without what was weighed. */
  materials: () => Promise<Material[]>;
  weighings: () => Promise<MaterialWeighing[]>;
}

interface StyleRow extends Omit<GarmentStyle, 'fibres'> {
  cotton: number;
  polyester: number;
  elastane: number;
  nylon: number;
  other: number;
}

interface SettingRow {
  key: 'house' | 'rates';
  document: object;
  version: number;
}

export function catalogueStore(db: Database): CatalogueStore {
  const materials = (): Promise<Material[]> =>
    db.rows(
      `select id, kind, name, maker, lot, stock, stock_unit as "stockUnit", properties, version
       from material where retired_at is null order by kind, position, name`,
    );
  const weighings = (): Promise<MaterialWeighing[]> =>
    db.rows(
      `select material_id as "materialId", colour_m2 as "colourM2", white_m2 as "whiteM2", base_m2 as "baseM2", grams from weighing order by at`,
    );
  return {
    materials,
    weighings,
    read: async () => {
      const settings = await db.rows<SettingRow>(`select key, document, version from shop_setting`);
      // a method or rate that is newer than the stored document stands at its usual start
      const setting = <T extends object>(
        key: SettingRow['key'],
        start: T,
      ): { document: T; version: number } => {
        const row = settings.find((own) => own.key === key);
        return { document: { ...start, ...row?.document }, version: row?.version ?? 1 };
      };
      return {
        customers: await db.rows(`select id, name from customer order by lower(name)`),
        styles: (await db.rows<StyleRow>(STYLES)).map(toStyle),
        materials: withWeighings(await materials(), await weighings()),
        machines: await db.rows<Machine>(
          `select id, kind, name, maker, properties, version from machine where retired_at is null order by kind, position, name`,
        ),
        house: setting('house', DEFAULT_HOUSE),
        rates: setting('rates', DEFAULT_RATES),
      };
    },
  };
}

const STYLES = `
  select s.id, s.name, s.maker, s.kind, s.cotton, s.polyester, s.elastane, s.nylon, s.other, s.construction, s.mass_g_m2 as "massGM2",
    s.thickness_mm as "thicknessMm", s.features, s.dye_migrates as "dyeMigrates", s.max_press_c as "maxPressC", s.areas, s.version,
    (select coalesce(json_agg(json_build_object('id', c.id, 'name', c.name, 'hex', c.hex, 'tone', c.tone) order by c.position), '[]')
       from garment_colour c where c.style_id = s.id) as colours,
    (select coalesce(json_agg(json_build_object('size', z.size, 'cents', z.cents, 'bodyWidthMm', z.body_width_mm, 'collarDropMm', z.collar_drop_mm)
       order by z.position), '[]') from garment_size z where z.style_id = s.id) as sizes
  from garment_style s where s.retired_at is null order by s.name`;

/** Shares are stored in single precision: what a person typed comes back as typed. */
const toStyle = ({ cotton, polyester, elastane, nylon, other, ...rest }: StyleRow): GarmentStyle => ({
  ...rest,
  fibres: {
    cotton: asTyped(cotton),
    polyester: asTyped(polyester),
    elastane: asTyped(elastane),
    nylon: asTyped(nylon),
    other: asTyped(other),
  },
});

const asTyped = (share: number): number => Math.round(share * 1e6) / 1e6;
