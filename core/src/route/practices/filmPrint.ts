import { CAUTIONS } from '../cautions.ts';
import { sparesOf } from '../practice.ts';
import type { Consumption, Setting, Wait } from '../../work/index.ts';
import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import type { PrintInput } from '../documents.ts';
import { areaScale, filmFor, inkFor, liquidFor, printModeFor, printerFor } from '../equip.ts';
import { filmPerTransferM2, filmSheets, transferPrintS } from '../filmSheets.ts';
import type { Printer } from '../machines.ts';
import type { Film, InkSet } from '../materials.ts';
import { alone, around, byHand, on, tapeUse } from '../practiceParts.ts';
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import { houseReason, practiceLimit, tradeReason } from '../proposals.ts';
import { spanOf } from '../resolveSetting.ts';
import { TRADE } from '../tradeRanges.ts';
import { settlePrint } from '../printSettings.ts';
import { settleChoke, settleDensity } from '../whiteSettings.ts';

/** After any printing of film: what is left of the time ink stays wet, counted from the first print of a full sheet. */
export const waitForPowder = (input: PrintInput, wetS: number): Wait => ({
  minS: 0,
  maxS: Math.max(0, Math.round(wetS - filmSheets(input).printedForS)),
  why: say('wait.powder'),
});

/** How long ink on film takes powder in this room; the house’s own time where somebody timed it. */
export const wetSetting = (settle: Settle): Setting =>
  settle({
    key: 'wetS',
    sets: 'wet',
    label: 'Ink stays wet',
    kind: 'duration',
    reasons: [tradeReason(TRADE.inkWetS.start, say('reason.ink-wet', spanOf(TRADE.inkWetS)))],
    limits: [{ min: null, max: TRADE.inkWetS.max, said: say('limit.powder-wet') }],
    ability: { min: 30, max: 3600 },
  });

/** What is done to a film printer once, before the first sheet. */
export const filmReady: Practice = {
  id: 'ready-printer',
  role: 'set-up',
  part: 'transfer',
  station: 'film-printer',
  applies: () => true,
  plan: (input) => ({
    title: 'Ready the film printer',
    unit: 'line',
    on: on('printer', printerFor(input)),
    phases: [byHand('ready', 120)],
    checks: [say('check.agitated'), ...filmChecks(filmFor(input))],
    look: say('look.nozzles'),
  }),
};

const SHEET_OFF_S = 15; // a sheet cut off the roll and carried to the powder (assumption)

/** Colour, then white, mirrored, on the coated side of the film. */
export const filmPrint: Practice = {
  id: 'print-film',
  role: 'print',
  part: 'transfer',
  station: 'film-printer',
  applies: () => true,
  plan: (input, settle) => {
    const printer = printerFor(input);
    const ink = inkFor(input);
    const film = filmFor(input);
    const [pause, set, wet] = [pauseSetting(settle), setSetting(input, settle), wetSetting(settle)];
    return {
      title: 'Print the film',
      ...inSheets(input, SHEET_OFF_S, pause.value + set.value),
      on: on('printer', printer),
      settings: filmSettings(input, settle, [pause, set, wet]),
      checks: [...wetCheck(input), printModeFor(input, printer).said, mirrorCheck(printer)],
      look: say('look.film-print'),
      consumes: [...inkUse(input, ink), filmUse(input, film)],
      waitAfter: waitForPowder(input, wet.value),
    };
  },
};

/** The same on a direct printer: film held on the platen, in one job or in two with a pause between. */
export const platenFilmPrint: Practice = {
  id: 'print-film',
  role: 'print',
  part: 'transfer',
  station: 'direct-printer',
  applies: () => true,
  plan: (input, settle) => {
    const printer = printerFor(input);
    const ink = inkFor(input);
    const film = filmFor(input);
    const isTwoJobs = printer.whiteJobs === 'two';
    const between = isTwoJobs ? betweenJobs(settle) : pauseSetting(settle);
    const [set, wet] = [setSetting(input, settle), wetSetting(settle)];
    return {
      title: isTwoJobs ? 'Print the film: colour, dry, white' : 'Print the film on the platen',
      ...inSheets(input, isTwoJobs ? 180 : 120, between.value + set.value),
      on: on('printer', printer),
      settings: filmSettings(input, settle, [between, set, wet]),
      checks: [
        ...onPlaten(input),
        ...wetCheck(input),
        ...filmChecks(film),
        ...(isTwoJobs
          ? [say('check.film-not-moved'), say('check.colour-job-first')]
          : [say('check.colour-first')]),
        mirrorCheck(printer),
      ],
      look: say('look.platen-film'),
      cautions: [CAUTIONS.headStrike, ...(input.house.filmHold === 'liquid' ? [CAUTIONS.alcohol] : [])],
      consumes: [...inkUse(input, ink), filmUse(input, film), ...holding(input)],
      waitAfter: waitForPowder(input, wet.value),
    };
  },
};

/** How film is held on a platen, and how high that is. */
export const onPlaten = (input: PrintInput): Said[] => [
  say('check.film-held', { choice: input.house.filmHold }),
  say('check.platen-for-film', {
    isGripped: input.house.filmHold === 'grip',
    padMm: printerFor(input).gripPadMm,
  }),
];

const TAPE_A_SHEET_M = 0.4; // four strips at the edges (assumption)

const LIQUID_A_SHEET_ML = 3; // drops under the edges and the middle (assumption)

