import { houseWords } from './house.ts';
import type { HouseWordsKey } from './house.ts';
import { faceName } from './judgements.ts';
import { PLACE_NAMES } from './names.ts';
import type { FibreName, PlaceName } from './names.ts';
import { listed, lowerFirst } from './speech.ts';
import type { Figures } from './speech.ts';

/** What to look at or do at a step. */
export const CHECKS = {
  'check.house': ({ key, choice }: { key: HouseWordsKey; choice: string }) => {
    const { label, tradeOff } = houseWords(key, choice);
    return `This shop’s way: ${lowerFirst(label)}. ${tradeOff}`;
  },
  // blank
  'check.lint': () => 'Lint rolled off',
  'check.heat-change': ({ press, fromC, toC }: { press: string; fromC: number; toC: number }, f: Figures) =>
    `${press} from ${f.temp(fromC)} to ${f.temp(toC)}, for the whole line at once`,
  'check.heat-settled': () => 'Wait until it holds: five minutes more before it is trusted',
  'check.nothing-under': () => 'No seam, zip or pocket under the print area',
  'check.pocket-padded': () => 'The pocket’s edge under the print is levelled with a pad',
  'check.pretreated-date': ({ fluid, days }: { fluid: string; days: number }) =>
    `Bought pretreated with “${fluid}”: it keeps ${days} days, read the date on the bag`,
  'check.not-roughed': () => 'Not roughed up afterwards',
  'check.card-out': () => 'Card insert out',
  'check.sweatband': () => 'Sweatband folded out',
  'check.front-smooth': ({ hasSeam }: { hasSeam: boolean }) =>
    `Front smooth on the form${hasSeam ? ', no crease at the seam' : ''}`,
  'check.riser': () => 'Riser under the part above the pocket until the whole print is at one height',
  'check.platen-tape': () => 'Tape on the bare platen beside the garment',
  'check.clearance-by-hand': () => 'Check the clearance to the head over the pocket’s edge by hand',
  'check.one-layer': () => 'One layer only on the platen: the back hangs below',
  'check.underlay': () => 'Scrap fabric or paper under the print area where ink still comes through',
  'check.same-at-press': () => 'The same under the press',
  'check.folded-middle': () => 'Folded collar to collar, side seam to side seam',
  'check.folded-edges': () => 'Folded edge to edge, the sides on each other',
  'check.light-crease': () => 'A light crease at the front, pressed out by the next step',
  // film
  'check.agitated': () => 'White ink agitated, nozzle check clean',
  'check.coated-side': ({ sides }: { sides: 'one' | 'both' }) =>
    sides === 'one'
      ? 'Coated (usually matt) side up: a damp finger clouds it'
      : 'Coated on both sides: either side up',
  'check.glitter-side': () => 'Glitter film: print on the side without glitter grains',
  'check.powder-as-it-comes': ({ perSheet }: { perSheet: number }) =>
    `Powder each sheet as it comes off, ${perSheet} at a time at most: the first would dry meanwhile`,
  'check.mode': (
    { mode, reason, share }: { mode: string; reason: 'one' | 'solid' | 'open'; share: number },
    f: Figures,
  ) =>
    `Mode ${mode}: ${
      reason === 'one'
        ? 'One mode for everything in this shop.'
        : reason === 'solid'
          ? `Ink covers ${f.percent(share)} of its box: solid areas want the finer mode.`
          : `Ink covers ${f.percent(share)} of its box: the quicker mode will do.`
    }`,
  'check.mirror': ({ printer, isMirroring }: { printer: string; isMirroring: boolean }) =>
    isMirroring
      ? `Mirrored once: the software of ${printer} does it, so not here`
      : `Mirrored once: the software of ${printer} does not, so here`,
  'check.film-held': ({ choice }: { choice: string }) => {
    const { label, tradeOff } = houseWords('filmHold', choice);
    return `Film on the platen: ${lowerFirst(label)}. ${tradeOff}`;
  },
  'check.platen-for-film': (
    { isGripped, padMm }: { isGripped: boolean; padMm: number | null },
    f: Figures,
  ) =>
    isGripped
      ? `Platen height for the grip pad, ${padMm === null ? 'whose thickness is measured first' : `${f.mm(padMm)} lower than for taped film`}: raised until the sensor objects, then one step down`
      : 'Platen at its highest, film is thinner than any garment: raised until the sensor objects, then one step down',
  'check.film-not-moved': () => 'Film not moved between the two jobs',
  'check.colour-job-first': () => 'First job colour, second white: the other way round is scrap',
  'check.colour-first': () => 'Colour first, then white',
  'check.head-side': () => 'Coated side to the print head: a damp finger clouds it',
  'check.glitter-head-side': () => 'Glitter film: the side without grains to the print head',
  'check.no-white': () => 'No white: what is white in the art shows the garment',
  'check.powder-warm': () => 'While the first coat is warm and clings; cold glue takes none',
  'check.all-coated': () => 'Every inked part coated',
  'check.flicked': () => 'Back flicked hard, no grain left on bare film',
  'check.humidity': () => 'Room under 60 % humidity, or powder clings',
  'check.excess-back': () => 'Excess back into the closed container',
  'check.film-flat': () => 'Film flat, nothing touches it',
  'check.plate-off-film': () => 'Plate never touches the film',
  'check.powder-up': () => 'Powder up, film down',
  'check.watch-it-clear': () => 'Watch it clear from the edge inwards',
  'check.belt-speed': (
    { tunnelMm, timeS, mmPerMin }: { tunnelMm: number; timeS: number; mmPerMin: number },
    f: Figures,
  ) => `Belt at ${f.mm(mmPerMin)} a minute: ${f.mm(tunnelMm)} of tunnel in ${f.s(timeS)}`,
  'check.grains-gone': () => 'White grains gone all over',
  'check.powder-clear': () => 'White powder clear; a trace of grain may stay',
  'check.half-by-half': ({ melter }: { melter: string }) =>
    `Larger than ${melter}: melted half by half, turned once; look twice at the middle`,
  'check.sheets-together': ({ sheets, withinS }: { sheets: number; withinS: number }, f: Figures) =>
    `Up to ${sheets} sheets together, none lying powdered for more than ${f.s(withinS)}`,
  'check.transfers-counted': () => 'One transfer for each piece on the ticket, spares counted',
  'check.strips-off': () => 'Registration strips trimmed off',
  'check.dry-flat-covered': () => 'Dry, flat, glue side covered',
  'check.cool-before-stack': () => 'Cool before they are stacked',
  'check.paper-between': () => 'Paper between, flat, dry, dark',
  'check.packet-dated': () => 'Date, art and count on the packet',
  'check.count-ticket': () => 'Count against the ticket, spares set aside',
  'check.packet-art': ({ transfer }: { transfer: string }) =>
    `Packet of “${transfer}”: art and size against the ticket`,
  'check.oldest-first': () => 'Oldest date first',
  'check.shelf-sound': () => 'Dry and flat, no powder loose, nothing cracked or stuck together',
  'check.supplier-read': () => 'The supplier’s own sheet read: it stands above everything here',
  'check.strips-and-edge': () => 'Registration strips and the sheet’s edge cut off',
  // pressing and peeling
  'check.white-down': () => 'White side down, straight, at the placement on the ticket',
  'check.pad-in-place': () => 'Pad under the print: nothing beside it holds the plate up',
  'check.flat-under-plate': () => 'Nothing but flat fabric under the plate',
  'check.pillow-clam': () => 'Pillow under it: a clam press pinches thick fabric at its hinge',
  'check.seams-off': () => 'Seams and hems off the edge of the lower plate',
  'check.clean-side': () => 'Clean side of the sheet on the print',
  'check.heat-tape': () => 'Heat tape at the corners of the film',
  'check.seam-pad': () => 'Seam under a pad where the front has one',
  'check.lower-cool': () => 'Lower plate off and cool',
  'check.lower-warm': () => 'Lower plate warm, not hot',
  'check.pull': ({ pull }: { pull: 'slow' | 'fast' }) =>
    pull === 'fast' ? 'One fast pull, low angle' : 'Slow and steady, low angle',
  'check.resists': () => 'It resists? Stop: still too warm, or pressed too short',
  'check.rub-down': () => 'Rub down with a cloth before peeling',
  'check.bond-one': ({ faces }: { faces: (FibreName | 'coating' | 'water-repellent')[] }) =>
    `Press one as the route says: whether glue holds on ${listed(faces.map(faceName))} is not known`,
  'check.bond-cold': () =>
    'Wait until it is cold, then scratch at an edge with a nail and pull with strong tape',
  'check.bond-wash': () => 'Wash one before a large order is pressed',
  'check.bond-fails': () => 'It lifts? Stop the line: another glue, another process, or a sewn patch',
  'check.test-first': () => 'Fibre not known: try a hidden place first, at the coolest setting',
  'check.blocker': () =>
    'Dye known to wander: a blocking or low-bleed transfer, and look again after a night before more are pressed',
  'check.own-film-turned': () => 'Its own film on it, turned so that the bare side lies on the print',
  'check.iron-through-carrier': () => 'Iron on the carrier film only: never on a naked print',
  'check.iron-circles': () => 'In slow circles, as light as a feather: pushing stretches the print',
  'check.cool-pad': () => 'On a cool, dense pad',
  'check.pale-underlay': () => 'Dark patch: a pale sheet under it, so that its edge is seen through the film',
  'check.cool-on-metal': () => 'Cool on metal before the carrier comes off',
  'check.retouch': () => 'An edge lifts? A touch more heat with a sheet over it, never the bare iron',
  'check.liner-off': () => 'Liner peeled off the patch’s own glue',
  'check.bill-guard': () => 'Bill guarded from the plate',
  'check.art-on-patch': () => 'Middle of the art on the middle of the patch',
  'check.patch-glue-paper': () => 'Patch’s own glue side on paper, not on the pad',
  'check.patch-straight': () => 'Straight and centred on the front before any heat',
  'check.set-down-lift': () => 'Set down, lift off: pushing stretches the print',
  'check.front-on-form': () => 'Front smooth on the form',
  'check.second-dose': () => 'The patch has been heated before: the print gets this dose on top',
  'check.no-glue-rim': () => 'No glue rim, no lifted corner when it opens',
  'check.face-down': ({ place }: { place: PlaceName }) =>
    `${PLACE_NAMES[place]} lies face down: a clean sheet under it`,
  'check.under-plate-too': ({ place }: { place: PlaceName }) =>
    `${PLACE_NAMES[place]} is under the plate too: cover it`,
  // direct print
  'check.weigh': () => 'Weigh before and after',
  'check.fluid-for-line': (
    {
      fluid,
      ml,
      bottles,
      bottleMl,
      cents,
    }: { fluid: string; ml: number; bottles: number; bottleMl: number; cents: number },
    f: Figures,
  ) =>
    `${f.q(ml, 'volume', 0)} of ${fluid} for the line, with what goes beside: ${bottles === 1 ? 'a bottle' : `${bottles} bottles`} of ${f.q(bottleMl, 'volume', 0)} at hand, ${f.money(cents)}`,
  'check.print-area-only': () => 'Only the print area and a margin; fold nothing on itself',
  'check.mask': ({ marginMm }: { marginMm: number }, f: Figures) =>
    `Under a mask cut ${f.q(marginMm, 'length', 0)} outside the print: dry and clean, flat on the cloth, lifted straight up`,
  'check.two-strips': ({ sprayer }: { sprayer: string }) =>
    `Wider than ${sprayer} sprays: two strips side by side, without a gap`,
  'check.hand-bands': (_: object, f: Figures) =>
    `Prime the gun off to the side; ${f.mms(200, 250)} away, three bands across, two down, each begun and ended off the garment`,
  'check.roll-in': () => 'Roll it in, one direction',
  'check.dry-within': ({ withinS }: { withinS: number }, f: Figures) => `Dry within ${f.s(withinS)}`,
  'check.open-and-turn': () => 'Open between bursts, turn the sheet each time',
  'check.dry-to-touch': () => 'Dry to the touch over the whole print area',
  'check.plate-off-wet': () => 'Plate does not touch while it is wet',
  'check.dry-before-close': () => 'Dry to the touch before it closes',
  'check.hung-flat': () => 'Hung flat, nothing touches the print area',
  'check.away-from-powder': () => 'Away from powder and printers',
  'check.rack-goes': ({ rack, places, goes }: { rack: string; places: number; goes: number }) =>
    `${rack} holds ${places}: hang the line in ${goes} goes`,
  'check.dry-before-press': () => 'Dry before it is pressed',
  'check.loaded': ({ platen }: { platen: string | null }) =>
    `Straight, collar at the ${platen ? `${platen} ` : ''}platen’s edge, hooped, no wrinkle`,
  'check.loaded-flat': ({ platen }: { platen: string | null }) =>
    `Straight, upper edge at the ${platen ? `${platen} ` : ''}platen’s edge, no wrinkle`,
  'check.platen-sensor': () => 'Platen raised until the sensor objects, then one or two steps down',
  'check.clearance-pocket': () => 'Clearance checked over the pocket and over the riser',
  'check.no-white-light': () => 'No white under a light garment',
  'check.stand-between-hits': ({ standS }: { standS: number }, f: Figures) =>
    `Two hits of white: the first stands ${f.s(standS)} before the second`,
  'check.centre-ruler': () => 'Middle by ruler from both sides',
  'check.centre-template': () => 'Middle by the line’s template of tape, laid on every piece',
  'check.centre-platen': ({ leftMm }: { leftMm: number | null }, f: Figures) =>
    leftMm === null
      ? 'Middle by the edges of platen or plate, the same for every piece'
      : `Middle by the platen’s edges: print ${f.mm(leftMm)} from its left edge`,
  'check.centre-crease': () => 'Middle on the crease',
  'check.not-mirrored': () => 'Not mirrored',
  'check.turn-between-bursts': () => 'Turn the sheet each time the plate opens',
  'check.turn-each-piece': () => 'Turn the sheet after each piece',
  'check.no-ink-off': () => 'No ink comes off on the sheet',
  'check.one-layer-press': () => 'One layer only, underlay in place',
  // inspection
  'check.white-whole': () => 'Nothing missing in the white',
  'check.no-stray-powder': () => 'No powder on bare film',
  'check.glue-clear': () => 'Glue clear and dry all over',
  'check.placement': () => 'Placement against the ticket',
  'check.edges-flat': () => 'Edges flat, no specks, no lines from missing nozzles',
  'check.no-ink-through': () => 'Back of the garment: no ink through',
  'check.stretch': () => 'Stretch it a little: no cracks, no lifting',
  'check.bend': () => 'Bend it a little: no cracks, no lifting',
};

