import { hasFeature, isCap, isCloth } from '../../blank/index.ts';
import type { BoughtPretreatment, Garment } from '../../blank/index.ts';
import { crossesPocket } from '../../placement/index.ts';
import { say } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { capMatFor, coverSheetFor, refOf, sheetDelay } from '../equip.ts';
import { keptSheet } from '../keptSheet.ts';
import { between } from '../fabric.ts';
import { delicateShare } from '../fibres.ts';
import { jobHeat } from '../jobHeat.ts';
import { placementOf } from '../placing.ts';
import { PRESS_CAUTIONS, onCapPress, onPress, pressedOnce, sheetWear } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import {
  capPlateProposal,
  dwellProposal,
  houseReason,
  longerThrough,
  plateProposal,
  practiceLimit,
  pressureProposal,
  sheetLimit,
  spanThrough,
  tradeReason,
} from '../proposals.ts';
import type { PressureWish } from '../proposals.ts';
import { makerReason, spanOf } from '../resolveSetting.ts';
import { shelfWaterGM2, stackOf } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';
import { capPressure } from './capPress.ts';
import { hasPad } from './transferPress.ts';

/**
 * Drives the moisture out and lays the fibres flat, before a transfer and before a direct print alike. A patch has neither,
 * and a plate would soften its own glue.
 */
export const prePress: Practice = {
  id: 'pre-press',
  shared: 'region',
  role: 'pre-press',
  part: 'blank',
  station: 'press',
  applies: ({ garment }) => isCloth(garment),
  plan: (input, settle) => {
    const { garment } = input;
    const { pretreated } = garment;
    const sheet = pretreated === null ? null : coverSheetFor(input, 'pretreatment');
    const temp = settle(plateOf(input));
    const dwell = settle(dwellOf(input));
    const pressure = settle(pressureProposal(input, flattening(garment)));
    return {
      title: pretreated === null ? 'Pre-press the blank' : 'Press the pretreated blank',
      ...pressedOnce(
        onPress(input),
        { label: 'pre-press', handsS: 8, laid: stackOf(input, { sheet, waterGM2: shelfWaterGM2(garment) }) },
        { temp, dwell, pressure },
      ),
      ...(sheet ? { sheet: keptSheet(sheet), consumes: [sheetWear(sheet)] } : {}),
      awaits: ['transfer'],
      checks: [
        say('check.lint'),
        say(underPlate(input)),
        say('check.not-roughed'),
        ...(pretreated === null
          ? []
          : [say('check.pretreated-date', { fluid: pretreated.fluid, days: pretreated.shelfDays })]),
      ],
      look: say(pretreated === null ? 'look.flat-no-steam' : 'look.flat-no-box'),
      cautions: [...PRESS_CAUTIONS, CAUTIONS.steam],
    };
  },
};

/** What lies under the plate with the print: a pocket that is padded, another pad, or nothing. */
function underPlate(input: PrintInput): 'check.pocket-padded' | 'check.pad-in-place' | 'check.nothing-under' {
  const { garment, placement } = input;
  if (crossesPocket(garment, placement.key, placementOf(input).sizes)) return 'check.pocket-padded';
  return hasPad(input) ? 'check.pad-in-place' : 'check.nothing-under';
}

/** At what the job is pressed at; where the blank was pretreated its sheet stands above that. */
function plateOf(input: PrintInput): ReturnType<typeof plateProposal> {
  const job = jobHeat(input);
  const { pretreated } = input.garment;
  if (pretreated === null) return plateProposal(input, [job]);
  const { fluid, pressC } = pretreated;
  const bySheet = makerReason(fluid, pressC, job.value ?? pressC.min, 'temperature');
  return plateProposal(input, [bySheet, job], [sheetLimit(fluid, pressC)]);
}

