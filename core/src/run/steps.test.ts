import { expect } from 'chai';
import {
  BLANK,
  FILM,
  blank,
  cutApart,
  done,
  film,
  lost,
  open,
  operation,
  planFor,
} from '../fixtures/index.ts';
import { compileSteps, deriveRun, readStepId, stepId } from './index.ts';
import type { RunPlan } from './index.ts';

describe('steps', () => {
  it('are named by what is done to which parts, and the name says it again', () => {
    const parts = [
      { line: '1', lane: 'film', slot: 2, attempt: 1 },
      { line: '1', lane: 'film', slot: 1, attempt: 1 },
      { line: '1', lane: 'film', slot: 4, attempt: 3 },
      { line: '2', lane: 'film', slot: 9, attempt: 1 },
    ];
    const name = stepId('melt', parts);
    expect(name).to.equal('melt/1.film.1-2,4~3+2.film.9');
    expect(readStepId(name)).to.deep.equal({
      operation: 'melt',
      parts: [parts[1], parts[0], parts[2], parts[3]],
    });
    for (const text of [
      '',
      'melt',
      'melt/',
      '/1.film.1',
      'melt/1.film.0',
      'melt/1.film.3-1',
      'melt/1.film.1-999999',
    ])
      expect(readStepId(text), text).to.equal(null);
    expect(readStepId('melt/1.film.1-9', 8), 'more than there are').to.equal(null);
    expect(readStepId('melt/1.film.1-9', 9)?.parts).to.have.length(9);
  });

  it('of a line are its sheets, loads and pieces', () => {
    expect(compileSteps(planFor(3)).map(({ id }) => id)).to.deep.equal([
      ...[film('print', '1-2'), film('print', '3'), film('melt', '1-2'), film('melt', '3')],
      ...['press', 'peel', 'look'].flatMap((id) => [1, 2, 3].map((slot) => blank(id, slot))),
    ]);
  });

  it('of a shared sheet are done once for all lines on it, and each line goes on by itself', () => {
    const lines = ['1', '2'].map((key) => ({ key, lanes: [FILM, BLANK], pieces: 2, operations: cutApart() }));
    const parts = ['1.film.1', '1.film.2', '2.film.1'];
    const shared: RunPlan = { lines, sheets: [{ id: 's', parts }], flow: 'through' };
    const ids = compileSteps(shared).map(({ id }) => id);
    expect(ids.slice(0, 3)).to.deep.equal(['print', 'melt', 'cut'].map((id) => `${id}/1.film.1-2+2.film.1`));
    expect(ids).to.include('print/2.film.2').and.not.include('print/1.film.1-2');
    const made = ids.slice(0, 3).map((id, i) => done(id, i));
    const state = deriveRun(shared, [
      ...made,
      done('press/1.blank.1', 9),
      done('press/2.blank.1', 10),
      done('press/2.blank.2', 11),
    ]);
    expect(state.ignored.map(({ why }) => why)).to.deep.equal(['what is joined here is not ready']);
    const spoiled = deriveRun(shared, [...made, lost('2.film.1', 20)]);
    expect(open(spoiled).filter((id) => id.includes('~'))).to.deep.equal(
      ['print', 'melt', 'cut'].map((id) => `${id}/2.film.1~2`),
    );
  });

  it('of several shared sheets begin with their printer, readied once for all of them', () => {
    const ready = operation('ready', 'film', { role: 'set-up', unit: 'line' });
    const lines = ['1', '2'].map((key) => ({
      key,
      lanes: [FILM, BLANK],
      pieces: 2,
      operations: [ready, ...cutApart()],
    }));
    const sheets = [
      { id: '1', parts: ['1.film.1', '2.film.1'] },
      { id: '2', parts: ['2.film.2', '1.film.2'] },
    ];
    const shared: RunPlan = { lines, sheets, flow: 'through' };
    const ids = compileSteps(shared).map(({ id }) => id);
    expect(ids.slice(0, 3)).to.deep.equal([
      'ready/1.film.1-2+2.film.1-2',
      'print/1.film.1+2.film.1',
      'melt/1.film.1+2.film.1',
    ]);
    expect(ids.filter((id) => id.startsWith('ready/'))).to.have.length(1);
    expect(ids).to.include('print/2.film.2+1.film.2');
    const [first = ''] = ids;
    const state = deriveRun(shared, [done(first, 0), done('print/2.film.2+1.film.2', 1)]);
    expect(state.ignored).to.deep.equal([]);
    // a run that was begun when each sheet had its own goes on as it was
    const former = deriveRun(shared, [
      done('ready/1.film.1+2.film.1', 0),
      done('print/1.film.1+2.film.1', 1),
    ]);
    expect(former.ignored).to.deep.equal([]);
    expect(open(former)).to.include('ready/2.film.2+1.film.2');
  });
});
