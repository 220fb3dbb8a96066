import { hasFeature, isCap } from '../../blank/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { capPressFor } from '../equip.ts';
import { heatByShare, isMostlyPolyester } from '../fabric.ts';
import {
  PRESS_CAUTIONS,
  around,
  closed,
  dwellProposal,
  heat,
  houseReason,
  onCapPress,
  onPress,
  plateProposal,
  pressedOnce,
  pressureProposal,
  tradeReason,
} from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { shelfWaterGM2, stackOf } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';

/** Drives the moisture out and lays the fibres flat, before a transfer and before a direct print alike. */
export const prePress: Practice = {
  id: 'pre-press',
  shared: 'region',
  role: 'pre-press',
  part: 'blank',
  station: 'press',
  applies: ({ garment }) => !isCap(garment),
  plan: (input, settle) => {
    const { garment } = input;
    const share = heatByShare(garment, TRADE.transferCottonC, TRADE.transferPolyesterC);
    const temp = settle(
      plateProposal(input, [
        tradeReason(share.value, `At the press temperature of a transfer. ${share.reason.text}`),
      ]),
    );
    const dwell = settle(dwellProposal(dwellReasons(input)));
    const { kPa, why } = pressureFor(input);
    const pressure = settle(pressureProposal(input, kPa, why));
    return {
      title: 'Pre-press the blank',
      ...pressedOnce(
        onPress(input),
        { label: 'pre-press', handsS: 8, laid: stackOf(input, { waterGM2: shelfWaterGM2(garment) }) },
        { temp, dwell, pressure },
      ),
      awaits: ['transfer'],
      checks: ['Lint rolled off', 'No seam, zip or pocket under the print area', 'Not roughed up afterwards'],
      look: 'Flat, dry, a little steam and then none.',
      cautions: [...PRESS_CAUTIONS, CAUTIONS.steam],
    };
  },
};

function dwellReasons(input: PrintInput): Parameters<typeof dwellProposal>[0] {
  if (isMostlyPolyester(input.garment)) {
    const { min, max, start } = TRADE.prePressPolyesterS;
    return [tradeReason(start, `Only a moment on polyester: ${min} to ${max} s.`)];
  }
  const range = input.house.preheat === 'long' ? TRADE.prePressLongS : TRADE.prePressS;
  return [
    houseReason(input, 'preheat', range.start),
    tradeReason(TRADE.prePressS.start, `Until the steam stops: 5 to 10 s.`),
  ];
}

function pressureFor({ garment }: PrintInput): { kPa: number; why: string } {
  if (hasFeature(garment, 'foam')) return { kPa: 20, why: 'Light: foam under the print is crushed by more.' };
  if (isMostlyPolyester(garment)) return { kPa: 15, why: 'Light, so that no mark stays.' };
  return garment.construction === 'fleece'
    ? { kPa: 70, why: 'Hard on fleece, to lay the pile.' }
    : { kPa: 35, why: 'Medium is enough to flatten a knit.' };
}

/** Takes the insert out of a cap and gives its front the form's curve. */
export const prePressCap: Practice = {
  id: 'pre-press-cap',
  shared: 'garment',
  role: 'pre-press',
  part: 'blank',
  station: 'cap-press',
  applies: ({ garment }) => isCap(garment),
  plan: (input, settle) => {
    const { garment } = input;
    const press = capPressFor(input);
    const share = heatByShare(garment, TRADE.capFrontC, TRADE.capFrontC);
    const temp = settle({
      ...plateProposal(input, [
        tradeReason(share.value, `At the temperature the front is pressed at. ${share.reason.text}`),
      ]),
      ability: press.plateC,
    });
    const dwell = settle(
      dwellProposal([
        tradeReason(TRADE.prePressCapS.start, 'Until the front has taken the form’s curve: 3 to 10 s.'),
      ]),
    );
    return {
      title: 'Pre-press the cap',
      unit: 'piece',
      on: onCapPress(input),
      phases: around(15, [
        heat(
          'pre-press',
          temp.value,
          dwell.value,
          closed(40),
          stackOf(input, { waterGM2: shelfWaterGM2(garment) }),
        ),
      ]),
      awaits: ['transfer', 'patch'],
      settings: [temp, dwell],
      checks: ['Card insert out', 'Sweatband folded out', 'Front smooth on the form, no crease at the seam'],
      look: 'The front keeps the form’s curve.',
      cautions: [...PRESS_CAUTIONS, CAUTIONS.steam],
    };
  },
};
