import { hasFeature, isCap, isCloth, isPatch, pressedThicknessMm } from '../blank/index.ts';
import type { Garment } from '../blank/index.ts';
import type { StackLayer, StackMaterial } from '../work/index.ts';
import type { PrintInput } from './documents.ts';
import { isMostlyPolyester, isSplitOpen } from './fabric.ts';
import { FIBRE_FACTS, fibresIn } from './fibres.ts';
import type { CoverSheet, SheetKind } from './materials.ts';
import type { Laid } from './practiceParts.ts';

const layer = (material: StackMaterial, dMm: number, waterGM2 = 0): StackLayer => ({
  material,
  dMm,
  waterGM2,
});

const SHEET_MATERIALS: Record<SheetKind, StackMaterial> = {
  parchment: 'parchment',
  kraft: 'kraft',
  ptfe: 'ptfe',
  'silicone-thin': 'silicone-mat',
  'silicone-thick': 'silicone-mat',
  'silicone-textured': 'silicone-mat',
};

/** What lies on the fabric. Thicknesses are class values of the materials (textbook). */
export const CARRIED = {
  nothing: [],
  transfer: [layer('film', 0.075), layer('transfer-ink', 0.04), layer('adhesive-fused', 0.07)],
  bonded: [layer('transfer-ink', 0.04), layer('adhesive-fused', 0.07)],
  print: [layer('direct-ink', 0.04)],
} as const satisfies Record<string, readonly StackLayer[]>;

/** Water a blank brings along from the shelf, g/m² of one layer. */
export function shelfWaterGM2(garment: Garment): number {
  const { massGM2 } = garment;
  const share = fibresIn(garment).reduce((sum, own) => sum + FIBRE_FACTS[own.fibre].regain * own.share, 0);
  return Math.round(massGM2 * share * 10) / 10;
}

function fabricLayers(garment: Garment, waterGM2: number): StackLayer[] {
  const dMm = pressedThicknessMm(garment);
  if (isPatch(garment)) return [layer('leatherette', dMm)];
  if (isCap(garment))
    return [
      layer('cap-twill', dMm, waterGM2),
      ...(hasFeature(garment, 'foam') ? [layer('cap-foam', 1.5)] : []),
      ...(hasFeature(garment, 'stiffener') ? [layer('buckram', 0.5)] : []),
    ];
  const material: StackMaterial =
    garment.construction === 'fleece'
      ? 'fleece'
      : garment.construction === 'woven'
        ? 'canvas'
        : isMostlyPolyester(garment)
          ? 'polyester-knit'
          : 'cotton-jersey';
  return [layer(material, dMm, waterGM2)];
}

/**
 * What lies between the plate and the press's lower half.
 *
 * @param layers of fabric in the press: two for a garment slipped over, one where it is opened up
 */
export function stackUnder(
  garment: Garment,
  own: {
    sheet?: CoverSheet | null;
    carries?: keyof typeof CARRIED;
    /** Moisture of every layer of the blank, g/m². */
    waterGM2?: number;
    /** Fluid or wet ink on the layer that was sprayed or printed, g/m². */
    wetGM2?: number;
    layers?: 1 | 2;
    /** A patch lying on a cap. */
    patch?: Garment | null;
  } = {},
): Laid {
  const { sheet = null, carries = 'nothing', waterGM2 = 0, wetGM2 = 0, patch = null } = own;
  const layers = own.layers ?? (isCloth(garment) ? 2 : 1);
  return {
    layers: [
      ...(sheet ? [layer(SHEET_MATERIALS[sheet.kind], sheet.thicknessMm)] : []),
      ...CARRIED[carries],
      ...(patch ? fabricLayers(patch, 0) : []),
      ...fabricLayers(garment, waterGM2 + wetGM2),
      ...(layers === 2 ? fabricLayers(garment, waterGM2) : []),
    ],
    pad: isCap(garment) ? layer('solid-pad', 3) : layer('sponge-pad', 9),
    isBonded: carries === 'bonded',
  };
}

/** {@link stackUnder} of the line's blank, loaded as its process loads it: slipped over, or split open to one layer. */
export const stackOf = (
  input: Pick<PrintInput, 'process' | 'garment'>,
  own: Omit<NonNullable<Parameters<typeof stackUnder>[1]>, 'layers'> = {},
): Laid => stackUnder(input.garment, isSplitOpen(input) ? { ...own, layers: 1 } : own);

/** Powdered film as it is melted: powder up, the film under it; on a pad only where a plate is held above one. */
export const powderedFilm = (isOnPad: boolean): Laid => ({
  layers: [layer('adhesive-powder', 0.15), layer('transfer-ink', 0.04), layer('film', 0.075)],
  pad: isOnPad ? layer('sponge-pad', 9) : null,
  isBonded: false,
});
