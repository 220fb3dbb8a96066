import { ROOM_C, plannedMode } from '../work/index.ts';
import type { Operation } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { Equipment, WarmUp } from './documents.ts';
import { pressWith } from './equip.ts';
import { heatChangeS } from './machines.ts';
import { TRADE } from './tradeRanges.ts';

/** A warm-up in words. */
export const warmUpSaid = ({ machine, tempC, heatS, settleS }: WarmUp): Said =>
  say('warm-up', { machine: machine.name, tempC, heatS, settleS });

/**
 * What a line's heated machines take from cold to the first temperature they are used at: a press by its own rate, anything
 * else as the trade reckons. In the order they are first used.
 */
export function warmUpsOf(operations: readonly Operation[], equipment: Equipment): WarmUp[] {
  const found = new Map<string, WarmUp>();
  for (const operation of operations) {
    const { machine, machineKind, stateC } = plannedMode(operation);
    if (machine?.id == null || stateC === null || found.has(machine.id)) continue;
    const isIron = machineKind === 'hand-iron'; // small, and watched by its own light
    found.set(machine.id, {
      machine,
      tempC: stateC,
      heatS: isIron ? TRADE.ironUpS.start : heatUpS(machine.id, stateC, equipment),
      settleS: isIron ? 0 : TRADE.settleS.start,
    });
  }
  return [...found.values()];
}

function heatUpS(machine: string, toC: number, equipment: Equipment): number {
  const press = pressWith(equipment, machine);
  return press === undefined ? TRADE.heatUpS.start : heatChangeS(press, ROOM_C, Math.max(ROOM_C, toC));
}
