import { randomUUID } from 'node:crypto';
import { DomainError } from '@saltflat/contract';
import type { BlankInput, MachineInput, MaterialInput } from '@saltflat/contract';
import { ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize';
import type { Database } from '../../db/connection.ts';

export type ShopStore = ReturnType<typeof shopStore>;

/** Kinds of record that can be put out of use and back. */
export type RetirableTable = 'garment_style' | 'material' | 'machine';

/** Writes the shop's set-up. Every change names the version it was made from; one that is no longer current changes nothing. */
export function shopStore(db: Database) {
  async function insertBlank(blank: BlankInput, tx: Database): Promise<string> {
    const id = randomUUID();
    await named(blank.name, () =>
      tx.rows(
        `insert into garment_style (id, name, maker, kind, cotton, polyester, elastane, nylon, other, construction, mass_g_m2, thickness_mm,
           features, dye_migrates, max_press_c, areas)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16) returning id`,
        [id, ...blankValues(blank)],
      ),
    );
    await writeColours(id, blank, tx);
    await writeSizes(id, blank, tx);
    return id;
  }

  async function updateBlank(id: string, version: number, blank: BlankInput, tx: Database): Promise<boolean> {
    const changed = await named(blank.name, () =>
      tx.rows(
        `update garment_style set name = $2, maker = $3, kind = $4, cotton = $5, polyester = $6, elastane = $7, nylon = $8, other = $9,
           construction = $10, mass_g_m2 = $11, thickness_mm = $12, features = $13, dye_migrates = $14, max_press_c = $15, areas = $16,
           version = version + 1 where id = $1 and version = $17 returning id`,
        [id, ...blankValues(blank), version],
      ),
    );
    if (changed.length === 0) return false;
    await writeColours(id, blank, tx);
    await writeSizes(id, blank, tx);
    return true;
  }

  /** Colours keep their identity, since order lines point at them; one that is left out goes, unless a line has it. */
  async function writeColours(styleId: string, { colours, name }: BlankInput, tx: Database): Promise<void> {
    const kept = colours.flatMap(({ id }) => (id === undefined ? [] : [id]));
    try {
      await tx.rows(`delete from garment_colour where style_id = $1 and not (id = any($2)) returning id`, [
        styleId,
        kept,
      ]);
    } catch (error) {
      if (!(error instanceof ForeignKeyConstraintError)) throw error;
      throw new DomainError(
        'not-now',
        `A colour of “${name}” that was taken out is on order lines: keep it, or change those lines first.`,
        { fields: [{ path: '/record/colours', message: 'A colour that was taken out is on order lines.' }] },
        { cause: error },
      );
    }
    for (const [i, colour] of colours.entries())
      await tx.rows(
        `insert into garment_colour (id, style_id, position, name, hex, tone) values ($1, $2, $3, $4, $5, $6)
         on conflict (id) do update set position = $3, name = $4, hex = $5, tone = $6 where garment_colour.style_id = $2 returning id`,
        [colour.id ?? randomUUID(), styleId, i, colour.name, colour.hex, colour.tone],
      );
  }

  async function writeSizes(styleId: string, { sizes }: BlankInput, tx: Database): Promise<void> {
    await tx.rows(`delete from garment_size where style_id = $1 returning size`, [styleId]);
    for (const [i, { size, cents, bodyWidthMm, collarDropMm }] of sizes.entries())
      await tx.rows(
        `insert into garment_size (style_id, size, position, cents, body_width_mm, collar_drop_mm) values ($1, $2, $3, $4, $5, $6) returning size`,
        [styleId, size, i, cents, bodyWidthMm, collarDropMm],
      );
  }

  async function insertMaterial(own: MaterialInput, tx: Database): Promise<string> {
    const id = randomUUID();
    await named(own.name, () =>
      tx.rows(
        `insert into material (id, kind, name, maker, lot, stock, stock_unit, properties, position)
         values ($1, $2, $3, $4, $5, $6, $7, $8, (select coalesce(max(position), -1) + 1 from material where kind = $2)) returning id`,
        [id, ...materialValues(own)],
      ),
    );
    return id;
  }

  const updateMaterial = async (
    id: string,
    version: number,
    own: MaterialInput,
    tx: Database,
  ): Promise<boolean> =>
    (
      await named(own.name, () =>
        tx.rows(
          `update material set kind = $2, name = $3, maker = $4, lot = $5, stock = $6, stock_unit = $7, properties = $8,
             version = version + 1 where id = $1 and version = $9 returning id`,
          [id, ...materialValues(own), version],
        ),
      )
    ).length === 1;

  async function insertMachine(
    { kind, name, maker, properties }: MachineInput,
    tx: Database,
  ): Promise<string> {
    const id = randomUUID();
    await named(name, () =>
      tx.rows(
        `insert into machine (id, kind, name, maker, properties, position)
         values ($1, $2, $3, $4, $5, (select coalesce(max(position), -1) + 1 from machine where kind = $2)) returning id`,
        [id, kind, name, maker, JSON.stringify(properties)],
      ),
    );
    return id;
  }

  const updateMachine = async (
    id: string,
    version: number,
    { kind, name, maker, properties }: MachineInput,
    tx: Database,
  ): Promise<boolean> =>
    (
      await named(name, () =>
        tx.rows(
          `update machine set kind = $2, name = $3, maker = $4, properties = $5, version = version + 1 where id = $1 and version = $6 returning id`,
          [id, kind, name, maker, JSON.stringify(properties), version],
        ),
      )
    ).length === 1;

  /** Puts a record out of use, or back into it; what was made with it keeps it. */
  const setRetired = async (
    table: RetirableTable,
    own: { id: string; version: number },
    isRetired: boolean,
    tx: Database,
  ): Promise<boolean> =>
    (
      await tx.rows(
        `update ${table} set retired_at = case when $3 then now() end, version = version + 1 where id = $1 and version = $2 returning id`,
        [own.id, own.version, isRetired],
      )
    ).length === 1;

  /** Makes a record the first of its kind: the one routes take. */
  async function putFirst(table: 'material' | 'machine', id: string, tx: Database): Promise<boolean> {
    const moved = await tx.rows(
      `update ${table} t set position = (select min(position) - 1 from ${table} o where o.kind = t.kind), version = version + 1
       where id = $1 returning id`,
      [id],
    );
    return moved.length === 1;
  }

  /** Writes the house methods or the rates, made from the version seen. The first writer makes the row. */
  async function writeSetting(
    key: 'house' | 'rates',
    version: number,
    document: object,
    tx: Database,
  ): Promise<boolean> {
    const written = await tx.rows(
      `insert into shop_setting (key, document, version) values ($1, $2, $3 + 1)
       on conflict (key) do update set document = $2, version = shop_setting.version + 1 where shop_setting.version = $3 returning key`,
      [key, JSON.stringify(document), version],
    );
    return written.length === 1;
  }

  return {
    insertBlank,
    updateBlank,
    insertMaterial,
    updateMaterial,
    insertMachine,
    updateMachine,
    setRetired,
    putFirst,
    writeSetting,
    transaction: db.transaction,
  };
}

const blankValues = (blank: BlankInput): unknown[] => {
  const { cotton, polyester, elastane, nylon, other } = blank.fibres;
  return [
    blank.name,
    blank.maker,
    blank.kind,
    cotton,
    polyester,
    elastane,
    nylon,
    other,
    blank.construction,
    blank.massGM2,
    blank.thicknessMm,
    blank.features,
    blank.dyeMigrates,
    blank.maxPressC,
    JSON.stringify(blank.areas),
  ];
};

const materialValues = (own: MaterialInput): unknown[] => [
  own.kind,
  own.name,
  own.maker,
  own.lot,
  own.stock,
  own.stockUnit,
  JSON.stringify(own.properties),
];

/** A name that is there already is refused in words. */
async function named<T>(name: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    throw new DomainError(
      'name-taken',
      `“${name}” is there already, perhaps out of use. Choose another name.`,
      { fields: [{ path: '/record/name', message: `“${name}” is there already.` }] },
      { cause: error },
    );
  }
}
