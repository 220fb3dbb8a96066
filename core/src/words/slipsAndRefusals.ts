import type { QuantityKind } from '../units/index.ts';
import { HOUSE_WORDS, houseWords } from './house.ts';
import { FEATURE_NAMES, FIBRE_NAMES, PLACE_NAMES, PROCESS_NAMES, THING_NAMES } from './names.ts';
import type { FibreName, PlaceName, ProcessName, ThingName } from './names.ts';
import type { AnySaid, Tell } from './said.ts';
import { lowerFirst } from './speech.ts';
import type { Figures } from './speech.ts';

/** What a colleague would point out. */
export const SLIPS = {
  'slip.wrong-peel': ({ house, film, peel }: { house: string; film: string; peel: string }) =>
    `This shop peels ${house}, but the film here, “${film}”, peels ${peel}: peeled ${house} it ${house === 'cold' ? 'may stick' : 'tears the print off'}. It is planned as the film asks.`,
  'slip.other-origin': (
    { wished, taken, why }: { wished: string; taken: string; why: AnySaid },
    _f: Figures,
    tell: Tell,
  ) =>
    `Transfers for patches: this shop’s way is “${houseWords('patchTransfer', wished).label.toLowerCase()}”. ${tell(why)} It is planned “${houseWords('patchTransfer', taken).label.toLowerCase()}”.`,
  'slip.way-not-there': ({
    key,
    choice,
    instead,
  }: {
    key: 'meltMeans' | 'patchTack' | 'capMat' | 'capSecondPress';
    choice: string;
    instead: string | null;
  }) =>
    `${HOUSE_WORDS[key].label}: this shop’s way is “${houseWords(key, choice).label.toLowerCase()}”, and what it takes is not set up. It is planned ${instead === null ? 'without' : `with ${instead}`}.`,
  'slip.wrong-pull': ({ house, film, pull }: { house: string; film: string; pull: string }) =>
    `This shop pulls ${house}, but “${film}” is made for a ${pull} pull.`,
  'slip.hot-polyester': ({ value, wandersC }: { value: number; wandersC: number }, f: Figures) =>
    `${f.temp(value)} on polyester? Its dye wanders above about ${f.temp(wandersC)}, and the garment shines.`,
  'slip.fahrenheit': ({ value }: { value: number }, f: Figures) =>
    `${f.temp(value)} melts nothing. Was it meant in °C and typed as °F?`,
  'slip.minutes': ({ label, value, usual }: { label: string; value: number; usual: number }, f: Figures) =>
    `${label} ${f.s(value)}? Usual here is ${f.s(usual)}: were minutes meant?`,
  'slip.mat-without-time': (
    { sheet, value, delay }: { sheet: string; value: number; delay: AnySaid },
    f: Figures,
    tell: Tell,
  ) => `Under “${sheet}” heat comes slower: ${f.s(value)} is the dwell without it. ${tell(delay)}`,
  'slip.hoodie-like-tee': ({ value }: { value: number }, f: Figures) =>
    `${f.q(value, 'arealMass')} is a tee’s pretreatment: fleece drinks two to three times that, and the white comes out dull.`,
  'slip.hot-cap-lower': ({ value, max }: { value: number; max: number }, f: Figures) =>
    `The lower plate at ${f.temp(value)} lets the stiffener’s glue go: the front bubbles. Off, or ${f.temp(max)} at most.`,
  'slip.mirrored-twice': ({ printer, isMirroring }: { printer: string; isMirroring: boolean }) =>
    isMirroring
      ? `The software of ${printer} mirrors already: mirrored here too, it reads the wrong way round on the garment.`
      : `The software of ${printer} does not mirror: left as it is, it reads the wrong way round on the garment.`,
  'slip.late-powder': ({ value }: { value: number }, f: Figures) =>
    `After ${f.s(value)} the ink is dry and powder does not hold: minutes, not tens of minutes.`,
  'slip.white-on-white': ({ tone, whiteMl }: { tone: 'light' | 'pale'; whiteMl: number }, f: Figures) =>
    `White under the print of a ${tone} garment? It needs none: the figures count ${f.q(whiteMl, 'volume', 1)} of it a piece.`,
  'slip.sheet-missing': ({
    key,
    choice,
    sheet,
  }: {
    key: 'coverSheet' | 'secondPressSheet';
    choice: string;
    sheet: string;
  }) =>
    `This shop presses under ${houseWords(key, choice).label.toLowerCase()}, but none is set up for ink: planned with “${sheet}”.`,
  'slip.asked-sheet-missing': ({ kind, sheet }: { kind: string; sheet: string }) =>
    `What came with the transfer asks for ${kind.replace('-', ', ')} over it, and none is set up for ink: planned with “${sheet}”.`,
  'slip.out-of-stock': ({ thing }: { thing: string }) =>
    `“${thing}” is what this line is planned with, and none is in stock: order it, or choose another.`,
  'slip.fluid-short': (
    { fluid, needG, stockG }: { fluid: string; needG: number; stockG: number },
    f: Figures,
  ) =>
    `This line takes ${f.q(needG, 'mass', 0)} of “${fluid}” with what goes beside, and ${f.q(stockG, 'mass', 0)} are in stock: order some first.`,
  'slip.on-shelf': ({ transfer, stock }: { transfer: string; stock: number | null }) =>
    `“${transfer}” lies on the shelf${stock === null ? '' : ` ${stock === 1 ? 'once' : `${stock} times`}`}: this line could take it in place of printing.`,
  'slip.worn-sheet': ({
    sheet,
    used,
    uses,
    more,
  }: {
    sheet: string;
    used: number;
    uses: number;
    more: number;
  }) =>
    `“${sheet}” has done ${used} of about ${uses} presses and this line needs ${more} more: have a fresh one ready.`,
  'slip.many-plates': ({ plates, prints }: { plates: number; prints: number }) =>
    `Polyester goes under a plate ${plates} times for its ${prints} prints: its dye wanders a little further each time. Wash-test one first.`,
  'slip.promised-too-soon': ({ isPatch, restH, leftH }: { isPatch: boolean; restH: number; leftH: number }) =>
    `Promised too soon: ${isPatch ? 'a patched cap' : 'a piece'} rests ${restH} h before it leaves, and there are ${leftH} h left.`,
  'slip.window-closed': (
    { lateS, before, then }: { lateS: number; before: string | null; then: keyof typeof TOO_LATE },
    f: Figures,
  ) =>
    `${f.s(lateS)} past its window after ${before === null ? 'the step before' : `“${before}”`}: ${TOO_LATE[then]}.`,
  'slip.other-heat': (
    { machine, tempC, code, wantsC }: { machine: string; tempC: number; code: string; wantsC: number },
    f: Figures,
  ) =>
    `${machine} is at ${f.temp(tempC)} for ${code}; this step wants ${f.temp(wantsC)}. Going hotter is quick, cooling is slow: finish that work first.`,
};

