import type { Dose, Probe } from '../conduction/index.ts';
import type { StackMaterial } from '../work/index.ts';
import type { HeatConditions } from './conditions.ts';
import { doseAt } from './kinetics.ts';
import type { HeatDose } from './kinetics.ts';
import { isCloth } from './materials.ts';
import type { HeatParameters } from './parameters.ts';

/** Places in a stack that are asked for. */
export const PROBES = ['glue', 'patch-glue', 'powder', 'ink', 'face', 'back', 'stiffener', 'pad'] as const;
export type ProbeName = (typeof PROBES)[number];

const CELLULOSE = ['cotton', 'viscose', 'modal', 'linen'] as const;
const NOTABLE = { cellulose: 0.2, polyester: 0.3 }; // of a fibre, before its harm is watched (assumption)

/** What heat can harm in a blank, by its fibres, dye and features. */
export function harmsOf({ fibres, dye, features }: HeatConditions['garment']): HeatDose[] {
  const cellulose = CELLULOSE.reduce((sum, fibre) => sum + fibres[fibre], 0);
  return [
    ...(fibres.polyester >= NOTABLE.polyester && dye !== 'undyed' ? (['dye'] as const) : []),
    ...(cellulose >= NOTABLE.cellulose ? (['scorch'] as const) : []),
    ...(fibres.polyester >= NOTABLE.polyester ? (['shine'] as const) : []),
    ...(features.includes('stiffener') ? (['stiffener'] as const) : []),
  ];
}

/** Of a blend only the polyester sheds its dye and shines: its dose goes by its share (assumption). */
const byShare = (own: Dose, dose: HeatDose, { fibres }: HeatConditions['garment']): Dose =>
  dose === 'dye' || dose === 'shine' ? { ...own, refS: own.refS / fibres.polyester } : own;

/** Probes in the layers of an operation, and the doses that are counted at them. */
export function dosesAt(
  layers: readonly { id: string; material: StackMaterial }[],
  garment: HeatConditions['garment'],
  parameters: HeatParameters,
): { probes: Probe[]; doses: Dose[] } {
  const probes: Probe[] = [];
  const doses: Dose[] = [];
  const harms = harmsOf(garment);
  const ask = (
    name: ProbeName,
    layer: string | undefined,
    at: Probe['at'],
    counted: readonly HeatDose[],
  ): void => {
    if (layer === undefined) return;
    probes.push({ name, layer, at });
    for (const dose of counted) doses.push(byShare(doseAt(dose, name, parameters), dose, garment));
  };
  const idOf = (is: (material: StackMaterial) => boolean): string | undefined =>
    layers.find(({ material }) => is(material))?.id;
  const cloths = layers.filter(({ material }) => isCloth(material));
  const patch = idOf((material) => material === 'leatherette');
  const face = cloths[0]?.id ?? patch;
  const back = cloths.at(-1)?.id ?? patch;
  const onFace = harms.filter((harm) => harm !== 'stiffener');
  ask(
    'glue',
    idOf((material) => material === 'adhesive-fused'),
    'bottom',
    ['bond'],
  );
  ask('patch-glue', cloths.length > 0 ? patch : undefined, 'bottom', ['bond']);
  ask(
    'powder',
    idOf((material) => material === 'adhesive-powder'),
    'mean',
    ['melt'],
  );
  ask(
    'ink',
    idOf((material) => material.endsWith('-ink')),
    'mean',
    ['cure'],
  );
  ask('face', face, 'top', ['bond', 'cure', ...(cloths.length > 0 ? onFace : [])]);
  ask('back', back, 'bottom', ['bond', 'cure', ...(cloths.length > 0 ? onFace : [])]);
  ask(
    'stiffener',
    idOf((material) => material === 'buckram'),
    'top',
    harms.includes('stiffener') ? ['stiffener'] : [],
  );
  return { probes, doses };
}
