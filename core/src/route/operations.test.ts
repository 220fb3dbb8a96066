import { expect } from 'chai';
import { inWords } from '../words/index.ts';
import fc from 'fast-check';
import {
  anyLine,
  cap,
  cottonTee,
  eachRoute,
  equipment,
  hoodie,
  housed,
  inksWith,
  lineInput,
  lineOf,
  operationOf,
  routeOf,
  settingOf,
  shopWith,
  small,
  valueOf,
} from '../fixtures/index.ts';
import { markForKPa } from './machines.ts';
import { compileSteps, planOfLine } from '../run/index.ts';
import {
  aloneS,
  countdownS,
  goesWords,
  handsS,
  partsIn,
  plannedMode,
  plannedPhases,
  settingFor,
  timedPhases,
} from '../work/index.ts';
import type { Operation } from '../work/index.ts';
import type { PrintInput, Process } from './index.ts';

const RUNS = 250;

const heatS = (operation: Operation): number =>
  plannedMode(operation)
    .phases.filter(({ heat }) => heat !== null)
    .reduce((sum, { onceS }) => sum + onceS, 0);
const conflictsWith = (process: Process, overrides: PrintInput['overrides'], own: Partial<PrintInput> = {}) =>
  routeOf(lineOf({ process, ...own, overrides }))
    .conflicts.map(({ said }) => inWords(said))
    .join(' ');
const own = (operation: string, setting: string, value: number): PrintInput['overrides'][number] => ({
  operation,
  setting,
  value,
  who: 'Ines',
  why: 'a test',
});

