import { PLACEMENTS, regionOf } from '../placement/index.ts';
import type { Lane, Operation } from '../work/index.ts';
import { saidOnce } from '../words/index.ts';
import type { LinePrint, PrintInput, RouteInput } from './documents.ts';
import { isBeforePrints, isLaidSingle, leastHarm } from './heatedAgain.ts';
import type { Applied } from './heatedAgain.ts';
import { agreedHeats, withHeatChanges } from './oneTemperature.ts';
import { operationIdOf, planPractices } from './practice.ts';
import type { PlannedPractice, Practice } from './practice.ts';
import { PROCESS_MODULES } from './processes/index.ts';
import type { Refusal } from './refusal.ts';

/** One print of a line, planned. */
interface Band extends Applied {
  input: PrintInput;
  lanes: Lane[];
  planned: PlannedPractice[];
}

/** All of a line's operations, with the input each was planned from. */
export interface LineWork {
  lanes: Lane[];
  operations: { operation: Operation; input: PrintInput }[];
  /** In the order they are put on. */
  applied: Applied[];
  /** Infinite where one would be heated again that must not be. */
  harm: number;
  refusals: Refusal[];
}

/** The line with one of its prints in the middle of attention. */
export const viewOf = ({ prints: _all, ...line }: RouteInput, print: LinePrint): PrintInput => ({
  ...line,
  ...print,
});

/**
 * What is done to a line's blank and to what is put on it: each print by its own process, shared work once, the prints
 * in the order that harms them least. Everything that is sprayed is sprayed and dried before the first print goes on. What
 * is done on one press is done at one temperature where it can be; where it cannot, the press is changed over.
 */
export function planWork(line: RouteInput): LineWork {
  const alone = orderWork(line, new Map());
  const agreed = agreedHeats(alone.operations.map(({ operation }) => operation));
  const work = agreed.size === 0 ? alone : orderWork(line, agreed);
  return { ...work, operations: withHeatChanges(work.operations, line.equipment) };
}

/** @param agreed plates by operation, where what is done on one press agrees */
function orderWork(line: RouteInput, agreed: ReadonlyMap<string, number>): LineWork {
  const bands = line.prints.map((print) => planBand(line, print, agreed));
  const order = leastHarm(line.garment, bands);
  const ordered = order.applied.map(({ print }) => bands.find((own) => own.print === print) as Band);
  const shared = new Shared(ordered);
  const inLanes = ordered.flatMap(({ planned, input }) =>
    planned
      .filter(({ operation, practice }) => operation.lane !== 'blank' && !practice.shared)
      .map((own) => ({ ...own, input })),
  );
  const onBlank = blankInOrder(ordered, shared);
  const all = [...inLanes, ...onBlank];
  return {
    lanes: uniqueLanes(ordered),
    operations: all.map(({ operation, input }) => ({ operation: titled(line, operation), input })),
    applied: order.applied,
    harm: order.harm,
    refusals: all.flatMap(({ refusals }) => refusals),
  };
}

function planBand(line: RouteInput, print: LinePrint, agreed: ReadonlyMap<string, number>): Band {
  const input = viewOf(line, print);
  const names = ({ id, shared }: Practice): string =>
    operationIdOf({ id }, shared ? firstOfShared(line, print, shared) : print.id);
  const { lanes, planned } = planPractices(PROCESS_MODULES[print.process].practices, input, {
    nameOf: names,
    agreed,
  });
  const onBlank = planned
    .filter(({ practice, operation }) => operation.lane === 'blank' && !practice.shared)
    .map(({ operation }) => operation);
  return { print, input, lanes, planned, onBlank };
}

/** Shared work is named after the first print it is shared by, so that the name stays when the order changes. */
function firstOfShared({ prints }: RouteInput, print: LinePrint, shared: 'garment' | 'region'): string {
  const sharing =
    shared === 'garment'
      ? prints
      : prints.filter(({ placement }) => regionOf(placement.key) === regionOf(print.placement.key));
  return String(Math.min(...sharing.map(({ id }) => Number(id))));
}

