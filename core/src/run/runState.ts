import type { Verdict } from './events.ts';
import type { ReadyItem } from '../care/index.ts';
import type { Flow } from '../work/index.ts';
import type { PartName } from './runPlan.ts';

export interface StepState {
  /** Says what is done to which parts: {@link stepId}. */
  id: string;
  /** Line and operation by whose route it is done; on a shared sheet parts of other lines are in it too. */
  line: string;
  operation: string;
  /** Place of the operation in its route, from 0. */
  index: number;
  /** Parts in it; one that is lost in it is not among them any more. */
  parts: string[];
  /** `dropped`: begun, and all of it lost before it was done. */
  status: 'idle' | 'running' | 'done' | 'dropped';
  startedAt: string | null;
  completedAt: string | null;
  /** The timed phase that runs, from 0, and since when. */
  phase: number;
  phaseAt: string | null;
  beforeG: number | null;
  afterG: number | null;
  /** When the scale said so. */
  beforeAt: string | null;
  afterAt: string | null;
  /** It makes something again that was lost. */
  isAgain: boolean;
}

/** One thing that is worked on, and how far it has come. */
export interface PartState extends PartName {
  id: string;
  /** Operations of its lane that are done. */
  done: number;
  /** When the last of them was. */
  doneAt: string | null;
  /** The step it is in now. */
  runningIn: string | null;
  /** The part it has been joined to. */
  joinedTo: string | null;
  isLost: boolean;
  /** The piece of its line it is for, from 1; 0 for a spare that none has needed. */
  piece: number;
  /** Number of the piece within the run, line after line, replacements counted on: what is written on it. 0 for what is no piece. */
  number: number;
}

export interface PieceOutcome {
  /** Line it is of, within the run. */
  line: string;
  /** Its {@link PartState.number}. */
  piece: number;
  /** Its part's id. */
  part: string;
  /** The operation it was judged or lost at. */
  operation: string;
  verdict: Verdict;
  faults: string[];
  note: string | null;
  photo: string | null;
  at: string;
  by: string;
}

/** Something that was spoiled on the way, pieces and transfers alike. */
export interface Loss {
  part: string;
  /** The operation it had come to. */
  operation: string;
  isReplaced: boolean;
  faults: string[];
  note: string | null;
  photo: string | null;
  at: string;
  by: string;
}

/** What was looked at before the first print of a line. */
export interface Readied {
  /** Left out, or not right; nothing is held up by it. */
  missed: ReadyItem[];
  nozzlesMissing: number | null;
  at: string;
  by: string;
}

/** Names what is looked at before an operation of a line. */
export const readiedKey = ({ line, operation }: Pick<StepState, 'line' | 'operation'>): string =>
  `${line}/${operation}`;

/** Names a lane's part for a piece, whichever it is by then; the first that is made for it has that very name. */
export const servingKey = (line: string, lane: string, piece: number): string => `${line}.${lane}.${piece}`;

/** Where a run stands. Derived, never stored as truth. */
export interface RunState {
  /** In work order as planned; what is made again comes after. */
  steps: StepState[];
  parts: Record<string, PartState>;
  /** The part that is for a piece now, by {@link servingKey}, where it is not the first that was made for it. */
  serving: Record<string, string>;
  flow: Flow;
  /** What was noted before the first print, by {@link readiedKey}; the newest note of each. */
  readied: Record<string, Readied>;
  /** Pieces planned or begun so far, replacements included. */
  pieces: number;
  /** Pieces of each line that are judged for good: good ones, and scrapped ones that are not made again. */
  settled: Record<string, number>;
  /** When the last piece of a line was judged, by line; `null` while some are not. */
  finishedLines: Record<string, string | null>;
  outcomes: PieceOutcome[];
  losses: Loss[];
  problem: { text: string; at: string; by: string } | null;
  startedAt: string | null;
  finishedAt: string | null;
  /** The event an undo would take back; `null` when there is none. */
  lastEventId: string | null;
  /** Events that came too late to matter, each with why: nothing is dropped in silence. */
  ignored: { eventId: string; why: string }[];
}
