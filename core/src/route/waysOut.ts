import { formatQuantity } from '../units/index.ts';
import type { Limit, Operation, Setting } from '../work/index.ts';
import type { PrintInput } from './documents.ts';
import { filmFor } from './equip.ts';
import { heatLimits } from './fabric.ts';
import { isWithin } from './resolveSetting.ts';

/**
 * What could be done about a broken limit. Where limits contradict each other nothing in between is right:
 * another material, another process, or less heat more often.
 */
export function waysOut(input: PrintInput, operation: Operation, setting: Setting): string[] {
  const isOwn = setting.reasons[0]?.source === 'override';
  const bounds = commonBounds(setting.limits);
  const shown = (value: number): string => formatQuantity(value, setting.kind);
  if (bounds !== null)
    return [
      isOwn
        ? `Take the own value back, or stay ${boundWords(bounds, shown)}.`
        : `${boundWords(bounds, shown)} would hold every limit: set it as your own value.`,
    ];
  if (setting.sets === 'temperature' && (operation.station === 'press' || operation.station === 'cap-press'))
    return heatWaysOut(input);
  return ['No value holds all limits: another material, or another process.'];
}

/** The span that holds every limit; `null` where there is none. */
function commonBounds(limits: readonly Limit[]): { min: number; max: number } | null {
  const min = Math.max(-Infinity, ...limits.map((limit) => limit.min ?? -Infinity));
  const max = Math.min(Infinity, ...limits.map((limit) => limit.max ?? Infinity));
  return min <= max ? { min, max } : null;
}

function boundWords({ min, max }: { min: number; max: number }, shown: (value: number) => string): string {
  if (min === max) return `at ${shown(min)}`;
  if (min === -Infinity) return `at most ${shown(max)}`;
  return max === Infinity ? `at least ${shown(min)}` : `between ${shown(min)} and ${shown(max)}`;
}

/** The fabric bears less than the material asks for. */
function heatWaysOut(input: PrintInput): string[] {
  const { equipment, garment, process } = input;
  const most = Math.min(...heatLimits(garment).map(({ max }) => max ?? Infinity));
  const used = process === 'dtg' || process === 'bought-in' ? null : filmFor(input);
  const cooler = equipment.films.find(({ name, pressC }) => name !== used?.name && pressC.min <= most);
  return [
    ...(cooler
      ? [
          `Another film: “${cooler.name}” presses from ${formatQuantity(cooler.pressC.min, 'temperature')} and peels ${cooler.peel}.`,
        ]
      : used && !isWithin(most, used.pressC)
        ? [`Another film: one that presses at ${formatQuantity(most, 'temperature')} or less.`]
        : []),
    `Less heat more often: several presses at ${formatQuantity(most, 'temperature')}, cooling between, after a wash test.`,
    'Another process: see the comparison on the order.',
  ];
}
