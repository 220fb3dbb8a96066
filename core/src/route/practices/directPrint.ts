import { say } from '../../words/index.ts';
import { CAUTIONS } from '../cautions.ts';
import type { Setting } from '../../work/index.ts';
import type { PrintInput } from '../documents.ts';
import { areaScale, inkFor, printModeFor, printerFor } from '../equip.ts';
import { isMostlyPolyester, needsWhite } from '../fabric.ts';
import { dropFrom } from '../../placement/index.ts';
import { alone, around, on } from '../practiceParts.ts';
import type { Practice, Settle } from '../practice.ts';
import { houseReason, practiceLimit, tradeReason } from '../proposals.ts';
import { spanOf } from '../resolveSetting.ts';
import { placementOf } from '../placing.ts';
import { TRADE } from '../tradeRanges.ts';
import { settlePrint } from '../printSettings.ts';
import { settleChoke, settleDensity } from '../whiteSettings.ts';
import { inkUse } from './filmPrint.ts';
import { centreCheck } from './centre.ts';
import { isOverPocket } from './levelPlaten.ts';

/** Straight onto the garment: white first where it is dark, then colour. */
export const directPrint: Practice = {
  id: 'print',
  role: 'print',
  part: 'blank',
  station: 'direct-printer',
  applies: () => true,
  plan: (input, settle) => {
    const { garment, print } = input;
    const printer = printerFor(input);
    const mode = printModeFor(input, printer);
    const hasWhite = needsWhite(garment);
    const hits = hasWhite ? whiteHits(input, settle) : null;
    const areaM2 = ((print.widthMm * print.heightMm) / 1e6) * areaScale(input);
    const layers = hasWhite ? 1 + 0.5 * ((hits?.value ?? 1) - 1) : 0.5;
    const stand = hits !== null && hits.value > 1 ? hitPause(settle) : null;
    const machineS = Math.round(areaM2 * mode.minPerM2 * 60 * layers) + (stand?.value ?? 0);
    const { platen } = placementOf(input);
    return {
      title: 'Load and print',
      unit: 'piece',
      on: on('printer', printer),
      phases: around(45, [alone('print', machineS, { maxWaitS: null })]),
      settings: [
        ...settlePrint(input, printer, settle),
        ...(hits === null ? [] : [...whiteSettings(settle), hits, ...(stand ? [stand] : [])]),
      ],
      checks: [
        say(
          dropFrom(input.placement.key, input.garment.kind) === 'collar'
            ? 'check.loaded'
            : 'check.loaded-flat',
          {
            platen,
          },
        ),
        ...centreCheck(input),
        say('check.platen-sensor'),
        ...(isOverPocket(input) ? [say('check.clearance-pocket')] : []),
        say(hasWhite ? 'check.agitated' : 'check.no-white-light'),
        mode.said,
        ...(stand ? [say('check.stand-between-hits', { standS: stand.value })] : []),
        say('check.not-mirrored'),
      ],
      look: say('look.direct', { hasWhite }),
      cautions: [CAUTIONS.headStrike],
      consumes: inkUse(input, inkFor(input), hits?.value ?? 0),
      waitAfter: {
        minS: TRADE.directStandS.start,
        maxS: null,
        why: say('wait.wet-ink'),
      },
    };
  },
};

/** Fleece of natural fibre swallows one hit of white. */
const isThickPile = ({ garment }: Pick<PrintInput, 'garment'>): boolean =>
  garment.construction === 'fleece' && !isMostlyPolyester(garment);

/** True where white is planned in two hits. */
export const isDoubleWhite = (input: Pick<PrintInput, 'garment' | 'house'>): boolean =>
  input.house.whiteHits === 'double' || isThickPile(input);

/** Hits of white: two where the house wants it bright, and always where fleece would swallow one. */
function whiteHits(input: PrintInput, settle: Settle): Setting {
  const { house } = input;
  const isThick = isThickPile(input);
  return settle({
    key: 'whiteHits',
    sets: 'white-hits',
    label: 'White hits',
    kind: 'count',
    reasons: [
      houseReason(input, 'whiteHits', isThick ? null : house.whiteHits === 'double' ? 2 : 1),
      tradeReason(isThick ? 2 : 1, say('reason.white-hits', { isThick })),
    ],
    limits: [{ min: 1, max: 2, said: say('limit.white-hits') }],
    ability: { min: 1, max: 3 },
  });
}

/** The first white stands before the second. */
const hitPause = (settle: Settle): Setting =>
  settle({
    key: 'hitPauseS',
    sets: 'pause',
    label: 'Stand between the whites',
    kind: 'duration',
    reasons: [
      tradeReason(TRADE.directWhitePauseS.start, say('reason.hit-pause', spanOf(TRADE.directWhitePauseS))),
    ],
    limits: [practiceLimit(TRADE.directWhitePauseS, 'hit-pause')],
    ability: { min: 0, max: 600 },
  });

/** How much white, and how far inside the colour. */
const whiteSettings = (settle: Settle): Setting[] => [
  settleDensity(settle, TRADE.directWhiteDensity, say('reason.white-fabric')),
  settleChoke(settle, TRADE.directChokeMm, say('reason.white-choke')),
];
