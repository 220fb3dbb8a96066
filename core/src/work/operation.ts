import type { QuantityKind } from '../units/index.ts';
import type { Said } from '../words/index.ts';
import type { MachineKind, Ref, Station } from './references.ts';
import type { Setting } from './settings.ts';
import type { Stack } from './stack.ts';

/** What an operation does to what it works on. Everything that is not a name is decided by this. */
export const ROLES = [
  'set-up', // a machine or platen made ready, once
  'mark', // the place for a print found on the blank
  'load', // laid up for the next station
  'pre-press', // moisture out, fibres flat
  'spray', // pretreatment on
  'dry', // pretreatment's water out
  'flatten', // fibres laid after drying
  'print', // ink on: film or blank, by the lane it is in
  'powder', // adhesive onto wet ink
  'melt', // adhesive fused to the ink
  'cut', // transfers taken apart
  'shelve', // put away for later
  'bond', // a transfer or patch fixed for good
  'tack', // held in place until it is bonded
  'peel', // carrier film off
  'press-again', // covered press over a print that is on
  'cure', // ink set in the fabric
  'inspect', // a person judges it
] as const;
export type Role = (typeof ROLES)[number];

/** What is done in one go: a film sheet, what a machine takes at once, one piece, or the whole line. */
export const UNITS = ['sheet', 'load', 'piece', 'line'] as const;
export type Unit = (typeof UNITS)[number];

/** Things that are worked on. A transfer is joined to a patch or a blank, a patch to a blank. */
export const PARTS = ['transfer', 'patch', 'blank'] as const;
export type Part = (typeof PARTS)[number];

/**
 * The way one kind of part goes: its operations one after the other. Lanes run side by side until one takes another's
 * part in.
 */
export interface Lane {
  id: string;
  part: Part;
  /** Which of the line's prints the part carries; `null` for the blank, which carries them all. */
  print: string | null;
  /** Parts made beyond one for each piece, for those that are spoiled. */
  spares: number;
}

/** Pieces worked one through, or all at one station before the next. */
export const FLOWS = ['through', 'batch'] as const;
export type Flow = (typeof FLOWS)[number];

/** Boundary of a stack while it is heated, as a model of the press needs it. */
export interface PressState {
  over: 'platen' | 'hover' | 'chamber' | 'below';
  /** Of the lower plate, °C; `null` where it is not heated. */
  lowerC: number | null;
  kPa: number;
  /** Between plate and work, mm; 0 when it is closed. */
  gapMm: number;
}

/** Heat in one phase: what the machine is told, how it bears on the work, and what lies there. */
export interface Heat {
  tempC: number;
  press: PressState;
  stack: Stack;
}

/** One stretch of an operation. Its length is counted by what is in the unit that is being worked. */
export interface Phase {
  label: string;
  /** For the unit as a whole, s. */
  onceS: number;
  /** More for each part in it, s. */
  eachS: number;
  /** Share of one person's attention, 0–1; 0 where it runs by itself. */
  people: number;
  /** The floor counts it down. */
  isTimed: boolean;
  /** A break may fall into it. */
  canPause: boolean;
  /** Longest the work may stay where it is afterwards, before the next phase, s; `null`: as long as need be. */
  maxWaitS: number | null;
  heat: Heat | null;
}

/** One way of doing an operation: on which machine, how it goes there, and what it holds meanwhile. */
export interface Mode {
  machineKind: MachineKind | null;
  /** `null` for a table and a pair of hands. */
  machine: Ref | null;
  /** Temperature the machine must have before it begins, °C; `null` where it has none to hold. */
  stateC: number | null;
  phases: Phase[];
  /** A place for each part is taken here from the beginning until the wait after it is over. */
  pools: Ref[];
}

/** Rest after an operation before the part may go on, s, with the longest allowed (`null`: no hurry). */
export interface Wait {
  minS: number;
  maxS: number | null;
  why: Said;
}

export interface Consumption {
  /** The material's id in the set-up; `null` where none is kept. */
  id: string | null;
  what: string;
  amount: number;
  kind: QuantityKind;
  cents: number;
  /** The figure rests on an assumption, not on a weighing. */
  isAssumed: boolean;
}

/** Weigh before and after; the difference should come out near the target. */
export interface WeighIn {
  targetG: number;
  toleranceG: number;
}

export interface Operation {
  /** Names it within its route; nothing is to be read from it. */
  id: string;
  role: Role;
  station: Station;
  title: string;
  /** The print it is done for; `null` where it is done for the piece as a whole. */
  print: string | null;
  /** The lane it is a station of. */
  lane: string;
  /** Lanes whose part is joined to this one's here: from here on they are one. */
  takes: string[];
  /** Lanes whose part must be there before this begins, though it is joined only later. */
  awaits: string[];
  unit: Unit;
  /** Parts in a sheet or a load at most; `null` where all of a line go together. */
  size: number | null;
  /** How it can be done, the way that is planned first. Never empty. */
  modes: Mode[];
  settings: Setting[];
  /** The cover sheet it is under. */
  sheet: Ref | null;
  checks: Said[];
  /** What right looks like. */
  look: Said;
  cautions: Said[];
  waitAfter: Wait | null;
  /** Per part. */
  consumes: Consumption[];
  weighIn: WeighIn | null;
}