/** What holds film on a platen in this shop: its share for one print. Water costs nothing, a pad is no supply. */
export function holding(input: PrintInput): Consumption[] {
  const { perSheet } = filmSheets(input);
  const { filmHold } = input.house;
  if (filmHold === 'tape') return tapeUse(input, TAPE_A_SHEET_M / perSheet);
  const liquid = filmHold === 'liquid' ? liquidFor(input) : null;
  if (liquid === null) return [];
  const { id, name, centsPerL } = liquid;
  const amount = LIQUID_A_SHEET_ML / perSheet;
  return [{ id, what: name, amount, kind: 'volume', cents: (amount / 1000) * centsPerL, isAssumed: true }];
}

/** Where not all of a line is printed in one go. */
export function wetCheck(input: PrintInput): Said[] {
  const { perSheet } = filmSheets(input);
  return input.pieces + sparesOf(input) > perSheet ? [say('check.powder-as-it-comes', { perSheet })] : [];
}

/** A printer at work sheet by sheet: hands for each, then the prints on it one after the other, and what comes between. */
export const inSheets = (
  input: PrintInput,
  handsS: number,
  betweenS = 0,
): Required<Pick<OperationDraft, 'unit' | 'size' | 'phases'>> => ({
  unit: 'sheet',
  size: filmSheets(input).perSheet,
  phases: around(handsS, [
    alone('print', betweenS, { eachS: transferPrintS(input), maxWaitS: TRADE.powderStandS.max }),
  ]),
});

const filmChecks = ({ coated, isGlitter }: Film): Said[] => [
  say('check.coated-side', { sides: coated }),
  ...(isGlitter ? [say('check.glitter-side')] : []),
];

export const mirrorCheck = ({ isMirroring, name }: Printer): Said =>
  say('check.mirror', { printer: name, isMirroring });

/** How often the operator mirrors by hand: never where the software does it. */
function mirrorSetting({ isMirroring, name }: Printer, settle: Settle): Setting {
  const value = isMirroring ? 0 : 1;
  return settle({
    key: 'mirrorHere',
    sets: 'mirror',
    label: 'Mirror in the artwork',
    kind: 'flag',
    reasons: [
      {
        source: 'maker',
        said: say('reason.software-mirrors', { printer: name, isMirroring }),
        value,
      },
    ],
    limits: [{ min: value, max: value, said: say('limit.mirrored-once') }],
    ability: { min: 0, max: 1 },
  });
}

/** Ink on one print: colour once, white as often as it is laid; an ink set without white lays none. */
export function inkUse(input: PrintInput, ink: InkSet, whiteHits = 1): Consumption[] {
  const { print } = input;
  const scale = areaScale(input);
  const row = (what: string, amount: number, centsPerMl: number): Consumption => ({
    id: ink.id,
    what: `${ink.name}, ${what}`,
    amount,
    kind: 'volume',
    cents: amount * centsPerMl,
    isAssumed: ink.status === 'assumed',
  });
  const whiteMl = ink.whiteMlM2 > 0 ? print.whiteMl * scale * whiteHits : 0;
  return [
    row('colour', print.colourMl * scale, ink.colourCentsPerMl),
    ...(whiteMl > 0 ? [row('white', whiteMl, ink.whiteCentsPerMl)] : []),
  ];
}

export const filmUse = (input: PrintInput, film: Film): Consumption => {
  const amount = filmPerTransferM2(input);
  const { id, name, centsPerM2 } = film;
  return { id, what: name, amount, kind: 'area', cents: amount * centsPerM2, isAssumed: false };
};

/** What is set to print film, whatever prints it. */
function filmSettings(input: PrintInput, settle: Settle, pauses: readonly Setting[]): Setting[] {
  const printer = printerFor(input);
  return [
    ...settlePrint(input, printer, settle),
    ...whiteSettings(settle),
    ...pauses,
    mirrorSetting(printer, settle),
  ];
}

const whiteSettings = (settle: Settle): Setting[] => [
  settleDensity(settle, TRADE.filmWhiteDensity, say('reason.film-white', spanOf(TRADE.filmWhiteDensity))),
  settleChoke(settle, TRADE.filmChokeMm, say('reason.film-choke')),
];

const pauseSetting = (settle: Settle): Setting =>
  settle({
    key: 'pauseS',
    sets: 'pause',
    label: 'Pause between colour and white',
    kind: 'duration',
    reasons: [tradeReason(TRADE.filmPauseS.start, say('reason.film-pause', spanOf(TRADE.filmPauseS)))],
    limits: [practiceLimit(TRADE.filmPauseS, 'pause')],
    ability: { min: 0, max: 120 },
  });

/** After the white as well: what is still wet at the rim would catch powder. */
const setSetting = (input: PrintInput, settle: Settle): Setting => {
  const isWarmAir = input.house.layerDrying === 'warm-air';
  return settle({
    key: 'setS',
    sets: 'after-pause',
    label: isWarmAir ? 'Warm air after the white' : 'Pause after the white',
    kind: 'duration',
    reasons: [
      houseReason(input, 'layerDrying', null),
      tradeReason(TRADE.filmPauseS.start, say('reason.film-set', { ...spanOf(TRADE.filmPauseS), isWarmAir })),
    ],
    limits: [practiceLimit(TRADE.filmPauseS, 'pause')],
    ability: { min: 0, max: 120 },
  });
};

const betweenJobs = (settle: Settle): Setting =>
  settle({
    key: 'betweenJobsS',
    sets: 'pause',
    label: 'Dry between the jobs',
    kind: 'duration',
    reasons: [tradeReason(TRADE.filmBetweenJobsS.start, say('reason.between-jobs'))],
    limits: [{ ...spanOf(TRADE.filmBetweenJobsS), said: say('limit.between-jobs') }],
    ability: { min: 0, max: 600 },
  });
