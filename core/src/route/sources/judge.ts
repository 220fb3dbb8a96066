import { isCap } from '../../blank/index.ts';
import type { Garment } from '../../blank/index.ts';
import type { Range } from '../../work/index.ts';
import { say } from '../../words/index.ts';
import type { Said } from '../../words/index.ts';
import type { PrintInput } from '../documents.ts';
import { fluidFibre, heatLimits, isMostlyPolyester } from '../fabric.ts';
import type {
  Belt,
  CapPress,
  Griddle,
  Named,
  Oven,
  Platen,
  Press,
  Printer,
  PrinterTask,
  Sprayer,
} from '../machines.ts';
import type {
  BoughtIn,
  CoverSheet,
  Film,
  InkSet,
  InkUse,
  Powder,
  Pretreatment,
  SheetKind,
  ShelfTransfer,
  Tape,
  TransferInstructions,
} from '../materials.ts';
import { TRADE } from '../tradeRanges.ts';
import type { Candidate, Fit } from './choose.ts';

/** What is chosen for: a line and the print of it that is planned. */
export type Line = Pick<
  PrintInput,
  'equipment' | 'house' | 'garment' | 'artwork' | 'print' | 'placement' | 'pieces' | 'process' | 'sources'
>;

interface Size {
  widthMm: number;
  heightMm: number;
}

/** How much one doubt counts against another; what breaks a limit counts most. Judgements. */
const WEIGHT = { heat: 100, halves: 60, out: 40, kind: 25, glitter: 20, dye: 15, house: 10 } as const;

type Doubt = Fit['doubts'][number];
const doubt = (holds: boolean, said: Said, weight: number): Doubt[] => (holds ? [{ said, weight }] : []);
const fit = (against: Said | null, doubts: Doubt[] = []): Fit => ({ against, doubts });
const candidates = <T>(things: readonly T[], judged: (thing: T) => Fit): Candidate<T>[] =>
  things.map((thing) => ({ thing, fit: judged(thing) }));

/** By how much a print is larger than written, in every size that is ordered otherwise. */
function printScales({ print, placement }: Pick<Line, 'print' | 'placement'>): number[] {
  const ordered = placement.sizes.map(({ size }) => size);
  const widths = placement.grades
    .filter(({ sizes }) => sizes.some((own) => ordered.includes(own)))
    .map(({ widthMm }) => widthMm / print.lineWidthMm);
  const isAllGraded =
    ordered.length > 0 && ordered.every((own) => placement.grades.some(({ sizes }) => sizes.includes(own)));
  return [...(isAllGraded ? [] : [1]), ...widths];
}

/** The print in the largest of its sizes, mm. */
export function largestPrint(line: Pick<Line, 'print' | 'placement'>): Size {
  const scale = Math.max(...printScales(line));
  return { widthMm: line.print.widthMm * scale, heightMm: line.print.heightMm * scale };
}

/** The print's widths in all of its sizes, mm. */
const printWidths = (line: Pick<Line, 'print' | 'placement'>): number[] =>
  printScales(line).map((scale) => line.print.widthMm * scale);

const fitsUpright = (own: Size, room: Size): boolean =>
  own.widthMm <= room.widthMm && own.heightMm <= room.heightMm;
const fitsEitherWay = (own: Size, room: Size): boolean =>
  fitsUpright(own, room) || fitsUpright({ widthMm: own.heightMm, heightMm: own.widthMm }, room);

const tooSmall = (own: Size, room: Size): Said =>
  say('against.size', {
    widthMm: own.widthMm,
    heightMm: own.heightMm,
    roomWidthMm: room.widthMm,
    roomHeightMm: Number.isFinite(room.heightMm) ? room.heightMm : null,
  });

/** What a transfer is pressed on first: the patch, or the garment. */
const groundOf = ({ process, equipment, garment }: Line): Garment =>
  process === 'patch-cap' && equipment.patch ? equipment.patch.blank : garment;

/** The hottest plate what is pressed bears, °C. */
export const mostHeatC = (line: Line): number =>
  Math.min(...heatLimits(groundOf(line)).map(({ max }) => max ?? Infinity));

const tooHot = (line: Line, { min }: Range): Doubt[] => {
  const mostC = mostHeatC(line);
  return doubt(min > mostC, say('doubt.too-hot', { fromC: min, mostC }), WEIGHT.heat);
};

const outOfStock = ({ stock }: { stock?: number | null }): Doubt[] =>
  doubt(stock === 0, say('doubt.out-of-stock'), WEIGHT.out);

