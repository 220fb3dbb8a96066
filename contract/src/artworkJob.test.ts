import { analyseArtwork } from '@saltflat/core/artwork';
import { expect } from 'chai';
import {
  ArtworkJob,
  ArtworkReport,
  DomainError,
  PreparationInput,
  WeighingInput,
  artJobOf,
  parse,
} from './index.ts';

const JOB = { format: 2, widthMm: 203.2, garment: '#111111', process: 'dtg-dark' };
/** Paths and sentences of a refusal. */
function refusedFields(schema: Parameters<typeof parse>[0], value: unknown): Record<string, string> {
  try {
    parse(schema, value);
  } catch (error) {
    if (error instanceof DomainError)
      return Object.fromEntries((error.extra.fields ?? []).map(({ path, message }) => [path, message]));
    throw error;
  }
  throw new Error('it was taken');
}

describe('an artwork job as a document', () => {
  it('becomes what the core reads', () => {
    const job = artJobOf(
      parse(ArtworkJob, {
        ...JOB,
        garment: '#ABCDEF',
        steps: [
          { kind: 'knock-out', hex: '#000000', tol: 8, soft: 14, mode: 'global' },
          { kind: 'crop-margin' },
        ],
        settings: { ub: { chokeMm: 0.2, near1: 12 }, laydown: { whiteMlM2: 80 } },
      }),
    );
    expect(job.garment).to.equal('#abcdef');
    expect(job.steps?.map(({ kind }) => kind)).to.deep.equal(['knock-out', 'crop-margin']);
    expect(job.underbase).to.deep.equal({ chokeMm: 0.2, nearGarment: { from: 3, to: 12 } });
    expect(job.laydown).to.deep.equal({ whiteMlM2: 80 });
  });

  it('is refused field by field, with what would be right', () => {
    expect(
      refusedFields(ArtworkJob, { ...JOB, widthMm: 0, garment: 'navy', process: 'screen', extra: 1 }),
    ).to.have.keys(['/widthMm', '/garment', '/process', '/extra']);
    expect(refusedFields(ArtworkJob, { ...JOB, settings: { ub: { density: 2 } } })).to.have.key(
      '/settings/ub/density',
    );
    expect(refusedFields(ArtworkJob, {})).to.include.keys(['/widthMm', '/garment', '/process']);
  });

  it('gives a report that its published schema takes, for every process', () => {
    const data = new Uint8Array(4 * 40 * 30);
    for (let y = 5; y < 25; y++)
      for (let x = 5; x < 35; x++) data.set([200, 30, 60, x < 10 ? 120 : 255], 4 * (y * 40 + x));
    for (const process of ['dtf', 'dtg-dark', 'dtg-light', 'sub']) {
      const job = artJobOf(parse(ArtworkJob, { ...JOB, widthMm: 20, process }));
      const { figures } = analyseArtwork({ width: 40, height: 30, data }, job);
      expect(parse(ArtworkReport, JSON.parse(JSON.stringify(figures)))).to.deep.include({ px: [40, 30] });
    }
    const empty = analyseArtwork(
      { width: 2, height: 2, data: new Uint8Array(16) },
      artJobOf(parse(ArtworkJob, JOB)),
    );
    expect(() => parse(ArtworkReport, JSON.parse(JSON.stringify(empty.figures)))).to.not.throw();
  });
});

describe('what is kept for a line', () => {
  const input = { print: '1', steps: [], white: {}, widthMm: 200, overrides: [], basedOn: null, by: 'Ada' };

  it('takes every kind of step, switched off or not', () => {
    const steps = [
      {
        kind: 'knock-out',
        hex: '#000000',
        tol: 8,
        soft: 14,
        mode: 'flood',
        decontaminate: false,
        isOff: true,
      },
      { kind: 'crop-margin' },
      { kind: 'remove-checkerboard', greys: ['#ffffff', '#cccccc'], cellPx: 12 },
      { kind: 'harden-edges', threshold: 128 },
      { kind: 'screen-soft', cellMm: 1 },
      { kind: 'thicken', thinnerThanMm: 0.3, byMm: 0.2 },
      { kind: 'drop-specks', smallerThanMm2: 0.2 },
      { kind: 'perforate', holeMm: 1.2, pitchMm: 3 },
    ];
    expect(parse(PreparationInput, { ...input, steps }).steps).to.deep.equal(steps);
  });

  it('refuses a width no press has, a nameless person and a negative weight', () => {
    expect(refusedFields(PreparationInput, { ...input, widthMm: 4 })).to.have.key('/widthMm');
    expect(refusedFields(PreparationInput, { ...input, by: '  ' })).to.have.key('/by');
    expect(
      refusedFields(WeighingInput, { print: '1', of: 'ink', beforeG: -1, afterG: 3, by: 'Ada' }),
    ).to.have.key('/beforeG');
    expect(
      refusedFields(WeighingInput, { print: '1', of: 'dust', beforeG: 1, afterG: 3, by: 'Ada' }),
    ).to.have.key('/of');
  });
});
