import { settingFor } from '../work/index.ts';
import type {
  Lane,
  MachineKind,
  Mode,
  Operation,
  Part,
  Phase,
  Ref,
  Role,
  Setting,
  Station,
} from '../work/index.ts';
import type { RouteInput } from './documents.ts';
import type { Press } from './machines.ts';
import type { Refusal } from './refusal.ts';
import { isWithin, resolveSetting } from './resolveSetting.ts';
import type { SettingProposal } from './resolveSetting.ts';

/** What one station does in one process. A practice is one file; adding one is adding it to its process's list. */
export interface Practice {
  /** Stable name of the operation within the process. */
  id: string;
  role: Role;
  /** What it works on. */
  part: Part | ((input: RouteInput) => Part);
  station: Station;
  /** False where this blank, print or house does without it. */
  applies: (input: RouteInput) => boolean;
  plan: (input: RouteInput, settle: Settle) => OperationDraft;
}

/** Settles one setting with the overrides of the operation being planned. */
export type Settle = (proposal: SettingProposal) => Setting;

/** A machine work is done on, out of the set-up. */
export interface On extends Ref {
  kind: MachineKind;
}

/** An operation as a practice writes it: what is left out is nothing or none. */
export type OperationDraft = Pick<Operation, 'title' | 'unit' | 'checks' | 'look'> &
  Partial<
    Pick<Operation, 'size' | 'settings' | 'sheet' | 'cautions' | 'waitAfter' | 'consumes' | 'weighIn'>
  > & {
    on?: On;
    phases: Phase[];
    /** Parts joined here to what is worked on. */
    takes?: Part[];
    /** Parts that must be there before it begins, joined only later. */
    awaits?: Part[];
    /** Where the parts are kept from the beginning until the wait after it is over. */
    pools?: Ref[];
  };

/** The one print of a line, until lines have several. */
const PRINT = '1';

/** The lane a kind of part goes. */
const laneOf = (part: Part): Lane =>
  part === 'blank' ? { id: 'blank', part, print: null } : { id: `${part}-${PRINT}`, part, print: PRINT };

/**
 * Runs a process's practices for one line, in work order; own values that cannot be taken are put with the refusals.
 */
export function planOperations(
  practices: readonly Practice[],
  input: RouteInput,
  refusals: Refusal[],
): { lanes: Lane[]; operations: Operation[] } {
  const applying = practices.filter((practice) => practice.applies(input));
  const parts = [...new Set(applying.map((practice) => partOf(practice, input)))];
  const operations = applying.map((practice) => planOperation(practice, input, parts, refusals));
  return { lanes: parts.map(laneOf), operations };
}

const partOf = ({ part }: Practice, input: RouteInput): Part =>
  typeof part === 'function' ? part(input) : part;

function planOperation(
  practice: Practice,
  input: RouteInput,
  parts: readonly Part[],
  refusals: Refusal[],
): Operation {
  const own = input.overrides.filter((override) => override.operation === practice.id);
  const {
    on,
    phases,
    pools = [],
    takes = [],
    awaits = [],
    ...draft
  } = practice.plan(input, (proposal) => {
    const { setting, refusal } = resolveSetting(proposal, own);
    if (refusal) refusals.push(refusal);
    return setting;
  });
  const lanes = (wanted: readonly Part[]): string[] =>
    wanted.filter((part) => parts.includes(part)).map((part) => laneOf(part).id);
  const settings = draft.settings ?? [];
  const mode: Mode = {
    machineKind: on?.kind ?? null,
    machine: on ? { id: on.id, name: on.name } : null,
    stateC: settingFor({ settings }, 'temperature')?.value ?? null,
    phases,
    pools,
  };
  return {
    id: practice.id,
    role: practice.role,
    station: practice.station,
    lane: laneOf(partOf(practice, input)).id,
    takes: lanes(takes),
    awaits: lanes(awaits),
    size: null,
    sheet: null,
    cautions: [],
    waitAfter: null,
    consumes: [],
    weighIn: null,
    ...draft,
    settings,
    modes: onEveryPress(mode, settings, input),
  };
}

/**
 * The planned press, then every other that takes the print whole and can be set the same. A press that opens by itself
 * lets the work wait on it.
 */
function onEveryPress(planned: Mode, settings: readonly Setting[], input: RouteInput): Mode[] {
  const { presses } = input.equipment;
  const own = presses.find(({ id }) => planned.machineKind === 'press' && id === planned.machine?.id);
  if (own === undefined) return [planned];
  const others = presses.filter((press) => press.id !== own.id && canStandIn(press, settings, input));
  return [own, ...others].map((press) => ({
    ...planned,
    machine: { id: press.id, name: press.name },
    phases: press.isAutoOpening ? planned.phases.map(patient) : planned.phases,
  }));
}

function canStandIn(press: Press, settings: readonly Setting[], { print }: RouteInput): boolean {
  const tempC = settingFor({ settings }, 'temperature')?.value;
  const kPa = settingFor({ settings }, 'pressure')?.value;
  return (
    print.widthMm <= press.widthMm &&
    print.heightMm <= press.heightMm &&
    (tempC === undefined || isWithin(tempC, press.plateC)) &&
    (kPa === undefined || isWithin(kPa, press.kPa))
  );
}

const patient = (phase: Phase): Phase => (phase.people === 0 ? { ...phase, maxWaitS: null } : phase);
