import { say } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import { areaScale, supplierFor } from '../equip.ts';
import { byHand } from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { dwellProposal, plateProposal, pressureProposal, sheetLimit } from '../proposals.ts';
import { makerReason } from '../resolveSetting.ts';
import { boughtSource, transferWish } from '../transferSource.ts';
import { filmPeel } from './filmPeel.ts';
import { isPressedFlat, pressAgain, pressTransfer, secondPressure } from './transferPress.ts';

/** Counts what came, and cuts it apart where it came on one sheet. */
export const boughtTrim: Practice = {
  id: 'trim',
  role: 'cut',
  part: 'transfer',
  station: 'cutting',
  applies: () => true,
  plan: (input) => {
    const transfer = supplierFor(input);
    const amount = input.print.filmM2 * areaScale(input);
    return {
      title: transfer.isTrimmed ? 'Count and trim the transfers' : 'Count the transfers',
      unit: 'line',
      phases: [byHand('trim', 60, { eachS: transfer.isTrimmed ? 10 : 2 })],
      checks: [
        say('check.count-ticket'),
        say('check.supplier-read'),
        ...(transfer.isTrimmed ? [say('check.strips-and-edge')] : []),
      ],
      look: say('look.clean-transfer'),
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

/** Presses it as its own sheet says. */
export const boughtPress: Practice = {
  id: 'press-transfer',
  role: 'bond',
  part: 'blank',
  station: 'press',
  applies: isPressedFlat,
  plan: (input, settle) => pressTransfer(input, settle, boughtSource(input), transferWish(input)),
};

export const boughtPeel: Practice = { ...filmPeel, applies: () => true };

/** Where the supplier asks for it. */
export const boughtSecondPress: Practice = {
  id: 'second-press',
  role: 'press-again',
  part: 'blank',
  station: 'press',
  applies: (input) => isPressedFlat(input) && supplierFor(input).secondPressS > 0,
  plan: (input, settle, before) => {
    const { name, pressC, secondPressS } = supplierFor(input);
    const { temp } = transferWish(input);
    const span = { min: secondPressS, max: secondPressS };
    return pressAgain(input, {
      temp: settle(
        plateProposal(
          input,
          [makerReason(name, pressC, temp.value, 'temperature'), temp.reason],
          [sheetLimit(name, pressC)],
        ),
      ),
      dwell: settle(
        dwellProposal(
          [
            {
              source: 'maker',
              said: say('reason.supplier-second', { transfer: name, dwellS: secondPressS }),
              value: secondPressS,
            },
          ],
          [sheetLimit(name, span)],
        ),
      ),
      pressure: settle(pressureProposal(input, secondPressure(before))),
      use: 'second-press',
    });
  },
};
