import { BLANK_KINDS } from '@saltflat/core/blank';
import type { PieceCost } from '@saltflat/core/cost';
import { SOURCE_ROLES } from '@saltflat/core/route';
import type { Route } from '@saltflat/core/route';
import {
  FLOWS,
  JOINTS,
  MACHINE_KINDS,
  PARTS,
  REASON_SOURCES,
  ROLES,
  SETTING_ROLES,
  STACK_MATERIALS,
  STATIONS,
  UNITS,
} from '@saltflat/core/work';
import { Type } from 'typebox';
import { PLACEMENT_KEYS } from './placements.ts';
import { Process } from './process.ts';
import { Said } from './said.ts';
import { Id, Instant, MOST_ROWS, PrintId, nullable, shortText, strictObject } from './scalars.ts';
import type { Static } from './scalars.ts';

const Span = strictObject({ min: Type.Number(), max: Type.Number() });
const KINDS = [
  'temperature',
  'duration',
  'length',
  'mass',
  'volume',
  'pressure',
  'area',
  'arealMass',
  'share',
  'count',
  'mark',
  'flag',
] as const;
const Kind = Type.Enum([...KINDS]);

const Reason = strictObject({
  source: Type.Enum([...REASON_SOURCES]),
  said: Said,
  value: nullable(Type.Number()),
});
const Limit = strictObject({
  min: nullable(Type.Number()),
  max: nullable(Type.Number()),
  said: Said,
});
const Setting = strictObject({
  key: Type.String(),
  sets: nullable(Type.Enum([...SETTING_ROLES])),
  label: Type.String(),
  kind: Kind,
  value: Type.Number(),
  reasons: Type.Array(Reason, { minItems: 1 }),
  limits: Type.Array(Limit),
  ability: Span,
  conflicts: Type.Array(Said),
});
const Ref = strictObject({ id: nullable(Type.String()), name: Type.String() });
const StackLayer = strictObject({
  material: Type.Enum([...STACK_MATERIALS]),
  dMm: Type.Number(),
  waterGM2: Type.Number(),
});
const Heat = strictObject({
  tempC: Type.Number(),
  press: strictObject({
    over: Type.Enum(['platen', 'hover', 'chamber', 'below']),
    lowerC: nullable(Type.Number()),
    kPa: Type.Number(),
    gapMm: Type.Number(),
  }),
  stack: strictObject({
    layers: Type.Array(StackLayer),
    joints: Type.Array(Type.Enum([...JOINTS])),
    pad: nullable(StackLayer),
  }),
});
const Mode = strictObject({
  machineKind: nullable(Type.Enum([...MACHINE_KINDS])),
  machine: nullable(Ref),
  stateC: nullable(Type.Number()),
  phases: Type.Array(
    strictObject({
      label: Type.String(),
      onceS: Type.Number(),
      eachS: Type.Number(),
      people: Type.Number({ minimum: 0, maximum: 1 }),
      isTimed: Type.Boolean(),
      canPause: Type.Boolean(),
      maxWaitS: nullable(Type.Number()),
      heat: nullable(Heat),
    }),
  ),
  pools: Type.Array(Ref),
});
export const RouteOperation = strictObject({
  id: Type.String(),
  role: Type.Enum([...ROLES]),
  station: Type.Enum([...STATIONS]),
  title: Type.String(),
  print: nullable(Type.String()),
  lane: Type.String(),
  takes: Type.Array(Type.String()),
  awaits: Type.Array(Type.String()),
  unit: Type.Enum([...UNITS]),
  size: nullable(Type.Integer({ minimum: 1 })),
  modes: Type.Array(Mode, { minItems: 1 }),
  settings: Type.Array(Setting),
  sheet: nullable(Ref),
  checks: Type.Array(Said),
  look: Said,
  cautions: Type.Array(Said),
  waitAfter: nullable(strictObject({ minS: Type.Number(), maxS: nullable(Type.Number()), why: Said })),
  consumes: Type.Array(
    strictObject({
      id: nullable(Type.String()),
      what: Type.String(),
      amount: Type.Number(),
      kind: Kind,
      cents: Type.Number(),
      isAssumed: Type.Boolean(),
    }),
  ),
  weighIn: nullable(strictObject({ targetG: Type.Number(), toleranceG: Type.Number() })),
});
export const RouteLane = strictObject({
  id: Type.String(),
  part: Type.Enum([...PARTS]),
  print: nullable(Type.String()),
  spares: Type.Integer({ minimum: 0 }),
});