/** What right looks like. */
export const LOOKS = {
  'look.flat-no-steam': () => 'Flat, dry, a little steam and then none.',
  'look.heat-reached': ({ toC }: { toC: number }, f: Figures) => `It holds ${f.temp(toC)}.`,
  'look.keeps-curve': () => 'The front keeps the form’s curve.',
  'look.straight-edge': () => 'A straight edge laid across pocket and chest touches both.',
  'look.one-layer': () => 'One smooth layer; the underlay is wider than the print.',
  'look.faint-line': () => 'A straight faint line down the middle.',
  'look.nozzles': () => 'A nozzle check without gaps; film flat and straight.',
  'look.film-print': () => 'No puddles, no lines; the white covers all colour but a hair at the edge.',
  'look.platen-film': () => 'White exactly over the colour, no puddles, no shift between the two.',
  'look.film-held': () => 'Film flat on the platen, no bubble under it.',
  'look.film-fed': () => 'Film and backing flush at the leading edge, no air between.',
  'look.film-colour': () => 'Even colour that stands on the film without running.',
  'look.powdered': () => 'Even white frost on the ink, clear film between.',
  'look.fused': () => 'Clear and glossy with an orange-peel skin; none grainy.',
  'look.melted-lightly': () =>
    'Clear, with an orange-peel skin; a light grain is fine, it is pressed at once.',
  'look.cut': (_: object, f: Figures) => `Square cuts ${f.mm(5)} outside the print.`,
  'look.packet': () => 'Flat packet, closed against damp air.',
  'look.clean-transfer': () => 'One clean transfer a piece, glue side covered.',
  'look.bond-holds': () => 'Nothing lifts, under the tape or at an edge.',
  'look.pressed': () => 'Film lies flat all over; no bubble when it opens.',
  'look.pressed-cap': () => 'Film lies flat over the curve; no bubble in the front.',
  'look.peeled': () => 'Film comes off clean, nothing left on it.',
  'look.second-press': ({ isGlossy, isTextured }: { isGlossy: boolean; isTextured: boolean }) =>
    isTextured
      ? 'The sheet’s texture in the print, edges sunk into the fabric.'
      : isGlossy
        ? 'Slightly glossy, edges sunk into the fabric.'
        : 'Matt, edges sunk into the fabric.',
  'look.patch-printed': () => 'Flat, grain of the patch still to be seen beside the print.',
  'look.patch-tacked': () =>
    'The print holds when the carrier is lifted at a corner; the grain beside it is as it was.',
  'look.tacked': () => 'Holds when the cap is turned over; edges may still lift.',
  'look.patch-on-cap': () => 'Edges down all round, no rim of glue, no bubble in the front.',
  'look.mist': () => 'An even, fine mist standing on the fibres.',
  'look.no-box': () => 'Flat and dry, no box to be seen.',
  'look.flat-no-box': () => 'Flat, no box to be seen.',
  'look.dry-to-touch': () => 'Dry to the touch over the whole print area.',
  'look.direct': ({ hasWhite }: { hasWhite: boolean }) =>
    hasWhite ? 'Bright white under all colour, no grey fibres through.' : 'Even colour, no lines.',
  'look.cured': () => 'Dry, matt, does not lift under a thumb.',
  'look.transfer': () => 'Colour through the film without holes, dry to the touch.',
  'look.piece': () => 'Solid colour, clean edge, nothing on the back.',
};

