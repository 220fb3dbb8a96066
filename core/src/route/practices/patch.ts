import { CAUTIONS } from '../cautions.ts';
import type { Setting } from '../../work/index.ts';
import type { PrintInput } from '../documents.ts';
import { capPressFor, coverSheetFor, filmFor, needed, refOf, sheetDelay } from '../equip.ts';
import { heatByShare, heatLimits } from '../fabric.ts';
import {
  PRESS_CAUTIONS,
  around,
  closed,
  dwellProposal,
  heat,
  houseReason,
  on,
  onCapPress,
  onPress,
  plateProposal,
  pressedOnce,
  pressureProposal,
  sheetLimit,
  sheetUse,
  sheetWear,
  tradeReason,
} from '../practiceParts.ts';
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { stackOf, stackUnder } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';
import { capPressure, lowerPlate } from './capPress.ts';
import { filmSource } from './filmPress.ts';
import { glueLimit, peelRest } from './transferPress.ts';

const patchOf = ({ equipment }: PrintInput): NonNullable<PrintInput['equipment']['patch']> =>
  needed(equipment.patch, 'leatherette patch');

/** The transfer goes onto the patch while it lies flat. */
export const patchPress: Practice = {
  id: 'press-patch',
  role: 'bond',
  part: 'patch',
  station: 'press',
  applies: () => true,
  plan: (input, settle) => {
    const { id, blank, cents } = patchOf(input);
    const film = filmFor(input);
    const { sheet } = coverSheetFor(input, 'press');
    const temp = settle({
      ...plateProposal(input, [
        makerReason(film.name, film.pressC, TRADE.patchTransferC.start, 'temperature'),
        tradeReason(TRADE.patchTransferC.start, 'Leatherette marks easily: 110 to 140 °C.'),
      ]),
      limits: [...heatLimits(blank), sheetLimit(film.name, film.pressC), ...glueLimit(input)],
    });
    const { start, min, max } = TRADE.patchTransferS;
    const dwell = settle(
      dwellProposal([
        makerReason(film.name, film.dwellS, start, 'duration'),
        tradeReason(start, `${min} to ${max} s: it is heated again on the cap.`),
      ]),
    );
    const pressure = settle(pressureProposal(input, 30, 'Medium, so that the grain of the patch stays.'));
    return {
      title: 'Press the transfer on the patch',
      ...pressedOnce(
        onPress(input),
        { label: 'press', handsS: 20, laid: stackUnder(blank, { sheet, carries: 'transfer' }) },
        { temp, dwell, pressure },
      ),
      takes: ['transfer'],
      sheet: refOf(sheet),
      checks: [
        'Middle of the art on the middle of the patch',
        'Patch’s own glue side on paper, not on the pad',
      ],
      look: 'Flat, grain of the patch still to be seen beside the print.',
      consumes: [
        sheetUse(input, 'press'),
        { id, what: blank.name, amount: 1, kind: 'count', cents, isAssumed: false },
      ],
      waitAfter: peelRest(input, filmSource(input)),
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
    const iron = needed(input.equipment.handIron, 'hand iron');
    const [temp, dwell] = tackSettings(input, settle, iron.plateC);
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
    const [temp, dwell] = tackSettings(input, settle, press.plateC);
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
  ability: { min: number; max: number },
): [temp: Setting, dwell: Setting] {
  const { min, max, start } = TRADE.patchTackC;
  const temp = settle({
    ...plateProposal(input, [
      tradeReason(start, `${min} to ${max} °C: it only has to hold, and it will be heated again.`),
    ]),
    label: 'Iron',
    limits: [
      ...heatLimits(patchOf(input).blank),
      { min: null, max, text: 'more fixes it before it is straight (trade).' },
    ],
    ability,
  });
  const dwell = settle(
    dwellProposal([
      houseReason(input, 'patchTack', null),
      tradeReason(TRADE.patchTackS.start, '2 to 5 s, barely touching.'),
    ]),
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
  checks: [
    'Straight and centred on the front before any heat',
    'Set down, lift off: pushing stretches the print',
  ],
  look: 'Holds when the cap is turned over; edges may still lift.',
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
    const press = capPressFor(input);
    const mat =
      house.capMat === 'mat'
        ? (equipment.coverSheets.find(({ kind }) => kind === 'silicone-thick') ?? null)
        : null;
    const wish = heatByShare(garment, TRADE.patchCapC, TRADE.patchCapC);
    const temp = settle({
      ...plateProposal(input, [
        tradeReason(wish.value, `Patch on a cap: 135 to 142 °C from above. ${wish.reason.text}`),
      ]),
      label: 'Upper plate',
      limits: [...heatLimits(garment), ...heatLimits(blank)],
      ability: press.plateC,
    });
    const lower = lowerPlate(input, settle);
    const delay = mat ? sheetDelay(mat) : null;
    const wished = Math.round(TRADE.patchCapS.start * (delay?.factor ?? 1));
    const dwell = settle(
      dwellProposal([
        { ...houseReason(input, 'capMat', null), value: delay ? wished : null },
        tradeReason(wished, `15 to 20 s bare.${delay ? ` ${delay.why}` : ''}`),
      ]),
    );
    const pressure = capPressure(
      input,
      settle,
      TRADE.patchCapKPa.start,
      'Medium: more squeezes a rim of glue out round the patch.',
    );
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
      checks: [
        'Front smooth on the form',
        'The patch has been heated before: the print gets this dose on top',
        'No glue rim, no lifted corner when it opens',
      ],
      look: 'Edges down all round, no rim of glue, no bubble in the front.',
      consumes: mat ? [sheetWear(mat)] : [],
      waitAfter: { minS: 60, maxS: null, why: 'Let it cool on the form before it is taken off.' },
    };
  },
};
