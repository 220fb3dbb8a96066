import { hasFeature, isCap } from '../../blank/index.ts';
import type { Limit, Setting } from '../../work/index.ts';
import type { PrintInput } from '../documents.ts';
import { capPressFor, filmFor } from '../equip.ts';
import { heatByShare } from '../fabric.ts';
import {
  dwellProposal,
  houseReason,
  onCapPress,
  plateProposal,
  pressedOnce,
  sheetLimit,
  tradeReason,
} from '../practiceParts.ts';
import type { Practice, Settle } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { stackOf } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';
import { filmSource, isPressedNow } from './filmPress.ts';
import { glueLimit, peelRest } from './transferPress.ts';

/** Lower plate of the cap press: off, or warm at most; hotter and the stiffener lets go. */
export function lowerPlate(input: PrintInput, settle: Settle): Setting {
  const { lowerC, name } = capPressFor(input);
  const isWarm = input.house.capLower === 'warm' && lowerC !== null;
  const limits: Limit[] = hasFeature(input.garment, 'stiffener')
    ? [
        {
          min: null,
          max: TRADE.capLowerC.max,
          text: 'hotter from below, the stiffener’s glue lets go and the front bubbles (trade).',
        },
      ]
    : [];
  return settle({
    key: 'lowerC',
    sets: 'lower-temperature',
    label: 'Lower plate',
    kind: 'temperature',
    reasons: [
      lowerC === null
        ? { source: 'maker', text: `${name} has no heated lower half.`, value: 22 }
        : houseReason(input, 'capLower', isWarm ? TRADE.capLowerC.start : 22),
      tradeReason(22, 'Off, or up to 105 °C.'),
    ],
    limits,
    ability: lowerC ?? { min: 15, max: 40 },
  });
}

/** A pressure for a cap: hard, unless foam or a peak would be crushed. */
export function capPressure(input: PrintInput, settle: Settle, kPa: number, why: string): Setting {
  const isFoam = hasFeature(input.garment, 'foam');
  return settle({
    key: 'kPa',
    sets: 'pressure',
    label: 'Pressure',
    kind: 'pressure',
    reasons: [
      tradeReason(isFoam ? TRADE.foamKPa.start : kPa, isFoam ? 'Foam in the front is crushed by more.' : why),
    ],
    limits: isFoam
      ? [{ min: null, max: TRADE.foamKPa.max, text: 'foam stays flat for good (assumption).' }]
      : [],
    ability: capPressFor(input).kPa,
  });
}

/** The tape that holds the film on the curve must bear the plate. */
const tapeLimit = ({ equipment: { tape } }: PrintInput): Limit[] =>
  tape === null ? [] : [{ min: null, max: tape.maxC, text: `the tape “${tape.name}” holds no more.` }];

/** Bonds a transfer to a cap's front. */
export const capPress: Practice = {
  id: 'press-cap',
  role: 'bond',
  part: 'blank',
  station: 'cap-press',
  applies: (input) => isPressedNow(input) && isCap(input.garment),
  plan: (input, settle) => {
    const { garment } = input;
    const press = capPressFor(input);
    const film = filmFor(input);
    const wish = heatByShare(garment, TRADE.capFrontC, TRADE.capFrontC);
    const temp = settle({
      ...plateProposal(
        input,
        [
          makerReason(film.name, film.pressC, wish.value, 'temperature'),
          tradeReason(wish.value, `Cap fronts: 135 to 140 °C. ${wish.reason.text}`),
        ],
        [sheetLimit(film.name, film.pressC), ...tapeLimit(input), ...glueLimit(input)],
      ),
      label: 'Upper plate',
      ability: press.plateC,
    });
    const { start, min, max } = TRADE.capFrontS;
    const dwell = settle(
      dwellProposal(
        [
          makerReason(film.name, film.dwellS, start, 'duration'),
          tradeReason(start, `Cap fronts: ${min} to ${max} s.`),
        ],
        [sheetLimit(film.name, film.dwellS)],
      ),
    );
    const lower = lowerPlate(input, settle);
    const pressure = capPressure(
      input,
      settle,
      TRADE.capFrontKPa.start,
      'Hard: the front is curved and stiff.',
    );
    return {
      title: 'Press the transfer on the cap',
      ...pressedOnce(
        onCapPress(input),
        { label: 'press', handsS: 40, laid: stackOf(input, { carries: 'transfer' }) },
        { temp, dwell, pressure, lower },
      ),
      takes: ['transfer'],
      checks: [
        'Heat tape at the corners of the film',
        'Seam under a pad where the front has one',
        input.house.capLower === 'cold' ? 'Lower plate off and cool' : 'Lower plate warm, not hot',
      ],
      look: 'Film lies flat over the curve; no bubble in the front.',
      waitAfter: peelRest(input, filmSource(input)),
    };
  },
};
