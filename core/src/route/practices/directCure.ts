import { CAUTIONS } from '../cautions.ts';
import type { Phase, Reason } from '../../work/index.ts';
import type { PrintInput } from '../documents.ts';
import { coverSheetFor, inkFor, keptSheet, sheetDelay } from '../equip.ts';
import { heatByShare, isMostlyPolyester, isSplitOpen, needsWhite } from '../fabric.ts';
import {
  PRESS_CAUTIONS,
  around,
  closed,
  dwellProposal,
  heat,
  houseReason,
  hovering,
  inBursts,
  onPress,
  plateProposal,
  pressureProposal,
  sheetLimit,
  sheetUse,
  tradeReason,
} from '../practiceParts.ts';
import type { Practice } from '../practice.ts';
import { makerReason } from '../resolveSetting.ts';
import { stackOf } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';
import { isDoubleWhite } from './directPrint.ts';

const BURSTS = 4; // of a cure that is opened in between (trade)

/** Sets the ink: a hover until touch-dry, then a very light covered press. */
export const directCure: Practice = {
  id: 'cure',
  role: 'cure',
  part: 'blank',
  station: 'press',
  applies: () => true,
  plan: (input, settle) => {
    const { garment, house } = input;
    const ink = inkFor(input, 'textile');
    const { sheet } = coverSheetFor(input, 'cure');
    const isPolyester = isMostlyPolyester(garment);
    const fabric = heatByShare(garment, TRADE.directCureCottonC, TRADE.directCurePolyesterC);
    const isBelowInk = ink.cureC !== null && fabric.value < ink.cureC.min;
    const temp = settle(
      plateProposal(
        input,
        [
          ...(ink.cureC && !isPolyester
            ? [makerReason(ink.name, ink.cureC, fabric.value, 'temperature')]
            : []),
          fabric.reason,
        ],
        ink.cureC && !isPolyester ? [sheetLimit(ink.name, ink.cureC)] : [],
      ),
    );
    const dwell = settle(dwellProposal(dwellReasons(input)));
    const hover = settle({
      key: 'hoverS',
      sets: 'hover',
      label: 'Hover first',
      kind: 'duration',
      reasons: [
        tradeReason(
          TRADE.directHoverS.start,
          'Plate held above the wet ink for 20 to 40 s, until touch-dry.',
        ),
      ],
      limits: [],
      ability: { min: 0, max: 300 },
    });
    const pressure = settle(
      pressureProposal(input, 10, 'As light as the press goes: the ink is still soft.'),
    );
    const isBursts = isPolyester || house.directCure === 'bursts';
    const laid = stackOf(input, { sheet, carries: 'print', wetGM2: inkWaterGM2(input) });
    const bare = { ...laid, layers: laid.layers.slice(1) };
    const covered = (label: string, durationS: number): Phase =>
      heat(label, temp.value, durationS, closed(pressure.value), laid);
    const hovered = heat('hover', temp.value, hover.value, hovering(TRADE.hoverGapMm.start), bare);
    const bursts = Array.from({ length: BURSTS }, (_, i) => covered(`burst ${i + 1}`, dwell.value / BURSTS));
    return {
      title: isBursts ? 'Cure in four bursts' : 'Cure the print',
      unit: 'piece',
      on: onPress(input),
      phases: isBursts
        ? around(20, [hovered, ...inBursts(bursts, { label: 'turn the sheet', handsS: 10 })])
        : around(20, [hovered, covered('cure', dwell.value)]),
      settings: [temp, hover, dwell, pressure],
      sheet: keptSheet(sheet),
      checks: [
        isBursts ? 'Turn the sheet between bursts' : 'Turn the sheet after each piece',
        'No ink comes off on the sheet',
        ...(isSplitOpen(input) ? ['One layer only, underlay in place'] : []),
        ...(isPolyester && isBelowInk
          ? [
              `Cooler than the ink’s own ${ink.cureC?.min} °C: only with an ink made for low heat; wash a test`,
            ]
          : []),
      ],
      look: 'Dry, matt, does not lift under a thumb.',
      cautions: [...PRESS_CAUTIONS, CAUTIONS.fumes],
      consumes: [sheetUse(input, 'cure')],
    };
  },
};

const INK_WATER_G_ML = 0.6; // water in textile ink, the rest is pigment and binder (assumption)

/** Water the wet print brings under the plate, g per m² of print: white counts where it is printed, once a hit. */
function inkWaterGM2(input: PrintInput): number {
  const { print, garment } = input;
  const hits = needsWhite(garment) ? (isDoubleWhite(input) ? 2 : 1) : 0;
  const ml = print.colourMl + hits * print.whiteMl;
  return Math.round((ml * INK_WATER_G_ML) / (Math.max(1, print.inkMm2) / 1e6));
}

function dwellReasons(input: PrintInput): Reason[] {
  const { garment, print } = input;
  const ink = inkFor(input, 'textile');
  const delay = sheetDelay(coverSheetFor(input, 'cure').sheet);
  const longer = (s: number): number => Math.round(s * (delay?.factor ?? 1));
  const through = delay ? ` ${delay.why}` : '';
  if (isMostlyPolyester(garment))
    return [
      tradeReason(
        longer(TRADE.directCurePolyesterS.start),
        `On polyester four or so bursts of 30 s at the lightest pressure.${through}`,
      ),
    ];
  if (!needsWhite(garment))
    return [
      tradeReason(
        longer(TRADE.directCureLightS.start),
        `Light garments with little ink need 30 to 45 s.${through}`,
      ),
    ];
  const { min, max } = TRADE.directCureDarkS;
  const isDouble = isDoubleWhite(input);
  const whiteness = Math.min(1, print.whiteShare * (isDouble ? 1.3 : 1));
  const wished = longer(Math.round((min + (max - min) * whiteness) / 5) * 5);
  return [
    ...(ink.cureS ? [makerReason(ink.name, ink.cureS, wished, 'duration')] : []),
    houseReason(input, 'directCure', null),
    {
      source: 'model',
      text: `Whiter prints need longer: ${Math.round(100 * print.whiteShare)} % white under the ink${isDouble ? ', in two hits' : ''}, between ${min} and ${max} s.${through}`,
      value: wished,
    },
    tradeReason(TRADE.directCureDarkS.start, `${min} to ${max} s on dark cotton.`),
  ];
}
