import { isCap, isPatch, pressedThicknessMm } from '../../blank/index.ts';
import type { Garment } from '../../blank/index.ts';
import type { Limit, Operation, Setting } from '../../work/index.ts';
import { settingFor } from '../../work/index.ts';
import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import type { PrintInput } from '../documents.ts';
import { coverSheetFor, powderFor, pressFor, readyMadeFor, refOf, sheetDelay } from '../equip.ts';
import type { SheetDelay, SheetUse } from '../equip.ts';
import { isHeavyWoven } from '../fabric.ts';
import { FIBRE_FACTS } from '../fibres.ts';
import { onPress, pressedOnce, sheetUse } from '../practiceParts.ts';
import { placementOf } from '../placing.ts';
import { centreCheck } from './centre.ts';
import type { OperationDraft, Settle } from '../practice.ts';
import {
  dwellProposal,
  longerThrough,
  plateProposal,
  practiceLimit,
  pressureProposal,
  sheetLimit,
  spanThrough,
} from '../proposals.ts';
import type { PressureWish } from '../proposals.ts';
import { makerReason } from '../resolveSetting.ts';
import { isOnFront } from '../sources/judge.ts';
import { stackOf } from '../stack.ts';
import { TRADE } from '../tradeRanges.ts';
import type { TransferSource, TransferWish } from '../transferSource.ts';

const HOT_PEEL_S = 4; // before the glue sets (assumption)
/** On a cap it is rubbed down first, and the curve holds the heat longer (assumption). */
const HOT_PEEL_RUBBED_S = 10;

/** How long a transfer rests before its film comes off, and why. */
export function peelRest(
  { equipment, garment, process }: Pick<PrintInput, 'equipment' | 'garment' | 'process'>,
  { name: transfer, peel }: Pick<TransferSource, 'name' | 'peel'>,
): NonNullable<Operation['waitAfter']> {
  if (peel === 'hot') {
    const maxS = isOnFront({ garment, process }) ? HOT_PEEL_RUBBED_S : HOT_PEEL_S;
    return { minS: 0, maxS, why: say('wait.peel-hot', { transfer }) };
  }
  if (peel === 'warm')
    return { minS: TRADE.warmPeelS.start, maxS: 30, why: say('wait.peel-warm', { transfer }) };
  const { coolingTable } = equipment;
  const table = coolingTable?.isMetal ? coolingTable.name : null;
  return {
    minS: (table === null ? TRADE.coldPeelS : TRADE.coldPeelMetalS).start,
    maxS: null,
    why: say('wait.peel-cold', { transfer, table }),
  };
}

/** The glue must melt under this plate; a supplier's glue is its own affair. */
export const glueLimit = (input: PrintInput, { isOwnGlue }: Pick<TransferSource, 'isOwnGlue'>): Limit[] =>
  isOwnGlue
    ? [
        {
          min: powderFor(input).meltC.max,
          max: null,
          said: say('limit.glue', { powder: powderFor(input).name }),
        },
      ]
    : [];

const SET_NEAR = 0.2; // of a pressure a sheet names: as near as a press is set (assumption)

/** The pressure a sheet names, or else what the fabric wants within what practice keeps to. */
export function sourcePressure(
  { name, kPa }: Pick<TransferSource, 'name' | 'kPa'>,
  wish: TransferWish['kPa'],
  outside: 'transfer-pressure' | 'cap-pressure' | 'patch-pressure',
): PressureWish {
  if (kPa === null) return { kPa: wish.value, said: wish.said, limits: [practiceLimit(wish.range, outside)] };
  return {
    kPa,
    said: say('reason.sheet-asks', { transfer: name }),
    source: 'maker',
    limits: [
      {
        min: kPa * (1 - SET_NEAR),
        max: kPa * (1 + SET_NEAR),
        said: say('limit.sheet-pressure', { maker: name, kPa }),
      },
    ],
  };
}

const THICK_MM = 1; // one layer under the press; fleece from about 250 g/m² (assumption)

const isClamOnThick = (input: PrintInput): boolean =>
  pressFor(input).opening === 'clam' && pressedThicknessMm(input.garment) >= THICK_MM;

/** Presses a transfer onto the line's blank on a flat press. */
export function pressTransfer(
  input: PrintInput,
  settle: Settle,
  source: TransferSource,
  wish: TransferWish,
): OperationDraft {
  const { garment } = input;
  const sheet = coverSheetFor(input, 'press');
  const temp = settle(
    plateProposal(
      input,
      [makerReason(source.name, source.pressC, wish.temp.value, 'temperature'), wish.temp.reason],
      [sheetLimit(source.name, source.pressC), ...glueLimit(input, source)],
    ),
  );
  const dwell = settle(transferDwell(source, wish, sheetDelay(sheet)));
  const pressure = settle(pressureProposal(input, sourcePressure(source, wish.kPa, 'transfer-pressure')));
  return {
    title: 'Press the transfer',
    ...pressedOnce(
      onPress(input),
      { label: 'press', handsS: 25, laid: stackOf(input, { sheet, carries: 'transfer' }) },
      { temp, dwell, pressure },
    ),
    takes: ['transfer'],
    sheet: refOf(sheet),
    checks: [
      say('check.white-down'),
      ...(isPatch(garment) ? ON_A_PATCH : onCloth(input)),
      ...fabricChecks(garment),
    ],
    look: say(isPatch(garment) ? 'look.patch-printed' : 'look.pressed'),
    consumes: [sheetUse(input, 'press')],
    waitAfter: peelRest(input, source),
  };
}