const PlacementDocument = strictObject({
  key: Type.Enum([...PLACEMENT_KEYS]),
  label: Type.String(),
  rule: Said,
  sizes: Type.Array(
    strictObject({
      size: Type.String(),
      quantity: Type.Integer(),
      bodyWidthMm: nullable(Type.Number()),
      dropMm: Type.Number(),
      widthMm: Type.Number(),
      heightMm: Type.Number(),
      platenLeftMm: nullable(Type.Number()),
    }),
  ),
  platen: nullable(Type.String()),
  problems: Type.Array(strictObject({ said: Said, waysOut: Type.Array(Said) })),
  needs: Type.Array(
    strictObject({
      what: Type.Enum(['riser', 'tape', 'pad', 'fold-away']),
      said: Said,
    }),
  ),
});

const Role = Type.Enum([...SOURCE_ROLES], { title: 'Chosen for' });

const Loading = strictObject({
  platen: strictObject({ name: Type.String(), widthMm: Type.Number(), heightMm: Type.Number() }),
  kind: Type.Enum([...BLANK_KINDS]),
  edge: Type.Enum(['collar', 'edge']),
  isSplit: Type.Boolean(),
  isHooped: Type.Boolean(),
  sizes: Type.Array(
    strictObject({
      size: Type.String(),
      scale: Type.Number(),
      garment: strictObject({ xMm: Type.Number(), yMm: Type.Number() }),
      edgeAboveMm: Type.Number(),
      print: strictObject({
        xMm: Type.Number(),
        yMm: Type.Number(),
        widthMm: Type.Number(),
        heightMm: Type.Number(),
      }),
      tape: Type.Array(Type.Enum(['left', 'right', 'below'])),
      riser: nullable(strictObject({ fromMm: Type.Number(), toMm: Type.Number() })),
    }),
  ),
  riserMm: nullable(Type.Number()),
  pad: Type.Array(Type.Enum(['zip', 'thick-seams', 'panel-seam', 'drawcord'])),
});

const RoutePrint = strictObject({
  id: Type.String(),
  process: Process,
  placement: PlacementDocument,
  sources: Type.Array(
    strictObject({
      role: Role,
      id: Type.String(),
      name: Type.String(),
      why: Said,
      others: Type.Array(
        strictObject({
          id: Type.String(),
          name: Type.String(),
          why: Said,
          isPossible: Type.Boolean(),
        }),
      ),
    }),
  ),
  heatedAgain: Type.Array(
    strictObject({
      operation: Type.String(),
      reach: Type.Enum(['under-plate', 'through']),
      tempC: Type.Number(),
      durationS: Type.Number(),
    }),
  ),
  loading: Type.Optional(nullable(Loading)),
});

/** The document a route version keeps for ever. */
export const RouteDocument = Type.Unsafe<Route>(
  strictObject({
    summary: Type.String(),
    prints: Type.Array(RoutePrint, { minItems: 1 }),
    lanes: Type.Array(RouteLane, { minItems: 1 }),
    operations: Type.Array(RouteOperation),
    flow: Type.Enum([...FLOWS]),
    warmUps: Type.Array(
      strictObject({
        machine: Ref,
        tempC: Type.Number(),
        heatS: Type.Number(),
        settleS: Type.Number(),
      }),
    ),
    totals: strictObject({ handsS: Type.Number(), elapsedS: Type.Number() }),
    restBeforeDispatchS: Type.Number(),
    usesBlanks: Type.Boolean(),
    conflicts: Type.Array(
      strictObject({
        operation: Type.String(),
        setting: Type.String(),
        said: Said,
        waysOut: Type.Array(Said),
      }),
    ),
    slips: Type.Array(
      strictObject({
        operation: nullable(Type.String()),
        setting: nullable(Type.String()),
        said: Said,
      }),
    ),
  }),
);

