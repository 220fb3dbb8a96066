import { isCap } from '../../blank/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { areaScale, needed } from '../equip.ts';
import type { BoughtIn } from '../materials.ts';
import { byHand, dwellProposal, plateProposal, pressureProposal } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { fabricWish } from './filmPress.ts';
import { peelOff } from './filmPeel.ts';
import { pressAgain, pressTransfer } from './transferPress.ts';
import type { TransferSource } from './transferPress.ts';

const transferOf = ({ equipment }: PrintInput): BoughtIn => needed(equipment.boughtIn, 'bought-in transfer');

function sourceOf(input: PrintInput): TransferSource {
  const { name, peel, pressC, dwellS, kPa, sheet } = transferOf(input);
  return { name, peel, pressC, dwellS, kPa, sheet };
}

/** Counts what came, and cuts it apart where it came on one sheet. */
export const boughtTrim: Practice = {
  id: 'trim',
  role: 'cut',
  part: 'transfer',
  station: 'cutting',
  applies: () => true,
  plan: (input) => {
    const transfer = transferOf(input);
    const amount = input.print.filmM2 * areaScale(input);
    return {
      title: transfer.isTrimmed ? 'Count and trim the transfers' : 'Count the transfers',
      unit: 'line',
      phases: [byHand('trim', 60, { eachS: transfer.isTrimmed ? 10 : 2 })],
      checks: [
        'Count against the ticket, spares set aside',
        'The supplier’s own sheet read: it stands above everything here',
        ...(transfer.isTrimmed ? ['Registration strips and the sheet’s edge cut off'] : []),
      ],
      look: 'One clean transfer a piece, glue side covered.',
      cautions: transfer.isTrimmed ? [CAUTIONS.blade] : [],
      consumes: [
        {
          id: transfer.id,
          what: transfer.name,
          amount,
          kind: 'area',
          cents: amount * transfer.centsPerM2,
          isAssumed: false,
        },
      ],
    };
  },
};

/** Finds the middle of a garment without a mark: a crease pressed in. */
export const boughtCentre: Practice = {
  id: 'centre',
  role: 'mark',
  part: 'blank',
  station: 'preparation',
  applies: ({ garment }) => !isCap(garment),
  plan: () => ({
    title: 'Crease the middle',
    unit: 'piece',
    phases: [byHand('crease', 12)],
    checks: [
      'Folded collar to collar, side seam to side seam',
      'A light crease at the front, pressed out by the next step',
    ],
    look: 'A straight faint line down the middle.',
  }),
};

/** Presses it as its own sheet says. */
export const boughtPress: Practice = {
  id: 'press-transfer',
  role: 'bond',
  part: 'blank',
  station: 'press',
  applies: () => true,
  plan: (input, settle) => pressTransfer(input, settle, sourceOf(input), fabricWish(input)),
};

export const boughtPeel: Practice = {
  id: 'peel',
  role: 'peel',
  part: 'blank',
  station: 'cooling',
  applies: () => true,
  plan: (input) => peelOff(input, transferOf(input).peel, 'slow'),
};

/** Where the supplier asks for it. */
export const boughtSecondPress: Practice = {
  id: 'second-press',
  role: 'press-again',
  part: 'blank',
  station: 'press',
  applies: ({ equipment }) => (equipment.boughtIn?.secondPressS ?? 0) > 0,
  plan: (input, settle) => {
    const transfer = transferOf(input);
    const { temp } = fabricWish(input);
    return pressAgain(input, {
      temp: settle(
        plateProposal(input, [
          makerReason(transfer.name, transfer.pressC, temp.value, 'temperature'),
          temp.reason,
        ]),
      ),
      dwell: settle(
        dwellProposal([
          {
            source: 'maker',
            text: `The sheet of “${transfer.name}” asks for ${transfer.secondPressS} s covered.`,
            value: transfer.secondPressS,
          },
        ]),
      ),
      pressure: settle(pressureProposal(input, 35, 'Medium, covered: it only sets the edges.')),
      use: 'second-press',
    });
  },
};