describe('the operations of any route', () => {
  it('are counted down exactly as long as they heat, on a machine that can', () => {
    eachRoute(({ operations }) => {
      for (const operation of operations) {
        if (heatS(operation) === 0) continue;
        const { machineKind, stateC, phases } = plannedMode(operation);
        expect(['press', 'cap-press', 'hand-iron', 'oven', 'griddle', 'belt'], operation.id).to.include(
          machineKind,
        );
        expect(countdownS(operation, 1), operation.id).to.be.closeTo(heatS(operation), 0.5);
        for (const { heat, eachS } of phases.filter((own) => own.heat !== null)) {
          expect(heat!.tempC, operation.id).to.equal(stateC);
          expect(eachS, operation.id).to.equal(0);
        }
      }
    }, RUNS);
  });

  it('can be done the planned way first, and on no press that cannot be set to it', () => {
    eachRoute(({ operations }, { equipment: { presses } }) => {
      for (const { id, modes, settings } of operations)
        for (const { machine, machineKind, phases } of modes) {
          if (machineKind !== 'press') continue;
          const press = presses.find((own) => own.id === machine?.id)!;
          const tempC = settingFor({ settings }, 'temperature')?.value ?? modes[0].stateC;
          expect(tempC, id).to.be.within(press.plateC.min, press.plateC.max);
          expect(phases.length, id).to.equal(modes[0].phases.length);
        }
    }, RUNS);
    const [press] = equipment.presses;
    const two = {
      ...equipment,
      presses: [press, { ...press, id: 'b', name: 'Press B', isAutoOpening: !press.isAutoOpening }],
    };
    const cool = { ...two, presses: [press, { ...two.presses[1], plateC: { min: 60, max: 120 } }] };
    const machines = (own: typeof equipment): (string | undefined)[] =>
      operationOf(routeOf(lineOf({ equipment: own })), 'press-transfer').modes.map(
        ({ machine }) => machine?.name,
      );
    expect(machines(two)).to.deep.equal([press.name, 'Press B']);
    expect(machines(cool)).to.deep.equal([press.name]);
  });

  it('take the same minutes of hands and machines in the route, in its steps and in its planned work', () => {
    eachRoute((route, { pieces }) => {
      const steps = compileSteps(planOfLine(route, pieces));
      let [hands, worked] = [0, 0];
      for (const operation of route.operations) {
        const phases = plannedMode(operation).phases;
        let [stepHands, stepAlone] = [0, 0];
        for (const { parts } of steps.filter((own) => own.operation.id === operation.id))
          for (const phase of phases) {
            const s = phase.onceS + phase.eachS * parts.length;
            if (phase.people > 0) stepHands += s * phase.people;
            else stepAlone += s;
          }
        const parts = partsIn(route.lanes, operation.lane, pieces);
        expect(handsS(operation, parts), operation.id).to.be.closeTo(stepHands, 1e-6);
        expect(aloneS(operation, parts), operation.id).to.be.closeTo(stepAlone, 1e-6);
        const planned = plannedPhases(operation, parts);
        const minutes = planned.reduce((sum, { d }) => sum + d, 0);
        const peopleMin = planned.reduce((sum, { d, ops }) => sum + (d * ops) / 100, 0);
        // whole minutes, rounded up for each phase; a stream's people by shares of five in a hundred
        expect(minutes * 60, operation.id).to.be.within(
          stepHands + stepAlone - 1e-6,
          stepHands + stepAlone + 60 * planned.length,
        );
        expect(peopleMin * 60, operation.id).to.be.at.least(stepHands - 1e-6);
        expect(peopleMin, operation.id).to.be.at.most(stepHands / 60 + planned.length + 0.05 * minutes);
        hands += stepHands;
        worked += stepHands + stepAlone;
      }
      const rests = route.operations.reduce((sum, { waitAfter }) => sum + (waitAfter?.minS ?? 0), 0);
      expect(route.totals.handsS).to.be.closeTo(hands, 1e-6);
      expect(route.totals.elapsedS).to.be.closeTo(worked + rests, 1e-6);
    }, 300);
  });

  it('have names of their own, and use things in amounts that can be paid for', () => {
    eachRoute(({ operations }) => {
      const ids = operations.map(({ id }) => id);
      expect(new Set(ids).size).to.equal(ids.length);
      for (const { consumes } of operations)
        for (const { what, amount, cents } of consumes) {
          expect(amount, what).to.be.a('number').and.at.least(0);
          expect(cents, what).to.be.at.least(0);
          expect(Number.isFinite(amount + cents), what).to.equal(true);
        }
    }, RUNS);
  });

  it('use as much a piece however many pieces there are, but for what film leaves over', () => {
    fc.assert(
      fc.property(anyLine, (input) => {
        const used = (pieces: number): string => {
          try {
            const { operations } = routeOf({ ...input, pieces });
            const byPiece = operations.filter(
              ({ id }) => !id.startsWith('print-film') && id !== 'change-heat',
            );
            return JSON.stringify(byPiece.map(({ id, consumes }) => [id, consumes]));
          } catch {
            return '';
          }
        };
        const [few, many] = [used(20), used(60)];
        if (few !== '' && many !== '') expect(many).to.equal(few);
      }),
      { numRuns: 80 },
    );
  });
});

const WHOLE = new Set(['bursts', 'whiteHits', 'mirrorHere', 'passes', 'oneWay', 'dial', 'sprayPasses']);

