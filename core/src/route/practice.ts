import { REASON_SOURCES, settingFor } from '../work/index.ts';
import type {
  Lane,
  MachineKind,
  Mode,
  Operation,
  Part,
  Phase,
  Reason,
  Ref,
  Role,
  Setting,
  Station,
} from '../work/index.ts';
import { say } from '../words/index.ts';
import type { PrintInput } from './documents.ts';
import { transferOrigin } from './equip.ts';
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
  part: Part | ((input: PrintInput) => Part);
  station: Station;
  /**
   * Done once for several prints: for all of the garment, or for all that lies under a plate together. Absent where each
   * print has its own.
   */
  shared?: 'garment' | 'region';
  /** False where this blank, print or house does without it. */
  applies: (input: PrintInput) => boolean;
  /** @param before what is planned already for the same print, in work order */
  plan: (input: PrintInput, settle: Settle, before: readonly Operation[]) => OperationDraft;
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

/** The operation a practice makes for a print: the first print's carry the practice's name alone. */
export const operationIdOf = (practice: Pick<Practice, 'id'>, print: string): string =>
  print === '1' ? practice.id : `${practice.id}-${print}`;

const laneId = (part: Part, print: string): string => (part === 'blank' ? part : `${part}-${print}`);

/** The lane a kind of part goes. */
const laneOf = (part: Part, input: PrintInput): Lane => ({
  id: laneId(part, input.id),
  part,
  print: part === 'blank' ? null : input.id,
  // what lies on the shelf is fetched when it is wanted
  spares: part === 'transfer' && transferOrigin(input) !== 'shelf' ? sparesOf(input) : 0,
});

/** Transfers the house makes beyond those that are wanted; on the shelf each is one that is wanted. */
export function sparesOf({ house, pieces }: Pick<PrintInput, 'house' | 'pieces'>): number {
  if (house.filmUse === 'stock') return 0;
  return { none: 0, one: 1, tenth: Math.ceil(pieces / 10) }[house.spareTransfers];
}

/** One practice as it is done for one print. */
export interface PlannedPractice {
  practice: Practice;
  operation: Operation;
  /** Own values that cannot be taken. */
  refusals: Refusal[];
}

/**
 * Runs the practices of a print's process, in work order.
 *
 * @param nameOf the id of the operation a practice makes
 * @param agreed plates by operation, where the line agrees on another than it would be alone, °C
 */
export function planPractices(
  practices: readonly Practice[],
  input: PrintInput,
  { nameOf, agreed }: { nameOf: (practice: Practice) => string; agreed: ReadonlyMap<string, number> },
): { lanes: Lane[]; planned: PlannedPractice[] } {
  const applying = practices.filter((practice) => practice.applies(input));
  const parts = [...new Set(applying.map((practice) => partOf(practice, input)))];
  const planned: PlannedPractice[] = [];
  for (const practice of applying) {
    const before = planned.map(({ operation }) => operation);
    const id = nameOf(practice);
    planned.push(planOperation(practice, { input, parts, before, agreedC: agreed.get(id) ?? null }, id));
  }
  return { lanes: parts.map((part) => laneOf(part, input)), planned };
}

const partOf = ({ part }: Practice, input: PrintInput): Part =>
  typeof part === 'function' ? part(input) : part;

interface Planning {
  input: PrintInput;
  parts: readonly Part[];
  before: readonly Operation[];
  agreedC: number | null;
}

function planOperation(
  practice: Practice,
  { input, parts, before, agreedC }: Planning,
  id: string,
): PlannedPractice {
  const refusals: Refusal[] = [];
  const own = input.overrides.filter((override) => override.operation === id);
  const {
    on,
    phases,
    pools = [],
    takes = [],
    awaits = [],
    ...draft
  } = practice.plan(
    input,
    (proposal) => {
      const { setting, refusal } = resolveSetting(agree(proposal, agreedC), own);
      if (refusal) refusals.push(refusal);
      return setting;
    },
    before,
  );
  const lanes = (wanted: readonly Part[]): string[] =>
    wanted.filter((part) => parts.includes(part)).map((part) => laneId(part, input.id));
  const settings = draft.settings ?? [];
  const mode: Mode = {
    machineKind: on?.kind ?? null,
    machine: on ? { id: on.id, name: on.name } : null,
    stateC: settingFor({ settings }, 'temperature')?.value ?? null,
    phases,
    pools,
  };
  const operation: Operation = {
    id,
    role: practice.role,
    station: practice.station,
    print: practice.shared ? null : input.id,
    lane: laneId(partOf(practice, input), input.id),
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
  return { practice, operation, refusals };
}

/** A plate set as the rest of the line on that press is: the strongest reason says so. */
function agree(proposal: SettingProposal, agreedC: number | null): SettingProposal {
  if (agreedC === null || proposal.sets !== 'temperature') return proposal;
  const rank = ({ source }: Reason): number => REASON_SOURCES.indexOf(source);
  const [strongest] = proposal.reasons
    .filter(({ value }) => value !== null)
    .sort((p, q) => rank(p) - rank(q));
  const reasons = proposal.reasons.map((own) =>
    own === strongest
      ? { ...own, said: say('reason.agreed', { usual: own.said, tempC: agreedC }), value: agreedC }
      : own,
  );
  return { ...proposal, reasons };
}

/**
 * The planned press, then every other that takes the print whole and can be set the same. A press that opens by itself
 * lets the work wait on it.
 */
function onEveryPress(planned: Mode, settings: readonly Setting[], input: PrintInput): Mode[] {
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

function canStandIn(press: Press, settings: readonly Setting[], { print }: PrintInput): boolean {
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
