import { CAUTIONS } from './cautions.ts';
import type {
  Consumption,
  HeatPhase,
  Operation,
  PressState,
  Reason,
  RouteInput,
  Setting,
  Station,
  WorkPhase,
} from './documents.ts';
import { coverSheetFor, pressFor } from './equip.ts';
import type { SheetUse } from './equip.ts';
import { heatLimits } from './fabric.ts';
import { houseChoice } from './house.ts';
import type { HouseKey } from './house.ts';
import type { MachineKind } from './machines.ts';
import { markForKPa } from './machines.ts';
import { resolveSetting } from './resolveSetting.ts';
import type { SettingProposal } from './resolveSetting.ts';
import { ROOM_C, pressureWord } from './tradeRanges.ts';

/** What one station does in one process. A practice is one file; adding one is adding it to its process's list. */
export interface Practice {
  /** Stable name of the operation within the process. */
  id: string;
  station: Station;
  /** False where this blank, print or house does without it. */
  applies: (input: RouteInput) => boolean;
  plan: (input: RouteInput, settle: Settle) => OperationDraft;
}

/** Settles one setting with the overrides of the operation being planned. */
export type Settle = (proposal: SettingProposal) => Setting;

/** An operation as a practice writes it: what is left out is nothing, none or zero. */
export type OperationDraft = Pick<Operation, 'title' | 'per' | 'handsS' | 'checks' | 'look'> &
  Partial<
    Omit<
      Operation,
      'id' | 'station' | 'title' | 'per' | 'handsS' | 'checks' | 'look' | 'machine' | 'machineKind' | 'work'
    >
  > & { on?: { kind: MachineKind; name: string } };

/** Runs one practice for one line. */
export function planOperation(practice: Practice, input: RouteInput): Operation {
  const own = input.overrides.filter((override) => override.operation === practice.id);
  const { on, ...draft } = practice.plan(input, (proposal) => resolveSetting(proposal, own));
  return {
    id: practice.id,
    station: practice.station,
    machineKind: on?.kind ?? null,
    machine: on?.name ?? null,
    machineS: 0,
    timerS: 0,
    settings: [],
    sheet: null,
    cautions: [],
    waitAfter: null,
    phases: [],
    stack: [],
    consumes: [],
    weighIn: null,
    isInspection: false,
    ...draft,
    work: workOf(draft.handsS, draft.machineS ?? 0, opensItself(input, on?.name)),
  };
}

/** A press that opens by itself lets the work wait. */
const opensItself = ({ equipment }: RouteInput, machine: string | undefined): boolean =>
  equipment.presses.some(({ name, isAutoOpening }) => name === machine && isAutoOpening);

const LOADING = 0.6; // share of the hands-on time before the machine runs; the rest takes the piece out (assumption)
const UNLOAD_WITHIN_S = 60; // a hot press or oven is emptied at once: within a minute

/** Hands, machine, hands: what a plan needs to fit people to machines. */
function workOf(handsS: number, machineS: number, isPatient: boolean): WorkPhase[] {
  if (machineS === 0)
    return [{ label: 'hands', durationS: handsS, people: 1, canPause: true, maxWaitS: null }];
  const loadS = Math.round(handsS * LOADING);
  return [
    { label: 'load', durationS: loadS, people: 1, canPause: false, maxWaitS: 0 },
    {
      label: 'run',
      durationS: machineS,
      people: 0,
      canPause: false,
      maxWaitS: isPatient ? null : UNLOAD_WITHIN_S,
    },
    { label: 'unload', durationS: handsS - loadS, people: 1, canPause: false, maxWaitS: null },
  ];
}

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
export function sheetUse(input: RouteInput, use: SheetUse): Consumption {
  const { sheet } = coverSheetFor(input, use);
  return {
    what: sheet.name,
    amount: 1 / sheet.uses,
    kind: 'count',
    cents: sheet.centsEach / sheet.uses,
    isAssumed: true,
  };
}

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