export const films = (line: Line): Candidate<Film>[] =>
  candidates(line.equipment.films, (film) => {
    const room = { widthMm: film.widthMm, heightMm: film.heightMm ?? Infinity };
    const print = largestPrint(line);
    const { filmPeel } = line.house;
    return fit(fitsEitherWay(print, room) ? null : tooSmall(print, room), [
      ...tooHot(line, film.pressC),
      ...outOfStock(film),
      ...doubt(film.isGlitter, say('doubt.glitter'), WEIGHT.glitter),
      ...doubt(film.peel !== filmPeel, say('doubt.peel', { peel: film.peel, house: filmPeel }), WEIGHT.house),
    ]);
  });

export const powders = (line: Line): Candidate<Powder>[] =>
  candidates(line.equipment.powders, (powder) => {
    const { dye, fibres } = line.garment;
    const mostC = mostHeatC(line);
    return fit(null, [
      ...doubt(
        powder.meltC.max > mostC,
        say('doubt.melts-late', { meltC: powder.meltC.max, mostC }),
        WEIGHT.heat,
      ),
      ...doubt(
        dye === 'migrating' && fibres.polyester > 0 && !powder.blocksDye,
        say('doubt.lets-dye-through'),
        WEIGHT.dye,
      ),
      ...outOfStock(powder),
    ]);
  });

/** The cure an ink's sheet asks for on this fabric, where it says one. */
const cureOn = ({ cureC, polyesterCureC }: InkSet, garment: Garment): Range | null =>
  isMostlyPolyester(garment) ? (polyesterCureC ?? cureC) : cureC;

export const inks = (line: Line, use: InkUse): Candidate<InkSet>[] =>
  candidates(
    line.equipment.inkSets.filter((own) => own.use === use),
    (ink) => {
      const cure = line.process === 'dtg' ? cureOn(ink, line.garment) : null;
      return fit(null, [...(cure ? tooHot(line, cure) : []), ...outOfStock(ink)]);
    },
  );

export const fluids = (line: Line): Candidate<Pretreatment>[] => {
  const fibre = fluidFibre(line.garment);
  return candidates(line.equipment.pretreatments, (fluid) =>
    fit(fluid.fibre === fibre ? null : say('against.fibre', { fibre: fluid.fibre }), outOfStock(fluid)),
  );
};

export const suppliers = (line: Line): Candidate<BoughtIn>[] =>
  candidates(line.equipment.boughtIns, (transfer) => {
    const { minimum } = transfer;
    const tooFew = line.pieces < minimum ? say('against.minimum', { minimum, pieces: line.pieces }) : null;
    return fit(tooFew ?? notForCaps(line, transfer), tooHot(line, heatOf(line, transfer)));
  });

/** True where a transfer goes on the front of a cap itself, with no patch between. */
export const isOnFront = ({ garment, process }: Pick<Line, 'garment' | 'process'>): boolean =>
  isCap(garment) && process !== 'patch-cap';

const notForCaps = (line: Line, { capPressC }: TransferInstructions): Said | null =>
  isOnFront(line) && capPressC === null ? say('against.no-caps') : null;
const heatOf = (line: Line, { capPressC, pressC }: TransferInstructions): Range =>
  isOnFront(line) ? (capPressC ?? pressC) : pressC;

const SAME_SIZE = 0.03; // of its width: a print is never set nearer than that (assumption)

/** Whether a transfer of one width does where another is wanted, mm. */
export const isShelfSize = (liesMm: number, wantedMm: number): boolean =>
  Math.abs(wantedMm - liesMm) <= SAME_SIZE * liesMm;

const isSameArt = (one: string, other: string): boolean =>
  one.trim().toLowerCase() === other.trim().toLowerCase();

/** Transfers of this artwork that lie ready: at this size, as many as are wanted. */
export const shelf = (line: Line): Candidate<ShelfTransfer>[] => {
  const ofThisArt = line.equipment.shelf.filter(({ artwork }) => isSameArt(artwork, line.artwork));
  return candidates(ofThisArt, (transfer) => {
    const { widthMm, stock } = transfer;
    const other = printWidths(line).find((own) => !isShelfSize(widthMm, own));
    if (other !== undefined) return fit(say('against.other-size', { widthMm, wantedMm: Math.round(other) }));
    if (stock != null && stock < line.pieces)
      return fit(say('against.too-few', { stock, pieces: line.pieces }));
    return fit(notForCaps(line, transfer), tooHot(line, heatOf(line, transfer)));
  });
};

