import { hasFeature, isCap } from '../../blank/index.ts';
import { ROOM_C } from '../../work/index.ts';
import type { Limit, Setting } from '../../work/index.ts';
import { say } from '../../words/index.ts';
import type { PrintInput } from '../documents.ts';
import { capPressFor, inkSheetOf, refOf, sheetDelay, tapeFor } from '../equip.ts';
import type { CoverSheet } from '../materials.ts';
import { pressureLimits } from '../fabric.ts';
import { onCapPress, pressedOnce, sheetWear, tapeUse } from '../practiceParts.ts';
import type { Practice, Settle } from '../practice.ts';
import {
  dwellProposal,
  houseReason,
  longerThrough,
  capPlateProposal,
  practiceLimit,
  pressureProposal,
  sheetLimit,
  spanThrough,
  tradeReason,
} from '../proposals.ts';
import type { PressureWish } from '../proposals.ts';
import { makerReason, spanOf } from '../resolveSetting.ts';
import { stackOf } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';
import { centreCheck } from './centre.ts';
import { transferSourceOf, transferWish } from '../transferSource.ts';
import {
  fabricChecks,
  askedAgain,
  askedDwell,
  glueLimit,
  isPressedNow,
  peelRest,
  sourcePressure,
  transferDwell,
  secondPressure,
} from './transferPress.ts';

/** Lower plate of the cap press: off and as the room is, or warm at most; hotter and the stiffener lets go. */
export function lowerPlate(input: PrintInput, settle: Settle): Setting {
  const { lowerC, name } = capPressFor(input);
  const isWarm = input.house.capLower === 'warm' && lowerC !== null;
  const { max } = TRADE.capLowerC;
  const limits: Limit[] = hasFeature(input.garment, 'stiffener')
    ? [{ min: null, max, said: say('limit.cap-lower') }]
    : [];
  return settle({
    key: 'lowerC',
    sets: 'lower-temperature',
    label: 'Lower plate',
    kind: 'temperature',
    reasons: [
      lowerC === null
        ? { source: 'maker', said: say('reason.no-lower', { press: name }), value: ROOM_C }
        : houseReason(input, 'capLower', isWarm ? TRADE.capLowerC.start : ROOM_C),
      tradeReason(ROOM_C, say('reason.lower-off', { max })),
    ],
    limits,
    ability: lowerC ?? { min: 15, max: 40 },
  });
}

/** A pressure for a cap, on a form that has no scale of its own: foam or a soft front would be crushed by a hard one. */
export function capPressure(input: PrintInput, settle: Settle, wish: PressureWish): Setting {
  const isFoam = hasFeature(input.garment, 'foam') && wish.source === undefined;
  const softened = isFoam ? { kPa: TRADE.foamKPa.start, said: say('reason.foam-front'), limits: [] } : {};
  const mostKPa = Math.min(...pressureLimits(input.garment, true).map(({ max }) => max ?? Infinity));
  // a front that takes no more is pressed as firm as it takes: practice speaks of those that do
  const limits = (wish.limits ?? []).map((own) =>
    wish.source === undefined && own.min !== null ? { ...own, min: Math.min(own.min, mostKPa) } : own,
  );
  return settle(
    pressureProposal(input, { ...wish, limits, isHardStated: true, ...softened }, capPressFor(input)),
  );
}

/** The hottest a cap's own front bears, whoever asks for more. */
const frontLimit = (): Limit => ({
  min: null,
  max: TRADE.capHottestC.max,
  said: say('limit.practice', { what: 'cap-heat' }),
});

/** The tape that holds the film on the curve must bear the plate. */
function tapeLimit(input: PrintInput): Limit[] {
  const tape = tapeFor(input);
  return tape === null ? [] : [{ min: null, max: tape.maxC, said: say('limit.tape', { tape: tape.name }) }];
}

const CORNER_TAPE_M = 0.1; // a strip at each corner of the film (assumption)

