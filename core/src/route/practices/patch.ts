import { say } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { capMatFor, coverSheetFor, needed, pressFor, refOf, sheetDelay } from '../equip.ts';
import { heatLimits, withinHeat } from '../fabric.ts';
import {
  around,
  closed,
  heat,
  on,
  onCapPress,
  onPress,
  pressedOnce,
  sheetUse,
  sheetWear,
} from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import {
  capPlateProposal,
  dwellProposal,
  houseReason,
  longerThrough,
  heatProposal,
  practiceLimit,
  pressureProposal,
  sheetLimit,
  spanThrough,
  tradeReason,
} from '../proposals.ts';
import { makerReason, spanOf } from '../resolveSetting.ts';
import { stackOf, stackUnder } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';
import { transferSourceOf, warmedBelow } from '../transferSource.ts';
import { capPressure, lowerPlate } from './capPress.ts';
import { ON_A_PATCH, glueLimit, isIroned, peelRest, sourcePressure, transferDwell } from './transferPress.ts';

const patchOf = ({ equipment }: PrintInput): NonNullable<PrintInput['equipment']['patch']> =>
  needed(equipment.patch, 'patch');

/** The transfer goes onto the patch while it lies flat. */
export const patchPress: Practice = {
  id: 'press-patch',
  role: 'bond',
  part: 'patch',
  station: 'press',
  applies: (input) => !isIroned(input),
  plan: (input, settle) => {
    const { id, blank, cents } = patchOf(input);
    const source = transferSourceOf(input);
    const sheet = coverSheetFor(input, 'press');
    const [heatC, times] = [TRADE.patchTransferC, TRADE.patchTransferS];
    const temp = settle(
      heatProposal(
        blank,
        [
          makerReason(source.name, source.pressC, heatC.start, 'temperature'),
          tradeReason(heatC.start, say('reason.leatherette', spanOf(heatC))),
        ],
        [
          practiceLimit(heatC, 'patch-heat'),
          sheetLimit(source.name, source.pressC),
          ...glueLimit(input, source),
        ],
        { label: 'Plate', ability: pressFor(input).plateC },
      ),
    );
    const wish = tradeReason(times.start, say('reason.heated-again-on-cap', spanOf(times)));
    const dwell = settle(
      transferDwell(source, { dwell: { value: times.start, reason: wish } }, sheetDelay(sheet)),
    );
    const { start: kPa, ...range } = TRADE.patchTransferKPa;
    const wished = sourcePressure(
      source,
      { value: kPa, range, said: say('reason.patch-grain') },
      'patch-pressure',
    );
    const pressure = settle(pressureProposal(input, { ...wished, on: blank }));
    return {
      title: 'Press the transfer on the patch',
      ...pressedOnce(
        onPress(input),
        { label: 'press', handsS: 20, laid: stackUnder(blank, { sheet, carries: 'transfer' }) },
        { temp, dwell, pressure },
      ),
      takes: ['transfer'],
      sheet: refOf(sheet),
      checks: [...ON_A_PATCH],
      look: say('look.patch-printed'),
      consumes: [
        sheetUse(input, 'press'),
        { id, what: blank.name, amount: 1, kind: 'count', cents, isAssumed: false },
      ],
      waitAfter: peelRest(input, source),
    };
  },
};

