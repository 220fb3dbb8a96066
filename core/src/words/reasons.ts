import type { QuantityKind } from '../units/index.ts';
import { houseWords } from './house.ts';
import type { HouseWordsKey } from './house.ts';
import { FIBRE_NAMES } from './names.ts';
import type { FibreName } from './names.ts';
import type { AnySaid, Tell } from './said.ts';
import { lowerFirst, pressureWord } from './speech.ts';
import type { Figures } from './speech.ts';

export interface Span {
  min: number;
  max: number;
}

/** What may differ between kinds of cloth and yet is one sentence: a span, and where it begins. */
export interface Practice extends Span {
  start: number;
  kind: QuantityKind;
}

/** Cloths as pretreatment knows them, in a sentence. */
const PRETREATED = {
  'cotton-knit': 'a dark cotton knit',
  blend: 'a dark blend',
  'polyester-knit': 'polyester, with its own solution',
  fleece: 'thick fleece, which drinks two to three times what a tee takes',
  canvas: 'canvas and other wovens',
};

/** Pretreatment that is dried. */
export interface OfPretreatment {
  gM2: number;
}

/** What a model of drying says, and how early or late it may be; `null`: not that way. */
export interface DryBand {
  usual: number | null;
  early: number | null;
  late: number | null;
}

const bandText = (early: number | null, late: number | null, write: (value: number) => string): string =>
  `${early === null ? '' : write(early)} to ${late === null ? 'far more' : write(late)}`;

