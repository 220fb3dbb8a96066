import { ROOM_C } from '../../work/index.ts';
import type { MachineKind, Mode } from '../../work/index.ts';
import type { MachineState, PlanMachine, PlanPool } from '../instance.ts';
import type { MachineChoice } from '../workOfRun.ts';
import type { Stretch } from './workCalendar.ts';

/** A machine of the shop as far as a plan asks. */
export interface ShopMachine {
  id: string;
  name: string;
  kind: MachineKind;
  /** Heats and cools, °C a minute; `null` for what has no temperature to hold. */
  heats: { upPerMin: number; downPerMin: number; settleMin: number } | null;
  /** Temperatures it can hold, °C. */
  rangeC: { min: number; max: number } | null;
  /** What it takes at most, mm. */
  room: { widthMm: number; heightMm: number };
  /** What it can do beside the others of its kind: another that can do all of it may stand in. */
  can: readonly string[];
  /** Places of a rack or a cooling table; 0 for any other. */
  places: number;
}

/** What any change of a machine costs besides its minutes, min: somebody sees to it (trade habit). */
const CHANGE_FIXED_MIN = 5;
/** Of machines without a temperature: they are always ready. */
const READY = 'ready';

/**
 * State of a machine that was off all night. A press that shows its temperature is not hot all over yet: it settles some
 * minutes more, so it counts as so much colder than the room.
 */
const coldState = ({ heats }: ShopMachine): MachineState =>
  heats === null ? READY : ROOM_C - heats.settleMin * heats.upPerMin;

/** State a machine must be in for a mode. */
const stateFor = ({ heats }: ShopMachine, { stateC }: Mode): MachineState =>
  heats === null ? READY : (stateC ?? ROOM_C);

/** Whether a machine can do what another was planned for. */
const standsIn = (own: ShopMachine, planned: ShopMachine, { stateC }: Mode): boolean =>
  own.kind === planned.kind &&
  own.room.widthMm >= planned.room.widthMm &&
  own.room.heightMm >= planned.room.heightMm &&
  planned.can.every((what) => own.can.includes(what)) &&
  (stateC === null || own.rangeC === null || (own.rangeC.min <= stateC && stateC <= own.rangeC.max));

/**
 * Machines a mode can be done on: the one its route was planned for, then those of its kind that can do all of that.
 * Where that one is gone from the shop, all of its kind that hold the temperature; where there is none, one that is never
 * there, so that the plan says what is missing.
 */
export function machinesFor(machines: readonly ShopMachine[], mode: Mode): MachineChoice[] {
  const planned = machines.find(({ id }) => id === mode.machine?.id);
  const alike = machines.filter((own) =>
    planned === undefined
      ? own.kind === mode.machineKind && standsIn(own, own, mode)
      : own !== planned && standsIn(own, planned, mode),
  );
  const able = [...(planned === undefined ? [] : [planned]), ...alike];
  if (able.length === 0) return [{ machine: missingId(mode), state: READY }];
  return able.map((own) => ({ machine: own.id, state: stateFor(own, mode) }));
}

const missingId = ({ machine, machineKind }: Mode): string => machine?.name ?? machineKind ?? '';

/** A machine that work asks for and the shop has not: never there. */
export const missingMachine = (id: string): PlanMachine => ({
  id,
  kind: '',
  windows: [],
  setup: null,
  changeFixed: 0,
});

/**
 * A machine as a plan takes it.
 *
 * @param now from when it stands as `standing` says, where something was done on it since its window began
 */
export function planMachine(
  machine: ShopMachine,
  windows: readonly Stretch[],
  { now, standingC }: { now: number; standingC: number | null },
): PlanMachine {
  const { id, name, kind, heats } = machine;
  const cold = coldState(machine);
  return {
    id,
    name,
    kind,
    windows: windows.flatMap(([from, to]): PlanMachine['windows'] =>
      standingC !== null && heats !== null && from < now && now < to
        ? [
            [from, now, cold],
            [now, to, standingC],
          ]
        : [[from, to, cold]],
    ),
    setup: heats === null ? null : { kind: 'temp', heat: heats.upPerMin, cool: heats.downPerMin },
    changeFixed: CHANGE_FIXED_MIN,
  };
}

/** Racks and cooling tables: room for so many pieces. */
export const poolsOf = (machines: readonly ShopMachine[]): PlanPool[] =>
  machines.flatMap(({ id, places }) => (places > 0 ? [{ id, cap: places }] : []));