/** Until the steam stops; on fibres that melt only a moment, in a blend between the two. */
function dwellOf(input: PrintInput): ReturnType<typeof dwellProposal> {
  const { pretreated } = input.garment;
  if (pretreated !== null) return layingDwell(pretreated);
  const share = delicateShare(input.garment);
  const range = input.house.preheat === 'long' ? TRADE.prePressLongS : TRADE.prePressS;
  const { min, max, start } = TRADE.prePressPolyesterS;
  const at = (cotton: number): number => Math.round(cotton + (start - cotton) * share);
  const limits = [practiceLimit(between(TRADE.prePressAnyS, TRADE.prePressPolyesterS, share), 'pre-press')];
  if (share >= 0.5)
    return dwellProposal(
      [tradeReason(at(range.start), say('reason.pre-press-polyester', { min, max }))],
      limits,
    );
  return dwellProposal(
    [
      houseReason(input, 'preheat', at(range.start)),
      tradeReason(at(TRADE.prePressS.start), say('reason.pre-press-steam', spanOf(TRADE.prePressS))),
    ],
    limits,
  );
}

/** The short press that lays the fibres of a pretreated blank, by its sheet. */
const layingDwell = ({ fluid, pressS }: BoughtPretreatment): ReturnType<typeof dwellProposal> => {
  const { start } = TRADE.airDryPressS;
  return dwellProposal(
    [
      makerReason(fluid, pressS, start, 'duration'),
      tradeReason(start, say('reason.lay-fibres', { ...spanOf(TRADE.airDryPressS), isAfterHover: false })),
    ],
    [sheetLimit(fluid, pressS)],
  );
};

/** How firm a blank is flattened: hard for the pile of fleece, light where a mark would stay, straight between in a blend. */
function flattening(garment: Garment): PressureWish {
  const [cotton, polyester, fleece] = [35, 15, 70]; // kPa, by the words of the trade
  if (hasFeature(garment, 'foam')) return { kPa: 20, said: say('reason.foam-light') };
  const share = delicateShare(garment);
  const isFleece = garment.construction === 'fleece';
  const kPa = Math.round((isFleece ? fleece : cotton) + (polyester - (isFleece ? fleece : cotton)) * share);
  if (share >= 0.5) return { kPa, said: say('reason.no-mark') };
  return isFleece
    ? { kPa: fleece, said: say('reason.lay-pile'), isHardStated: true }
    : { kPa, said: say('reason.flatten-knit') };
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
    const mat = capMatFor(input);
    const delay = mat ? sheetDelay(mat) : null;
    const usual = longerThrough(delay, {
      value: TRADE.prePressCapS.start,
      said: say('reason.pre-press-cap', spanOf(TRADE.prePressCapS)),
    });
    const temp = settle(capPlateProposal(input, [jobHeat(input)]));
    const dwell = settle(
      dwellProposal(
        [tradeReason(usual.value, usual.said)],
        [practiceLimit(spanThrough(delay, TRADE.prePressCapS), 'pre-press')],
      ),
    );
    const pressure = capPressure(input, settle, {
      kPa: TRADE.capFormKPa.start,
      said: say('reason.cap-form'),
      limits: [practiceLimit(TRADE.capFormKPa, 'cap-pressure')],
    });
    return {
      title: 'Pre-press the cap',
      ...pressedOnce(
        onCapPress(input),
        {
          label: 'pre-press',
          handsS: 15,
          laid: stackOf(input, { sheet: mat, waterGM2: shelfWaterGM2(garment) }),
        },
        { temp, dwell, pressure },
      ),
      ...(mat ? { sheet: refOf(mat), consumes: [sheetWear(mat)] } : {}),
      awaits: ['transfer', 'patch'],
      checks: [
        say('check.card-out'),
        say('check.sweatband'),
        say('check.front-smooth', { hasSeam: hasFeature(garment, 'panel-seam') }),
      ],
      look: say('look.keeps-curve'),
      cautions: [...PRESS_CAUTIONS, CAUTIONS.steam],
    };
  },
};
