import { fibresOf } from '../blank/index.ts';
import type { Fibre } from '../blank/index.ts';
import { phaseS, plannedMode, stackFrom } from '../work/index.ts';
import type { Heat, Operation, StackLayer, StackMaterial } from '../work/index.ts';
import { bareOperation, bareStretch } from './bareOperation.ts';
import type { HeatConditions, KnownPress } from './conditions.ts';
import { UNKNOWN_PRESS, usualConditions } from './conditions.ts';
import { dosesAt } from './harms.ts';
import type { ProbeName } from './harms.ts';
import { heatOperation } from './heatOperation.ts';
import type { OperationHeat } from './heatOperation.ts';
import type { Afterwards, OperationInHeat } from './operationCase.ts';
import { usualParameters } from './parameters.ts';

/** A stack in a press, free of any order: whatever somebody wants to try. */
export interface BenchStack {
  /** Top to bottom, without the pad. */
  layers: StackLayer[];
  pad: 'sponge-pad' | 'solid-pad';
  plateC: number;
  /** `null`: not heated. */
  lowerC: number | null;
  kPa: number;
  /** Between plate and work, mm; 0 closed. */
  gapMm: number;
  dwellS: number;
  /** Closings, with the press open for a while between two. */
  closings: number;
  openS: number;
  mat: HeatConditions['mat'];
  /** What it cools on afterwards, for a minute. */
  coolsOn: Afterwards['on'];
}

/** What a press and its stack can be, lowest and highest: all else is a slip. */
export const STACK_SPANS = {
  plateC: [40, 230],
  lowerC: [20, 180],
  kPa: [1, 200],
  gapMm: [0, 60],
  dwellS: [1, 900],
  closings: [1, 12],
  openS: [1, 600],
} as const;
/** Of one layer, more than 0; and of the water in it, from 0. */
export const LAYER_MOST = { dMm: 20, waterGM2: 500 } as const;

const BENCH_PRESS = { id: 'bench', name: 'bench' };
const COOLED_S = 60;
const PADS = { 'sponge-pad': 9, 'solid-pad': 3 } as const;
/** What a cloth is of, for what heat does to it. */
const FIBRE_OF: Partial<Record<StackMaterial, Fibre>> = {
  'cotton-jersey': 'cotton',
  fleece: 'cotton',
  'cap-twill': 'cotton',
  canvas: 'cotton',
  'polyester-knit': 'polyester',
};

/**
 * Works a stack out by the model, from the plate's closing to a minute after its last opening.
 *
 * @throws RangeError where there is no layer, or a figure is none that a press has
 */
export function heatOfStack(stack: BenchStack): OperationHeat {
  const { own, conditions } = stackInHeat(stack);
  const heat = heatOperation(own, conditions);
  if (heat === null) throw new RangeError('a stack without heat');
  return heat;
}

/**
 * A stack as an operation of no route.
 *
 * @param press what is known of the press it lies in
 * @throws RangeError where there is no layer
 */
export function stackInHeat(
  stack: BenchStack,
  press: KnownPress = UNKNOWN_PRESS,
): { own: OperationInHeat; conditions: HeatConditions } {
  if (stack.layers.length === 0) throw new RangeError('a stack needs a layer');
  return {
    own: {
      operation: operationOf(stack),
      parts: 1,
      after: { forS: COOLED_S, peelAfterS: null, on: stack.coolsOn },
      startC: {},
    },
    conditions: {
      ...usualConditions(garmentOf(stack.layers)),
      mat: stack.mat,
      presses: { [BENCH_PRESS.id]: press },
    },
  };
}

/**
 * A press operation's stack, to be tried by itself: as it lies under the plate when that closes.
 *
 * @returns `null` for one that no plate closes on, as in an oven
 */
export function stackOf(operation: Operation, mat: BenchStack['mat']): BenchStack | null {
  const { phases } = plannedMode(operation);
  const closings = phases.filter(({ heat }) => heat?.press.over === 'platen');
  const heat = closings[0]?.heat ?? null;
  const pad = heat?.stack.pad?.material;
  if (heat === null || (pad !== 'sponge-pad' && pad !== 'solid-pad')) return null;
  const first = phases.indexOf(closings[0]);
  const open = phases.slice(first + 1).find((own) => own.heat === null);
  return {
    layers: heat.stack.layers.map((own) => ({ ...own })),
    pad,
    plateC: heat.tempC,
    lowerC: heat.press.lowerC,
    kPa: heat.press.kPa,
    gapMm: 0,
    dwellS: phaseS(closings[0], 1),
    closings: closings.length,
    openS: closings.length > 1 && open ? Math.max(1, phaseS(open, 1)) : 10,
    mat,
    coolsOn: 'wood',
  };
}

/** Where in a stack a sensor can lie. */
export const placesIn = ({ layers, pad }: Pick<BenchStack, 'layers' | 'pad'>): ProbeName[] =>
  dosesAt(
    [...layers.map(({ material }) => material), pad].map((material, i) => ({ id: String(i), material })),
    garmentOf(layers),
    usualParameters(),
  ).probes.map(({ name }) => name as ProbeName);

function garmentOf(layers: readonly StackLayer[]): HeatConditions['garment'] {
  const fibres = layers.flatMap(({ material }) => FIBRE_OF[material] ?? []);
  return {
    kind: 'tee',
    fibres: fibresOf({ [fibres[0] ?? 'other']: 1 }),
    dye: 'dyed',
    features: layers.some(({ material }) => material === 'buckram') ? ['stiffener'] : [],
  };
}

function operationOf(stack: BenchStack): Operation {
  const { layers, pad, plateC, lowerC, kPa, gapMm, dwellS, closings, openS } = stack;
  const isPressed = gapMm === 0;
  const heat: Heat = {
    tempC: plateC,
    press: { over: isPressed ? 'platen' : 'hover', lowerC, kPa: isPressed ? kPa : 0, gapMm },
    stack: stackFrom(layers, { material: pad, dMm: PADS[pad], waterGM2: 0 }, { isPressed, isBonded: false }),
  };
  const closing = bareStretch('closed', dwellS, heat);
  return bareOperation(
    Array.from({ length: closings }, (_, i) =>
      i === 0 ? [closing] : [bareStretch('open', openS, null), closing],
    ).flat(),
    { machine: BENCH_PRESS },
  );
}
