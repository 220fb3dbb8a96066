import { say } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { PrintInput } from '../documents.ts';
import { areaScale, needed, shelfTransferFor, supplierFor, transferOrigin } from '../equip.ts';
import { byHand } from '../practiceParts.ts';
import type { OperationDraft, Practice } from '../practice.ts';
import { plateProposal, pressureProposal, sheetLimit } from '../proposals.ts';
import { makerReason } from '../resolveSetting.ts';
import { transferSourceOf, transferWish } from '../transferSource.ts';
import { filmPeel } from './filmPeel.ts';
import {
  askedAgain,
  askedDwell,
  isPressedFlat,
  pressAgain,
  pressTransfer,
  secondPressure,
} from './transferPress.ts';

/** Counts what lies ready or came, and cuts it apart where it came on one sheet. */
export const countTransfers: Practice = {
  id: 'trim',
  role: 'cut',
  part: 'transfer',
  station: 'cutting',
  applies: (input) => transferOrigin(input) !== 'here',
  plan: (input) => (transferOrigin(input) === 'shelf' ? offTheShelf(input) : fromSupplier(input)),
};

function fromSupplier(input: PrintInput): OperationDraft {
  const { id, name, isTrimmed, centsPerM2 } = supplierFor(input);
  const amount = input.print.filmM2 * areaScale(input);
  return {
    title: isTrimmed ? 'Count and trim the transfers' : 'Count the transfers',
    unit: 'line',
    phases: [byHand('trim', 60, { eachS: isTrimmed ? 10 : 2 })],
    checks: [
      say('check.count-ticket'),
      say('check.supplier-read'),
      ...(isTrimmed ? [say('check.strips-and-edge')] : []),
    ],
    look: say('look.clean-transfer'),
    cautions: isTrimmed ? [CAUTIONS.blade] : [],
    consumes: [{ id, what: name, amount, kind: 'area', cents: amount * centsPerM2, isAssumed: false }],
  };
}

function offTheShelf(input: PrintInput): OperationDraft {
  const { id, name, centsEach } = shelfTransferFor(input);
  return {
    title: 'Take the transfers off the shelf',
    unit: 'line',
    phases: [byHand('take', 60, { eachS: 2 })],
    checks: [
      say('check.packet-art', { transfer: name }),
      say('check.oldest-first'),
      say('check.shelf-sound'),
    ],
    look: say('look.clean-transfer'),
    consumes: [{ id, what: name, amount: 1, kind: 'count', cents: centsEach, isAssumed: false }],
  };
}

/** Presses it as its own sheet says. */
export const readyMadePress: Practice = {
  id: 'press-transfer',
  role: 'bond',
  part: 'blank',
  station: 'press',
  applies: isPressedFlat,
  plan: (input, settle) => pressTransfer(input, settle, transferSourceOf(input), transferWish(input)),
};

export const readyMadePeel: Practice = { ...filmPeel, applies: () => true };

/** Where its sheet asks for it. */
export const readyMadeSecondPress: Practice = {
  id: 'second-press',
  role: 'press-again',
  part: 'blank',
  station: 'press',
  applies: (input) => isPressedFlat(input) && askedAgain(input) !== null,
  plan: (input, settle, before) => {
    const own = needed(askedAgain(input), 'bought-in');
    const { name, pressC } = own;
    const { temp } = transferWish(input);
    return pressAgain(input, {
      temp: settle(
        plateProposal(
          input,
          [makerReason(name, pressC, temp.value, 'temperature'), temp.reason],
          [sheetLimit(name, pressC)],
        ),
      ),
      dwell: settle(askedDwell(own)),
      pressure: settle(pressureProposal(input, secondPressure(before))),
      use: 'second-press',
    });
  },
};
