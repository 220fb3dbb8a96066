import { plannedMode } from '../work/index.ts';
import type { Heat, Operation, Phase, StackLayer } from '../work/index.ts';
import { isCloth } from './materials.ts';

/** Something about an operation's heat that is otherwise. All but the last two are differences. */
export interface HeatChange {
  plateK?: number;
  dwellS?: number;
  kPa?: number;
  /** In the uppermost cloth, g/m². */
  waterGM2?: number;
  /** Every cloth, as a multiple. */
  thickness?: number;
  /** Closings in all. */
  bursts?: number;
}

/** The same operation with something changed: every heat hotter, longer or firmer alike. The settings stay as they were. */
export function changeHeat(operation: Operation, change: HeatChange): Operation {
  const mode = plannedMode(operation);
  const phases = change.bursts === undefined ? mode.phases : inBursts(mode.phases, change.bursts);
  return {
    ...operation,
    modes: [
      { ...mode, phases: phases.map((phase) => changePhase(phase, change)) },
      ...operation.modes.slice(1),
    ],
  };
}

function changePhase(
  phase: Phase,
  { plateK = 0, dwellS = 0, kPa = 0, waterGM2 = 0, thickness = 1 }: HeatChange,
): Phase {
  const { heat } = phase;
  if (heat === null) return phase;
  const isDwell = heat.press.over !== 'hover' || phase.onceS > 60; // a short hover only sets the ink before the plate closes
  let isFirst = true;
  const layers = heat.stack.layers.map((layer): StackLayer => {
    if (!isCloth(layer.material)) return layer;
    const more = isFirst ? waterGM2 : 0;
    isFirst = false;
    return { ...layer, dMm: layer.dMm * thickness, waterGM2: layer.waterGM2 + more };
  });
  const changed: Heat = {
    ...heat,
    tempC: heat.tempC + plateK,
    press: { ...heat.press, kPa: heat.press.over === 'platen' ? Math.max(1, heat.press.kPa + kPa) : 0 },
    stack: { ...heat.stack, layers },
  };
  return { ...phase, onceS: Math.max(1, phase.onceS + (isDwell ? dwellS : 0)), heat: changed };
}

/** Closings repeated with what lies between two of them; ten seconds open where there was only one. */
function inBursts(phases: readonly Phase[], count: number): Phase[] {
  const isClosing = ({ heat }: Phase): boolean => heat?.press.over === 'platen';
  const first = phases.findIndex(isClosing);
  if (first < 0) return [...phases];
  const last = phases.map(isClosing).lastIndexOf(true);
  const closing = phases[first];
  const open: Phase =
    last > first ? phases[first + 1] : { ...closing, label: 'open', onceS: 10, isTimed: false, heat: null };
  const between = Array.from({ length: count }, (_, i) => (i === 0 ? [closing] : [open, closing])).flat();
  return [...phases.slice(0, first), ...between, ...phases.slice(last + 1)];
}
