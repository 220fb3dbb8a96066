import { expect } from 'chai';
import { inWords, say } from '../words/index.ts';
import {
  at,
  cottonTee,
  eachRoute,
  housed,
  lineOf,
  lineWith,
  operationOf,
  plannedOrNull,
  polyesterBib,
  routeOf,
  small,
  valueOf,
} from '../fixtures/index.ts';
import { priceRoute } from '../cost/index.ts';
import { needsOf } from '../work/index.ts';
import { planRoute, refusalText } from './index.ts';
import type { PrintInput, Process, Route } from './index.ts';

const white = { ...cottonTee, tone: 'light' as const, colourName: 'White', colourHex: '#ffffff' };
const ids = ({ operations }: Route): string[] => operations.map(({ id }) => id);
const onBlank = ({ operations }: Route): string[] =>
  operations.filter(({ lane }) => lane === 'blank').map(({ id }) => id);
const order = ({ prints }: Route): string[] => prints.map(({ id }) => id);
const refusals = (...prints: Partial<PrintInput>[]): string => {
  const planned = planRoute(lineWith(prints));
  return planned.ok ? '' : refusalText(planned.refusals);
};
const chest = (process: Process): Partial<PrintInput> => ({ process, ...small('left-chest') });
const back = (process: Process): Partial<PrintInput> => ({ process, ...at('back') });
const sleeve = (process: Process): Partial<PrintInput> => ({ process, ...small('left-sleeve') });

