import type { Operation, Process, Route, RouteInput } from './documents.ts';
import { fibreWords, isMostlyPolyester, needsWhite } from './fabric.ts';
import { planOperation } from './practice.ts';
import type { Practice } from './practice.ts';
import { dtfCut } from './practices/dtfCut.ts';
import { dtfMelt } from './practices/dtfMelt.ts';
import { dtfPeel } from './practices/dtfPeel.ts';
import { dtfPowder } from './practices/dtfPowder.ts';
import { dtfPress } from './practices/dtfPress.ts';
import { dtfPrint } from './practices/dtfPrint.ts';
import { dtfSecondPress } from './practices/dtfSecondPress.ts';
import { dtgCure } from './practices/dtgCure.ts';
import { dtgDry } from './practices/dtgDry.ts';
import { dtgPretreat } from './practices/dtgPretreat.ts';
import { dtgPrint } from './practices/dtgPrint.ts';
import { inspect } from './practices/inspect.ts';
import { prePress } from './practices/prePress.ts';

/** Each process's practices in work order. */
const PRACTICES: Record<Process, readonly Practice[]> = {
  dtf: [dtfPrint, dtfPowder, dtfMelt, dtfCut, prePress, dtfPress, dtfPeel, dtfSecondPress, inspect],
  dtg: [prePress, dtgPretreat, dtgDry, dtgPrint, dtgCure, inspect],
};

/** The process as people call it. */
export const PROCESS_NAMES: Record<Process, string> = {
  dtf: 'Film transfer (DTF)',
  dtg: 'Direct print (DTG)',
};

/**
 * The whole route of one order line: operations in work order, every setting with its reasons and limits.
 * Pure: the same input gives the same route, byte for byte.
 *
 * @throws RangeError for fewer than one piece, or an override that names no operation or setting of this route,
 *   or lies beyond what the machine can be set to
 */
export function planRoute(input: RouteInput): Route {
  if (!(Number.isInteger(input.pieces) && input.pieces >= 1))
    throw new RangeError(`pieces is ${input.pieces}, expected a whole number from 1`);
  const operations = PRACTICES[input.process]
    .filter((practice) => practice.applies(input))
    .map((practice) => planOperation(practice, input));
  refuseLostOverrides(input, operations);
  return {
    process: input.process,
    summary: summarise(input),
    operations,
    totals: totalTimes(operations, input.pieces),
    conflicts: operations.flatMap((operation) =>
      operation.settings.flatMap((setting) =>
        setting.conflicts.map((text) => ({ operation: operation.id, setting: setting.key, text })),
      ),
    ),
  };
}

function refuseLostOverrides({ overrides, process }: RouteInput, operations: Operation[]): void {
  for (const { operation, setting } of overrides) {
    const found = operations.find(({ id }) => id === operation);
    if (!found)
      throw new RangeError(`operation “${operation}” is not part of ${PROCESS_NAMES[process]} here`);
    if (!found.settings.some(({ key }) => key === setting))
      throw new RangeError(`“${found.title}” has no setting “${setting}”`);
  }
}

function summarise({ process, garment, pieces }: RouteInput): string {
  const ground =
    process === 'dtf'
      ? ''
      : isMostlyPolyester(garment)
        ? ', low heat'
        : needsWhite(garment)
          ? ', with white'
          : ', without white';
  return `${PROCESS_NAMES[process]}${ground} on ${garment.colourName.toLowerCase()} ${garment.name}, ${fibreWords(garment)}, ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}`;
}

/**
 * Hands-on and elapsed time for all pieces with one person and one of each machine.
 * Rests between a piece's steps overlap with other pieces' work, so only one of each counts.
 */
function totalTimes(operations: Operation[], pieces: number): Route['totals'] {
  let handsS = 0;
  let elapsedS = 0;
  for (const { per, handsS: hands, machineS, waitAfter } of operations) {
    const times = per === 'piece' ? pieces : 1;
    handsS += times * hands;
    elapsedS += times * (hands + machineS) + (waitAfter?.minS ?? 0);
  }
  return { handsS, elapsedS };
}
