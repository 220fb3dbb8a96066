/** One point on which good practitioners differ: the choices with what each costs and gives. */
export interface SchoolWords<C extends string> {
  label: string;
  choices: Record<C, { label: string; tradeOff: string }>;
}

const school = <C extends string>(
  label: string,
  choices: Record<C, readonly [label: string, tradeOff: string]>,
): SchoolWords<C> => ({
  label,
  choices: Object.fromEntries(
    Object.entries<readonly [string, string]>(choices).map(([value, [name, tradeOff]]) => [
      value,
      { label: name, tradeOff },
    ]),
  ) as SchoolWords<C>['choices'],
});

/** The schools a shop chooses from: every choice is sound somewhere; the sentence says where it pays and what it costs. */
export const HOUSE_WORDS = {
  filmUse: school('Film: what for', {
    'at-once': [
      'Pressed in the same run',
      'Nothing lies about; film and garments must be ready on the same day.',
    ],
    stock: [
      'Kept as stock',
      'Ready when an order comes; needs a full fuse, dry flat storage and a date on it.',
    ],
  }),
  spareTransfers: school('Transfers: spares', {
    none: ['None', 'No film is made for nothing; a spoiled transfer is printed again, and its piece waits.'],
    one: ['One a line', 'The first that is spoiled is at hand; one transfer more a line.'],
    tenth: ['One in ten', 'For long lines and new art; a tenth more film, ink and powder.'],
  }),
  filmPeel: school('Film: peel', {
    cold: ['Cold', 'The steadiest edge; every piece waits on the table first.'],
    warm: ['Warm', 'A short wait; the moment must be hit.'],
    hot: ['Hot', 'No wait, quickest by the hundred; unforgiving when the press runs cool.'],
  }),
  filmPull: school('Film: pull', {
    'as-film': ['As the film’s sheet says', 'The maker knows the coating.'],
    slow: ['Slow and low', 'You see a lift in time; slower.'],
    fast: ['One fast pull', 'Some coatings let go only so; a lift is torn before it is seen.'],
  }),
  filmHold: school('Film on a platen: held by', {
    tape: ['Tape at the edges', 'Sure and flat; leaves a strip of film unused.'],
    liquid: [
      'Drops of water or alcohol',
      'No tape to pull off; a drop under the ink shows, and alcohol must be gone before heat.',
    ],
    grip: ['Grip pad', 'Quickest to load; wears, and must be wiped clean.'],
  }),
  layerDrying: school('Film: each layer of ink', {
    pause: ['Left to set for a moment', 'Nothing to hold; a quarter of a minute after every layer.'],
    'warm-air': ['A pass of warm air', 'Surer in a damp room; too near and the film curls.'],
  }),
  powderStand: school('Powder: when', {
    'at-once': ['At once, while the ink is wet', 'Best hold in a dry room.'],
    stand: [
      'After a stand of some minutes',
      'In a damp room it avoids too much pick-up; too long and nothing holds.',
    ],
  }),
  powderCoats: school('Powder: coats', {
    one: ['One coat', 'Lighter hand.'],
    two: ['Two coats', 'Washes better; heavier hand, nearly twice the powder.'],
    'melted-between': [
      'Two coats, each melted',
      'The evenest glue; twice to the powder and twice to the heat.',
    ],
  }),
  meltMeans: school('Powder: melted by', {
    oven: ['Small oven', 'Even, and runs by itself; an oven that never sees food again.'],
    hover: ['Press held above', 'No extra machine; blocks the press for minutes.'],
    belt: ['Belt through a tunnel', 'Steady by the hundred; its speed is the clock, and it wants the room.'],
    griddle: ['Griddle from below', 'Seconds, and you see it clear; wants watching.'],
  }),
  powderCure: school('Powder: how far', {
    light: ['Light, still a little grainy', 'Quick, and the press does the rest; only for pressing at once.'],
    full: ['Full fuse, glossy', 'Keeps and travels; takes longer.'],
  }),
  secondPress: school('Transfer: second press', {
    none: ['None', 'Fastest; edges may lift later, and the surface stays glossy.'],
    '5': ['5 s', 'Sets the edges.'],
    '10': ['10 s', 'Sets the edges and takes the gloss.'],
    '15': ['15 s', 'Softest, most matt; more heat on the fabric.'],
  }),
  secondPressSheet: school('Transfer: second press under', {
    parchment: ['Parchment', 'Matt, cheap, about a hundred presses.'],
    kraft: ['Kraft paper', 'Matt, cheapest, wears sooner.'],
    ptfe: ['PTFE sheet', 'Lasts longest; leaves a slight sheen.'],
    silicone: ['Textured silicone', 'Gives the print a texture; heat comes slower, so it stays longer.'],
  }),
  coverSheet: school('Under the plate', {
    parchment: ['Parchment', 'Leaves no sheen.'],
    kraft: ['Kraft paper', 'Leaves no sheen, wears sooner.'],
    ptfe: ['PTFE sheet', 'Lasts; leaves some sheen on pretreatment.'],
    silicone: ['Silicone sheet', 'Evens out seams; heat comes slower.'],
  }),
  preheat: school('Pre-press', {
    short: ['Short: until the steam stops, 5 s or so', 'Enough for a dry room.'],
    long: ['Long: 10 s', 'Safer on a damp day; more heat and time on every piece.'],
  }),
  spraying: school('Pretreatment: sprayed by', {
    machine: ['Spray machine', 'The same every time once its dial is weighed in.'],
    hand: ['Hand gun in bands', 'Any size and shape; wants practice and the scale.'],
  }),
  sprayArea: school('Pretreatment: area', {
    box: [
      'The rectangle round the print',
      'Nothing to cut; what lies beside the art may show on dark cloth.',
    ],
    mask: [
      'The print’s own shape, by a mask',
      'Less on the garment and no square to be seen; a mask to cut for each print and to wash.',
    ],
  }),
  rollering: school('Pretreatment: worked in', {
    rollered: ['Rolled in, one direction', 'Lays the fibres; a roller to wash.'],
    left: ['Left as sprayed', 'Quicker; fibres stand up more.'],
  }),
  pretreatmentDrying: school('Pretreatment: dried', {
    press: ['Under the press in bursts', 'Quickest; some sheen.'],
    hover: ['Hovered, then one press', 'Less sheen; a little longer on the press.'],
    air: ['In the air, then one press', 'Softest hand; 20 to 40 minutes on the rack.'],
  }),
  dryPressure: school('Pretreatment: pressed dry', {
    lightest: ['As light as the press goes', 'Nothing is driven through; fibres stay up.'],
    light: ['Light', 'The usual middle.'],
    medium: ['Medium', 'Flatter fibres; more of the fluid goes into the fabric.'],
    firm: ['Firm, hard on fleece', 'The flattest surface to print on; glazes where it is too wet.'],
  }),
  whiteHits: school('Direct print: white', {
    single: ['One hit', 'Softer, faster.'],
    double: ['Two hits with a pause', 'Brightest white on dark; more ink, heavier hand, longer cure.'],
  }),
  printMode: school('Printing: mode', {
    one: ['One mode for everything', 'Nothing to choose wrong.'],
    'by-artwork': ['By artwork', 'Solid areas get the finer, slower mode.'],
  }),
  directCure: school('Direct print: cured', {
    single: ['In one go', 'Fewer movements.'],
    two: [
      'In two presses, the sheet turned between',
      'Half the time in one go, and one look at it; sticks less than one long press.',
    ],
    bursts: ['In bursts, turning the sheet', 'Steam gets out, the sheet stays dry; more hands.'],
  }),
  placementRule: school('Placement: measured by', {
    ruler: ['Ruler, as written on the line', 'The same whoever does it.'],
    'three-fingers': ['Three fingers below the collar', 'Quick; fingers differ from hand to hand.'],
    'four-fingers': ['Four fingers below the collar', 'Quick, sits lower; hands differ.'],
  }),
  centring: school('Placement: middle found by', {
    ruler: ['Ruler', 'Measured at each piece.'],
    crease: ['A crease pressed in', 'Quick and sure on knits; some cloth keeps it.'],
    template: ['A template of tape', 'Made once for a line, laid on every piece.'],
    platen: ['The platen’s edges', 'Set once as an offset; only as straight as it is loaded.'],
  }),
  pieceFlow: school('Floor: pieces go on', {
    through: [
      'One after the other',
      'The first is seen to its end early; a fault shows before it is made again.',
    ],
    batch: [
      'All at one station, then the next',
      'Fewer changes of place; a fault shows in all of them at once.',
    ],
  }),
  capLower: school('Caps: lower plate', {
    cold: ['Off', 'The stiffener’s glue stays put.'],
    warm: ['Warm', 'Heat from both sides, shorter; close to where the stiffener lets go.'],
  }),
  capMat: school('Caps: patch pressed', {
    mat: ['Under a thick silicone mat', 'No shine and no edge mark; about double the dwell.'],
    bare: ['Bare', 'Half the time; shows every unevenness.'],
  }),
  patchTack: school('Patches: transfer put on with', {
    'hand-iron': [
      'Hand iron, through the carrier',
      'Spares the grain; held by a touch until the cap is pressed.',
    ],
    press: ['Flat press', 'Even, and many at once; one more full heat for the patch.'],
  }),
  patchTransfer: school('Patches: their transfers', {
    here: ['Made here', 'No waiting, no minimum; film, powder and an hour of the printer.'],
    bought: ['Bought in', 'Nothing but press and iron; a minimum and a lead time.'],
    shelf: ['From the shelf', 'At once; only art that lies ready at that size.'],
  }),
  capSecondPress: school('Caps: second press', {
    none: ['None', 'One heat less for the stiffener; the surface stays glossy.'],
    'own-film': ['Under its own film, turned', 'Nothing more to buy; dulls a little.'],
    silicone: ['Under textured silicone', 'Gives the print a texture; heat comes slower.'],
  }),
  subHeat: school('Sublimation ink: pressed', {
    cool: ['Cool', 'Spares the fabric; colours a little paler.'],
    middle: ['In the middle', 'Where most begin.'],
    hot: ['Hot', 'The strongest colour; only where the fabric bears it.'],
  }),
  filmFeed: school('Sublimation ink: film fed with', {
    backing: ['Paper backing', 'Feeds like paper; one more thing to tape.'],
    strip: ['Tape strip at the leading edge', 'Quick; very light film may still slip.'],
  }),
} as const;

export type HouseWordsKey = keyof typeof HOUSE_WORDS;

/** The choice's own words: label and trade-off. */
export function houseWords(key: HouseWordsKey, choice: string): { label: string; tradeOff: string } {
  const { choices } = HOUSE_WORDS[key] as SchoolWords<string>;
  return choices[choice] ?? { label: choice, tradeOff: '' };
}
