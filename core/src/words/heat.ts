import type { AnySaid, Tell } from './said.ts';
import { listed } from './speech.ts';
import type { Figures } from './speech.ts';

/** What heat does that is not wanted. */
export type HarmName = 'dye' | 'scorch' | 'shine' | 'stiffener';

const HARMS: Record<HarmName, string> = {
  dye: 'Dye migration',
  scorch: 'Scorch',
  shine: 'Shine on polyester',
  stiffener: 'Glue of the stiffener',
};
const HARM_WAYS: Record<HarmName, string> = {
  dye: 'dye would wander',
  scorch: 'it would scorch',
  shine: 'polyester would shine',
  stiffener: 'the stiffener would come loose',
};

/** A dose as people read it: two figures that count, and no more than it can tell. */
export const doseWords = (value: number): string =>
  value >= 20
    ? 'more than 20'
    : value >= 9.95
      ? value.toFixed(0)
      : value >= 0.095
        ? value.toFixed(1)
        : value >= 0.005
          ? value.toFixed(2)
          : '0';
const s = (durationS: number, f: Figures): string => f.s(Math.max(1, Math.round(durationS)));
const temp = (tempC: number, f: Figures): string => f.temp(Math.round(tempC));

/** What a model of the press finds; each is a model's word, said beside its band. */
export const HEAT = {
  'heat.bond-done': (
    { gateC, passesS, reachedS, value }: { gateC: number; passesS: number; reachedS: number; value: number },
    f: Figures,
  ) =>
    `The glue line passes ${temp(gateC, f)} after ${s(passesS, f)}; bonded at ${s(reachedS, f)}; ${doseWords(value)} times what a bond needs.`,
  'heat.bond-later': ({ by, reachedS, value }: { by: string; reachedS: number; value: number }, f: Figures) =>
    `Bonded only ${s(reachedS, f)} into “${by}”; ${doseWords(value)} times what a bond needs in all.`,
  'heat.bond-short': (
    { gateC, passesS, value }: { gateC: number; passesS: number; value: number },
    f: Figures,
  ) =>
    `The glue line passes ${temp(gateC, f)} after ${s(passesS, f)}, and gets ${doseWords(value)} of what a bond needs: press longer, hotter or firmer.`,
  'heat.bond-cold': ({ gateC, hottestC }: { gateC: number; hottestC: number }, f: Figures) =>
    `The glue line gets no hotter than ${temp(hottestC, f)}; glue begins to wet at ${temp(gateC, f)}.`,
  'heat.patch': ({ then }: { then: AnySaid }, _f: Figures, tell: Tell) => `Under the patch: ${tell(then)}`,
  'heat.melt-done': ({ reachedS, value }: { reachedS: number; value: number }, f: Figures) =>
    `Powder is level after ${s(reachedS, f)}; ${doseWords(value)} times what it needs.`,
  'heat.melt-short': ({ hottestC, value }: { hottestC: number; value: number }, f: Figures) =>
    `Powder gets as hot as ${temp(hottestC, f)} and ${doseWords(value)} of what it needs to run level.`,
  'heat.cure-done': (
    { hottestC, reachedS, value }: { hottestC: number; reachedS: number; value: number },
    f: Figures,
  ) =>
    `The ink itself reaches ${temp(hottestC, f)}; cured after ${s(reachedS, f)} of heat; ${doseWords(value)} times what it needs.`,
  'heat.cure-short': ({ hottestC, value }: { hottestC: number; value: number }, f: Figures) =>
    `The ink itself reaches ${temp(hottestC, f)} and gets ${doseWords(value)} of its cure: it runs some degrees below the plate.`,
  'heat.harm-well': ({ harm, value }: { harm: HarmName; value: number }) =>
    `${HARMS[harm]}: ${doseWords(value)} of its limit.`,
  'heat.harm-near': ({ harm, value }: { harm: HarmName; value: number }) =>
    `${HARMS[harm]}: ${doseWords(value)} of its limit, too near to be sure.`,
  'heat.harm-over': ({ harm, value }: { harm: HarmName; value: number }) =>
    `${HARMS[harm]}: ${doseWords(value)} times its limit.`,
  'heat.parts': ({ parts }: { parts: { by: string; value: number }[] }) =>
    `${listed(parts.map(({ by, value }) => `${doseWords(value)} from “${by}”`))}.`,
  'heat.dry': ({ by, beforeGM2, afterGM2 }: { by: string; beforeGM2: number; afterGM2: number }) =>
    `“${by}” leaves ${Math.round(afterGM2)} of ${Math.round(beforeGM2)} g/m² of water.`,
  'heat.hot-peel': ({ untilS }: { untilS: number }, f: Figures) =>
    `Hot peel: within ${s(untilS, f)} of opening, while the glue is soft.`,
  'heat.hot-peel-gone': () => 'Hot peel: the glue is never soft enough to let go hot.',
  'heat.cold-peel': ({ fromS, on }: { fromS: number; on: 'wood' | 'metal' | 'press' }, f: Figures) =>
    `Cold peel: from ${s(fromS, f)} after opening ${on === 'press' ? 'left on the open press' : on === 'metal' ? 'on a metal table' : 'on a wooden table'}.`,
  'heat.uncalibrated': () =>
    'A model, not calibrated on this press: no nearer than ±25 % on dwell. A wash test decides.',
  'heat.calibrated': ({ on }: { on: string }) => `A model, calibrated on this press on ${on}.`,
  'heat.mat': () =>
    'Custom says a thick mat doubles the dwell. By the model that holds for a mat that stays hot on the press and conducts well; a cold one of plain silicone takes six times as long. Try one piece with yours.',
  'heat.over-done': () =>
    'Far more than it needs: glue may be driven through the cloth. No figure is known for where that begins.',
  // solving
  'heat.solved': (
    {
      kind,
      value,
      harm,
    }: {
      kind: 'duration' | 'temperature' | 'count';
      value: number;
      harm: { of: HarmName; value: number } | null;
    },
    f: Figures,
  ) =>
    `${f.q(value, kind)}${kind === 'count' ? ' closings' : ''} would do${harm && harm.value >= 0.05 ? `; ${HARMS[harm.of].toLowerCase()} then ${doseWords(harm.value)} of its limit` : ''}.`,
  'heat.unsolved-limit': (
    {
      kind,
      value,
      done,
      limit,
    }: { kind: 'duration' | 'temperature' | 'count'; value: number; done: AnySaid; limit: AnySaid | null },
    f: Figures,
    tell: Tell,
  ) =>
    `Nothing does: even at ${f.q(value, kind)}${kind === 'count' ? ' closings' : ''}, ${tell(done)}${limit ? ` More is not allowed: ${tell(limit)}` : ' The machine goes no further.'}`,
  'heat.unsolved-harm': (
    { kind, value, harm }: { kind: 'duration' | 'temperature' | 'count'; value: number; harm: HarmName },
    f: Figures,
  ) =>
    `Nothing does: ${f.q(value, kind)}${kind === 'count' ? ' closings' : ''} would be enough, but ${HARM_WAYS[harm]}.`,
  'heat.comes-to': ({ value }: { value: number }) => `it comes to ${doseWords(value)} of what is needed.`,
  'heat.leaves-water': ({ gM2 }: { gM2: number }) => `${Math.round(gM2)} g/m² of water is left.`,
  'heat.way-hotter': ({ by }: { by: number }, f: Figures) => `Plate hotter by ${f.apart(by)}`,
  'heat.way-firmer': ({ by }: { by: number }, f: Figures) => `Press firmer by ${f.q(by, 'pressure')}`,
  'heat.way-longer': ({ by }: { by: number }, f: Figures) => `Press ${f.s(by)} longer`,
  'heat.way-bare': () => 'Parchment in place of the mat',
  // as a reason of a setting
  'reason.model-dwell': (
    {
      tempC,
      value,
      low,
      high,
      margin,
    }: { tempC: number; value: number; low: number; high: number; margin: number },
    f: Figures,
  ) =>
    `By the heat model about ${f.s(value)} (${f.seconds(low, high)}) at ${temp(tempC, f)}, for ${doseWords(margin)} times what it needs.`,
  'reason.model-not-within': ({ tempC, most }: { tempC: number; most: number }, f: Figures) =>
    `By the heat model not even ${f.s(most)} at ${temp(tempC, f)} would be enough.`,
  'reason.model-against-sheet': (
    { model, sheet, isLonger }: { model: AnySaid; sheet: AnySaid; isLonger: boolean },
    _f: Figures,
    tell: Tell,
  ) =>
    `${tell(model)} That is ${isLonger ? 'longer' : 'shorter'} than the sheet, which is followed: ${tell(sheet)}`,
};
