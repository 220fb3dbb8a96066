import { say } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { Phase, Setting } from '../../work/index.ts';
import { cureHeat, cureTime } from '../cureSheet.ts';
import type { PrintInput } from '../documents.ts';
import { coverSheetFor, sheetDelay } from '../equip.ts';
import { keptSheet } from '../keptSheet.ts';
import { between, isMostlyPolyester, isSplitOpen, needsWhite } from '../fabric.ts';
import type { Wish } from '../fabric.ts';
import { wishingFibres } from '../fibres.ts';
import {
  PRESS_CAUTIONS,
  around,
  closed,
  heat,
  hovering,
  inBursts,
  onPress,
  sheetUse,
} from '../practiceParts.ts';
import type { Practice, Settle } from '../practice.ts';
import {
  dwellProposal,
  gapProposal,
  houseReason,
  hoverProposal,
  longerThrough,
  plateProposal,
  practiceLimit,
  pressureProposal,
  spanThrough,
  tradeReason,
} from '../proposals.ts';
import { spanOf } from '../resolveSetting.ts';
import { stackOf } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';
import { isDoubleWhite } from './directPrint.ts';

/** Sets the ink: a hover until touch-dry, then a very light covered press, in one go or in bursts. */
export const directCure: Practice = {
  id: 'cure',
  role: 'cure',
  part: 'blank',
  station: 'press',
  applies: () => true,
  plan: (input, settle) => {
    const sheet = coverSheetFor(input, 'cure');
    const temp = settle(curePlate(input));
    const gap = settle(gapProposal());
    const hover = settle(
      hoverProposal(
        'Hover first',
        [tradeReason(TRADE.directHoverS.start, say('reason.cure-hover', spanOf(TRADE.directHoverS)))],
        [practiceLimit(TRADE.directHoverS, 'cure-hover')],
      ),
    );
    const dwell = settle(cureDwell(input));
    const bursts = cureBursts(input, settle);
    const pressure = settle(
      pressureProposal(input, {
        kPa: TRADE.directCureKPa.start,
        said: say('reason.wet-ink'),
        limits: [{ min: null, max: TRADE.directCureKPa.max, said: say('limit.wet-ink') }],
      }),
    );
    const laid = stackOf(input, { sheet, carries: 'print', wetGM2: inkWaterGM2(input) });
    const bare = { ...laid, layers: laid.layers.slice(1) };
    const covered = (label: string, durationS: number): Phase =>
      heat(label, temp.value, durationS, closed(pressure.value), laid);
    const hovered = heat('hover', temp.value, hover.value, hovering(gap.value), bare);
    const count = bursts?.value ?? 1;
    const called = closingsIn(count);
    const closings = Array.from({ length: count }, (_, i) =>
      covered(called.phase(i + 1), dwell.value / count),
    );
    return {
      title: called.title,
      unit: 'piece',
      on: onPress(input),
      phases: around(20, [hovered, ...inBursts(closings, { label: 'turn the sheet', handsS: 10 })]),
      settings: [temp, gap, hover, dwell, ...(bursts ? [bursts] : []), pressure],
      sheet: keptSheet(sheet),
      checks: [
        say(count > 1 ? 'check.turn-between-bursts' : 'check.turn-each-piece'),
        say('check.no-ink-off'),
        ...(isSplitOpen(input) ? [say('check.one-layer-press')] : []),
      ],
      look: say('look.cured'),
      cautions: [...PRESS_CAUTIONS, CAUTIONS.fumes],
      consumes: [sheetUse(input, 'cure', count)],
    };
  },
};

/** What a cure is called by how often the plate closes: two long presses are no bursts. */
const closingsIn = (count: number): { title: string; phase: (nth: number) => string } => {
  if (count === 1) return { title: 'Cure the print', phase: () => 'cure' };
  if (count === 2) return { title: 'Cure in two presses', phase: (nth) => `press ${nth}` };
  return { title: `Cure in ${count} bursts`, phase: (nth) => `burst ${nth}` };
};

/** The ink's sheet holds on every fabric; where it says nothing, practice does. */
function curePlate(input: PrintInput): Parameters<Settle>[0] {
  const { fabric, reasons, limits } = cureHeat(input);
  const bounds = limits.length > 0 ? limits : [practiceLimit(fabric.range, 'cure-heat')];
  return plateProposal(input, [...reasons, fabric.reason], bounds);
}

