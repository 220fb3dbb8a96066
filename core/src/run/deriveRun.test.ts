import { expect } from 'chai';
import {
  BLANK,
  blank,
  byHand,
  done,
  event,
  film,
  FILM,
  judged,
  lost,
  onePiece,
  open,
  operation,
  OPERATIONS,
  plan,
  planFor,
  sheet,
  START,
  started,
  timed,
  TWO_SIDED,
  wait,
} from '../fixtures/index.ts';
import { currentIn, deriveRun, judgeWeighIn, madeIn, nextActions, planOfLine } from './index.ts';
import type { RunEvent, RunOperation, RunPlan } from './index.ts';

describe('deriveRun', () => {
  it('lets each piece go on as its transfer comes, and finishes when every piece is judged', () => {
    const early = deriveRun(plan, [
      ...sheet('1-2', 0),
      done(blank('press', 1), 9),
      done(blank('press', 3), 10),
    ]);
    expect(early.ignored.map(({ why }) => why)).to.deep.equal(['what is joined here is not ready']);
    const state = deriveRun(plan, [
      ...sheet('1-2', 0),
      ...onePiece(1, 100, 'good'),
      ...sheet('3-4', 200),
      ...onePiece(4, 300, 'good'),
      ...onePiece(2, 500, 'scrap'),
      ...onePiece(3, 700, 'good'),
    ]);
    expect(state.ignored).to.deep.equal([]);
    expect(state.finishedAt).to.equal(new Date(START + 790_000).toISOString());
    expect(state.outcomes.map(({ piece, verdict }) => `${piece} ${verdict}`)).to.deep.equal([
      ...['1 good', '4 good', '2 scrap', '3 good'],
    ]);
  });

  it('makes exactly what was lost again: a transfer without its blank, a blank without its transfer', () => {
    const film1 = deriveRun(plan, [...sheet('1-2', 0), lost('1.film.1', 50)]);
    expect(open(film1).filter((id) => id.includes('~'))).to.deep.equal([
      film('print', '1~2'),
      film('melt', '1~2'),
    ]);
    expect(open(film1)).to.include(blank('press', 1));
    expect(film1.outcomes).to.deep.equal([]);

    const before = [done(film('melt', '1-2'), 0), done(blank('spray', 1), 5), done(blank('print', 1), 6)];
    const spoiled = deriveRun(TWO_SIDED, [
      ...before,
      done(blank('cure', 1), 7),
      started(blank('press', 1), 8),
      lost('1.blank.1', 9),
    ]);
    expect(open(spoiled).filter((id) => id.includes('~'))).to.deep.equal(
      ['spray', 'print', 'cure', 'press', 'look'].map((id) => blank(id, '1~2')),
    );
    expect(spoiled.outcomes.map(({ piece, verdict, operation: at }) => [piece, verdict, at])).to.deep.equal([
      [1, 'reprint', 'press'],
    ]);
    const again = deriveRun(TWO_SIDED, [
      ...[...before, done(blank('cure', 1), 7), started(blank('press', 1), 8), lost('1.blank.1', 9)],
      ...['spray', 'print', 'cure', 'press'].map((id, i) => done(blank(id, '1~2'), 20 + i)),
      judged(blank('look', '1~2'), 30, 'good'),
    ]);
    expect(again.ignored, 'the transfer that was there is pressed').to.deep.equal([]);
    expect(again.outcomes.at(-1)).to.include({ piece: 3, verdict: 'good' });
  });

  it('makes all of a piece again that is spoiled once it is joined', () => {
    const state = deriveRun(plan, [...sheet('1-2', 0), ...onePiece(1, 100, 'reprint')]);
    expect(open(state).filter((id) => id.includes('~'))).to.deep.equal([
      ...[blank('press', '1~2'), blank('peel', '1~2'), blank('look', '1~2')],
      ...[film('print', '1~2'), film('melt', '1~2')],
    ]);
    const withdrawn = deriveRun(plan, [...sheet('1-2', 0), lost('1.blank.2', 20, false)]);
    expect(open(withdrawn).filter((id) => id.includes('.2'))).to.deep.equal([]);
    expect(withdrawn.settled).to.deep.equal({ 1: 1 });
  });

  it('does not set up again what is set up for all', () => {
    const level = operation('level', 'blank', { role: 'set-up', unit: 'line' });
    const of = planOfLine({ lanes: [BLANK], operations: [level, operation('print', 'blank')] }, 3);
    const state = deriveRun(of, [
      done(blank('level', '1-3'), 0),
      done(blank('print', 1), 5),
      lost('1.blank.2', 9),
    ]);
    expect(open(state)).to.deep.equal([blank('print', 3), blank('print', '2~2')]);
    expect(
      deriveRun(of, [done(blank('level', '1-3'), 0), lost('1.blank.2', 9), done(blank('print', '2~2'), 12)])
        .ignored,
    ).to.deep.equal([]);
    const before = deriveRun(of, [lost('1.blank.2', 1)]);
    expect(open(before), 'not yet done').to.include(blank('level', '1,3')).and.include(blank('level', '2~2'));
  });

  it('puts a blank back where it was when the transfer under its press is lost', () => {
    const state = deriveRun(plan, [...sheet('1-2', 0), started(blank('press', 1), 9), lost('1.film.1', 12)]);
    expect(state.steps.find(({ id }) => id === blank('press', 1))).to.include({
      status: 'idle',
      startedAt: null,
    });
    expect(state.parts['1.blank.1']).to.include({ runningIn: null, isLost: false });
  });

  describe('with spares', () => {
    const spared = planFor(2, 1);
    const printed = [...sheet('1-2', 0), ...sheet('3', 10)];
    const serving = (events: RunEvent[], piece: number): string | undefined =>
      currentIn(deriveRun(spared, events))({ line: '1', piece }, 'film')?.id;

    it('prints them with the others', () => {
      expect(open(deriveRun(spared, [])).filter((id) => id.startsWith('print'))).to.deep.equal([
        film('print', '1-2'),
        film('print', '3'),
      ]);
    });

    it('takes one for a piece that is spoiled once it is joined: only the blank is made again', () => {
      const events = [...printed, done(blank('press', 1), 20), lost('1.blank.1', 90)];
      const state = deriveRun(spared, events);
      expect(serving(events, 1)).to.equal('1.film.3');
      expect(open(state).filter((id) => id.startsWith('print') || id.startsWith('melt'))).to.deep.equal([]);
      expect(open(state)).to.include(blank('press', '1~2'));
      const all = deriveRun(spared, [
        ...events,
        ...onePiece('1~2', 200, 'good'),
        ...onePiece(2, 400, 'good'),
      ]);
      expect(all.ignored).to.deep.equal([]);
      expect(all.finishedAt).to.not.equal(null);
      expect(all.parts['1.film.3'].joinedTo).to.equal('1.blank.1~2');
    });

    it('prints again once there is none left', () => {
      const events = [...printed, lost('1.film.1', 20), lost('1.film.3', 30)];
      expect(serving(events, 1)).to.equal('1.film.1~2');
      expect(open(deriveRun(spared, events))).to.include(film('print', '1~2'));
    });

    it('loses one without anybody waiting for it', () => {
      const state = deriveRun(spared, [...printed, lost('1.film.3', 20, false)]);
      expect(state.ignored).to.deep.equal([]);
      expect(state.settled).to.deep.equal({ 1: 0 });
      expect(open(state).some((id) => id.includes('~'))).to.equal(false);
    });

    it('takes the one that has come furthest', () => {
      const two = planFor(2, 2);
      const events = [
        ...sheet('1-2', 0),
        done(film('print', '3-4'), 10),
        lost('1.film.4', 15, false),
        lost('1.film.1', 20),
      ];
      expect(currentIn(deriveRun(two, events))({ line: '1', piece: 1 }, 'film')?.id).to.equal('1.film.3');
    });

    it('has the transfer of a piece that is not made any more to spare', () => {
      const cut = sheet('1-2', 0);
      const scrapped = lost('1.blank.1', 20, false);
      const state = deriveRun(planFor(2), [...cut, scrapped, lost('1.film.2', 30)]);
      expect(currentIn(state)({ line: '1', piece: 2 }, 'film')?.id).to.equal('1.film.1');
      expect(open(state).filter((id) => id.startsWith('print'))).to.deep.equal([]);
    });

    it('gives it back when the loss is taken back', () => {
      const gone = lost('1.film.1', 20);
      expect(serving([...printed, gone], 1)).to.equal('1.film.3');
      expect(serving([...printed, gone, event('undone', null, 30, { eventId: gone.id })], 1)).to.equal(
        '1.film.1',
      );
    });
  });

  it('gathers what is made again until it is begun', () => {
    const three = [...sheet('1-2', 0), ...sheet('3-4', 5), lost('1.film.1', 20), lost('1.film.3', 21)];
    const printing = film('print', '1~2,3~2');
    expect(open(deriveRun(plan, three))).to.include(printing);
    const late = deriveRun(plan, [...three, started(printing, 30), lost('1.film.4', 40)]);
    expect(late.steps.find(({ id }) => id === printing)?.status).to.equal('running');
    expect(open(late)).to.include(film('print', '4~2')).and.include(film('melt', '1~2,3~2'));
  });

  it('lets wet film go on by itself: what is printed again later is not waited for', () => {
    const printing = film('print', '1~2');
    const wet = deriveRun(plan, [
      ...sheet('1-2', 0),
      ...sheet('3-4', 5),
      lost('1.film.1', 20),
      started(printing, 30),
      lost('1.film.3', 40),
      done(printing, 90),
    ]);
    const next = nextActions(plan, wet, START + 95_000).map(({ step }) => step.id);
    expect(next).to.include.members([film('melt', '1~2'), film('print', '3~2')]);
  });

  it('takes parts as people put them together, and leaves the others where they were', () => {
    const state = deriveRun(plan, [done(film('print', '2-3'), 5)]);
    expect(state.steps.map(({ id, status }) => `${id} ${status}`).slice(0, 5)).to.deep.equal([
      ...['print/1.film.2-3 done', 'print/1.film.1 idle', 'print/1.film.4 idle'],
      ...['melt/1.film.1-2 idle', 'melt/1.film.3-4 idle'],
    ]);
    const twice = deriveRun(plan, [done(film('print', '2-3'), 5), done(film('print', '1-2'), 9)]);
    expect(twice.ignored.map(({ why }) => why)).to.deep.equal(['the step was already done']);
  });

  it('knows of each piece which steps it and its transfer came from, those of a lost one apart', () => {
    const roles: Partial<Record<string, RunOperation['role']>> = {
      print: 'print',
      melt: 'melt',
      press: 'bond',
    };
    const of: RunPlan = planOfLine(
      {
        lanes: [FILM, BLANK],
        operations: OPERATIONS.map((own) => ({ ...own, role: roles[own.id] ?? own.role })),
      },
      2,
    );
    const state = deriveRun(of, [
      ...sheet('1-2', 0),
      ...onePiece(1, 10, 'good'),
      lost('1.film.2', 200),
      ...sheet('2~2', 210),
      ...onePiece(2, 300, 'good'),
    ]);
    const made = madeIn(of, state);
    expect(made('1.blank.1')).to.deep.equal([
      { role: 'print', step: film('print', '1-2') },
      { role: 'melt', step: film('melt', '1-2') },
      { role: 'bond', step: blank('press', 1) },
    ]);
    expect(made('1.blank.2').map(({ step }) => step)).to.deep.equal([
      ...[film('print', '2~2'), film('melt', '2~2'), blank('press', 2)],
    ]);
    expect(made('1.film.2').map(({ step }) => step)).to.deep.equal([
      film('print', '1-2'),
      film('melt', '1-2'),
    ]);
  });

  it('keeps what was looked at before the first print with what is printed, and begins nothing by it', () => {
    const operations = OPERATIONS.map((own) =>
      own.id === 'print' ? { ...own, role: 'print' as const } : own,
    );
    const of = planOfLine({ lanes: [FILM, BLANK], operations }, 2);
    const noted = event('readied', film('print', '1-2'), 5, {
      ready: { missed: ['nozzles'], nozzlesMissing: 2 },
    });
    const idle = deriveRun(of, [noted]);
    expect(idle.steps.filter(({ status }) => status !== 'idle')).to.deep.equal([]);
    expect(idle.readied['1/print']).to.include({ nozzlesMissing: 2, by: 'Ada' });
    const printed = deriveRun(of, [noted, ...sheet('1-2', 10)]);
    expect(madeIn(of, printed)('1.film.1')[0]).to.deep.equal({
      role: 'print',
      step: film('print', '1-2'),
      missed: ['nozzles'],
    });
    const undone = deriveRun(of, [noted, event('undone', null, 6, { eventId: noted.id })]);
    expect(undone.readied).to.deep.equal({});
    expect(deriveRun(of, [event('readied', 'nowhere/1.film.1', 5, noted.payload)]).ignored).to.have.length(1);
  });

  it('knows what was begun after its window had closed, and by how much; what was in time is not told', () => {
    const operations: RunOperation[] = [
      operation('print', 'film', { role: 'print', ...timed(60), waitAfter: wait(0, 300) }),
      operation('powder', 'film', { role: 'powder', ...byHand(15), waitAfter: wait(0, 600) }), // nobody presses to start it
      operation('melt', 'film', { role: 'melt', ...timed(150) }),
      ...OPERATIONS.slice(2),
    ];
    const of = planOfLine({ lanes: [FILM, BLANK], operations }, 2);
    const state = deriveRun(of, [
      done(film('print', '1'), 10),
      done(film('powder', '1'), 10 + 300 + 15), // just in time
      started(film('melt', '1'), 925),
      done(film('melt', '1'), 1075),
      done(film('print', '2'), 1100),
      done(film('powder', '2'), 1100 + 300 + 125 + 15),
      started(film('melt', '2'), 1600),
      done(film('melt', '2'), 1750),
    ]);
    expect(state.ignored).to.deep.equal([]);
    const made = madeIn(of, state);
    expect(made('1.film.1')).to.deep.equal([
      { role: 'print', step: film('print', '1') },
      { role: 'melt', step: film('melt', '1') },
    ]);
    expect(made('1.film.2')).to.deep.equal([
      { role: 'print', step: film('print', '2') },
      { role: 'powder', step: film('powder', '2'), lateS: 125 },
      { role: 'melt', step: film('melt', '2') },
    ]);
  });

  it('says why an event changes nothing', () => {
    const state = deriveRun(plan, [
      done(blank('press', 1), 0),
      ...sheet('1-2', 10),
      done(film('print', '1-2'), 20),
      done('9/film/0', 30),
      done(film('print', '9'), 31),
      done(blank('look', 1), 40),
      event('phase-started', film('print', '3-4'), 41, { phase: 1 }),
      lost('1.film.77', 42),
    ]);
    expect(state.ignored.map(({ why }) => why)).to.deep.equal([
      'what is joined here is not ready',
      'the step was already done',
      'there is no such step',
      'there is no such step',
      'the step before it is not done',
      'it has no such phase',
      'there is no such part',
    ]);
    const pressed = [...sheet('1-2', 0), ...onePiece(1, 10, 'good')];
    const after = deriveRun(plan, [
      ...pressed,
      lost('1.film.1', 200),
      lost('1.blank.1', 201),
      lost('1.film.2', 202, false),
    ]);
    expect(after.ignored.map(({ why }) => why)).to.deep.equal([
      'it is one with its piece by now',
      'the piece is judged already',
      'without it its piece cannot be made: say that the piece is scrap',
    ]);
  });

  it('takes back the last step, and the loss with all that it called for', () => {
    const [print, melt] = sheet('1-2', 0);
    const spoiled = lost('1.film.1', 50);
    const before = deriveRun(plan, [print, melt]);
    const after = deriveRun(plan, [print, melt, spoiled, event('undone', null, 60, { eventId: spoiled.id })]);
    expect(after).to.deep.equal(before);
    expect(deriveRun(plan, [print, melt]).lastEventId).to.equal(melt.id);
  });

  it('counts each burst down by itself', () => {
    const bursts = planOfLine(
      { lanes: [BLANK], operations: [operation('cure', 'blank', timed(30, 20, 10))] },
      1,
    );
    const first = [started(blank('cure', 1), 100)];
    const due = (events: RunEvent[]): unknown[] =>
      nextActions(bursts, deriveRun(bursts, events), START + 101_000).map(({ kind, dueAt }) => [
        kind,
        (dueAt - START) / 1000,
      ]);
    expect(due(first)).to.deep.equal([['phase', 130]]);
    const second = [...first, event('phase-started', blank('cure', 1), 140, { phase: 1 })];
    expect(due(second)).to.deep.equal([['phase', 160]]);
    const third = [...second, event('phase-started', blank('cure', 1), 165, { phase: 2 })];
    expect(due(third)).to.deep.equal([['complete', 175]]);
    const back = deriveRun(bursts, [...third, event('phase-started', blank('cure', 1), 170, { phase: 1 })]);
    expect(back.ignored.map(({ why }) => why)).to.deep.equal(['that phase has begun already']);
  });

  it('keeps both weighings with the step', () => {
    const state = deriveRun(plan, [
      event('reading-taken', film('print', '1-2'), 0, { reading: { what: 'before', massG: 180 } }),
      event('reading-taken', film('print', '1-2'), 5, { reading: { what: 'after', massG: 192.5 } }),
    ]);
    expect(state.steps[0]).to.include({ status: 'running', beforeG: 180, afterG: 192.5 });
    expect(judgeWeighIn({ targetG: 12, toleranceG: 1 }, 180, 192.5)).to.deep.equal({
      addedG: 12.5,
      verdict: 'within',
    });
    expect(judgeWeighIn({ targetG: 12, toleranceG: 1 }, 180, 190)?.verdict).to.equal('too-little');
    expect(judgeWeighIn({ targetG: 12, toleranceG: 1 }, 180, null)).to.equal(null);
  });
});
