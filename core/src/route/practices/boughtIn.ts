import { isCap } from '../../blank/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { RouteInput } from '../documents.ts';
import { areaScale, needed } from '../equip.ts';
import type { BoughtIn } from '../materials.ts';
import { dwellProposal, plateProposal, pressureProposal, rest } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { fabricWish } from './filmPress.ts';
import { peelOff } from './filmPeel.ts';
import { pressAgain, pressTransfer } from './transferPress.ts';
import type { TransferSource } from './transferPress.ts';

const transferOf = ({ equipment }: RouteInput): BoughtIn => needed(equipment.boughtIn, 'bought-in transfer');

function sourceOf(input: RouteInput): TransferSource {
  const { name, peel, pressC, dwellS, kPa, sheet } = transferOf(input);
  return { name, peel, pressC, dwellS, kPa, sheet };
}

/** Counts what came, and cuts it apart where it came on one sheet. */
export const boughtTrim: Practice = {
  id: 'trim',
  station: 'cutting',
  applies: () => true,
  plan: (input) => {
    const transfer = transferOf(input);
    const { pieces, print } = input;
    const amount = print.filmM2 * areaScale(input);
    return {
      title: transfer.isTrimmed ? 'Count and trim the transfers' : 'Count the transfers',
      per: 'batch',
      handsS: 60 + (transfer.isTrimmed ? 10 : 2) * pieces,
      checks: [
        'Count against the ticket, spares set aside',
        'The supplier’s own sheet read: it stands above everything here',
        ...(transfer.isTrimmed ? ['Registration strips and the sheet’s edge cut off'] : []),
      ],
      look: 'One clean transfer a piece, glue side covered.',
      cautions: transfer.isTrimmed ? [CAUTIONS.blade] : [],
      phases: [rest('trim', 60, true)],
      consumes: [
        {
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
  station: 'preparation',
  applies: ({ garment }) => !isCap(garment),
  plan: () => ({
    title: 'Crease the middle',
    per: 'piece',
    handsS: 12,
    checks: [
      'Folded collar to collar, side seam to side seam',
      'A light crease at the front, pressed out by the next step',
    ],
    look: 'A straight faint line down the middle.',
    phases: [rest('crease', 12, true)],
  }),
};

/** Presses it as its own sheet says. */
export const boughtPress: Practice = {
  id: 'press-transfer',
  station: 'press',
  applies: () => true,
  plan: (input, settle) => pressTransfer(input, settle, sourceOf(input), fabricWish(input)),
};

export const boughtPeel: Practice = {
  id: 'peel',
  station: 'cooling',
  applies: () => true,
  plan: (input) => peelOff(input, transferOf(input).peel, 'slow'),
};

/** Where the supplier asks for it. */
export const boughtSecondPress: Practice = {
  id: 'second-press',
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
