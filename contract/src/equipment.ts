import type {
  CoverSheet,
  Equipment,
  Film,
  Garment,
  InkSet,
  Oven,
  Powder,
  Press,
  Pretreatment,
  Printer,
} from '@saltflat/core/route';
import type { Catalogue, GarmentColour, GarmentStyle, Machine, Material } from './catalogue.ts';
import { DomainError } from './problems.ts';

/** The documents planRoute reads, out of the shop's materials and machines: the first of each kind is in use. */
export function equipmentOf({ materials, machines }: Pick<Catalogue, 'materials' | 'machines'>): Equipment {
  // each T is checked against MATERIAL_DOCUMENTS or MACHINE_DOCUMENTS when it is stored
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-type-parameters
  const first = <T>(
    from: readonly (Material | Machine)[],
    kind: string,
    own: Record<string, unknown> = {},
  ): T => {
    const found = from.find(
      (item) =>
        item.kind === kind && Object.entries(own).every(([key, value]) => item.properties[key] === value),
    );
    if (!found) {
      const words = [kind, ...Object.values(own)].join(' ');
      throw new DomainError(
        'not-now',
        `The shop has no ${words} set up, so no route can be planned. Add one first.`,
      );
    }
    return { name: found.name, ...found.properties } as T;
  };
  return {
    film: first<Film>(materials, 'film'),
    powder: first<Powder>(materials, 'powder'),
    inkSets: {
      dtf: first<InkSet>(materials, 'ink', { process: 'dtf' }),
      dtg: first<InkSet>(materials, 'ink', { process: 'dtg' }),
    },
    pretreatments: {
      cotton: first<Pretreatment>(materials, 'pretreatment', { fibre: 'cotton' }),
      polyester: first<Pretreatment>(materials, 'pretreatment', { fibre: 'polyester' }),
    },
    coverSheet: first<CoverSheet>(materials, 'cover-sheet'),
    press: first<Press>(machines, 'press'),
    oven: first<Oven>(machines, 'oven'),
    printers: {
      dtf: first<Printer>(machines, 'printer', { process: 'dtf' }),
      dtg: first<Printer>(machines, 'printer', { process: 'dtg' }),
    },
  };
}

/** A style in one of its colours, as planRoute wants it. */
export function garmentOf(
  style: Pick<GarmentStyle, 'name' | 'fibres' | 'construction' | 'massGM2' | 'maxPressC'>,
  colour: GarmentColour,
): Garment {
  const { name, fibres, construction, massGM2, maxPressC } = style;
  return {
    name,
    fibres,
    construction,
    massGM2,
    maxPressC,
    colourName: colour.name,
    colourHex: colour.hex,
    tone: colour.tone,
  };
}
