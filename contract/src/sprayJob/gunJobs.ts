import {
  USUAL_DENSITY_G_PER_ML,
  USUAL_GUN,
  USUAL_HAND,
  USUAL_MOST_BANDS,
  USUAL_MOST_WASTE,
  USUAL_PATTERN,
  boxOf,
  handPath,
  sampleAt,
  sprayGround,
} from '@saltflat/core/spray';
import type {
  DepositProblem,
  Gun,
  HandPattern,
  PathPoint,
  PatternProblem,
  Point as PlanePoint,
  SprayShape,
} from '@saltflat/core/spray';
import { Type } from 'typebox';
import type { FieldProblem } from '../problems.ts';
import type { Static } from '../scalars.ts';
import type { Faults } from './parts.ts';
import {
  Above0,
  AnyNumber,
  AtLeast0,
  Count,
  Distance,
  NOZZLE,
  Point,
  SHAPE,
  Seed,
  Shape,
  Share,
  Tilt,
  at,
  faultsOfShape,
  figureAt,
} from './parts.ts';

const GunPart = Type.Object({
  flowGPerS: Type.Optional(Above0('Flow')),
  flowMlPerMin: Type.Optional(Above0('Flow')),
  densityGPerMl: Type.Optional(Type.Number({ title: 'Density', minimum: 0.5, maximum: 2 })),
  ...NOZZLE,
  trigger: Type.Optional(
    Type.Object({
      onLagS: Type.Optional(AtLeast0('Lag of opening')),
      riseS: Type.Optional(AtLeast0('Rise')),
      offLagS: Type.Optional(AtLeast0('Lag of closing')),
      fallS: Type.Optional(AtLeast0('Fall')),
      spatterG: Type.Optional(AtLeast0('Spatter')),
      drops: Type.Optional(Count('Drops')),
      dropMm: Type.Optional(Above0('Size of a drop')),
    }),
  ),
});

const Pattern = Type.Object({
  kind: Type.Enum(['bands', 's'], { title: 'Kind of a pattern' }),
  horizontal: Type.Optional(Count('Horizontal bands')),
  vertical: Type.Optional(Count('Vertical bands')),
  spacingHMm: Type.Optional(Above0('Spacing')),
  spacingVMm: Type.Optional(Above0('Spacing')),
  speedMmPerS: Above0('Speed'),
  distanceMm: Distance,
  leadMm: AtLeast0('Lead'),
  pauseS: Type.Optional(AtLeast0('Pause')),
  alternate: Type.Optional(Type.Boolean({ title: 'Alternate' })),
  tiltXDeg: Tilt,
  tiltYDeg: Tilt,
  overhangMm: Type.Optional(AnyNumber('Overhang')),
  turnSpeedShare: Type.Optional(Above0('Speed of a turn')),
});

const PathPart = Type.Object({
  t: AnyNumber('Time'),
  x: AnyNumber('x'),
  y: AnyNumber('y'),
  z: Distance,
  on: Type.Boolean({ title: 'Trigger' }),
  rotDeg: Type.Optional(AnyNumber('Turn')),
  tiltXDeg: Tilt,
  tiltYDeg: Tilt,
});

const Wobbling = Type.Object({
  speed: Type.Optional(Type.Number({ title: 'Wobble of the speed', minimum: 0, maximum: 0.28 })),
  lateralMm: Type.Optional(AtLeast0('Wobble sideways')),
  heightMm: Type.Optional(AtLeast0('Wobble in height')),
});

export const DepositJob = Type.Object({
  gun: GunPart,
  garment: Shape,
  target: Shape,
  mask: Type.Optional(Shape),
  targetGm2: Above0('Target'),
  lowGm2: Type.Optional(AtLeast0('Low limit')),
  highGm2: Type.Optional(Above0('High limit')),
  edgeMm: Type.Optional(Above0('Edge')),
  stepMm: Type.Optional(Type.Number({ title: 'Step', minimum: 0.5, maximum: 50 })),
  seed: Seed,
  wobble: Type.Optional(Wobbling),
  pattern: Type.Optional(Pattern),
  path: Type.Optional(Type.Array(PathPart, { title: 'Path', maxItems: 200_000 })),
  samples: Type.Optional(Type.Array(Point, { title: 'Samples', maxItems: 10_000 })),
});