describe('the wall of a machine', () => {
  it('takes a value at either end of every setting and refuses the first beyond, in words', () => {
    eachRoute((route, input) => {
      for (const { id, settings } of route.operations)
        for (const { key, ability, value } of settings) {
          expect(value, `${id}.${key}`).to.be.within(ability.min, ability.max);
          const at = (wished: number): number =>
            valueOf(routeOf({ ...input, overrides: [own(id, key, wished)] }), id, key);
          if (WHOLE.has(key)) continue; // whole numbers, tried below
          expect(at(ability.max)).to.equal(ability.max);
          const beyond = ability.max + Math.max(1e-6, Math.abs(ability.max) * 1e-6);
          expect(() => at(beyond), `${id}.${key}`).to.throw('beyond what can be set');
        }
    }, 12);
  });

  it('is where the trade’s machines end', () => {
    const walls = (process: Process, given: Partial<PrintInput> = {}): Record<string, [number, number]> =>
      Object.fromEntries(
        routeOf(lineOf({ process, ...given })).operations.flatMap(({ id, settings }) =>
          settings.map(({ key, ability }) => [`${id}.${key}`, [ability.min, ability.max]]),
        ),
      );
    expect(walls('dtf')).to.deep.include({
      'print-film.pauseS': [0, 120],
      'print-film.chokeMm': [0, 3],
      'print-film.whiteDensity': [0, 1],
      'powder.standS': [0, 3600],
      'melt-powder.tempC': [40, 200],
      'melt-powder.dwellS': [5, 1800],
      'press-transfer.tempC': [20, 220],
      'press-transfer.dwellS': [1, 600],
      'press-transfer.kPa': [5, 90],
    });
    expect(walls('dtf-platen')).to.deep.include({ 'print-film.betweenJobsS': [0, 600] });
    expect(walls('dtg')).to.deep.include({ 'dry-pretreatment.bursts': [1, 12], 'print.whiteHits': [1, 3] });
    const air = { house: housed({ pretreatmentDrying: 'air' as const }) };
    expect(walls('dtg', air)).to.deep.include({ 'air-dry.restS': [60, 14_400] });
    const capWalls = walls('patch-cap', { garment: cap, ...small('cap-front') });
    expect(capWalls).to.deep.include({ 'press-cap.lowerC': [20, 150], 'tack-transfer.tempC': [60, 200] });
  });
});

describe('direct print', () => {
  it('takes the time of its area at the mode’s speed: white and colour, each further hit half of it and a pause', () => {
    const print = { ...lineInput().print, widthMm: 250, heightMm: 400 }; // 0.1 m²
    const seconds = (given: Partial<PrintInput>): number =>
      aloneS(operationOf(routeOf(lineOf({ process: 'dtg', print, ...given })), 'print'), 1);
    expect(seconds({})).to.equal(228); // 0.1 m² × 38 min/m²
    expect(seconds({ house: housed({ whiteHits: 'double' }) })).to.equal(228 * 1.5 + 60);
    expect(seconds({ garment: { ...cottonTee, tone: 'light' } })).to.equal(228 / 2);
  });

  it('cures in one go or in bursts as the house wishes, in bursts on polyester whatever it wishes', () => {
    const title = (given: Partial<PrintInput>): string =>
      operationOf(routeOf(lineOf({ process: 'dtg', ...given })), 'cure').title;
    const polyester = { ...cottonTee, fibres: { ...cottonTee.fibres, cotton: 0, polyester: 1 } };
    expect(title({})).to.equal('Cure the print');
    expect(title({ house: housed({ directCure: 'bursts' }) })).to.equal('Cure in 4 bursts');
    expect(title({ garment: polyester })).to.equal('Cure in 4 bursts');
    const hands = (given: Partial<PrintInput>): number =>
      handsS(operationOf(routeOf(lineOf({ process: 'dtg', ...given })), 'cure'), 1);
    expect(hands({ garment: polyester })).to.be.above(hands({}));
  });

  it('flags a third hit of white, and takes a second on thick cotton fleece alone', () => {
    expect(conflictsWith('dtg', [own('print', 'whiteHits', 3)])).to.contain('third hit cracks');
    expect(conflictsWith('dtg', [own('print', 'whiteHits', 2)])).to.equal('');
    const hits = (garment: PrintInput['garment']): number =>
      valueOf(routeOf(lineOf({ process: 'dtg', garment })), 'print', 'whiteHits');
    expect(hits({ ...hoodie, fibres: cottonTee.fibres })).to.equal(2);
    expect(hits({ ...hoodie, fibres: { ...cottonTee.fibres, cotton: 0.4, polyester: 0.6 } })).to.equal(1);
  });

  it('dries as many bursts as are set, open between them', () => {
    const route = routeOf(lineOf({ process: 'dtg', overrides: [own('dry-pretreatment', 'bursts', 5)] }));
    const dry = operationOf(route, 'dry-pretreatment');
    const heated = plannedMode(dry).phases.map(({ heat }) => (heat === null ? 'hands' : 'heat'));
    expect(heated).to.deep.equal(['hands', ...Array<string[]>(5).fill(['heat', 'hands']).flat()]);
    expect(aloneS(dry, 1)).to.equal(5 * valueOf(route, 'dry-pretreatment', 'dwellS'));
    expect(timedPhases(dry).map(({ label }) => label)).to.deep.equal(
      [1, 2, 3, 4, 5].map((i) => `burst ${i}`),
    );
  });
});