/** What to do when a window has closed, by what was to begin in it. */
const TOO_LATE = {
  powder: 'the ink has dried and powder will not hold. Print the sheet again',
  melt: 'loose powder has been lying: look for bare spots before it is melted',
  peel: 'the film has set. Warm it under the press for a few seconds before it is peeled',
  dry: 'the fluid has spread and begun to set. Weigh and look again before it is dried',
  other: 'look at the piece before going on',
} as const;
export type TooLate = keyof typeof TOO_LATE;

/** Why a line cannot be planned as asked. */
export const REFUSALS = {
  'refusal.not-set-up': ({ thing, of }: { thing: ThingName; of: string | null }) =>
    `The shop has no ${THING_NAMES[thing]}${of === null ? '' : ` for ${of}`} set up, so this cannot be planned. Add one under Shop first.`,
  'refusal.none-fits': (
    { thing, each }: { thing: ThingName; each: { name: string; why: AnySaid }[] },
    _f: Figures,
    tell: Tell,
  ) =>
    `No ${THING_NAMES[thing]} here fits: ${each.map(({ name, why }) => `“${name}” ${tell(why)}`).join('; ')}.`,
  'refusal.source-unfit': ({ name, why }: { name: string; why: AnySaid }, _f: Figures, tell: Tell) =>
    `“${name}” cannot be used here: it ${tell(why)}.`,
  'refusal.no-such-source': ({ role, print }: { role: string; print: string }) =>
    `What was chosen as ${role.replace('-', ' ')} for print ${print} is not there, or not used for it.`,
  'refusal.process': (
    { place, process, why }: { place: PlaceName | null; process: ProcessName; why: AnySaid },
    _f: Figures,
    tell: Tell,
  ) =>
    `${place === null ? '' : `${PLACE_NAMES[place]}: `}${PROCESS_NAMES[process]} cannot be done here: ${tell(why)}`,
  'refusal.shelf-alone': () =>
    'Transfers for the shelf touch no garment, so nothing joins them: order each of them as a line of its own.',
  'refusal.heated-again': (
    p: { place: PlaceName; process: ProcessName; other: PlaceName; why: AnySaid },
    _f: Figures,
    tell: Tell,
  ) =>
    `${PLACE_NAMES[p.place]} by ${lowerFirst(PROCESS_NAMES[p.process])} would be heated again for ${PLACE_NAMES[p.other].toLowerCase()}: ${tell(p.why)}. Choose another process for one of them.`,
  'refusal.no-setting': ({ operation, setting }: { operation: string; setting: string }) =>
    `“${operation}” has no setting “${setting}”.`,
  'refusal.no-operation': ({ operation, processes }: { operation: string; processes: ProcessName[] }) =>
    `Operation “${operation}” is not part of ${processes.map((own) => PROCESS_NAMES[own]).join(' or ')} here.`,
  'refusal.beyond-ability': (
    p: { label: string; kind: QuantityKind; value: number; min: number; max: number },
    f: Figures,
  ) =>
    `${p.label} ${f.q(p.value, p.kind)} is beyond what can be set: ${f.q(p.min, p.kind)} to ${f.q(p.max, p.kind)}.`,
  'refusal.not-whole': ({ label, value }: { label: string; value: number }) =>
    `${label} ${value} is not a whole number.`,
  'refusal.not-flag': ({ label, value }: { label: string; value: number }) =>
    `${label} is either yes (1) or no (0), not ${value}.`,
  // processes
  'refusal.none-set-up': ({ thing }: { thing: ThingName }) => `No ${THING_NAMES[thing]} is set up.`,
  'refusal.no-melter': () =>
    'Nothing to melt powder with is set up: a tunnel, an oven, a griddle or a press.',
  'refusal.lies-there': () => 'It lies on the shelf already: there is nothing to make.',
  'refusal.stock-bought': () => 'Stock is bought as such: there is nothing to make.',
  'refusal.cap-on-platen': () => 'A cap does not lie flat on a platen.',
  'refusal.not-flat': ({ blank }: { blank: string }) =>
    `“${blank}” does not lie flat and smooth on a platen.`,
  'refusal.pretreated-for': ({ blank, fibre }: { blank: string; fibre: 'cotton' | 'polyester' }) =>
    `“${blank}” was pretreated for ${fibre}, which it is not made of.`,
  'refusal.ink-on-fibre': ({ fibre }: { fibre: FibreName }) =>
    `Direct ink does not hold on ${FIBRE_NAMES[fibre]}.`,
  'refusal.ink-on-face': ({ face }: { face: 'coating' | 'water-repellent' }) =>
    `Direct ink does not hold on a ${FEATURE_NAMES[face]}.`,
  'refusal.sublimation-ground': ({ colour, lightness }: { colour: string; lightness: number }) =>
    `This ink has no white: on ${colour.toLowerCase()}, whose lightness is ${Math.round(lightness)} of 100, the art would be lost.`,
  'refusal.cap-too-cool': () => 'Caps are pressed too cool for this ink.',
  'refusal.no-cap': ({ blank }: { blank: string }) => `“${blank}” is no cap.`,
  'refusal.no-patch': () => 'No leatherette patch is set up among the blanks.',
  'refusal.patch-for-shelf': () => 'Patches for the shelf are a line of their own, on the patch.',
};
