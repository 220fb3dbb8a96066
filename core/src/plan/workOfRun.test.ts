import { expect } from 'chai';
import { eachRoute, likelyEvents, lineOf, routeOf } from '../fixtures/index.ts';
import type { Route } from '../route/index.ts';
import { deriveRun, planOfLine } from '../run/index.ts';
import type { RunPlan, RunState } from '../run/index.ts';
import { aloneS, handsS, partsIn, seededRandom } from '../work/index.ts';
import { judge } from './fixtures/judge.ts';
import { Planning, workOfRun } from './index.ts';
import type { MachineState, PlanInstance, PlanWork, PlannedOp } from './index.ts';

const DAY = 1440;
const isWarmUp = ({ role, modes: [mode] }: Route['operations'][number]): boolean =>
  role === 'set-up' && mode.stateC !== null && mode.phases.every(({ people }) => people === 0);
const operationOf = (plan: RunPlan, line: string, id: string): Route['operations'][number] =>
  plan.lines
    .find(({ key }) => key === line)!
    .operations.find((own) => own.id === id) as Route['operations'][number];
const workOf = (plan: RunPlan, state: RunState | null = null): PlanWork =>
  workOfRun({
    key: 'run',
    plan,
    state,
    orderOf: ({ key }) => key,
    machinesFor: ({ machine, machineKind, stateC }) => [
      { machine: machine?.name ?? machineKind ?? '', state: stateC ?? 'on' },
    ],
    labelOf: (_, { role }) => role,
  });

/** A shop of so many people that has just the machines the work asks for, with breaks in which nobody is there. */
function shopFor({ ops, lags }: PlanWork, people = 200): PlanInstance {
  const states = new Map<string, MachineState>();
  for (const { machine, state } of ops.flatMap(({ modes }) => modes))
    if (machine !== null) states.set(machine, state!);
  const days = Array.from({ length: 20 }, (_, day) => day * DAY);
  return {
    name: 'a shop for one run',
    horizon: 20 * DAY,
    // three quarters of an hour at work, then a break of twenty minutes in which nobody is there
    people: days.flatMap((day) =>
      Array.from({ length: 9 }, (_, k): [number, number, number] => [
        day + 65 * k,
        day + 65 * k + 45,
        people,
      ]),
    ),
    machines: [...states].map(([id, state]) => ({
      id,
      kind: id,
      windows: days.map((day) => [day, day + 600, typeof state === 'number' ? 20 : 'on']),
      setup: typeof state === 'number' ? { kind: 'temp', heat: 12, cool: 4 } : null,
      changeFixed: 5,
    })),
    pools: [...new Set(ops.flatMap(({ modes }) => modes.flatMap(({ pools }) => Object.keys(pools))))].map(
      (id) => ({
        id,
        cap: 500,
      }),
    ),
    orders: [...new Set(ops.flatMap(({ orders }) => orders))].map((id) => ({
      ...{ id, name: id, due: 600, weight: 1, release: 0, tail: 0 },
    })),
    ops,
    lags,
    now: 0,
    fixed: [],
    locked: [],
    planned: [],
  };
}

