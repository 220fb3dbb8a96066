import type { Garment } from '../blank/index.ts';
import type { Limit, Range, Reason, ReasonSource } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { OutsidePractice, Said } from '../words/index.ts';
import type { PrintInput } from './documents.ts';
import { capPressFor, pressFor } from './equip.ts';
import type { SheetDelay } from './equip.ts';
import { heatLimits, lowered, pressureLimits } from './fabric.ts';
import type { HouseKey } from './house.ts';
import { markForKPa } from './machines.ts';
import type { Press } from './machines.ts';
import { spanOf } from './resolveSetting.ts';
import type { SettingProposal } from './resolveSetting.ts';
import { TRADE } from './tradeRanges.ts';

/** What this shop chose on one point, as a reason; with a value where the choice names one. */
export const houseReason = (
  { house }: Pick<PrintInput, 'house'>,
  key: HouseKey,
  value: number | null,
): Reason => ({ source: 'house', said: say('reason.house', { key, choice: house[key] }), value });

/** The same as something to look at or do. */
export const houseCheck = ({ house }: Pick<PrintInput, 'house'>, key: HouseKey): Said =>
  say('check.house', { key, choice: house[key] });

/** Where practice alone speaks. */
export const tradeReason = (value: number, said: Said): Reason => ({ source: 'trade', said, value });

/** The span practice keeps to, as a limit: for settings of which no maker's sheet speaks. */
export const practiceLimit = (span: Range, what: OutsidePractice): Limit => ({
  ...spanOf(span),
  said: say('limit.practice', { what }),
});

/** What is known of a pressure before it is settled. */
export interface PressureWish {
  kPa: number;
  said: Said;
  /** Who asks for it. */
  source?: ReasonSource;
  /** Besides what the fabric takes. */
  limits?: Limit[];
  /** A hard press is stated for this. */
  isHardStated?: boolean;
  /** What is pressed, where it is not the line's own blank. */
  on?: Garment;
}

/**
 * Pressure of a press: a wish of practice or of the house is lowered to what the fabric takes, one that a sheet asks for is
 * not, and the
 * limits say what it breaks. The gauge's mark is that of the value in force.
 */
export function pressureProposal(
  input: PrintInput,
  {
    kPa,
    said,
    source = 'trade',
    limits = [],
    isHardStated = false,
    on: pressed = input.garment,
  }: PressureWish,
  press: Pick<Press, 'name' | 'kPa' | 'pressureScale'> = pressFor(input),
): SettingProposal {
  const all = [...pressureLimits(pressed, isHardStated), ...limits];
  const wish = source === 'maker' ? null : lowered(all, { value: kPa, said, kind: 'pressure' });
  return {
    key: 'kPa',
    sets: 'pressure',
    label: 'Pressure',
    kind: 'pressure',
    reasons: [{ ...(wish?.reason ?? { said, value: kPa }), source }],
    limits: all,
    ability: press.kPa,
    about: (value) => gaugeReason(press, value),
  };
}

/** Where the press was measured: the mark on its own scale for a pressure. */
function gaugeReason(press: Pick<Press, 'name' | 'pressureScale'>, kPa: number): Reason[] {
  const mark = markForKPa(press, kPa);
  if (mark === null) return [];
  return [{ source: 'proven', said: say('reason.gauge', { press: press.name, mark }), value: null }];
}

/** A temperature under the fabric's limits, on whatever heats it. */
export const heatProposal = (
  garment: Garment,
  reasons: SettingProposal['reasons'],
  limits: SettingProposal['limits'],
  { label, ability }: Pick<SettingProposal, 'label' | 'ability'>,
): SettingProposal => ({
  key: 'tempC',
  sets: 'temperature',
  label,
  kind: 'temperature',
  reasons,
  limits: [...heatLimits(garment), ...limits],
  ability,
});

/** {@link heatProposal} for the flat press. */
export const plateProposal = (
  input: PrintInput,
  reasons: SettingProposal['reasons'],
  limits: SettingProposal['limits'] = [],
): SettingProposal =>
  heatProposal(input.garment, reasons, limits, { label: 'Plate', ability: pressFor(input).plateC });

/** {@link heatProposal} for the upper plate of the cap press. */
export const capPlateProposal = (
  input: PrintInput,
  reasons: SettingProposal['reasons'],
  limits: SettingProposal['limits'] = [],
): SettingProposal =>
  heatProposal(input.garment, reasons, limits, {
    label: 'Upper plate',
    ability: capPressFor(input).plateC,
  });

/** Seconds under the press. */
export function dwellProposal(
  reasons: SettingProposal['reasons'],
  limits: SettingProposal['limits'],
): SettingProposal {
  return {
    key: 'dwellS',
    sets: 'dwell',
    label: 'Dwell',
    kind: 'duration',
    reasons,
    limits,
    ability: { min: 1, max: 600 },
  };
}

/** Seconds a plate is held above wet work before it closes. */
export const hoverProposal = (
  label: string,
  reasons: SettingProposal['reasons'],
  limits: SettingProposal['limits'],
): SettingProposal => ({
  key: 'hoverS',
  sets: 'hover',
  label,
  kind: 'duration',
  reasons,
  limits,
  ability: { min: 0, max: 600 },
});

/** How far above the work a plate is held. */
export const gapProposal = (): SettingProposal => ({
  key: 'gapMm',
  sets: 'gap',
  label: 'Held above',
  kind: 'length',
  reasons: [tradeReason(TRADE.hoverGapMm.start, say('reason.hover-gap', spanOf(TRADE.hoverGapMm)))],
  limits: [practiceLimit(TRADE.hoverGapMm, 'hover-gap')],
  ability: { min: 1, max: 100 },
});

/** Times through a sheet that heat takes longer through. */
export const longerThrough = (
  delay: SheetDelay | null,
  { value, said }: { value: number; said: Said },
): { value: number; said: Said } =>
  delay === null
    ? { value, said }
    : {
        value: Math.round(value * delay.factor),
        said: say('reason.longer-through', { usual: said, sheet: delay.said }),
      };

/** A span of seconds through such a sheet. */
export const spanThrough = (delay: SheetDelay | null, { min, max }: Range): Range => {
  const factor = delay?.factor ?? 1;
  return { min: Math.round(min * factor), max: Math.round(max * factor) };
};

/** A transfer's or an ink's own sheet as a limit. */
export const sheetLimit = (maker: string, span: Range): Limit => ({
  ...spanOf(span),
  said: say('limit.sheet', { maker }),
});
