import { isCap } from '../blank/index.ts';
import { formatQuantity } from '../units/index.ts';
import { settingFor } from '../work/index.ts';
import type { Operation, Setting, SettingRole } from '../work/index.ts';
import type { PrintInput, Process, RouteInput, Slip } from './documents.ts';
import { coverSheetFor, filmFor, printersFor, sheetDelay } from './equip.ts';
import { isMostlyPolyester, needsWhite } from './fabric.ts';
import { HOUSE_METHODS } from './house.ts';
import { TRADE } from './tradeRanges.ts';

/** One slip people make, and the sentence a colleague would say. */
type Detector = (input: PrintInput, operations: readonly Operation[]) => Slip[];

const OVERRIDE = 'override';
const isOwn = (setting: Setting): boolean => setting.reasons[0]?.source === OVERRIDE;

/** Slips in one setting that a person has set: the sentence, or nothing. */
const inOwn =
  (
    role: SettingRole,
    say: (setting: Setting, operation: Operation, input: PrintInput) => string | null,
  ): Detector =>
  (input, operations) =>
    operations.flatMap((operation) =>
      operation.settings
        .filter((setting) => setting.sets === role && isOwn(setting))
        .flatMap((setting) => {
          const text = say(setting, operation, input);
          return text === null ? [] : [{ operation: operation.id, setting: setting.key, text }];
        }),
    );

const at = (operation: string | null, setting: string | null, text: string): Slip => ({
  operation,
  setting,
  text,
});

/** The peel a shop works with and the film it has are not the same. */
const wrongPeel: Detector = (input, operations) => {
  const peel = operations.find(({ role }) => role === 'peel');
  if (!peel || input.process === 'bought-in') return [];
  const film = filmFor(input);
  const { filmPeel } = input.house;
  if (film.peel === filmPeel) return [];
  return [
    at(
      peel.id,
      null,
      `This shop peels ${filmPeel}, but the film here, “${film.name}”, peels ${film.peel}: peeled ${filmPeel} it ${filmPeel === 'cold' ? 'may stick' : 'tears the print off'}. It is planned as the film asks.`,
    ),
  ];
};

const hotPolyester = inOwn('temperature', (setting, operation, { garment }) =>
  isMostlyPolyester(garment) &&
  operation.station === 'press' &&
  operation.role !== 'melt' &&
  setting.value > TRADE.dyeMigrationC.max
    ? `${formatQuantity(setting.value, 'temperature')} on polyester? Its dye wanders above about ${TRADE.dyeMigrationC.start} °C, and the garment shines.`
    : null,
);

const fahrenheitTyped = inOwn('temperature', ({ value }) =>
  value >= 30 && value < 100
    ? `${formatQuantity(value, 'temperature')} melts nothing. Was it meant in °C and typed as °F?`
    : null,
);

const minutesAsSeconds = inOwn('dwell', ({ value, label, reasons }) => {
  const usual = reasons.find(({ source, value: named }) => source !== OVERRIDE && named !== null)?.value;
  return usual != null && value < usual / 8
    ? `${label} ${formatQuantity(value, 'duration')}? Usual here is ${formatQuantity(usual, 'duration')}: were minutes meant?`
    : null;
});

const matWithoutTime: Detector = (input, operations) =>
  operations.flatMap((operation) => {
    const dwell = settingFor(operation, 'dwell');
    if (!dwell || !isOwn(dwell) || operation.sheet === null) return [];
    const sheet = input.equipment.coverSheets.find(({ id }) => id === operation.sheet?.id);
    const delay = sheet ? sheetDelay(sheet) : null;
    const usual = dwell.reasons.find(({ source, value }) => source !== OVERRIDE && value !== null)?.value;
    return delay && usual != null && dwell.value <= usual / delay.factor
      ? [
          at(
            operation.id,
            dwell.key,
            `Under “${sheet?.name}” heat comes slower: ${formatQuantity(dwell.value, 'duration')} is the dwell without it. ${delay.why}`,
          ),
        ]
      : [];
  });

const hoodieLikeTee = inOwn('fluid', ({ value }, _operation, { garment }) =>
  garment.construction === 'fleece' && value <= TRADE.pretreatmentCottonGM2.max
    ? `${formatQuantity(value, 'arealMass')} is a tee’s pretreatment: fleece drinks two to three times that, and the white comes out dull.`
    : null,
);

