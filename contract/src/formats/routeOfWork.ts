import { stackFrom } from '@saltflat/core/work';
import type {
  Lane,
  Mode,
  Operation,
  Part,
  Phase,
  PressState,
  Role,
  SettingRole,
  StackLayer,
} from '@saltflat/core/work';
import type { Older } from './upgrade.ts';

/** Operations as routes of format 3 held them. */
interface OperationOfFormat3 {
  id: string;
  machineKind: Mode['machineKind'];
  machine: string | null;
  per: 'batch' | 'piece';
  perLoad: number | null;
  handsS: number;
  machineS: number;
  timerS: number;
  timerPieceS: number;
  settings: (Older & { key: string; value: number })[];
  sheet: string | null;
  phases: {
    kind: 'heat' | 'rest';
    tempC: number;
    durationS: number;
    label: string;
    press: PressState | null;
  }[];
  stack: StackLayer[];
  consumes: Older[];
}

/** What was meant by the names operations had: from format 4 on each says so itself. */
const MEANT: Record<string, readonly [role: Role, part: Part]> = {
  'print-film': ['print', 'transfer'],
  'feed-film': ['set-up', 'transfer'],
  powder: ['powder', 'transfer'],
  'melt-powder': ['melt', 'transfer'],
  cut: ['cut', 'transfer'],
  trim: ['cut', 'transfer'],
  store: ['shelve', 'transfer'],
  'press-patch': ['bond', 'patch'],
  'tack-patch': ['tack', 'blank'],
  'pre-press': ['pre-press', 'blank'],
  'pre-press-cap': ['pre-press', 'blank'],
  'press-transfer': ['bond', 'blank'],
  'press-cap': ['bond', 'blank'],
  peel: ['peel', 'blank'],
  'second-press': ['press-again', 'blank'],
  pretreat: ['spray', 'blank'],
  'dry-pretreatment': ['dry', 'blank'],
  'air-dry': ['dry', 'blank'],
  'lay-fibres': ['flatten', 'blank'],
  print: ['print', 'blank'],
  cure: ['cure', 'blank'],
  'level-platen': ['set-up', 'blank'],
  'split-load': ['load', 'blank'],
  centre: ['mark', 'blank'],
  inspect: ['inspect', 'blank'],
};

const SETS: Record<string, SettingRole> = {
  tempC: 'temperature',
  lowerC: 'lower-temperature',
  dwellS: 'dwell',
  bursts: 'bursts',
  hoverS: 'hover',
  kPa: 'pressure',
  restS: 'rest',
  standS: 'stand',
  pauseS: 'pause',
  betweenJobsS: 'pause',
  whiteDensity: 'white-density',
  chokeMm: 'white-choke',
  whiteHits: 'white-hits',
  mirrorHere: 'mirror',
  gM2: 'fluid',
  powderG: 'powder',
};

const PRINT = '1';
const laneOf = (part: Part): Omit<Lane, 'spares'> =>
  part === 'blank' ? { id: 'blank', part, print: null } : { id: `${part}-${PRINT}`, part, print: PRINT };

/** A route of format 3 in the words of format 4: roles, lanes, units, modes, phases with their heat. */
export function inWorkWords(route: Older & { operations: Older[] }): Older {
  const operations = route.operations as unknown as OperationOfFormat3[];
  const isPatched = operations.some(({ id }) => id === 'press-patch');
  const isForShelf = route.usesBlanks === false;
  const partOf = ({ id }: OperationOfFormat3): Part => {
    if (id === 'peel' && isPatched) return 'patch';
    if (id === 'inspect' && isForShelf) return 'transfer';
    return MEANT[id]?.[1] ?? 'blank';
  };
  const parts = [...new Set(operations.map(partOf))];
  const lanes = (wanted: readonly Part[]): string[] =>
    wanted.filter((part) => parts.includes(part)).map((part) => laneOf(part).id);
  return {
    ...route,
    flow: 'through',
    lanes: parts.map(laneOf),
    operations: operations.map((operation) => {
      const part = partOf(operation);
      const before = partBefore(part, isPatched);
      const isFirst = operations.find((own) => partOf(own) === part) === operation;
      const [role] = MEANT[operation.id] ?? ['load'];
      const isJoining = role === (isPatched && part === 'blank' ? 'tack' : 'bond');
      return {
        ...inWords(operation, role),
        lane: laneOf(part).id,
        takes: isJoining ? lanes(before) : [],
        awaits: isFirst && !isJoining ? lanes(before) : [],
      };
    }),
  };
}

