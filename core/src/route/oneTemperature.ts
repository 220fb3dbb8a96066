import { plannedMode, settingFor } from '../work/index.ts';
import type { Operation, Setting } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Equipment } from './documents.ts';
import { pressWith } from './equip.ts';
import { heatChangeS } from './machines.ts';
import type { CapPress, Press } from './machines.ts';
import { alone } from './practiceParts.ts';

/** Within this a press counts as being at one temperature: no nearer is it set and held, °C (assumption). */
export const SAME_PRESS_C = 5;

/** A press or cap press an operation runs on with its plate's setting; `null` where it heats on none. */
function heatedOn(operation: Operation): { machine: string; setting: Setting } | null {
  const { machine, machineKind } = plannedMode(operation);
  const setting = settingFor(operation, 'temperature');
  const isPress = machineKind === 'press' || machineKind === 'cap-press';
  return isPress && machine?.id && setting ? { machine: machine.id, setting } : null;
}

const isOwn = ({ reasons }: Setting): boolean => reasons[0]?.source === 'override';

const heatS = (operation: Operation): number =>
  plannedMode(operation).phases.reduce((sum, { heat, onceS }) => sum + (heat ? onceS : 0), 0);

interface Heated {
  operation: Operation;
  setting: Setting;
}

/** The span that holds every limit of some settings and what their machine can do; `null` where there is none. */
function commonSpan(all: readonly Heated[]): { min: number; max: number } | null {
  const limits = all.flatMap(({ setting }) => [...setting.limits, setting.ability]);
  const min = Math.max(-Infinity, ...limits.map((own) => own.min ?? -Infinity));
  const max = Math.min(Infinity, ...limits.map((own) => own.max ?? Infinity));
  return min <= max ? { min, max } : null;
}

/**
 * A press has one temperature at a time: what a line does on the same one agrees wherever every limit allows. A person's
 * value is agreed to; else the longest heat's.
 *
 * @returns the plate, °C, by operation, for those that are to be planned otherwise than they would be alone
 */
export function agreedHeats(operations: readonly Operation[]): Map<string, number> {
  const byPress = new Map<string, Heated[]>();
  for (const operation of operations) {
    const own = heatedOn(operation);
    if (own)
      byPress.set(own.machine, [...(byPress.get(own.machine) ?? []), { operation, setting: own.setting }]);
  }
  const agreed = new Map<string, number>();
  for (const all of byPress.values()) {
    const span = commonSpan(all);
    const [wished] = [...all].sort(
      (p, q) =>
        Number(isOwn(q.setting)) - Number(isOwn(p.setting)) || heatS(q.operation) - heatS(p.operation),
    );
    if (span === null || wished === undefined) continue;
    const tempC = Math.min(span.max, Math.max(span.min, wished.setting.value));
    for (const { operation, setting } of all)
      if (setting.value !== tempC && !isOwn(setting)) agreed.set(operation.id, tempC);
  }
  return agreed;
}

/** Where they cannot agree, the press is changed over: a step that takes the time it takes. */
export function withHeatChanges<P extends { operation: Operation }>(
  placed: readonly P[],
  equipment: Equipment,
): P[] {
  const at = new Map<string, number>();
  const found: P[] = [];
  let changes = 0;
  for (const own of placed) {
    const heated = heatedOn(own.operation);
    if (heated) {
      const { machine, setting } = heated;
      const fromC = at.get(machine);
      const press = pressWith(equipment, machine);
      if (press && fromC !== undefined && Math.abs(fromC - setting.value) > SAME_PRESS_C) {
        changes++;
        const operation = changeOver(own.operation, { press, fromC, toC: setting.value }, changes);
        found.push({ ...own, operation });
      }
      at.set(machine, setting.value);
    }
    found.push(own);
  }
  return found;
}

interface Change {
  press: Press | CapPress;
  fromC: number;
  toC: number;
}

function changeOver(before: Operation, { press, fromC, toC }: Change, number: number): Operation {
  const mode = plannedMode(before);
  const isHotter = toC > fromC;
  return {
    ...before,
    id: number === 1 ? 'change-heat' : `change-heat-${number}`,
    role: 'set-up',
    title: isHotter ? 'Heat the press up' : 'Let the press cool down',
    unit: 'line',
    size: null,
    takes: [],
    modes: [
      {
        ...mode,
        stateC: toC,
        phases: [
          alone(isHotter ? 'heat up' : 'cool down', heatChangeS(press, fromC, toC), { maxWaitS: null }),
        ],
        pools: [],
      },
    ],
    settings: [],
    sheet: null,
    checks: [say('check.heat-change', { press: press.name, fromC, toC }), say('check.heat-settled')],
    look: say('look.heat-reached', { toC }),
    cautions: [],
    waitAfter: null,
    consumes: [],
    weighIn: null,
  };
}