export const PlanJob = Type.Object({
  gun: GunPart,
  target: Type.Object(SHAPE),
  targetGm2: Above0('Target'),
  distanceMm: Distance,
  speedRangeMmPerS: Type.Tuple([Above0('Slowest'), Above0('Fastest')]),
  hand: Type.Optional(
    Type.Object({
      speed: Type.Optional(Type.Number({ title: 'Wobble of the speed', minimum: 0, maximum: 0.28 })),
      lateralMm: Type.Optional(AtLeast0('Wobble sideways')),
    }),
  ),
  maxBands: Type.Optional(Type.Integer({ title: 'Most bands', minimum: 1, maximum: 20 })),
  maxWasteShare: Type.Optional(Share('Most waste')),
});

const MOST_CELLS = 4_000_000;
const EDGE_MM = 30;
const BELOW = 0.8;
const ABOVE = 1.25;

export function readDeposit(
  data: unknown,
  faults: Faults,
): { problem: DepositProblem; samples: readonly PlanePoint[] } | null {
  const job = faults.part(DepositJob, data);
  faults.all(faultsOfGun(data));
  for (const key of ['garment', 'target', 'mask']) faults.all(faultsOfShape(data, key));
  faults.all(faultsOfWay(data));
  if (job !== null && faults.fields.length === 0) faults.all(faultsOfGround(job));
  if (job === null || faults.fields.length > 0) return null;
  const { targetGm2, seed = 1, edgeMm = EDGE_MM, stepMm = 2, samples = [] } = job;
  const target = shapeOf(job.target);
  const { speed = 0, lateralMm = 0, heightMm = 0 } = job.wobble ?? {};
  return {
    problem: {
      gun: gunOf(job.gun),
      garment: shapeOf(job.garment),
      target,
      mask: job.mask === undefined ? null : shapeOf(job.mask),
      lowGm2: job.lowGm2 ?? BELOW * targetGm2,
      highGm2: job.highGm2 ?? ABOVE * targetGm2,
      edgeMm,
      stepMm,
      seed,
      path:
        job.pattern === undefined
          ? (job.path ?? []).map((own): PathPoint => ({ rotDeg: 0, tiltXDeg: 0, tiltYDeg: 0, ...own }))
          : handPath(patternOf(job.pattern), boxOf(target), {
              wobble: job.wobble === undefined ? null : { speed, lateralMm, heightMm },
              seed,
            }),
    },
    samples,
  };
}

export function readPlan(data: unknown, faults: Faults): PatternProblem | null {
  const job = faults.part(PlanJob, data);
  faults.all(faultsOfGun(data));
  if (at(data, 'target', 'polygon') !== undefined)
    faults.add('/target/rect', 'Bands are planned over a rectangle: give “rect” instead of a polygon.');
  else faults.all(faultsOfShape(data, 'target'));
  const [slowest, fastest] = [figureAt(data, 'speedRangeMmPerS', 0), figureAt(data, 'speedRangeMmPerS', 1)];
  if (slowest !== null && fastest !== null && slowest > fastest)
    faults.add(
      '/speedRangeMmPerS',
      `The range runs from ${slowest} down to ${fastest} mm/s: the slower one comes first.`,
    );
  if (job === null || faults.fields.length > 0) return null;
  const [, , widthMm = 0, heightMm = 0] = job.target.rect ?? [];
  return {
    gun: gunOf(job.gun),
    widthMm,
    heightMm,
    targetGm2: job.targetGm2,
    distanceMm: job.distanceMm,
    slowestMmPerS: job.speedRangeMmPerS[0],
    fastestMmPerS: job.speedRangeMmPerS[1],
    hand: { speed: USUAL_HAND.speed, lateralMm: USUAL_HAND.lateralMm, ...job.hand },
    maxBands: job.maxBands ?? USUAL_MOST_BANDS,
    maxWasteShare: job.maxWasteShare ?? USUAL_MOST_WASTE,
  };
}

function* faultsOfGun(data: unknown): Generator<FieldProblem> {
  const gun = at(data, 'gun');
  if (typeof gun !== 'object') return;
  const isGiven = (key: string): boolean => at(gun, key) !== undefined;
  if (!isGiven('flowGPerS') && !isGiven('flowMlPerMin'))
    yield { path: '/gun/flowGPerS', message: 'The gun needs its flow: “flowGPerS”, or “flowMlPerMin”.' };
  if (isGiven('flowGPerS') && isGiven('flowMlPerMin'))
    yield { path: '/gun/flowMlPerMin', message: 'The flow is given twice: leave one of the two out.' };
}

