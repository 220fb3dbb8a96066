import { USUAL_GRAMS } from '../spray/index.ts';
import { GRAMS_IN } from '../stock/index.ts';
import { fluidForLine } from './practices/directPretreat.ts';
import { isCap } from '../blank/index.ts';
import { plannedMode, settingFor } from '../work/index.ts';
import type { Operation, Setting, SettingRole } from '../work/index.ts';
import { say } from '../words/index.ts';
import type { Said } from '../words/index.ts';
import type { PrintInput, Process, RouteInput, Slip } from './documents.ts';
import {
  ORIGIN_ROLES,
  capMatFor,
  coverSheetFor,
  filmFor,
  lackOf,
  pressFor,
  printerFor,
  readyMadeFor,
  sheetDelay,
  shelfTransferFor,
  transferOrigin,
  wishedSheets,
} from './equip.ts';
import { isMostlyPolyester, needsWhite } from './fabric.ts';
import type { Stocked } from './materials.ts';
import { melterFor } from './melters.ts';
import { isForShelf } from './practices/inspect.ts';
import { isIroned } from './practices/transferPress.ts';
import { sourcesOf } from './routeSources.ts';
import { TRADE } from './tradeRanges.ts';

/** One slip people make, and what a colleague would say. */
type Detector = (input: PrintInput, operations: readonly Operation[]) => Slip[];

const OVERRIDE = 'override';
const isOwn = (setting: Setting): boolean => setting.reasons[0]?.source === OVERRIDE;

/** Slips in one setting that a person has set: what is said of it, or nothing. */
const inOwn =
  (
    role: SettingRole,
    sayOf: (setting: Setting, operation: Operation, input: PrintInput) => Said | null,
  ): Detector =>
  (input, operations) =>
    operations.flatMap((operation) =>
      operation.settings
        .filter((setting) => setting.sets === role && isOwn(setting))
        .flatMap((setting) => {
          const said = sayOf(setting, operation, input);
          return said === null ? [] : [{ operation: operation.id, setting: setting.key, said }];
        }),
    );

const at = (operation: string | null, setting: string | null, said: Said): Slip => ({
  operation,
  setting,
  said,
});

/** The peel or the pull a shop works with and the film it has are not the same. */
const wrongPeel: Detector = (input, operations) => {
  const peel = operations.find(({ role }) => role === 'peel');
  if (!peel || transferOrigin(input) !== 'here' || isIroned(input)) return [];
  const film = filmFor(input);
  const { filmPeel, filmPull } = input.house;
  return [
    ...(film.peel === filmPeel
      ? []
      : [at(peel.id, null, say('slip.wrong-peel', { house: filmPeel, film: film.name, peel: film.peel }))]),
    ...(filmPull === 'as-film' || filmPull === film.pull
      ? []
      : [at(peel.id, null, say('slip.wrong-pull', { house: filmPull, film: film.name, pull: film.pull }))]),
  ];
};

/** Transfers for patches come from elsewhere than this house likes: why, and where from. */
const otherOrigin: Detector = (input, operations) => {
  const wished = input.house.patchTransfer;
  const taken = transferOrigin(input);
  if (input.process !== 'patch-cap' || taken === wished) return [];
  const [why] = ORIGIN_ROLES[wished].flatMap((role) => lackOf(input, role) ?? []);
  const first = operations.find(({ lane }) => lane !== 'blank');
  return why === undefined
    ? []
    : [at(first?.id ?? null, null, say('slip.other-origin', { wished, taken, why }))];
};

/** What this shop likes to work with is not set up: another way is planned. */
const wayNotThere: Detector = (input, operations) => {
  const { house, process, equipment } = input;
  const missing = (
    id: string | undefined,
    key: 'meltMeans' | 'patchTack' | 'capMat' | 'capSecondPress',
    instead: string | null = null,
  ): Slip[] =>
    id === undefined ? [] : [at(id, null, say('slip.way-not-there', { key, choice: house[key], instead }))];
  const melt = operations.find(({ role }) => role === 'melt');
  const again = operations.find(({ role, station }) => role === 'press-again' && station === 'cap-press');
  const bonds = process === 'patch-cap' ? operations.filter(({ role }) => role === 'bond') : [];
  const pressedPatch = bonds.find(({ lane }) => lane !== 'blank');
  const patchOn = bonds.find(({ lane }) => lane === 'blank');
  /** Pressed again under its own film: said where a sheet was asked for, by what came with it or by the house. */
  const bareOnCap = (id: string): Slip[] => {
    const asked = readyMadeFor(input);
    if (asked)
      return [
        at(id, null, say('slip.asked-sheet-missing', { kind: asked.sheet, sheet: 'its own film, turned' })),
      ];
    return house.capSecondPress === 'silicone' ? missing(id, 'capSecondPress') : [];
  };
  return [
    ...(melt && melterFor(input).means !== house.meltMeans
      ? missing(melt.id, 'meltMeans', melterFor(input).name)
      : []),
    ...(house.patchTack === 'hand-iron' && equipment.handIron === null
      ? missing(pressedPatch?.id, 'patchTack', pressedPatch && pressFor(input).name)
      : []),
    ...(house.capMat === 'mat' && capMatFor(input) === null ? missing(patchOn?.id, 'capMat') : []),
    ...(again?.sheet === null ? bareOnCap(again.id) : []),
  ];
};

