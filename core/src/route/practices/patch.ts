import { say } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { Setting } from '../../work/index.ts';
import type { PrintInput } from '../documents.ts';
import { capPressFor, coverSheetFor, needed, refOf, sheetDelay } from '../equip.ts';
import { heatLimits, withinHeat } from '../fabric.ts';
import {
  PRESS_CAUTIONS,
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
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import {
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
import { makerReason, spanOf } from '../resolveSetting.ts';
import { stackOf, stackUnder } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';
import { filmSource } from '../transferSource.ts';
import { capPressure, lowerPlate } from './capPress.ts';
import { glueLimit, peelRest, transferDwell } from './transferPress.ts';

const patchOf = ({ equipment }: PrintInput): NonNullable<PrintInput['equipment']['patch']> =>
  needed(equipment.patch, 'patch');

/** The transfer goes onto the patch while it lies flat. */
export const patchPress: Practice = {
  id: 'press-patch',
  role: 'bond',
  part: 'patch',
  station: 'press',
  applies: () => true,
  plan: (input, settle) => {
    const { id, blank, cents } = patchOf(input);
    const film = filmSource(input);
    const sheet = coverSheetFor(input, 'press');
    const [heatC, times] = [TRADE.patchTransferC, TRADE.patchTransferS];
    const temp = settle({
      ...plateProposal(input, [
        makerReason(film.name, film.pressC, heatC.start, 'temperature'),
        tradeReason(heatC.start, say('reason.leatherette', spanOf(heatC))),
      ]),
      limits: [
        ...heatLimits(blank),
        practiceLimit(heatC, 'patch-heat'),
        sheetLimit(film.name, film.pressC),
        ...glueLimit(input, film),
      ],
    });
    const wish = tradeReason(times.start, say('reason.heated-again-on-cap', spanOf(times)));
    const dwell = settle(
      transferDwell(film, { dwell: { value: times.start, reason: wish } }, sheetDelay(sheet)),
    );
    const pressure = settle(
      pressureProposal(input, {
        kPa: TRADE.patchTransferKPa.start,
        said: say('reason.patch-grain'),
        limits: [practiceLimit(TRADE.patchTransferKPa, 'patch-pressure')],
        on: blank,
      }),
    );
    return {
      title: 'Press the transfer on the patch',
      ...pressedOnce(
        onPress(input),
        { label: 'press', handsS: 20, laid: stackUnder(blank, { sheet, carries: 'transfer' }) },
        { temp, dwell, pressure },
      ),
      takes: ['transfer'],
      sheet: refOf(sheet),
      checks: [say('check.art-on-patch'), say('check.patch-glue-paper')],
      look: say('look.patch-printed'),
      consumes: [
        sheetUse(input, 'press'),
        { id, what: blank.name, amount: 1, kind: 'count', cents, isAssumed: false },
      ],
      waitAfter: peelRest(input, film),
    };
  },
};

/** Holds the patch in its place until the cap press does the work; with an iron in the hand. */
export const patchTackIron: Practice = {
  id: 'tack-patch',
  role: 'tack',
  part: 'blank',
  station: 'preparation',
  applies: ({ house, equipment }) => house.patchTack === 'hand-iron' && equipment.handIron !== null,
  plan: (input, settle) => {
    const iron = needed(input.equipment.handIron, 'hand-iron');
    const [temp, dwell] = tackSettings(input, settle, { label: 'Iron', ability: iron.plateC });
    return {
      ...tacked(input, temp, dwell, 2),
      on: on('hand-iron', iron),
      cautions: [CAUTIONS.hotIron],
    };
  },
};

/** The same with a short touch of the press. */
export const patchTackPress: Practice = {
  id: 'tack-patch',
  role: 'tack',
  part: 'blank',
  station: 'cap-press',
  applies: ({ house, equipment }) => house.patchTack !== 'hand-iron' || equipment.handIron === null,
  plan: (input, settle) => {
    const press = capPressFor(input);
    const [temp, dwell] = tackSettings(input, settle, { label: 'Upper plate', ability: press.plateC });
    return {
      ...tacked(input, temp, dwell, 5),
      on: onCapPress(input),
      cautions: PRESS_CAUTIONS,
    };
  },
};

function tackSettings(
  input: PrintInput,
  settle: Settle,
  own: { label: string; ability: { min: number; max: number } },
): [temp: Setting, dwell: Setting] {
  const [heatC, times] = [TRADE.patchTackC, TRADE.patchTackS];
  const temp = settle({
    ...plateProposal(input, [
      tradeReason(heatC.start, say('reason.tack', { ...spanOf(heatC), kind: 'temperature' })),
    ]),
    limits: [...heatLimits(patchOf(input).blank), practiceLimit(heatC, 'tack')],
    ...own,
  });
  const dwell = settle(
    dwellProposal(
      [
        houseReason(input, 'patchTack', null),
        tradeReason(times.start, say('reason.tack', { ...spanOf(times), kind: 'duration' })),
      ],
      [practiceLimit(times, 'tack')],
    ),
  );
  return [temp, dwell];
}

const tacked = (input: PrintInput, temp: Setting, dwell: Setting, kPa: number): OperationDraft => ({
  title: 'Tack the patch',
  unit: 'piece',
  takes: ['patch'],
  phases: around(25, [
    heat(
      'tack',
      temp.value,
      dwell.value,
      closed(kPa),
      stackOf(input, { carries: 'bonded', patch: patchOf(input).blank }),
    ),
  ]),
  settings: [temp, dwell],
  checks: [say('check.patch-straight'), say('check.set-down-lift')],
  look: say('look.tacked'),
});

/** The press that bonds the patch for good; the print gets a second dose here. */
export const patchCapPress: Practice = {
  id: 'press-cap',
  role: 'bond',
  part: 'blank',
  station: 'cap-press',
  applies: () => true,
  plan: (input, settle) => {
    const { garment, house, equipment } = input;
    const { blank } = patchOf(input);
    const [heatC, times] = [TRADE.patchCapC, TRADE.patchCapS];
    const mat =
      house.capMat === 'mat'
        ? (equipment.coverSheets.find(({ kind }) => kind === 'silicone-thick') ?? null)
        : null;
    const wish = withinHeat(garment, heatC.start, say('reason.patch-on-cap', spanOf(heatC)));
    const temp = settle({
      ...plateProposal(input, [wish.reason]),
      label: 'Upper plate',
      limits: [...heatLimits(garment), ...heatLimits(blank), practiceLimit(heatC, 'cap-heat')],
      ability: capPressFor(input).plateC,
    });
    const lower = lowerPlate(input, settle);
    const delay = mat ? sheetDelay(mat) : null;
    const bare = say('reason.patch-bare', spanOf(times));
    const wished = longerThrough(delay, { value: times.start, said: bare });
    const dwell = settle(
      dwellProposal(
        [houseReason(input, 'capMat', delay ? wished.value : null), tradeReason(wished.value, wished.said)],
        [practiceLimit(spanThrough(delay, times), 'patch-dwell')],
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
      sheet: mat && refOf(mat),
      checks: [say('check.front-on-form'), say('check.second-dose'), say('check.no-glue-rim')],
      look: say('look.patch-on-cap'),
      consumes: mat ? [sheetWear(mat)] : [],
      waitAfter: { minS: 60, maxS: null, why: say('wait.cap-cools') },
    };
  },
};