export const tapes = (line: Line): Candidate<Tape>[] =>
  candidates(line.equipment.tapes, (tape) =>
    fit(null, [
      ...doubt(
        isCap(line.garment) && tape.maxC < TRADE.capFrontC.start,
        say('doubt.tape-melts', { maxC: tape.maxC }),
        WEIGHT.heat,
      ),
      ...outOfStock(tape),
    ]),
  );

/** Sheets kept for a purpose, those of the kinds wished first. */
export const sheets = (
  line: Pick<Line, 'equipment'>,
  purpose: CoverSheet['purpose'],
  wished: readonly SheetKind[],
): Candidate<CoverSheet>[] =>
  candidates(
    line.equipment.coverSheets.filter((sheet) => sheet.purpose === purpose),
    (sheet) =>
      fit(null, [
        ...doubt(!wished.includes(sheet.kind), say('doubt.not-this-sheet'), WEIGHT.kind),
        ...doubt(wished.indexOf(sheet.kind) > 0, say('source.later'), wished.indexOf(sheet.kind) / 10),
        ...outOfStock(sheet),
      ]),
  );

export const printers = (line: Line, task: PrinterTask): Candidate<Printer>[] =>
  candidates(
    line.equipment.printers.filter(({ tasks }) => tasks.includes(task)),
    (printer) => {
      const print = largestPrint(line);
      const fits = task === 'direct' && line.process === 'dtg' ? fitsUpright : fitsEitherWay;
      if (!fits(print, printer)) return fit(tooSmall(print, printer));
      const { platens } = printer;
      const largest = largestOf(platens);
      return fit(
        largest !== null && !platens.some((own) => fits(print, own)) ? tooSmall(print, largest) : null,
      );
    },
  );

export const largestOf = <S extends Size>(sizes: readonly S[]): S | null =>
  sizes.reduce<S | null>(
    (best, own) => (best === null || own.widthMm * own.heightMm > best.widthMm * best.heightMm ? own : best),
    null,
  );

/** Heat that takes a print in halves is a doubt: where they meet it shows. Of those that are all too small, the largest. */
function inHalves(line: Line, room: Size, fits: typeof fitsUpright): Doubt[] {
  const own = largestPrint(line);
  const lackM = Math.max(0, own.widthMm - room.widthMm, own.heightMm - room.heightMm) / 1000;
  return doubt(!fits(own, room), tooSmall(own, room), WEIGHT.halves + lackM);
}

/** A print larger than the plate is pressed in two goes: better a press that takes it whole. */
export const presses = (line: Line): Candidate<Press>[] =>
  candidates(line.equipment.presses, (press) => fit(null, inHalves(line, press, fitsEitherWay)));

export const capPresses = (line: Line): Candidate<CapPress>[] =>
  candidates(line.equipment.capPresses, (press) => {
    const isWarm = line.house.capLower === 'warm';
    return fit(null, [
      ...inHalves(line, press, fitsUpright),
      ...doubt(isWarm && press.lowerC === null, say('doubt.no-lower'), WEIGHT.house),
    ]);
  });

/** Film that is larger than the heat is melted half by half. */
const inHeat = <M extends Size>(line: Line, melters: readonly M[]): Candidate<M>[] =>
  candidates(melters, (melter) => fit(null, inHalves(line, melter, fitsEitherWay)));

export const ovens = (line: Line): Candidate<Oven>[] => inHeat(line, line.equipment.ovens);
/** What goes through a tunnel may be as long as it likes. */
export const belts = (line: Line): Candidate<Belt>[] =>
  candidates(line.equipment.belts, (belt) =>
    fit(null, inHalves(line, { ...belt, heightMm: Infinity }, fitsEitherWay)),
  );

export const griddles = (line: Line): Candidate<Griddle>[] => inHeat(line, line.equipment.griddles);

export const sprayers = (line: Pick<Line, 'equipment' | 'house'>): Candidate<Sprayer>[] =>
  candidates(line.equipment.sprayers, (sprayer) =>
    fit(
      null,
      doubt(
        sprayer.isHandGun !== (line.house.spraying === 'hand'),
        say('doubt.not-house-sprayer'),
        WEIGHT.house,
      ),
    ),
  );

/** Platens as things of the set-up: they have no id but their name. */
export const platens = (line: Line, printer: Printer): Candidate<Platen & Named>[] =>
  candidates(
    [...printer.platens]
      .sort((p, q) => p.widthMm * p.heightMm - q.widthMm * q.heightMm)
      .map((own) => ({ ...own, id: own.name })),
    (platen) => {
      const print = largestPrint(line);
      return fit(fitsUpright(print, platen) ? null : tooSmall(print, platen));
    },
  );