/** How often the plate closes: once, or in bursts where the house or polyester wants it. */
function cureBursts(input: PrintInput, settle: Settle): Setting | null {
  const isPolyester = isMostlyPolyester(input.garment);
  const school = input.house.directCure;
  if (!isPolyester && school === 'single') return null;
  const range = isPolyester ? TRADE.directCureBurstsPolyester : TRADE.directCureBursts;
  const count = school === 'two' ? 2 : range.start;
  return settle({
    key: 'bursts',
    sets: 'bursts',
    label: 'Bursts',
    kind: 'count',
    reasons: isPolyester
      ? [tradeReason(range.start, say('reason.cure-bursts-polyester', spanOf(range)))]
      : [
          houseReason(input, 'directCure', count),
          tradeReason(range.start, say('reason.cure-bursts', spanOf(range))),
        ],
    limits: [practiceLimit(range, 'cure-bursts')],
    ability: { min: 1, max: 12 },
  });
}

const INK_WATER_G_ML = 0.6; // water in textile ink, the rest is pigment and binder (assumption)

/** Water the wet print brings under the plate, g per m² of print: white counts where it is printed, once a hit. */
function inkWaterGM2(input: PrintInput): number {
  const { print, garment } = input;
  const hits = needsWhite(garment) ? (isDoubleWhite(input) ? 2 : 1) : 0;
  const ml = print.colourMl + hits * print.whiteMl;
  return Math.round((ml * INK_WATER_G_ML) / (Math.max(1, print.inkMm2) / 1e6));
}

/** All closings together: what the ink's sheet makes of what print and fabric want, longer through silicone. */
function cureDwell(input: PrintInput): ReturnType<typeof dwellProposal> {
  const delay = sheetDelay(coverSheetFor(input, 'cure'));
  const wish = dwellWish(input);
  const { reasons, limits } = cureTime(input, wish.value);
  const through = (value: number, said: Wish['reason']['said']): ReturnType<typeof longerThrough> =>
    longerThrough(delay, { value, said });
  return dwellProposal(
    [
      ...reasons.map((own) => ({ ...own, ...through(own.value ?? wish.value, own.said) })),
      houseReason(input, 'directCure', null),
      { source: wish.reason.source, ...through(wish.value, wish.reason.said) },
    ],
    limits.length > 0
      ? limits.map((own) => ({
          ...own,
          ...spanThrough(delay, { min: own.min ?? 0, max: own.max ?? Infinity }),
        }))
      : [practiceLimit(spanThrough(delay, wish.range), 'cure-dwell')],
  );
}

/** Little ink on a light garment needs little; whiter prints need longer; polyester is held cooler for longer, by its share. */
function dwellWish(input: PrintInput): Wish {
  const { garment } = input;
  const { polyester: share } = garment.fibres;
  const cotton = needsWhite(garment) ? darkWish(input) : lightWish();
  if (share === 0) return cotton;
  const { start, ...span } = TRADE.directCurePolyesterS;
  const value = Math.round(cotton.value + (start - cotton.value) * share);
  const range = between(cotton.range, span, share);
  const said =
    share >= 1
      ? say('reason.cure-polyester', spanOf(span))
      : say('reason.blend', {
          shares: wishingFibres(garment),
          ...range,
          start: value,
          kind: 'duration',
        });
  return { value, range, reason: { source: 'trade', said, value } };
}

function lightWish(): Wish {
  const { start: value, ...range } = TRADE.directCureLightS;
  return {
    value,
    range: spanOf(range),
    reason: { source: 'trade', said: say('reason.cure-light', spanOf(range)), value },
  };
}

function darkWish(input: PrintInput): Wish {
  const { min, max } = TRADE.directCureDarkS;
  const { whiteShare } = input.print;
  const isDouble = isDoubleWhite(input);
  const whiteness = Math.min(1, whiteShare * (isDouble ? 1.3 : 1));
  const value = Math.round((min + (max - min) * whiteness) / 5) * 5;
  return {
    value,
    range: { min, max },
    reason: { source: 'model', said: say('reason.cure-white', { min, max, whiteShare, isDouble }), value },
  };
}