describe('a run as work to be planned', () => {
  it('takes the minutes of hands and machines that its route takes, whole minutes and shares of five aside', () => {
    eachRoute((route, { pieces }) => {
      const plan = planOfLine(route, pieces);
      const { ops, stepsOf } = workOf(plan);
      const operationsOf = (op: string): Set<string> =>
        new Set(stepsOf.get(op)!.map((step) => step.slice(0, step.indexOf('/'))));
      let [hands, machine, wantedHands, wantedMachine] = [0, 0, 0, 0];
      let [roundingMin, phases] = [0, 0];
      for (const { id, modes } of ops) {
        const own = route.operations.filter((operation) => operationsOf(id).has(operation.id));
        expect(own.length, id).to.be.at.least(1);
        for (const { d, ops: people, brk } of modes[0].phases) {
          hands += (d * people) / 100;
          machine += d;
          phases++;
          if (brk) roundingMin += 0.05 * d;
        }
      }
      for (const operation of route.operations) {
        if (isWarmUp(operation)) continue;
        const parts = partsIn(route.lanes, operation.lane, pieces);
        wantedHands += handsS(operation, parts) / 60;
        wantedMachine += (handsS(operation, parts) + aloneS(operation, parts)) / 60;
      }
      expect(hands).to.be.at.least(wantedHands - 1e-6);
      expect(hands).to.be.at.most(wantedHands + phases + roundingMin);
      expect(machine).to.be.at.least(wantedMachine - 1e-6);
    }, 200);
  });

  it('does every step of the floor once, and can be planned without breaking any wait of any piece', () => {
    eachRoute((route, { pieces }) => {
      const plan = planOfLine(route, pieces);
      const work = workOf(plan);
      const steps = [...work.stepsOf.values()].flat();
      expect(new Set(steps).size).to.equal(steps.length);
      const instance = shopFor(work);
      const { best, faults } = new Planning({ instance, seed: 1 }).answer;
      expect(best.leftOut).to.deep.equal([]);
      expect(faults).to.deep.equal([]);
      expect(judge(instance, best.ops).broken).to.deep.equal([]);
      expectWaitsKept(route, work, instance, best.ops);
    }, 80);
  });

  it('has of a run on the floor every step that is not done, once, whatever happened there, and a plan that holds', () => {
    const random = seededRandom(3);
    let [under, again] = [0, 0];
    eachRoute((route, { pieces }) => {
      const plan = planOfLine(route, Math.min(pieces, 6));
      const state = deriveRun(plan, likelyEvents(plan, random, 40));
      const work = workOf(plan, state);
      const listed = [...work.stepsOf.values()].flat();
      const open = state.steps.filter(
        ({ status, parts }) => parts.length > 0 && (status === 'idle' || status === 'running'),
      );
      expect(listed).to.include.members(
        open.filter(({ line, operation: id }) => !isWarmUp(operationOf(plan, line, id))).map(({ id }) => id),
      );
      expect(new Set(listed).size).to.equal(listed.length);
      const stepOf = new Map(state.steps.map((step) => [step.id, step]));
      for (const { id, modes } of work.ops) {
        const { operation: of, parts } = work.aboutOf.get(id)!;
        const left = work.stepsOf
          .get(id)!
          .map((step) => stepOf.get(step)!)
          .filter(({ status }) => status !== 'done');
        expect(parts === 0, id).to.equal(left.length === 0);
        if (parts === 0)
          expect(
            modes.every(({ phases }) => phases.every(({ d }) => d === 0)),
            of.id,
          ).to.equal(true);
        const isBegun = work.stepsOf.get(id)!.some((step) => stepOf.get(step)!.startedAt !== null);
        expect(work.begun.has(id)).to.equal(isBegun);
        if (isBegun && parts > 0) under++;
        if (work.stepsOf.get(id)!.some((step) => step.includes('~'))) again++;
      }
      const instance = shopFor(work);
      const { best, faults } = new Planning({ instance, seed: 1 }).answer;
      expect(best.leftOut).to.deep.equal([]);
      expect(faults).to.deep.equal([]);
      expect(judge(instance, best.ops).broken).to.deep.equal([]);
    }, 60);
    expect(
      [under, again].every((count) => count > 5),
      `${under} under way, ${again} made again`,
    ).to.equal(true);
  });

  it('rounds a wait to the safe side: shortest up, longest down, never longest before shortest', () => {
    const route = routeOf(lineOf());
    const [first, second] = route.operations;
    const lag = (minS: number, maxS: number | null): (number | null)[] => {
      const waitAfter = { minS, maxS, why: first.look };
      const operations = [{ ...first, waitAfter }, ...route.operations.slice(1)];
      const { lags, ops } = workOf(planOfLine({ ...route, operations }, 10));
      const print = ops.find(({ id }) => id.startsWith(`run/${second.id}/`))!;
      const { min, max } = lags.find(({ to }) => to === print.id)!;
      return [min, max];
    };
    expect(lag(0, 119)).to.deep.equal([0, 1]);
    expect(lag(61, 300)).to.deep.equal([2, 5]);
    expect(lag(50, 55)).to.deep.equal([1, 1]);
    expect(lag(45, null)).to.deep.equal([1, null]);
  });

  it('makes what two lines share on one sheet once, for both, and lets each go on from there', () => {
    const { lanes, operations } = routeOf(lineOf({ process: 'dtf', pieces: 1 }));
    const lines = ['1', '2'].map((key) => ({ key, lanes, operations, pieces: 1 }));
    const parts = ['1.transfer-1.1', '2.transfer-1.1'];
    const { ops, lags } = workOf({ lines, sheets: [{ id: 'sheet', parts }], flow: 'through' });
    const film = ops.filter(({ label }) => ['print', 'powder', 'melt', 'cut'].includes(label));
    expect(film.map(({ label, orders }) => [label, orders])).to.deep.equal(
      ['print', 'powder', 'melt', 'cut'].map((label) => [label, ['1', '2']]),
    );
    const cut = film.at(-1)!.id;
    const after = lags.filter(({ from }) => from === cut).map(({ to }) => ops.find(({ id }) => id === to)!);
    const bonds = after.filter(({ label }) => label === 'bond');
    expect(bonds.map(({ orders }) => orders)).to.deep.equal([['1'], ['2']]);
    // wet ink takes powder for three minutes on this printer, whoever the print is for
    const [print, powder] = film;
    expect(lags.filter(({ from }) => from === print.id)).to.deep.equal([
      { from: print.id, to: powder.id, min: 0, max: lags.find(({ to }) => to === powder.id)!.max },
    ]);
  });
});

