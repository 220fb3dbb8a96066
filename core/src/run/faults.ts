import { printsWhite } from '../route/index.ts';
import type { RoutePrint } from '../route/index.ts';
import { plannedMode } from '../work/index.ts';
import type { Lane, Operation } from '../work/index.ts';

/** Kinds of work that share their faults. */
type FaultFamily = 'film' | 'direct' | 'patch';

type Shown = {
  prints: readonly Pick<RoutePrint, 'process'>[];
  lanes: readonly Lane[];
  operations: readonly Pick<Operation, 'role' | 'lane' | 'settings' | 'modes'>[];
};

/** The kinds of work a route has, by what is printed on and what is made of it. */
function familiesOf({ lanes, operations }: Shown): FaultFamily[] {
  const partOf = new Map(lanes.map(({ id, part }) => [id, part]));
  const isPrintedOnBlank = operations.some(
    ({ role, lane }) => role === 'print' && partOf.get(lane) === 'blank',
  );
  const parts = new Set(partOf.values());
  return [
    ...(parts.has('transfer') ? (['film'] as const) : []),
    ...(parts.has('patch') ? (['patch'] as const) : []),
    ...(isPrintedOnBlank ? (['direct'] as const) : []),
  ];
}

/** What there is about a route that some faults need. */
const GROUNDS = {
  white: printsWhite,
  pretreatment: ({ operations }: Shown) => operations.some(({ role }) => role === 'spray'),
  /** Film inked, powdered and melted by whoever makes the run. */
  ownFilm: ({ operations }: Shown) => operations.some(({ role }) => role === 'powder'),
  /** Polyester with dye in it. */
  wanderingDye: ({ operations }: Shown) =>
    operations.some(({ settings }) =>
      settings.some(({ limits }) => limits.some(({ said: { code } }) => DYE_LIMITS.includes(code))),
    ),
  /** A front on a form that may be warm. */
  warmFront: ({ operations }: Shown) =>
    operations.some(({ settings }) => settings.some(({ sets }) => sets === 'lower-temperature')),
  /** A hand iron on a carrier. */
  iron: ({ operations }: Shown) =>
    operations.some((operation) => plannedMode(operation).machineKind === 'hand-iron'),
} satisfies Record<string, (route: Shown) => boolean>;
type Ground = keyof typeof GROUNDS;

/** What was written before limits were codes does not tell: there it may be. */
const DYE_LIMITS: readonly string[] = ['limit.dye', 'limit.dye-blend', 'as-written'];

interface Fault {
  name: string;
  firstCause: string;
  seenIn: readonly FaultFamily[];
  /** What else must be there for it to come about. */
  onlyWith?: readonly Ground[];
}

/** Faults a person can see, in the print room's words, with the cause to look at first. */
export const FAULTS: Record<string, Fault> = {
  'white-rim': {
    name: 'white rim',
    firstCause: 'choke too small',
    seenIn: ['film', 'direct'],
    onlyWith: ['white'],
  },
  'powder-on-film': {
    name: 'powder on bare film',
    firstCause: 'humid room',
    seenIn: ['film'],
    onlyWith: ['ownFilm'],
  },
  'lifts-on-peel': { name: 'lifts on peel', firstCause: 'peeled too hot for this film', seenIn: ['film'] },
  'edges-lift': { name: 'edges lift', firstCause: 'no second press', seenIn: ['film'] },
  'dull-white': {
    name: 'dull or fuzzy white',
    firstCause: 'too little pretreatment',
    seenIn: ['direct'],
    onlyWith: ['white'],
  },
  'stain-box': {
    name: 'stain box, stiff hand',
    firstCause: 'too much pretreatment',
    seenIn: ['direct'],
    onlyWith: ['pretreatment'],
  },
  'ink-on-back': { name: 'ink on the back', firstCause: 'thin knit loaded double', seenIn: ['direct'] },
  scorch: {
    name: 'scorch, shine or platen mark',
    firstCause: 'too hot or hard for the fibre',
    seenIn: ['film', 'direct'],
  },
  'dye-bleed': {
    name: 'garment colour in the white',
    firstCause: 'polyester too hot or too long',
    seenIn: ['film', 'direct'],
    onlyWith: ['white', 'wanderingDye'],
  },
  misplaced: {
    name: 'in the wrong place',
    firstCause: 'not centred on the platen',
    seenIn: ['film', 'direct'],
  },
  'reads-backwards': {
    name: 'reads backwards',
    firstCause: 'mirrored twice or not at all',
    seenIn: ['film'],
    onlyWith: ['ownFilm'],
  },
  banding: { name: 'lines or banding', firstCause: 'nozzles', seenIn: ['film', 'direct'] },
  gritty: { name: 'gritty back', firstCause: 'powder under-cured', seenIn: ['film'], onlyWith: ['ownFilm'] },
  'cold-corner': {
    name: 'one corner fails',
    firstCause: 'cold spot, or a seam under the pad',
    seenIn: ['film', 'direct'],
  },
  'glue-rim': {
    name: 'glue rim round the patch',
    firstCause: 'too much pressure or time',
    seenIn: ['patch'],
  },
  'front-bubbled': {
    name: 'cap front bubbled',
    firstCause: 'lower plate too hot',
    seenIn: ['patch', 'film'],
    onlyWith: ['warmFront'],
  },
  'patch-stretched': {
    name: 'patch image stretched',
    firstCause: 'iron pushed',
    seenIn: ['patch'],
    onlyWith: ['iron'],
  },
  puddles: {
    name: 'ink puddles',
    firstCause: 'too much ink for this film',
    seenIn: ['film'],
    onlyWith: ['ownFilm'],
  },
  bumps: {
    name: 'bumps in the image',
    firstCause: 'powder sank into over-wet ink',
    seenIn: ['film'],
    onlyWith: ['ownFilm'],
  },
  'white-over-colour': {
    name: 'colour hidden behind white',
    firstCause: 'layer order, or the wrong side of the film',
    seenIn: ['film'],
    onlyWith: ['white', 'ownFilm'],
  },
  'box-round-art': {
    name: 'box printed round the art',
    firstCause: 'opaque background',
    seenIn: ['film', 'direct'],
  },
  'heavy-patch': { name: 'heavy, sweaty patch', firstCause: 'a large solid', seenIn: ['film'] },
  blotchy: { name: 'blotchy', firstCause: 'contrast or ink limit too high', seenIn: ['direct'] },
  'soft-edges': { name: 'soft, dusty edges', firstCause: 'platen too low', seenIn: ['direct'] },
  'head-strike': {
    name: 'smeared by the head',
    firstCause: 'platen too high, or a wrinkle',
    seenIn: ['direct'],
  },
  cracks: {
    name: 'cracks when stretched',
    firstCause: 'under-cured, or white too thick',
    seenIn: ['film', 'direct'],
  },
};

/** The faults that a route's work can show: no white rim where no white is printed, no powder on film that somebody else made. */
export const faultsOf = (route: Shown): [key: string, fault: Fault][] => {
  const families = familiesOf(route);
  return Object.entries(FAULTS).filter(
    ([, { seenIn, onlyWith = [] }]) =>
      families.some((family) => seenIn.includes(family)) &&
      onlyWith.every((ground) => GROUNDS[ground](route)),
  );
};
