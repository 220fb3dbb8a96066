import { FEATURE_NAMES, FIBRE_NAMES, PLACE_NAMES, PROCESS_NAMES } from './names.ts';
import type { FibreName, PlaceName, ProcessName } from './names.ts';
import type { AnySaid, Tell } from './said.ts';
import { lowerFirst } from './speech.ts';
import type { Figures } from './speech.ts';

const named = (process: ProcessName): string => lowerFirst(PROCESS_NAMES[process]);
/** A fibre or a face inside a sentence. */
export const faceName = (face: FibreName | 'coating' | 'water-repellent'): string =>
  face === 'coating' || face === 'water-repellent' ? `a ${FEATURE_NAMES[face]}` : FIBRE_NAMES[face];
const minutes = (s: number): string => `${Math.max(1, Math.round(s / 60))} min`;

/** How a process comes out, what may go wrong, and why one is taken before another. */
export const JUDGEMENTS = {
  'hand.film': ({ isSolid }: { isSolid: boolean }) =>
    isSolid ? 'bright, a patch that is felt and does not breathe' : 'bright, a thin skin that is felt',
  'hand.direct': ({ hasWhite }: { hasWhite: boolean }) =>
    hasWhite ? 'soft, the fabric still shows through a little' : 'as soft as the fabric itself',
  'hand.shelf': () => 'as film transfers are: bright, with a hand of its own',
  'hand.supplier': () => 'bright and even, as the supplier makes it',
  'hand.patch': () => 'a patch with an edge, worth more to look at than a bare print',
  'hand.sublimation': ({ isGlitter }: { isGlitter: boolean }) =>
    `colour only, white parts show the garment${isGlitter ? ', with glitter' : ''}`,
  'risk.dye-at-press': () => 'Dye may wander when it is pressed too hot',
  'risk.adhesion': ({ face }: { face: FibreName | 'coating' | 'water-repellent' }) =>
    `Glue may not hold on ${faceName(face)}: a bond test first`,
  'risk.ink-weak': ({ fibre }: { fibre: FibreName }) =>
    `Ink holds only weakly on ${FIBRE_NAMES[fibre]}: wash-test one`,
  'risk.dull-ground': ({ colour }: { colour: string }) =>
    `Colours come out as dull as ${colour.toLowerCase()} is, and white becomes it: show the customer a picture on the ground`,
  'risk.panel-seam': () => 'Cracks along a seam under the print',
  'risk.large-solid': () => 'A large solid feels heavy and sweaty',
  'risk.no-second-press': () => 'Edges may lift: no second press',
  'risk.powder-clings': () => 'Powder clings to bare film in a damp room',
  'risk.dye-at-cure': () => 'Dye may wander into the white at the cure',
  'risk.polyester-stains': () => 'Pretreatment of polyester stains easily',
  'risk.dull-white': () => 'Dull white when pretreatment is thin',
  'risk.stain-box': () => 'Stain box when it is too much',
  'risk.light-garment': () => 'Little can go wrong on a light garment',
  'risk.deep-pile': () => 'Fibres through the white on a deep pile',
  'risk.lead-time': ({ days }: { days: number }) => `${days} days until it is here`,
  'risk.aged-glue': () => 'Old glue bonds poorly when it has lain damp: look the packet over',
  'risk.pretreated-shows': () =>
    'The pretreatment round a transfer may show as a box: wash it out, or buy it plain',
  'risk.no-reprint': () => 'A spoiled piece cannot be reprinted on the day: order spares',
  'risk.shift-between-jobs': () => 'White beside the colour when film moves between the two jobs',
  'risk.garment-ink-runs': () => 'Garment ink runs on film: watch for puddles',
  'risk.glue-rim': () => 'Rim of glue round the patch when pressed too hard or long',
  'risk.front-bubbles': () => 'Front bubbles when heated from below',
  'risk.pushed-iron': () => 'Print stretched by pushing the iron',
  'risk.white-vanishes': () => 'White in the art becomes the garment’s colour',
  'risk.ink-spreads': () => 'The ink may spread in polyester when it is pressed hot',
  'risk.film-slips': () => 'Light film slips in a desk printer’s rollers',
  'again.film': () => 'Its glue softens again: cover it, and let it cool before it is touched.',
  'again.supplier': () =>
    'The supplier’s glue softens again: cover it, and let it cool before it is touched.',
  'again.direct': () => 'Cured ink bears another press when it is covered; it dulls a little each time.',
  'again.patch': () => 'the patch has been heated twice by then: a third time squeezes its glue out',
  'again.sublimation': () => 'sublimation ink turns to vapour again under a plate and stains what lies on it',
  'heated-again': (
    p: {
      heats: {
        place: PlaceName;
        times: number;
        reach: 'under-plate' | 'through';
        hottestC: number;
        allS: number;
      }[];
      then: AnySaid;
    },
    f: Figures,
    tell: Tell,
  ) =>
    `Heated again ${p.heats
      .map(
        ({ place, times, reach, hottestC, allS }) =>
          `for the ${PLACE_NAMES[place].toLowerCase()} ${times === 1 ? 'once' : `${times} times`}, ${reach === 'through' ? 'through the fabric' : 'under the plate'}, up to ${f.temp(hottestC)}, ${f.s(Math.round(allS))} in all`,
      )
      .join('; ')}. ${tell(p.then)}`,
  // comparison
  'better.within-limits': () => 'every setting stays within its limits',
  'better.fewer-conflicts': () => 'fewer settings are outside their limits',
  'better.cost': ({ cents, otherCents }: { cents: number; otherCents: number }, f: Figures) =>
    `${f.money(cents)} a piece against ${f.money(otherCents)}`,
  'better.hands': ({ handsS, otherS }: { handsS: number; otherS: number }) =>
    `${minutes(handsS)} of hands against ${minutes(otherS)}`,
  'better.hand': ({ look }: { look: AnySaid }, _f: Figures, tell: Tell) => `the softer hand: ${tell(look)}`,
  'better.cover': ({ look }: { look: AnySaid }, _f: Figures, tell: Tell) => `better cover: ${tell(look)}`,
  'better.placement': () => 'less stands in the way where it goes',
  'better.risks': () => 'less that can go wrong',
  'better.level': () => 'it comes out level with the next and needs fewer steps',
  'better.only': () => 'It is the only process that can do it here',
  'turn.none': () => 'Nothing here can print this: see the reasons at each process.',
  'turn.another-machine': () => 'Another machine or material under Shop.',
  'turn.from': ({ pieces, process }: { pieces: number; process: ProcessName }) =>
    `From about ${pieces} pieces on, ${named(process)} comes out ahead.`,
  'turn.below': ({ pieces, process }: { pieces: number; process: ProcessName }) =>
    `${pieces === 1 ? 'For a single piece' : `At ${pieces} pieces or fewer`}, ${named(process)} comes out ahead.`,
  'turn.hand': ({ process, look }: { process: ProcessName; look: AnySaid }, _f: Figures, tell: Tell) =>
    `Choose ${named(process)} where the hand matters more than the cost: ${tell(look)}.`,
  'turn.cover': ({ process, look }: { process: ProcessName; look: AnySaid }, _f: Figures, tell: Tell) =>
    `Choose ${named(process)} where it must be brighter: ${tell(look)}.`,
  'turn.taken': ({ process }: { process: ProcessName }) =>
    `Choose ${named(process)} when the machines of the first are taken.`,
};
