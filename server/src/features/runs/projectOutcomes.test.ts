import type { Route } from '@saltflat/core/route';
import type { Lane, Operation, Phase, Role } from '@saltflat/core/work';
import type { PieceOutcome, RunState, StepState } from '@saltflat/core/run';
import { expect } from 'chai';
import { projectOutcomes } from './projectOutcomes.ts';

const START = Date.parse('2031-01-03T08:00:00Z');
const at = (seconds: number): string => new Date(START + 1000 * seconds).toISOString();

const closed = { over: 'platen', lowerC: null, kPa: 35, gapMm: 0 } as const;
const STACK = { layers: [], joints: [], pad: null };
const phase = (onceS: number, own: Partial<Phase> = {}): Phase => ({
  label: 'a test',
  onceS,
  eachS: 0,
  people: 0,
  isTimed: true,
  canPause: false,
  maxWaitS: null,
  heat: null,
  ...own,
});
const pressed = (dwellS: number): Phase => phase(dwellS, { heat: { tempC: 0, press: closed, stack: STACK } });

const operation = (
  id: string,
  role: Role,
  stateC: number | null,
  phases: Phase[],
  own: Partial<Operation> = {},
): Operation =>
  ({
    id,
    role,
    lane: 'blank',
    modes: [{ machineKind: null, machine: null, stateC, phases, pools: [] }],
    weighIn: null,
    ...own,
  }) as Operation; // as much of one as an outcome reads
const step = (name: string, piece: number, own: Partial<StepState> = {}): StepState =>
  ({
    line: '1',
    operation: name,
    parts: [`1.blank.${piece}`],
    startedAt: null,
    completedAt: null,
    phase: 0,
    phaseAt: null,
    beforeG: null,
    afterG: null,
    ...own,
  }) as StepState;
const outcome = (piece: number): PieceOutcome => ({
  line: '1',
  piece,
  part: `1.blank.${piece}`,
  operation: 'inspect',
  verdict: 'good',
  faults: [],
  note: null,
  photo: null,
  at: at(900),
  by: 'Ada',
});
const LANES: Lane[] = [{ id: 'blank', part: 'blank', print: null, spares: 0 }];
const projected = (operations: Operation[], steps: StepState[], pieces = [1]) =>
  projectOutcomes(
    { sheets: [], lines: [{ key: '1', pieces: 2, route: { lanes: LANES, operations } as unknown as Route }] },
    {
      parts: {},
      steps,
      outcomes: pieces.map(outcome),
    } as RunState,
  );

describe('what a piece really had', () => {
  const cure = operation('cure', 'cure', 165, [phase(30), pressed(90)]);

  it('is the press that decides: the transfer’s, a cap’s, or the cure', () => {
    const prePress = operation('pre-press', 'pre-press', 140, [pressed(6)]);
    for (const id of ['a', 'b']) {
      const press = operation(id, 'bond', 157, [pressed(15)]);
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
    const tapped = { startedAt: at(0), phase: 1, phaseAt: at(45), completedAt: at(140) };
    expect(
      projected([cure], [step('cure', 1, tapped)])[0]!.actualDwellS,
      'from the tap that closed it',
    ).to.equal(95);
    const bursts = operation('cure', 'cure', 165, [phase(30), pressed(20), pressed(20)]);
    const second = { startedAt: at(0), phase: 2, phaseAt: at(80), completedAt: at(103) };
    expect(projected([bursts], [step('cure', 1, second)])[0]!.actualDwellS).to.equal(43);
  });

  it('is each piece’s own: its press and its weighings, beside what was wanted', () => {
    const pretreat = operation('pretreat', 'spray', null, [], { weighIn: { targetG: 7, toleranceG: 1 } });
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
