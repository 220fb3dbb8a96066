import { daysFrom } from '@saltflat/core/plan';
import type { ShopJob, ShopMachine, ShopNow } from '@saltflat/core/plan';
import type { Equipment, Press } from '@saltflat/core/route';
import type { RunLine, RunOperation } from '@saltflat/core/run';
import type { Machine } from './catalogue.ts';
import type { PlanGround, PlanJob, PlanLine, PlannedOperation } from './dayPlans.ts';
import { equipmentOf } from './equipment.ts';
import { dayIn, midnightIn, minuteOfIn } from './wallClock.ts';

/** Days that are planned: a fortnight. */
export const PLANNED_DAYS = 14;

/** What work for the shelf counts against an order somebody waits for. */
const SHELF_WEIGHT = 0.2;
/** Until a press that is hot is hot all over, min (trade range 5–10 min). */
const SETTLE_MIN = 5;
/** Of ovens, belts and griddles, that say nothing of it: 11 min to 160 °C (trade range 8–15 min), cooling as a press. */
const OTHERS_UP = 12.5;
const OTHERS_DOWN = 2.5;
/** A hand iron is hot in 4 min (assumed). */
const IRON_UP = 35;
const NO_ROOM = { widthMm: 0, heightMm: 0 };

const cold = { heats: null, rangeC: null, can: [], places: 0, room: NO_ROOM };
type Heats = NonNullable<ShopMachine['heats']>;
const OTHERS: Heats = { upPerMin: OTHERS_UP, downPerMin: OTHERS_DOWN, settleMin: SETTLE_MIN };

/** The machines of a shop as far as a plan asks. */
export function shopMachines(machines: readonly Machine[]): ShopMachine[] {
  const own = equipmentOf({ materials: [], machines });
  return [
    ...own.printers.map(({ tasks, modes, platens, whiteJobs, ...printer }): ShopMachine => ({
      ...cold,
      ...named(printer),
      kind: 'printer',
      room: roomOf(printer),
      // another one prints as it does only with the same passes on the same platens
      can: [...tasks, JSON.stringify([modes, platens, whiteJobs])],
    })),
    ...own.sprayers.map((sprayer): ShopMachine => ({
      ...cold,
      ...named(sprayer),
      kind: 'sprayer',
      can: [sprayer.id],
    })),
    ...heatedOf(own),
    ...places('rack', own.rack),
    ...places('cooling-table', own.coolingTable),
  ];
}

const named = ({ id, name }: { id: string; name: string }) => ({ id, name });
const roomOf = ({ widthMm, heightMm }: ShopMachine['room']) => ({ widthMm, heightMm });
const places = (
  kind: ShopMachine['kind'],
  own: { id: string; name: string; places: number } | null,
): ShopMachine[] => (own ? [{ ...cold, ...named(own), kind, places: own.places }] : []);

function heatedOf(own: Equipment): ShopMachine[] {
  const heated = (
    kind: ShopMachine['kind'],
    machine: { id: string; name: string },
    rest: Partial<ShopMachine>,
  ): ShopMachine => ({ ...cold, ...named(machine), kind, heats: OTHERS, ...rest });
  const press = ({ heatsPerMin, coolsPerMin }: Pick<Press, 'heatsPerMin' | 'coolsPerMin'>): Heats => ({
    upPerMin: heatsPerMin,
    downPerMin: coolsPerMin,
    settleMin: SETTLE_MIN,
  });
  return [
    ...own.presses.map((machine) =>
      heated('press', machine, {
        heats: press(machine),
        rangeC: machine.plateC,
        room: roomOf(machine),
        can: machine.hasHeatedLower ? ['heated-lower'] : [],
      }),
    ),
    ...own.capPresses.map((machine) =>
      heated('cap-press', machine, {
        heats: press(machine),
        rangeC: machine.plateC,
        room: roomOf(machine),
        can: machine.lowerC ? ['heated-lower'] : [],
      }),
    ),
    ...own.ovens.map((oven) => heated('oven', oven, { rangeC: oven.chamberC, room: roomOf(oven) })),
    ...own.griddles.map((griddle) =>
      heated('griddle', griddle, { rangeC: griddle.surfaceC, room: roomOf(griddle) }),
    ),
    ...own.belts.map((belt) =>
      heated('belt', belt, {
        rangeC: belt.tunnelC,
        room: { widthMm: belt.widthMm, heightMm: belt.tunnelMm },
      }),
    ),
    ...(own.handIron
      ? [
          heated('hand-iron', own.handIron, {
            heats: { upPerMin: IRON_UP, downPerMin: IRON_UP, settleMin: 0 },
            rangeC: own.handIron.plateC,
          }),
        ]
      : []),
  ];
}

/** Lines made in one go as a plan takes them. */
export function shopJob({ key, flow, sheets, lines, stands }: Omit<PlanJob, 'runId' | 'layout'>): ShopJob {
  const known = new Map(
    lines.flatMap((line) => line.operations.map((own) => [`${line.key} ${own.id}`, own] as const)),
  );
  const find = (line: RunLine, { id }: RunOperation): PlannedOperation | undefined =>
    known.get(`${line.key} ${id}`);
  return {
    key,
    plan: { lines, sheets, flow },
    state: stands,
    lines: lines.map(lineOf),
    titleOf: (line, operation) => find(line, operation)?.title ?? operation.role,
    paceOf: (line, operation) => find(line, operation)?.pace ?? null,
  };
}

const lineOf = ({
  lineId,
  code,
  customer,
  dueAt,
  restBeforeDispatchS,
  materialsAt,
  isForShelf,
}: PlanLine) => ({
  id: lineId,
  code,
  customer,
  dueMs: Date.parse(dueAt),
  restS: restBeforeDispatchS,
  releaseMs: materialsAt === null ? null : Date.parse(materialsAt),
  weight: isForShelf ? SHELF_WEIGHT : 1,
});

/** The open shop at an instant, as it is planned. */
export function shopNow(
  { calendar: { document: calendar }, jobs, kept }: PlanGround,
  machines: readonly Machine[],
  nowMs: number,
): ShopNow {
  const epochMs = midnightIn(calendar.zone, nowMs);
  const keptMs = kept === null ? 0 : Date.parse(kept.document.epoch);
  const msOf = (minute: number): number => keptMs + 60_000 * minute;
  const ops = kept?.document.ops ?? [];
  return {
    jobs: jobs.map(shopJob),
    machines: shopMachines(machines),
    calendar,
    epochMs,
    nowMs,
    days: daysFrom(dayIn(calendar.zone, nowMs), PLANNED_DAYS),
    minuteOf: minuteOfIn(calendar.zone, epochMs),
    former: ops.map(({ id, machine, phases }) => ({
      id,
      machine,
      startMs: phases.map(({ from }) => msOf(from)),
    })),
    locks: ops
      .filter(({ isLocked }) => isLocked)
      .map(({ id, machine, phases }) => ({ id, machine, startMs: phases.map(({ from }) => msOf(from)) })),
  };
}
