import { garmentOf, patchOf } from '@saltflat/contract';
import type { GarmentStyle, LineDocument } from '@saltflat/contract';
import { DEFAULT_RATES } from '@saltflat/core/cost';
import { DEFAULT_HOUSE } from '@saltflat/core/route';
import { DEMO_BLANKS, DEMO_MACHINES, DEMO_MATERIALS } from './shop.ts';

const id = '7f1d9a54-0b1e-4c5e-9a52-3f6f0b7f3a01';
/** Each thing of a list has its own. */
const idOf = (kind: 1 | 2, place: number): string =>
  `7f1d9a54-0b1e-4c5e-9a5${kind}-3f6f0b7f3a${String(place).padStart(2, '0')}`;

const styles: GarmentStyle[] = DEMO_BLANKS.map((blank) => ({
  ...blank,
  id,
  version: 1,
  colours: blank.colours.map((colour) => ({ ...colour, id })),
}));

/** The made-up shop's line of 24 navy tees in four sizes, as the document its route is planned from. */
export function demoLine(): LineDocument {
  const style = styles.find(({ name }) => name === 'Harbour tee');
  const colour = style?.colours[0];
  if (!style || !colour) throw new Error('the demo has no Harbour tee');
  const patch = patchOf(styles);
  return {
    format: 7,
    pieces: 24,
    blankCents: 343,
    garment: { ...garmentOf(style, colour), features: [...style.features] },
    sizes: style.sizes.slice(0, 4).map(({ size, bodyWidthMm, collarDropMm, cents }) => ({
      size,
      cents,
      quantity: 6,
      bodyWidthMm,
      collarDropMm,
    })),
    areas: style.areas,
    prints: [
      {
        id: '1',
        process: 'dtf',
        artwork: 'kite-club-front.png',
        print: {
          lineWidthMm: 240,
          widthMm: 200,
          heightMm: 210,
          inkMm2: 30_000,
          whiteShare: 0.6,
          colourMl: 0.2,
          whiteMl: 0.3,
          powderG: 1.4,
          filmM2: 0.048,
          sprayM2: { box: 0.055, shape: 0.05 },
        },
        placement: { key: 'full-front', dropMm: 75, grades: [] },
      },
    ],
    materials: DEMO_MATERIALS.map((material, i) => ({
      ...material,
      id: idOf(1, i),
      learnt: null,
      version: 1,
    })),
    machines: DEMO_MACHINES.map((machine, i) => ({ ...machine, id: idOf(2, i), version: 1 })),
    patch: patch && { ...patch, blank: { ...patch.blank, features: [...patch.blank.features] } },
    house: DEFAULT_HOUSE,
    rates: DEFAULT_RATES,
    overrides: [],
    sources: [],
  };
}
