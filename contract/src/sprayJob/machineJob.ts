import { USUAL_GUN } from '@saltflat/core/spray';
import type { SprayRun } from '@saltflat/core/spray';
import { Type } from 'typebox';
import type { Faults } from './parts.ts';
import { Above0, AnyNumber, AtLeast0, Count, Distance, NOZZLE, Tilt, figureAt, listAt } from './parts.ts';

export const MachineJob = Type.Object({
  nozzles: Type.Object({
    count: Type.Integer({ title: 'Nozzles', minimum: 1, maximum: 500 }),
    pitchMm: Above0('Pitch'),
    flowGPerS: Above0('Flow'),
    ...NOZZLE,
    rotDeg: Type.Optional(AnyNumber('Turn')),
  }),
  heightMm: Distance,
  speedMmPerS: Above0('Speed'),
  passes: Type.Optional(Count('Passes', 1)),
  targetWidthMm: Above0('Width'),
  targetLengthMm: Type.Optional(Above0('Length')),
  overrunMm: Type.Optional(AtLeast0('Overrun')),
  faults: Type.Optional(
    Type.Array(
      Type.Object({
        nozzle: Type.Integer({ title: 'Nozzle' }),
        flowShare: Type.Optional(Type.Number({ title: 'Share of the flow', minimum: 0, maximum: 5 })),
        tiltXDeg: Tilt,
        tiltYDeg: Tilt,
        turnDeg: Type.Optional(AnyNumber('Turn')),
      }),
      { title: 'Faults' },
    ),
  ),
  stepMm: Type.Optional(Type.Number({ title: 'Step', minimum: 0.05, maximum: 50 })),
  samplesX: Type.Optional(Type.Array(AnyNumber('Place across'), { title: 'Samples', maxItems: 10_000 })),
});

export function readMachine(
  data: unknown,
  faults: Faults,
): { run: SprayRun; samplesX: readonly number[] } | null {
  const job = faults.part(MachineJob, data);
  const count = figureAt(data, 'nozzles', 'count');
  const named = new Set<number>();
  for (const i of listAt(data, 'faults').keys()) {
    const nozzle = figureAt(data, 'faults', i, 'nozzle');
    if (nozzle === null) continue;
    if (count !== null && (nozzle < 1 || nozzle > count))
      faults.add(
        `/faults/${i}/nozzle`,
        `There is no nozzle ${nozzle}: they are numbered from 1 to ${count}.`,
      );
    else if (named.has(nozzle))
      faults.add(`/faults/${i}/nozzle`, `Nozzle ${nozzle} is named twice: put its faults into one.`);
    named.add(nozzle);
  }
  if (job === null || faults.fields.length > 0) return null;
  const { count: nozzles, pitchMm, rotDeg = 90, flowGPerS, fan, shape, efficiency } = job.nozzles;
  return {
    run: {
      row: {
        count: nozzles,
        pitchMm,
        rotDeg,
        nozzle: {
          flowGPerS,
          fan: { ...USUAL_GUN.fan, ...fan },
          shape: shape ?? USUAL_GUN.shape,
          efficiency: efficiency ?? USUAL_GUN.efficiency,
        },
      },
      heightMm: job.heightMm,
      speedMmPerS: job.speedMmPerS,
      passes: job.passes ?? 1,
      widthMm: job.targetWidthMm,
      lengthMm: job.targetLengthMm ?? 400,
      overrunMm: job.overrunMm ?? 20,
      faults: (job.faults ?? []).map((own) => ({
        flowShare: 1,
        tiltXDeg: 0,
        tiltYDeg: 0,
        turnDeg: 0,
        ...own,
      })),
      stepMm: job.stepMm ?? 1,
    },
    samplesX: job.samplesX ?? [],
  };
}
