import { say } from '../words/index.ts';
import type { Heat, Operation, Phase, Ref } from '../work/index.ts';

/** A phase of so many seconds, of which nothing but its heat is known. */
export const bareStretch = (label: string, onceS: number, heat: Heat | null): Phase => ({
  label,
  onceS,
  eachS: 0,
  people: 0,
  isTimed: false,
  canPause: false,
  maxWaitS: null,
  heat,
});

/** A press operation of no route: its phases, and nothing of what a floor needs beside them. */
export const bareOperation = (
  phases: Phase[],
  { machine = null, ...own }: Partial<Operation> & { machine?: Ref | null } = {},
): Operation => ({
  id: 'bench',
  role: 'bond',
  station: 'press',
  title: 'bench',
  print: null,
  lane: 'bench',
  takes: [],
  awaits: [],
  unit: 'piece',
  size: null,
  modes: [{ machineKind: 'press', machine, stateC: null, phases, pools: [] }],
  settings: [],
  sheet: null,
  checks: [],
  look: say('look.flat-no-steam'),
  cautions: [],
  waitAfter: null,
  consumes: [],
  weighIn: null,
  ...own,
});
