/** Work to be planned, times in whole minutes from `epoch`, people in hundredths: a person is 100. */
export interface PlanInstance {
  name: string;
  /** Everything must have ended by then, min. */
  horizon: number;
  /** People who are there: [from, to, hundredths], in order and without overlap; nobody at other times. */
  people: readonly (readonly [from: number, to: number, capacity: number])[];
  machines: readonly PlanMachine[];
  pools: readonly PlanPool[];
  orders: readonly PlanOrder[];
  ops: readonly PlanOp[];
  lags: readonly PlanLag[];
  /** Nothing that is not fixed starts before, min. */
  now: number;
  /** What has begun or is over: it stays as it is. */
  fixed: readonly PlannedOp[];
  /** What somebody put where it is: it stays there, its machine is made ready for it as the plan wants. */
  locked: readonly LockedOp[];
  /** Where work was planned before: moving it has a price. */
  planned: readonly { id: string; start: number }[];
}

/** State of a machine: a temperature in °C, or what it is set up for. */
export type MachineState = string | number;

export interface PlanMachine {
  id: string;
  /** What people call it; its id where nothing is said. */
  name?: string;
  kind: string;
  /** When it can be used and how it stands at the beginning, in order: [from, to, state]. */
  windows: readonly (readonly [from: number, to: number, state: MachineState])[];
  setup: MachineSetup | null;
  /** What any change costs besides its minutes, min. */
  changeFixed: number;
}

export type MachineSetup =
  /** Degrees a minute, up and down; nobody is needed. */
  | { kind: 'temp'; heat: number; cool: number }
  /** From a state to another: [minutes, people]; what is missing cannot be done. */
  | { kind: 'table'; table: Readonly<Record<string, Readonly<Record<string, readonly [number, number]>>>> };

/** A rack, a cooling table: room for so many. */
export interface PlanPool {
  id: string;
  cap: number;
}

export interface PlanOrder {
  id: string;
  name: string;
  /** min. */
  due: number;
  /** What a minute too late costs against others; 0 where nobody waits. */
  weight: number;
  /** Not before, min. */
  release: number;
  /** Rest after the last operation until it counts as done, min. */
  tail: number;
}

/** One step of a batch, of a sheet of film that several orders share, or of a single piece. */
export interface PlanOp {
  id: string;
  label: string;
  orders: readonly string[];
  /** Ways of doing it; at least one. */
  modes: readonly PlanMode[];
  /** Not before, min. */
  release: number;
}

export interface PlanMode {
  /** `null`: no machine is needed. */
  machine: string | null;
  state: MachineState | null;
  phases: readonly PlanPhase[];
  /** Places taken from begin to end. */
  pools: Readonly<Record<string, number>>;
}

export interface PlanPhase {
  /** min. */
  d: number;
  /** People, in hundredths. */
  ops: number;
  /** Pauses while nobody is there; otherwise it runs through. */
  brk: boolean;
  /** Longest wait after it, its machine still taken, min. */
  wait: number;
}

/** From the end of one to the start of another: at least `min`, at most `max`, min by the clock on the wall. */
export interface PlanLag {
  from: string;
  to: string;
  min: number;
  max: number | null;
}

/** Where an operation lies. */
export interface PlannedOp {
  id: string;
  /** Index among its modes. */
  mode: number;
  /** Start of each phase, min. */
  start: readonly number[];
  /** Start of a change of the machine that takes a person, min; `null` where there is none. */
  setup: number | null;
}

export type LockedOp = Omit<PlannedOp, 'setup'>;
