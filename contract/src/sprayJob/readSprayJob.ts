import type { DepositProblem, PatternProblem, Point, SprayRun } from '@saltflat/core/spray';
import type { TSchema } from 'typebox';
import type { FieldProblem } from '../problems.ts';
import { DryJob, readDry } from './dryJob.ts';
import type { DryReading } from './dryJob.ts';
import { GramsJob, readGrams } from './gramsJob.ts';
import type { GramsReading } from './gramsJob.ts';
import { DepositJob, PlanJob, readDeposit, readPlan } from './gunJobs.ts';
import { MachineJob, readMachine } from './machineJob.ts';
import { Faults, at, withoutNulls } from './parts.ts';
import type { SprayWarning } from './parts.ts';
import { ChartJob, FitJob, readChart, readFit } from './scaleJobs.ts';
import type { ChartReading, FitReading } from './scaleJobs.ts';
import { unknownFields } from './unknownFields.ts';

/** One computation about pretreatment, read from a document. */
export type SprayJob =
  | { kind: 'deposit'; problem: DepositProblem; samples: readonly Point[] }
  | { kind: 'plan'; problem: PatternProblem }
  | { kind: 'machine'; run: SprayRun; samplesX: readonly number[] }
  | ({ kind: 'fit' } & FitReading)
  | ({ kind: 'chart' } & ChartReading)
  | ({ kind: 'dry' } & DryReading)
  | ({ kind: 'grams' } & GramsReading);

/** A job, or all that is wrong with it. */
export type SprayReading =
  | { isFine: true; job: SprayJob; asides: SprayWarning[] }
  | { isFine: false; faults: readonly FieldProblem[] };

const SCHEMAS: Record<SprayJob['kind'], TSchema> = {
  deposit: DepositJob,
  plan: PlanJob,
  machine: MachineJob,
  fit: FitJob,
  chart: ChartJob,
  dry: DryJob,
  grams: GramsJob,
};
const KINDS = Object.keys(SCHEMAS) as SprayJob['kind'][];

/** Reads one job; many at once are for `sprayBatch`. */
export function readSprayJob(document: unknown): SprayReading {
  const data = withoutNulls(document);
  const faults = new Faults();
  if (typeof data !== 'object' || data === null || Array.isArray(data))
    return refusing({ path: '/kind', message: 'A job is a set of fields with its “kind”.' });
  const kind = KINDS.find((known) => known === at(data, 'kind'));
  if (kind === undefined)
    return refusing({
      path: '/kind',
      message: `There is no such kind: it must be one of ${[...KINDS, 'batch'].join(', ')}.`,
    });
  const job = read(kind, data, faults);
  if (job === null) return { isFine: false, faults: faults.fields };
  const asides = [...unknownFields(SCHEMAS[kind], data, ['kind'])].map((path) => ({
    code: 'unknown-field',
    path,
  }));
  return { isFine: true, job, asides };
}

const refusing = (fault: FieldProblem): SprayReading => ({ isFine: false, faults: [fault] });

function read(kind: SprayJob['kind'], data: unknown, faults: Faults): SprayJob | null {
  switch (kind) {
    case 'deposit': {
      const own = readDeposit(data, faults);
      return own && { kind, ...own };
    }
    case 'plan': {
      const problem = readPlan(data, faults);
      return problem && { kind, problem };
    }
    case 'machine': {
      const own = readMachine(data, faults);
      return own && { kind, ...own };
    }
    case 'fit': {
      const own = readFit(data, faults);
      return own && { kind, ...own };
    }
    case 'chart': {
      const own = readChart(data, faults);
      return own && { kind, ...own };
    }
    case 'dry': {
      const own = readDry(data, faults);
      return own && { kind, ...own };
    }
    case 'grams': {
      const own = readGrams(data, faults);
      return own && { kind, ...own };
    }
  }
}

/** Jobs of a batch; `null` where a document is none. */
export function sprayBatch(document: unknown): readonly unknown[] | null | FieldProblem {
  if (at(document, 'kind') !== 'batch') return null;
  const jobs = at(document, 'jobs');
  return Array.isArray(jobs) ? jobs : { path: '/jobs', message: 'A batch needs its list of “jobs”.' };
}