describe('film on a platen', () => {
  it('waits between the two jobs on every sheet, and only as long as a layer sets where one job does both', () => {
    const [film, direct, desk] = equipment.printers;
    const machineS = (whiteJobs: 'one' | 'two', pieces: number): number =>
      aloneS(
        operationOf(
          routeOf(
            lineOf({
              process: 'dtf-platen',
              pieces,
              ...shopWith({ printers: [film, { ...direct, whiteJobs }, desk] }),
            }),
          ),
          'print-film',
        ),
        pieces,
      );
    expect(machineS('two', 4) - machineS('one', 4), 'a minute instead of the pause of one job').to.equal(
      4 * (60 - 18),
    );
  });

  it('asks for another time between them only within what dries without drying out', () => {
    expect(conflictsWith('dtf-platen', [own('print-film', 'betweenJobsS', 10)])).to.contain('shorter bleeds');
    expect(conflictsWith('dtf-platen', [own('print-film', 'betweenJobsS', 121)])).to.contain('dry out');
    expect(conflictsWith('dtf-platen', [own('print-film', 'betweenJobsS', 120)])).to.equal('');
  });
});

describe('a transfer under the press', () => {
  it('is pinched by a clam press from one millimetre of fabric on', () => {
    const checks = (thicknessMm: number): string =>
      operationOf(routeOf(lineOf({ garment: { ...hoodie, thicknessMm } })), 'press-transfer')
        .checks.map((own) => inWords(own))
        .join();
    expect(checks(0.99)).to.not.contain('pinches');
    expect(checks(1)).to.contain('pinches');
  });

  it('stays twice as long under a thick mat, its sheet’s limits with it', () => {
    const through = (coverSheet: 'parchment' | 'silicone') =>
      settingOf(routeOf(lineOf({ house: housed({ coverSheet }) })), 'press-transfer', 'dwellS');
    const [bare, mat] = [through('parchment'), through('silicone')];
    expect(mat.value).to.equal(2 * bare.value);
    expect(mat.limits.map(({ min, max }) => [min, max])).to.deep.equal(
      bare.limits.map(({ min, max }) => [2 * (min ?? NaN), 2 * (max ?? NaN)]),
    );
  });

  it('names the mark on the dial only where the gauge has been at it', () => {
    const [press] = equipment.presses;
    expect(markForKPa(press, 10)).to.equal(1);
    expect(markForKPa(press, 9)).to.equal(null);
    expect(markForKPa(press, 90)).to.equal(8);
    expect(markForKPa(press, 91)).to.equal(null);
    expect(markForKPa({ ...press, pressureScale: press.pressureScale.slice(0, 1) }, 10)).to.equal(null);
  });
});