const hotCapLower = inOwn('lower-temperature', ({ value }, _operation, { garment }) =>
  isCap(garment) && value > TRADE.capLowerC.max
    ? `The lower plate at ${formatQuantity(value, 'temperature')} lets the stiffener’s glue go: the front bubbles. Off, or ${TRADE.capLowerC.max} °C at most.`
    : null,
);

const mirroredTwice = inOwn('mirror', ({ value }, _operation, input) => {
  const task = input.process === 'dtf-platen' ? 'direct' : 'film';
  const printer = printersFor(input, task)[0];
  if (value >= 1 && printer?.isMirroring)
    return `The software of ${printer.name} mirrors already: mirrored here too, it reads the wrong way round on the garment.`;
  return value < 1 && printer && !printer.isMirroring
    ? `The software of ${printer.name} does not mirror: left as it is, it reads the wrong way round on the garment.`
    : null;
});

const lateForPowder = inOwn('stand', ({ value }) =>
  value > TRADE.powderStandS.max
    ? `After ${formatQuantity(value, 'duration')} the ink is dry and powder does not hold: minutes, not tens of minutes.`
    : null,
);

/** White is planned on film for whatever it goes on; under a white shirt it is dead weight. */
const underbaseOnWhite: Detector = ({ process, garment, print }, operations) =>
  process === 'dtg' && !needsWhite(garment) && print.whiteMl > 0
    ? [
        at(
          operations.find(({ role }) => role === 'print')?.id ?? null,
          null,
          `White under the print of a ${garment.tone === 'light' ? 'light' : 'pale'} garment? It needs none: the figures count ${formatQuantity(print.whiteMl, 'volume', undefined, 1)} of it a piece.`,
        ),
      ]
    : [];

/** The sheet this shop works under is not set up: another one stands in. */
const sheetNotThere: Detector = (input, operations) =>
  (['press', 'second-press'] as const).flatMap((use) => {
    const operation = operations.find(({ role, sheet }) =>
      use === 'press' ? sheet !== null && (role === 'bond' || role === 'cure') : role === 'press-again',
    );
    if (!operation) return [];
    const { sheet, isAsWished } = coverSheetFor(input, use);
    const { house } = input;
    const wished =
      use === 'press'
        ? HOUSE_METHODS.coverSheet.choices[house.coverSheet].label
        : HOUSE_METHODS.secondPressSheet.choices[house.secondPressSheet].label;
    return isAsWished
      ? []
      : [
          at(
            operation.id,
            null,
            `This shop presses under ${wished.toLowerCase()}, but none is set up for ink: planned with “${sheet.name}”.`,
          ),
        ];
  });

/** Each operation under a sheet is one of its presses, for every piece. */
function wornSheets({ equipment, pieces }: RouteInput, operations: readonly Operation[]): Slip[] {
  return equipment.coverSheets.flatMap(({ id, name, uses, usesSoFar }) => {
    const presses = pieces * operations.filter(({ sheet }) => sheet?.id === id).length;
    if (presses === 0 || usesSoFar + presses <= uses) return [];
    return [
      at(
        null,
        null,
        `“${name}” has done ${usesSoFar} of about ${uses} presses and this line needs ${presses} more: have a fresh one ready.`,
      ),
    ];
  });
}

/** Every plate lets polyester's dye wander a little; several prints add up. */
function manyPlatesOnPolyester({ garment, prints }: RouteInput, operations: readonly Operation[]): Slip[] {
  if (prints.length < 2 || !isMostlyPolyester(garment)) return [];
  const plates = operations.filter(({ role }) => ['bond', 'press-again', 'cure'].includes(role)).length;
  return [
    at(
      null,
      null,
      `Polyester goes under a plate ${plates} times for its ${prints.length} prints: its dye wanders a little further each time. Wash-test one first.`,
    ),
  ];
}

const DETECTORS: readonly Detector[] = [
  wrongPeel,
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
): string | null {
  const leftS = (dueMs - nowMs) / 1000;
  if (leftS <= 0 || restBeforeDispatchS === 0 || leftS >= restBeforeDispatchS + totals.elapsedS) return null;
  const hours = Math.round(restBeforeDispatchS / 3600);
  return `Promised too soon: ${prints.some(({ process }) => process === 'patch-cap') ? 'a patched cap' : 'a piece'} rests ${hours} h before it leaves, and there are ${Math.max(1, Math.round(leftS / 3600))} h left.`;
}
