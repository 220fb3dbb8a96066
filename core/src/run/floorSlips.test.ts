import { expect } from 'chai';
import { cottonTee, lineOf, polyesterBib, routeOf } from '../fixtures/index.ts';
import type { Route } from '../route/index.ts';
import { deriveRun, floorSlips, nextActions, stepId } from './index.ts';
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
  const plan = { operations: route.operations, pieces: 1 };
  const state = deriveRun(plan, events);
  return { plan, state, run: { code, operations: route.operations, steps: state.steps } };
};
const onCotton = routeOf(lineOf({ garment: cottonTee, pieces: 1 }));
const onPolyester = routeOf(lineOf({ garment: polyesterBib, pieces: 1 }));
const upTo = (route: Route, id: string, minutes: number): RunEvent[] => {
  const end = route.operations.findIndex((operation) => operation.id === id);
  return route.operations
    .slice(0, end)
    .map(({ id: own, per }) => event('step-completed', stepId(1, own, per === 'batch' ? 0 : 1), minutes));
};

describe('slips at the machine', () => {
  it('says that ink has dried when powder comes after its window, and not before', () => {
    const { plan, state, run } = floor('K-1', onCotton, [event('step-completed', '1/print-film/0', 0)]);
    const slipsAt = (minutes: number): string[] => {
      const [action] = nextActions(plan, state, at(minutes));
      return floorSlips(run, action, [], at(minutes));
    };
    expect(slipsAt(4)).to.deep.equal([]);
    expect(slipsAt(12)[0]).to.match(/^7\s*min past its window.*powder will not hold/);
  });

  it('says when a press is at another job’s temperature, until that job is done or long left', () => {
    const mine = floor('K-1', onPolyester, upTo(onPolyester, 'press-transfer', 1));
    const slips = (theirs: ReturnType<typeof floor>, minutes: number): string[] => {
      const action = nextActions(mine.plan, mine.state, at(minutes)).find(
        ({ operation }) => operation.id === 'press-transfer',
      );
      return floorSlips(mine.run, action!, [theirs.run], at(minutes));
    };
    const pressing = floor('K-2', onCotton, [
      ...upTo(onCotton, 'press-transfer', 1),
      event('step-started', '1/press-transfer/1', 2),
    ]);
    expect(slips(pressing, 3)[0]).to.contain('Press A is at 157').and.contain('for K-2').and.contain('135');
    const same = floor('K-3', onPolyester, [
      ...upTo(onPolyester, 'press-transfer', 1),
      event('step-started', '1/press-transfer/1', 2),
    ]);
    expect(slips(same, 3)).to.deep.equal([]);
    const finished = floor('K-4', onCotton, upTo(onCotton, 'inspect', 2));
    expect(slips(finished, 3)).to.deep.equal([]);
    const left = floor('K-5', onCotton, upTo(onCotton, 'press-transfer', 1));
    expect(slips(left, 5), 'pre-pressed lately, more to come').to.have.lengthOf(1);
    expect(slips(left, 40), 'left for half an hour').to.deep.equal([]);
  });
});