describe('what only some fabrics and shops are told', () => {
  const polyester = { ...cottonTee, fibres: { ...cottonTee.fibres, cotton: 0, polyester: 1 } };
  it('is that an ink whose sheet knows no low heat does not belong on polyester, and one whose sheet does belongs', () => {
    const onPolyester = (own: Partial<PrintInput>) =>
      routeOf(lineOf({ process: 'dtg', garment: polyester, ...own }));
    const bound = onPolyester(inksWith({ use: 'textile', polyesterCureC: null, polyesterCureS: null }));
    expect(bound.conflicts.map(({ operation, setting }) => `${operation}.${setting}`)).to.deep.equal([
      'cure.tempC',
    ]);
    expect(valueOf(bound, 'cure', 'tempC'), 'the sheet stands, and the limit says so').to.equal(155);
    expect(onPolyester({}).conflicts).to.deep.equal([]);
  });

  it('is the pretreatment’s own sheet, for tees and polyester as it stands and for fleece two to three times', () => {
    const limits = (garment: PrintInput['garment']): [number | null, number | null][] =>
      settingOf(routeOf(lineOf({ process: 'dtg', garment })), 'pretreat', 'gM2').limits.map(
        ({ min, max }) => [min, max],
      );
    expect(limits(cottonTee)).to.deep.equal([[110, 180]]);
    expect(limits(polyester)).to.deep.equal([[140, 220]]);
    expect(limits(hoodie)).to.deep.equal([[220, 540]]);
    expect(conflictsWith('dtg', [own('pretreat', 'gM2', 230)], { garment: polyester })).to.contain(
      'Fen Primer P',
    );
  });

  it('is a firmer press on canvas and denim, by their weave and not by their weight alone', () => {
    const kPa = (given: Partial<PrintInput['garment']>): number =>
      valueOf(routeOf(lineOf({ garment: { ...cottonTee, ...given } })), 'press-transfer', 'kPa');
    expect(kPa({ construction: 'woven', massGM2: 250 })).to.equal(55);
    expect(kPa({ construction: 'woven', massGM2: 249 })).to.equal(50);
    expect(kPa({ massGM2: 250 })).to.equal(50);
  });

  it('is powder by the ink’s area where the artwork was not weighed in powder', () => {
    const grams = (powderG: number): number =>
      operationOf(routeOf(lineOf({ print: { ...lineInput().print, powderG } })), 'powder').consumes[0].amount;
    expect(grams(2)).to.equal(2);
    expect(grams(0)).to.be.closeTo(0.05 * 45, 1e-9); // 0.05 m² at 45 g/m²
  });

  it('is that another sheet stands in, at the press it stands in at', () => {
    const slipsOf = (given: Parameters<typeof housed>[0]): [string | null, string][] =>
      routeOf(lineOf({ house: housed(given) })).slips.map(({ operation, said }) => [
        operation,
        inWords(said),
      ]);
    expect(slipsOf({})).to.deep.equal([]);
    const [press] = slipsOf({ coverSheet: 'ptfe' });
    expect(press?.[0]).to.equal('press-transfer');
    const [second] = slipsOf({ secondPressSheet: 'kraft' });
    expect(second).to.deep.equal([
      'second-press',
      'This shop presses under kraft paper, but none is set up for ink: planned with “Parchment”.',
    ]);
  });

  it('is how a line goes through each machine', () => {
    const words = (id: string): string => goesWords(operationOf(routeOf(lineOf()), id));
    expect([words('powder'), words('melt-powder'), words('peel')]).to.deep.equal([
      'sheets of up to 2',
      'up to 4 at once',
      'each piece',
    ]);
  });

  it('is a reason in words that fits: practice on one fibre, or between two by their share', () => {
    const reason = (share: number): string => {
      const fibres = { ...cottonTee.fibres, cotton: 1 - share, polyester: share };
      const { reasons } = settingOf(
        routeOf(lineOf({ garment: { ...cottonTee, fibres } })),
        'press-transfer',
        'tempC',
      );
      return inWords(reasons.find(({ source }) => source === 'trade')!.said);
    };
    expect(reason(0)).to.match(/^Practice on cotton: 150 to 165\u00a0°C/);
    expect(reason(1)).to.match(/^Practice on polyester: 130 to 140\u00a0°C/);
    expect(reason(0.4)).to.match(
      /^A blend lies between by its shares \(60 % cotton, 40 % polyester\): 142 to 155\u00a0°C/,
    );
  });
});