const hotPolyester = inOwn('temperature', ({ value }, operation, { garment }) =>
  isMostlyPolyester(garment) &&
  operation.station === 'press' &&
  operation.role !== 'melt' &&
  value > TRADE.dyeMigrationC.max
    ? say('slip.hot-polyester', { value, wandersC: TRADE.dyeMigrationC.start })
    : null,
);

const fahrenheitTyped = inOwn('temperature', ({ value }) =>
  value >= 30 && value < 100 ? say('slip.fahrenheit', { value }) : null,
);

const minutesAsSeconds = inOwn('dwell', ({ value, label, reasons }) => {
  const usual = reasons.find(({ source, value: named }) => source !== OVERRIDE && named !== null)?.value;
  return usual != null && value < usual / 8 ? say('slip.minutes', { label, value, usual }) : null;
});

const matWithoutTime: Detector = (input, operations) =>
  operations.flatMap((operation) => {
    const dwell = settingFor(operation, 'dwell');
    if (!dwell || !isOwn(dwell) || operation.sheet === null) return [];
    const sheet = input.equipment.coverSheets.find(({ id }) => id === operation.sheet?.id);
    const delay = sheet ? sheetDelay(sheet) : null;
    const usual = dwell.reasons.find(({ source, value }) => source !== OVERRIDE && value !== null)?.value;
    if (!sheet || !delay || usual == null || dwell.value > usual / delay.factor) return [];
    const said = say('slip.mat-without-time', {
      sheet: sheet.name,
      value: dwell.value,
      delay: delay.said,
    });
    return [at(operation.id, dwell.key, said)];
  });

const hoodieLikeTee = inOwn('fluid', ({ value }, _operation, { garment }) =>
  garment.construction === 'fleece' && value <= TRADE.pretreatmentCottonGM2.max
    ? say('slip.hoodie-like-tee', { value })
    : null,
);

const hotCapLower = inOwn('lower-temperature', ({ value }, _operation, { garment }) =>
  isCap(garment) && value > TRADE.capLowerC.max
    ? say('slip.hot-cap-lower', { value, max: TRADE.capLowerC.max })
    : null,
);

const mirroredTwice = inOwn('mirror', ({ value }, _operation, input) => {
  const printer = printerFor(input);
  if (value >= 1 !== printer.isMirroring) return null;
  return say('slip.mirrored-twice', { printer: printer.name, isMirroring: printer.isMirroring });
});

const lateForPowder = inOwn('stand', ({ value }) =>
  value > TRADE.powderStandS.max ? say('slip.late-powder', { value }) : null,
);

/** White is planned on film for whatever it goes on; under a white shirt it is dead weight. */
const underbaseOnWhite: Detector = ({ process, garment, print: { whiteMl } }, operations) =>
  process === 'dtg' && !needsWhite(garment) && whiteMl > 0
    ? [
        at(
          operations.find(({ role }) => role === 'print')?.id ?? null,
          null,
          say('slip.white-on-white', { tone: garment.tone === 'light' ? 'light' : 'pale', whiteMl }),
        ),
      ]
    : [];

/** The sheet this shop works under is not set up: another one stands in. */
const sheetNotThere: Detector = (input, operations) =>
  (['press', 'second-press'] as const).flatMap((use) => {
    const operation = operations.find(({ role, sheet, station }) =>
      use === 'press'
        ? sheet !== null && (role === 'bond' || role === 'cure')
        : role === 'press-again' && station === 'press',
    );
    if (!operation) return [];
    const sheet = coverSheetFor(input, use);
    const key = use === 'press' ? 'coverSheet' : 'secondPressSheet';
    const choice = input.house[key];
    const wished = wishedSheets(input, use);
    const role = use === 'press' ? 'press-sheet' : 'second-sheet';
    const isChosen = input.sources.some((own) => own.role === role && own.print === input.id);
    if (isChosen || wished.includes(sheet.kind)) return [];
    const said =
      readyMadeFor(input) !== null
        ? say('slip.asked-sheet-missing', { kind: wished[0], sheet: sheet.name })
        : say('slip.sheet-missing', { key, choice, sheet: sheet.name });
    return [at(operation.id, null, said)];
  });

