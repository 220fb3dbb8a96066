import { CAUTIONS } from '../cautions.ts';
import { heatByShare, isMostlyPolyester } from '../fabric.ts';
import { PRESS_CAUTIONS, dwellProposal, heat, plateProposal, pressureProposal } from '../practice.ts';
import type { Practice } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';

/** Drives the moisture out and lays the fibres flat, before a transfer and before a direct print alike. */
export const prePress: Practice = {
  id: 'pre-press',
  station: 'press',
  applies: () => true,
  plan: (input, settle) => {
    const { garment } = input;
    const isPolyester = isMostlyPolyester(garment);
    const share = heatByShare(garment, TRADE.transferCottonC, TRADE.transferPolyesterC);
    const temp = settle(
      plateProposal(input, [
        {
          source: 'trade',
          text: `At the press temperature of a transfer. ${share.reason.text}`,
          value: share.value,
        },
      ]),
    );
    const range = isPolyester ? TRADE.prePressPolyesterS : TRADE.prePressS;
    const isFleece = garment.construction === 'fleece';
    const why = isPolyester
      ? `Only a moment on polyester: ${range.min} to ${range.max} s.`
      : `Until the steam stops: ${range.min} to ${range.max} s.`;
    const dwell = settle(dwellProposal([{ source: 'trade', text: why, value: range.start }]));
    const kPa = isPolyester ? 15 : isFleece ? 70 : 35;
    const pressure = settle(
      pressureProposal(
        input,
        kPa,
        isFleece
          ? 'Hard on fleece, to lay the pile.'
          : isPolyester
            ? 'Light, so that no mark stays.'
            : 'Medium is enough to flatten a knit.',
      ),
    );
    return {
      title: 'Pre-press the blank',
      per: 'piece',
      handsS: 8,
      timerS: dwell.value,
      machineS: dwell.value,
      settings: [temp, dwell, pressure],
      checks: ['Lint rolled off', 'No seam, zip or pocket under the print area'],
      look: 'Flat, dry, a little steam and then none.',
      cautions: [...PRESS_CAUTIONS, CAUTIONS.steam],
      phases: [heat('pre-press', temp.value, dwell.value)],
    };
  },
};
