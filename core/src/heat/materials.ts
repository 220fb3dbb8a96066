import type { SolidLayer } from '../conduction/index.ts';
import type { StackLayer, StackMaterial } from '../work/index.ts';
import type { HeatParameters } from './parameters.ts';

/** Density, kg/m³, and specific heat, J/kgK, as pressed: class values of textbooks. Mass per area is the firm figure. */
const FIRM: Record<StackMaterial, { densityKgM3: number; specificHeatJKgK: number }> = {
  parchment: { densityKgM3: 900, specificHeatJKgK: 1400 },
  kraft: { densityKgM3: 730, specificHeatJKgK: 1350 },
  ptfe: { densityKgM3: 1950, specificHeatJKgK: 1000 },
  'silicone-mat': { densityKgM3: 1250, specificHeatJKgK: 1250 },
  film: { densityKgM3: 1390, specificHeatJKgK: 1300 },
  'transfer-ink': { densityKgM3: 1400, specificHeatJKgK: 1400 },
  'direct-ink': { densityKgM3: 1300, specificHeatJKgK: 1500 },
  'adhesive-fused': { densityKgM3: 1150, specificHeatJKgK: 1900 },
  'adhesive-powder': { densityKgM3: 537, specificHeatJKgK: 1900 },
  'cotton-jersey': { densityKgM3: 378, specificHeatJKgK: 1340 },
  fleece: { densityKgM3: 250, specificHeatJKgK: 1340 },
  'polyester-knit': { densityKgM3: 400, specificHeatJKgK: 1250 },
  'cap-twill': { densityKgM3: 490, specificHeatJKgK: 1340 },
  canvas: { densityKgM3: 490, specificHeatJKgK: 1340 },
  buckram: { densityKgM3: 420, specificHeatJKgK: 1340 },
  'cap-foam': { densityKgM3: 60, specificHeatJKgK: 1500 },
  leatherette: { densityKgM3: 900, specificHeatJKgK: 1500 },
  'sponge-pad': { densityKgM3: 450, specificHeatJKgK: 1250 },
  'solid-pad': { densityKgM3: 1200, specificHeatJKgK: 1250 },
};

const CLOTHS: readonly StackMaterial[] = ['cotton-jersey', 'fleece', 'polyester-knit', 'cap-twill', 'canvas'];
const GLUES: readonly StackMaterial[] = ['adhesive-fused', 'adhesive-powder'];
const COVERS: readonly StackMaterial[] = ['parchment', 'kraft', 'ptfe', 'silicone-mat'];

export const isCloth = (material: StackMaterial): boolean => CLOTHS.includes(material);
export const isGlue = (material: StackMaterial): boolean => GLUES.includes(material);
export const isCover = (material: StackMaterial): boolean => COVERS.includes(material);
/** Fabric, stiffener, foam or patch: what stays when cover, film and pad are gone. */
export const isWork = (material: StackMaterial): boolean =>
  isCloth(material) || material === 'buckram' || material === 'cap-foam' || material === 'leatherette';

const MELTS = { fromC: 100, toC: 125 }; // polyurethane hot melts (textbook class)

/** A layer of a press stack as the solver takes it. */
export function solidOf(
  { material, dMm, waterGM2 }: StackLayer,
  id: string,
  initialC: number,
  parameters: HeatParameters,
): SolidLayer {
  const share = isCloth(material) ? parameters['fabric-mass'] : 1;
  return {
    kind: 'solid',
    id,
    initialC,
    thicknessM: (dMm / 1000) * share,
    kWMK: parameters[`k-${material}`],
    ...FIRM[material],
    waterKgM2: waterGM2 / 1000,
    melt: isGlue(material) ? { ...MELTS, latentJKg: parameters['glue-latent'] } : null,
  };
}

const plain = { kind: 'solid', waterKgM2: 0, melt: null } as const;

/** The press's own plate under its pad, m thick (textbook). */
export const steelBase = (id: string, initialC: number): SolidLayer => ({
  ...plain,
  id,
  initialC,
  thicknessM: 0.005,
  kWMK: 45,
  densityKgM3: 7850,
  specificHeatJKgK: 480,
});

/** A table a piece is laid on (textbook). */
export const tableTop = (id: string, initialC: number, isMetal: boolean): SolidLayer =>
  isMetal
    ? { ...plain, id, initialC, thicknessM: 0.006, kWMK: 200, densityKgM3: 2700, specificHeatJKgK: 900 }
    : { ...plain, id, initialC, thicknessM: 0.02, kWMK: 0.15, densityKgM3: 650, specificHeatJKgK: 1700 };

/** Resistance of cloth that nothing presses, m²K/W, from its pressed thickness: 1.4 times as thick, of 0.06 W/mK (class value). */
export const loftedM2KW = (dMm: number): number => (1.4 * dMm) / 1000 / 0.06;
