import type { Catalogue, GarmentStyle, Machine, Material } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';
import { withWeighings } from './weighedMaterials.ts';
import type { MaterialWeighing } from './weighedMaterials.ts';

/** Reads the shop's set-up; writing it comes with its own place. */
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
  other: number;
}

export function catalogueStore(db: Database): CatalogueStore {
  const materials = (): Promise<Material[]> =>
    db.rows(`select id, kind, name, properties from material order by kind, position`);
  const weighings = (): Promise<MaterialWeighing[]> =>
    db.rows(
      `select material_id as "materialId", colour_m2 as "colourM2", white_m2 as "whiteM2", base_m2 as "baseM2", grams from weighing order by at`,
    );
  return {
    materials,
    weighings,
    read: async () => ({
      customers: await db.rows(`select id, name from customer order by lower(name)`),
      styles: (await db.rows<StyleRow>(STYLES)).map(toStyle),
      materials: withWeighings(await materials(), await weighings()),
      machines: await db.rows<Machine>(
        `select id, kind, name, properties from machine order by kind, position`,
      ),
    }),
  };
}

const STYLES = `
  select s.id, s.name, s.kind, s.cotton, s.polyester, s.elastane, s.other, s.construction, s.mass_g_m2 as "massGM2", s.max_press_c as "maxPressC",
    (select coalesce(json_agg(json_build_object('id', c.id, 'name', c.name, 'hex', c.hex, 'tone', c.tone) order by c.position), '[]')
       from garment_colour c where c.style_id = s.id) as colours,
    (select coalesce(json_agg(json_build_object('size', z.size, 'cents', z.cents) order by z.position), '[]')
       from garment_size z where z.style_id = s.id) as sizes
  from garment_style s order by s.name`;

const toStyle = ({ cotton, polyester, elastane, other, ...rest }: StyleRow): GarmentStyle => ({
  ...rest,
  fibres: { cotton, polyester, elastane, other },
});