export const CostDocument = Type.Unsafe<PieceCost>(
  strictObject({
    blankCents: Type.Number(),
    materials: Type.Array(
      strictObject({ what: Type.String(), cents: Type.Number(), isAssumed: Type.Boolean() }),
    ),
    labourCents: Type.Number(),
    setUpCents: Type.Number(),
    machineCents: Type.Number(),
    warmUpCents: Type.Number(),
    spoilageCents: Type.Number(),
    spoilageShare: Type.Number(),
    spoilageFrom: Type.Enum(['assumed', 'measured']),
    totalCents: Type.Number(),
  }),
);

/** One side of a difference: a figure, a sentence, or a name. */
const Shown = Type.Union([strictObject({ value: Type.Number(), kind: Kind }), Said, Type.String()]);

/** What differs between two routes. */
export const RouteDifference = strictObject({
  operation: Type.String(),
  what: Type.String(),
  before: nullable(Shown),
  after: nullable(Shown),
});

const signature = {
  who: shortText('Who', 60, 'Who are you? It is kept with the route.'),
  why: shortText('Why', 300, 'Why? It is kept with the route.'),
};

/** Who decided something of a route, and why. */
export const Signed = strictObject(signature);
export type Signed = Static<typeof Signed>;

/** A person's own value for a setting, kept with who and why. */
export const SettingOverride = strictObject({
  operation: shortText('Operation', 60),
  setting: shortText('Setting', 60),
  value: Type.Number({ title: 'Value' }),
  ...signature,
});
export type SettingOverride = Static<typeof SettingOverride>;

/** A person's choice of what a print is made with, kept with who and why. */
export const SourceChoice = strictObject({
  print: PrintId,
  role: Role,
  id: shortText('Thing', 120),
  ...signature,
});
export type SourceChoice = Static<typeof SourceChoice>;

/** The overrides a new route version is planned with; all of them, since a version stands alone. */
export const RoutePlanInput = strictObject({
  overrides: Type.Array(SettingOverride, { title: 'Overrides', maxItems: 60 }),
  /** All choices of what to work with; left out, they stay as they are. */
  sources: Type.Optional(Type.Array(SourceChoice, { title: 'Choices', maxItems: 60 })),
  /** The version the person was looking at. */
  basedOn: Type.Integer({ title: 'Based on version', minimum: 1, maximum: MOST_ROWS }),
});
export type RoutePlanInput = Static<typeof RoutePlanInput>;

/** A line that was run to the end, with how its pieces came out. */
export const ProvenLine = strictObject({
  lineId: Id,
  code: Type.String(),
  customer: Type.String(),
  garment: Type.String(),
  styleId: Id,
  pieces: Type.Integer(),
  good: Type.Integer(),
  /** The version it was run with. */
  routeNumber: Type.Integer(),
});
export type ProvenLine = Static<typeof ProvenLine>;

export const RouteVersion = strictObject({
  id: Id,
  lineId: Id,
  number: Type.Integer(),
  createdAt: Instant,
  /** It is the one the line is made by as it now stands. */
  isCurrent: Type.Boolean(),
  /** What it was planned from is kept with it: quote and picture come from that. Older versions kept nothing. */
  hasInput: Type.Boolean(),
  route: RouteDocument,
  cost: CostDocument,
  overrides: Type.Array(SettingOverride),
  sources: Type.Array(SourceChoice),
  pieces: Type.Integer(),
  /** Layouts its film and what that costs are of; left out where nothing was laid out by it. */
  laid: Type.Optional(Type.Array(strictObject({ id: Id, code: Type.String() }))),
});
export type RouteVersion = Static<typeof RouteVersion>;