/** What a print is planned with and none is there of. */
const outOfStock: Detector = (input) =>
  sourcesOf(input).flatMap(({ id, name }) => {
    const { films, powders, inkSets, pretreatments, coverSheets, tapes } = input.equipment;
    const all: Stocked[] = [...films, ...powders, ...inkSets, ...pretreatments, ...coverSheets, ...tapes];
    const isOut = all.some((own) => own.id === id && own.stock === 0);
    return isOut ? [at(null, null, say('slip.out-of-stock', { thing: name }))] : [];
  });

/** Pretreatment for all pieces, with what goes beside them, against what is there. */
const fluidShort: Detector = (input, operations) => {
  const sprayed = operations.find(({ role }) => role === 'spray');
  const [used] = sprayed?.consumes ?? [];
  const fluid = input.equipment.pretreatments.find(({ id }) => id === used?.id);
  const grams = GRAMS_IN[fluid?.stockUnit ?? ''];
  if (!sprayed || !used || !fluid || grams === undefined || fluid.stock == null || fluid.stock === 0)
    return [];
  const needG = fluidForLine(used.amount, input.pieces).lineMl * USUAL_GRAMS.densityGPerMl;
  const stockG = fluid.stock * grams;
  return needG <= stockG
    ? []
    : [at(sprayed.id, null, say('slip.fluid-short', { fluid: fluid.name, needG, stockG }))];
};

/** What is printed for this line lies ready. */
const liesOnShelf: Detector = (input) => {
  const isPrinted = input.process === 'dtf' || input.process === 'dtf-platen';
  if (!isPrinted || isForShelf(input) || lackOf(input, 'shelf-transfer') !== null) return [];
  const { name, stock } = shelfTransferFor(input);
  return [at(null, null, say('slip.on-shelf', { transfer: name, stock: stock ?? null }))];
};

/** Every closing under a sheet is one of its presses, for every piece. */
function wornSheets({ equipment, pieces }: RouteInput, operations: readonly Operation[]): Slip[] {
  return equipment.coverSheets.flatMap(({ id, name, uses, usesSoFar }) => {
    const closings = operations.filter(({ sheet }) => sheet?.id === id).map(closingsIn);
    const more = pieces * closings.reduce((sum, own) => sum + own, 0);
    if (more === 0 || usesSoFar + more <= uses) return [];
    return [at(null, null, say('slip.worn-sheet', { sheet: name, used: usesSoFar, uses, more }))];
  });
}

const closingsIn = (operation: Operation): number =>
  plannedMode(operation).phases.filter(({ heat }) => heat?.press.over === 'platen').length;

/** Every plate lets polyester's dye wander a little; several prints add up. */
function manyPlatesOnPolyester({ garment, prints }: RouteInput, operations: readonly Operation[]): Slip[] {
  if (prints.length < 2 || !isMostlyPolyester(garment)) return [];
  const plates = operations.filter(({ role }) => ['bond', 'press-again', 'cure'].includes(role)).length;
  return [at(null, null, say('slip.many-plates', { plates, prints: prints.length }))];
}

const DETECTORS: readonly Detector[] = [
  fluidShort,
  wrongPeel,
  otherOrigin,
  wayNotThere,
  hotPolyester,
  fahrenheitTyped,
  minutesAsSeconds,
  matWithoutTime,
  hoodieLikeTee,
  hotCapLower,
  mirroredTwice,
  lateForPowder,
  underbaseOnWhite,
  sheetNotThere,
  outOfStock,
  liesOnShelf,
];

/** Every slip in what is planned for one print, where it was made. */
export const findSlips = (input: PrintInput, operations: readonly Operation[]): Slip[] =>
  DETECTORS.flatMap((detect) => detect(input, operations));

/** Slips of the line as a whole. */
export const findLineSlips = (input: RouteInput, operations: readonly Operation[]): Slip[] => [
  ...wornSheets(input, operations),
  ...manyPlatesOnPolyester(input, operations),
];

/**
 * A promise that leaves no time for the rest a piece needs.
 *
 * @param nowMs ms since 1970
 * @param dueMs ms since 1970
 * @returns `null` where there is time
 */
export function promiseSlip(
  {
    restBeforeDispatchS,
    totals,
    prints,
  }: {
    restBeforeDispatchS: number;
    totals: { elapsedS: number };
    prints: readonly { process: Process }[];
  },
  nowMs: number,
  dueMs: number,
): Said | null {
  const leftS = (dueMs - nowMs) / 1000;
  if (leftS <= 0 || restBeforeDispatchS === 0 || leftS >= restBeforeDispatchS + totals.elapsedS) return null;
  return say('slip.promised-too-soon', {
    isPatch: prints.some(({ process }) => process === 'patch-cap'),
    restH: Math.round(restBeforeDispatchS / 3600),
    leftH: Math.max(1, Math.round(leftS / 3600)),
  });
}
