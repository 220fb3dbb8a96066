import { doseWords } from './heat.ts';
import type { Figures } from './speech.ts';

const kPa = (value: number, f: Figures): string => f.q(Math.round(value), 'pressure');

/** What tests of a press say, or why they say nothing. */
export const PRESS = {
  'press.no-strip': ({ mark }: { mark: number }) =>
    `Mark ${mark} was tested by pulling a strip, but nothing is told of the strip: how wide it is, how long under the plate, and what it took under a known weight.`,
  'press.no-cylinders': ({ mark }: { mark: number }) =>
    `Mark ${mark} was tested by its air, but nothing is told of the cylinders: how many, and how wide their pistons are.`,
  'press.no-value': ({ mark }: { mark: number }) =>
    `Mark ${mark} has no figure: put down what was read, or take the mark out.`,
  'press.falls': (
    { mark, next, kPa: here, nextKPa }: { mark: number; next: number; kPa: number; nextKPa: number },
    f: Figures,
  ) =>
    `Mark ${mark} comes to ${kPa(here, f)} and mark ${next}, which should press harder, to ${kPa(nextKPa, f)}. One of the two is a slip: test both again, or take one out.`,
  'calibration.nothing': () =>
    'There is nothing in it yet: a course from a logger, a strip’s highest temperature, or recipes whose wash is known.',
  'calibration.too-few': () =>
    'There are fewer than four readings after the press closed: nothing can be fitted to that. Log once a second or faster, and see that the moment of closing is right.',
  'calibration.never-warm': () =>
    'The contacts of the press make no difference to what was read: lay the sensor under the cover sheet, and close the press on it.',
  'calibration.at-a-bound': () =>
    'No contact between a third and three times the usual gives such temperatures. The stack is another than is told here, the sensor lay elsewhere, or the moment of closing is wrong.',
  'calibration.poor': () =>
    'No contact gives such a course: the model stays more than 8 K away from it. The stack is another than is told here, the moment of closing is wrong, or the sensor slipped.',
  'calibration.contradictory': ({ good, bad }: { good: number; bad: number }) =>
    `A recipe that held has a bond of ${doseWords(good)} by the model, and one that came off has ${doseWords(bad)}, which is more. Something else than heat made that one come off (damp, powder not molten, a wash too soon), or one is put down wrong. Take one of the two out; neither is counted until then.`,
  'calibration.beyond': ({ value, held }: { value: number; held: boolean }) =>
    held
      ? `A recipe held with a bond of ${doseWords(value)} by the model, less than a third of what one should need. It is put down wrong, or the stack is another. Recipes are not counted until it is taken out.`
      : `A recipe came off with a bond of ${doseWords(value)} by the model, more than three times what one should need: something else than heat made it come off. Recipes are not counted until it is taken out.`,
  'calibration.contacts': ({ factor, within }: { factor: number; within: number }) =>
    `Heat passes into the work ${factor.toFixed(2)} times as well as on the usual press (${(factor / Math.exp(within)).toFixed(2)} to ${(factor * Math.exp(within)).toFixed(2)}).`,
  'calibration.bond': ({ low, high }: { low: number | null; high: number | null }) =>
    low === null
      ? `A bond is done at ${doseWords(high ?? 1)} of the usual at the latest.`
      : high === null
        ? `A bond takes more than ${doseWords(low)} of the usual.`
        : `A bond is done between ${doseWords(low)} and ${doseWords(high)} of the usual.`,
  'calibration.no-glue': () => 'There is no glue in the stack, so that recipes say nothing of a bond.',
  'calibration.worth': ({ spread, before }: { spread: number; before: number }) =>
    spread < before
      ? `On this press the model is then worth ±${Math.round(100 * spread)} % on dwell, in place of ±${Math.round(100 * before)} %.`
      : `The model stays at ±${Math.round(100 * before)} % on dwell: this tells it nothing it can use.`,
};
