import { CAUTIONS } from './cautions.ts';
import type { Consumption, HeatPhase, Operation, RouteInput, Setting, Station } from './documents.ts';
import { resolveSetting } from './resolveSetting.ts';
import type { SettingProposal } from './resolveSetting.ts';
import { ROOM_C, pressureWord } from './tradeRanges.ts';
import { heatLimits } from './fabric.ts';

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
  Partial<Omit<Operation, 'id' | 'station' | 'title' | 'per' | 'handsS' | 'checks' | 'look'>>;

/** Runs one practice for one line. */
export function planOperation(practice: Practice, input: RouteInput): Operation {
  const own = input.overrides.filter((override) => override.operation === practice.id);
  const draft = practice.plan(input, (proposal) => resolveSetting(proposal, own));
  return {
    id: practice.id,
    station: practice.station,
    machineS: 0,
    timerS: 0,
    settings: [],
    sheet: null,
    cautions: [],
    waitAfter: null,
    phases: [],
    consumes: [],
    weighIn: null,
    isInspection: false,
    ...draft,
  };
}

/** A stretch of heat under a press or in an oven. */
export const heat = (label: string, tempC: number, durationS: number): HeatPhase => ({
  kind: 'heat',
  tempC,
  durationS,
  isHandsOn: false,
  label,
});

/** A stretch at room temperature. */
export const rest = (label: string, durationS: number, isHandsOn = false): HeatPhase => ({
  kind: 'rest',
  tempC: ROOM_C,
  durationS,
  isHandsOn,
  label,
});

/** One use of a cover sheet, priced by its share of the uses it lasts. */
export const sheetUse = ({ equipment }: RouteInput): Consumption => ({
  what: equipment.coverSheet.name,
  amount: 1 / equipment.coverSheet.uses,
  kind: 'count',
  cents: equipment.coverSheet.centsEach / equipment.coverSheet.uses,
  isAssumed: true,
});

/** Pressure of the press for this operation, with the word people use for it. */
export function pressureProposal({ equipment }: RouteInput, kPa: number, why: string): SettingProposal {
  return {
    key: 'kPa',
    label: `Pressure (${pressureWord(kPa)})`,
    kind: 'pressure',
    reasons: [{ source: 'trade', text: why, value: kPa }],
    limits: [],
    ability: equipment.press.kPa,
  };
}

/** A press temperature under the fabric's limits and the press's ability. */
export function plateProposal(
  { equipment, garment }: RouteInput,
  reasons: SettingProposal['reasons'],
  limits: SettingProposal['limits'] = [],
): SettingProposal {
  return {
    key: 'tempC',
    label: 'Plate',
    kind: 'temperature',
    reasons,
    limits: [...heatLimits(garment), ...limits],
    ability: equipment.press.plateC,
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
