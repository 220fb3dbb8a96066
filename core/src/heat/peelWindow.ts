import type { HeatConditions } from './conditions.ts';
import { heatOperation } from './heatOperation.ts';
import type { Afterwards, OperationInHeat } from './operationCase.ts';

/** While its glue is hotter a film comes off hot, and below the other it comes off cold, °C (trade). */
export const HOT_PEEL_C = 100;
export const COLD_PEEL_C = 40;

/** After the press has opened, s. */
export interface PeelWindow {
  on: Afterwards['on'];
  /** The hot peel's end; `null` where the glue was never so hot. */
  hotUntilS: number | null;
  /** When a cold peel may begin; `null` where it takes longer than was looked at. */
  coldFromS: number | null;
}

const LOOKED_S = 900;

/** When the film of a bond may come off, on each thing it can lie on meanwhile. */
export function peelWindows(own: OperationInHeat, conditions: HeatConditions): PeelWindow[] {
  return (['wood', 'metal', 'press'] as const).flatMap((on) => {
    const heat = heatOperation({ ...own, after: { forS: LOOKED_S, peelAfterS: null, on } }, conditions);
    const glue = heat?.courses.glue;
    const last = heat?.heats.at(-1);
    if (heat === null || glue === undefined || last === undefined) return [];
    const below = (tempC: number): number | null => {
      const i = heat.timesS.findIndex((t, k) => t >= last.toS && (glue[k] ?? Infinity) <= tempC);
      if (i < 1) return null;
      const [before, here] = [glue[i - 1] ?? tempC, glue[i] ?? tempC];
      const share = before > here ? (before - tempC) / (before - here) : 1;
      return Math.max(0, heat.timesS[i - 1] + share * (heat.timesS[i] - heat.timesS[i - 1]) - last.toS);
    };
    const hotUntilS = below(HOT_PEEL_C);
    return [
      {
        on,
        hotUntilS: hotUntilS !== null && hotUntilS > 0 ? hotUntilS : null,
        coldFromS: below(COLD_PEEL_C),
      },
    ];
  });
}
