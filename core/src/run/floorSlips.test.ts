import { expect } from 'chai';
import { allInWords } from '../words/index.ts';
import { cottonTee, lineOf, polyesterBib, routeOf } from '../fixtures/index.ts';
import type { Route } from '../route/index.ts';
import { compileSteps, deriveRun, floorSlips, machineHeat, nextActions, planOfLine } from './index.ts';
import type { RunEvent } from './index.ts';

const START = Date.parse('2031-02-03T08:00:00Z');
const at = (minutes: number): number => START + 60_000 * minutes;
let made = 0;
const event = (kind: RunEvent['kind'], step: string, minutes: number): RunEvent => ({
  id: `e${++made}`,
  clientId: 'a',
  clientSeq: made,
  kind,
  step,
  at: new Date(at(minutes)).toISOString(),
  by: 'Ines',
  payload: {},
});
const floor = (code: string, route: Route, events: RunEvent[]) => {
  const plan = planOfLine(route, 1);
  const state = deriveRun(plan, events);
  const titleOf = (id: string): string => route.operations.find((own) => own.id === id)!.title;
  return { plan, state, titleOf, run: { code, operations: route.operations, steps: state.steps } };
};
const onCotton = routeOf(lineOf({ garment: cottonTee, pieces: 1 }));
const onPolyester = routeOf(lineOf({ garment: polyesterBib, pieces: 1 }));
const upTo = (route: Route, id: string, minutes: number): RunEvent[] => {
  const steps = compileSteps(planOfLine(route, 1));
  return steps
    .slice(
      0,
      steps.findIndex(({ operation }) => operation.id === id),
    )
    .map((step) => event('step-completed', step.id, minutes));
};

describe('slips at the machine', () => {
  it('says that ink has dried when powder comes after its window, and not before', () => {
    const { plan, state, titleOf } = floor('K-1', onCotton, upTo(onCotton, 'powder', 0));
    const slipsAt = (minutes: number): string[] => {
      const [action] = nextActions(plan, state, at(minutes));
      return allInWords(floorSlips(action, titleOf, [], at(minutes)));
    };
    expect(slipsAt(4)).to.deep.equal([]);
    expect(slipsAt(12)[0]).to.match(/^7\s*min past its window after “Print the film”.*powder will not hold/);
  });

  it('says when a press is at another job’s temperature, until that job is done or long left', () => {
    const mine = floor('K-1', onPolyester, upTo(onPolyester, 'press-transfer', 1));
    const slips = (theirs: ReturnType<typeof floor>, minutes: number): string[] => {
      const action = nextActions(mine.plan, mine.state, at(minutes)).find(
        ({ operation }) => operation.id === 'press-transfer',
      );
      return allInWords(floorSlips(action!, mine.titleOf, [theirs.run], at(minutes)));
    };
    const pressing = floor('K-2', onCotton, [
      ...upTo(onCotton, 'press-transfer', 1),
      event('step-started', 'press-transfer/1.blank.1', 2),
    ]);
    expect(slips(pressing, 3)[0]).to.contain('Press A is at 157').and.contain('for K-2').and.contain('135');
    const same = floor('K-3', onPolyester, [
      ...upTo(onPolyester, 'press-transfer', 1),
      event('step-started', 'press-transfer/1.blank.1', 2),
    ]);
    expect(slips(same, 3)).to.deep.equal([]);
    const finished = floor('K-4', onCotton, upTo(onCotton, 'inspect', 2));
    expect(slips(finished, 3)).to.deep.equal([]);
    const left = floor('K-5', onCotton, upTo(onCotton, 'press-transfer', 1));
    expect(slips(left, 5), 'pre-pressed lately, more to come').to.have.lengthOf(1);
    expect(slips(left, 40), 'left for half an hour').to.deep.equal([]);
    expect([...machineHeat([left.run, mine.run], at(5))]).to.deep.include(['Press A', 157]);
    expect(machineHeat([left.run], at(40)).get('Press A')).to.equal(undefined);
  });
});