function* faultsOfWay(data: unknown): Generator<FieldProblem> {
  const [path, pattern] = [at(data, 'path'), at(data, 'pattern')];
  if (path !== undefined && pattern !== undefined)
    yield { path: '/path', message: 'Both a path and a pattern are given: leave one of the two out.' };
  if (path === undefined && pattern === undefined)
    yield { path: '/pattern', message: 'How the gun moves is missing: give a “pattern” or a “path”.' };
  if (Array.isArray(path)) {
    if (path.length < 2)
      yield {
        path: '/path',
        message: `A path of ${path.length} points leads nowhere: 2 or more are needed.`,
      };
    for (let i = 1; i < path.length; i++) {
      const [before, t] = [figureAt(path, i - 1, 't'), figureAt(path, i, 't')];
      if (before !== null && t !== null && t <= before)
        yield { path: `/path/${i}/t`, message: `Time must go on: it must be above ${before}, and is ${t}.` };
    }
  }
  if (pattern === undefined) return;
  const isOne = at(pattern, 'kind') === 's';
  const [h, v] = [figureAt(pattern, 'horizontal') ?? 0, isOne ? 0 : (figureAt(pattern, 'vertical') ?? 0)];
  if (h + v === 0)
    yield { path: '/pattern/horizontal', message: 'The pattern has no bands: one is needed at least.' };
  for (const [count, key] of [
    [h, 'spacingHMm'],
    [v, 'spacingVMm'],
  ] as const)
    if (count > 1 && at(pattern, key) === undefined)
      yield { path: `/pattern/${key}`, message: `${count} bands need their spacing: give “${key}”.` };
}

function* faultsOfGround(job: Static<typeof DepositJob>): Generator<FieldProblem> {
  const {
    targetGm2,
    lowGm2 = BELOW * targetGm2,
    highGm2 = ABOVE * targetGm2,
    stepMm = 2,
    samples = [],
  } = job;
  if (lowGm2 >= highGm2)
    yield {
      path: '/lowGm2',
      message: `The low limit must be below the high one (${highGm2}), and is ${lowGm2}.`,
    };
  const garment = shapeOf(job.garment);
  const { x0, y0, x1, y1 } = boxOf(garment);
  const cells = ((x1 - x0) / stepMm) * ((y1 - y0) / stepMm);
  if (cells > MOST_CELLS) {
    yield {
      path: '/stepMm',
      message: `A step of ${stepMm} mm makes ${Math.round(cells)} cells of this garment: ${MOST_CELLS} at most, take a longer step.`,
    };
    return;
  }
  const mask = job.mask === undefined ? null : shapeOf(job.mask);
  const { targetCells, grid } = sprayGround({ garment, target: shapeOf(job.target), mask, stepMm });
  if (targetCells === 0)
    yield {
      path: '/target',
      message: 'Nothing of the target lies on the open garment: move it onto the garment.',
    };
  const nothing = new Float64Array(grid.cols * grid.rows);
  for (const [i, point] of samples.entries())
    if (sampleAt(nothing, grid, point) === null)
      yield { path: `/samples/${i}`, message: `${point.join(', ')} lies off the garment’s box.` };
}

const shapeOf = ({ rect, polygon }: Static<typeof Shape>): SprayShape =>
  rect === undefined ? { polygon: polygon ?? [] } : { rect };

const gunOf = ({
  flowGPerS,
  flowMlPerMin,
  densityGPerMl,
  fan,
  trigger,
  ...own
}: Static<typeof GunPart>): Gun => ({
  ...USUAL_GUN,
  ...own,
  flowGPerS: flowGPerS ?? ((flowMlPerMin ?? 0) * (densityGPerMl ?? USUAL_DENSITY_G_PER_ML)) / 60,
  fan: { ...USUAL_GUN.fan, ...fan },
  trigger: { ...USUAL_GUN.trigger, ...trigger },
});

const patternOf = ({ spacingHMm, spacingVMm, ...own }: Static<typeof Pattern>): HandPattern => ({
  horizontal: 0,
  vertical: 0,
  ...USUAL_PATTERN,
  ...own,
  spacingHMm: spacingHMm ?? null,
  spacingVMm: spacingVMm ?? null,
});