/** What was made first, since everything was done in a row. */
function partBefore(part: Part, isPatched: boolean): Part[] {
  if (part === 'transfer') return [];
  return part === 'blank' && isPatched ? ['patch'] : ['transfer'];
}

function inWords(
  older: OperationOfFormat3,
  role: Role,
): Omit<
  Operation,
  'station' | 'title' | 'lane' | 'takes' | 'awaits' | 'checks' | 'look' | 'cautions' | 'waitAfter' | 'weighIn'
> {
  const {
    machineKind, machine, per, perLoad, handsS, machineS, timerS, timerPieceS, phases, stack, ...rest
  } = older as OperationOfFormat3 & { work?: unknown; isInspection?: unknown; station: string }; // prettier-ignore
  const { work: _work, isInspection: _isInspection, ...kept } = rest;
  return {
    ...(kept as unknown as Operation),
    role,
    unit: per === 'piece' ? 'piece' : perLoad === null ? 'line' : 'load',
    size: perLoad,
    modes: [
      {
        machineKind,
        machine: machine === null ? null : { id: null, name: machine },
        stateC: rest.settings.find(({ key }) => key === 'tempC')?.value ?? null,
        phases: phasesOf(older),
        pools: [],
      },
    ],
    settings: rest.settings.map((setting) => ({
      sets: SETS[setting.key] ?? null,
      ...setting,
    })) as Operation['settings'],
    sheet: rest.sheet === null ? null : { id: null, name: rest.sheet },
    consumes: rest.consumes.map((own) => ({ id: null, ...own })) as Operation['consumes'],
  };
}

const LOADING = 0.6; // of a person's time went before the machine

/** Hands, what ran, hands: of a batch in loads for one load. */
function phasesOf(operation: OperationOfFormat3): Phase[] {
  const { handsS, machineS, timerS, timerPieceS, perLoad } = operation;
  const loads = perLoad !== null && timerS > 0 && machineS > timerS ? Math.round(machineS / timerS) : 1;
  const runs = runsOf(operation);
  const once = handsS / loads;
  if (runs.length === 0 && timerS === 0 && timerPieceS === 0 && machineS === 0)
    return [phase('hands', once, 1)];
  const run =
    runs.length > 0
      ? runs
      : [
          {
            ...phase('run', timerS > 0 || timerPieceS > 0 ? timerS : machineS, 0),
            eachS: timerPieceS,
            isTimed: timerS > 0 || timerPieceS > 0,
          },
        ];
  const loadS = Math.round(once * LOADING);
  return [phase('load', loadS, 1), ...run, phase('unload', once - loadS, 1)];
}

/** What heated it, each stretch counted down. */
function runsOf({ phases, stack }: OperationOfFormat3): Phase[] {
  const pad = stack.at(-1)?.material === 'sponge-pad' ? (stack.at(-1) ?? null) : null;
  const layers = pad ? stack.slice(0, -1) : stack;
  return phases
    .filter(({ kind }) => kind === 'heat')
    .map(({ label, durationS, tempC, press }) => ({
      ...phase(label, durationS, 0),
      isTimed: true,
      heat: press && {
        tempC,
        press,
        stack: stackFrom(layers, pad, { isPressed: press.over === 'platen', isBonded: false }),
      },
    }));
}

const phase = (label: string, onceS: number, people: number): Phase => ({
  label,
  onceS,
  eachS: 0,
  people,
  isTimed: false,
  canPause: people > 0,
  maxWaitS: people > 0 ? null : 60,
  heat: null,
});
