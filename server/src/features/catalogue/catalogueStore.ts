import type { Catalogue, GarmentStyle, Machine, Material } from '@saltflat/contract';
import type { Database } from '../../db/connection.ts';

/** Reads the shop's set-up; writing it comes with its own place. */
export interface CatalogueStore {
  read: () => Promise<Catalogue>;
}

interface StyleRow extends Omit<GarmentStyle, 'fibres'> {
  cotton: number;
  polyester: number;
  elastane: number;
  other: number;
}

export function catalogueStore(db: Database): CatalogueStore {
  return {
    read: async () => ({
      customers: await db.rows(`select id, name from customer order by lower(name)`),
      styles: (await db.rows<StyleRow>(STYLES)).map(toStyle),
      materials: await db.rows<Material>(
        `select id, kind, name, properties from material order by kind, position`,
      ),
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
