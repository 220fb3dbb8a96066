import { SIGNAL_RULES, USUAL_CHART, amountSlip, freshLossGM2S, roomWith } from '@saltflat/core/spray';
import type { ChartSetting, SprayWeighing, SprayerSetting, Weighed } from '@saltflat/core/spray';
import { Type } from 'typebox';
import type { FieldProblem } from '../problems.ts';
import type { Static } from '../scalars.ts';
import { Above0, AtLeast0, Passes, Room, at, figureAt, listAt } from './parts.ts';
import type { SprayWarning, Faults } from './parts.ts';

const Name = (title: string) => Type.String({ title, minLength: 1, maxLength: 200 });
const ON_SCALE = {
  beforeG: Type.Optional(Above0('Weight before')),
  afterG: Type.Optional(Above0('Weight after')),
  areaMm2: Type.Optional(Above0('Area')),
  elapsedS: Type.Optional(AtLeast0('Time until the weighing')),
};

export const FitJob = Type.Object({
  settingRange: Type.Tuple([Above0('Least setting'), Above0('Largest setting')]),
  sense: Type.Enum(['up', 'down'], { title: 'Sense' }),
  fluid: Name('Fluid'),
  nozzle: Name('Nozzle'),
  passes: Passes,
  areaMm2: Type.Optional(Above0('Area')),
  room: Type.Optional(Room),
  weighings: Type.Array(
    Type.Object({
      setting: Above0('Setting'),
      passes: Passes,
      fluid: Type.Optional(Name('Fluid')),
      nozzle: Type.Optional(Name('Nozzle')),
      gm2: Type.Optional(Above0('Amount')),
      ...ON_SCALE,
    }),
    { title: 'Weighings', maxItems: 500 },
  ),
  settings: Type.Optional(Type.Array(Above0('Setting'), { title: 'Settings', minItems: 1, maxItems: 1000 })),
  ask: Type.Optional(
    Type.Object({
      gm2At: Type.Optional(Type.Array(Type.Object({ setting: Above0('Setting'), passes: Passes }))),
      settingFor: Type.Optional(Type.Array(Type.Object({ gm2: Above0('Amount'), passes: Passes }))),
      next: Type.Optional(Type.Object({ passes: Passes })),
    }),
  ),
});

export const ChartJob = Type.Object({
  targetGm2: Type.Optional(Above0('Target')),
  areaMm2: Type.Optional(Above0('Area')),
  room: Type.Optional(Room),
  baseline: Type.Optional(Type.Integer({ title: 'Baseline', minimum: 5, maximum: 100 })),
  tolerancePct: Type.Optional(Type.Number({ title: 'Tolerance', exclusiveMinimum: 0, maximum: 100 })),
  sigmaFloorPct: Type.Optional(Above0('Least spread')),
  rules: Type.Optional(Type.Array(Type.Enum([...SIGNAL_RULES], { title: 'Rule' }), { title: 'Rules' })),
  resets: Type.Optional(Type.Array(Type.Integer({ title: 'Reset', minimum: 0 }), { title: 'Resets' })),
  garments: Type.Optional(
    Type.Array(Type.Object({ ...ON_SCALE, targetGm2: Type.Optional(Above0('Target')) }), {
      title: 'Garments',
      maxItems: 100_000,
    }),
  ),
  values: Type.Optional(
    Type.Array(Type.Number({ title: 'Per cent of the target', minimum: -1e4, maximum: 1e6 }), {
      title: 'Values',
      maxItems: 100_000,
    }),
  ),
});

export interface FitReading {
  range: SprayerSetting;
  weighings: SprayWeighing[];
  /** Where each of those stood in the document. */
  places: number[];
  ignored: number[];
  settings: readonly number[] | null;
  gm2At: { setting: number; passes: number }[];
  settingFor: { gm2: number; passes: number }[];
  /** Passes of the weighing that is asked for; `null` where none is. */
  next: number | null;
  warnings: SprayWarning[];
}

export interface ChartReading {
  setting: ChartSetting;
  garments: Weighed[] | null;
  values: readonly number[] | null;
  lossGM2S: number;
}

const LATE_S = 600;

export function readFit(data: unknown, faults: Faults): FitReading | null {
  const job = faults.part(FitJob, data);
  faults.all(faultsOfRange(data));
  faults.all(faultsOnScale(data, 'weighings', { orGm2: true, areaMm2: figureAt(data, 'areaMm2') }));
  if (job === null || faults.fields.length > 0) return null;
  const own = job.weighings.map((weighing, place) => ({ ...weighing, place }));
  const kept = own.filter(
    ({ fluid = job.fluid, nozzle = job.nozzle }) => fluid === job.fluid && nozzle === job.nozzle,
  );
  if (kept.length < 2) {
    faults.add(
      '/weighings',
      `${kept.length} of ${own.length} weighings are of “${job.fluid}” on “${job.nozzle}”: two are needed at least, another fluid or nozzle starts anew.`,
    );
    return null;
  }
  const lossGM2S = lossOf(job.room);
  const weighings = kept.map((weighing): SprayWeighing & { place: number } => ({
    setting: weighing.setting,
    passes: weighing.passes ?? job.passes ?? 1,
    gm2: gm2Of(weighing, weighing.areaMm2 ?? job.areaMm2 ?? NaN, lossGM2S),
    place: weighing.place,
  }));
  const passesOf = ({ passes = job.passes ?? 1 }: { passes?: number }): number => passes;
  const { gm2At = [], settingFor = [], next } = job.ask ?? {};
  return {
    range: { least: job.settingRange[0], most: job.settingRange[1], sense: job.sense },
    weighings,
    places: weighings.map(({ place }) => place),
    ignored: own.filter((weighing) => !kept.includes(weighing)).map(({ place }) => place),
    settings: job.settings ?? null,
    gm2At: gm2At.map((asked) => ({ setting: asked.setting, passes: passesOf(asked) })),
    settingFor: settingFor.map((asked) => ({ gm2: asked.gm2, passes: passesOf(asked) })),
    next: next === undefined ? null : passesOf(next),
    warnings: [...warningsOf(kept, weighings)],
  };
}

