import { countdownS as countdownFor } from '../work/index.ts';
import type { Flow, Lane, Operation } from '../work/index.ts';

/** What the floor needs of one operation of a route. */
export type RunOperation = Pick<
  Operation,
  | 'id'
  | 'role'
  | 'station'
  | 'lane'
  | 'takes'
  | 'awaits'
  | 'unit'
  | 'size'
  | 'modes'
  | 'waitAfter'
  | 'weighIn'
>;

/** One order line in a run: its route and how many pieces of it are made. */
export interface RunLine {
  /** Its name within the run, of digits: "1", "2". */
  key: string;
  lanes: readonly Lane[];
  operations: readonly RunOperation[];
  pieces: number;
}

/** Transfers of several lines on one piece of film: printed, powdered, melted and cut together. */
export interface SharedSheet {
  id: string;
  /** Parts on it, by {@link partId}. */
  parts: readonly string[];
}

/** What is made in one go on the floor. */
export interface RunPlan {
  lines: readonly RunLine[];
  sheets: readonly SharedSheet[];
  /** How it is begun; the floor may change it. */
  flow: Flow;
}

/** The plan of one line by itself. */
export const planOfLine = (
  { lanes, operations, flow = 'through' }: Pick<RunLine, 'lanes' | 'operations'> & { flow?: Flow },
  pieces: number,
): RunPlan => ({ lines: [{ key: '1', lanes, operations, pieces }], sheets: [], flow });

/** One thing that is worked on: piece 3's blank, or the transfer for it. */
export interface PartName {
  line: string;
  lane: string;
  /** The piece it is for, from 1. */
  slot: number;
  /** 1 for the first that is made, counted up each time one is lost. */
  attempt: number;
}

const slotText = (slot: number, attempt: number): string =>
  attempt === 1 ? `${slot}` : `${slot}~${attempt}`;

/** "1.blank.3", or "1.transfer-1.3~2" for one that is made again. */
export const partId = ({ line, lane, slot, attempt }: PartName): string =>
  `${line}.${lane}.${slotText(slot, attempt)}`;

/**
 * Names a step by what is done to which parts, so that the name says the same on every device and at any time:
 * "melt-powder/1.transfer-1.1-6", "print-film/1.transfer-1.1-3+2.transfer-1.4,7~2".
 *
 * @param parts at least one, in any order; each run of neighbours is shortened
 */
export function stepId(operation: string, parts: readonly PartName[]): string {
  const [only] = parts;
  if (parts.length === 1) return `${operation}/${'id' in only ? (only as { id: string }).id : partId(only)}`;
  const groups = new Map<string, PartName[]>();
  for (const part of parts) {
    const lane = `${part.line}.${part.lane}`;
    const own = groups.get(lane);
    if (own) own.push(part);
    else groups.set(lane, [part]);
  }
  return `${operation}/${[...groups].map(([lane, own]) => `${lane}.${ranges(own)}`).join('+')}`;
}

function ranges(parts: readonly PartName[]): string {
  const sorted = [...parts].sort((p, q) => p.attempt - q.attempt || p.slot - q.slot);
  const texts: string[] = [];
  for (let i = 0; i < sorted.length;) {
    const { slot, attempt } = sorted[i];
    let last = i;
    while (
      attempt === 1 &&
      last + 1 < sorted.length &&
      sorted[last + 1].attempt === 1 &&
      sorted[last + 1].slot === sorted[last].slot + 1
    )
      last++;
    texts.push(last > i ? `${slot}-${sorted[last].slot}` : slotText(slot, attempt));
    i = last + 1;
  }
  return texts.join(',');
}

const GROUP = /^(\d+)\.([a-z][a-z0-9-]*)\.([\d,~-]+)$/;
const SLOTS = /^(\d{1,6})(?:-(\d{1,6})|~(\d{1,3}))?$/;
const MOST_PARTS = 20_000; // of any run there will be

/**
 * What a step's name says.
 *
 * @param most parts a step can have: a name that says more is no step
 * @returns `null` for a text that names no step
 */
export function readStepId(text: string, most = MOST_PARTS): { operation: string; parts: PartName[] } | null {
  const cut = text.indexOf('/');
  if (cut < 1) return null;
  const parts: PartName[] = [];
  for (const group of text.slice(cut + 1).split('+')) {
    const found = GROUP.exec(group);
    if (!found) return null;
    const [, line, lane, slots] = found;
    for (const span of slots.split(',')) {
      const read = SLOTS.exec(span);
      if (!read) return null;
      const from = Number(read[1]);
      const to = Number(read[2] ?? read[1]);
      const attempt = Number(read[3] ?? 1);
      if (from < 1 || to < from || attempt < 1 || parts.length + to - from >= most) return null;
      for (let slot = from; slot <= to; slot++) parts.push({ line, lane, slot, attempt });
    }
  }
  return { operation: text.slice(0, cut), parts };
}

/** Seconds a step counts down for what is in it; 0 when nothing is timed. */
export const countdownS = (
  operation: Pick<RunOperation, 'modes'>,
  step: { parts: readonly string[] },
): number => countdownFor(operation, step.parts.length);