/** What can hurt, said once and plainly; the maker's safety sheet and local rules stand above it. */
export const CAUTION_WORDS = {
  'caution.hot-plate': () => 'The plate burns and the press crushes: hands out before it closes.',
  'caution.hot-oven': () =>
    'Oven and tray burn: heat gloves. An oven used for curing never goes back to food.',
  'caution.hot-tunnel': () =>
    'The tunnel burns and the belt draws in: nothing loose near it, heat gloves where it comes out.',
  'caution.hot-griddle': () => 'The griddle burns: heat gloves. One used for curing never goes back to food.',
  'caution.hot-iron': () => 'The iron burns: set it down only on its stand.',
  'caution.fumes': () =>
    'Heated adhesive and pretreatment give off vapour: extraction on, follow the safety sheet.',
  'caution.steam': () => 'Steam comes out sideways when the press opens: stand back.',
  'caution.dust': () =>
    'Fine dust: mask, gloves and eye protection, no open flame. Sweep it damp. See the maker’s safety sheet.',
  'caution.mist': () => 'Its mist drifts: keep it from printers and from powder, and don’t breathe it.',
  'caution.irritant': () =>
    'Pretreatment irritates skin and eyes: gloves and glasses. See the maker’s safety sheet.',
  'caution.head-strike': () =>
    'A wrinkle or a platen set too high hits the print head: check the clearance first.',
  'caution.blade': () => 'Cut away from the hand that holds the film.',
  'caution.alcohol': () => 'Alcohol near heat burns: let it dry off before the film is heated.',
  'caution.hot-film': () => 'Film straight from the press is hot: gloves or a corner to hold it by.',
};

