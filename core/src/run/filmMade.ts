import { linesOf, shapeFor } from './needs.ts';
import type { RunPlan } from './runPlan.ts';
import type { PartState, RunState } from './runState.ts';

/** Of a line's transfers on film of its own. */
export interface FilmMade {
  /** Printed, those that were lost with them. */
  made: number;
  /** Spoiled between the printer and the piece they are for. */
  lost: number;
  /** Good and left over at its end, by print: spares that were not needed. */
  left: { print: string; slots: number[] }[];
}

/** What became of the transfers that a line has printed. */
export function filmMade(plan: RunPlan, { parts, losses }: RunState, line: string): FilmMade {
  const lines = linesOf(plan);
  const lanes = lines.get(line)?.lanes ?? [];
  const made: FilmMade = { made: 0, lost: 0, left: [] };
  const spoiled = new Set(losses.map(({ part }) => part));
  for (const part of Object.values(parts)) {
    if (part.line !== line) continue;
    const chain = shapeFor(part, lines)?.chains.get(part.lane) ?? [];
    const printing = chain.findIndex(({ role }) => role === 'print');
    const lane = lanes.find(({ id }) => id === part.lane);
    const isSpoiled = spoiled.has(part.id);
    if (lane?.part !== 'transfer' || printing < 0 || (part.done <= printing && !isSpoiled)) continue;
    made.made++;
    if (isSpoiled) made.lost++;
    else if (isLeft(part, chain.length) && lane.print !== null) addLeft(made, lane.print, part.slot);
  }
  return made;
}

/** Whole, and for no piece. */
const isLeft = (part: PartState, steps: number): boolean =>
  part.piece === 0 && !part.isLost && part.done === steps;

function addLeft({ left }: FilmMade, print: string, slot: number): void {
  const own = left.find((known) => known.print === print);
  if (own) own.slots.push(slot);
  else left.push({ print, slots: [slot] });
}