describe('a garment with several prints', () => {
  const twoSided = routeOf(lineWith([chest('dtg'), back('dtf')]));

  it('is handled once: one pre-press, one inspection, and each print by its own process', () => {
    expect(onBlank(twoSided)).to.deep.equal([
      'pre-press',
      'pretreat',
      'dry-pretreatment',
      'print',
      'cure',
      'press-transfer-2',
      'peel-2',
      'second-press-2',
      'inspect',
    ]);
    expect(twoSided.lanes.map(({ id }) => id)).to.deep.equal(['transfer-2', 'blank']);
    expect(operationOf(twoSided, 'press-transfer-2')).to.include({
      title: 'Press the transfer, back',
      print: '2',
    });
    expect(operationOf(twoSided, 'inspect').print).to.equal(null);
    expect(
      operationOf(twoSided, 'inspect')
        .checks.map((own) => inWords(own))
        .join(' '),
    )
      .to.contain('no ink through')
      .and.contain('no cracks');
  });

  it('is printed directly before film goes on, however it is written', () => {
    const other = routeOf(lineWith([back('dtf'), chest('dtg')]));
    expect(order(twoSided)).to.deep.equal(['1', '2']);
    expect(order(other)).to.deep.equal(['2', '1']);
    expect(onBlank(other)).to.deep.equal([
      'pre-press',
      'pretreat-2',
      'dry-pretreatment-2',
      'print-2',
      'cure-2',
      'press-transfer',
      'peel',
      'second-press',
      'inspect',
    ]);
  });

  it('says which print is heated again, by what, how hot and how long', () => {
    const [first, second] = twoSided.prints;
    expect(second.heatedAgain).to.deep.equal([]);
    expect(first.heatedAgain).to.deep.equal(
      ['press-transfer-2', 'second-press-2'].map((operation) => ({
        operation,
        reach: 'through',
        tempC: valueOf(twoSided, operation, 'tempC'),
        durationS: valueOf(twoSided, operation, 'dwellS'),
      })),
    );
    expect(operationOf(twoSided, 'press-transfer-2').checks).to.deep.include(
      say('check.face-down', { place: 'left-chest' }),
    );
    expect(
      operationOf(twoSided, 'cure')
        .checks.map((own) => inWords(own))
        .join(' '),
    ).to.not.contain('face down');
  });

  it('is heated under the plate by what is on the same side, and not at all by a sleeve', () => {
    const route = routeOf(
      lineWith([chest('dtf'), sleeve('dtf'), { process: 'dtf', ...small('right-chest') }]),
    );
    const heats = (id: string): [string, string][] =>
      (route.prints.find((own) => own.id === id)?.heatedAgain ?? []).map(({ operation, reach }) => [
        operation,
        reach,
      ]);
    expect(order(route), 'nothing speaks for another order').to.deep.equal(['1', '2', '3']);
    expect(heats('1')).to.deep.equal([
      ['press-transfer-3', 'under-plate'],
      ['second-press-3', 'under-plate'],
    ]);
    expect(heats('2')).to.deep.equal([]);
    expect(onBlank(route).filter((id) => id.startsWith('pre-press'))).to.deep.equal([
      'pre-press',
      'pre-press-2',
    ]);
    expect(operationOf(route, 'press-transfer-3').checks).to.deep.include(
      say('check.under-plate-too', { place: 'left-chest' }),
    );
  });

  it('puts the longest heat first, so that what is on already gets the least', () => {
    // 120 s of cure on the back against 20 s of film on the chest: film would get half of the one, ink half of the other
    const written = routeOf(lineWith([chest('dtf'), back('dtg')]));
    expect(order(written)).to.deep.equal(['2', '1']);
    // supplier’s transfers are pressed 12 s and 5 s, film 15 s and 10 s: film first
    const bought = routeOf(lineWith([{ ...chest('bought-in'), pieces: 12 }, back('dtf')]));
    expect(order(bought)).to.deep.equal(['2', '1']);
  });

  it('sprays and dries both sides before the first is printed', () => {
    const route = routeOf(lineWith([chest('dtg'), back('dtg')]));
    expect(onBlank(route)).to.deep.equal([
      'pre-press',
      'pretreat',
      'dry-pretreatment',
      'pretreat-2',
      'dry-pretreatment-2',
      'print',
      'cure',
      'print-2',
      'cure-2',
      'inspect',
    ]);
    expect(
      route.prints.map(({ heatedAgain }) => heatedAgain.map(({ operation }) => operation)),
    ).to.deep.equal([['cure-2'], []]);
  });

  it('lays a thin shirt anew for each side, and its other side is not under the plate then', () => {
    const route = routeOf(lineWith([{ ...chest('dtg'), garment: polyesterBib }, back('dtg')]));
    const steps = onBlank(route);
    expect(steps.indexOf('split-load-2')).to.be.above(steps.indexOf('cure'));
    expect(steps.indexOf('pretreat-2')).to.be.above(steps.indexOf('split-load-2'));
    expect(route.prints[0].heatedAgain).to.deep.equal([]);
    expect(route.slips.map(({ said }) => inWords(said)).join(' ')).to.match(
      /under a plate 2 times for its 2 prints/,
    );
  });

  it('waits for no film before a direct print, and for all of it where film comes first', () => {
    expect(operationOf(twoSided, 'pre-press').awaits).to.deep.equal([]);
    const films = routeOf(lineWith([chest('dtf'), back('dtf')]));
    expect(operationOf(films, 'pre-press').awaits).to.deep.equal(['transfer-1', 'transfer-2']);
  });

  it('keeps sublimation ink for last, and refuses two of it where one reaches the other', () => {
    const garment = white;
    const route = routeOf(
      lineWith([
        { ...chest('sub-film'), garment },
        { ...back('dtf'), garment },
      ]),
    );
    expect(order(route)).to.deep.equal(['2', '1']);
    const two = [
      { ...chest('sub-film'), garment },
      { process: 'sub-film' as const, ...small('back') },
    ];
    expect(refusals(...two)).to.match(
      /^Left chest .* heated again for back: sublimation ink turns to vapour/,
    );
    const apart = [{ ...chest('sub-film'), garment }, sleeve('sub-film')];
    expect(refusals(...apart)).to.equal('');
  });

  it('refuses two prints at one place, film for the shelf beside another, and names the print that cannot be', () => {
    expect(refusals(chest('dtf'), chest('dtg'))).to.contain('Left chest is there twice');
    expect(refusals({ ...chest('dtf'), house: housed({ filmUse: 'stock' }) }, back('dtf'))).to.contain(
      'order each of them as a line of its own',
    );
    expect(refusals(chest('dtf'), back('patch-cap'))).to.match(/^Back: .* is no cap/);
    const twice = lineOf().prints[0];
    expect(() => planRoute({ ...lineOf(), prints: [twice, twice] })).to.throw(RangeError);
    expect(() => planRoute({ ...lineOf(), prints: [] })).to.throw(RangeError);
  });

  it('says where prints lie on each other', () => {
    const problems = (...prints: Partial<PrintInput>[]): string =>
      routeOf(lineWith(prints))
        .prints.flatMap(({ placement }) => placement.problems.map(({ said }) => inWords(said)))
        .join(' ');
    const front = { process: 'dtf' as const, ...at('full-front') };
    const low = small('left-chest');
    const onIt = { process: 'dtf' as const, ...low, placement: { ...low.placement, dropMm: 95 } };
    expect(problems(front, onIt)).to.contain('S, M, L: full front and left chest lie on each other');
    expect(problems(back('dtf'), front)).to.equal('');
    expect(problems(front, { ...onIt, ...small('left-sleeve') })).to.equal('');
  });

  it('takes a person’s value for one print alone', () => {
    const line = lineWith([chest('dtf'), back('dtf')]);
    const own = { operation: 'press-transfer-2', setting: 'dwellS', value: 20, who: 'Ines', why: 'tried' };
    const route = routeOf({ ...line, overrides: [own] });
    expect(valueOf(route, 'press-transfer-2', 'dwellS')).to.equal(20);
    expect(valueOf(route, 'press-transfer', 'dwellS')).to.equal(
      valueOf(routeOf(line), 'press-transfer', 'dwellS'),
    );
  });

  it('has every operation once, after all it needs, on any line', () => {
    let several = 0;
    eachRoute((route, input) => {
      if (input.prints.length > 1) several++;
      expect(new Set(ids(route)).size).to.equal(route.operations.length);
      expect(order(route)).to.have.members(input.prints.map(({ id }) => id));
      for (const [i, operation] of route.operations.entries())
        for (const { from } of needsOf(route.operations, operation))
          expect(ids(route).indexOf(from), `${from} before ${operation.id}`).to.be.within(0, i - 1);
      for (const { id, process } of route.prints)
        if (process !== 'dtg')
          expect(
            route.operations.filter(({ takes }) => takes.includes(`transfer-${id}`)).length,
            `transfer ${id} is put on once`,
          ).to.equal(route.usesBlanks ? 1 : 0);
    }, 600); // some forty of them have several prints
    expect(several).to.be.above(10);
  });

  it('costs less hands than its prints one by one, and more than either', () => {
    eachRoute((route, input) => {
      if (input.prints.length < 2) return;
      const alone = input.prints.map((print) => plannedOrNull({ ...input, prints: [print] }));
      const hands = alone.map((own) => own?.totals.handsS ?? NaN);
      expect(route.totals.handsS).to.be.below(hands.reduce((sum, own) => sum + own, 0));
      expect(route.totals.handsS).to.be.above(Math.max(...hands));
    }, 100);
  });
});