/** Bonds a transfer to a cap's front, by the sheet of whoever made it. */
export const capPress: Practice = {
  id: 'press-cap',
  role: 'bond',
  part: 'blank',
  station: 'cap-press',
  applies: (input) => isPressedNow(input) && isCap(input.garment),
  plan: (input, settle) => {
    const source = transferSourceOf(input);
    const wish = transferWish(input);
    const temp = settle(
      capPlateProposal(
        input,
        [makerReason(source.name, source.pressC, wish.temp.value, 'temperature'), wish.temp.reason],
        [
          sheetLimit(source.name, source.pressC),
          frontLimit(),
          ...tapeLimit(input),
          ...glueLimit(input, source),
        ],
      ),
    );
    const dwell = settle(transferDwell(source, wish, null));
    const lower = lowerPlate(input, settle);
    const pressure = capPressure(input, settle, sourcePressure(source, wish.kPa, 'cap-pressure'));
    return {
      title: 'Press the transfer on the cap',
      ...pressedOnce(
        onCapPress(input),
        { label: 'press', handsS: 40, laid: stackOf(input, { carries: 'transfer' }) },
        { temp, dwell, pressure, lower },
      ),
      takes: ['transfer'],
      checks: [
        ...centreCheck(input),
        say('check.heat-tape'),
        ...(hasFeature(input.garment, 'panel-seam') ? [say('check.seam-pad')] : []),
        say(input.house.capLower === 'cold' ? 'check.lower-cool' : 'check.lower-warm'),
        ...fabricChecks(input.garment),
      ],
      look: say('look.pressed-cap'),
      consumes: tapeUse(input, CORNER_TAPE_M),
      waitAfter: peelRest(input, source),
    };
  },
};

/** The print covered and pressed once more on the form, where its own sheet asks for it or this house does so. */
export const capSecondPress: Practice = {
  id: 'second-press-cap',
  role: 'press-again',
  part: 'blank',
  station: 'cap-press',
  applies: (input) =>
    isPressedNow(input) &&
    isCap(input.garment) &&
    (input.house.capSecondPress !== 'none' || askedAgain(input) !== null),
  plan: (input, settle, before) => {
    const source = transferSourceOf(input);
    const wish = transferWish(input);
    const asked = askedAgain(input);
    const sheet = asked ? inkSheetOf(input, asked.sheet) : texturedSheet(input);
    const temp = settle(
      capPlateProposal(
        input,
        [makerReason(source.name, source.pressC, wish.temp.value, 'temperature'), wish.temp.reason],
        [sheetLimit(source.name, source.pressC), frontLimit()],
      ),
    );
    const dwell = settle(asked ? askedDwell(asked) : secondDwell(input, sheet));
    const pressure = capPressure(input, settle, secondPressure(before));
    return {
      title: 'Second press on the cap, covered',
      ...pressedOnce(
        onCapPress(input),
        { label: 'second press', handsS: 25, laid: stackOf(input, { sheet, carries: 'bonded' }) },
        { temp, dwell, pressure },
      ),
      ...(sheet ? { sheet: refOf(sheet), consumes: [sheetWear(sheet)] } : {}),
      checks: [say(sheet ? 'check.clean-side' : 'check.own-film-turned')],
      look: say('look.second-press', { isGlossy: false, isTextured: sheet !== null }),
    };
  },
};

/** As long as practice has it, longer through silicone. */
function secondDwell(input: PrintInput, sheet: CoverSheet | null): ReturnType<typeof dwellProposal> {
  const delay = sheet ? sheetDelay(sheet) : null;
  const { start: value } = TRADE.capSecondS;
  const longer = longerThrough(delay, { value, said: say('reason.second-time', spanOf(TRADE.capSecondS)) });
  return dwellProposal(
    [houseReason(input, 'capSecondPress', null), tradeReason(longer.value, longer.said)],
    [practiceLimit(spanThrough(delay, TRADE.capSecondS), 'press-again')],
  );
}

/** The textured sheet this house puts on caps; its own film, turned, where it has none or wants none. */
const texturedSheet = (input: PrintInput): CoverSheet | null =>
  input.house.capSecondPress === 'silicone' ? inkSheetOf(input, 'silicone-textured') : null;
