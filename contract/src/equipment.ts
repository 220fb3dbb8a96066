import { isPatch } from '@saltflat/core/blank';
import type { Garment } from '@saltflat/core/blank';
import type {
  Belt,
  BoughtIn,
  CapPress,
  CoolingTable,
  CoverSheet,
  Equipment,
  Film,
  Griddle,
  HandIron,
  HoldingLiquid,
  InkSet,
  Oven,
  Powder,
  Press,
  Pretreatment,
  Printer,
  Rack,
  ShelfTransfer,
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
import type { KnownPresses } from './pressChecks.ts';

type Patch = Equipment['patch'];

/** The documents planRoute reads, out of the shop's materials and machines, in the shop's order of preference. */
export function equipmentOf(
  {
    materials,
    machines,
    presses = {},
  }: { materials: readonly Material[]; machines: readonly Machine[]; presses?: KnownPresses },
  patch: Patch = null,
): Equipment {
  // each T is checked against MATERIAL_DOCUMENTS or MACHINE_DOCUMENTS when it is stored

  const all = <T>(from: readonly (Material | Machine)[], kind: MaterialKind | MachineKind): T[] =>
    from
      .filter((item) => item.kind === kind)
      .map(
        (item) =>
          ({
            id: item.id,
            name: item.name,
            ...('stock' in item ? { stock: item.stock, stockUnit: item.stockUnit } : {}),
            ...SAYS_NOTHING[item.kind],
            ...item.properties,
            ...learntOf(item),
            ...('fits' in item ? { fits: item.fits } : {}),
            ...testedScale(presses[item.id]),
          }) as T,
      );
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters
  const first = <T>(from: readonly (Material | Machine)[], kind: MaterialKind | MachineKind): T | null =>
    all<T>(from, kind)[0] ?? null;
  return {
    films: all<Film>(materials, 'film'),
    powders: all<Powder>(materials, 'powder'),
    inkSets: all<InkSet>(materials, 'ink'),
    pretreatments: all<Pretreatment>(materials, 'pretreatment'),
    coverSheets: all<CoverSheet>(materials, 'cover-sheet'),
    tapes: all<Tape>(materials, 'tape'),
    liquids: all<HoldingLiquid>(materials, 'liquid'),
    boughtIns: all<BoughtIn>(materials, 'bought-in'),
    shelf: all<ShelfTransfer>(materials, 'shelf-transfer'),
    patch,
    printers: all<Printer>(machines, 'printer'),
    sprayers: all<Sprayer>(machines, 'sprayer'),
    presses: all<Press>(machines, 'press'),
    capPresses: all<CapPress>(machines, 'cap-press'),
    handIron: first<HandIron>(machines, 'hand-iron'),
    ovens: all<Oven>(machines, 'oven'),
    griddles: all<Griddle>(machines, 'griddle'),
    belts: all<Belt>(machines, 'belt'),
    rack: first<Rack>(machines, 'rack'),
    coolingTable: first<CoolingTable>(machines, 'cooling-table'),
  };
}

/** What sheets are asked for since; one that was written before says nothing of it. */
const SAYS_NOTHING: Partial<Record<MaterialKind | MachineKind, Record<string, unknown>>> = {
  powder: { blocksDye: false },
  printer: { gripPadMm: null },
  ink: { polyesterCureC: null, polyesterCureS: null },
  sprayer: { dial: [], setting: null, nozzle: '', gun: null, fits: [] },
  press: { heatsPerMin: 12, coolsPerMin: 2.5 },
  'cap-press': { heatsPerMin: 12, coolsPerMin: 2.5, pressureScale: [] },
  'bought-in': { pull: 'slow', capPressC: null, capDwellS: null, capKPa: null },
};

/** A pressure scale that was tested stands in front of one that was typed in. */
const testedScale = (known: KnownPresses[string] | undefined): Record<string, unknown> =>
  known?.pressureScale ? { pressureScale: known.pressureScale } : {};

/** What was weighed stands in front of what is assumed. */
function learntOf(item: Material | Machine): Record<string, unknown> {
  const learnt = 'learnt' in item ? item.learnt : null;
  if (learnt === null) return {};
  const values = Object.entries(learnt.values).map(([key, { value }]): [string, number] => [key, value]);
  return { ...Object.fromEntries(values), status: 'weighed' };
}

/** The patch caps are given here: the first blank of that kind, in its first colour and size. */
export function patchOf(styles: readonly GarmentStyle[]): Patch {
  const style = styles.find(isPatch);
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
  const { name, kind, fibres, construction, massGM2, thicknessMm, features, maxPressC, pretreated } = style;
  return {
    name,
    kind,
    fibres,
    construction,
    massGM2,
    thicknessMm,
    features,
    maxPressC,
    pretreated,
    colourName: colour.name,
    colourHex: colour.hex,
    tone: colour.tone,
    dye: colour.dye,
  };
}