/** Why work waits, and how long. */
export const WAITS = {
  'wait.span': ({ minS, maxS }: { minS: number; maxS: number | null }, f: Figures) =>
    [...(minS > 0 ? [`at least ${f.s(minS)}`] : []), ...(maxS !== null ? [`within ${f.s(maxS)}`] : [])].join(
      ', ',
    ),
  'warm-up': (p: { machine: string; tempC: number; heatS: number; settleS: number }, f: Figures) =>
    `${p.machine} to ${f.temp(p.tempC)}: about ${f.s(p.heatS)}${p.settleS > 0 ? `, and ${f.s(p.settleS)} until it is even` : ''}.`,
  'wait.powder': () => 'Powder holds only on wet ink: minutes, not tens of minutes.',
  'wait.loose-powder': () => 'Loose powder shakes off: melt it before the film is moved about.',
  'wait.film-cools': () => 'Let the film cool flat before it is cut.',
  'wait.peel-hot': ({ transfer }: { transfer: string }) => `${transfer} peels hot: at once, before it sets.`,
  'wait.peel-warm': ({ transfer }: { transfer: string }) => `${transfer} peels warm: not at once, not cold.`,
  'wait.peel-cold': ({ transfer, table }: { transfer: string; table: string | null }) =>
    `${transfer} peels cold: to room temperature${table === null ? ', quicker on a metal plate' : `, sooner on ${table}`}.`,
  'wait.tacked-cold': () => 'Only tacked, it comes off cold: to room temperature, on metal.',
  'wait.wet-pretreatment': () => 'Wet pretreatment spreads and sets unevenly when it lies.',
  'wait.dry-to-touch': () => 'Dry to the touch over the whole print area.',
  'wait.wet-ink': () => 'Wet ink stands about a minute and is touched by nothing.',
  'wait.cap-cools': () => 'Let it cool on the form before it is taken off.',
};
