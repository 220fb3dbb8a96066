import { CAUTIONS } from '../cautions.ts';
import type { Consumption, RouteInput, Setting } from '../documents.ts';
import { areaScale, filmFor, inkFor, printModeFor, printerFor } from '../equip.ts';
import type { Printer } from '../machines.ts';
import { loadsOf, printsOn } from '../loads.ts';
import type { Film, InkSet } from '../materials.ts';
import { houseReason, rest, tradeReason } from '../practiceParts.ts';
import type { OperationDraft, Practice, Settle } from '../practice.ts';
import { TRADE } from '../tradeRanges.ts';
import { settleChoke, settleDensity } from '../whiteSettings.ts';

/** After any printing of film. */
export const WAIT_FOR_POWDER = {
  minS: 0,
  maxS: TRADE.powderStandS.max,
  why: 'Powder holds only on wet ink: minutes, not tens of minutes.',
};

/** Colour, then white, mirrored, on the coated side of the film. */
export const filmPrint: Practice = {
  id: 'print-film',
  station: 'film-printer',
  applies: () => true,
  plan: (input, settle) => {
    const printer = printerFor(input, 'film');
    const ink = inkFor(input, 'film');
    const film = filmFor(input);
    const mode = printModeFor(input, printer);
    return {
      title: 'Print the film',
      ...printed(input, mode.minPerM2),
      on: { kind: 'printer', name: printer.name },
      handsS: 120,
      settings: [...whiteSettings(settle), pauseSetting(settle), mirrorSetting(printer, settle)],
      checks: [
        'White ink agitated, nozzle check clean',
        ...wetCheck(input, mode.minPerM2),
        ...filmChecks(film),
        `Mode ${mode.name}: ${mode.why}`,
        mirrorCheck(printer),
      ],
      look: 'No puddles, no lines; the white covers all colour but a hair at the edge.',
      consumes: [...inkUse(input, ink), filmUse(input, film)],
      waitAfter: WAIT_FOR_POWDER,
    };
  },
};

/** The same on a direct printer: film held on the platen, in one job or in two with a pause between. */
export const platenFilmPrint: Practice = {
  id: 'print-film',
  station: 'direct-printer',
  applies: () => true,
  plan: (input, settle) => {
    const printer = printerFor(input, 'direct');
    const ink = inkFor(input, 'textile');
    const film = filmFor(input);
    const mode = printModeFor(input, printer);
    const isTwoJobs = printer.whiteJobs === 'two';
    const perLoad = printsOn(input, largestPlaten(printer));
    const sheets = loadsOf(input.pieces, perLoad);
    const between = isTwoJobs ? [betweenJobs(settle)] : [];
    const betweenS = between.reduce((sum, { value }) => sum + value, 0);
    const run = printed(input, mode.minPerM2);
    const machineS = run.machineS + sheets * betweenS;
    return {
      title: isTwoJobs ? 'Print the film: colour, dry, white' : 'Print the film on the platen',
      ...run,
      on: { kind: 'printer', name: printer.name },
      perLoad,
      handsS: sheets * (isTwoJobs ? 180 : 120),
      machineS,
      timerS: betweenS,
      settings: [
        ...whiteSettings(settle),
        isTwoJobs ? between[0] : pauseSetting(settle),
        mirrorSetting(printer, settle),
      ],
      checks: [
        `${sheets} ${sheets === 1 ? 'sheet' : 'sheets'} on the platen: ${houseReason(input, 'filmHold', null).text}`,
        'Platen at its highest: film is thinner than any garment',
        ...wetCheck(input, mode.minPerM2),
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
      phases: [rest('print', machineS)],
      consumes: [...inkUse(input, ink), filmUse(input, film)],
      waitAfter: WAIT_FOR_POWDER,
    };
  },
};

/** Printing time of one print at a mode's speed, s. */
const printS = (input: RouteInput, minPerM2: number): number =>
  input.print.filmM2 * areaScale(input) * minPerM2 * 60;

/** Where the first prints would be dry before the last is printed. */
export function wetCheck(input: RouteInput, minPerM2: number): string[] {
  const inTime = Math.max(1, Math.floor(TRADE.powderStandS.max / printS(input, minPerM2)));
  return input.pieces > inTime
    ? [
        `Powder as it comes off, ${inTime} at a time at most: the first would be dry before the last is printed`,
      ]
    : [];
}

/** A printer at work on all prints of the line at a mode's speed: one after the other. */
export function printed(
  input: RouteInput,
  minPerM2: number,
): Pick<OperationDraft, 'per'> & Required<Pick<OperationDraft, 'machineS' | 'timerPieceS' | 'phases'>> {
  const pieceS = printS(input, minPerM2);
  const machineS = Math.round(pieceS * input.pieces);
  return { per: 'batch', machineS, timerPieceS: pieceS, phases: [rest('print', machineS)] };
}

/** Film is laid on the largest platen there is. */
const largestPlaten = ({ platens, widthMm, heightMm }: Printer): { widthMm: number; heightMm: number } =>
  platens.reduce(
    (best, own) => (own.widthMm * own.heightMm > best.widthMm * best.heightMm ? own : best),
    platens[0] ?? { widthMm, heightMm },
  );

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
export function inkUse(input: RouteInput, ink: InkSet, whiteHits = 1): Consumption[] {
  const { print } = input;
  const scale = areaScale(input);
  const row = (what: string, amount: number, centsPerMl: number): Consumption => ({
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

export const filmUse = (input: RouteInput, film: Film): Consumption => {
  const amount = input.print.filmM2 * areaScale(input);
  return { what: film.name, amount, kind: 'area', cents: amount * film.centsPerM2, isAssumed: false };
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
