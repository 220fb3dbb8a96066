import type { GarmentStyle } from '@saltflat/contract';
import { fibresOf } from '@saltflat/core/blank';

/** One garment, all made up. */
export const STYLES: GarmentStyle[] = [
  {
    id: '11111111-1111-4111-8111-111111111111',
    name: 'Made-up tee',
    kind: 'tee',
    maker: 'Made-up mill',
    fibres: fibresOf({ cotton: 1 }),
    construction: 'knit',
    massGM2: 180,
    thicknessMm: null,
    features: [],
    maxPressC: null,
    pretreated: null,
    areas: [],
    version: 1,
    colours: [
      { id: '22222222-2222-4222-8222-222222222222', name: 'Navy', hex: '#1b2a4a', tone: 'dark', dye: 'dyed' },
    ],
    sizes: [
      { size: 'M', cents: 300, bodyWidthMm: 500, collarDropMm: null },
      { size: 'L', cents: 320, bodyWidthMm: 550, collarDropMm: null },
    ],
  },
];