describe('spare transfers', () => {
  const made = (spareTransfers: 'none' | 'one' | 'tenth', pieces: number) =>
    routeOf(lineOf({ pieces, house: housed({ spareTransfers }) }));
  const spares = ({ lanes }: Route): number[] => lanes.map((lane) => lane.spares);

  it('are as many as the house makes, of transfers and of nothing else', () => {
    expect(spares(made('none', 24))).to.deep.equal([0, 0]);
    expect(spares(made('one', 24))).to.deep.equal([1, 0]);
    expect(spares(made('tenth', 24))).to.deep.equal([3, 0]);
    const stock = housed({ spareTransfers: 'tenth', filmUse: 'stock' });
    expect(spares(routeOf(lineOf({ house: stock }))), 'on the shelf all are wanted').to.deep.equal([0]);
    expect(
      spares(routeOf(lineOf({ process: 'dtg', house: housed({ spareTransfers: 'one' }) }))),
    ).to.deep.equal([0]);
  });

  it('cost their film and their time, and no blank', () => {
    const [bare, spared] = [made('none', 20), made('tenth', 20)];
    const cents = (route: Route, what: RegExp): number =>
      priceRoute(route, 340, 20).materials.find((own) => what.test(own.what))?.cents ?? NaN;
    // two across and two rows in each piece of 615 mm: five such pieces, and for two more prints one of 310
    expect(cents(spared, /Film$/) / cents(bare, /Film$/)).to.be.closeTo((5 * 615 + 310) / (5 * 615), 1e-9);
    expect(cents(spared, /Parchment/)).to.equal(cents(bare, /Parchment/));
    expect(priceRoute(spared, 340, 20).blankCents).to.equal(340);
    expect(spared.totals.handsS).to.be.above(bare.totals.handsS);
  });
});