export function readChart(data: unknown, faults: Faults): ChartReading | null {
  const job = faults.part(ChartJob, data);
  const [garments, values] = [at(data, 'garments'), at(data, 'values')];
  if (garments === undefined && values === undefined)
    faults.add(
      '/garments',
      'What was weighed is missing: give “garments”, or “values” in per cent of the target.',
    );
  if (garments !== undefined && values !== undefined)
    faults.add('/values', 'Both garments and values are given: leave one of the two out.');
  faults.all(faultsOnScale(data, 'garments', { orGm2: false, areaMm2: figureAt(data, 'areaMm2') }));
  for (const i of listAt(data, 'garments').keys())
    if (at(data, 'garments', i, 'targetGm2') === undefined && at(data, 'targetGm2') === undefined)
      faults.add('/targetGm2', 'What was wanted is missing: give “targetGm2”.');
  if (job === null || faults.fields.length > 0) return null;
  const { baseline, tolerancePct, sigmaFloorPct, rules, resets } = { ...USUAL_CHART, ...job };
  return {
    setting: { baseline, tolerancePct, sigmaFloorPct, rules, resets },
    garments:
      job.garments?.map(({ beforeG = NaN, afterG = NaN, areaMm2, targetGm2, elapsedS = 0 }) => ({
        beforeG,
        afterG,
        areaMm2: areaMm2 ?? job.areaMm2 ?? NaN,
        targetGm2: targetGm2 ?? job.targetGm2 ?? NaN,
        elapsedS,
      })) ?? null,
    values: job.values ?? null,
    lossGM2S: lossOf(job.room),
  };
}

const lossOf = (room: Static<typeof Room> | undefined): number =>
  room?.evapGm2PerS ?? freshLossGM2S(roomWith(room));

const gm2Of = (
  { gm2, beforeG = NaN, afterG = NaN, elapsedS = 0 }: Static<typeof FitJob>['weighings'][number],
  areaMm2: number,
  lossGM2S: number,
): number => gm2 ?? ((afterG - beforeG) * 1e6) / areaMm2 + lossGM2S * elapsedS;

/** Settings lie within the dial's range, which runs upwards. */
function* faultsOfRange(data: unknown): Generator<FieldProblem> {
  const [least, most] = [figureAt(data, 'settingRange', 0), figureAt(data, 'settingRange', 1)];
  if (least === null || most === null) return;
  if (least >= most) {
    yield {
      path: '/settingRange',
      message: `The range runs from ${least} to ${most}: the smaller comes first.`,
    };
    return;
  }
  const outside = (path: readonly (string | number)[]): FieldProblem | null => {
    const setting = figureAt(data, ...path);
    if (setting === null || (setting >= least && setting <= most)) return null;
    return {
      path: `/${path.join('/')}`,
      message: `The setting must be from ${least} to ${most}, and is ${setting}.`,
    };
  };
  const places = [
    ...listAt(data, 'weighings').map((_, i) => ['weighings', i, 'setting']),
    ...listAt(data, 'settings').map((_, i) => ['settings', i]),
    ...listAt(data, 'ask', 'gm2At').map((_, i) => ['ask', 'gm2At', i, 'setting']),
  ];
  for (const place of places) {
    const fault = outside(place);
    if (fault !== null) yield fault;
  }
}

/** Two weights, the second above the first, over a known area; or, of a fit, the amount itself. */
function* faultsOnScale(
  data: unknown,
  list: string,
  { orGm2, areaMm2 }: { orGm2: boolean; areaMm2: number | null },
): Generator<FieldProblem> {
  for (const [i, own] of listAt(data, list).entries()) {
    const path = `/${list}/${i}`;
    if (orGm2 && at(own, 'gm2') !== undefined) continue;
    const [before, after] = [at(own, 'beforeG'), at(own, 'afterG')];
    if (before === undefined)
      yield {
        path: `${path}/beforeG`,
        message: 'The weight before is missing: weigh the dry garment first.',
      };
    if (after === undefined)
      yield {
        path: `${path}/afterG`,
        message: 'The weight after is missing: weigh the garment again, or leave it out.',
      };
    if (typeof before === 'number' && typeof after === 'number' && before > 0 && after <= before)
      yield { path: `${path}/afterG`, message: `must be above beforeG (${before}), is ${after}` };
    if (areaMm2 === null && at(own, 'areaMm2') === undefined)
      yield { path: '/areaMm2', message: 'The area is missing: give “areaMm2”, for all or for each.' };
  }
}

/** What may be a slip and is answered all the same. */
function* warningsOf(
  kept: readonly { place: number; gm2?: number; elapsedS?: number }[],
  weighings: readonly SprayWeighing[],
): Generator<SprayWarning> {
  if (new Set(weighings.map(({ setting }) => setting)).size === 1)
    yield { code: 'slope-assumed', path: 'weighings' };
  for (const [i, { place, gm2: stated, elapsedS = 0 }] of kept.entries()) {
    const gm2 = weighings[i]?.gm2 ?? NaN;
    const path = `weighings[${place}].${stated === undefined ? 'afterG' : 'gm2'}`;
    const slip = amountSlip(gm2);
    if (slip !== null) yield { code: slip, path };
    if (elapsedS > LATE_S) yield { code: 'weighed-late', path: `weighings[${place}].elapsedS` };
  }
}
