import type { Operation, Route } from '@saltflat/core/route';
import type { PieceOutcome, RunState, StepState } from '@saltflat/core/run';
import { expect } from 'chai';
import { projectOutcomes } from './projectOutcomes.ts';

const START = Date.parse('2031-01-03T08:00:00Z');
const at = (seconds: number): string => new Date(START + 1000 * seconds).toISOString();

const operation = (id: string, settings: Record<string, number>, own: Partial<Operation> = {}): Operation =>
  ({
    id,
    settings: Object.entries(settings).map(([key, value]) => ({ key, value })),
    weighIn: null,
    ...own,
  }) as Operation; // as much of one as an outcome reads
const step = (name: string, piece: number, own: Partial<StepState> = {}): StepState =>
  ({
    operation: name,
    piece,
    startedAt: null,
    completedAt: null,
    beforeG: null,
    afterG: null,
    ...own,
  }) as StepState;
const outcome = (piece: number): PieceOutcome => ({
  piece,
  verdict: 'good',
  faults: [],
  note: null,
  photo: null,
  at: at(900),
  by: 'Ada',
});
const projected = (operations: Operation[], steps: StepState[], pieces = [1]) =>
  projectOutcomes({ operations } as Route, { steps, outcomes: pieces.map(outcome) } as RunState);

describe('what a piece really had', () => {
  const cure = operation('cure', { tempC: 165, hoverS: 30, dwellS: 90 });

  it('is the press that decides: the transfer’s, a cap’s, or the cure', () => {
    const prePress = operation('pre-press', { tempC: 140, dwellS: 6 });
    for (const id of ['press-transfer', 'press-cap']) {
      const press = operation(id, { tempC: 157, dwellS: 15 });
      const [row] = projected(
        [prePress, press],
        [
          step('pre-press', 1, { startedAt: at(0), completedAt: at(6) }),
          step(id, 1, { startedAt: at(20), completedAt: at(36) }),
        ],
      );
      expect(row, id).to.include({ plateC: 157, dwellS: 15, actualDwellS: 16 });
    }
    expect(projected([prePress, cure], [])[0]).to.include({ plateC: 165, dwellS: 90, actualDwellS: null });
  });

  it('counts a dwell from when the plate closed, and none where it was over before it could have', () => {
    const kept = (seconds: number): number | null =>
      projected([cure], [step('cure', 1, { startedAt: at(0), completedAt: at(seconds) })])[0]!.actualDwellS;
    expect(kept(122)).to.equal(92);
    expect(kept(30)).to.equal(0);
    expect(kept(2)).to.equal(null);
    expect(projected([cure], [step('cure', 1, { startedAt: at(0) })])[0]!.actualDwellS).to.equal(null);
  });

  it('is each piece’s own: its press and its weighings, beside what was wanted', () => {
    const pretreat = operation('pretreat', { gM2: 130 }, { weighIn: { targetG: 7, toleranceG: 1 } });
    const rows = projected(
      [pretreat, cure],
      [
        step('pretreat', 1, { beforeG: 180, afterG: 187.5 }),
        step('pretreat', 2, { beforeG: 181 }),
        step('cure', 1, { startedAt: at(0), completedAt: at(120) }),
        step('cure', 2, { startedAt: at(200), completedAt: at(325) }),
      ],
      [1, 2],
    );
    expect(
      rows.map(({ pretreatmentG, pretreatmentTargetG, actualDwellS }) => [
        pretreatmentG,
        pretreatmentTargetG,
        actualDwellS,
      ]),
    ).to.deep.equal([
      [7.5, 7, 90],
      [null, 7, 95],
    ]);
    expect(projected([cure], [])[0]).to.include({ pretreatmentG: null, pretreatmentTargetG: null });
  });
});
