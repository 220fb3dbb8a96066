import { CAUTIONS } from '../cautions.ts';
import { heatByShare, isMostlyPolyester, needsWhite } from '../fabric.ts';
import {
  PRESS_CAUTIONS,
  dwellProposal,
  heat,
  plateProposal,
  pressureProposal,
  sheetUse,
} from '../practice.ts';
import type { Practice } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';
import type { Reason, RouteInput } from '../documents.ts';

/** Sets the ink: a hover until touch-dry, then a very light covered press. */
export const dtgCure: Practice = {
  id: 'cure',
  station: 'press',
  applies: () => true,
  plan: (input, settle) => {
    const { garment, equipment, house } = input;
    const ink = equipment.inkSets.dtg;
    const isPolyester = isMostlyPolyester(garment);
    const fabric = heatByShare(garment, TRADE.directCureCottonC, TRADE.directCurePolyesterC);
    const temp = settle(
      plateProposal(input, [
        ...(ink.cureC && !isPolyester ? [makerReason(ink.name, ink.cureC, fabric.value, 'temperature')] : []),
        fabric.reason,
      ]),
    );
    const dwell = settle(dwellProposal(dwellReasons(input)));
    const hover = settle({
      key: 'hoverS',
      label: 'Hover first',
      kind: 'duration',
      reasons: [
        {
          source: 'trade',
          text: 'Plate held above the wet ink for 20 to 40 s, until touch-dry.',
          value: TRADE.directHoverS.start,
        },
      ],
      limits: [],
      ability: { min: 0, max: 300 },
    });
    const pressure = settle(
      pressureProposal(input, 10, 'As light as the press goes: the ink is still soft.'),
    );
    const isBursts = isPolyester || house.directCure === 'bursts';
    return {
      title: isBursts ? 'Cure in four bursts' : 'Cure the print',
      per: 'piece',
      handsS: isBursts ? 50 : 20,
      machineS: hover.value + dwell.value,
      timerS: hover.value + dwell.value,
      settings: [temp, hover, dwell, pressure],
      sheet: `${equipment.coverSheet.name}, the one kept for ink`,
      checks: [
        isBursts ? 'Turn the sheet between bursts' : 'Turn the sheet after each piece',
        'No ink comes off on the sheet',
      ],
      look: 'Dry, matt, does not lift under a thumb.',
      cautions: [...PRESS_CAUTIONS, CAUTIONS.fumes],
      consumes: [sheetUse(input)],
      phases: [
        heat('hover', Math.round(0.6 * temp.value), hover.value),
        heat('cure', temp.value, dwell.value),
      ],
    };
  },
};

function dwellReasons({ garment, print, equipment }: RouteInput): Reason[] {
  const ink = equipment.inkSets.dtg;
  if (isMostlyPolyester(garment)) {
    return [
      {
        source: 'trade',
        text: 'On polyester four or so bursts of 30 s at the lightest pressure.',
        value: TRADE.directCurePolyesterS.start,
      },
    ];
  }
  if (!needsWhite(garment)) {
    return [
      {
        source: 'trade',
        text: 'Light garments with little ink need 30 to 45 s.',
        value: TRADE.directCureLightS.start,
      },
    ];
  }
  const { min, max } = TRADE.directCureDarkS;
  const wished = Math.round((min + (max - min) * print.whiteShare) / 5) * 5;
  return [
    ...(ink.cureS ? [makerReason(ink.name, ink.cureS, wished, 'duration')] : []),
    {
      source: 'model',
      text: `Whiter prints need longer: ${Math.round(100 * print.whiteShare)} % white under the ink, between ${min} and ${max} s.`,
      value: wished,
    },
    { source: 'trade', text: `${min} to ${max} s on dark cotton.`, value: TRADE.directCureDarkS.start },
  ];
}
