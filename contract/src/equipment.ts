import type { Garment } from '@saltflat/core/blank';
import type {
  BoughtIn,
  CapPress,
  CoolingTable,
  CoverSheet,
  Equipment,
  Film,
  Griddle,
  HandIron,
  InkSet,
  Oven,
  Powder,
  Press,
  Pretreatment,
  Printer,
  Rack,
  Sprayer,
  Tape,
} from '@saltflat/core/route';
import type {
  GarmentColour,
  GarmentStyle,
  Machine,
  MachineKind,
  Material,
  MaterialKind,
} from './catalogue.ts';

type Patch = Equipment['patch'];

/** The documents planRoute reads, out of the shop's materials and machines, in the shop's order of preference. */
export function equipmentOf(
  { materials, machines }: { materials: readonly Material[]; machines: readonly Machine[] },
  patch: Patch = null,
): Equipment {
  // each T is checked against MATERIAL_DOCUMENTS or MACHINE_DOCUMENTS when it is stored

  const all = <T>(from: readonly (Material | Machine)[], kind: MaterialKind | MachineKind): T[] =>
    from
      .filter((item) => item.kind === kind)
      .map((item) => ({ id: item.id, name: item.name, ...item.properties, ...learntOf(item) }) as T);
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters
  const first = <T>(from: readonly (Material | Machine)[], kind: MaterialKind | MachineKind): T | null =>
    all<T>(from, kind)[0] ?? null;
  return {
    films: all<Film>(materials, 'film'),
    powder: first<Powder>(materials, 'powder'),
    inkSets: firstBy(all<InkSet>(materials, 'ink'), ({ use }) => use),
    pretreatments: firstBy(all<Pretreatment>(materials, 'pretreatment'), ({ fibre }) => fibre),
    coverSheets: all<CoverSheet>(materials, 'cover-sheet'),
    tape: first<Tape>(materials, 'tape'),
    boughtIn: first<BoughtIn>(materials, 'bought-in'),
    patch,
    printers: all<Printer>(machines, 'printer'),
    sprayers: all<Sprayer>(machines, 'sprayer'),
    presses: all<Press>(machines, 'press'),
    capPress: first<CapPress>(machines, 'cap-press'),
    handIron: first<HandIron>(machines, 'hand-iron'),
    oven: first<Oven>(machines, 'oven'),
    griddle: first<Griddle>(machines, 'griddle'),
    rack: first<Rack>(machines, 'rack'),
    coolingTable: first<CoolingTable>(machines, 'cooling-table'),
  };
}

/** What was weighed stands in front of what is assumed. */
function learntOf(item: Material | Machine): Record<string, unknown> {
  const learnt = 'learnt' in item ? item.learnt : null;
  if (learnt === null) return {};
  const values = Object.entries(learnt.values).map(([key, { value }]): [string, number] => [key, value]);
  return { ...Object.fromEntries(values), status: 'weighed' };
}

function firstBy<T, K extends string>(items: readonly T[], key: (item: T) => K): Partial<Record<K, T>> {
  const found: Partial<Record<K, T>> = {};
  for (const item of items) found[key(item)] ??= item;
  return found;
}

/** The patch caps are given here: the first blank of that kind, in its first colour and size. */
export function patchOf(styles: readonly GarmentStyle[]): Patch {
  const style = styles.find(({ kind }) => kind === 'patch');
  const colour = style?.colours[0];
  return style && colour
    ? { id: style.id, blank: garmentOf(style, colour), cents: style.sizes[0]?.cents ?? 0 }
    : null;
}

/** A style in one of its colours, as planRoute wants it. */
export function garmentOf(
  style: Omit<GarmentStyle, 'id' | 'maker' | 'areas' | 'colours' | 'sizes' | 'version'>,
  colour: Omit<GarmentColour, 'id'>,
): Garment {
  const { name, kind, fibres, construction, massGM2, thicknessMm, features, dyeMigrates, maxPressC } = style;
  return {
    name,
    kind,
    fibres,
    construction,
    massGM2,
    thicknessMm,
    features,
    dyeMigrates,
    maxPressC,
    colourName: colour.name,
    colourHex: colour.hex,
    tone: colour.tone,
  };
}
