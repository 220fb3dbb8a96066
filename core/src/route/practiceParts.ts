import { CAUTIONS } from './cautions.ts';
import type { Consumption, HeatPhase, Limit, PressState, Reason, RouteInput, Setting } from './documents.ts';
import { capPressFor, coverSheetFor, pressFor } from './equip.ts';
import type { SheetUse } from './equip.ts';
import { heatLimits } from './fabric.ts';
import { houseChoice } from './house.ts';
import type { HouseKey } from './house.ts';
import { markForKPa } from './machines.ts';
import type { CoverSheet, Range } from './materials.ts';
import type { OperationDraft } from './practice.ts';
import type { SettingProposal } from './resolveSetting.ts';
import { ROOM_C, pressureWord } from './tradeRanges.ts';

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

/** A stretch of heat under a press, over a griddle or in an oven. */
export const heat = (label: string, tempC: number, durationS: number, press: PressState): HeatPhase => ({
  kind: 'heat',
  tempC,
  durationS,
  isHandsOn: false,
  label,
  press,
});

/** A stretch at room temperature. */
export const rest = (label: string, durationS: number, isHandsOn = false): HeatPhase => ({
  kind: 'rest',
  tempC: ROOM_C,
  durationS,
  isHandsOn,
  label,
  press: null,
});

/** One use of a cover sheet, priced by its share of the uses it lasts. */
export const sheetWear = ({ name, uses, centsEach }: CoverSheet): Consumption => ({
  what: name,
  amount: 1 / uses,
  kind: 'count',
  cents: centsEach / uses,
  isAssumed: true,
});

/** {@link sheetWear} of the sheet the house uses here. */
export const sheetUse = (input: RouteInput, use: SheetUse): Consumption =>
  sheetWear(coverSheetFor(input, use).sheet);

/** What this shop chose on one point, as a reason; with a value where the choice names one. */
export function houseReason(
  { house }: Pick<RouteInput, 'house'>,
  key: HouseKey,
  value: number | null,
): Reason {
  const { label, tradeOff } = houseChoice(key, house[key]);
  return { source: 'house', text: `This shop’s way: ${label.toLowerCase()}. ${tradeOff}`, value };
}

/** Where practice alone speaks. */
export const tradeReason = (value: number, text: string): Reason => ({ source: 'trade', text, value });

/** Pressure of the press for this operation, with the word people use for it and the dial where it was measured. */
export function pressureProposal(
  input: RouteInput,
  kPa: number,
  why: string,
  limits: SettingProposal['limits'] = [],
): SettingProposal {
  const press = pressFor(input);
  const mark = markForKPa(press, kPa);
  return {
    key: 'kPa',
    label: `Pressure (${pressureWord(kPa)})`,
    kind: 'pressure',
    reasons: [
      tradeReason(kPa, why),
      ...(mark === null
        ? []
        : [
            {
              source: 'proven' as const,
              text: `By the gauge on ${press.name} that is mark ${mark}.`,
              value: null,
            },
          ]),
    ],
    limits,
    ability: press.kPa,
  };
}

/** A press temperature under the fabric's limits and the press's ability. */
export function plateProposal(
  input: RouteInput,
  reasons: SettingProposal['reasons'],
  limits: SettingProposal['limits'] = [],
): SettingProposal {
  return {
    key: 'tempC',
    label: 'Plate',
    kind: 'temperature',
    reasons,
    limits: [...heatLimits(input.garment), ...limits],
    ability: pressFor(input).plateC,
  };
}

/** Seconds under the press. */
export function dwellProposal(
  reasons: SettingProposal['reasons'],
  limits: SettingProposal['limits'] = [],
): SettingProposal {
  return { key: 'dwellS', label: 'Dwell', kind: 'duration', reasons, limits, ability: { min: 1, max: 600 } };
}

export const PRESS_CAUTIONS = [CAUTIONS.hotPlate];

/** From here on a lower half counts as heated; below it is a cold form in a warm room, °C. */
const WARM_LOWER_C = 40;

/** One timed closing of a press on each piece: what its settings say is what the timer, the trace and the model get. */
export function pressedOnce(
  on: { kind: 'press' | 'cap-press'; name: string },
  label: string,
  own: { temp: Setting; dwell: Setting; pressure: Setting; lower?: Setting },
): Pick<OperationDraft, 'per' | 'cautions'> &
  Required<Pick<OperationDraft, 'on' | 'machineS' | 'timerS' | 'settings' | 'phases'>> {
  const { temp, dwell, pressure, lower } = own;
  const lowerC = lower !== undefined && lower.value > WARM_LOWER_C ? lower.value : null;
  return {
    per: 'piece',
    on,
    machineS: dwell.value,
    timerS: dwell.value,
    settings: [temp, ...(lower ? [lower] : []), dwell, pressure],
    cautions: PRESS_CAUTIONS,
    phases: [heat(label, temp.value, dwell.value, closed(pressure.value, lowerC))],
  };
}

/** The flat press this line is pressed on. */
export const onPress = (input: RouteInput): { kind: 'press'; name: string } => ({
  kind: 'press',
  name: pressFor(input).name,
});

/** The cap press. */
export const onCapPress = (input: RouteInput): { kind: 'cap-press'; name: string } => ({
  kind: 'cap-press',
  name: capPressFor(input).name,
});

/** A transfer's or an ink's own sheet as a limit. */
export const sheetLimit = (name: string, span: Range): Limit => ({
  ...span,
  text: `the sheet of “${name}”.`,
});
