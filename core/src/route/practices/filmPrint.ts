import { CAUTIONS } from '../cautions.ts';
import { sparesOf } from '../practice.ts';
import type { Consumption, Setting, Wait } from '../../work/index.ts';
import type { PrintInput } from '../documents.ts';
import { areaScale, filmFor, inkFor, printModeFor, printerFor } from '../equip.ts';
import { filmSheets, transferPrintS } from '../filmSheets.ts';
import type { Printer } from '../machines.ts';
import type { Film, InkSet } from '../materials.ts';
import { alone, around, byHand, houseReason, on, tradeReason } from '../practiceParts.ts';
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';
import { settleChoke, settleDensity } from '../whiteSettings.ts';

/** After any printing of film: what is left of the time ink stays wet, counted from the first print of a full sheet. */
export const waitForPowder = (input: PrintInput): Wait => ({
  minS: 0,
  maxS: Math.round(TRADE.powderStandS.max - filmSheets(input).printedForS),
  why: 'Powder holds only on wet ink: minutes, not tens of minutes.',
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
    on: on('printer', printerFor(input, 'film')),
    phases: [byHand('ready', 120)],
    checks: ['White ink agitated, nozzle check clean', ...filmChecks(filmFor(input))],
    look: 'A nozzle check without gaps; film flat and straight.',
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
    const printer = printerFor(input, 'film');
    const ink = inkFor(input, 'film');
    const film = filmFor(input);
    const mode = printModeFor(input, printer);
    return {
      title: 'Print the film',
      ...inSheets(input, SHEET_OFF_S),
      on: on('printer', printer),
      settings: [...whiteSettings(settle), pauseSetting(settle), mirrorSetting(printer, settle)],
      checks: [...wetCheck(input), `Mode ${mode.name}: ${mode.why}`, mirrorCheck(printer)],
      look: 'No puddles, no lines; the white covers all colour but a hair at the edge.',
      consumes: [...inkUse(input, ink), filmUse(input, film)],
      waitAfter: waitForPowder(input),
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
    const printer = printerFor(input, 'direct');
    const ink = inkFor(input, 'textile');
    const film = filmFor(input);
    const isTwoJobs = printer.whiteJobs === 'two';
    const between = isTwoJobs ? [betweenJobs(settle)] : [];
    const betweenS = between.reduce((sum, { value }) => sum + value, 0);
    return {
      title: isTwoJobs ? 'Print the film: colour, dry, white' : 'Print the film on the platen',
      ...inSheets(input, isTwoJobs ? 180 : 120, betweenS),
      on: on('printer', printer),
      settings: [
        ...whiteSettings(settle),
        isTwoJobs ? between[0] : pauseSetting(settle),
        mirrorSetting(printer, settle),
      ],
      checks: [
        `Film on the platen: ${houseReason(input, 'filmHold', null).text}`,
        'Platen at its highest: film is thinner than any garment',
        ...wetCheck(input),
        ...filmChecks(film),
        ...(isTwoJobs
          ? [
              'Film not moved between the two jobs',
              'First job colour, second white: the other way round is scrap',
            ]
          : ['Colour first, then white']),
        mirrorCheck(printer),
      ],
      look: 'White exactly over the colour, no puddles, no shift between the two.',
      cautions: [CAUTIONS.headStrike, ...(input.house.filmHold === 'liquid' ? [CAUTIONS.alcohol] : [])],
      consumes: [...inkUse(input, ink), filmUse(input, film)],
      waitAfter: waitForPowder(input),
    };
  },
};

/** Where not all of a line is printed in one go. */
export function wetCheck(input: PrintInput): string[] {
  const { perSheet } = filmSheets(input);
  return input.pieces + sparesOf(input) > perSheet
    ? [`Powder each sheet as it comes off, ${perSheet} at a time at most: the first would dry meanwhile`]
    : [];
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

const filmChecks = ({ coated, isGlitter }: Film): string[] => [
  coated === 'one'
    ? 'Coated (usually matt) side up: a damp finger clouds it'
    : 'Coated on both sides: either side up',
  ...(isGlitter ? ['Glitter film: print on the side without glitter grains'] : []),
];

export const mirrorCheck = ({ isMirroring, name }: Printer): string =>
  isMirroring
    ? `Mirrored once: the software of ${name} does it, so not here`
    : `Mirrored once: the software of ${name} does not, so here`;

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
        text: isMirroring
          ? `The software of ${name} mirrors film.`
          : `The software of ${name} leaves film as it is.`,
        value,
      },
    ],
    limits: [{ min: value, max: value, text: 'film is mirrored once: twice reads the wrong way round.' }],
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
  const amount = input.print.filmM2 * areaScale(input);
  const { id, name, centsPerM2 } = film;
  return { id, what: name, amount, kind: 'area', cents: amount * centsPerM2, isAssumed: false };
};

const whiteSettings = (settle: Settle): Setting[] => [
  settleDensity(
    settle,
    TRADE.filmWhiteDensity,
    'Film white is run at 50 to 70 %: more hides better, but feels heavier and dries slower.',
  ),
  settleChoke(
    settle,
    TRADE.filmChokeMm,
    'White stays this far inside the colour so that no white rim shows; fine lines lose white when it is more.',
  ),
];

const pauseSetting = (settle: Settle): Setting =>
  settle({
    key: 'pauseS',
    sets: 'pause',
    label: 'Pause between colour and white',
    kind: 'duration',
    reasons: [
      tradeReason(TRADE.filmPauseS.start, 'Lets the colour set so that white does not sink in: 15 to 20 s.'),
    ],
    limits: [],
    ability: { min: 0, max: 120 },
  });

const betweenJobs = (settle: Settle): Setting =>
  settle({
    key: 'betweenJobsS',
    sets: 'pause',
    label: 'Dry between the jobs',
    kind: 'duration',
    reasons: [
      tradeReason(
        TRADE.filmBetweenJobsS.start,
        'Colour dries before the second job, by standing or a pass of warm air; the film stays where it is.',
      ),
    ],
    limits: [
      { ...spanOf(TRADE.filmBetweenJobsS), text: 'shorter bleeds, longer lets the colour dry out (trade).' },
    ],
    ability: { min: 0, max: 600 },
  });

const spanOf = ({ min, max }: { min: number; max: number }): { min: number; max: number } => ({ min, max });