/**
 * Walks every piece through its batches, one after the other at the pace of each: none may begin before it is there, and
 * none stand too long. What only warms a machine is no work.
 */
function expectWaitsKept(
  route: Route,
  { stepsOf, ops }: PlanWork,
  instance: PlanInstance,
  planned: readonly PlannedOp[],
): void {
  const byId = new Map(planned.map((own) => [own.id, own]));
  for (const operation of route.operations) {
    const maxS = operation.waitAfter?.maxS ?? null;
    const chain = route.operations.filter((own) => own.lane === operation.lane && !isWarmUp(own));
    const next = chain[chain.indexOf(operation) + 1];
    if (isWarmUp(operation) || next === undefined) continue;
    const partsAt = ({ id }: PlanWork['ops'][number], step: string): string[] =>
      stepsOf.get(id)!.flatMap((own) => (own.startsWith(`${step}/`) ? [own.slice(step.length + 1)] : []));
    const all = ops.flatMap((first) =>
      ops.flatMap((then) =>
        // in one operation the piece does not stand in between
        first === then
          ? []
          : partsAt(first, operation.id)
              .filter((part) => partsAt(then, next.id).includes(part))
              .map((part) => ({ first, then, part })),
      ),
    );
    for (const { first, then, part } of all) {
      const done = workedAt(instance, byId.get(first.id)!, partsAt(first, operation.id), part).to;
      const begun = workedAt(instance, byId.get(then.id)!, partsAt(then, next.id), part).from;
      expect(begun, `${operation.id} to ${next.id}`).to.be.at.least(done - 1e-6);
      // a plan tells whole minutes
      if (maxS !== null)
        expect(60 * (begun - done), `${operation.id} to ${next.id}`).to.be.at.most(Math.max(maxS, 60) + 60);
    }
  }
}

/** When a piece of a batch is worked at, min: one after the other over the minutes of the batch; a sheet or a load all the while. */
function workedAt(
  { ops, people }: PlanInstance,
  { id, mode, start }: PlannedOp,
  parts: readonly string[],
  part: string,
): { from: number; to: number } {
  const { phases, pools } = ops.find((own) => own.id === id)!.modes[mode];
  const [{ d, brk }] = phases;
  const isOpen = (minute: number): boolean => people.some(([a, b]) => a <= minute && minute < b);
  const minutes: number[] = [];
  for (let t = start[0]; minutes.length < d; t++) if (!brk || isOpen(t)) minutes.push(t);
  if (parts.length === 1) {
    const last = phases.length - 1;
    const isRacked = Object.keys(pools).length > 0;
    return { from: start[0], to: last === 0 || isRacked ? minutes[d - 1] + 1 : start[last] + phases[last].d };
  }
  const at = (share: number): number => {
    const whole = Math.min(d - 1, Math.floor(share * d));
    return minutes[whole] + (share * d - whole);
  };
  const k = parts.indexOf(part);
  return { from: at(k / parts.length), to: at((k + 1) / parts.length) };
}