type Placed = PlannedPractice & { input: PrintInput };

/** Work that several prints share: planned for the largest of them, done once. */
class Shared {
  private readonly bands: readonly Band[];
  private readonly done = new Set<string>();

  constructor(bands: readonly Band[]) {
    this.bands = bands;
  }

  /** It, the first time it is asked for. */
  take({ operation: { id } }: PlannedPractice): Placed[] {
    if (this.done.has(id)) return [];
    this.done.add(id);
    const all = this.bands.flatMap((band) =>
      band.planned
        .filter((own) => own.practice.shared && own.operation.id === id)
        .map((own) => ({ ...own, input: band.input })),
    );
    const [largest] = [...all].sort((p, q) => areaOf(q.input) - areaOf(p.input));
    const checks = saidOnce(all.flatMap(({ operation }) => operation.checks));
    return [{ ...largest, operation: { ...largest.operation, checks, awaits: this.awaited(all) } }];
  }

  /** What is put on right after it must be there first; what comes after a direct print has time until then. */
  private awaited(all: readonly Placed[]): string[] {
    const direct = this.bands.findIndex(({ onBlank }) => onBlank.some(({ role }) => role === 'print'));
    const soon = this.bands.slice(0, direct < 0 ? undefined : direct).map(({ print }) => print.id);
    return [
      ...new Set(
        all.filter(({ input }) => soon.includes(input.id)).flatMap(({ operation }) => operation.awaits),
      ),
    ];
  }
}

const areaOf = ({ print }: PrintInput): number => print.widthMm * print.heightMm;

/** The blank's own way: made ready, sprayed and dried, print after print, inspected. */
function blankInOrder(bands: readonly Band[], shared: Shared): Placed[] {
  const found: Placed[] = [];
  const last: Placed[] = [];
  const taken = new Set<Operation>();
  const put = (band: Band, own: PlannedPractice): void => {
    const { operation, practice } = own;
    if (taken.has(operation)) return;
    taken.add(operation);
    const placed = practice.shared ? shared.take(own) : [{ ...own, input: band.input }];
    (operation.role === 'inspect' ? last : found).push(...placed);
  };
  for (const band of bands)
    for (const own of ofBlank(band)) if (own.operation.role === 'set-up') put(band, own);
  const sprayAll = (): void => {
    for (const band of bands.filter((own) => !isLaidSingle(own)))
      for (const own of upToDry(band)) put(band, own);
  };
  for (const band of bands)
    for (const own of ofBlank(band)) {
      if (own.operation.role === 'print') sprayAll();
      put(band, own);
    }
  return [...found, ...last];
}

const ofBlank = ({ planned }: Band): PlannedPractice[] =>
  planned.filter(({ operation, practice }) => operation.lane === 'blank' || practice.shared);

/** What a print needs before anything is printed: all up to the last that is sprayed, dried or flattened. */
function upToDry(band: Band): PlannedPractice[] {
  const own = ofBlank(band);
  return own.slice(0, 1 + own.map(({ operation }) => isBeforePrints(operation)).lastIndexOf(true));
}

function uniqueLanes(bands: readonly Band[]): Lane[] {
  const lanes = bands.flatMap((band) => band.lanes);
  const first = lanes.filter(({ id }, i) => lanes.findIndex((own) => own.id === id) === i);
  return [...first.filter(({ part }) => part !== 'blank'), ...first.filter(({ part }) => part === 'blank')];
}

/** With several prints an operation says which one it is for. */
function titled({ prints }: RouteInput, operation: Operation): Operation {
  const print = prints.length > 1 ? prints.find(({ id }) => id === operation.print) : undefined;
  if (!print) return operation;
  const place = PLACEMENTS[print.placement.key].label.toLowerCase();
  return { ...operation, title: `${operation.title}, ${place}` };
}
