import { dotted, readSprayJob, sprayBatch } from '@saltflat/contract';
import type { SprayJob, SprayWarning } from '@saltflat/contract';
import {
  amountOn,
  dryCourse,
  fitSprayer,
  gramsFor,
  planPattern,
  rowProfile,
  sampleAt,
  simulateDeposit,
  sprayRow,
  topUpG,
  weighChart,
  weighedBackGm2,
} from '@saltflat/core/spray';

type JobOf<K extends SprayJob['kind']> = Extract<SprayJob, { kind: K }>;
type Fields = readonly { path: string; message: string }[];

/**
 * Answers a document about pretreatment, or many in a batch.
 *
 * @throws Error in one line with every faulty field by its path
 */
export function answerSpray(document: unknown): object {
  const jobs = sprayBatch(document);
  if (jobs === null) {
    const answer = answerJob(document);
    if (Array.isArray(answer)) throw refusal(answer as Fields);
    return answer;
  }
  if ('path' in jobs) throw refusal([jobs]);
  return {
    kind: 'batch',
    warnings: [],
    results: jobs.map((job) => {
      const answer = answerJob(job);
      if (!Array.isArray(answer)) return answer;
      const fields = (answer as Fields).map(({ path, message }) => ({
        path: dotted(path),
        problem: message,
      }));
      return { error: { fields } };
    }),
  };
}

const refusal = (fields: Fields): Error =>
  new Error(fields.map(({ path, message }) => `${dotted(path)}: ${message}`).join('; '));

function answerJob(document: unknown): object | Fields {
  const reading = readSprayJob(document);
  if (!reading.isFine) return reading.faults;
  const { job, asides } = reading;
  const { warnings = [], ...answer } = answerOf(job) as { warnings?: SprayWarning[] };
  return { kind: job.kind, ...answer, warnings: [...warnings, ...asides] };
}

function answerOf(job: SprayJob): object {
  switch (job.kind) {
    case 'deposit':
      return depositAnswer(job);
    case 'plan':
      return planPattern(job.problem);
    case 'machine':
      return machineAnswer(job);
    case 'fit':
      return fitAnswer(job);
    case 'chart':
      return chartAnswer(job);
    case 'dry':
      return dryAnswer(job);
    case 'grams':
      return gramsAnswer(job);
  }
}

function depositAnswer({ problem, samples }: JobOf<'deposit'>): object {
  const { ground, gm2, ...figures } = simulateDeposit(problem);
  return {
    ...figures,
    samples: samples.map((point) => sampleAt(gm2, ground.grid, point)),
    warnings: ground.isTargetCovered ? [{ code: 'target-covered', path: 'target' }] : [],
  };
}

function machineAnswer({ run, samplesX }: JobOf<'machine'>): object {
  const { acrossMm: _across, gm2: _gm2, healthyGm2: _healthy, ...figures } = sprayRow(run);
  return { ...figures, samples: samplesX.map(rowProfile(run)) };
}

function fitAnswer({ range, weighings, places, ignored, warnings, ...asked }: JobOf<'fit'>): object {
  const fit = fitSprayer(range, weighings);
  const { n, noisePct, dataRange, outliers } = fit;
  return {
    n,
    ignored,
    noisePct,
    dataRange,
    outliers: outliers.map(({ index, probability }) => ({ index: places[index], probability })),
    gm2At: asked.gm2At.map(({ setting, passes }) => fit.gm2At(setting, passes)),
    settingFor: asked.settingFor.map(({ gm2, passes }) => fit.settingFor(gm2, passes)),
    ...(asked.next === null ? {} : { next: fit.next(asked.next, asked.settings) }),
    warnings,
  };
}

function chartAnswer({ setting, garments, values, lossGM2S }: JobOf<'chart'>): object {
  const amounts = garments?.map((garment) => ({ garment, ...amountOn(garment, lossGM2S) })) ?? null;
  const { limits, firstSignal, points } = weighChart(values ?? amounts?.map(({ pct }) => pct) ?? [], setting);
  return {
    centrePct: limits?.centrePct ?? null,
    sigmaPct: limits?.sigmaPct ?? null,
    limitsPct: limits && [limits.lowPct, limits.highPct],
    rangeLimitPct: limits?.rangePct ?? null,
    firstSignal: firstSignal ?? -1,
    points: points.map((point, i) => {
      const amount = amounts?.[i];
      return {
        ...point,
        gm2: amount?.gm2 ?? null,
        evapG: amount?.evapG ?? null,
        topUpG: amount ? topUpG(point.pct, amount.garment, setting.tolerancePct) : null,
      };
    }),
  };
}

function dryAnswer({ problem, weighBack }: JobOf<'dry'>): object {
  const { touchDryS, readyS, isCool, ...course } = dryCourse(problem);
  return {
    ...course,
    touchDryS: touchDryS.usual,
    touchDryEarlyS: touchDryS.early,
    touchDryLateS: touchDryS.late,
    readyS: readyS.usual,
    readyEarlyS: readyS.early,
    readyLateS: readyS.late,
    cool: isCool,
    weighBackGm2: weighBack && weighedBackGm2(problem, weighBack),
  };
}

function gramsAnswer({ area, problem, rangeGm2, stockMl, pricePerMl, warnings }: JobOf<'grams'>): object {
  const grams = gramsFor(problem);
  return {
    needMm2: area.needMm2,
    sprayMm2: problem.sprayMm2,
    rectMm: area.rectMm,
    targetGm2: problem.targetGm2,
    rangeGm2,
    ...grams,
    enough: stockMl === null ? null : stockMl >= grams.lineMl,
    missingMl: stockMl === null ? null : Math.max(0, grams.lineMl - stockMl),
    cost: pricePerMl === null ? null : pricePerMl * grams.lineMl,
    warnings,
  };
}