/** What is looked at where a transfer goes on a patch that lies flat. */
export const ON_A_PATCH: readonly Said[] = [say('check.art-on-patch'), say('check.patch-glue-paper')];

const onCloth = (input: PrintInput): Said[] => [
  ...centreCheck(input),
  say(hasPad(input) ? 'check.pad-in-place' : 'check.flat-under-plate'),
  ...(isClamOnThick(input) ? [say('check.pillow-clam')] : []),
  ...(isHeavyWoven(input.garment) ? [say('check.seams-off')] : []),
];

/** True where a pad or a pillow lies under the print, by its placement. */
export const hasPad = (input: PrintInput): boolean =>
  placementOf(input).needs.some(({ what }) => what === 'pad');

/** What only some fabrics are told at the press. */
export const fabricChecks = ({ fibres, dye }: Garment): Said[] => [
  ...(fibres.other >= FIBRE_FACTS.other.decidesFrom ? [say('check.test-first')] : []),
  ...(dye === 'migrating' && fibres.polyester > 0 ? [say('check.blocker')] : []),
];

/** A transfer's own dwell, longer through a sheet that heat takes longer through; its limit likewise. */
export function transferDwell(
  { name, dwellS }: Pick<TransferSource, 'name' | 'dwellS'>,
  { dwell }: Pick<TransferWish, 'dwell'>,
  delay: SheetDelay | null,
): Parameters<Settle>[0] {
  const bySheet = makerReason(name, dwellS, dwell.value, 'duration');
  if (delay === null) return dwellProposal([bySheet, dwell.reason], [sheetLimit(name, dwellS)]);
  const maker = longerThrough(delay, { value: bySheet.value ?? dwell.value, said: bySheet.said });
  const trade = longerThrough(delay, { value: dwell.value, said: dwell.reason.said });
  return dwellProposal(
    [
      { source: 'maker', ...maker },
      { source: 'trade', ...trade },
    ],
    [
      {
        ...spanThrough(delay, dwellS),
        said: say('limit.sheet-through', { maker: name, factor: delay.factor }),
      },
    ],
  );
}

/** Pressure of the press before: a second one is never firmer. */
export function firstPressure(before: readonly Operation[]): number | null {
  const bond = before.find(({ role }) => role === 'bond');
  return (bond && settingFor(bond, 'pressure')?.value) ?? null;
}

/** Medium where the first press was that firm, else as light as it was. */
export function secondPressure(before: readonly Operation[]): PressureWish {
  const firstKPa = firstPressure(before);
  const limits: Limit[] =
    firstKPa === null ? [] : [{ min: null, max: firstKPa, said: say('limit.second-softer', { firstKPa }) }];
  return { kPa: TRADE.secondPressKPa.start, said: say('reason.second-edges'), limits };
}

/** A transfer that did not come from here and is to be pressed again. */
type AskedAgain = NonNullable<ReturnType<typeof readyMadeFor>>;

/** A transfer whose own sheet asks for a second press. */
export function askedAgain(input: PrintInput): AskedAgain | null {
  const readyMade = readyMadeFor(input);
  return readyMade !== null && readyMade.secondPressS > 0 ? readyMade : null;
}

/** As long as its sheet says. */
export const askedDwell = ({ name, secondPressS }: AskedAgain): ReturnType<typeof dwellProposal> =>
  dwellProposal(
    [
      {
        source: 'maker',
        said: say('reason.own-second', { transfer: name, dwellS: secondPressS }),
        value: secondPressS,
      },
    ],
    [sheetLimit(name, { min: secondPressS, max: secondPressS })],
  );

/** A covered press after the film is off. */
export function pressAgain(
  input: PrintInput,
  own: { temp: Setting; dwell: Setting; pressure: Setting; use: SheetUse },
): OperationDraft {
  const sheet = coverSheetFor(input, own.use);
  return {
    title: 'Second press, covered',
    ...pressedOnce(
      onPress(input),
      { label: 'second press', handsS: 12, laid: stackOf(input, { sheet, carries: 'bonded' }) },
      own,
    ),
    sheet: refOf(sheet),
    checks: [say('check.clean-side')],
    look: say('look.second-press', {
      isGlossy: sheet.kind === 'ptfe',
      isTextured: sheet.kind === 'silicone-textured',
    }),
    consumes: [sheetUse(input, own.use)],
  };
}

/** False for transfers that go on the shelf. */
export const isPressedNow = ({ house }: Pick<PrintInput, 'house'>): boolean => house.filmUse === 'at-once';

/** Transfers that an iron touches to a patch, where this shop has one and works so. */
export const isIroned = ({ process, house, equipment }: PrintInput): boolean =>
  process === 'patch-cap' && house.patchTack === 'hand-iron' && equipment.handIron !== null;

/** Flat blanks go under a flat press, caps on a form. */
export const isPressedFlat = ({ garment }: Pick<PrintInput, 'garment'>): boolean => !isCap(garment);
