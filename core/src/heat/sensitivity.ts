import { plannedMode } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import { changeHeat } from './changes.ts';
import type { HeatChange } from './changes.ts';
import type { HeatConditions } from './conditions.ts';
import { heatOperation } from './heatOperation.ts';
import { isCloth } from './materials.ts';
import { measureOf } from './measure.ts';
import type { Measure } from './measure.ts';
import type { OperationInHeat } from './operationCase.ts';

/** Things that go otherwise on a floor. */
export const WHAT_IFS = [
  'hotter',
  'cooler',
  'longer',
  'shorter',
  'firmer',
  'lighter',
  'damp',
  'thicker',
  'mat-cold',
  'mat-parked',
] as const;
export type WhatIf = (typeof WHAT_IFS)[number];

/** By how much each of them is tried. */
const WHAT_IF_STEPS = { plateK: 10, dwellS: 5, kPa: 15, waterGM2: 20, thickness: 1.3 } as const;

const CHANGES: Record<Exclude<WhatIf, 'mat-cold' | 'mat-parked'>, HeatChange> = {
  hotter: { plateK: WHAT_IF_STEPS.plateK },
  cooler: { plateK: -WHAT_IF_STEPS.plateK },
  longer: { dwellS: WHAT_IF_STEPS.dwellS },
  shorter: { dwellS: -WHAT_IF_STEPS.dwellS },
  firmer: { kPa: WHAT_IF_STEPS.kPa },
  lighter: { kPa: -WHAT_IF_STEPS.kPa },
  damp: { waterGM2: WHAT_IF_STEPS.waterGM2 },
  thicker: { thickness: WHAT_IF_STEPS.thickness },
};

export interface Sensitivity {
  what: WhatIf;
  measure: Measure;
}

/** What a what-if is called. */
export function whatIfSaid(what: WhatIf): Said {
  const { plateK, dwellS, kPa, waterGM2, thickness } = WHAT_IF_STEPS;
  switch (what) {
    case 'hotter':
    case 'cooler':
      return say(`heat.if-${what}`, { by: plateK });
    case 'longer':
    case 'shorter':
      return say(`heat.if-${what}`, { by: dwellS });
    case 'firmer':
    case 'lighter':
      return say(`heat.if-${what}`, { by: kPa });
    case 'damp':
      return say('heat.if-damp', { by: waterGM2 });
    case 'thicker':
      return say('heat.if-thicker', { by: thickness });
    case 'mat-cold':
    case 'mat-parked':
      return say(`heat.if-${what}`);
  }
}

/**
 * What an operation would come to if one thing were otherwise.
 *
 * @returns only what can happen to it: no pressure where nothing presses, no mat where there is none
 */
export function sensitivitiesOf(own: OperationInHeat, conditions: HeatConditions): Sensitivity[] {
  const heats = plannedMode(own.operation).phases.flatMap(({ heat }) => heat ?? []);
  const layers = heats.flatMap(({ stack }) => stack.layers);
  const isPressed = heats.some(({ press }) => press.over === 'platen');
  const hasCloth = layers.some(({ material }) => isCloth(material));
  const hasMat = layers.some(({ material }) => material === 'silicone-mat');
  const isPossible = (what: WhatIf): boolean => {
    if (what === 'firmer' || what === 'lighter') return isPressed;
    if (what === 'damp' || what === 'thicker') return hasCloth;
    if (what === 'mat-cold') return hasMat && conditions.mat !== 'cold';
    if (what === 'mat-parked') return hasMat && conditions.mat !== 'parked';
    return true;
  };
  return WHAT_IFS.filter(isPossible).flatMap((what) => {
    const found =
      what === 'mat-cold' || what === 'mat-parked'
        ? heatOperation(own, { ...conditions, mat: what === 'mat-cold' ? 'cold' : 'parked' })
        : heatOperation({ ...own, operation: changeHeat(own.operation, CHANGES[what]) }, conditions);
    const measure = found === null ? null : measureOf(found);
    return measure === null ? [] : [{ what, measure }];
  });
}
