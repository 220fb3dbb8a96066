import type { Limit, Operation, Range, Setting } from '../work/index.ts';
import type { QuantityKind } from '../units/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { PrintInput } from './documents.ts';
import { filmFor, transferOrigin } from './equip.ts';
import { heatLimits } from './fabric.ts';
import { isWithin } from './resolveSetting.ts';

/**
 * What could be done about a broken limit. Where limits contradict each other nothing in between is right:
 * another material, another process, or less heat more often; always something this process has.
 */
export function waysOut(input: PrintInput, operation: Operation, setting: Setting): Said[] {
  const isOwn = setting.reasons[0]?.source === 'override';
  const bounds = commonBounds(setting.limits);
  if (bounds !== null) {
    const own = { bounds: boundsSaid(bounds, setting.kind) };
    return [isOwn ? say('way.own-back', own) : say('way.within', own)];
  }
  if (setting.sets === 'temperature') return heatWaysOut(input, operation);
  if (setting.sets === 'pressure') return [say('way.softer-first'), say('way.another-process')];
  return [say('way.another-material'), say('way.another-process')];
}

/** The span that holds every limit; `null` where there is none. */
function commonBounds(limits: readonly Limit[]): Range | null {
  const min = Math.max(-Infinity, ...limits.map((limit) => limit.min ?? -Infinity));
  const max = Math.min(Infinity, ...limits.map((limit) => limit.max ?? Infinity));
  return min <= max ? { min, max } : null;
}

function boundsSaid({ min, max }: Range, kind: QuantityKind): Said {
  if (min === max) return say('bounds.at', { value: min, kind });
  if (min === -Infinity) return say('bounds.most', { value: max, kind });
  return max === Infinity
    ? say('bounds.least', { value: min, kind })
    : say('bounds.between', { min, max, kind });
}

/** What is worked on bears less than a material asks for. */
function heatWaysOut(input: PrintInput, { role }: Operation): Said[] {
  const mostC = Math.min(...heatLimits(input.garment).map(({ max }) => max ?? Infinity));
  const another = say('way.another-process');
  if (role === 'melt') return [say('way.cooler-powder', { mostC }), another];
  if (input.process === 'dtg')
    return [say('way.cooler-ink', { mostC }), say('way.longer-cure', { mostC }), another];
  const more = say('way.less-more-often', { mostC });
  if (transferOrigin(input) !== 'here') return [say('way.cooler-transfer', { mostC }), more, another];
  return [...filmWaysOut(input, mostC), more, another];
}

function filmWaysOut(input: PrintInput, mostC: number): Said[] {
  const used = filmFor(input);
  const cooler = input.equipment.films.find(({ name, pressC }) => name !== used.name && pressC.min <= mostC);
  if (cooler)
    return [say('way.another-film', { film: cooler.name, fromC: cooler.pressC.min, peel: cooler.peel })];
  return isWithin(mostC, used.pressC) ? [] : [say('way.cooler-film', { mostC })];
}
