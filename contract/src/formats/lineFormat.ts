import { fibresOf } from '@saltflat/core/blank';
import type { Fibres } from '@saltflat/core/blank';
import { DEFAULT_RATES } from '@saltflat/core/cost';
import { DEFAULT_HOUSE } from '@saltflat/core/route';
import { LineDocument } from '../lineDocument.ts';
import { parse } from '../validate.ts';
import { formatOf, newestFormat, upgrade } from './upgrade.ts';
import type { FormatChain, Older } from './upgrade.ts';

interface LineOfFormat1 {
  blankCents: number;
  placement: Older & { sizes: Older[] };
  materials: Older[];
}

/** Format 2 has a price for each size, what the shop weighed beside what is assumed, and leaves nothing out. */
function sayEverything(older: Older): Older {
  const { blankCents, placement, materials } = older as unknown as LineOfFormat1;
  return {
    patch: null,
    rates: DEFAULT_RATES,
    overrides: [],
    ...older,
    format: 2,
    house: { ...DEFAULT_HOUSE, ...(older.house as object | undefined) },
    placement: { ...placement, sizes: placement.sizes.map((size) => ({ cents: blankCents, ...size })) },
    materials: materials.map((material) => ({ learnt: null, ...material })),
  };
}

/** Format 3 says how pieces go on at the floor. */
const sayFlow = ({ house, ...older }: Older): Older => ({
  ...older,
  format: 3,
  house: { pieceFlow: 'through', ...(house as object) },
});

/** Format 4 has several prints on one blank, whose sizes are its own, and spare transfers. */
function sayPrints({ process, print, placement, house, ...older }: Older): Older {
  const { sizes, areas, ...place } = (placement ?? {}) as Older;
  return {
    ...older,
    format: 4,
    sizes,
    areas,
    prints: [{ id: '1', process, print, placement: place }],
    house: { spareTransfers: 'none', ...(house as object) },
  };
}

/** Format 5 knows more fibres, what a colour's dye does, and what people chose to work with. */
function sayFabrics({ garment, patch, house, ...older }: Older): Older {
  return {
    ...older,
    format: 5,
    house: {
      layerDrying: 'pause',
      dryPressure: 'light',
      centring: 'ruler',
      capSecondPress: 'none',
      subHeat: 'middle',
      ...(house as object),
    },
    garment: knowFabric(garment as Older),
    patch: patch ? { ...(patch as Older), blank: knowFabric((patch as Older).blank as Older) } : null,
    sources: [],
  };
}

/** Of a patch it is known what it is made of; of any other blank what it said. White is taken to have no dye in it. */
function knowFabric({ fibres, dyeMigrates, ...garment }: Older): Older {
  const isPatch = garment.kind === 'patch' && (fibres as Partial<Fibres>).other === 1;
  return {
    ...garment,
    fibres: fibresOf(isPatch ? { leatherette: 1 } : (fibres as Partial<Fibres>)),
    dye: dyeMigrates === true ? 'migrating' : garment.tone === 'light' ? 'undyed' : 'dyed',
  };
}

/** Format 6 knows blanks bought pretreated, whose artwork a print is, and what warming up costs. */
const sayReadyMade = ({ garment, patch, prints, house, rates, ...older }: Older): Older => ({
  ...older,
  format: 6,
  garment: { pretreated: null, ...(garment as Older) },
  patch: patch
    ? { ...(patch as Older), blank: { pretreated: null, ...((patch as Older).blank as Older) } }
    : null,
  prints: (prints as Older[]).map((print) => ({ artwork: '', ...print })),
  house: { patchTransfer: 'here', ...(house as object) },
  rates: { linesPerWarmUp: DEFAULT_RATES.linesPerWarmUp, ...(rates as object) },
});

/** Format 7 knows a print's own shape beside its rectangle; of older ones it is as large. */
const sayShape = ({ prints, house, ...older }: Older): Older => ({
  ...older,
  format: 7,
  prints: (prints as Older[]).map(({ print, ...rest }) => {
    const { pretreatmentM2, ...needs } = print as Older;
    return { ...rest, print: { ...needs, sprayM2: { box: pretreatmentM2, shape: pretreatmentM2 } } };
  }),
  house: { sprayArea: 'box', ...(house as object) },
});

const CHAIN: FormatChain = {
  name: 'line document',
  steps: [sayEverything, sayFlow, sayPrints, sayFabrics, sayReadyMade, sayShape],
};

/**
 * A line document of any format that was ever written, checked.
 *
 * @throws DomainError `invalid-input` naming what is wrong with it
 */
export function readLineDocument(data: unknown): LineDocument {
  const format = formatOf(data);
  if (format === 1 && !isLineOfFormat1(data))
    return parse(LineDocument, { ...(data as object), format: newestFormat(CHAIN) }); // too little of one to upgrade: its faults are said
  return parse(LineDocument, upgrade(CHAIN, data as Older, format));
}

/** True when the parts the upgrade reads are there. */
function isLineOfFormat1(data: unknown): boolean {
  const { placement, materials } = (data ?? {}) as Partial<LineOfFormat1>;
  return Array.isArray(placement?.sizes) && Array.isArray(materials);
}

/** A line document that was kept once, as it is read now. It was checked when it was written. */
export const readKeptLine = (kept: object): LineDocument =>
  upgrade(CHAIN, kept as Older, formatOf(kept)) as unknown as LineDocument;
