import type { AnySaid, Tell } from './said.ts';
import { listed } from './speech.ts';
import type { Figures } from './speech.ts';

/** Water left: what has dried is what the model may be wrong about. */
function leftWords(beforeGM2: number, afterGM2: number, spread: number): string {
  const dried = beforeGM2 - afterGM2;
  const least = Math.max(0, Math.round(beforeGM2 - dried * (1 + spread)));
  const most = Math.round(beforeGM2 - dried * (1 - spread));
  return least === most ? String(least) : `${least} to ${most}`;
}

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
const temp = (tempC: number, f: Figures): string => f.temp(Math.round(tempC));
/** A time with how far off the model may be, as a share either way: "6 to 10 s". */
const around = (durationS: number, spread: number, f: Figures): string =>
  f.seconds(
    Math.max(1, Math.floor(durationS * (1 - spread))),
    Math.max(2, Math.ceil(durationS * (1 + spread))),
  );

/** A third of a plate each way: "front right", "middle". */
export interface PlateThird {
  across: 'left' | 'middle' | 'right';
  along: 'back' | 'middle' | 'front';
}
export const plateWords = ({ across, along }: PlateThird): string =>
  across === 'middle' && along === 'middle' ? 'the middle' : `${along} ${across}`;

/** What a model of the press finds. Doses are said by their bands beside it, times with the model's spread. */
export const HEAT = {
  'heat.bond-done': (
    {
      gateC,
      passesS,
      reachedS,
      spread,
    }: { gateC: number; passesS: number; reachedS: number; spread: number },
    f: Figures,
  ) =>
    `The glue line passes ${temp(gateC, f)} after ${around(passesS, spread, f)}; bonded at ${around(reachedS, spread, f)}.`,
  'heat.bond-later': (
    { by, reachedS, spread }: { by: string; reachedS: number; spread: number },
    f: Figures,
  ) => `Bonded only ${around(reachedS, spread, f)} into “${by}”.`,
  'heat.bond-short': (
    { gateC, passesS, spread }: { gateC: number; passesS: number; spread: number },
    f: Figures,
  ) =>
    `The glue line passes ${temp(gateC, f)} after ${around(passesS, spread, f)}, too late or too lightly for a bond: press longer, hotter or firmer.`,
  'heat.bond-cold': ({ gateC, hottestC }: { gateC: number; hottestC: number }, f: Figures) =>
    `The glue line gets no hotter than about ${temp(hottestC, f)}; glue begins to wet at ${temp(gateC, f)}.`,
  'heat.patch': ({ then }: { then: AnySaid }, _f: Figures, tell: Tell) => `Under the patch: ${tell(then)}`,
  'heat.melt-done': ({ reachedS, spread }: { reachedS: number; spread: number }, f: Figures) =>
    `Powder is level after ${around(reachedS, spread, f)}.`,
  'heat.melt-short': ({ hottestC }: { hottestC: number }, f: Figures) =>
    `Powder gets as hot as about ${temp(hottestC, f)}, not long enough to run level.`,
  'heat.cure-done': (
    { hottestC, reachedS, spread }: { hottestC: number; reachedS: number; spread: number },
    f: Figures,
  ) =>
    `The ink itself reaches about ${temp(hottestC, f)}; cured after ${around(reachedS, spread, f)} of heat.`,
  'heat.cure-short': ({ hottestC }: { hottestC: number }, f: Figures) =>
    `The ink itself reaches about ${temp(hottestC, f)}, some degrees below the plate, not long enough to cure.`,
  'heat.harm-well': ({ harm, value }: { harm: HarmName; value: number }) =>
    value < 0.1 ? `${HARMS[harm]}: nowhere near its limit.` : `${HARMS[harm]}: well below its limit.`,
  'heat.harm-near': ({ harm }: { harm: HarmName }) => `${HARMS[harm]}: too near its limit to be sure.`,
  'heat.harm-over': ({ harm }: { harm: HarmName }) => `${HARMS[harm]}: beyond its limit.`,
  'heat.parts': ({ parts }: { parts: { by: string; share: number }[] }, f: Figures) =>
    `Of it ${listed(parts.map(({ by, share }) => `${f.percent(share)} from “${by}”`))}.`,
  'heat.dry': ({
    by,
    beforeGM2,
    afterGM2,
    spread,
  }: {
    by: string;
    beforeGM2: number;
    afterGM2: number;
    spread: number;
  }) => `“${by}” leaves ${leftWords(beforeGM2, afterGM2, spread)} of ${Math.round(beforeGM2)} g/m² of water.`,
  'heat.hot-peel': ({ untilS, spread }: { untilS: number; spread: number }, f: Figures) =>
    `Hot peel: within ${around(untilS, spread, f)} of opening, while the glue is soft.`,
  'heat.hot-peel-gone': () => 'Hot peel: the glue is never soft enough to let go hot.',
  'heat.cold-peel': (
    { fromS, on, spread }: { fromS: number; on: 'wood' | 'metal' | 'press'; spread: number },
    f: Figures,
  ) =>
    `Cold peel: from ${around(fromS, spread, f)} after opening ${on === 'press' ? 'left on the open press' : on === 'metal' ? 'on a metal table' : 'on a wooden table'}.`,
  'heat.uncalibrated': () =>
    'A model, not calibrated on this press: no nearer than ±25 % on dwell. A wash test decides.',
  'heat.calibrated': ({ on, spread }: { on: string; spread: number }) =>
    `A model, calibrated on this press on ${on}: worth ±${Math.round(100 * spread)} % on dwell. A wash test decides.`,
  'heat.surveyed': (
    { press, on, offsetK, uncertainK }: { press: string; on: string; offsetK: number; uncertainK: number },
    f: Figures,
  ) =>
    `${press}, surveyed on ${on}: where the print lies its plate is ${Math.abs(offsetK) < 0.5 ? 'as its display says' : `${f.apart(Math.abs(offsetK))} ${offsetK < 0 ? 'colder' : 'hotter'} than its display`}, ± ${f.apart(uncertainK)}. That is counted in.`,
  'heat.survey-due': ({ press, days }: { press: string; days: number }) =>
    `The survey of ${press} is ${days} days old: a new one is due.`,
  'heat.never-surveyed': ({ press }: { press: string }, f: Figures) =>
    `${press} was never surveyed: its display is taken at its word, ± ${f.apart(5)}.`,
  'heat.pressure-tested': () => 'Its pressure scale is tested, and that is counted in.',
  'heat.pressure-untested': () =>
    'Its pressure was never tested: a stated one is taken to be right within 0.7 to 1.4 times.',
  'heat.cold-under': (
    { press, place, colderK }: { press: string; place: PlateThird; colderK: number },
    f: Figures,
  ) =>
    `The print reaches a cold place of ${press}, ${plateWords(place)}: about ${f.apart(Math.round(colderK))} colder than the plate over the rest of it. Move it away from there, press it turned round a second time, or set the plate ${f.apart(Math.ceil(colderK / 2))} hotter where every limit allows.`,
  'heat.mat': () =>
    'Custom says a thick mat doubles the dwell. By the model that holds for a mat that stays hot on the press and conducts well; a cold one of plain silicone takes six times as long. Try one piece with yours.',
  'heat.over-done': () =>
    'Far more than it needs: glue may be driven through the cloth. No figure is known for where that begins.',
  // what if
  'heat.if-hotter': ({ by }: { by: number }, f: Figures) => `Plate ${f.apart(by)} hotter`,
  'heat.if-cooler': ({ by }: { by: number }, f: Figures) => `Plate ${f.apart(by)} colder`,
  'heat.if-longer': ({ by }: { by: number }, f: Figures) => `${f.s(by)} longer`,
  'heat.if-shorter': ({ by }: { by: number }, f: Figures) => `${f.s(by)} shorter`,
  'heat.if-firmer': ({ by }: { by: number }, f: Figures) => `One step firmer, ${f.q(by, 'pressure')} more`,
  'heat.if-lighter': ({ by }: { by: number }, f: Figures) => `One step lighter, ${f.q(by, 'pressure')} less`,
  'heat.if-damp': ({ by }: { by: number }) => `A damp garment, ${by} g/m² more`,
  'heat.if-thicker': ({ by }: { by: number }, f: Figures) => `Cloth ${f.percent(by - 1)} thicker`,
  'heat.if-mat-cold': () => 'The mat cold',
  'heat.if-mat-parked': () => 'The mat kept hot on the press',
  // solving
  'heat.solved': (
    {
      kind,
      value,
      low,
      high,
      harm,
    }: {
      kind: 'duration' | 'temperature' | 'count';
      value: number;
      low: number;
      high: number;
      harm: HarmName | null;
    },
    f: Figures,
  ) =>
    `About ${f.q(value, kind)}${kind === 'count' ? ' closings' : ''} would do (${f.span(low, high, kind)} by what the model is worth)${harm ? `; ${HARMS[harm].toLowerCase()} is then the nearest harm, within its limit` : ''}.`,
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
  'heat.comes-to': ({ value, spread }: { value: number; spread: number }) =>
    `it comes to ${doseWords(value * (1 - spread))} to ${doseWords(value * (1 + spread))} of what is needed.`,
  'heat.leaves-water': ({ gM2 }: { gM2: number }) => `about ${Math.round(gM2)} g/m² of water is left.`,
  'heat.way-hotter': ({ by }: { by: number }, f: Figures) => `Plate hotter by ${f.apart(by)}`,
  'heat.way-firmer': ({ by }: { by: number }, f: Figures) => `Press firmer by ${f.q(by, 'pressure')}`,
  'heat.way-longer': ({ by }: { by: number }, f: Figures) => `Press ${f.s(by)} longer`,
  'heat.way-both': ({ by, firmerBy }: { by: number; firmerBy: number }, f: Figures) =>
    `Plate hotter by ${f.apart(by)} and press firmer by ${f.q(firmerBy, 'pressure')}`,
  'heat.way-beyond': (
    { kind, low, high }: { kind: 'duration' | 'temperature' | 'count'; low: number; high: number },
    f: Figures,
  ) => `Beyond the limit: ${f.span(low, high, kind)}${kind === 'count' ? ' closings' : ''}`,
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