/** Why a setting is what it is. */
export const REASONS = {
  /** From before sentences were kept as codes: as it was written then. */
  'as-written': ({ text }: { text: string }) => text,
  joined: ({ parts }: { parts: AnySaid[] }, _f: Figures, tell: Tell) => parts.map(tell).join(' '),
  'reason.override': ({ who, why }: { who: string; why: string }) => `${who}: ${why}`,
  'reason.house': ({ key, choice }: { key: HouseWordsKey; choice: string }) => {
    const { label, tradeOff } = houseWords(key, choice);
    return `This shop’s way: ${lowerFirst(label)}. ${tradeOff}`;
  },
  'reason.sheet': (
    {
      maker,
      min,
      max,
      kind,
      value,
      isWish,
    }: Span & { maker: string; kind: QuantityKind; value: number; isWish: boolean },
    f: Figures,
  ) =>
    `${maker} asks for ${f.span(min, max, kind)}; ${isWish ? `${f.q(value, kind)} suits this fabric and lies inside it.` : `its nearest to what the fabric wants is ${f.q(value, kind)}.`}`,
  'reason.sheet-of-blend': ({ maker, share }: { maker: string; share: number }, f: Figures) =>
    `The sheet of “${maker}” speaks of cotton and of polyester; a blend with ${f.percent(share)} polyester lies between.`,
  'reason.practice': ({ fabric, min, max, start, kind }: Practice & { fabric: FibreName }, f: Figures) =>
    `Practice on ${FIBRE_NAMES[fabric]}: ${f.span(min, max, kind)}, starting at ${f.q(start, kind)}.`,
  'reason.blend': (
    { shares, min, max, start, kind }: Practice & { shares: { fibre: FibreName; share: number }[] },
    f: Figures,
  ) =>
    `A blend lies between by its shares (${shares.map(({ fibre, share }) => `${f.percent(share)} ${FIBRE_NAMES[fibre]}`).join(', ')}): ${f.span(min, max, kind)}, starting at ${f.q(start, kind)}.`,
  'reason.lowered': (
    { usual, most, kind, limit }: { usual: AnySaid; most: number; kind: QuantityKind; limit: AnySaid },
    f: Figures,
    tell: Tell,
  ) => `${tell(usual)} Here no more than ${f.q(most, kind)}: ${tell(limit)}`,
  'reason.longer-through': ({ usual, sheet }: { usual: AnySaid; sheet: AnySaid }, _f: Figures, tell: Tell) =>
    `${tell(usual)} ${tell(sheet)}`,
  'reason.mat-doubles': () => 'A thick silicone mat about doubles the dwell.',
  'reason.silicone-slower': () => 'Heat comes slower through silicone: a quarter longer.',
  'reason.agreed': ({ usual, tempC }: { usual: AnySaid; tempC: number }, f: Figures, tell: Tell) =>
    `${tell(usual)} Set to ${f.temp(tempC)}, as all that this line does on the press: one temperature at a time.`,
  'reason.gauge': ({ press, mark }: { press: string; mark: number }) =>
    `By the gauge on ${press} that is mark ${mark}.`,
  // before anything
  'reason.job-temperature': (
    { of, usual }: { of: 'transfer' | 'cure' | 'cap'; usual: AnySaid },
    _f: Figures,
    tell: Tell,
  ) =>
    `${{ transfer: 'At the press temperature of the transfer', cure: 'At the temperature of the cure', cap: 'At the temperature the front is pressed at' }[of]}: ${lowerFirst(tell(usual))}`,
  'reason.pre-press-polyester': ({ min, max }: Span, f: Figures) =>
    `Only a moment on polyester: ${f.seconds(min, max)}.`,
  'reason.pre-press-steam': ({ min, max }: Span, f: Figures) =>
    `Until the steam stops: ${f.seconds(min, max)}.`,
  'reason.pre-press-cap': ({ min, max }: Span, f: Figures) =>
    `Until the front has taken the form’s curve: ${f.seconds(min, max)}.`,
  'reason.foam-light': () => 'Foam under the print is crushed by more.',
  'reason.no-mark': () => 'No firmer, so that no mark stays.',
  'reason.lay-pile': () => 'Hard on fleece, to lay the pile.',
  'reason.flatten-knit': () => 'Enough to flatten the cloth, and no more.',
  'reason.cap-form': () => 'It takes the form’s curve, and no more.',
  // film
  'reason.film-white': ({ min, max }: Span, f: Figures) =>
    `Film white is run at ${f.percent(min)} to ${f.percent(max)}: more hides better, but feels heavier and dries slower.`,
  'reason.film-choke': () =>
    'White stays this far inside the colour so that no white rim shows; fine lines lose white when it is more.',
  'reason.film-pause': ({ min, max }: Span, f: Figures) =>
    `Lets the colour set so that white does not sink in: ${f.seconds(min, max)}.`,
  'reason.film-set': ({ min, max, isWarmAir }: Span & { isWarmAir: boolean }, f: Figures) =>
    isWarmAir
      ? `A pass of warm air after the white as well, ${f.seconds(min, max)}: water at the rim would catch powder.`
      : `After the white as well, ${f.seconds(min, max)}: water at the rim would catch powder.`,
  'reason.hit-pause': ({ min, max }: Span, f: Figures) =>
    `The first white stands ${f.seconds(min, max)} before the second, or the two run together.`,
  'reason.one-way': ({ isSolid }: { isSolid: boolean }) =>
    isSolid ? 'Solids one way: both ways, lines show in them.' : 'Both ways: quicker, and open art hides it.',
  'reason.saturation': ({ ground }: { ground: 'film' | 'dark' | 'light' }) =>
    ground === 'dark' ? 'A little more on dark: colours sink on white over cloth.' : 'As the file is.',
  'reason.brightness': ({ ground }: { ground: 'film' | 'dark' | 'light' }) =>
    ground === 'film' ? 'A little less on film: less ink, no puddles.' : 'As the file is.',
  'reason.contrast': ({ ground }: { ground: 'film' | 'dark' | 'light' }) =>
    ground === 'dark' ? 'Never raised on dark grounds: it floods ink and goes blotchy.' : 'As the file is.',
  'reason.ink-limit': ({ isSolid, min, max }: Span & { isSolid: boolean }, f: Figures) =>
    isSolid
      ? `Solids take the least, of ${f.percent(min)} to ${f.percent(max)}: more puddles.`
      : `${f.percent(min)} to ${f.percent(max)}; less where it puddles.`,
  'reason.sprayer-weighed': (
    p: {
      sprayer: string;
      n: number;
      gives: number;
      low: number;
      high: number;
      passes: number;
      isGuessed: boolean;
    },
    f: Figures,
  ) =>
    `${p.n} weighings of this fluid on the nozzle in ${p.sprayer}: ${f.q(p.gives, 'arealMass')} in ${p.passes === 1 ? 'one pass' : `${p.passes} passes`}, nine sprays in ten within ${f.span(p.low, p.high, 'arealMass')}.${p.isGuessed ? ' Beyond what was weighed: weigh one there first.' : ''}`,
  'reason.sprayer-cannot': (
    p: { sprayer: string; n: number; wanted: number; gives: number; passes: number },
    f: Figures,
  ) =>
    `${p.sprayer} does not give ${f.q(p.wanted, 'arealMass')} of this fluid by ${p.n} weighings; nearest is ${f.q(p.gives, 'arealMass')} in ${p.passes === 1 ? 'one pass' : `${p.passes} passes`}. ${p.gives < p.wanted ? 'Spray once more and weigh, or put a larger nozzle in.' : 'Take a finer nozzle, or thin it as its maker allows.'}`,
  'reason.sprayer-table': (
    { sprayer, gives, passes }: { sprayer: string; gives: number; passes: number },
    f: Figures,
  ) =>
    `Nearest by the table of ${sprayer}: ${f.q(gives, 'arealMass')} in ${passes === 1 ? 'one pass' : `${passes} passes`}. Weigh it in: a dial is not grams.`,
  'reason.between-jobs': () =>
    'Colour dries before the second job, by standing or a pass of warm air; the film stays where it is.',
  'reason.software-mirrors': ({ printer, isMirroring }: { printer: string; isMirroring: boolean }) =>
    isMirroring
      ? `The software of ${printer} mirrors film.`
      : `The software of ${printer} leaves film as it is.`,
  'reason.ink-wet': ({ min, max }: { min: number; max: number }, f: Figures) =>
    `Ink on film holds powder for minutes, ${f.s(min)} to ${f.s(max)}: less in a warm room, longer in a damp one.`,
  'reason.powder-wet': ({ max }: { max: number }, f: Figures) =>
    `While the ink is wet; up to ${f.s(max)} in a damp room.`,
  'reason.powder-load': (
    p: { prints: number; inkMm2: number; gM2: number; isWeighed: boolean; coats: number },
    f: Figures,
  ) =>
    `${p.prints} prints of ${(p.inkMm2 / 100).toFixed(0)} cm² of ink, ${f.q(p.gM2, 'arealMass')} picked up (${p.isWeighed ? 'weighed' : 'assumed'})${p.coats > 1 ? ', and seven tenths of it again in the second coat' : p.coats < 1 ? ': seven tenths of it in the second coat' : ''}.`,
  'reason.melt': ({ min, max }: Span, f: Figures) => `${f.temps(min, max)} this way.`,
  'reason.melt-time': ({ min, max }: Span, f: Figures) =>
    `${f.seconds(min, max)}; the eye decides when it is done.`,
  'reason.melt-both-sides': () => 'The heated lower side shortens it by a quarter.',
  'reason.sheet-hover': (
    { sheet, gapMm, addC }: { sheet: AnySaid; gapMm: number; addC: number },
    f: Figures,
    tell: Tell,
  ) =>
    `${tell(sheet)} Held ${f.mm(gapMm)} above, the plate is set ${degrees(f, addC)} hotter than the sheet’s oven (assumption).`,
  'reason.sheet-griddle': ({ sheet, addC }: { sheet: AnySaid; addC: number }, f: Figures, tell: Tell) =>
    `${tell(sheet)} Through the film from below, the surface is set ${degrees(f, addC)} hotter than the sheet’s oven (assumption).`,
  'reason.sheet-time': ({ sheet, share }: { sheet: AnySaid; share: number }, f: Figures, tell: Tell) =>
    `${tell(sheet)} This way it takes ${share < 1 ? `${f.percent(share)} of the sheet’s time in an oven` : `${share.toFixed(1)} times the sheet’s time in an oven`} (assumption).`,
  'reason.hover-gap': ({ min, max }: Span, f: Figures) =>
    `Close without ever touching: ${f.mms(min, max)}. Farther up it is gentler and takes longer.`,
  'reason.shelf-fuse': () =>
    'Film for the shelf is fused in full: a grainy glue takes up moisture and sheds.',
  // pressing
  'reason.heavy-woven': ({ min, max, start }: Span & { start: number }, f: Figures) =>
    `Canvas and denim soak up heat: ${f.seconds(min, max)}, starting at ${f.s(start)}.`,
  'reason.fill-weave': () => 'Firmer: the weave of canvas and denim must be filled.',
  'reason.sheet-asks': ({ transfer }: { transfer: string }) => `The sheet of “${transfer}” asks for it.`,
  'reason.own-second': ({ transfer, dwellS }: { transfer: string; dwellS: number }, f: Figures) =>
    `The sheet of “${transfer}” asks for ${f.s(dwellS)} covered.`,
  'reason.second-edges': () => 'Covered, it only sets the edges.',
  'reason.second-time': ({ min, max }: Span, f: Figures) => `${f.seconds(min, max)}, covered.`,
  'reason.sublimation-film': ({ min, max, start }: Span & { start: number }, f: Figures) =>
    `Sublimation ink on film: ${f.temps(min, max)}, schools differ widely; starting at ${f.temp(start)}.`,
  'reason.span-from': ({ min, max, start, kind }: Practice, f: Figures) =>
    `${f.span(min, max, kind)}, starting at ${f.q(start, kind)}.`,
  // caps and patches
  'reason.cap-front': ({ min, max, kind }: Span & { kind: QuantityKind }, f: Figures) =>
    `Cap fronts: ${f.span(min, max, kind)}.`,
  'reason.warm-below': ({ usual }: { usual: AnySaid }, _f: Figures, tell: Tell) =>
    `${tell(usual)} Warmed from below it takes a quarter less (assumption).`,
  'reason.cap-hard': () => 'Hard: the front is curved and stiff.',
  'reason.foam-front': () => 'Foam in the front is crushed by more.',
  'reason.no-lower': ({ press }: { press: string }) => `${press} has no heated lower half.`,
  'reason.lower-off': ({ max }: { max: number }, f: Figures) => `Off, or up to ${f.temp(max)}.`,
  'reason.leatherette': ({ min, max }: Span, f: Figures) => `Leatherette marks easily: ${f.temps(min, max)}.`,
  'reason.heated-again-on-cap': ({ min, max }: Span, f: Figures) =>
    `${f.seconds(min, max)}: it is heated again on the cap.`,
  'reason.patch-grain': () => 'No firmer, so that the grain of the patch stays.',
  'reason.tack': ({ min, max, kind }: Span & { kind: QuantityKind }, f: Figures) =>
    kind === 'temperature'
      ? `${f.span(min, max, kind)}: it only has to hold, and it will be heated again.`
      : `${f.span(min, max, kind)}, barely touching.`,
  'reason.patch-on-cap': ({ min, max }: Span, f: Figures) =>
    `Patch on a cap: ${f.temps(min, max)} from above.`,
  'reason.patch-bare': ({ min, max }: Span, f: Figures) => `${f.seconds(min, max)} bare.`,
  'reason.glue-rim': () => 'More squeezes a rim of glue out round the patch.',
  // direct print
  'reason.pretreat-cloth': (
    p: {
      cloth: 'cotton-knit' | 'blend' | 'polyester-knit' | 'fleece' | 'canvas';
      clothGM2: number;
      wished: number;
    } & Span,
    f: Figures,
  ) =>
    `${f.span(p.min, p.max, 'arealMass')} on ${PRETREATED[p.cloth]}; ${f.q(p.wished, 'arealMass')} where the cloth itself has ${f.q(p.clothGM2, 'arealMass')}, as heavier cloth takes more by the root of its weight.`,
  // the four below stand in routes that were kept before the cloth's weight was asked
  'reason.pretreat-polyester': ({ min, max }: Span, f: Figures) =>
    `Polyester takes ${Math.round(100 * (min - 1))} to ${f.percent(max - 1)} more, of its own solution.`,
  'reason.pretreat-blend': ({ share }: { share: number }, f: Figures) =>
    `Polyester takes more: by its ${f.percent(share)} of the blend.`,
  'reason.pretreat-fleece': () => 'Thick fleece drinks two to three times what a tee takes.',
  'reason.pretreat-tee': ({ min, max }: Span, f: Figures) =>
    `${f.span(min, max, 'arealMass')} on a dark cotton tee.`,
  'reason.air-dry': ({ min, max }: Span, f: Figures) => `${f.seconds(min, max)}, until dry to the touch.`,
  'reason.lay-fibres': ({ min, max, isAfterHover }: Span & { isAfterHover: boolean }, f: Figures) =>
    isAfterHover
      ? `Then one press to lay the fibres: ${f.seconds(min, max)}.`
      : `One short press lays the fibres: ${f.seconds(min, max)}.`,
  'reason.as-the-cure': ({ usual }: { usual: AnySaid }, _f: Figures, tell: Tell) =>
    `At the cure’s temperature, so that the press is not changed over. ${tell(usual)}`,
  'reason.dry-burst': ({ min, max }: Span, f: Figures) =>
    `Short bursts of ${f.seconds(min, max)}, open between to let the steam out.`,
  'reason.dry-bursts': ({ isFleece, min, max }: Span & { isFleece: boolean }) =>
    isFleece
      ? `Fleece holds twice the fluid and gives it up slowly: ${min} to ${max}.`
      : `Until dry to the touch over the print area: ${min} to ${max}; three is usual.`,
  'reason.dry-balance-bursts': ({ gM2, usual, early, late }: OfPretreatment & DryBand, f: Figures) =>
    usual === null
      ? `By the balance of heat and water these bursts do not make ${f.q(gM2, 'arealMass')} ready to print: hotter, longer, or in air first.`
      : `By the balance of heat and water ${f.q(gM2, 'arealMass')} is ready to print after ${usual} ${usual === 1 ? 'burst' : 'bursts'}, ${bandText(early, late, String)} by how well the heat passes. The scale is the check.`,
  'reason.dry-balance-hover': ({ gM2, usual, early, late }: OfPretreatment & DryBand, f: Figures) =>
    usual === null
      ? `By the balance of heat and water ten minutes do not dry ${f.q(gM2, 'arealMass')} to the touch under a plate held this high and hot.`
      : `By the balance of heat and water ${f.q(gM2, 'arealMass')} is dry to the touch after ${f.q(usual, 'duration')}, ${bandText(early, late, (s) => f.q(s, 'duration'))} by how well the heat passes.`,
  'reason.dry-balance-air': (
    { gM2, roomC, rh, usual, early, late }: OfPretreatment & DryBand & { roomC: number; rh: number },
    f: Figures,
  ) =>
    usual === null
      ? `By the balance of heat and water four hours of still air at ${f.q(roomC, 'temperature')} and ${f.percent(rh)} do not dry ${f.q(gM2, 'arealMass')} to the touch.`
      : `By the balance of heat and water ${f.q(gM2, 'arealMass')} is dry to the touch after ${f.q(usual, 'duration')} hung in still air at ${f.q(roomC, 'temperature')} and ${f.percent(rh)}, ${bandText(early, late, (s) => f.q(s, 'duration'))} by the air. Moving or warm air is quicker.`,
  'reason.dry-hover': ({ min, max }: Span, f: Figures) => `Until no steam is seen: ${f.seconds(min, max)}.`,
  'reason.white-fabric': () => 'Fabric swallows white: as much as one pass lays is the usual start.',
  'reason.white-choke': () => 'White stays this far inside the colour so that no white rim shows.',
  'reason.white-hits': ({ isThick }: { isThick: boolean }) =>
    isThick
      ? 'Fleece swallows the first white: a second hit after a pause.'
      : 'One hit covers a tee; two, with a pause between, are brightest.',
  'reason.cure-light': ({ min, max }: Span, f: Figures) =>
    `Light garments with little ink need ${f.seconds(min, max)}.`,
  'reason.cure-white': (p: Span & { whiteShare: number; isDouble: boolean }, f: Figures) =>
    `Whiter prints need longer: ${f.percent(p.whiteShare)} white under the ink${p.isDouble ? ', in two hits' : ''}, between ${f.seconds(p.min, p.max)}.`,
  'reason.cure-dark': ({ min, max }: Span, f: Figures) => `${f.seconds(min, max)} on dark cotton.`,
  'reason.cure-polyester': ({ min, max }: Span, f: Figures) =>
    `On polyester ${f.seconds(min, max)} in all, in four or so bursts at the lightest pressure.`,
  'reason.cure-bursts': ({ min, max }: Span) =>
    `${min} to ${max} closings, the sheet turned between: steam gets out and the sheet stays dry.`,
  'reason.cure-bursts-polyester': ({ min, max }: Span) =>
    `Polyester is cured in ${min} to ${max} closings: it never gets hot through.`,
  'reason.cure-hover': ({ min, max }: Span, f: Figures) =>
    `Plate held above the wet ink for ${f.seconds(min, max)}, until touch-dry.`,
  'reason.wet-ink': () => 'As light as the press goes: the ink is still soft.',
};

/** A difference of temperature, which has another scale in °F. */
function degrees(f: Figures, c: number): string {
  return f.speech.system.temperature === 'F' ? `${Math.round(c * 1.8)} °F` : `${Math.round(c)} °C`;
}

/** Names of settings that say their pressure in a word. */
export const pressureLabel = (kPa: number): string => `Pressure (${pressureWord(kPa)})`;
