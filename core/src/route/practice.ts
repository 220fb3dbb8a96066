import type { Operation, RouteInput, Setting, Station, WorkPhase } from './documents.ts';
import type { MachineKind } from './machines.ts';
import type { Refusal } from './refusal.ts';
import { resolveSetting } from './resolveSetting.ts';
import type { SettingProposal } from './resolveSetting.ts';

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

/** Runs one practice for one line; own values that cannot be taken are put with the refusals. */
export function planOperation(practice: Practice, input: RouteInput, refusals: Refusal[]): Operation {
  const own = input.overrides.filter((override) => override.operation === practice.id);
  const { on, ...draft } = practice.plan(input, (proposal) => {
    const { setting, refusal } = resolveSetting(proposal, own);
    if (refusal) refusals.push(refusal);
    return setting;
  });
  return {
    id: practice.id,
    station: practice.station,
    machineKind: on?.kind ?? null,
    machine: on?.name ?? null,
    machineS: 0,
    timerS: 0,
    timerPieceS: 0,
    perLoad: null,
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
