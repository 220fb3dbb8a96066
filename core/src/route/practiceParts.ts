import { stackFrom } from '../work/index.ts';
import type { Consumption, MachineKind, Phase, PressState, Setting, StackLayer } from '../work/index.ts';
import { CAUTIONS } from './cautions.ts';
import type { PrintInput } from './documents.ts';
import { capPressFor, coverSheetFor, pressFor, tapeFor } from './equip.ts';
import type { SheetUse } from './equip.ts';
import type { Named } from './machines.ts';
import type { CoverSheet } from './materials.ts';
import type { On, OperationDraft } from './practice.ts';

/** A closed press at a pressure; `lowerC` where its lower half is heated. */
export const closed = (kPa: number, lowerC: number | null = null): PressState => ({
  over: 'platen',
  lowerC,
  kPa,
  gapMm: 0,
});
/** A plate held above the work. */
export const hovering = (gapMm: number): PressState => ({ over: 'hover', lowerC: null, kPa: 0, gapMm });
export const IN_CHAMBER: PressState = { over: 'chamber', lowerC: null, kPa: 0, gapMm: 0 };
export const FROM_BELOW: PressState = { over: 'below', lowerC: null, kPa: 0, gapMm: 0 };

/** Work of a person, s: once for the unit and for each part in it. A break may fall into it. */
export const byHand = (label: string, onceS: number, own: Partial<Phase> = {}): Phase => ({
  label,
  onceS,
  eachS: 0,
  people: 1,
  isTimed: false,
  canPause: true,
  maxWaitS: null,
  heat: null,
  ...own,
});

const UNLOAD_WITHIN_S = 60; // a hot press or oven is emptied at once: within a minute (assumption)

/** Time it runs or stands by itself, counted down on the floor, s. */
export const alone = (label: string, onceS: number, own: Partial<Phase> = {}): Phase => ({
  ...byHand(label, onceS),
  people: 0,
  isTimed: true,
  canPause: false,
  maxWaitS: UNLOAD_WITHIN_S,
  ...own,
});

/** What lies under the plate, before it is known how that bears on it. */
export interface Laid {
  /** Top to bottom, without the pad. */
  layers: readonly StackLayer[];
  pad: StackLayer | null;
  /** The glue in it holds already to what is under it. */
  isBonded: boolean;
}

/** A stretch of heat under a press, over a griddle or in an oven. */
export const heat = (label: string, tempC: number, durationS: number, press: PressState, laid: Laid): Phase =>
  alone(label, durationS, {
    heat: {
      tempC,
      press,
      stack: stackFrom(laid.layers, laid.pad, {
        isPressed: press.over === 'platen',
        isBonded: laid.isBonded,
      }),
    },
  });

const LOADING = 0.6; // share of the hands-on time before the machine runs; the rest takes the work out (assumption)

/** Put in, run, taken out: a person's time round what runs by itself, s, with more for each part in the unit. */
export function around(handsS: number, runs: readonly Phase[], handsEachS = 0): Phase[] {
  const loadS = Math.round(handsS * LOADING);
  const hands = (label: string, onceS: number, eachS: number, maxWaitS: number | null): Phase =>
    byHand(label, onceS, { eachS, canPause: false, maxWaitS });
  return [
    hands('load', loadS, handsEachS * LOADING, 0),
    ...runs,
    hands('unload', handsS - loadS, handsEachS * (1 - LOADING), null),
  ];
}

/** Short closings with the plate opened between them: each counts down for itself. */
export const inBursts = (bursts: readonly Phase[], between: { label: string; handsS: number }): Phase[] =>
  bursts.flatMap((burst, i) =>
    i === 0 ? [burst] : [byHand(between.label, between.handsS, { canPause: false, maxWaitS: 0 }), burst],
  );

/** Closings of the press under a cover sheet, priced by their share of those it lasts. */
export const sheetWear = ({ id, name, uses, centsEach }: CoverSheet, presses = 1): Consumption => ({
  id,
  what: name,
  amount: presses / uses,
  kind: 'count',
  cents: (presses * centsEach) / uses,
  isAssumed: true,
});

/** {@link sheetWear} of the sheet the house uses here. */
export const sheetUse = (input: PrintInput, use: SheetUse, presses = 1): Consumption =>
  sheetWear(coverSheetFor(input, use), presses);

/** Tape for one part, m, where any is set up. */
export function tapeUse(input: PrintInput, lengthM: number): Consumption[] {
  const tape = tapeFor(input);
  if (tape === null) return [];
  const { id, name, centsPerM } = tape;
  return [{ id, what: name, amount: lengthM, kind: 'count', cents: lengthM * centsPerM, isAssumed: true }];
}

export const PRESS_CAUTIONS = [CAUTIONS.hotPlate];

/** From here on a lower half counts as heated; below it is a cold form in a warm room, °C. */
const WARM_LOWER_C = 40;

/** One timed closing of a press on each piece: what its settings say is what the timer, the trace and the model get. */
export function pressedOnce(
  on: On,
  own: { label: string; handsS: number; laid: Laid },
  settings: { temp: Setting; dwell: Setting; pressure: Setting; lower?: Setting },
): Pick<OperationDraft, 'unit' | 'cautions' | 'phases'> & Required<Pick<OperationDraft, 'on' | 'settings'>> {
  const { temp, dwell, pressure, lower } = settings;
  const lowerC = lower !== undefined && lower.value > WARM_LOWER_C ? lower.value : null;
  const press = closed(pressure.value, lowerC);
  return {
    unit: 'piece',
    on,
    settings: [temp, ...(lower ? [lower] : []), dwell, pressure],
    cautions: PRESS_CAUTIONS,
    phases: around(own.handsS, [heat(own.label, temp.value, dwell.value, press, own.laid)]),
  };
}

/** A machine of the set-up as what an operation runs on. */
export const on = (kind: MachineKind, { id, name }: Named): On => ({ kind, id, name });

/** The flat press this line is pressed on. */
export const onPress = (input: PrintInput): On => on('press', pressFor(input));

/** The cap press. */
export const onCapPress = (input: PrintInput): On => on('cap-press', capPressFor(input));