/** Touches the transfer to the patch through its carrier, with an iron in the hand: the cap press does the rest. */
export const patchTackIron: Practice = {
  id: 'tack-transfer',
  role: 'bond',
  part: 'patch',
  station: 'preparation',
  applies: isIroned,
  plan: (input, settle) => {
    const iron = needed(input.equipment.handIron, 'hand-iron');
    const { id, blank, cents } = patchOf(input);
    const [heatC, times] = [TRADE.patchTackC, TRADE.patchTackS];
    const temp = settle(
      heatProposal(
        blank,
        [tradeReason(heatC.start, say('reason.tack', { ...spanOf(heatC), kind: 'temperature' }))],
        [practiceLimit(heatC, 'tack')],
        { label: 'Iron', ability: iron.plateC },
      ),
    );
    const dwell = settle(
      dwellProposal(
        [
          houseReason(input, 'patchTack', null),
          tradeReason(times.start, say('reason.tack', { ...spanOf(times), kind: 'duration' })),
        ],
        [practiceLimit(times, 'tack')],
      ),
    );
    const laid = stackUnder(blank, { carries: 'transfer' });
    return {
      title: 'Tack the transfer to the patch',
      unit: 'piece',
      takes: ['transfer'],
      on: on('hand-iron', iron),
      phases: around(20, [heat('tack', temp.value, dwell.value, closed(IRON_KPA), laid)]),
      settings: [temp, dwell],
      checks: [
        say('check.art-on-patch'),
        say('check.iron-through-carrier'),
        say('check.iron-circles'),
        say('check.cool-pad'),
        ...(blank.tone === 'dark' ? [say('check.pale-underlay')] : []),
        say('check.cool-on-metal'),
        say('check.retouch'),
      ],
      look: say('look.patch-tacked'),
      cautions: [CAUTIONS.hotIron],
      consumes: [{ id, what: blank.name, amount: 1, kind: 'count', cents, isAssumed: false }],
      waitAfter: { minS: TRADE.coldPeelMetalS.start, maxS: null, why: say('wait.tacked-cold') },
    };
  },
};

const IRON_KPA = 2; // an iron that is not leaned on (assumption)

/** The press that bonds the patch for good; the print gets a second dose here. */
export const patchCapPress: Practice = {
  id: 'press-cap',
  role: 'bond',
  part: 'blank',
  station: 'cap-press',
  applies: () => true,
  plan: (input, settle) => {
    const { garment, house } = input;
    const { blank } = patchOf(input);
    const [heatC, times] = [TRADE.patchCapC, TRADE.patchCapS];
    const mat = capMatFor(input);
    const wish = withinHeat(garment, heatC.start, say('reason.patch-on-cap', spanOf(heatC)));
    const temp = settle(
      capPlateProposal(input, [wish.reason], [...heatLimits(blank), practiceLimit(heatC, 'cap-heat')]),
    );
    const lower = lowerPlate(input, settle);
    const delay = mat ? sheetDelay(mat) : null;
    const fromBelow =
      house.capLower === 'warm'
        ? { min: Math.round(times.min * TRADE.warmBelowShare.start), max: times.max }
        : times;
    const bare = warmedBelow(house.capLower === 'warm', times.start, say('reason.patch-bare', spanOf(times)));
    const wished = longerThrough(delay, { value: bare.value, said: bare.reason.said });
    const dwell = settle(
      dwellProposal(
        [houseReason(input, 'capMat', delay ? wished.value : null), tradeReason(wished.value, wished.said)],
        [practiceLimit(spanThrough(delay, fromBelow), 'patch-dwell')],
      ),
    );
    const pressure = capPressure(input, settle, {
      kPa: TRADE.patchCapKPa.start,
      said: say('reason.glue-rim'),
      limits: [practiceLimit(TRADE.patchCapKPa, 'patch-pressure')],
    });
    return {
      title: 'Press the patch on the cap',
      ...pressedOnce(
        onCapPress(input),
        {
          label: 'press',
          handsS: 35,
          laid: stackOf(input, { sheet: mat, carries: 'bonded', patch: blank }),
        },
        { temp, dwell, pressure, lower },
      ),
      takes: ['patch'],
      sheet: mat && refOf(mat),
      checks: [
        say('check.front-on-form'),
        say('check.liner-off'),
        say('check.patch-straight'),
        say('check.bill-guard'),
        say('check.second-dose'),
        say('check.no-glue-rim'),
      ],
      look: say('look.patch-on-cap'),
      consumes: mat ? [sheetWear(mat)] : [],
      waitAfter: { minS: 60, maxS: null, why: say('wait.cap-cools') },
    };
  },
};
