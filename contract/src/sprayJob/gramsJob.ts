import { USUAL_GRAMS, sprayArea, wantedGm2 } from '@saltflat/core/spray';
import type { GramsProblem, PrintedArea, SprayArea } from '@saltflat/core/spray';
import { Type } from 'typebox';
import type { FieldProblem } from '../problems.ts';
import { isMaskRow } from '../filmInstance.ts';
import type { Static } from '../scalars.ts';
import { FabricPart } from './dryJob.ts';
import { Above0, AnyNumber, AtLeast0, PartShare, at, figureAt, listAt } from './parts.ts';
import type { SprayWarning, Faults } from './parts.ts';

const Run = Type.Integer({ title: 'Run of a mask', minimum: 0, maximum: 100_000 });

export const GramsJob = Type.Object({
  area: Type.Object({
    rect: Type.Optional(Type.Tuple([AnyNumber('Width'), AnyNumber('Height')])),
    mask: Type.Optional(
      Type.Object({
        pitchMm: Type.Optional(Above0('Pitch')),
        w: Type.Integer({ title: 'Columns', minimum: 1, maximum: 20_000 }),
        h: Type.Integer({ title: 'Rows', minimum: 1, maximum: 20_000 }),
        rows: Type.Array(Type.Array(Run), { title: 'Rows of the mask' }),
      }),
    ),
  }),
  marginMm: Type.Optional(Type.Number({ title: 'Margin', minimum: 0, maximum: 1000 })),
  spray: Type.Optional(Type.Enum(['rect', 'shape'], { title: 'Sprayed area' })),
  platen: Type.Optional(Type.Object({ widthMm: Above0('Width'), heightMm: Above0('Height') })),
  fabric: Type.Optional(FabricPart),
  targetGm2: Type.Optional(Above0('Target')),
  densityGPerMl: Type.Optional(Type.Number({ title: 'Density', minimum: 0.5, maximum: 2 })),
  tolerancePct: Type.Optional(Type.Number({ title: 'Tolerance', exclusiveMinimum: 0, maximum: 100 })),
  count: Type.Optional(Type.Integer({ title: 'Pieces', minimum: 1, maximum: 1_000_000 })),
  wasteShare: Type.Optional(PartShare('Share of waste')),
  primeG: Type.Optional(AtLeast0('Priming')),
  reserveShare: Type.Optional(AtLeast0('Reserve')),
  bottleMl: Type.Optional(Above0('Bottle')),
  stockMl: Type.Optional(AtLeast0('Stock')),
  pricePerMl: Type.Optional(AtLeast0('Price')),
});

export interface GramsReading {
  area: SprayArea;
  problem: GramsProblem;
  rangeGm2: readonly [number, number];
  stockMl: number | null;
  pricePerMl: number | null;
  warnings: SprayWarning[];
}

export function readGrams(data: unknown, faults: Faults): GramsReading | null {
  const job = faults.part(GramsJob, data);
  faults.all(faultsOfArea(data));
  if (job === null || faults.fields.length > 0) return null;
  const { marginMm = USUAL_GRAMS.marginMm, platen, spray = 'rect', fabric } = job;
  const own = sprayArea(areaOf(job.area), marginMm, platen ? [platen.widthMm, platen.heightMm] : null);
  const tone = fabric?.tone ?? 'dark';
  const wanted = wantedGm2(fabric?.kind ?? 'cotton-knit', tone, fabric?.gm2);
  const targetGm2 = job.targetGm2 ?? wanted.targetGm2;
  const [least, most] = wanted.rangeGm2;
  const isOutside = job.targetGm2 !== undefined && tone === 'dark' && (targetGm2 < least || targetGm2 > most);
  return {
    area: own,
    problem: {
      targetGm2,
      sprayMm2: spray === 'shape' ? own.needMm2 : own.rectMm[0] * own.rectMm[1],
      tolerancePct: job.tolerancePct ?? USUAL_GRAMS.tolerancePct,
      densityGPerMl: job.densityGPerMl ?? USUAL_GRAMS.densityGPerMl,
      wasteShare: job.wasteShare ?? USUAL_GRAMS.wasteShare,
      count: job.count ?? USUAL_GRAMS.count,
      primeG: job.primeG ?? USUAL_GRAMS.primeG,
      reserveShare: job.reserveShare ?? USUAL_GRAMS.reserveShare,
      bottleMl: job.bottleMl ?? USUAL_GRAMS.bottleMl,
    },
    rangeGm2: wanted.rangeGm2,
    stockMl: job.stockMl ?? null,
    pricePerMl: job.pricePerMl ?? null,
    warnings: [
      ...(own.isClipped ? [{ code: 'clipped-to-platen', path: 'platen' }] : []),
      ...(isOutside ? [{ code: 'outside-range', path: 'targetGm2' }] : []),
    ],
  };
}

function areaOf({ rect, mask }: Static<typeof GramsJob>['area']): PrintedArea {
  if (rect !== undefined) return { rect };
  return { pitchMm: mask?.pitchMm ?? 1, cols: mask?.w ?? 0, rows: mask?.rows ?? [] };
}

function* faultsOfArea(data: unknown): Generator<FieldProblem> {
  const area = at(data, 'area');
  if (typeof area !== 'object' || area === null) return;
  const [rect, mask] = [at(area, 'rect'), at(area, 'mask')];
  if ((rect === undefined) === (mask === undefined))
    yield { path: '/area', message: 'The area needs a “rect” or a “mask”, one of the two.' };
  if (Array.isArray(rect) && rect.some((own) => typeof own === 'number' && own <= 0))
    yield { path: '/area/rect', message: `The area is ${rect.join(' × ')} mm: both must be above 0.` };
  const rows = listAt(mask, 'rows');
  const [w, h] = [figureAt(mask, 'w'), figureAt(mask, 'h')];
  if (w === null || h === null || !Array.isArray(at(mask, 'rows'))) return;
  if (rows.length !== h)
    yield { path: '/area/mask/rows', message: `The mask has ${rows.length} rows, and its height says ${h}.` };
  for (const [i, row] of rows.entries())
    if (!Array.isArray(row) || !row.every((own) => typeof own === 'number') || !isMaskRow(row, w))
      yield {
        path: `/area/mask/rows/${i}`,
        message: `Row ${i} must be pairs of start and length, from the left, within ${w} cells.`,
      };
  if (rows.every((row) => Array.isArray(row) && row.length === 0))
    yield { path: '/area/mask', message: 'Nothing is set in the mask: there would be nothing to print.' };
}
